/** What the bench says of a plan: faults and what mends them, holds, supports, splits, what would change the choice. */
import {
  bathesIn,
  type Care,
  type Change,
  type Edit,
  type Fault,
  type Hold,
  type LeftZone,
  type PlanStep,
  type Rival,
  type StepCare,
  type Support,
  type TieDecision,
} from '../../core/bench/index.ts';
import { ZONE_IDS, zoneName } from '../../core/dog/index.ts';
import { rule } from '../../core/kit/index.ts';
import { unreachable, type Interval80 } from '../../core/quantity/index.ts';
import { capital, minutesText, money, percent } from './figures.ts';
import { methodName } from './reasons.ts';
import { PHASE_WORDS } from './steps.ts';
import { whereText, zonesShort } from './places.ts';

export function faultText(f: Fault): string {
  const where = f.zones.length > 0 ? ` (${zonesShort(f.zones)})` : '';
  switch (f.code) {
    case 'forbidden':
      return `${(f.rule === undefined ? 'Not allowed here' : rule(f.rule).statement).replace(/\.$/, '')}${where}.`;
    case 'stopped-zone':
      return `Works where nothing is worked today${where}.`;
    case 'does-nothing':
      return `Does nothing on a ${f.wetness ?? 'dry'} coat${where}.`;
    case 'skin':
      return `More than the skin bears${where}.`;
    case 'topcoat':
      return `More than the guard hair bears${where}.`;
    case 'blade-minutes':
      return 'More blade minutes than this house allows in a session.';
    case 'tie-wetted':
      return `Wets a tie that nobody has settled: it draws tight${where}.`;
    case 'half-tie':
      return `Leaves a tie half worked${where}.`;
    case 'soap-left':
      return 'Soap is still in the coat: wash again and rinse first.';
    case 'home-wet':
      return `Goes home damp at the skin${where}.`;
    case 'no-proof':
      return `Ends without a comb through what is left${where}.`;
    default:
      return unreachable(f.code);
  }
}

/** What one tap does about a fault. */
export function mendText(mend: Edit, nameOf: (toolId: string) => string): string {
  switch (mend.kind) {
    case 'move':
      return 'Move it where it may be';
    case 'minutes':
      return `Give it ${minutesText(Math.max(1, Math.round(mend.minutes)))}`;
    case 'swap':
      return `Take the ${nameOf(mend.toolId)}`;
    case 'drop':
      return 'Drop the step';
    case 'add':
      return mend.steps[0] ? `Add “${PHASE_WORDS[mend.steps[0].phase]}”` : 'Add a step';
    case 'leave-out':
      return `Leave ${zonesShort(mend.zones)} out`;
    case 'set-zones':
      return 'Shorten it there to what is borne';
    case 'pin':
      return 'Let it be changed';
    default:
      return unreachable(mend);
  }
}

const HOLD_WORDS: Readonly<Record<Hold, string>> = {
  'skin-taut': 'free hand holds the skin taut',
  head: 'free hand holds the head away from the air',
  tail: 'free hand carries the tail',
  'turns-dog': 'second person turns the dog over',
  'second-dryer': 'second person works another dryer',
  'tie-base': 'free hand holds the hair above the tie',
  steadies: 'one hand always on the dog',
  towels: 'one hand always on the dog',
};

const POSITION_WORDS: Readonly<Record<StepCare['position'], string>> = {
  tub: 'in the tub',
  stands: 'standing',
  lies: 'lying',
};

/** How the dog is held in one step. */
export function careText(c: StepCare): string {
  const side = c.firstSide ? ` on its ${c.firstSide === 'left' ? 'right' : 'left'} side first` : '';
  return capital(`${POSITION_WORDS[c.position]}${side}; ${HOLD_WORDS[c.hold]}.`);
}

const SUPPORT_WORDS: Readonly<Record<Support, string>> = {
  mat: 'Non-slip mat.',
  'belly-strap': 'Belly strap.',
  hood: 'A hood over the ears while air blows, unless the dog fears it.',
  'ear-protection': 'Ear protection for everybody by the dryer.',
  mask: 'A mask, and best outdoors.',
  'loop-watched': 'Never leave the dog alone in the loop.',
  'muzzle-by-owner': 'The owner puts the muzzle on.',
  'cool-air': 'Cool air only, and never leave the dog in front of it.',
};

