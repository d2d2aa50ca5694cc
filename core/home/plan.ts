/**
 * What an owner does today and this week: parts, brushes in their order, minutes; never longer than the dog bears.
 *
 * The week is planned again each day from what was really brushed, so what was missed slides to the next days and nothing
 * piles up in one bout. Two bouts a day, morning and evening, only for coats that ask it in a blow.
 */
import { addDays, isoWeekday, sum, type Day } from '../quantity/index.ts';
import { coatRow, type CoatClass, type Dog, type DogTrait } from '../dog/index.ts';
import { toolRow, type ToolKind } from '../kit/index.ts';
import { HOME_PARTS, homeNeeds, type HomePart, type PartNeed } from './parts.ts';
import { rota } from './rota.ts';

/** What a home is like: facts an owner or groomer has given. */
export interface HomeSetup {
  /** Minutes the household has for this dog on each weekday, Monday first. */
  readonly minutesByWeekday: readonly number[];
  /** The longest bout the dog bears, minutes. */
  readonly patienceMinutes: number;
  readonly beginner: boolean;
  /** More than one person brushes: milder pieces. */
  readonly severalHands: boolean;
  /** Pieces the home has; empty: not asked yet. */
  readonly brushes: readonly ToolKind[];
  /** Walks through long grass. */
  readonly seedWalks: boolean;
  /** What the groomer asks to be brushed every day. */
  readonly pins: readonly HomePart[];
  /** What the groomer does not want used. */
  readonly without: readonly ToolKind[];
  readonly note: string;
}

/** A puppy's or beginner's bout is never longer. Common practice. */
export const SHORT_BOUT_MINUTES = 5;
/** A grown dog's patience when nobody has said. Guess. */
const USUAL_PATIENCE = 15;
const WEEK = 7;

/** A home nobody has described yet. */
export function usualSetup(dog: Pick<Dog, 'coatClass' | 'traits'>): HomeSetup {
  const { home } = coatRow(dog.coatClass);
  const young = dog.traits.includes('puppy-coat');
  return {
    minutesByWeekday: Array.from({ length: WEEK }, () => (young ? SHORT_BOUT_MINUTES : home.minutes)),
    patienceMinutes: young ? SHORT_BOUT_MINUTES : USUAL_PATIENCE,
    beginner: false,
    severalHands: false,
    brushes: [],
    seedWalks: false,
    pins: [],
    without: [],
    note: '',
  };
}

/** The longest bout in this home, minutes. */
export const longestBout = (dog: Pick<Dog, 'traits'>, { patienceMinutes, beginner }: HomeSetup): number =>
  Math.min(patienceMinutes, beginner || dog.traits.includes('puppy-coat') ? SHORT_BOUT_MINUTES : Infinity);

/** Kinds that an owner of such a coat should have, in the order of use. Common practice. */
export const HOME_BRUSHES: Readonly<Record<CoatClass, readonly ToolKind[]>> = {
  'smooth-single': ['rubber', 'bristle'],
  'smooth-double': ['rubber', 'fine-comb', 'bristle'],
  'medium-double': ['rake', 'soft-slicker', 'comb'],
  'long-double': ['pin-brush', 'rotating-rake', 'comb'],
  'heavy-double': ['rake', 'soft-slicker', 'comb'],
  'harsh-double': ['rake', 'comb'],
  fleece: ['pin-brush', 'comb'],
};
const ALL: ReadonlySet<HomePart> = new Set(HOME_PARTS);
const but = (...not: readonly HomePart[]): ReadonlySet<HomePart> => new Set(HOME_PARTS.filter((p) => !not.includes(p)));
const only = (...of: readonly HomePart[]): ReadonlySet<HomePart> => new Set(of);
const BROAD = ['ruff', 'chest', 'back', 'hips', 'breeches'] as const;

