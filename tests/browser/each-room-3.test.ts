/** A third of the rooms; see each-room.ts. */
import { eachRoom } from './each-room.ts';

eachRoom(2);
