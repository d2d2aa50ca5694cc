/**
 * How somebody's table of clients becomes dogs and past visits: which column holds what, what each line says, and
 * why a line cannot be taken. Nothing is guessed that would be a fact about a dog.
 */
import { breedOf, COATS, findBreeds, type BodyShape, type BreedRow, type CoatClass, type Sex } from '../dog/index.ts';
import { dayFromCivil, err, formatDay, ok, parseDay, type Day, type Result } from '../quantity/index.ts';

/** What a column of a table of clients can hold. */
export const INTAKE_FIELDS = [
  'owner',
  'phone',
  'dog',
  'breed',
  'sex',
  'born',
  'weightKg',
  'coatClass',
  'note',
  'visitDay',
  'visitMinutes',
  'visitGrams',
] as const;
export type IntakeField = (typeof INTAKE_FIELDS)[number];
/** Heads of columns by what they hold. */
export type IntakeColumns = Partial<Readonly<Record<IntakeField, string>>>;

export interface IntakeDog {
  readonly name: string;
  readonly owner: string;
  readonly phone: string;
  readonly breed: string;
  readonly sex: Sex;
  readonly neutered: boolean;
  readonly born: Day | undefined;
  readonly weightKg: number;
  readonly coatClass: CoatClass;
  readonly shape: BodyShape;
  readonly note: string;
}
export interface IntakeVisit {
  readonly day: Day;
  readonly minutes: number | undefined;
  readonly grams: number | undefined;
}
/** What a line of the table comes to. `dog` is an index into the dogs that are new, or the id of one that is here. */
export interface IntakeLine {
  readonly line: number;
  readonly dogName: string;
  readonly ownerName: string;
  readonly dog: number | string | undefined;
  readonly newDog: boolean;
  readonly visit: IntakeVisit | undefined;
  /** Sentence with field, value and way out. */
  readonly problem: string | undefined;
}
export interface Intake {
  readonly dogs: readonly IntakeDog[];
  readonly lines: readonly IntakeLine[];
}
export interface KnownDog {
  readonly id: string;
  readonly name: string;
  readonly owner: string;
  readonly phone: string;
}

/** Words by which the head of a column is known, surest first; common practice. */
const HEADS: Readonly<Record<IntakeField, readonly string[]>> = {
  owner: ['owner', 'client', 'customer', 'ownername', 'clientname', 'customername', 'contact'],
  phone: ['phone', 'mobile', 'telephone', 'tel', 'phonenumber', 'cell'],
  dog: ['dog', 'pet', 'dogname', 'petname', 'patient', 'animal'],
  breed: ['breed', 'race', 'dogbreed'],
  sex: ['sex', 'gender'],
  born: ['born', 'birthday', 'birthdate', 'dateofbirth', 'dob'],
  weightKg: ['weightkg', 'weight', 'kg'],
  coatClass: ['coatclass', 'coat', 'coattype'],
  note: ['note', 'notes', 'remarks', 'comment', 'comments'],
  visitDay: ['visitday', 'visit', 'lastvisit', 'date', 'appointment', 'visitdate'],
  visitMinutes: ['visitminutes', 'minutes', 'duration', 'min'],
  visitGrams: ['visitgrams', 'grams', 'hairgrams', 'hair'],
};
const bare = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/** Columns whose heads say what they hold; each once. */
export function guessColumns(header: readonly string[]): IntakeColumns {
  const taken = new Set<string>();
  const columns: Partial<Record<IntakeField, string>> = {};
  for (const field of INTAKE_FIELDS) {
    const head = HEADS[field].flatMap((word) => header.filter((h) => bare(h) === word)).find((h) => !taken.has(h));
    if (head === undefined) continue;
    taken.add(head);
    columns[field] = head;
  }
  return columns;
}

type DateOrder = 'day-first' | 'month-first' | 'unsure';
const NUMBERS = /^(\d{1,2})([./-])(\d{1,2})\2(\d{4})$/;

/** Which number of `4/9/2031` is the day, from all dates of a column: one beyond 12 decides. */
export function dateOrder(dates: readonly string[]): DateOrder {
  let [first, second] = [false, false];
  for (const date of dates) {
    const [, a = '', mark, b = ''] = NUMBERS.exec(date.trim()) ?? [];
    if (mark === undefined) continue;
    // A point between the numbers puts the day first wherever it is used: common practice.
    if (mark === '.' || +a > 12) first = true;
    if (mark !== '.' && +b > 12) second = true;
  }
  return first === second ? 'unsure' : first ? 'day-first' : 'month-first';
}

