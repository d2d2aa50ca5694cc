/**
 * Decides which coat class the hands found: the breed's usual class, corrected by measured hair and by how the
 * undercoat stands. A suggestion with its reasons; the class stays what people say it is.
 *
 * Each class gets a score in nats: how much better than nothing the evidence speaks for it. Weights are guesses.
 */
import { breedOf, COATS, ZONES, type CoatClass, type CoatClassRow, type Dog } from '../dog/index.ts';
import type { CoatCheck } from './check.ts';

export type ClassReason =
  | { readonly code: 'breed'; readonly breed: string; readonly usual: CoatClass }
  | { readonly code: 'length'; readonly mm: number; readonly low: number; readonly high: number }
  | { readonly code: 'undercoat'; readonly zones: number; readonly felt: number }
  | { readonly code: 'no-undercoat'; readonly felt: number };

export interface ClassHint {
  readonly coatClass: CoatClass;
  /** How clearly it leads the class the dog is kept under, nats. */
  readonly lead: number;
  /** What speaks for it against that class. */
  readonly reasons: readonly ClassReason[];
}

/** What the breed is worth against the ruler. */
const BREED_NATS = 2;
/** What each doubling outside the class's range of hair costs. */
const LENGTH_NATS_PER_DOUBLING = 4;
/** Zones felt deep on a class without undercoat, or none on one that has it, cost at most this. */
const UNDERCOAT_NATS = 4;
/** Below this lead nothing is said. */
const CLEAR_LEAD = 1.5;
/** Zones that must have been felt before undercoat says anything. */
const ENOUGH_FELT = 8;

const outsideDoublings = (mm: number, { low, high }: CoatClassRow['guardMm']): number =>
  Math.max(0, Math.log2(low / mm), Math.log2(mm / high));

/** How deep the undercoat was felt over the zones that are not tied. */
function undercoatFelt(zones: CoatCheck['zones']): Pick<Evidence, 'zones' | 'deep' | 'deepShare' | 'bareShare'> {
  const fingers = ZONES.flatMap((z) => {
    const { finger, tie = 'none' } = zones[z.id] ?? {};
    return finger === undefined || tie !== 'none' ? [] : [finger];
  });
  const deep = fingers.filter((f) => f >= 3).length;
  const bare = fingers.filter((f) => f === 0).length;
  const share = (n: number): number => (fingers.length >= ENOUGH_FELT ? n / fingers.length : 0);
  return { zones: fingers.length, deep, deepShare: share(deep), bareShare: share(bare) };
}

/**
 * The class that the findings suggest instead of the one kept, or undefined while that one fits. Clipped coats and
 * puppies say nothing by their length.
 */
export function classHint(
  dog: Pick<Dog, 'breed' | 'coatClass' | 'traits'>,
  check: Pick<CoatCheck, 'guardMm' | 'zones'>,
): ClassHint | undefined {
  const mm = dog.traits.some((t) => t === 'previously-clipped' || t === 'puppy-coat') ? undefined : check.guardMm.back;
  const usual = breedOf(dog.breed)?.coatClass;
  const felt = undercoatFelt(check.zones);
  const { deepShare, bareShare } = felt;
  const score = (coat: CoatClassRow): number =>
    (coat.coatClass === usual ? BREED_NATS : 0) -
    (mm === undefined ? 0 : LENGTH_NATS_PER_DOUBLING * outsideDoublings(mm, coat.guardMm)) -
    (coat.packs ? 0 : UNDERCOAT_NATS * Math.min(1, deepShare * 3)) -
    (coat.packs && bareShare > 0.95 ? UNDERCOAT_NATS / 4 : 0);
  const kept = COATS.find((c) => c.coatClass === dog.coatClass);
  if (!kept) return undefined;
  const [best] = [...COATS].sort((a, b) => score(b) - score(a));
  if (!best || best === kept || score(best) - score(kept) < CLEAR_LEAD) return undefined;

  const reasons = reasonsFor({ ...felt, mm, usual, breed: dog.breed }, kept, best);
  return reasons.length > 0 ? { coatClass: best.coatClass, lead: score(best) - score(kept), reasons } : undefined;
}

interface Evidence {
  readonly mm: number | undefined;
  readonly breed: string;
  readonly usual: CoatClass | undefined;
  /** Zones whose undercoat was felt, deep or none, and their shares; shares of too few zones count as none. */
  readonly zones: number;
  readonly deep: number;
  readonly deepShare: number;
  readonly bareShare: number;
}

/** What speaks for the best class against the one that is kept. */
function reasonsFor({ mm, breed, usual, ...felt }: Evidence, kept: CoatClassRow, best: CoatClassRow): ClassReason[] {
  const reasons: ClassReason[] = [];
  if (mm !== undefined && outsideDoublings(mm, kept.guardMm) > outsideDoublings(mm, best.guardMm)) {
    reasons.push({ code: 'length', mm, ...kept.guardMm });
  }
  if (felt.deepShare > 0 && !kept.packs) reasons.push({ code: 'undercoat', zones: felt.deep, felt: felt.zones });
  if (felt.bareShare > 0.95 && kept.packs && !best.packs) reasons.push({ code: 'no-undercoat', felt: felt.zones });
  if (usual === best.coatClass) reasons.push({ code: 'breed', breed, usual });
  return reasons;
}
