/** Random dogs, checks, kits and houses for property tests: anything the schemas would let through. */
import fc from 'fast-check';
import {
  COMB_GRADES,
  FINGER_GRADES,
  INSPECTION_ANSWERS,
  INSPECTION_ITEMS,
  SKIN_FINDINGS,
  TIE_GRADES,
  TUG_GRADES,
  type CoatCheck,
  type ZoneFindings,
} from '../../core/check/index.ts';
import { COAT_CLASSES, DOG_TRAITS, ZONE_IDS, type Dog } from '../../core/dog/index.ts';
import {
  BATH_RHYTHMS,
  BLADE_USES,
  DEFAULT_HOUSE,
  MAT_WAYS,
  SLICKER_DEPTHS,
  SLICKER_ORDERS,
  SPRAYS,
  STROKES,
  TOOL_KINDS,
  WET_BRUSHING,
  type HouseRules,
  type Tool,
} from '../../core/kit/index.ts';
import { day } from '../../core/quantity/index.ts';
import type { PlanRequest } from '../../core/bench/index.ts';

const defined = (f: { [K in keyof ZoneFindings]: ZoneFindings[K] | undefined }): ZoneFindings => f;

const findings: fc.Arbitrary<ZoneFindings> = fc
  .record({
    finger: fc.option(fc.constantFrom(...FINGER_GRADES), { nil: undefined }),
    tug: fc.option(fc.constantFrom(...TUG_GRADES), { nil: undefined }),
    comb: fc.option(fc.constantFrom(...COMB_GRADES), { nil: undefined }),
    tie: fc.oneof(
      { weight: 6, arbitrary: fc.constant('none' as const) },
      { weight: 1, arbitrary: fc.constantFrom(...TIE_GRADES) },
    ),
    skin: fc.oneof(
      { weight: 8, arbitrary: fc.constant('clear' as const) },
      { weight: 1, arbitrary: fc.constantFrom(...SKIN_FINDINGS) },
    ),
  })
  .map(defined);

export const checks: fc.Arbitrary<CoatCheck> = fc.record({
  day: fc.integer({ min: 15000, max: 30000 }).map(day),
  weightKg: fc.double({ min: 1, max: 100, noNaN: true }),
  guardMm: fc.option(fc.record({ back: fc.integer({ min: 3, max: 180 }) }), { nil: undefined }).map((g) => g ?? {}),
  zones: fc
    .array(fc.tuple(fc.constantFrom(...ZONE_IDS), findings), { maxLength: 20 })
    .map((pairs) => Object.fromEntries(pairs)),
  inspection: fc
    .array(
      fc.tuple(
        fc.constantFrom(...INSPECTION_ITEMS),
        fc.oneof(
          { weight: 9, arbitrary: fc.constant('fine' as const) },
          { weight: 1, arbitrary: fc.constantFrom(...INSPECTION_ANSWERS) },
        ),
      ),
      { maxLength: 4 },
    )
    .map((pairs) => Object.fromEntries(pairs)),
  note: fc.constant(''),
});

export const dogs: fc.Arbitrary<Dog> = fc.record({
  name: fc.constant('Case'),
  breed: fc.constant(''),
  sex: fc.constantFrom('female' as const, 'male' as const),
  // Every second dog is one on which a house may use a blade at all.
  coatClass: fc.oneof(fc.constant('smooth-double' as const), fc.constantFrom(...COAT_CLASSES)),
  weightKg: fc.double({ min: 1, max: 100, noNaN: true }),
  traits: fc.oneof(
    { weight: 1, arbitrary: fc.constant([]) },
    { weight: 1, arbitrary: fc.uniqueArray(fc.constantFrom(...DOG_TRAITS), { maxLength: 3 }) },
  ),
  outdoorShare: fc.double({ min: 0, max: 1, noNaN: true }),
});

const kit = (kinds: readonly (typeof TOOL_KINDS)[number][]): readonly Tool[] =>
  kinds.map((kind, i) => ({ id: `t${i}`, kind, name: kind }));

/** Mostly well-stocked rooms, so that most methods are open and their rules are really reached. */
export const kits: fc.Arbitrary<readonly Tool[]> = fc.oneof(
  { weight: 3, arbitrary: fc.subarray([...TOOL_KINDS], { minLength: TOOL_KINDS.length - 4 }).map(kit) },
  { weight: 1, arbitrary: fc.subarray([...TOOL_KINDS], { minLength: 4 }).map(kit) },
);

export const houses: fc.Arbitrary<HouseRules> = fc
  .record({
    blade: fc.constantFrom(...BLADE_USES),
    bladeMinutes: fc.integer({ min: 0, max: 20 }),
    mats: fc.constantFrom(...MAT_WAYS),
    slickerOrder: fc.constantFrom(...SLICKER_ORDERS),
    slickerDepth: fc.constantFrom(...SLICKER_DEPTHS),
    stroke: fc.constantFrom(...STROKES),
    spray: fc.constantFrom(...SPRAYS),
    wetBrushing: fc.oneof(
      { weight: 3, arbitrary: fc.constant('with-soap' as const) },
      { weight: 1, arbitrary: fc.constantFrom(...WET_BRUSHING) },
    ),
    bath: fc.constantFrom(...BATH_RHYTHMS),
  })
  .map((chosen) => ({ ...DEFAULT_HOUSE, ...chosen }));

export const cases: fc.Arbitrary<PlanRequest> = fc.record({ dog: dogs, check: checks, kit: kits, house: houses });

/** Cases as they come on a day: an appointment, who works, the air, the last bath. */
export const dayCases: fc.Arbitrary<PlanRequest> = fc
  .tuple(
    cases,
    fc.record({
      appointmentMinutes: fc.option(fc.integer({ min: 15, max: 120 }), { nil: undefined, freq: 3 }),
      crew: fc.record({ helper: fc.boolean(), lying: fc.boolean() }),
      daysSinceBath: fc.option(fc.nat(60), { nil: undefined }),
      air: fc.option(
        fc.record({ temperatureC: fc.integer({ min: 5, max: 35 }), humidityPct: fc.integer({ min: 20, max: 80 }) }),
        { nil: undefined },
      ),
    }),
  )
  .map(([drawn, { air, ...more }]) => ({ ...drawn, ...more, check: { ...drawn.check, ...(air && { air }) } }));
