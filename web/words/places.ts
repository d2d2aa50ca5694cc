/** Zones as a person says them: whole back half, right side only, all but the tail. */
import {
  mirrorZone,
  PAIRED_REGIONS,
  zone,
  ZONE_IDS,
  zoneName,
  type PairedRegion,
  type Region,
  type ZoneId,
} from '../../core/dog/index.ts';
import { listText } from './figures.ts';

/** A few places by name, many by number. */
export function zonesShort(zones: readonly ZoneId[]): string {
  const said = placesOf(zones);
  if (said.length <= 3) return listText(said.map((p) => p.word));
  const first = said.slice(0, 2);
  const named = first.reduce((n, p) => n + p.zones, 0);
  return listText([...first.map((p) => p.word), `${zones.length - named} more`]);
}

interface Part {
  readonly word: string;
  readonly regions: readonly Region[];
}
/** Both sides of a place at once. */
export const BOTH_WORDS: Readonly<Record<PairedRegion, string>> = {
  face: 'face and cheeks',
  ears: 'ears and behind them',
  ruff: 'neck and ruff',
  shoulder: 'shoulders',
  foreleg: 'forelegs and feathers',
  ribs: 'ribs',
  armpit: 'armpits',
  groin: 'groins',
  hip: 'loin and hips',
  breeches: 'breeches',
  hindleg: 'hind legs and hocks',
  forefoot: 'front feet and pads',
  hindfoot: 'hind feet and pads',
};
const bothSides = (region: Region): string =>
  PAIRED_REGIONS.flatMap((r) => (r === region ? [BOTH_WORDS[r]] : []))[0] ?? '';

/** Parts of a dog that people name, the widest first. */
const PARTS: readonly Part[] = [
  {
    word: 'whole back half',
    regions: ['hip', 'rump', 'breeches', 'hindleg', 'hindfoot', 'tail', 'groin', 'belly', 'ribs', 'back'],
  },
  {
    word: 'whole front half',
    regions: ['face', 'ears', 'ruff', 'throat', 'chest', 'shoulder', 'foreleg', 'forefoot', 'armpit'],
  },
  { word: 'hindquarters', regions: ['hip', 'rump', 'breeches', 'hindleg', 'hindfoot', 'tail', 'groin'] },
  { word: 'torso', regions: ['shoulder', 'back', 'ribs', 'hip'] },
  { word: 'underside', regions: ['belly', 'armpit', 'groin'] },
  { word: 'legs', regions: ['foreleg', 'hindleg'] },
  { word: 'feet', regions: ['forefoot', 'hindfoot'] },
  { word: 'head', regions: ['face', 'ears'] },
];

/** Zones as places: both sides at once where both are meant, and by what is left out where that is shorter. */
export function whereText(zones: readonly ZoneId[], workable: readonly ZoneId[]): string {
  const rest = workable.filter((z) => !zones.includes(z));
  if (rest.length === 0) return zones.length === ZONE_IDS.length ? 'whole dog' : 'every zone that may be worked';
  const side = oneSide(zones, workable);
  if (side) return side;
  const [named, left] = [places(zones), places(rest)];
  return left.length < named.length ? `all but ${listText(left)}` : listText(named);
}

/** Everything on one side, and nothing on the other. */
function oneSide(zones: readonly ZoneId[], workable: readonly ZoneId[]): string | undefined {
  const [first] = zones;
  const side = first && zone(first).side;
  if (side === undefined || side === 'mid' || zones.some((id) => zone(id).side !== side)) return undefined;
  const all = workable.filter((id) => zone(id).side === side);
  return all.length > 3 && all.every((id) => zones.includes(id)) ? `${side} side only` : undefined;
}

interface Place {
  readonly word: string;
  /** How many zones it names. */
  readonly zones: number;
}
const places = (zones: readonly ZoneId[]): readonly string[] => placesOf(zones).map((p) => p.word);

/** Places in working order: whole parts first, then regions, sides named where one is meant. */
function placesOf(zones: readonly ZoneId[]): readonly Place[] {
  const left = new Set(zones);
  const said: Place[] = [];
  for (const { word, regions } of PARTS) {
    const own = ZONE_IDS.filter((id) => regions.includes(zone(id).region));
    if (!own.every((id) => left.has(id))) continue;
    said.push({ word, zones: own.length });
    for (const id of own) left.delete(id);
  }
  for (const id of zones) {
    if (!left.has(id)) continue;
    const { region, side } = zone(id);
    const other = mirrorZone(id);
    if (side === 'mid' || !left.has(other)) said.push({ word: zoneName(id), zones: 1 });
    else if (side === 'left') said.push({ word: bothSides(region), zones: 2 });
  }
  return said;
}
