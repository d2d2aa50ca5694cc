/** Decides the owner's card: which brush, how long, which zones, how often, what not to do, when to come. */
import type { Day } from '../quantity/index.ts';
import { coatRow, REGIONS, type CoatClass, type Dog, type Region } from '../dog/index.ts';
import { TIED, type CombGrade, type ZoneCondition } from '../check/index.ts';
import { zone, type ZoneId } from '../dog/index.ts';
import { toolRow, type ToolKind } from '../kit/index.ts';
import type { TideName } from '../tide/index.ts';
import { SHORT_BOUT_MINUTES } from './plan.ts';

/** Kinds that an owner of such a coat should have, best first. Common practice. */
const BRUSHES: Readonly<Record<CoatClass, readonly ToolKind[]>> = {
  'smooth-single': ['rubber', 'bristle'],
  'smooth-double': ['rubber', 'fine-comb'],
  'medium-double': ['rake', 'comb', 'soft-slicker'],
  'long-double': ['pin-brush', 'comb', 'rotating-rake'],
  'heavy-double': ['rake', 'comb', 'soft-slicker'],
  'harsh-double': ['rake', 'comb'],
  fleece: ['pin-brush', 'comb'],
};

/** Zones that pack or tie first, by coat. Common practice. */
const WATCH: Readonly<Record<CoatClass, readonly Region[]>> = {
  'smooth-single': ['back', 'ribs'],
  'smooth-double': ['back', 'ribs', 'hip', 'breeches'],
  'medium-double': ['ruff', 'breeches', 'tail'],
  'long-double': ['ears', 'armpit', 'foreleg', 'breeches', 'ruff'],
  'heavy-double': ['ruff', 'breeches', 'tail', 'hip'],
  'harsh-double': ['ruff', 'breeches', 'foreleg'],
  fleece: ['ears', 'armpit', 'foreleg', 'hindleg'],
};

export type HomeDont = 'clip' | 'scissors' | 'wet-brush' | 'bath-knots' | 'oils' | 'blade';

export interface HomeStep {
  readonly tool: ToolKind;
  /** The tool's words: what it does for this coat. */
  readonly minutes: number;
  readonly zones: readonly Region[];
}

export interface HomeCard {
  readonly steps: readonly HomeStep[];
  /** Minutes of one bout, all steps together. */
  readonly minutes: number;
  readonly boutsPerWeek: number;
  readonly tide: TideName | 'baseline';
  /** Regions first, with why: it dragged at the comb, it was packed, or this coat packs there. */
  readonly first: readonly { readonly region: Region; readonly why: 'dragged' | 'packed' | 'usual' }[];
  /** Zones not to be brushed until a vet has looked. */
  readonly notBrushed: readonly ZoneId[];
  readonly donts: readonly HomeDont[];
  readonly nextVisit: Day | undefined;
}

export interface HomeCardRequest {
  readonly dog: Pick<Dog, 'coatClass' | 'traits'>;
  readonly conditions: readonly ZoneCondition[];
  readonly comb: Partial<Readonly<Record<ZoneId, CombGrade>>>;
  readonly tide: TideName | 'baseline';
  readonly nextVisit: Day | undefined;
}

/** How a bout is shared out over the brushes, first brush first. Guess. */
const SHARES: readonly (readonly number[])[] = [[], [1], [0.7, 0.3], [0.5, 0.25, 0.25]];
const MOST_FIRST_REGIONS = 4;

/** The card of a dog on a day. Zones that stopped are never in it as work. */
export function homeCard({ dog, conditions, comb, tide, nextVisit }: HomeCardRequest): HomeCard {
  const coat = coatRow(dog.coatClass);
  const blow = tide !== 'baseline';
  const young = dog.traits.includes('puppy-coat');
  const minutes = young ? Math.min(SHORT_BOUT_MINUTES, coat.home.minutes) : coat.home.minutes;
  const stopped = conditions.filter((c) => c.kind === 'stop').map((c) => c.zone);
  // A pair with one sore side: the region stays on the card, the sore side stands under "not brushed".
  const whollyStopped = (r: Region): boolean =>
    conditions.filter((c) => zone(c.zone).region === r).every((c) => c.kind === 'stop');

  const dragged = new Set(
    Object.entries(comb).flatMap(([id, result]) =>
      result === 'glides' ? [] : conditions.filter((c) => c.zone === id).map((c) => zone(c.zone).region),
    ),
  );
  const packed = new Set(
    conditions.filter((c) => c.kind === 'packed' || TIED.includes(c.kind)).map((c) => zone(c.zone).region),
  );
  const ranked: HomeCard['first'] = [
    ...[...dragged].map((region) => ({ region, why: 'dragged' as const })),
    ...[...packed].map((region) => ({ region, why: 'packed' as const })),
    ...WATCH[dog.coatClass].map((region) => ({ region, why: 'usual' as const })),
  ];
  const first = ranked
    .filter((f, i) => ranked.findIndex((g) => g.region === f.region) === i && !whollyStopped(f.region))
    .slice(0, MOST_FIRST_REGIONS);

  const tools = BRUSHES[dog.coatClass];
  const shares = SHARES[tools.length] ?? [];
  const steps = tools.map((tool, i): HomeStep => ({
    tool,
    minutes: Math.max(1, Math.round(minutes * (shares[i] ?? 0))),
    zones: zonesAtHome(tool, coat.packs).filter((r) => !whollyStopped(r)),
  }));
  const total = steps.reduce((t, s) => t + s.minutes, 0);
  return {
    steps,
    minutes: total,
    boutsPerWeek: blow ? coat.home.boutsPerWeekInBlow : coat.home.boutsPerWeek,
    tide,
    first,
    notBrushed: stopped,
    donts: coat.packs
      ? ['clip', 'scissors', 'bath-knots', 'wet-brush', 'oils', 'blade']
      : ['scissors', 'bath-knots', 'wet-brush', 'oils', 'blade'],
    nextVisit,
  };
}

const COMB_REGIONS: readonly Region[] = ['face', 'ears', 'forefoot', 'hindfoot', 'armpit', 'groin', 'tail', 'breeches'];
const THIN_REGIONS: readonly Region[] = ['face', 'ears', 'belly', 'armpit', 'groin', 'forefoot', 'hindfoot'];

/** Where an owner uses a brush: combs where it is thin and where it ties, everything else on the rest. */
function zonesAtHome(tool: ToolKind, packs: boolean): readonly Region[] {
  if (tool === 'comb' || tool === 'fine-comb') return COMB_REGIONS;
  const gentle = toolRow(tool).skinPerPass <= 0.03;
  return REGIONS.map((r) => r.region).filter((r) => (gentle && !packs) || !THIN_REGIONS.includes(r));
}