/** How a piece is used at home. */
interface AtHome {
  /** Where an owner uses it. Common practice: points and pins stay off thin skin, combs go where hair ties. */
  readonly usedOn: ReadonlySet<HomePart>;
  /** What several hands that share the work have in its place, where that is milder. Common practice. */
  readonly milder?: ToolKind;
}
const NOT_AT_HOME: AtHome = { usedOn: only() };
const AT_HOME: Readonly<Record<ToolKind, AtHome>> = {
  rake: { usedOn: only(...BROAD), milder: 'rotating-rake' },
  'rotating-rake': { usedOn: only(...BROAD) },
  'soft-slicker': { usedOn: only(...BROAD, 'tail', 'forelegs', 'hindlegs') },
  'firm-slicker': { usedOn: only(), milder: 'soft-slicker' },
  'long-slicker': { usedOn: only(), milder: 'soft-slicker' },
  'two-face-slicker': { usedOn: only(...BROAD, 'tail', 'forelegs', 'hindlegs') },
  'electric-brush': { usedOn: only('back', 'hips', 'chest') },
  'pin-brush': { usedOn: but('face', 'feet') },
  comb: {
    usedOn: only('face', 'ears', 'ruff', 'armpits', 'forelegs', 'belly', 'breeches', 'hindlegs', 'tail', 'feet'),
  },
  'fine-comb': { usedOn: only('face', 'ears', 'back', 'hips', 'breeches', 'tail', 'feet') },
  'blade-comb': { usedOn: only(), milder: 'plastic-blade-comb' },
  'plastic-blade-comb': { usedOn: only('back', 'hips') },
  rubber: { usedOn: but('face', 'feet') },
  bristle: { usedOn: ALL },
  'carding-blade': NOT_AT_HOME,
  'mat-splitter': NOT_AT_HOME,
  'thinning-shears': NOT_AT_HOME,
  clipper: NOT_AT_HOME,
  'hand-bath': NOT_AT_HOME,
  bather: NOT_AT_HOME,
  mister: NOT_AT_HOME,
  conditioner: NOT_AT_HOME,
  towel: NOT_AT_HOME,
  'force-dryer': NOT_AT_HOME,
  'stand-dryer': NOT_AT_HOME,
  'care-set': NOT_AT_HOME,
};

/** Whether an owner uses a piece on a part. */
export const usedOn = (tool: ToolKind, part: HomePart): boolean => AT_HOME[tool].usedOn.has(part);

/** How a part's minutes go to the pieces used on it, first piece first. Guess. */
const SHARES: readonly (readonly number[])[] = [[], [1], [0.65, 0.35], [0.5, 0.25, 0.25]];

export interface HomeBoutStep {
  readonly tool: ToolKind;
  readonly minutes: number;
  readonly parts: readonly HomePart[];
}
export interface HomeBout {
  readonly minutes: number;
  readonly parts: readonly HomePart[];
  /** Pieces in their order, each with where it is used. */
  readonly steps: readonly HomeBoutStep[];
}
export interface HomeDay {
  readonly day: Day;
  /** None: a day of rest. */
  readonly bouts: readonly HomeBout[];
}

export interface HomeWeek {
  readonly needs: readonly (PartNeed & { readonly waited: number })[];
  readonly days: readonly HomeDay[];
  /** Minutes a week: what is planned, what the coat would like, below what it suffers. */
  readonly planned: number;
  readonly ideal: number;
  readonly floor: number;
  /** Minutes a week the home has, within the dog's patience. */
  readonly has: number;
  /** The plan is the cheapest there is. */
  readonly proved: boolean;
}

export interface HomeWeekRequest {
  readonly dog: Pick<Dog, 'coatClass' | 'traits'>;
  readonly setup: HomeSetup;
  readonly today: Day;
  readonly blow: boolean;
  /** Seeds stand in the grass. */
  readonly seedSeason: boolean;
  /** Last day on which a part was brushed at home or worked in the salon. */
  readonly last: ReadonlyMap<HomePart, Day>;
  readonly dragged: ReadonlySet<HomePart>;
  readonly packed: ReadonlySet<HomePart>;
  readonly closed: ReadonlySet<HomePart>;
  /** Today's brushing is done. */
  readonly doneToday: boolean;
  readonly mostNodes?: number | undefined;
}

