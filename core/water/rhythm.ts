/**
 * How often a coat may be bathed, by its skin: weekly at most and about monthly at least (common practice); dry,
 * flaking or red skin asks for more time and for the label or the vet first. Days are guesses within that.
 */
import type { SkinFinding } from '../check/index.ts';
import type { DogTrait } from '../dog/index.ts';
import { BATH_GAP_DAYS, type Quarrels } from '../kit/index.ts';

/** What skin says about water: sound, dry (flakes), sore (red), or for a vet. */
export type SkinState = 'sound' | 'dry' | 'sore' | 'vet';

export interface BathRhythm {
  readonly skin: SkinState;
  /** Fewest and most days between two baths. */
  readonly least: number;
  readonly most: number;
}

const DAYS: Readonly<Record<SkinState, { readonly least: number; readonly most: number }>> = {
  sound: { least: 7, most: 35 },
  dry: { least: 21, most: 42 },
  sore: { least: 28, most: 56 },
  vet: { least: 0, most: 0 },
};

const VET: readonly SkinFinding[] = ['hot-spot', 'wound', 'new-lump', 'parasites'];

/** The worst that skin says anywhere; a dog with skin trouble on record is its vet's to bathe. */
export function skinState(findings: readonly (SkinFinding | undefined)[], traits: readonly DogTrait[]): SkinState {
  if (traits.includes('skin-trouble') || findings.some((f) => f && VET.includes(f))) return 'vet';
  if (findings.includes('pink')) return 'sore';
  return findings.includes('dander') ? 'dry' : 'sound';
}

/** Days between baths by skin and by the house's side in the quarrel about them; the longer of the two least gaps holds. */
export function bathRhythm(
  findings: readonly (SkinFinding | undefined)[],
  traits: readonly DogTrait[],
  house: Pick<Quarrels, 'bath'>,
): BathRhythm {
  const skin = skinState(findings, traits);
  const { least, most } = DAYS[skin];
  if (skin === 'vet') return { skin, least, most };
  const gap = Math.max(least, BATH_GAP_DAYS[house.bath]);
  return { skin, least: gap, most: Math.max(most, gap) };
}