export const supportsText = ({ supports }: Care): string => supports.map((s) => SUPPORT_WORDS[s]).join(' ');

export function breaksText({ breaks, turns }: Care): string {
  const [first] = breaks;
  const rest = !first
    ? 'No break is needed.'
    : breaks.length === 1
      ? `A break of ${minutesText(first.minutes)} after ${minutesText(first.atMinute)}.`
      : `${breaks.length} breaks of ${minutesText(first.minutes)}, the first after ${minutesText(first.atMinute)}.`;
  if (turns === 0) return rest;
  return `${rest} Turned ${turns === 1 ? 'once' : `${turns} times`}: all of the steps on one side, then all of them on the other.`;
}

const WAY_WORDS: Readonly<Record<TieDecision['way'], string>> = {
  'work-out': 'work it out',
  split: 'split it',
  clip: 'clip it, with the owner’s word',
  leave: 'leave it',
};
const BECAUSE_WORDS: Readonly<Record<TieDecision['because'], string>> = {
  house: 'the way of this house',
  'only-way': 'what this tie allows',
  ordered: 'by order',
  ceiling: 'more dematting than this dog is asked to bear',
  'nothing-may': 'nothing on the wall may do it',
};
const LEFT_TO_WORDS: Readonly<Record<NonNullable<TieDecision['leftTo']>, string>> = {
  vet: 'a vet decides',
  'trained-hand': 'for a trained hand or a vet',
  breeder: 'its breeder decides',
};
export function tieText({ zone: id, tie, way, tool, minutes, because, leftTo }: TieDecision): string {
  const by =
    tool === undefined ? '' : ` with the ${tool.toLowerCase()}, ${minutesText(Math.max(1, Math.round(minutes)))}`;
  const to = leftTo === undefined ? '' : `, ${LEFT_TO_WORDS[leftTo]}`;
  return `${capital(zoneName(id))}, ${tie}: ${WAY_WORDS[way]}${by}${to} (${BECAUSE_WORDS[because]}).`;
}

/** Zones that no visit comes to, and who comes to them. */
export function leftText(left: readonly LeftZone[]): string {
  const ties = left.filter((z) => z.why === 'tie').map((z) => z.zone);
  const late = left.filter((z) => z.why === 'not-held').map((z) => z.zone);
  return [
    ties.length > 0 && `Left, with its tie, for somebody else: ${zonesShort(ties)}. Keep it dry.`,
    late.length > 0 && `Left for another time: ${zonesShort(late)}.`,
  ]
    .filter((t) => t !== false)
    .join(' ');
}

const CHANGE_WORDS: Readonly<Record<Change, string>> = {
  'strong-dryer': 'With a stronger dryer',
  bather: 'With a recirculating bather',
  helper: 'With a second person',
  'lies-down': 'With the dog lying down',
  'no-dryer': 'Without the force dryer',
};

/** What a change would come to, in a sentence. */
export function rivalText(r: Rival): string {
  const time =
    r.saves > 0 ? `saves ${minutesText(r.saves)}` : r.saves < 0 ? `costs ${minutesText(-r.saves)}` : 'takes as long';
  const hair =
    Math.abs(r.cleaner) < 0.01
      ? ''
      : r.cleaner > 0
        ? ` and takes ${percent(r.cleaner)} more out`
        : ` and leaves ${percent(-r.cleaner)} more in`;
  return `${CHANGE_WORDS[r.change]}, ${methodName(r.method).toLowerCase()} ${r.flips ? 'would be taken: it ' : ''}${time}${hair}.`;
}

export const bandText = (b: Interval80, word: (value: number) => string): string =>
  b.low === b.high ? word(b.likely) : `${word(b.low)} to ${word(b.high)}`;
export const priceBand = (b: Interval80, currency: string): string => bandText(b, (v) => money(v, currency));

/** What is done in one of several visits. */
export function visitText(steps: readonly PlanStep[]): string {
  const zones = [...new Set(steps.flatMap((s) => s.zones.map((z) => z.zone)))];
  const bathed = bathesIn(steps);
  const dematted = steps.some((s) => s.phase === 'ties');
  const does = bathed ? 'worked, bathed and dried' : dematted ? 'dematted and worked dry' : 'worked dry';
  return `${whereText(zones, ZONE_IDS)} ${does}`;
}
