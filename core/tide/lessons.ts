/** What a dog’s log has taught about it, and what only another entry can tell. */
import { bandOf, evenDraws } from './ahead.ts';
import type { LearntBook } from './caseload.ts';
import { GLOBALS, sigmoid, type Global } from './dog-model.ts';
import type { Fit } from './fit.ts';
import type { Sighting } from './sightings.ts';

/** What the log has taught: a figure against where it started. */
export interface Lesson {
  readonly what: 'spring-start' | 'autumn-start' | 'length' | 'seasonal' | 'release' | 'loss' | 'home' | 'handful';
  /** Days against the town's usual for starts; days for length; factors else. */
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** How much of the first doubt is left, 0..1. */
  readonly doubtLeft: number;
}

/** What nobody can say yet, and the entry that would tell. */
export type Advice =
  'weigh-a-visit' | 'weigh-at-home' | 'say-when-it-starts' | 'first-visit-only-a-range' | 'light-gives-none';

/** A parameter's draws, in their own units. */
function parameter(fit: Fit, at: number): Float64Array {
  return Float64Array.from(evenDraws(fit, 200), (r) => fit.draws[r * fit.model.size + at] ?? 0);
}

/** Each figure that a log tells, with its band and what is left of the first doubt. */
export function lessonsOf(fit: Fit, learnt: Pick<LearntBook, 'town'>): readonly Lesson[] {
  const { model, told } = fit;
  const lessons: Lesson[] = [];
  for (const tide of ['spring', 'autumn'] as const) {
    // Its habit: the mean over the seasons it has lived through, against the town's.
    const own = model.sheds
      .map((s, i) => ({ s, i }))
      .filter(({ s }) => s.tide === tide && s.usual < model.lastDay - 30);
    const offset = learnt.town.offsets.find((o) => o.tide === tide)?.days ?? 0;
    if (own.length === 0) continue;
    const means = Float64Array.from(evenDraws(fit, 200), (r) => {
      let sum = 0;
      for (const { s, i } of own) {
        const shift = learnt.town.shifts.find((t) => t.key === s.key)?.days ?? 0;
        sum += (fit.draws[r * model.size + GLOBALS.length + i] ?? 0) - offset - shift;
      }
      return sum / own.length;
    });
    const { low, likely, high } = bandOf(means);
    const doubtLeft = own.reduce((t, { i }) => t + (told[GLOBALS.length + i] ?? 1), 0) / own.length;
    lessons.push({ what: tide === 'spring' ? 'spring-start' : 'autumn-start', value: likely, low, high, doubtLeft });
  }
  const spring = model.sheds.find((s) => s.tide === 'spring');
  const push = (what: Lesson['what'], global: Global, of: (v: number) => number): void => {
    const at = GLOBALS.indexOf(global);
    const { low, likely, high } = bandOf(parameter(fit, at).map(of));
    lessons.push({ what, value: likely, low, high, doubtLeft: told[at] ?? 1 });
  };
  if (spring) push('length', 'length', (v) => spring.lengthDays * Math.exp(v));
  push('seasonal', 'share', sigmoid);
  push('loss', 'loss', Math.exp);
  push('handful', 'handful', Math.exp);
  return lessons;
}

/** Left of the first doubt above which nothing has been learnt. Guess: less would be told of by chance. */
const UNTOLD = 0.85;

/** The entries that would tell most. */
export function adviceOf(
  fit: Fit,
  sightings: readonly Sighting[],
  learnt: Pick<LearntBook, 'town'>,
): readonly Advice[] {
  const weighed = sightings.filter((s) => s.kind === 'visit' && s.weighed).length;
  const weighedHome = sightings.some((s) => s.kind === 'brushed' && s.grams !== undefined);
  const said = sightings.some((s) => s.kind === 'started');
  const doubt = (g: Global): number => fit.told[GLOBALS.indexOf(g)] ?? 1;
  const advice: Advice[] = [];
  if (learnt.town.trust < 0.5) advice.push('light-gives-none');
  if (weighed < 2) advice.push('first-visit-only-a-range');
  // Salon weights alone cannot part how much is released from how much falls at home.
  if (weighed >= 2 && !weighedHome && doubt('loss') > UNTOLD) advice.push('weigh-at-home');
  if (weighed < 4 && doubt('release') > 0.5) advice.push('weigh-a-visit');
  if (!said) advice.push('say-when-it-starts');
  return advice;
}
