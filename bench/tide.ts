/** The tide's figures: relearning a book, one dog again, forecasts drawn, the sea dragged along. */
import { execFileSync } from 'node:child_process';
import { DEFAULT_HOUSE } from '../core/kit/index.ts';
import { seededRandom } from '../core/quantity/index.ts';
import {
  course,
  coatsNow,
  dogModel,
  evenDraws,
  fitDog,
  freshTown,
  learnBook,
  learnOne,
  outlookOf,
  type BookDog,
  type LearntBook,
  type TideBook,
} from '../core/tide/index.ts';
import { addDays } from '../core/quantity/index.ts';
import { dogsInBook, makeTown, STUDY_PLACE, WORLDS } from '../study/worlds.ts';

/** A book of the study's first world: dogs with three years of log. */
export function studyBook(dogs: number): TideBook {
  const [world] = WORLDS;
  if (!world) throw new Error('the study has no worlds');
  const town = makeTown(world, seededRandom(17), dogs);
  return {
    today: town.issue,
    place: STUDY_PLACE,
    openWeekdays: [1, 2, 3, 4, 5],
    minutesPerWeek: 2400,
    rates: DEFAULT_HOUSE.rates,
    lengths: { step: 15, shortest: 30 },
    readings: [],
    dogs: dogsInBook(town),
  };
}

type Say = (name: string, value: number, unit: string, reference: string, ratio: number) => void;

const DOGS = 300;

export function tideFigures(say: Say, medianMs: (calls: number, work: (i: number) => void) => number): void {
  const book = studyBook(DOGS);
  const entries = book.dogs.reduce((n, d) => n + d.sightings.length, 0) / DOGS;
  const began = performance.now();
  const steps = learnBook(book);
  let learnt: LearntBook | undefined;
  while (!learnt) {
    const step = steps.next();
    if (step.done) learnt = step.value;
  }
  const whole = (performance.now() - began) / 1000;
  say('relearn-300-dogs', whole, 's', `goal 20 s on one thread; ${entries.toPrecision(3)} entries a dog`, whole / 20);

  // The outlook of a thousand dogs, once learnt: the same three hundred over again.
  const thousand = Array.from({ length: 1000 }, (_, i) => book.dogs[i % DOGS]!);
  const known = new Map(learnt.dogs.map((t) => [t.id, t]));
  const asked = medianMs(1, () => {
    for (const d of thousand) outlookOf(d, known.get(d.id)!, book.today, book);
  });
  say('outlook-1000-dogs', asked, 'ms', 'goal 50 ms', asked / 50);

  // The dog with the longest log, after one entry more.
  const longest = [...book.dogs].sort((a, b) => b.sightings.length - a.sightings.length)[0];
  if (!longest) throw new Error('no dog');
  const grown: BookDog = {
    ...longest,
    sightings: [...longest.sightings, { kind: 'brushed', day: book.today, amount: 'bowl' }],
  };
  const town2 = learnt;
  const one = medianMs(2, () => void learnOne(book, grown, town2));
  say('relearn-one-dog', one, 'ms', `goal 150 ms; ${grown.sightings.length} entries`, one / 150);

  const model = dogModel(grown.dog, book.place, grown.sightings, book.today, addDays(book.today, 395));
  const fit = fitDog(model, freshTown([model]).priorOf(model));
  const coats = coatsNow(fit, evenDraws(fit, 1000));
  const drawn = medianMs(3, () => {
    for (const { rates, stands } of coats) course(rates, book.today, stands, 365);
  });
  const sums = medianMs(3, () => {
    let s = 0;
    for (let i = 0; i < 365_000; i++) s = s * 0.98 + Math.exp(-i / 365_000);
    if (s < 0) throw new Error('never');
  });
  say(
    'forecasts-1000-for-a-year',
    drawn,
    'ms',
    `goal 100 ms; as many exponentials ${sums.toPrecision(3)} ms`,
    drawn / 100,
  );

  // A process of its own: what a thousand dogs with three years of logs take of processor and memory.
  const large: { readonly seconds: number; readonly mb: number } = JSON.parse(
    execFileSync(process.execPath, ['--import=tsx', 'bench/tide-large.ts'], { encoding: 'utf8' }),
  );
  say('relearn-1000-dogs-processor', large.seconds, 's', 'goal 100 s', large.seconds / 100);
  say('relearn-1000-dogs-memory', large.mb, 'MB', 'goal 500 MB', large.mb / 500);

  const screen: Record<'sixty' | 'thousand', { readonly worst: number; readonly median: number }> = JSON.parse(
    execFileSync(process.execPath, ['--import=tsx', 'tests/on-screen-tide.ts'], { encoding: 'utf8' })
      .trim()
      .split('\n')
      .at(-1) ?? '',
  );
  for (const [name, { worst, median }] of [
    ['sea-60-dogs-worst-frame', screen.sixty],
    ['sea-1000-dogs-worst-frame', screen.thousand],
  ] as const)
    say(name, worst, 'ms', `goal 50 ms while it is dragged; median frame ${median.toPrecision(3)} ms`, worst / 50);
}
