/**
 * Decides short questions on rules, tool choice, conditions and order: a card stands for one thing to know, and is asked a
 * little differently each time. Right answers come from the same tables and rankings as plans; no answer is written here.
 */
import { pick, seededRandom, type Random } from '../quantity/index.ts';
import { COAT_CLASSES, coatRow, PAIRED_REGIONS, MID_REGIONS, type CoatClass, type Region } from '../dog/index.ts';
import {
  COMB_GRADES,
  CONDITION_KINDS,
  CONDITION_OF_TIE,
  STOPPING_SKIN,
  zoneConditions,
  TIE_GRADES,
  type ConditionKind,
  type ConditionReason,
  type FingerGrade,
  type Readings,
  type TieGrade,
  type ZoneFindings,
} from '../check/index.ts';
import {
  BLADE_REGIONS,
  DEFAULT_HOUSE,
  forbiddenBy,
  rankTools,
  reasonsOf,
  RULES,
  TOOL_KINDS,
  toolRow,
  WETNESS,
  type Edge,
  type Rule,
  type RuleContext,
  type Tool,
  type ToolKind,
  type Wetness,
} from '../kit/index.ts';
import { METHODS, PHASES, PHASE_IDS, type MethodId, type PhaseId } from '../bench/index.ts';

export type DrillSubject = 'rule' | 'tool' | 'condition' | 'order';
export interface DrillCard {
  /** Stands in people's progress: never renamed. */
  readonly id: string;
  readonly subject: DrillSubject;
}

/** Where a tool is thought of: told in words beside the question. */
export interface DrillScene {
  readonly coatClass: CoatClass;
  readonly region: Region;
  readonly wetness: Wetness;
  readonly condition: ConditionKind;
  readonly guardMm: number;
  readonly context: RuleContext;
}

export type Question =
  | {
      readonly kind: 'may';
      readonly tool: ToolKind;
      readonly scene: DrillScene;
      /** May it be used here? */
      readonly right: boolean;
      readonly rule: string | undefined;
    }
  | {
      readonly kind: 'leads';
      readonly phase: PhaseId;
      readonly scene: DrillScene;
      readonly options: readonly ToolKind[];
      readonly right: ToolKind;
      /** What it leads the next best in, and what takes the others out. */
      readonly because: Edge | undefined;
      readonly ruledOut: readonly { readonly kind: ToolKind; readonly rule: string }[];
    }
  | {
      readonly kind: 'condition';
      readonly coatClass: CoatClass;
      readonly readings: Readings;
      readonly options: readonly ConditionKind[];
      readonly right: ConditionKind;
      readonly by: ConditionReason | undefined;
    }
  | {
      readonly kind: 'next';
      readonly method: MethodId;
      readonly done: readonly PhaseId[];
      readonly options: readonly PhaseId[];
      readonly right: PhaseId;
    };

const REGIONS: readonly Region[] = [...PAIRED_REGIONS, ...MID_REGIONS];
const piece = (kind: ToolKind): Tool => ({ id: kind, kind, name: toolRow(kind).name });
const FULL_KIT = TOOL_KINDS.map(piece);

/** Rows that can be asked: those that forbid a tool by what a hand can see; not by measures of one piece, air or house. */
const ASKABLE: readonly Rule[] = RULES.filter(
  ({ severity, when }) =>
    (severity === 'never' || severity === 'stop') &&
    !when.dogStops &&
    !when.piece &&
    !when.house &&
    when.airOverC === undefined &&
    when.sinceBath === undefined,
);