/** A part nobody has brushed for longer is not owed more. */
const MOST_WAITED = 60;
/** Coats that are brushed morning and evening in a blow. Common practice: "double daily". */
const twiceDaily = (coatClass: CoatClass, blow: boolean): boolean =>
  blow && coatRow(coatClass).home.boutsPerWeek >= WEEK;

/** The week from today on. */
export function homeWeek(request: HomeWeekRequest): HomeWeek {
  const { dog, setup, today, blow, last, dragged, packed, closed } = request;
  const most = longestBout(dog, setup);
  const needs = homeNeeds({
    dog,
    blow,
    dragged,
    packed,
    pinned: new Set(setup.pins),
    seeds: setup.seedWalks && request.seedSeason,
    closed,
  }).map((n) => {
    const minutes = Math.min(n.minutes, most);
    const waited = Math.min(MOST_WAITED, Math.max(0, today - 1 - (last.get(n.part) ?? -Infinity)));
    return { ...n, minutes, waited };
  });
  const longest = Math.max(0, ...needs.map((n) => n.minutes));
  // Two bouts hold whatever fits this, however the parts are shared out between them.
  const dayMost = twiceDaily(dog.coatClass, blow) ? Math.max(most, 2 * most - longest) : most;
  const days = Array.from({ length: WEEK }, (_, i) => addDays(today, i));
  const has = days.map((d, i) =>
    i === 0 && request.doneToday ? 0 : Math.min(dayMost, setup.minutesByWeekday[isoWeekday(d) - 1] ?? 0),
  );
  const plan = rota({
    parts: needs.map((n) => ({ ...n, key: n.part })),
    dayMinutes: has,
    mostNodes: request.mostNodes,
  });
  const usable = usableBrushes(dog, setup);
  let edged = { times: 0, last: -Infinity };
  const planned = days.map((day, i): HomeDay => {
    const keys = new Set(plan.days[i]);
    return {
      day,
      bouts: boutsOf(
        needs.filter((n) => keys.has(n.part)),
        most,
      ).map((b) => {
        const rests = edged.times >= EDGE_AT_HOME.timesAWeek || day - edged.last < EDGE_AT_HOME.daysApart;
        const bout = boutWith(b, rests ? usable.filter((k) => k !== EDGE_AT_HOME.tool) : usable);
        if (bout.steps.some((s) => s.tool === EDGE_AT_HOME.tool)) edged = { times: edged.times + 1, last: day };
        return bout;
      }),
    };
  });
  const rate = (of: (n: PartNeed) => number): number => sum(needs.map((n) => (WEEK * n.minutes) / of(n)));
  return {
    needs,
    days: planned,
    planned: sum(planned.flatMap((d) => d.bouts.map((b) => b.minutes))),
    ideal: rate((n) => n.rhythmDays),
    floor: rate((n) => n.limitDays),
    has: sum(setup.minutesByWeekday.map((m) => Math.min(m, dayMost))),
    proved: plan.bound >= plan.cost - 1e-6,
  };
}

/** Parts in bouts that are no longer than the dog bears: one, or a second with what does not fit. */
function boutsOf(parts: readonly PartNeed[], most: number): readonly (readonly PartNeed[])[] {
  const first: PartNeed[] = [];
  const second: PartNeed[] = [];
  let left = most;
  for (const p of parts) {
    if (p.minutes <= left + 1e-9 && second.length === 0) {
      first.push(p);
      left -= p.minutes;
    } else second.push(p);
  }
  return [first, second].filter((b) => b.length > 0);
}

/** A plastic edge is used so often at most, and so many days apart. Common practice: once or twice a week, torso only. */
export const EDGE_AT_HOME = { tool: 'plastic-blade-comb', timesAWeek: 2, daysApart: 3 } as const;

/** On these dogs no blade goes, whoever holds it: as the rules of the salon have it. */
const NO_EDGE: readonly DogTrait[] = ['show-coat', 'puppy-coat', 'previously-clipped', 'skin-trouble'];

