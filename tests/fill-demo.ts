/** Fills the demo salons that a run's tests begin with, once for all its processes: that of the tests' own hour, and of now. */
import { learnDemo } from './demo.ts';
import { NOW } from './server/room.ts';

for (const hour of [NOW, Date.now()]) await learnDemo(hour);
