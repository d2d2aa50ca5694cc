/** Decides which rooms there are, what they are called, and who may look into them: the head of the house and the finder read it. */
import type { Role } from '../../contract/account.ts';

export type PlaceName = 'desk' | 'table' | 'home';
export interface RoomRow {
  readonly to: string;
  readonly name: string;
  /** Where it hangs: in the row of rooms, behind “House”, under one's name, or only in the finder. */
  readonly hangs: 'row' | 'house' | 'name' | 'finder';
  readonly place: PlaceName;
  /** Those who may; all where nobody says. */
  readonly roles?: readonly Role[];
  /** Other words somebody may look for. */
  readonly also?: string;
}

const room = (
  place: PlaceName,
  hangs: RoomRow['hangs'],
  to: string,
  name: string,
  also = '',
  roles?: readonly Role[],
): RoomRow => ({
  to,
  name,
  hangs,
  place,
  also,
  ...(roles && { roles }),
});
const CRAFT: readonly Role[] = ['owner', 'groomer'];
const FRONT: readonly Role[] = ['owner', 'groomer', 'desk'];
const OWNER: readonly Role[] = ['owner'];

export const ROOMS: readonly RoomRow[] = [
  room('desk', 'row', '/desk/tide', 'Tide', 'forecast year blow caseload call'),
  room('desk', 'row', '/desk/book', 'Book', 'year appointments optimise plan visits'),
  room('desk', 'row', '/desk/sheet', 'Sheet', 'day schedule tub dryers lanes'),
  room('desk', 'row', '/desk/dogs', 'Dogs', 'clients owners list need'),
  room('desk', 'row', '/desk/day', 'Today', 'dilution shampoo noise stock drying'),
  room('desk', 'row', '/desk/ahead', 'Ahead', 'weeks due overdue call'),
  room('desk', 'row', '/desk/homes', 'Homes', 'owners reports found'),
  room('desk', 'row', '/desk/bench', 'Bench', 'plans methods what if'),
  room('desk', 'row', '/desk/tally', 'Tally', 'charts statistics income grams minutes', CRAFT),
  room('desk', 'row', '/desk/practice', 'Practice', 'train learn drills simulator'),
  room('desk', 'house', '/desk/kit', 'Kit', 'tools wear sharpen buy'),
  room('desk', 'house', '/desk/rules', 'Rules', 'forbidden cautions why'),
  room('desk', 'house', '/desk/house', 'House rules', 'settings rates hours quarrels prices'),
  room('desk', 'house', '/desk/staff', 'Staff', 'people roster away holidays'),
  room('desk', 'house', '/desk/post', 'Reminders', 'mail messages outbox'),
  room('desk', 'house', '/desk/start', 'First steps', 'setup begin guide'),
  room('desk', 'house', '/desk/help', 'Help and words', 'glossary manual'),
  room('desk', 'name', '/desk/you', 'Your settings', 'passphrase PIN units contrast large text language'),
  room('desk', 'name', '/desk/intake', 'Bring clients in', 'import CSV', FRONT),
  room('desk', 'name', '/desk/keys', 'Keys: who may come in', 'accounts roles users', OWNER),
  room('desk', 'name', '/desk/safe', 'Safe: backups, files out', 'export archive restore', OWNER),
  room('desk', 'name', '/desk/changes', 'Changes: who did what', 'trail audit history', OWNER),
  room('desk', 'finder', '/desk/dogs/new', 'New dog', 'add client', FRONT),
  room('desk', 'finder', '/desk/kit/new', 'New piece for the wall', 'add tool', CRAFT),
  room('desk', 'finder', '/desk/tide/honest', 'How good are we', 'calibration errors forecasts'),
  room('desk', 'finder', '/desk/tally?view=taught', 'What the log has taught', 'pace yield', CRAFT),
  room('desk', 'finder', '/desk/practice/drills', 'Questions asked again', 'drills quiz'),
  room('table', 'finder', '/table', 'Table', 'sessions today start'),
  room('table', 'row', '/table/wall', 'Wall', 'screen board'),
  room('table', 'row', '/table/devices', 'Scale and meters', 'tare sound sensor'),
  room('home', 'finder', '/home', 'Home', 'cards owners pegs'),
];

export const roomsFor = (role: Role, test: (r: RoomRow) => boolean): readonly RoomRow[] =>
  ROOMS.filter((r) => (!r.roles || r.roles.includes(role)) && test(r));
