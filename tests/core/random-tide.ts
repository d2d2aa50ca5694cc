/** Random dogs, lives and logs for the tide's properties. */
import fc from 'fast-check';
import { COAT_CLASSES } from '../../core/dog/index.ts';
import { day, dayFromCivil } from '../../core/quantity/index.ts';
import {
  HOME_AMOUNTS,
  HOME_CARE,
  LIFE_EVENTS,
  type LifeEvent,
  type Sighting,
  type TideDog,
} from '../../core/tide/index.ts';

export const NORTH = { latitudeDeg: 58, longitudeDeg: 12 };
export const TODAY = dayFromCivil({ year: 2031, month: 3, dayOfMonth: 1 });
const back = fc.integer({ min: 0, max: 1000 }).map((n) => day(TODAY - n));

export const sightings: fc.Arbitrary<readonly Sighting[]> = fc.array(
  fc.oneof(
    fc.record({
      kind: fc.constant('visit' as const),
      day: back,
      takes: fc.double({ min: 0.1, max: 0.97, noNaN: true }),
      weighed: fc.option(
        fc.record({
          grams: fc.double({ min: 1, max: 600, noNaN: true }),
          share: fc.double({ min: 0.1, max: 1, noNaN: true }),
        }),
        { nil: undefined },
      ),
    }),
    fc.record({
      kind: fc.constant('touch' as const),
      day: back,
      finger: fc.double({ min: 0, max: 4, noNaN: true }),
      tug: fc.double({ min: 0, max: 3, noNaN: true }),
    }),
    fc.record({ kind: fc.constant('brushed' as const), day: back, amount: fc.constantFrom(...HOME_AMOUNTS) }),
    fc.record({ kind: fc.constant('brushed' as const), day: back, grams: fc.double({ min: 0, max: 80, noNaN: true }) }),
    fc.record({ kind: fc.constant('started' as const), day: back }),
  ),
  { minLength: 1, maxLength: 40 },
);

const life: fc.Arbitrary<readonly LifeEvent[]> = fc.array(
  fc.record({ kind: fc.constantFrom(...LIFE_EVENTS), day: back, outdoorShare: fc.constantFrom(0, 0.5, 1) }),
  { maxLength: 3 },
);

export const tideDog: fc.Arbitrary<TideDog> = fc.record({
  coatClass: fc.constantFrom(...COAT_CLASSES),
  weightKg: fc.double({ min: 3, max: 70, noNaN: true }),
  outdoorShare: fc.double({ min: 0, max: 1, noNaN: true }),
  homeCare: fc.constantFrom(...HOME_CARE),
  born: fc.option(
    fc.integer({ min: 60, max: 4000 }).map((n) => day(TODAY - n)),
    { nil: undefined },
  ),
  life,
  fourTides: fc.boolean(),
});