/** Phases in which there is a choice of tool, by the coats that meet them. */
const CHOICES: readonly { readonly phase: PhaseId; readonly classes: readonly CoatClass[] }[] = [
  { phase: 'dry-rake', classes: ['medium-double', 'heavy-double', 'harsh-double'] },
  { phase: 'dry-slicker', classes: ['medium-double', 'long-double', 'heavy-double'] },
  { phase: 'soapy-work', classes: ['smooth-double', 'medium-double', 'long-double'] },
  { phase: 'edge', classes: ['smooth-double', 'smooth-single'] },
  { phase: 'comb', classes: ['medium-double', 'long-double', 'smooth-double'] },
  { phase: 'finish', classes: ['medium-double', 'smooth-double'] },
];
export const DRILL_CARDS: readonly DrillCard[] = [
  ...ASKABLE.map((r): DrillCard => ({ id: `rule/${r.id}`, subject: 'rule' })),
  ...CHOICES.flatMap(({ phase, classes }) =>
    classes.map((c): DrillCard => ({ id: `tool/${phase}/${c}`, subject: 'tool' })),
  ),
  ...CONDITION_KINDS.map((c): DrillCard => ({ id: `condition/${c}`, subject: 'condition' })),
  ...METHODS.map((m): DrillCard => ({ id: `order/${m.id}`, subject: 'order' })),
];

/** What of a scene is given; the rest is drawn. */
type GivenScene = Partial<Omit<RuleContext, 'house'>>;
/** Finger grade and tie that go with a condition; grade 2 and no tie with the others. */
const USUAL_GRADE: Partial<Readonly<Record<ConditionKind, FingerGrade>>> = { packed: 3, clear: 1 };
const USUAL_TIE: Partial<Readonly<Record<ConditionKind, TieGrade>>> = {
  knotted: 'knot',
  matted: 'mat',
  pelted: 'pelt',
};

const sceneOf = (random: Random, given: GivenScene): DrillScene => {
  const coatClass =
    given.coatClass ??
    pick(
      random,
      COAT_CLASSES.filter((c) => c !== 'fleece'),
    );
  const { low, high } = coatRow(coatClass).guardMm;
  const condition = given.condition ?? 'loose';
  const guardMm = given.guardMm ?? Math.round((low + high) / 2);
  const region = given.region ?? pick(random, ['back', 'ribs', 'hip', 'shoulder', 'ruff', 'breeches'] as const);
  const wetness = given.wetness ?? 'dry';
  const context: RuleContext = {
    region,
    wetness,
    coatClass,
    condition,
    grade: given.grade ?? USUAL_GRADE[condition] ?? 2,
    tie: given.tie ?? USUAL_TIE[condition] ?? 'none',
    skin: given.skin ?? 'clear',
    traits: given.traits ?? [],
    guardMm,
    house: DEFAULT_HOUSE,
  };
  return { coatClass, region, wetness, condition, guardMm, context };
};

/** Guard hair within a row's bound, or beyond it where that key is the one to miss. */
function guardFor({ guardOverMm, guardUnderMm }: Rule['when'], miss: string | undefined): number | undefined {
  if (guardOverMm !== undefined) return guardOverMm + (miss === 'guardOverMm' ? -8 : 10);
  return guardUnderMm === undefined ? undefined : guardUnderMm + (miss === 'guardUnderMm' ? 10 : -5);
}

