/** Practice in words: what a coat answers, what a mistake was, what a drill asks and why its answer is so. */
import { type PhaseId } from '../../core/bench/index.ts';
import { COMB_SCALE, FINGER_SCALE, TIE_SCALE, TUG_SCALE, type Readings } from '../../core/check/index.ts';
import { coatRow, regionRow, TRAIT_WORDS, ZONE_IDS, type CoatClass } from '../../core/dog/index.ts';
import { rule, toolRow, type ToolKind } from '../../core/kit/index.ts';
import {
  MISTAKES,
  type Act,
  type DrillScene,
  type FeelTest,
  type Hardness,
  type Mistake,
  type Mood,
  type Question,
  type Temper,
  type ActResult,
} from '../../core/practice/index.ts';
import { unreachable } from '../../core/quantity/index.ts';
import { whereText, zonesShort } from './places.ts';
import { capital, grams, listText, minutesText } from './figures.ts';
import { loserText, partText, WETNESS_WORDS } from './kit.ts';
import { conditionReason, CONDITION_WORDS, methodName, skinWord } from './reasons.ts';
import { PHASE_WORDS } from './steps.ts';
import { lengthText } from './units.ts';

export const TEST_WORDS: Readonly<Record<FeelTest, string>> = {
  finger: 'finger to skin',
  tug: 'tug',
  comb: 'comb',
  tie: 'tie',
  skin: 'skin',
};
export const MOOD_WORDS: Readonly<Record<Mood, string>> = {
  easy: 'stands easy',
  shifts: 'shifts its feet',
  lies: 'has lain down',
  away: 'has moved away',
};
export const TEMPER_WORDS: Readonly<Record<Temper, string>> = {
  patient: 'patient',
  fair: 'fair-tempered',
  impatient: 'impatient',
};
export const HARDNESS_WORDS: Readonly<Record<Hardness, string>> = { easy: 'easy', usual: 'usual', hard: 'hard' };

/** What hands found in a zone: those tests that were done. */
export const feltText = (felt: Partial<Readings>): string =>
  [
    felt.finger !== undefined && `finger: ${FINGER_SCALE.find((g) => g.value === felt.finger)?.word}`,
    felt.tug !== undefined && `tug: ${TUG_SCALE.find((g) => g.value === felt.tug)?.word}`,
    felt.comb !== undefined && `comb ${COMB_SCALE.find((g) => g.value === felt.comb)?.word}`,
    felt.tie !== undefined && `tie: ${TIE_SCALE.find((g) => g.value === felt.tie)?.word}`,
    felt.skin !== undefined && `skin: ${skinWord(felt.skin)}`,
  ]
    .filter((t) => t !== false)
    .join(', ');

/** A tenth of a minute is as fine as anybody watches the clock. */
const shortTime = (minutes: number): string =>
  minutes < 1 ? `${Math.max(1, Math.round(minutes * 60))}\u00a0s` : minutesText(Math.round(minutes));

/** What a stretch of work came to. */
function workedText({ phase, zones }: Extract<Act, { kind: 'work' }>, t: ActResult, tool: string): string {
  const hair = t.gramsOut >= 0.5 ? grams(t.gramsOut) : 'hardly a hair';
  return [
    `${PHASE_WORDS[phase]} with the ${tool}, ${zonesShort(zones.map((z) => z.zone))}: ${shortTime(t.minutes)}, ${hair}.`,
    t.settled.length > 0 && `The tie is out at ${zonesShort(t.settled)}.`,
    t.tightened.length > 0 && `The tie draws tight at ${zonesShort(t.tightened)}.`,
    t.reddened.length > 0 && `Skin pinks at ${zonesShort(t.reddened)}.`,
    t.opened.length > 0 && `The comb would fall through at ${zonesShort(t.opened)}.`,
    t.idle.length > 0 && `It does nothing there as the coat is now (${zonesShort(t.idle)}).`,
    t.mood !== 'easy' && `It ${MOOD_WORDS[t.mood]}.`,
  ]
    .filter((s) => s !== false)
    .join(' ');
}

/** What the coat and the dog answered to one act, in a sentence or some. */
export function toldText(t: ActResult, nameOf: (toolId: string) => string): string {
  const { act } = t;
  if (t.refused) return 'It has moved away and stands for nothing now. Let it rest.';
  switch (act.kind) {
    case 'look':
      return `Looked over, eyes to rear: ${shortTime(t.minutes)}.`;
    case 'feel':
      return `Felt ${zonesShort(act.zones)}: ${listText(act.tests.map((x) => TEST_WORDS[x]))}, ${shortTime(t.minutes)}.`;
    case 'call':
      return `${capital(zonesShort(act.zones))}: called ${CONDITION_WORDS[act.as]}.`;
    case 'rest':
      return `Rested ${shortTime(t.minutes)}. It ${MOOD_WORDS[t.mood]}.`;
    case 'work':
      return workedText(act, t, nameOf(act.toolId));
    case 'refer':
      return 'Sent to a vet first; no groom today.';
    case 'end':
      return 'Done for today.';
    default:
      return unreachable(act);
  }
}

