/**
 * What is written down for the owner and for the vet when work stops: what was seen and where, in words that
 * describe and never diagnose. Common practice; urgency is common practice too, and a vet's word goes before it.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import type { DogTrait, ZoneId } from '../dog/index.ts';
import { zoneEntries, type CoatCheck } from './check.ts';
import { INSPECTION, type InspectionItem } from './inspection.ts';
import { stopsOf, type DogStop, type DogStopCode } from './stops.ts';
import type { SkinFinding } from './scales.ts';

export const URGENCIES = ['now', 'days', 'mention'] as const;
/** now: today, before anything else; days: within a few days; mention: at the next visit to the vet. */
export type Urgency = (typeof URGENCIES)[number];

interface Words {
  readonly urgency: Urgency;
  readonly owner: string;
  readonly vet: string;
  /** What the salon does meanwhile. */
  readonly salon: string;
  readonly source: Source;
}
const words = (urgency: Urgency, owner: string, vet: string, salon: string): Words => ({
  urgency,
  owner,
  vet,
  salon,
  source: COMMON_PRACTICE,
});

const LEFT_ALONE = 'Not brushed, not bathed, no air there.';
const NO_GROOM = 'Not groomed today.';

/** Words for a finding on the skin of a zone; a finding without a row needs no note. */
export const SKIN_WORDS: Partial<Readonly<Record<SkinFinding, Words>>> = {
  'hot-spot': words(
    'now',
    'The skin there is open and wet. Keep the dog from licking and scratching it, put nothing on it, and see a vet today.',
    'Open, moist, weeping skin, found at the coat check before any brushing or bath.',
    LEFT_ALONE,
  ),
  wound: words(
    'now',
    'There is a wound. We did not touch it. A vet should look at it today.',
    'Break in the skin, found at the coat check before any brushing.',
    LEFT_ALONE,
  ),
  'new-lump': words(
    'days',
    'There is a lump that is new, has grown or hurts. It may be harmless; only a vet can tell. Please go within days.',
    'Lump, new or grown or painful to touch, found by hand at the coat check.',
    LEFT_ALONE,
  ),
  parasites: words(
    'days',
    'There are parasites or their dirt. Ask your vet what to give; treat the bedding and the other animals at home too.',
    'Parasites or their dirt seen in the coat.',
    `${LEFT_ALONE} Tools, table and tub are disinfected.`,
  ),
  pink: words(
    'mention',
    'The skin is pink there. Look again tomorrow; if it stays pink, gets wet or itches, see a vet.',
    'Reddened, whole, dry skin.',
    'Only mild tools there, few strokes.',
  ),
  dander: words(
    'mention',
    'The skin flakes there. It usually clears when air gets to it; if it is still so at the next visit, see a vet.',
    'Scale in the coat.',
    'Mild shampoo by its label.',
  ),
  lump: words(
    'mention',
    'The known lump is as it was. Tell your vet at the next visit that we felt it.',
    'Lump known to the owner, painless, worked around.',
    'Worked around by hand.',
  ),
};

/** Words for trouble seen on the whole dog. */
const ITEM_WORDS: Readonly<Record<InspectionItem, Words>> = {
  joints: words(
    'days',
    'Pressing a joint gently hurt. Standing and turning would make it worse. Please see a vet before the next visit.',
    'Pain on gentle pressure at a joint.',
    NO_GROOM,
  ),
  stance: words(
    'days',
    'The dog was lame or would not stand square. Please see a vet before the next visit.',
    'Lameness or unwillingness to stand.',
    NO_GROOM,
  ),
  breathing: words(
    'now',
    'The breathing was not quiet at rest. This cannot wait: ring a vet now.',
    'Laboured or noisy breathing at rest, or collapse.',
    NO_GROOM,
  ),
  parasites: words(
    'days',
    'There are many parasites. Ask your vet what to give; treat the bedding and the other animals at home too.',
    'Heavy load of parasites.',
    `${NO_GROOM} Isolated; tools, table and tub are disinfected.`,
  ),
  eyes: words('days', 'An eye did not look right. A vet should see it.', 'Eye: discharge, redness or held shut.', ''),
  teeth: words('days', 'Mouth or gums did not look right. A vet should see them.', 'Teeth or gums: trouble seen.', ''),
  ears: words(
    'days',
    'An ear smells, is dirty or is shaken. A vet should look in.',
    'Ear: smell, discharge, shaking.',
    '',
  ),
  nails: words('days', 'A nail is torn or grown in. A vet should see it.', 'Nail torn or grown in.', ''),
  skin: words(
    'days',
    'The skin did not look right in places. A vet should see it.',
    'Skin: trouble seen when parted.',
    '',
  ),
  lumps: words('days', 'There is a lump to be looked at. Only a vet can tell what it is.', 'Lump felt by hand.', ''),
  rear: words(
    'days',
    'The rear is sore, swollen or soiled. A vet should see it.',
    'Rear: sore, swollen or soiled.',
    '',
  ),
};

const DOG_WORDS: Readonly<Record<Exclude<DogStop['code'], 'inspection'>, Words>> = {
  parasites: ITEM_WORDS.parasites,
  'wide-pelt-frail': words(
    'days',
    'The coat is felted to the skin over a wide area. Taking it off would be too much for this dog on a table: a vet decides how.',
    'Coat felted to the skin over a wide area on a frail dog; skin beneath could not be seen.',
    NO_GROOM,
  ),
};

export interface ReferralItem extends Words {
  /** Zones it was seen in; none when it is about the whole dog. */
  readonly zones: readonly ZoneId[];
  /** What it is about, as the check names it. */
  readonly about: SkinFinding | DogStopCode;
}

export interface Referral {
  /** No groom at all, or only some zones left. */
  readonly whole: boolean;
  /** Most urgent first. */
  readonly items: readonly ReferralItem[];
}

/** The note for owner and vet that a check calls for; no items when there is nothing to say. */
export function referralOf(check: CoatCheck, traits: readonly DogTrait[]): Referral {
  const stops = stopsOf(check, traits);
  const items: ReferralItem[] = [];
  for (const stop of stops.dog) {
    if (stop.code === 'inspection') continue;
    // Parasites are said once, with where they were found.
    const zones =
      stop.code === 'parasites' ? stops.zones.filter((z) => z.finding === 'parasites').map((z) => z.zone) : [];
    items.push({ ...DOG_WORDS[stop.code], zones, about: stop.code });
  }
  for (const { item } of INSPECTION) {
    if (check.inspection[item] === 'trouble') items.push({ ...ITEM_WORDS[item], zones: [], about: item });
  }
  const bySkin = new Map<SkinFinding, ZoneId[]>();
  for (const [id, findings] of zoneEntries(check)) {
    if (findings.skin && findings.skin !== 'parasites' && SKIN_WORDS[findings.skin]) {
      bySkin.set(findings.skin, [...(bySkin.get(findings.skin) ?? []), id]);
    }
  }
  for (const [about, zones] of bySkin) {
    const found = SKIN_WORDS[about];
    if (found) items.push({ ...found, zones, about });
  }
  const rank = (item: ReferralItem): number => URGENCIES.indexOf(item.urgency);
  return { whole: stops.dog.length > 0, items: items.sort((a, b) => rank(a) - rank(b)) };
}
