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
  CONDITION_OF_TIE,
  guardLengthMm,
  STOPPING_SKIN,
  zoneConditions,
  type CoatCheck,
  type ConditionKind,
  type Readings,
  type SkinFinding,
  type TieGrade,
  type ZoneCondition,
} from '../check/index.ts';
import { ruleBand, type HouseRules, type RuleContext, type ToolKind, type Wetness } from '../kit/index.ts';
import { FIGURES, type Figures } from './figures.ts';
import type { Phase } from './methods.ts';
import { fullLoadG, poolsFromReadings, poolsTotalG, type HairPools } from './release.ts';

export interface CoatZone {
  readonly id: ZoneId;
  readonly region: RegionRow;
  readonly areaM2: number;
  /** Guard hair, mm; as long as the clipper leaves it where it was clipped. */
  guardMm: number;
  readings: Readings;
  readonly startG: number;
  /** What it would hold as a plate, grams. */
  readonly fullG: number;
  pools: HairPools;
  condition: ConditionKind;
  tie: TieGrade;
  /** Share of the work on its tie that is done, 0..1. */
  tieDone: number;
  /** The kind of piece by which its tie is settled, where somebody decided. */
  tieBy: ToolKind | undefined;
  /** Is it to be clipped by somebody's order, whatever stands there. */
  ordered: boolean;
  /** Was it clipped in this visit: no wire and no tooth on what is shaved. */
  clipped: boolean;
  /** Did water get to its tie. */
  tieWet: boolean;
  /** Water in it, as a share of what a soaked coat holds. */
  wet: number;
  /** Soap stands in it. */
  soap: boolean;
  /** Was it bathed in this visit. */
  bathed: boolean;
  /** Was conditioner left in it. */
  slip: boolean;
  /** All of the zone that rules and fits look at, as a key; the dog and the house are the same within a plan. */
  likeness: string;
  /** What hands have done to its skin, 1 = what a sound torso bears in a visit. */
  skinLoad: number;
  /** Share of its guard hair that was frayed. */
  wear: number;
}

/** Water above which a coat is sopping, and below which it is dry to the skin, as shares of soaked. Guess. */
const SOPPING = 0.8;
export const DRY_TO_SKIN = 0.05;

/** The state in which a tool finds a zone. */
export const wetnessOf = ({ wet, soap }: Pick<CoatZone, 'wet' | 'soap'>): Wetness =>
  soap ? 'soapy' : wet >= SOPPING ? 'wet' : wet > DRY_TO_SKIN ? 'damp' : 'dry';

const TIGHTER: Readonly<Record<TieGrade, TieGrade>> = { none: 'none', knot: 'mat', mat: 'pelt', pelt: 'pelt' };

/** Water got to a tie that nobody had settled: it draws tight as it dries, and takes longer. Common practice. */
export function tightenTie(z: CoatZone): void {
  z.tie = TIGHTER[z.tie];
  if (z.tie !== 'none') z.condition = CONDITION_OF_TIE[z.tie];
  z.tieWet = true;
  z.likeness = likenessOf(z);
}

/** Hands met something in a zone that the check had not found: skin, or a tie as it now stands. */
export function meet(
  z: CoatZone,
  { skin, tie }: { readonly skin?: SkinFinding | undefined; readonly tie?: TieGrade | undefined },
): void {
  z.readings = { ...z.readings, ...(skin !== undefined && { skin }), ...(tie !== undefined && { tie }) };
  if (tie !== undefined && tie !== 'none') {
    z.tie = tie;
    z.tieDone = 0;
    z.tieWet = z.wet > DRY_TO_SKIN;
    z.condition = CONDITION_OF_TIE[tie];
  }
  if (skin !== undefined && STOPPING_SKIN.has(skin)) z.condition = 'stop';
  z.likeness = likenessOf(z);
}

/** Loose hair of a zone set to so many grams, its pools in the shares in which they stood; as free hair where none did. */
export function setLoose(z: CoatZone, grams: number): void {
  const now = poolsTotalG(z.pools);
  const share = now > 0 ? grams / now : 0;
  z.pools =
    now > 0
      ? { freeG: z.pools.freeG * share, deepG: z.pools.deepG * share, packedG: z.pools.packedG * share }
      : { freeG: 0, deepG: grams, packedG: 0 };
}

