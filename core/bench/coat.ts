/** The coat under the tools: one mutable record a zone, private to a single walk through a method. */
import {
  bodySurfaceM2,
  coatRow,
  regionRow,
  zone,
  type CoatClassRow,
  type Dog,
  type RegionRow,
  type ZoneId,
} from '../dog/index.ts';
import {
  guardLengthMm,
  zoneConditions,
  type CoatCheck,
  type ConditionKind,
  type Readings,
  type TieGrade,
  type ZoneCondition,
} from '../check/index.ts';
import { ruleBand, type HouseRules, type RuleContext, type Wetness } from '../kit/index.ts';
import { poolsFromReadings, poolsTotalG, type HairPools } from './release.ts';

export interface CoatZone {
  readonly id: ZoneId;
  readonly region: RegionRow;
  readonly areaM2: number;
  readonly guardMm: number;
  readonly readings: Readings;
  readonly startG: number;
  pools: HairPools;
  condition: ConditionKind;
  tie: TieGrade;
  /** All of the zone that rules and fits look at, as a key; the dog and the house are the same within a plan. */
  likeness: string;
  skinLoad: number;
}

const likenessOf = (region: RegionRow, condition: ConditionKind, tie: TieGrade, { skin, finger }: Readings): string =>
  `${region.region} ${condition} ${tie} ${skin} ${finger}`;

/** The tie has been worked out: what is left is the coat that stood around it. */
export function settleTie(z: CoatZone, packs: boolean): void {
  z.tie = 'none';
  z.condition = z.readings.finger >= 3 && packs ? 'packed' : 'loose';
  z.likeness = likenessOf(z.region, z.condition, z.tie, z.readings);
}

export interface Coat {
  readonly surfaceM2: number;
  readonly coatClass: CoatClassRow;
  readonly zones: readonly CoatZone[];
  readonly startG: number;
}

/** Pink skin bears this share of what sound skin bears. Guess. */
const PINK_TOLERANCE = 0.5;

/** The coat of a dog by its check; nothing worked yet. */
export const coatOf = ({ dog, check }: { readonly dog: Dog; readonly check: CoatCheck }): Coat =>
  coatAsFound(dog, check, zoneConditions(check, coatRow(dog.coatClass)));

/** The coat as conditions that are known already describe it; nothing worked yet. */
export function coatAsFound(dog: Dog, check: CoatCheck, conditions: readonly ZoneCondition[]): Coat {
  const coatClass = coatRow(dog.coatClass);
  const surfaceM2 = bodySurfaceM2(check.weightKg);
  const middleMm = (coatClass.guardMm.low + coatClass.guardMm.high) / 2;
  const zones = conditions.map((c): CoatZone => {
    const { region, surfaceShare } = zone(c.zone);
    const areaM2 = surfaceM2 * surfaceShare;
    const row = regionRow(region);
    const pools = poolsFromReadings(c.readings, coatClass, row, areaM2);
    return {
      id: c.zone,
      region: row,
      areaM2,
      guardMm: guardLengthMm(check.guardMm, region, middleMm),
      readings: c.readings,
      startG: poolsTotalG(pools),
      pools,
      condition: c.kind,
      tie: c.readings.tie,
      likeness: likenessOf(row, c.kind, c.readings.tie, c.readings),
      skinLoad: 0,
    };
  });
  return { surfaceM2, coatClass, zones, startG: zones.reduce((total, z) => total + z.startG, 0) };
}

/** The same coat once more, to be worked another way. */
export const copyOf = (coat: Coat): Coat => ({ ...coat, zones: coat.zones.map((z) => ({ ...z })) });

/** What a zone's skin bears in one visit, 1 = a sound torso. */
export const skinTolerance = (z: CoatZone): number =>
  z.region.skinTolerance * (z.readings.skin === 'pink' ? PINK_TOLERANCE : 1);

/** Loose hair still in the coat, grams. */
export const looseNowG = (coat: Coat): number => coat.zones.reduce((total, z) => total + poolsTotalG(z.pools), 0);

/** Share of the surface found packed. */
export const packedSurfaceShare = (coat: Coat): number =>
  coat.zones.filter((z) => z.condition === 'packed').reduce((total, z) => total + z.areaM2, 0) / coat.surfaceM2;

/** Whose coat is worked, in which house, in which air. */
export interface CoatJob {
  readonly dog: Dog;
  readonly house: HouseRules;
  /** Air of the day, °C, where it was read. */
  readonly airC?: number | undefined;
  /** Relative humidity of the day, 0..100, where it was read. */
  readonly humidityPct?: number | undefined;
  readonly daysSinceBath?: number | undefined;
}

/** A case as it is worked: its request with the air of the day that its check read. */
export const workedIn = <R extends CoatJob & { readonly check: CoatCheck }>(request: R): R => ({
  ...request,
  airC: request.check.air?.temperatureC,
  humidityPct: request.check.air?.humidityPct,
});

/** All of a dog and its day that rules look at, as a key; the house is the same wherever keys are compared. */
export const ruleKeyOfDog = ({ dog, airC, daysSinceBath }: CoatJob): string =>
  [dog.coatClass, [...dog.traits].sort().join('+'), airC ?? '', daysSinceBath ?? ''].join(' ');
/** All of a zone that rules look at, as a key. */
export const ruleKeyOfZone = ({ region, condition, tie, readings, guardMm }: CoatZone): string =>
  [region.region, condition, tie, readings.skin, ruleBand(guardMm)].join(' ');

/** What the rules look at in a zone. */
export const ruleContext = (z: CoatZone, wetness: Wetness, job: CoatJob): RuleContext => ({
  region: z.region.region,
  wetness,
  coatClass: job.dog.coatClass,
  condition: z.condition,
  grade: z.readings.finger,
  tie: z.tie,
  skin: z.readings.skin,
  traits: job.dog.traits,
  guardMm: z.guardMm,
  house: job.house,
  airC: job.airC,
  daysSinceBath: job.daysSinceBath,
});

/** Loose undercoat on the dog as the check found it, grams. */
export const looseUndercoatG = (dog: Dog, check: CoatCheck, conditions: readonly ZoneCondition[]): number =>
  coatAsFound(dog, check, conditions).startG;
