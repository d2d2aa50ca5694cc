/** Words of the trail: what a table's row and a column are to people. */
import type { ChangeRecord } from '../../contract/safe.ts';

const THINGS: Readonly<Record<string, string>> = {
  absence: 'an absence',
  account: 'the account of',
  booking: 'a visit of',
  check_zone: 'a zone in a check of',
  coat_check: 'a coat check of',
  dog: 'the dog',
  dog_apart: 'two dogs that must not meet',
  home_bout: 'brushing at home of',
  home_care: 'care at home of',
  home_link: 'an owner’s link',
  home_link_dog: 'an owner’s link for',
  home_note: 'a word from the home of',
  home_report: 'a find at the home of',
  home_setup: 'the home of',
  life_event: 'an event in the life of',
  owner_call: 'a call about',
  owner_post: 'how an owner is reminded',
  past_visit: 'an earlier visit of',
  person: 'the working days of',
  photo: 'a photo of',
  post: 'a reminder',
  post_about: 'a reminder about',
  product_move: 'a product’s stock',
  salon: 'the salon’s house rules',
  session: 'a session of',
  vet_word: 'a vet’s word on',
  sheet_mark: 'the sheet, a stage of',
  sheet_pin: 'the sheet, what is set for',
  tool: 'a piece of the kit,',
  upkeep: 'upkeep of a piece',
  visit_wish: 'what is wished for visits of',
};
const ACTS: Readonly<Record<ChangeRecord['act'], string>> = { made: 'added', changed: 'changed', removed: 'removed' };

/** What somebody did, as the middle of a sentence: "changed the dog Kelda". */
export const didWords = ({ act, table, name }: ChangeRecord): string =>
  `${ACTS[act]} ${THINGS[table] ?? table.replaceAll('_', ' ')}${name === null || table === 'salon' ? '' : ` ${name}`}`;

/** A column as people say it. */
export const fieldWord = (field: string): string => field.replace(/_(?:id|ms|day)$/, '').replaceAll('_', ' ');

const MOST = 120;
/** A stored value in few words. */
export function valueWord(field: string, value: unknown): string {
  if (value === null || value === '') return 'nothing';
  if (field.endsWith('_day') || field === 'day') return typeof value === 'number' ? dayText(value) : String(value);
  const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
  return text.length > MOST ? `${text.slice(0, MOST)} …` : text;
}
const dayText = (day: number): string => new Date(day * 86_400_000).toISOString().slice(0, 10);

/** Pairs of a JSON text that differ, so that a changed house says which rule and not all of them. */
export function partsChanged(
  before: unknown,
  after: unknown,
): readonly (readonly [string, unknown, unknown])[] | undefined {
  const [a, b] = [objectIn(before), objectIn(after)];
  if (!a || !b) return undefined;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])]
    .filter((k) => JSON.stringify(a[k]) !== JSON.stringify(b[k]))
    .map((k) => [k, a[k] ?? null, b[k] ?? null] as const);
}
function objectIn(value: unknown): Readonly<Record<string, unknown>> | undefined {
  if (typeof value !== 'string' || !value.startsWith('{')) return undefined;
  try {
    const parsed: Readonly<Record<string, unknown>> = JSON.parse(value);
    return parsed;
  } catch {
    return undefined;
  }
}
