/** What the table says: what happened, what it proposes, how the link is, who holds what. */
import { SKIN_SCALE, type SkinFinding, type TieGrade } from '../../core/check/index.ts';
import { zoneName } from '../../core/dog/index.ts';
import { unreachable } from '../../core/quantity/index.ts';
import type { Met, Paid, Proposal, ReplanReason, ScaleView, SessionAct } from '../../core/table/index.ts';
import { zonesShort } from './places.ts';
import { capital, grams, minutesText } from './figures.ts';
import { massText, temperatureText } from './units.ts';

/** Minutes as hands know them: half minutes count, quarters do not. */
export const shortMinutes = (minutes: number): string => {
  const half = Math.round(minutes * 2) / 2;
  return half < 1 ? '½\u00a0min' : `${Number.isInteger(half) ? half : `${Math.floor(half)}½`}\u00a0min`;
};

const TIE_WORDS: Readonly<Record<TieGrade, string>> = { none: 'no tie', knot: 'a knot', mat: 'a mat', pelt: 'a pelt' };
export const metWord = ({ skin, tie }: Pick<Met, 'skin' | 'tie'>): string =>
  tie !== undefined && tie !== 'none' ? TIE_WORDS[tie] : skin === undefined ? 'something' : skinWord(skin);
const skinWord = (skin: SkinFinding): string => SKIN_SCALE.find((g) => g.value === skin)?.word ?? skin;

/** What a plan was made again for. */
export function reasonText(because: ReplanReason): string {
  switch (because.code) {
    case 'dragged':
      return `the comb ${because.result === 'stops' ? 'stopped' : 'dragged'} at ${zoneName(because.zone)}`;
    case 'pink':
      return `${zoneName(because.zone)} turned pink`;
    case 'met':
      return `${metWord(because)} at ${zoneName(because.zone)}`;
    case 'late':
      return 'time ran short';
    default:
      return unreachable(because);
  }
}

/** What is found on a dog that is not worked on today. */
const dogStopText = (because: ReplanReason): string =>
  crawls(because)
    ? 'Stop here: parasites. Rinse, dry to the skin, and keep the dog apart.'
    : 'Stop here. Rinse, dry to the skin, and send the dog to its vet.';
export const crawls = (because: ReplanReason): boolean => because.code === 'met' && because.skin === 'parasites';

/** What a proposal comes to, in one sentence to act on, and what it costs whom. */
export function proposalText(p: Proposal): { readonly what: string; readonly costs: string } {
  const zone = 'zone' in p.because ? p.because.zone : undefined;
  const at = zone === undefined ? '' : zoneName(zone);
  const less = p.moved.filter((m) => m.minutes < 0 && m.zone !== zone);
  const more = p.moved.find((m) => m.zone === zone && m.minutes > 0);
  const clock = p.minutes.after - p.minutes.before;
  const clockText =
    Math.abs(clock) < 0.75
      ? 'The end stays where it was.'
      : `The end comes ${shortMinutes(Math.abs(clock))} ${clock > 0 ? 'later' : 'sooner'}.`;
  const taken = less.length === 0 ? '' : `Taken from ${zonesShort(less.map((m) => m.zone))}. `;
  const costs = `${taken}${clockText}`;
  if (p.stop === 'dog') return { what: dogStopText(p.because), costs: 'Nothing else is worked today.' };
  if (p.stop === 'zone') {
    return {
      what:
        p.because.code === 'pink'
          ? `Leave ${at} as it is: nothing milder would be worth it.`
          : `Leave ${at} alone from here${p.closed ? ': rinse and pat it dry by hand, nothing else' : ''}.`,
      costs,
    };
  }
  if (p.piece) {
    return {
      what: `${capital(at)}: ${p.piece.tool.name.toLowerCase()}, ${shortMinutes(p.piece.minutes)}.`,
      costs,
    };
  }
  if (more) return { what: `${capital(at)}: ${shortMinutes(more.minutes)} more with the same piece.`, costs };
  if (p.because.code === 'late') {
    const left = p.left.map((l) => l.zone);
    return {
      what: left.length === 0 ? 'Shorten what is left.' : `Leave for next time: ${zonesShort(left)}.`,
      costs: `Saves ${shortMinutes(Math.max(0, -clock))}.`,
    };
  }
  return { what: `The plan has it already: steps to come still work ${at}.`, costs };
}

/** What a scale says, and what to do about it. */
export function scaleText({ state, netG = 0 }: ScaleView): string {
  switch (state) {
    case 'silent':
      return 'The scale does not answer. See to its cable, or go on without.';
    case 'overload':
      return 'Too heavy for this scale. Take it off.';
    case 'settling':
      return 'Still moving.';
    case 'empty':
      return 'Nothing on it.';
    case 'settled':
      return netG < 0 ? 'Less than nothing: start from nothing again.' : 'At rest.';
    default:
      return unreachable(state);
  }
}

/** The clock of a step: "12:05". */
export const clock = (ms: number): string => {
  const s = Math.max(0, Math.floor(ms / 1000));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
};

/** How a visit was paid. */
export const PAID_WORDS: Readonly<Record<Paid['how'], string>> = {
  cash: 'in cash',
  card: 'by card',
  transfer: 'by transfer',
  later: 'to pay later',
};

/** An act, for the list of what happened. */
export function actText(act: SessionAct, stepName: (id: string) => string): string {
  switch (act.kind) {
    case 'weighed':
      return `${grams(act.grams)} weighed, ${act.zone ? zoneName(act.zone) : stepName(act.step)}`;
    case 'dog-weighed':
      return `the dog weighs ${massText(Math.round(act.kg * 10) / 10)}`;
    case 'comb':
      return `comb ${act.result} at ${zoneName(act.zone)}`;
    case 'met':
      return `${metWord(act)} at ${zoneName(act.zone)}`;
    case 'did':
      return `${stepName(act.step)}: ${act.tool.replaceAll('-', ' ')}, ${minutesText(act.minutes)}`;
    case 'note':
      return act.text;
    case 'worker':
      return act.name;
    case 'paid':
      return `${(act.cents / 100).toFixed(2)} ${PAID_WORDS[act.how]}`;
    case 'felt':
      return `${zoneName(act.zone)} felt again`;
    case 'air':
      return `${temperatureText(act.temperatureC)}, ${act.humidityPct} %`;
    default:
      return act.kind;
  }
}