/** A tool and a scene in which a row holds, or nearly does: one of its keys is changed. */
function mayQuestion(row: Rule, random: Random): Question {
  const { when } = row;
  const tools = when.tools ?? TOOL_KINDS.filter((k) => toolRow(k).cm2PerMinute > 0);
  const given = (miss: string | undefined): GivenScene => {
    const of = <T>(key: string, all: readonly T[], held: readonly T[] | undefined): T | undefined => {
      if (!held) return undefined;
      const others = all.filter((x) => !held.includes(x));
      return miss === key && others.length > 0 ? pick(random, others) : pick(random, held);
    };
    const trait = when.traits && (miss === 'traits' ? undefined : pick(random, when.traits));
    const coatClass = of('classes', COAT_CLASSES, when.classes);
    const skin = when.skins && (miss === 'skins' ? 'clear' : pick(random, when.skins));
    const condition = of(
      'conditions',
      CONDITION_KINDS.filter((c) => c !== 'stop' && c !== 'dense'),
      when.conditions,
    );
    const tie = of('ties', TIE_GRADES, when.ties);
    const guardMm = guardFor(when, miss);
    const region = of('regions', REGIONS, when.regions);
    const wetness = of('wetness', WETNESS, when.wetness);
    return {
      ...(coatClass && { coatClass }),
      ...(skin && { skin, ...(STOPPING_SKIN.has(skin) ? { condition: 'stop' as const } : {}) }),
      ...(condition && { condition }),
      ...(tie && { tie, condition: tie === 'none' ? ('loose' as const) : CONDITION_OF_TIE[tie] }),
      ...(guardMm !== undefined && { guardMm }),
      ...(region && { region }),
      ...(wetness && { wetness }),
      ...(trait && { traits: [trait] }),
    };
  };
  const keys = Object.keys(when).filter((k) => k !== 'tools');
  const allowed = random() < 0.45;
  const draw = (): Extract<Question, { kind: 'may' }> => {
    const miss = allowed && keys.length > 0 ? pick(random, keys) : undefined;
    const tool = pick(random, tools);
    const scene = sceneOf(random, given(miss));
    // Whatever was drawn, the tables decide what is right.
    const by = forbiddenBy({ kind: tool }, scene.context);
    return { kind: 'may', tool, scene, right: by === undefined, rule: by?.id };
  };
  let drawn = draw();
  for (let i = 0; i < MOST_DRAWS && drawn.right !== allowed; i++) drawn = draw();
  return drawn;
}
/** Other rows may forbid what this one lets pass: a scene that is as wished is looked for so often. */
const MOST_DRAWS = 40;