/** What a home with such hands should have for such a dog. */
function wantedBrushes({ coatClass, traits }: HomeDog, { severalHands }: HomeSetup): readonly ToolKind[] {
  if (!severalHands) return HOME_BRUSHES[coatClass];
  const edge = coatClass === 'smooth-double' && !traits.some((t) => NO_EDGE.includes(t));
  return HOME_BRUSHES[coatClass].map((k) => (edge && k === 'fine-comb' ? EDGE_AT_HOME.tool : (AT_HOME[k].milder ?? k)));
}

type HomeDog = Pick<Dog, 'coatClass' | 'traits'>;

/** Pieces this home may use on such a coat, in order; those it should have where nobody has said what it has. */
export function usableBrushes(dog: HomeDog, setup: HomeSetup): readonly ToolKind[] {
  const may = wantedBrushes(dog, setup).filter((k) => !setup.without.includes(k));
  const own = may.filter((k) => setup.brushes.includes(k));
  return setup.brushes.length === 0 || own.length === 0 ? may : own;
}

function boutWith(parts: readonly PartNeed[], usable: readonly ToolKind[]): HomeBout {
  const steps = new Map<ToolKind, { minutes: number; parts: HomePart[] }>();
  for (const p of parts) {
    const fitting = usable.filter((k) => usedOn(k, p.part));
    // Where no piece of this home may go, hands do: feel, part the hair, take out what is loose.
    const shares = SHARES[fitting.length] ?? [];
    for (const [i, tool] of fitting.entries()) {
      const step = steps.get(tool) ?? { minutes: 0, parts: [] };
      step.minutes += p.minutes * (shares[i] ?? 0);
      step.parts.push(p.part);
      steps.set(tool, step);
    }
  }
  return {
    minutes: sum(parts.map((p) => p.minutes)),
    parts: parts.map((p) => p.part),
    steps: usable.flatMap((tool) => {
      const step = steps.get(tool);
      return step ? [{ tool, minutes: Math.max(0.5, Math.round(2 * step.minutes) / 2), parts: step.parts }] : [];
    }),
  };
}

export type KeepOff = 'not-for-owners' | 'cuts-topcoat' | 'coat-too-short' | 'does-little' | 'groomer-says';
export interface HomeTools {
  readonly use: readonly ToolKind[];
  /** Should have and has not. */
  readonly get: readonly ToolKind[];
  readonly keepOff: readonly { readonly tool: ToolKind; readonly why: KeepOff }[];
}

/** A piece that frays this share of long topcoat in one working is none for an owner of a double coat. Guess. */
const FRAYS_TOO_MUCH = 0.2;

/** Which of the home's brushes suit the coat, which are missing, which stay in the drawer and why. */
export function homeTools(dog: HomeDog, setup: HomeSetup): HomeTools {
  const { coatClass } = dog;
  const { guardMm, packs } = coatRow(coatClass);
  const wanted = wantedBrushes(dog, setup);
  const use = usableBrushes(dog, setup).filter((k) => setup.brushes.length === 0 || setup.brushes.includes(k));
  const keepOff = setup.brushes.flatMap((tool): HomeTools['keepOff'] => {
    if (use.includes(tool)) return [];
    const row = toolRow(tool);
    const why: KeepOff | undefined = setup.without.includes(tool)
      ? 'groomer-says'
      : !row.forOwners
        ? 'not-for-owners'
        : packs && row.frays >= FRAYS_TOO_MUCH
          ? 'cuts-topcoat'
          : guardMm.low < row.kindAboveMm
            ? 'coat-too-short'
            : row.reachMm < guardMm.low
              ? 'does-little'
              : undefined;
    return why ? [{ tool, why }] : [];
  });
  return {
    use,
    get:
      setup.brushes.length === 0 ? [] : wanted.filter((k) => !setup.brushes.includes(k) && !setup.without.includes(k)),
    keepOff,
  };
}