type Alike = Pick<CoatZone, 'region' | 'condition' | 'tie' | 'tieBy' | 'readings' | 'ordered' | 'clipped'>;
const likenessOf = ({ region, condition, tie, tieBy, readings: { skin, finger }, ordered, clipped }: Alike): string =>
  `${region.region} ${condition} ${tie} ${tieBy ?? ''} ${skin} ${finger} ${ordered ? 'ordered' : ''} ${clipped ? 'clipped' : ''}`;

/** A tie is settled by this kind of piece from now on. */
export function decideTie(z: CoatZone, kind: ToolKind | undefined): void {
  z.tieBy = kind;
  z.likeness = likenessOf(z);
}

/** A zone is clipped by order: as felt is, and by nothing but the clipper. */
export function orderClip(z: CoatZone): void {
  z.ordered = true;
  z.tie = 'pelt';
  z.condition = CONDITION_OF_TIE.pelt;
  decideTie(z, 'clipper');
}

/** Hair that a clipper leaves standing, mm. Guess: a short blade. */
const CLIPPED_MM = 6;

/** The tie has been settled: what is left is the coat that stood around it, or what the clipper left. */
export function settleTie(z: CoatZone, packs: boolean, by: ToolKind): void {
  z.tie = 'none';
  z.tieBy = undefined;
  z.clipped = by === 'clipper';
  if (z.clipped) z.guardMm = Math.min(z.guardMm, CLIPPED_MM);
  z.condition = z.clipped ? 'clear' : z.readings.finger >= 3 && packs ? 'packed' : 'loose';
  z.likeness = likenessOf(z);
}

/** Share of a soaked coat's water that mist leaves on it. Guess. */
export const MISTED = 0.2;
/** Hair so short that a towel alone dries it to the skin, mm. Guess. */
const TOWEL_DRIES_MM = 12;
/** Does a towel alone dry this zone: a head where no dryer goes, or hair so short that no water stands in it. */
export const towelDries = ({ region, guardMm }: Pick<CoatZone, 'region' | 'guardMm'>): boolean =>
  region.region === 'face' || region.region === 'ears' || guardMm <= TOWEL_DRIES_MM;

/**
 * The state in which a working of a phase leaves a zone, its hair apart: wet, soapy, slippery, untied.
 * effect, share: of a whole working, 0..1 and more; what water wets and a towel takes goes by its effect, air by its minutes.
 */
