/**
 * What a scale says: when a weight has settled, what it is against what stood there before, and what it is not
 * worth believing. Pure: raw readings in, a weight or a reason out. The signal is what a bench scale sends: grams with
 * noise, slow drift, and no more than it can carry.
 */

/** One raw reading of a scale. */
export interface ScaleReading {
  readonly atMs: number;
  /** What stands on it, grams, as it comes. */
  readonly rawG: number;
}

/** What the scale is: how fine it reads and how much it carries. */
export interface ScaleMake {
  /** Smallest step in which it reads light loads, grams. */
  readonly divisionG: number;
  /** Above this load it reads in coarser steps. */
  readonly fineUpToG: number;
  readonly coarseDivisionG: number;
  /** The most it carries, grams. */
  readonly mostG: number;
}

/** Two ranges: hair by the gram, and whole dogs by twenty. Guess at a usual bench scale. */
export const BENCH_SCALE: ScaleMake = { divisionG: 1, fineUpToG: 6_000, coarseDivisionG: 20, mostG: 90_000 };

export type ScaleState = 'empty' | 'settling' | 'settled' | 'overload' | 'silent';

export interface ScaleView {
  readonly state: ScaleState;
  /** Net of the tare, in whole divisions; undefined when it cannot be said. */
  readonly netG?: number | undefined;
  /** Gross, before tare. */
  readonly grossG?: number | undefined;
}

/** What is remembered between readings. */
export interface ScaleMemory {
  readonly readings: readonly ScaleReading[];
  /** Raw grams that count as nothing: the pan, the bowl, and drift since. */
  readonly zeroG: number;
}
export const NEW_SCALE: ScaleMemory = { readings: [], zeroG: 0 };

/** A weight has settled when readings of so long lie within two divisions. Guess. */
const SETTLE_MS = 1_200;
const FEWEST_READINGS = 4;
const WITHIN_DIVISIONS = 2;
/** No reading for so long: it is off, or its cable is out. */
const SILENT_MS = 3_000;
/** An empty pan may creep this much between two settled looks and is still empty: the zero goes with it. */
const CREEP_DIVISIONS = 0.75;

const divisionAt = (make: ScaleMake, grossG: number): number =>
  Math.abs(grossG) > make.fineUpToG ? make.coarseDivisionG : make.divisionG;

const inDivisions = (g: number, division: number): number => Math.round(g / division) * division + 0;

const middle = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (sorted.length - 1) / 2;
  return ((sorted[Math.floor(at)] ?? 0) + (sorted[Math.ceil(at)] ?? 0)) / 2;
};

/** The readings that lie within the settling time before the newest. */
const recent = (readings: readonly ScaleReading[]): readonly ScaleReading[] => {
  const newest = readings.at(-1)?.atMs ?? 0;
  return readings.filter((r) => newest - r.atMs <= SETTLE_MS);
};

/** The raw grams on which the newest readings agree, if they do. */
function settledRaw(readings: readonly ScaleReading[], make: ScaleMake): number | undefined {
  const last = recent(readings);
  const [first] = last;
  const newest = last.at(-1);
  if (!first || !newest || last.length < FEWEST_READINGS || newest.atMs - first.atMs < SETTLE_MS * 0.6)
    return undefined;
  const raws = last.map((r) => r.rawG);
  const division = divisionAt(make, newest.rawG);
  return Math.max(...raws) - Math.min(...raws) <= WITHIN_DIVISIONS * division ? middle(raws) : undefined;
}

/** Takes a reading in. The zero of an empty pan follows its creep, so that drift never becomes hair. */
export function heard(memory: ScaleMemory, reading: ScaleReading, make: ScaleMake = BENCH_SCALE): ScaleMemory {
  const readings = [
    ...memory.readings.filter((r) => reading.atMs - r.atMs <= 2 * SETTLE_MS && r.atMs <= reading.atMs),
    reading,
  ];
  const raw = settledRaw(readings, make);
  const creeps = raw !== undefined && Math.abs(raw - memory.zeroG) <= CREEP_DIVISIONS * make.divisionG;
  return { readings, zeroG: creeps ? raw : memory.zeroG };
}

/** What stands there now counts as nothing; only once it has settled. Undefined where it has not. */
export function tared(memory: ScaleMemory, make: ScaleMake = BENCH_SCALE): ScaleMemory | undefined {
  const raw = settledRaw(memory.readings, make);
  return raw === undefined || raw > make.mostG ? undefined : { ...memory, zeroG: raw };
}

/** What can be said of the weight at an instant. */
export function scaleView(memory: ScaleMemory, nowMs: number, make: ScaleMake = BENCH_SCALE): ScaleView {
  const newest = memory.readings.at(-1);
  if (!newest || nowMs - newest.atMs > SILENT_MS) return { state: 'silent' };
  if (newest.rawG > make.mostG) return { state: 'overload' };
  const raw = settledRaw(memory.readings, make);
  const shown = raw ?? newest.rawG;
  const division = divisionAt(make, shown);
  const netG = inDivisions(shown - memory.zeroG, division);
  const grossG = inDivisions(shown, division);
  if (raw === undefined) return { state: 'settling', netG, grossG };
  return { state: netG === 0 ? 'empty' : 'settled', netG, grossG };
}
