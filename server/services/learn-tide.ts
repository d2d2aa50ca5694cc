/** When the tide is learnt again: after what is written, and when somebody looks. */
import type { AppContext } from '../context.ts';
import type { BookQuestion } from '../tide-thread.ts';
import { Pauses } from '../work/pauses.ts';
import { learnDog } from './outlooks.ts';
import { boutsPerDay, setupRecord } from './owner-page.ts';
import { tideTextInPieces } from './tide-file.ts';

/** Has the tide computed from today's facts; pages do not wait for it. */
export const askTide = (context: AppContext, laterMs?: number): void =>
  context.tide.soon(() => tideQuestion(context), laterMs);

/** What the tide's thread is asked, as the facts stand now; written, and gathered between the requests. */
export async function tideQuestion(context: AppContext): Promise<string> {
  const book = await tideTextInPieces(context);
  const pauses = new Pauses();
  const homes: BookQuestion['homes'][number][] = [];
  for (const d of context.stores.dogs.all()) {
    await pauses.take();
    homes.push({ id: d.id, boutsPerDay: boutsPerDay(d, setupRecord(context, d)) });
  }
  return `{"book":${book},"homes":${JSON.stringify(homes)}}`;
}

/** So many dogs are learnt one by one after a write; of more the whole is learnt. */
const MOST_AT_ONCE = 3;
/** What one dog's news say of the others may wait so long, where nobody looks at the tide. */
const TOWN_LATER_MS = 60_000;

/** After something was written: the dogs it was about are learnt again, and by and by their town. */
export function learnTouched(context: AppContext): void {
  const { dogs, all } = context.stores.touched.taken();
  if ((dogs.length === 0 && !all) || !context.stores.salon.find()) return;
  // Nobody waits for this: who asks for the dog next hears what is wrong.
  if (dogs.length <= MOST_AT_ONCE) for (const id of dogs) learnDog(context, id).catch(() => undefined);
  askTide(context, TOWN_LATER_MS);
}