export function leaveAs(
  z: CoatZone,
  { id, work }: Pick<Phase, 'id' | 'work'>,
  by: ToolKind,
  packs: boolean,
  f: Figures,
  effect = 1,
  share = 1,
): void {
  switch (work) {
    case 'bath':
    case 'rewash':
      if (z.tie !== 'none') tightenTie(z);
      z.wet = 1;
      z.bathed = true;
      z.soap = false;
      z.slip = false;
      break;
    case 'condition':
      z.slip = true;
      break;
    case 'mist':
      z.wet = Math.max(z.wet, MISTED * Math.min(1, effect));
      break;
    case 'towel':
      z.wet = towelDries(z) ? 0 : z.wet * (1 - (1 - f.towelLeaves) * Math.min(1, effect));
      break;
    case 'drying':
    case 'air':
      z.wet *= 1 - Math.min(1, share);
      break;
    case 'ties':
      if (share >= 1) settleTie(z, packs, by);
      break;
    case 'care':
      break;
    case 'hands':
      // Work through the soap brings soap along, if there is water.
      if (id === 'soapy-work' && wetnessOf(z) !== 'dry') {
        z.soap = true;
        z.wet = 1;
      }
  }
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
export function coatAsFound(
  dog: Dog,
  check: CoatCheck,
  conditions: readonly ZoneCondition[],
  f: Figures = FIGURES,
): Coat {
  const coatClass = coatRow(dog.coatClass);
  const surfaceM2 = bodySurfaceM2(check.weightKg);
  const middleMm = (coatClass.guardMm.low + coatClass.guardMm.high) / 2;
  const zones = conditions.map((c): CoatZone => {
    const { region, surfaceShare } = zone(c.zone);
    const areaM2 = surfaceM2 * surfaceShare;
    const row = regionRow(region);
    const pools = poolsFromReadings(c.readings, coatClass, row, areaM2, f);
    return {
      id: c.zone,
      region: row,
      areaM2,
      guardMm: guardLengthMm(check.guardMm, region, middleMm),
      readings: c.readings,
      startG: poolsTotalG(pools),
      fullG: fullLoadG(coatClass, row, areaM2, f),
      pools,
      condition: c.kind,
      tie: c.readings.tie,
      tieDone: 0,
      tieBy: undefined,
      ordered: false,
      clipped: false,
      tieWet: false,
      wet: 0,
      soap: false,
      bathed: false,
      slip: false,
      likeness: likenessOf({
        region: row,
        condition: c.kind,
        tie: c.readings.tie,
        tieBy: undefined,
        readings: c.readings,
        ordered: false,
        clipped: false,
      }),
      skinLoad: 0,
      wear: 0,
    };
  });
  return { surfaceM2, coatClass, zones, startG: zones.reduce((total, z) => total + z.startG, 0) };
}

/** The same coat once more, to be worked another way. */
export const copyOf = (coat: Coat): Coat => ({ ...coat, zones: coat.zones.map((z) => ({ ...z })) });

/** The same coat at the next visit: dry, with skin that has rested; what was frayed stays frayed. */
export const rested = (coat: Coat): Coat => ({
  ...coat,
  zones: coat.zones.map((z) => ({ ...z, skinLoad: 0, wet: 0, soap: false, slip: false, bathed: false })),
});

/** What a zone's skin bears in one visit, 1 = a sound torso. */
export const skinTolerance = (z: CoatZone): number =>
  z.region.skinTolerance * (z.readings.skin === 'pink' ? PINK_TOLERANCE : 1);

/** Loose hair still in the coat, grams. */
export const looseNowG = (coat: Coat): number => coat.zones.reduce((total, z) => total + poolsTotalG(z.pools), 0);

/** Share of the surface that keeps soap out: zones found packed, as far as their plates still stand. */
export function packedSurfaceShare(coat: Coat): number {
  let packed = 0;
  for (const z of coat.zones) {
    if (z.condition === 'packed' && z.startG > 0) packed += z.areaM2 * Math.min(1, poolsTotalG(z.pools) / z.startG);
  }
  return packed / coat.surfaceM2;
}

/** Water that a square metre of this coat holds, mL: a bare coat less, one full of loose wool more than its class. */
export function heldMlPerM2(coat: Coat, f: Figures = FIGURES): number {
  let load = 0;
  let full = 0;
  for (const z of coat.zones) {
    load += poolsTotalG(z.pools);
    full += z.fullG;
  }
  return coat.coatClass.heldWaterMlPerM2 * f.columnHeld * (1 + f.heldByLoad * (Math.min(1, load / full) - 0.5));
}

/** Topcoat wear that this dog's coat bears in one visit, as a share of its guard hair. */
export const wearLimit = ({ traits }: Pick<Dog, 'traits'>, f: Figures = FIGURES): number =>
  traits.includes('show-coat') ? f.wearShow : traits.includes('previously-clipped') ? f.wearClipped : f.wearPet;

/** Whose coat is worked, in which house, in which air. */
export interface CoatJob {
  readonly dog: Dog;
  readonly house: HouseRules;
  /** Air of the day, °C, where it was read. */
  readonly airC?: number | undefined;
  /** Relative humidity of the day, 0..100, where it was read. */
  readonly humidityPct?: number | undefined;
  readonly daysSinceBath?: number | undefined;
  /** The figures of the model, where somebody asks what one of them does. */
  readonly figures?: Figures | undefined;
  /** Minutes that this house's hands take of what is usual for a kind of tool, learnt from the log; 1 where nothing is. */
  readonly pace?: Partial<Readonly<Record<ToolKind, number>>> | undefined;
}

/** A case as it is worked: its request with the air of the day that its check read. */
export const workedIn = <R extends CoatJob & { readonly check: CoatCheck }>(request: R): R => ({
  ...request,
  airC: request.check.air?.temperatureC,
  humidityPct: request.check.air?.humidityPct,
});

/** All of a dog and its day that rules look at, as a key; the house is the same wherever keys are compared. */
export const ruleKeyOfDog = ({ dog, airC, humidityPct, daysSinceBath }: CoatJob): string =>
  [dog.coatClass, [...dog.traits].sort().join('+'), airC ?? '', humidityPct ?? '', daysSinceBath ?? ''].join(' ');
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
  clipped: z.clipped,
  ordered: z.ordered,
  house: job.house,
  airC: job.airC,
  humidityPct: job.humidityPct,
  daysSinceBath: job.daysSinceBath,
});

/** Loose undercoat on the dog as the check found it, grams. */
export const looseUndercoatG = (dog: Dog, check: CoatCheck, conditions: readonly ZoneCondition[]): number =>
  coatAsFound(dog, check, conditions).startG;