/** A date as it is written in some table, or why it is none. */
export function readDate(text: string, order: DateOrder): Result<Day, string> {
  const iso = parseDay(text);
  if (iso !== undefined) return ok(iso);
  const [, a = '', , b = '', year = ''] = NUMBERS.exec(text) ?? [];
  if (year === '') return err(`"${text}" is not a date that exists: write it 2031-04-09`);
  if (order === 'unsure' && a !== b)
    return err(`"${text}" may be two days: write it with the year first, as 2031-04-09`);
  const [d, m] = order === 'month-first' ? [+b, +a] : [+a, +b];
  const value = dayFromCivil({ year: +year, month: m, dayOfMonth: d });
  const back = formatDay(value);
  return back === `${year}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`
    ? ok(value)
    : err(`"${text}" is not a date that exists: write it 2031-04-09`);
}

/** A number with a comma or a point before its decimals. */
function readNumber(text: string, least: number, most: number, unit: string): Result<number, string> {
  const value = /^\d+(?:[.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN;
  return value >= least && value <= most
    ? ok(value)
    : err(`"${text}" must be a number from ${least} to ${most} ${unit}`);
}

const FEMALE = new Set(['female', 'f', 'bitch', 'girl', 'spayed', 'fs', 'femalespayed', 'femaleneutered']);
const MALE = new Set(['male', 'm', 'boy', 'neutered', 'castrated', 'mn', 'maleneutered', 'malecastrated']);
const NEUTERED = new Set([...FEMALE, ...MALE].filter((w) => /spay|neuter|castrat|^fs$|^mn$/.test(w)));
/** Sex as tables write it. Where nothing is written, male: it is the one that moves no coat by itself. */
const sexOf = (text: string): Sex | undefined =>
  text === '' || MALE.has(bare(text)) ? 'male' : FEMALE.has(bare(text)) ? 'female' : undefined;

const coatOf = (text: string): CoatClass | undefined =>
  COATS.find((c) => bare(c.coatClass) === bare(text) || bare(c.name) === bare(text))?.coatClass;

/** The breed a table means, when its name leaves no doubt. */
function breedNamed(text: string): BreedRow | undefined {
  if (text === '') return undefined;
  const exact = breedOf(text);
  if (exact) return exact;
  const found = findBreeds(text, 2);
  return found.length === 1 ? found[0] : undefined;
}

type Named = Pick<KnownDog, 'name' | 'owner' | 'phone'>;
/** Dogs by their own and their owner's name: a table has thousands of lines, and a salon thousands of dogs. */
class ByName<T extends Named> {
  private readonly found = new Map<string, T[]>();
  constructor(dogs: readonly T[]) {
    for (const dog of dogs) this.add(dog);
  }
  private key(d: Named): string {
    return JSON.stringify([d.name.trim().toLowerCase(), d.owner.trim().toLowerCase()]);
  }
  add(dog: T): void {
    const same = this.found.get(this.key(dog));
    if (same) same.push(dog);
    else this.found.set(this.key(dog), [dog]);
  }
  /** Those of these names whose number is the same, or is not told on one side. */
  like(d: Named): readonly T[] {
    const same = this.found.get(this.key(d)) ?? [];
    return same.filter((x) => d.phone === '' || x.phone === '' || digits(x.phone) === digits(d.phone));
  }
}
/** Digits of a phone number: two people may write the same in two ways. */
const digits = (text: string): string => text.replace(/\D/g, '');

/** Reads a table whose cells are trimmed text, by head of column. Lines count from 2: the first is the head. */
export function readIntake(
  table: readonly Readonly<Record<string, string>>[],
  columns: IntakeColumns,
  known: readonly KnownDog[],
  today: Day,
): Intake {
  const cell = (row: Readonly<Record<string, string>>, field: IntakeField): string => {
    const head = columns[field];
    return head === undefined ? '' : (row[head] ?? '').trim();
  };
  const orderOf = (field: IntakeField): DateOrder => dateOrder(table.map((r) => cell(r, field)));
  const orders = { born: orderOf('born'), visitDay: orderOf('visitDay') };
  const dogs: IntakeDog[] = [];
  const here = new ByName(known);
  const added = new ByName<IntakeDog & { readonly index: number }>([]);
  const breeds = new Map<string, BreedRow | undefined>();
  const breedOfText = (text: string): BreedRow | undefined => {
    if (!breeds.has(text)) breeds.set(text, breedNamed(text));
    return breeds.get(text);
  };
  const lines = table.map((row, i): IntakeLine => {
    const at = { line: i + 2, dogName: cell(row, 'dog'), ownerName: cell(row, 'owner') };
    const refused = (problem: string): IntakeLine => ({
      ...at,
      dog: undefined,
      newDog: false,
      visit: undefined,
      problem,
    });
    const phone = cell(row, 'phone');
    if (at.dogName === '') return refused('This line names no dog. Fill in its name, or take the line out.');
    if (at.ownerName === '') return refused(`Nobody is named as the owner of ${at.dogName}. Fill in a name.`);
    if (at.dogName.length > 60 || at.ownerName.length > 80 || phone.length > 40 || cell(row, 'note').length > 2000)
      return refused('A name, a number or a note is longer than can be kept. Shorten it.');
    let visit: IntakeVisit | undefined;
    const visitText = cell(row, 'visitDay');
    if (visitText !== '') {
      const on = readDate(visitText, orders.visitDay);
      if (!on.ok) return refused(`The visit’s date ${on.error}.`);
      if (on.value > today) return refused(`The visit’s date "${visitText}" is still to come. Book it instead.`);
      const [minutes, grams] = [cell(row, 'visitMinutes'), cell(row, 'visitGrams')];
      const read = {
        minutes: minutes === '' ? undefined : readNumber(minutes, 1, 900, 'minutes'),
        grams: grams === '' ? undefined : readNumber(grams, 0, 5000, 'g'),
      };
      if (read.minutes && !read.minutes.ok) return refused(`The visit’s minutes ${read.minutes.error}.`);
      if (read.grams && !read.grams.ok) return refused(`The visit’s grams ${read.grams.error}.`);
      visit = { day: on.value, minutes: read.minutes?.value, grams: read.grams?.value };
    }
    const named = { name: at.dogName, owner: at.ownerName, phone };
    const [one, ...more] = here.like(named);
    if (more.length > 0)
      return refused(
        `${at.ownerName} has two dogs called ${at.dogName} here. Add the phone number to tell them apart.`,
      );
    if (one) return { ...at, dog: one.id, newDog: false, visit, problem: undefined };
    const [before] = added.like(named);
    if (before) return { ...at, dog: before.index, newDog: false, visit, problem: undefined };

    const breedText = cell(row, 'breed');
    const breed = breedOfText(breedText);
    const coatText = cell(row, 'coatClass');
    const coatClass = coatText === '' ? breed?.coatClass : coatOf(coatText);
    if (coatClass === undefined)
      return refused(
        coatText !== ''
          ? `The coat "${coatText}" is not a class that is known here. Use ${COATS.map((c) => c.name).join(', ')}.`
          : `The breed "${breedText}" does not tell the coat. Add a column with the coat’s class.`,
      );
    const weightText = cell(row, 'weightKg');
    const weight =
      weightText === ''
        ? breed && ok((breed.weightKg.low + breed.weightKg.high) / 2)
        : readNumber(weightText.replace(/\s*kg$/i, ''), 0.5, 120, 'kg');
    if (!weight) return refused(`Nothing tells what ${at.dogName} weighs. Fill in kg.`);
    if (!weight.ok) return refused(`The weight ${weight.error}.`);
    const bornText = cell(row, 'born');
    const born = bornText === '' ? undefined : readDate(bornText, orders.born);
    if (born && !born.ok) return refused(`The date of birth ${born.error}.`);
    if (born && born.value > today) return refused(`The date of birth "${bornText}" is still to come.`);
    const sexText = cell(row, 'sex');
    const sex = sexOf(sexText);
    if (sex === undefined) return refused(`The sex "${sexText}" is not known here: write female or male.`);
    const dog: IntakeDog = {
      neutered: NEUTERED.has(bare(sexText)),
      name: at.dogName,
      owner: at.ownerName,
      phone,
      breed: (breed?.name ?? breedText).slice(0, 60),
      sex,
      born: born?.value,
      weightKg: weight.value,
      coatClass,
      shape: breed?.shape ?? 'retriever',
      note: cell(row, 'note'),
    };
    added.add({ ...dog, index: dogs.length });
    dogs.push(dog);
    return { ...at, dog: dogs.length - 1, newDog: true, visit, problem: undefined };
  });
  return { dogs, lines };
}
