/** Decides what the log teaches: pace by tool and person, and how much hair a dog really carries. */
export { type LoggedSession, type Taught, learn } from './learn.ts';