const shuffled = <T>(random: Random, of: readonly T[]): readonly T[] =>
  of
    .map((value) => ({ value, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map((x) => x.value);

const MOST_OPTIONS = 4;

function leadsQuestion(phase: PhaseId, coatClass: CoatClass, random: Random): Question {
  const row = PHASES[phase];
  const regions: readonly Region[] =
    phase === 'edge' ? BLADE_REGIONS : ['back', 'ribs', 'hip', 'ruff', 'breeches', 'tail'];
  const scene = sceneOf(random, {
    coatClass,
    wetness: row.wetness,
    condition: pick(random, coatRow(coatClass).packs ? (['loose', 'packed'] as const) : (['loose'] as const)),
    region: pick(random, regions),
  });
  const ranking = rankTools(FULL_KIT, row.tools, scene.context);
  const right = ranking.fits[0]?.tool.kind;
  // Somebody who does not know would reach for what hangs beside it: pieces of this phase, then of others by hand.
  const near = [...ranking.fits.slice(1).map((f) => f.tool.kind), ...ranking.ruledOut.map((r) => r.tool.kind)];
  const other = (['rake', 'blade-comb', 'bristle', 'comb', 'rubber', 'firm-slicker', 'pin-brush'] as const).filter(
    (k) => k !== right && !near.includes(k) && !ranking.fits.some((f) => f.tool.kind === k),
  );
  const because = reasonsOf(ranking).chosen?.because;
  const lead = right ?? 'comb';
  return {
    kind: 'leads',
    phase,
    scene,
    options: shuffled(random, [
      lead,
      ...[...new Set([...near, ...shuffled(random, other)])].filter((k) => k !== lead).slice(0, MOST_OPTIONS - 1),
    ]),
    right: lead,
    because: because?.loser && { measure: because.measure, winner: because.winner, loser: because.loser },
    ruledOut: ranking.ruledOut.map((r) => ({ kind: r.tool.kind, rule: r.rule })),
  };
}

/** Readings that a condition is told by. */
function readingsFor(kind: ConditionKind, random: Random): ZoneFindings {
  switch (kind) {
    case 'clear':
      return { finger: pick(random, [0, 1] as const), tug: pick(random, [0, 1] as const), comb: 'glides' };
    case 'dense':
      return { finger: pick(random, [2, 3] as const), tug: pick(random, [0, 1] as const), comb: 'glides' };
    case 'loose':
      return {
        finger: pick(random, [1, 2] as const),
        tug: pick(random, [2, 3] as const),
        comb: pick(random, ['glides', 'drags'] as const),
      };
    case 'packed':
      return { finger: pick(random, [3, 4] as const), tug: pick(random, [1, 2, 3] as const), comb: 'stops' };
    case 'knotted':
    case 'matted':
    case 'pelted':
      return {
        finger: pick(random, [2, 3, 4] as const),
        tug: pick(random, [0, 1, 2] as const),
        comb: pick(
          random,
          COMB_GRADES.filter((c) => c !== 'glides'),
        ),
        tie: kind === 'knotted' ? 'knot' : kind === 'matted' ? 'mat' : 'pelt',
      };
    case 'stop':
      return {
        finger: pick(random, [1, 2, 3] as const),
        tug: pick(random, [1, 2] as const),
        comb: 'drags',
        skin: pick(random, ['hot-spot', 'wound', 'new-lump'] as const),
      };
  }
}

function conditionQuestion(kind: ConditionKind, random: Random): Question {
  const coatClass = pick(random, ['medium-double', 'long-double', 'heavy-double'] as const);
  const found = readingsFor(kind, random);
  const told = zoneConditions({ zones: { back: { tie: 'none', skin: 'clear', ...found } } }, coatRow(coatClass)).find(
    (c) => c.zone === 'back',
  );
  if (!told) throw new TypeError('every zone has a condition');
  return {
    kind: 'condition',
    coatClass,
    readings: told.readings,
    options: CONDITION_KINDS,
    right: told.kind,
    by: told.reasons[0],
  };
}

function nextQuestion(id: MethodId, random: Random): Question {
  const phases = (METHODS.find((m) => m.id === id)?.phases ?? []).map((p) => p.id);
  // Asked from the second step on, where the answer comes only once.
  const places = phases.map((_, i) => i).filter((i) => i > 0 && phases.indexOf(phases[i] ?? 'comb') === i);
  const at = pick(random, places.length > 0 ? places : [0]);
  const right = phases[at] ?? 'comb';
  const others = shuffled(
    random,
    [...new Set([...phases.filter((p) => p !== right), ...PHASE_IDS])].filter(
      (p) => p !== right && !phases.slice(0, at).includes(p),
    ),
  );
  // Later steps of the same school are the likeliest mistakes.
  const near = [...others.filter((p) => phases.includes(p)), ...others.filter((p) => !phases.includes(p))];
  return {
    kind: 'next',
    method: id,
    done: phases.slice(0, at),
    options: shuffled(random, [right, ...near.slice(0, MOST_OPTIONS - 1)]),
    right,
  };
}

/** A card asked for the nth time by whoever has this seed: the same pair, the same question. Throws RangeError for no card. */
export function askCard(id: string, seed: number): Question {
  const random = seededRandom(seed);
  const [subject = '', a = '', b = ''] = id.split('/');
  if (subject === 'rule') {
    const row = ASKABLE.find((r) => r.id === a);
    if (row) return mayQuestion(row, random);
  }
  if (subject === 'tool') {
    const phase = CHOICES.find((c) => c.phase === a)?.phase;
    const coatClass = COAT_CLASSES.find((c) => c === b);
    if (phase && coatClass) return leadsQuestion(phase, coatClass, random);
  }
  const condition = CONDITION_KINDS.find((c) => c === a);
  if (subject === 'condition' && condition) return conditionQuestion(condition, random);
  const found = METHODS.find((m) => m.id === a);
  if (subject === 'order' && found) return nextQuestion(found.id, random);
  throw new RangeError(`no such card: ${id}`);
}

/** Whether an answer, as it is sent and kept, is right. */
export const rightAnswer = (q: Question): string => (q.kind === 'may' ? (q.right ? 'yes' : 'no') : q.right);
