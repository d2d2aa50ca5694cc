/** Days at made-up salons. Minutes are multiples of a grain, so that a programme over slots can hold them. */
import { randomInt, type Random } from '../../core/quantity/index.ts';
import type { DayAsked, DayPerson, DayPlace, DayVisit, Stage, StageKind } from '../../core/day/index.ts';

export interface DaySize {
  readonly dogs: readonly [number, number];
  readonly people: readonly [number, number];
  readonly grain: number;
  /** Cleaning, noise and owners who come late; without, only what decides how long the day is. */
  readonly whole: boolean;
}

const OPEN = 480;
const CLOSE = 1080;

export function randomDay(random: Random, { dogs, people, grain, whole }: DaySize): DayAsked {
  const many = (range: readonly [number, number]): number => randomInt(random, range[0], range[1]);
  const long = (from: number, to: number): number => grain * randomInt(random, from, to);
  const all: readonly StageKind[] = ['check', 'dry-work', 'bath', 'drying', 'finish', 'rest'];
  const wet: readonly StageKind[] = ['check', 'bath', 'drying'];
  // Short days in slots: a programme over them stays small.
  const most = whole ? 4 : 3;
  const hands = Array.from({ length: many(people) }, (_, i): DayPerson => {
    const from = OPEN + (i === 0 ? 0 : long(0, 3));
    return {
      id: `person-${i}`,
      hours: { from, to: whole ? CLOSE - long(0, 4) : 10_000 },
      can: i > 0 && random() < 0.35 ? wet : all,
      pauses:
        random() < 0.5
          ? [{ minutes: grain, within: { from: from + long(2, 4), to: whole ? from + long(10, 14) : 10_000 } }]
          : [],
      mostHeavy: whole ? randomInt(random, 1, 3) : 99,
      protectDb: randomInt(random, 0, 12),
    };
  });
  const place = (kind: DayPlace['kind'], count: number): DayPlace[] =>
    Array.from({ length: count }, (_, i) => ({ id: `${kind}-${i}`, kind }));
  const visits = Array.from({ length: many(dogs) }, (_, i): DayVisit => {
    const stages: Stage[] = [];
    const add = (kind: StageKind, at: Stage['place'], minutes: number, atOnce = false, dbA?: number): void => {
      const clean = whole && at !== undefined ? 5 : 0;
      stages.push({ kind, place: at, minutes, hands: kind !== 'rest', atOnce, cleanMinutes: clean, dbA });
    };
    if (whole || random() < 0.6) add('dry-work', 'table', long(1, most));
    if (random() < 0.85) {
      add('bath', 'tub', long(1, 3));
      add('drying', 'dryer', long(1, most), true, whole ? 88 + randomInt(random, 0, 12) : undefined);
    }
    if (stages.length === 0 || random() < 0.7) add('finish', 'table', long(1, 3));
    if (random() < 0.2) add('rest', undefined, grain, true);
    const from = OPEN + (random() < 0.6 ? 0 : long(1, 6));
    return {
      id: `visit-${i}`,
      dogId: `dog-${i}`,
      weightKg: randomInt(random, 4, 60),
      stages,
      arrive: { from, to: whole && random() < 0.5 ? from : 10_000 },
      leave: { from: 0, to: whole ? from + long(20, 40) : 10_000 },
    };
  });
  const apart: (readonly [string, string])[] = [];
  if (random() < 0.3 && visits.length > 1) apart.push(['visit-0', 'visit-1']);
  return {
    people: hands,
    places: [
      ...place('table', randomInt(random, 1, 2)),
      ...place('tub', 1),
      ...place('dryer', randomInt(random, 1, 2)),
    ],
    visits,
    apart,
    pins: [],
    begun: [],
    paused: [],
    now: 0,
  };
}
