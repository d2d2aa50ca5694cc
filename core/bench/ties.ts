/**
 * What is done about every tie, before any water: worked out, split, clipped with the owner's word, or left to somebody
 * else. Dematting by hand has a ceiling a visit (house rule; half of it for dogs that bear less): what is beyond it is
 * taken a few zones a visit, and beyond so many visits clipped. Common practice; minutes are guesses.
 */
import { sum } from '../quantity/index.ts';
import type { Dog, DogTrait } from '../dog/index.ts';
import { TIED } from '../check/index.ts';
import { dematMinutes, type HouseRules, type Tool, type ToolKind } from '../kit/index.ts';
import { decideTie, type Coat, type CoatZone } from './coat.ts';
import { PHASES } from './methods.ts';
import type { TieDecision, TieWay } from './plan.ts';
import { rankingIn, type BenchJob } from './rankings.ts';
import { untieMinutes } from './work.ts';

/** Visits over which a dog is dematted at most; more would sour it. Guess. */
const MOST_DEMATTING_VISITS = 3;

/** Dogs that are dematted for less: thin or old skin, sore bodies, short patience. Common practice. */
const BEARS_LESS: readonly DogTrait[] = ['senior', 'puppy-coat', 'sore-joints', 'heart-trouble', 'skin-trouble'];
const LESS = 0.5;

/** Minutes for which this dog is dematted by hand in one visit in this house. */
export const dematCeiling = (house: HouseRules, { traits }: Pick<Dog, 'traits'>): number =>
  dematMinutes(house) * (traits.some((t) => BEARS_LESS.includes(t)) ? LESS : 1);

const WAYS: Partial<Readonly<Record<ToolKind, TieWay>>> = {
  comb: 'work-out',
  'mat-splitter': 'split',
  clipper: 'clip',
};

/**
 * Decides about each tied zone that may be worked at all, and notes the deciding kind of piece in the coat, so that
 * whatever lays out or changes the work goes by it.
 */
export function decideTies(coat: Coat, job: BenchJob): readonly TieDecision[] {
  const tied = coat.zones.filter((z) => TIED.includes(z.condition));
  if (tied.length === 0) return [];
  const first = tied.map((z): TieDecision & { readonly at: CoatZone } => ({ ...firstWay(z, job), at: z }));
  const byHand = first.filter((t) => t.way === 'work-out' || t.way === 'split');
  const most = dematCeiling(job.house, job.dog) * MOST_DEMATTING_VISITS;
  const beyond = new Set<CoatZone>();
  // The shortest first: as many zones as can be saved are.
  let used = 0;
  for (const t of [...byHand].sort((a, b) => a.minutes - b.minutes)) {
    if (used + t.minutes > most + 1e-9) beyond.add(t.at);
    else used += t.minutes;
  }
  return first.map(({ at, ...t }): TieDecision => {
    const decided = beyond.has(at) ? beyondCeiling(t, at, job) : t;
    decideTie(at, kindOfWay(decided.way));
    return decided;
  });
}

const kindOfWay = (way: TieWay): ToolKind | undefined =>
  way === 'clip' ? 'clipper' : way === 'split' ? 'mat-splitter' : way === 'work-out' ? 'comb' : undefined;

/** Minutes of hand dematting among decisions: what the ceiling is about. */
export const dematByHand = (ties: readonly TieDecision[]): number =>
  sum(ties.filter((t) => t.way === 'work-out' || t.way === 'split').map((t) => t.minutes));

const minutesWith = (z: CoatZone, { kind }: Tool, job: BenchJob): number =>
  untieMinutes(z, kind, job) * (job.pace?.[kind] ?? 1);

/** The way of this house with a tie, as far as the room and the rules let it. */
function firstWay(z: CoatZone, job: BenchJob): TieDecision {
  const { id: zone, tie } = z;
  const [fit] = rankingIn(z, PHASES.ties, 'dry', job).fits;
  const way = fit && WAYS[fit.tool.kind];
  if (!fit || !way) return leftTo(z, job);
  const because = z.ordered ? 'ordered' : tie === 'mat' ? 'house' : 'only-way';
  return { zone, tie, way, tool: fit.tool.name, minutes: minutesWith(z, fit.tool, job), because };
}

function leftTo({ id: zone, tie }: CoatZone, { dog }: BenchJob): TieDecision {
  const to = dog.traits.includes('show-coat') ? 'breeder' : tie === 'pelt' ? 'vet' : 'trained-hand';
  return { zone, tie, way: 'leave', minutes: 0, because: 'nothing-may', leftTo: to };
}

/** Beyond what the dog is dematted for in all its visits: clipped where that may be, else left. */
function beyondCeiling(t: TieDecision, z: CoatZone, job: BenchJob): TieDecision {
  decideTie(z, 'clipper');
  const [clipper] = rankingIn(z, PHASES.ties, 'dry', job).fits;
  const { zone, tie } = t;
  if (clipper) {
    const minutes = minutesWith(z, clipper.tool, job);
    return { zone, tie, way: 'clip', tool: clipper.tool.name, minutes, because: 'ceiling' };
  }
  return { ...leftTo(z, job), because: 'ceiling' };
}
