/** What hands would feel on a demo dog's coat that holds so much loose hair: the touch tests in reverse. */
import type { CombGrade, FingerGrade, TugGrade, ZoneFindings } from '../core/check/index.ts';
import { coatRow, regionRow, ZONES, type CoatClass, type Region, type ZoneId } from '../core/dog/index.ts';
import { clamp, randomNormal, type Random } from '../core/quantity/index.ts';

/** Load as a share of the class's full load at which a finger grade begins. */
const FINGER_FROM = [0, 0.1, 0.28, 0.58, 0.88] as const;

/** Parts in which hair ties. */
const TRAPS: readonly Region[] = ['ears', 'armpit', 'breeches', 'foreleg'];

const finger = (load: number): FingerGrade =>
  load >= FINGER_FROM[4] ? 4 : load >= FINGER_FROM[3] ? 3 : load >= FINGER_FROM[2] ? 2 : load >= FINGER_FROM[1] ? 1 : 0;
const tug = (load: number): TugGrade => (load > 0.7 ? 3 : load > 0.3 ? 2 : load > 0.1 ? 1 : 0);
const comb = (grade: FingerGrade): CombGrade => (grade >= 3 ? 'stops' : grade === 2 ? 'drags' : 'glides');

/** Findings of every zone for a coat at this share of its full load, 0..1; ties come with neglect on long coats. */
export function findingsForLoad(
  coatClass: CoatClass,
  load: number,
  random: Random,
): Partial<Record<ZoneId, ZoneFindings>> {
  const coat = coatRow(coatClass);
  const zones: Partial<Record<ZoneId, ZoneFindings>> = {};
  const tiesEasily = coatClass === 'long-double' || coatClass === 'fleece';
  for (const z of ZONES) {
    const { undercoatFactor, region } = regionRow(z.region);
    const here = load * (0.6 + 0.4 * undercoatFactor) * (1 + randomNormal(random, 0, 0.12));
    const grade = coat.packs ? finger(here) : finger(Math.min(here, 0.4));
    const tie =
      tiesEasily && TRAPS.includes(region) && random() < clamp(load - 0.15, 0, 0.45)
        ? random() < 0.7
          ? 'knot'
          : 'mat'
        : 'none';
    zones[z.id] = { finger: grade, tug: tug(here), comb: comb(grade), tie, skin: random() < 0.01 ? 'dander' : 'clear' };
  }
  return zones;
}
