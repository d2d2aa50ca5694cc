/** Decides who is acting: kept beside the code of a request, so that the file can write down who changed a row. */
import { AsyncLocalStorage } from 'node:async_hooks';
import type { Role } from '../../contract/account.ts';

export interface Actor {
  readonly role: Role | 'link' | 'nobody' | 'machine';
  /** Id of the account or the link. */
  readonly id: string | null;
  /** As the trail names them, also after the account is gone. */
  readonly name: string;
}
/** Anyone who works at the machine itself: a start, a command, a round of reminders. */
export const MACHINE: Actor = { role: 'machine', id: null, name: 'the salon’s computer' };
/** Anyone who fills a file or reads one in whole: no trail is written of it. */
export const UNTRAILED: Actor = { role: 'machine', id: null, name: '' };
export const NOBODY: Actor = { role: 'nobody', id: null, name: 'somebody not signed in' };

const storage = new AsyncLocalStorage<Actor>();
export const acting = {
  run: <T>(actor: Actor, work: () => T): T => storage.run(actor, work),
  /** Who acts now. */
  now: (): Actor => storage.getStore() ?? MACHINE,
};