/** What was wrong: the rule where a row says it, else the statement of its kind, with where and how much. */
export function mistakeText(m: Mistake): string {
  const statement = m.rule === undefined ? MISTAKES[m.code].statement : rule(m.rule).statement;
  const where = m.zones.length > 0 && m.zones.length < 30 ? ` Here: ${whereText(m.zones, ZONE_IDS)}.` : '';
  switch (m.code) {
    case 'too-long':
    case 'over-the-clock':
      return `${statement} ${capital(minutesText(Math.round(m.count ?? 0)))} of them.`;
    case 'drove-it-away':
      return `${statement} ${m.count === 1 ? 'Once.' : `${m.count} times.`}`;
    case 'read-wrong':
      return `${statement}${where} It is ${m.truth ? CONDITION_WORDS[m.truth.kind] : ''}${m.truth?.by ? ` (${conditionReason(m.truth.by)})` : ''}.`;
    default:
      return `${statement}${where}`;
  }
}
export const mistakeWhy = (m: Mistake): string => (m.rule === undefined ? MISTAKES[m.code].why : rule(m.rule).reason);

export const toolName = (kind: ToolKind): string => toolRow(kind).name;
const className = (c: CoatClass): string => coatRow(c).name;

function sceneText({ coatClass, condition, wetness, region, guardMm, context }: DrillScene): string {
  const said = [
    `A ${className(coatClass)} coat`,
    `hair of ${lengthText(guardMm)}`,
    `${regionRow(region).name}: ${WETNESS_WORDS[wetness]}, ${CONDITION_WORDS[condition]}`,
    context.tie !== 'none' && `tie: ${TIE_SCALE.find((g) => g.value === context.tie)?.word}`,
    context.skin !== 'clear' && `skin: ${skinWord(context.skin)}`,
    context.traits.length > 0 && listText(context.traits.map((t) => TRAIT_WORDS[t])),
  ].filter((t) => t !== false);
  return `${said.join('; ')}.`;
}

/** What a step is for, where its name would tell the tool that is asked for. */
const NOW_WORDS: Partial<Readonly<Record<PhaseId, string>>> = {
  'dry-rake': 'Now what is loose comes out of the depth of the dry coat',
  'dry-slicker': 'Now the dry coat is opened, layer by layer',
  comb: 'Now the coat is proved, from the tips to the skin',
};

/** What a drill asks: the scene, and the question. */
export function questionParts(q: Question): { readonly scene: string; readonly ask: string } {
  switch (q.kind) {
    case 'may':
      return { scene: sceneText(q.scene), ask: `May the ${toolName(q.tool)} be used there?` };
    case 'leads':
      return {
        scene: sceneText(q.scene),
        ask: `${NOW_WORDS[q.phase] ?? `“${PHASE_WORDS[q.phase]}” comes now`}. Which of these serves best?`,
      };
    case 'condition':
      return {
        scene: `A ${className(q.coatClass)} coat. ${capital(feltText(q.readings))}.`,
        ask: 'What is this zone?',
      };
    case 'next':
      return {
        scene: `${methodName(q.method)}: ${q.done.map((p) => PHASE_WORDS[p].toLowerCase()).join(', then ')}.`,
        ask: 'What comes next?',
      };
    default:
      return unreachable(q);
  }
}

export interface AnswerOption {
  readonly value: string;
  readonly word: string;
}
export function optionsOf(q: Question): readonly AnswerOption[] {
  switch (q.kind) {
    case 'may':
      return [
        { value: 'yes', word: 'Yes' },
        { value: 'no', word: 'No' },
      ];
    case 'leads':
      return q.options.map((value) => ({ value, word: capital(toolName(value)) }));
    case 'condition':
      return q.options.map((value) => ({ value, word: capital(CONDITION_WORDS[value]) }));
    case 'next':
      return q.options.map((value) => ({ value, word: PHASE_WORDS[value] }));
    default:
      return unreachable(q);
  }
}

/** Why the right answer is right. */
export function answerWhy(q: Question): string {
  switch (q.kind) {
    case 'may': {
      if (q.rule === undefined) return `Yes: no rule speaks against it. ${toolRow(q.tool).does}`;
      const { statement, reason } = rule(q.rule);
      return `No. ${statement} ${reason}`;
    }
    case 'leads': {
      const out = q.ruledOut.filter((r) => q.options.includes(r.kind)).slice(0, 1);
      return [
        `The ${toolName(q.right)}.`,
        q.because
          ? `It ${partText(q.because.winner)}; the next best ${loserText(q.because.loser)}.`
          : toolRow(q.right).does,
        ...out.map((r) => `Not the ${toolName(r.kind)}: ${rule(r.rule).statement}`),
      ].join(' ');
    }
    case 'condition':
      return `${capital(CONDITION_WORDS[q.right])}${q.by ? `, by ${conditionReason(q.by)}` : ''}.`;
    case 'next':
      return `${PHASE_WORDS[q.right]}.`;
    default:
      return unreachable(q);
  }
}
