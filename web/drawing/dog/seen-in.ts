/** Which zones an aspect shows: the same for every shape and coat, so that a map can turn before it is drawn. */
import type { Aspect } from './frame.ts';
import { zone, type Region, type ZoneId } from '../../../core/dog/index.ts';

const ABOVE: readonly Region[] = [
  'back',
  'breeches',
  'ears',
  'face',
  'hip',
  'ribs',
  'ruff',
  'rump',
  'shoulder',
  'tail',
];
const BELOW: readonly Region[] = [
  'armpit',
  'belly',
  'breeches',
  'chest',
  'face',
  'forefoot',
  'foreleg',
  'groin',
  'hindfoot',
  'hindleg',
  'tail',
  'throat',
];

/** Is a zone seen from there; a side shows all of its own and what lies in the middle. */
export function seenFrom(aspect: Aspect, id: ZoneId): boolean {
  const { side, region } = zone(id);
  if (aspect === 'above') return ABOVE.includes(region);
  if (aspect === 'below') return BELOW.includes(region);
  return side === 'mid' || side === aspect;
}
