/** Core's reasons in sentences: what to do, then why. No blame, no exclamation marks. */
import { METHODS, type Instead, type Comparison, type MethodRuling, type PlanNote } from '../../core/bench/index.ts';
import {
  COMB_SCALE,
  FINGER_SCALE,
  INSPECTION,
  SKIN_SCALE,
  TIE_SCALE,
  TUG_SCALE,
  type ConditionKind,
  type ConditionReason,
  type Contradiction,
  type DogStop,
  type Grade,
  type SkinFinding,
  type ZoneStop,
} from '../../core/check/index.ts';
import { TRAIT_WORDS, ZONE_IDS, zoneName } from '../../core/dog/index.ts';
import { rule } from '../../core/kit/index.ts';
import { unreachable } from '../../core/quantity/index.ts';
import type { Due, DueReason, NeedReason, TideName } from '../../core/tide/index.ts';
import { fromToday, shortDay } from './dates.ts';
import { capital, daysText, grams, listText, minutesText, percent } from './figures.ts';
import { lengthText, lengthsText, massText } from './units.ts';
import { PHASE_WORDS } from './steps.ts';
import { whereText } from './places.ts';

export const CONDITION_WORDS: Readonly<Record<ConditionKind, string>> = {
  clear: 'clear',
  dense: 'dense, live',
  loose: 'loose',
  packed: 'packed',
  knotted: 'knotted',
  matted: 'matted',
  pelted: 'pelted',
  stop: 'stop',
};

const gradeWord = <V>(scale: readonly Grade<V>[], value: V): string =>
  scale.find((g) => g.value === value)?.word ?? String(value);

export const skinWord = (finding: SkinFinding): string => gradeWord(SKIN_SCALE, finding);
export const methodName = (id: string): string => METHODS.find((m) => m.id === id)?.name ?? id;

export function conditionReason(r: ConditionReason): string {
  switch (r.code) {
    case 'skin':
      return `skin: ${skinWord(r.finding)}`;
    case 'tie':
      return `tie test: ${gradeWord(TIE_SCALE, r.grade)}`;
    case 'finger':
      return `finger: ${gradeWord(FINGER_SCALE, r.grade)}`;
    case 'comb':
      return `comb ${gradeWord(COMB_SCALE, r.grade)}`;
    case 'tug':
      return `tug: ${gradeWord(TUG_SCALE, r.grade)}`;
    case 'borrowed':
      return r.from === 'mirror'
        ? 'not felt, read from the other side'
        : r.from === 'rest'
          ? 'not felt, read from the rest'
          : 'not felt';
    default:
      return unreachable(r);
  }
}

export function questionText(q: Contradiction): string {
  const at = 'zone' in q ? capital(zoneName(q.zone)) : '';
  switch (q.code) {
    case 'plate-glides':
      return `${at}: a plate, but the comb glides? Feel again, then comb from the tips.`;
    case 'plate-gives-nothing':
      return `${at}: a plate that gives nothing to a pull. Is it tied? Packed hair comes, tied hair does not.`;
    case 'skin-but-stops':
      return `${at}: skin at a touch, but the comb stops? Look for a knot or a burr.`;
    case 'tie-but-glides':
      return `${at}: tied, but the comb glides? One of the two was felt elsewhere.`;
    case 'pelt-but-skin':
      return `${at}: felted to the skin, yet fingers reach it? It may be a mat that stands off.`;
    case 'skin-but-handful':
      return `${at}: skin at a touch, yet a handful comes? Thinning hair is for a vet.`;
    case 'no-undercoat-but-plate':
      return `${at}: a plate on a coat without undercoat? Look for a tie, or change the coat class.`;
    case 'sides-differ':
      return `${at} and its other side are ${q.grades} grades apart. Feel both once more.`;
    case 'weight-jump':
      return `${massText(q.kg)} now, ${massText(q.lastKg)} last time. Weigh again; a fast change is for a vet.`;
    case 'length-not-of-class':
      return `Hair of ${lengthText(q.mm)} is not of this coat class (${lengthsText(q.low, q.high)}). Was it clipped, or is the class another?`;
    default:
      return unreachable(q);
  }
}

export const TIDE_WORDS: Readonly<Record<TideName, string>> = {
  spring: 'spring blow',
  summer: 'summer shed',
  autumn: 'autumn blow',
  winter: 'winter shed',
};

export function needText(r: NeedReason, today: number): string {
  switch (r.code) {
    case 'never-checked':
      return 'New here. Start with a coat check.';
    case 'learning':
      return 'Its log is being read.';
    case 'never-worked':
      return `Checked ${fromToday(r.checked, today)}, not worked yet.`;
    case 'vet-first':
      return 'A vet should look first. Ask the owner how it went.';
    case 'overdue':
      return `Due ${fromToday(today - r.days, today)} and not booked. Ring the owner.`;
    case 'blow-unbooked':
      return `The ${TIDE_WORDS[r.tide]} fills this coat by ${shortDay(r.due)}; nothing is booked.`;
    case 'due-soon':
      return `Due ${fromToday(r.due, today)}, not booked.`;
    case 'booked-late':
      return `Booked ${shortDay(r.booked)}; the coat ${r.due < today ? 'was' : 'is'} due ${shortDay(r.due)}. Offer an earlier day.`;
    case 'booked':
      return r.booked === today ? 'On the table today.' : `Comes ${fromToday(r.booked, today)}.`;
    case 'rests':
      return `Rests until ${shortDay(r.due)}.`;
    default:
      return unreachable(r);
  }
}

/** How surely the due day is known. */
export const dueBand = ({ earliest, latest }: Pick<Due, 'earliest' | 'latest'>): string =>
  earliest === latest
    ? 'The rhythm of the coat decides, whatever the season does.'
    : `Between ${shortDay(earliest)} and ${shortDay(latest)} (80 %), as far as its log tells.`;

/** What a forecast counts on at home. */
export const homeText = (boutsPerWeek: number | undefined): string =>
  boutsPerWeek === undefined
    ? 'It counts on the brushing that its page says.'
    : `It counts on about ${boutsPerWeek < 1.5 ? 'one brushing' : `${Math.round(boutsPerWeek)} brushings`} a week at home, as noted so far.`;

export function dueReason(r: DueReason): string {
  switch (r.code) {
    case 'load':
      return r.tide === 'baseline'
        ? `By then the coat is ${percent(r.share)} full: what one easy visit takes out.`
        : `The ${TIDE_WORDS[r.tide]} fills the coat: by then it is ${percent(r.share)} full.`;
    case 'longest':
      return `The coat fills slowly now, but this coat class should not wait longer than ${daysText(r.days)}.`;
    case 'rest':
      return `It would fill sooner; less than ${daysText(r.days)} gives the skin too little rest.`;
    case 'packed':
      return `The check of ${shortDay(r.found)} found packed or tied hair that nobody has worked yet.`;
    case 'season':
      return `The season brings it ${daysText(Math.abs(r.days))} ${r.days > 0 ? 'forward' : 'later'} than an even year would.`;
    case 'home':
      return r.days > 0
        ? `Brushing at home gains ${daysText(r.days)}.`
        : `What is brushed at home takes ${daysText(-r.days)} off.`;
    case 'left-last-time':
      return `About ${percent(r.share)} of the loose coat was still in it last time.`;
    default:
      return unreachable(r);
  }
}

const visitsText = (n: number): string => (n === 1 ? 'one visit' : `${n} visits`);

export function comparison(c: Comparison, other: string): string {
  switch (c.measure) {
    case 'hair-left':
      return `leaves ${percent(c.value)} of the loose coat (${other}: ${percent(c.than)})`;
    case 'minutes':
      return `takes ${minutesText(c.value)} (${other}: ${minutesText(c.than)})`;
    case 'skin':
      return `loads the skin to ${percent(c.value)} of what it bears (${other}: ${percent(c.than)})`;
    case 'dryer':
      return `${minutesText(c.value)} of force dryer (${other}: ${minutesText(c.than)})`;
    case 'dust':
      return `${grams(c.value)} of hair flies dry (${other}: ${grams(c.than)})`;
    case 'visits':
      return `takes ${visitsText(c.value)} (${other}: ${visitsText(c.than)})`;
    default:
      return unreachable(c.measure);
  }
}

/** What speaks against a method, from the comparison in which the recommended one is better. */
export function against(c: Comparison): string {
  switch (c.measure) {
    case 'hair-left':
      return `leaves ${percent(c.than - c.value)} more of the loose coat`;
    case 'minutes':
      return `${minutesText(c.than - c.value)} longer`;
    case 'skin':
      return `more load on the skin (${percent(c.than)} against ${percent(c.value)})`;
    case 'dryer':
      return `${minutesText(c.than - c.value)} more force dryer`;
    case 'dust':
      return `${grams(c.than - c.value)} more hair in the air`;
    case 'visits':
      return `takes ${visitsText(c.than)}, not ${c.value}`;
    default:
      return unreachable(c.measure);
  }
}

export function ruling(why: MethodRuling): string {
  switch (why.code) {
    case 'not-for-class':
      return 'Not for this coat.';
    case 'for-traits':
      return `A routine for ${listText(
        why.traits.map((t) => TRAIT_WORDS[t]),
        'or',
      )}; this dog has better ways.`;
    case 'nothing-tied':
      return 'For tied coats; nothing is tied here.';
    case 'for-outdoor-dogs':
      return 'Its case is the dog that lives outdoors; this one does not.';
    case 'needs-force-dryer':
      return 'Needs a force dryer; the kit has none.';
    case 'needs-dryer':
      return 'A bathed dog goes home dry to the skin; the kit has no dryer for it.';
    case 'no-dryer-may': {
      const refused = why.refused.map((r) => `${r.name}: ${rule(r.rule).statement.replace(/\.$/, '')}`);
      return `No dryer here may dry ${whereText(why.zones, ZONE_IDS)}${refused.length > 0 ? ` (${listText(refused)})` : ''}. Towels and a warm room would take about ${Math.max(1, Math.round(why.roomHours))} h: or no bath today.`;
    }
    case 'for-clean-coats':
      return 'For a coat through which the comb falls already; this one holds more.';
    case 'nothing-to-work-with':
      return 'No piece of this kit may work any zone of this dog this way.';
    case 'not-needed':
      return 'For rooms in which nothing else can be done.';
    case 'needs-minutes':
      return `Takes ${minutesText(why.minutes)} with the least of hand work; there are ${minutesText(why.most)}.`;
    case 'needs-tool':
      return `The kit has nothing for “${PHASE_WORDS[why.phase]}”.`;
    case 'ties-unsettled':
      return `Decide first about the ties at ${listText(why.zones.map((z) => zoneName(z)))}: clip with the owner’s word, or a vet.`;
    default:
      return unreachable(why);
  }
}

export function planNote(n: PlanNote): string {
  switch (n.code) {
    case 'clean':
      return 'The comb falls through everywhere: it needs a bath at most, or nothing today.';
    case 'over-visits':
      return `Over ${n.visits} visits: this dog bears ${minutesText(n.bears)} on its feet at a time. Today’s is on the stairs; the others stand below.`;
    case 'clip-ordered': {
      const { who, day: on, why, zones } = n.order;
      return `To be clipped ${why === 'surgery' ? 'for a surgery' : 'by a vet’s order'}: ${whereText(zones, ZONE_IDS)}. Ordered by ${who}, ${shortDay(on)}.`;
    }
    case 'flaking':
      return 'Flakes, dull coat: undercoat out and a mild wash usually clear it. If it stays, a vet; oils in the food (omega-3) only with the vet.';
    case 'clipped-before':
      return 'Clipped before: expect stuck undercoat and more minutes, for several sheds to come.';
    case 'cut-short':
      return n.for === 'time'
        ? `Cut to the time there is: the coat asks for ${minutesText(n.full)}. What waits is said below.`
        : `Cut by ${minutesText(n.full - n.minutes)} to what this dog bears; hardly any hair is given up for it.`;
    case 'zones-assumed':
      return `${n.zones} zones were not felt and are read from the others. Feel them when you get there.`;
    case 'blade-capped':
      return `Blade work ends at ${n.minutes} min in a session: house rule.`;
    case 'bathed-lately':
      return `Bathed ${n.days} ${n.days === 1 ? 'day' : 'days'} ago; this house leaves ${n.gap} days between baths. A way without a bath is rather taken.`;
    default:
      return unreachable(n);
  }
}

/** What may be done where there is no groom today. */
export const INSTEAD_WORDS: Readonly<
  Record<Instead['code'], { readonly title: string; readonly acts: readonly string[] }>
> = {
  isolate: {
    title: 'No groom today: parasites.',
    acts: [
      'Keep the dog apart from the others, on its own towel.',
      'Draw the close-tooth comb through over a white cloth, and show the owner what falls.',
      'The product against them is the vet’s choice, by its label; no tub that other dogs share.',
      'Disinfect every tool, table and loop that touched it, and wash cloths hot.',
    ],
  },
  'vet-first': {
    title: 'Nothing to groom today: a vet looks first.',
    acts: ['Nothing is charged for grooming.', 'Book again when the vet has seen it.'],
  },
  'nothing-needed': {
    title: 'Nothing to do today.',
    acts: ['The comb falls through everywhere. A bath if the owner wants one, or see you next time.'],
  },
  'no-tools': {
    title: 'Nothing on this wall may work this coat.',
    acts: ['Feel it over by hand, wipe it with a damp towel, and book it for when the right piece is there.'],
  },
};

export function dogStop(s: DogStop): string {
  switch (s.code) {
    case 'inspection': {
      const row = INSPECTION.find((i) => i.item === s.item);
      return `${row?.name ?? s.item}: trouble was seen.`;
    }
    case 'parasites':
      return `Parasites were found${s.zones > 1 ? ` in ${s.zones} zones` : ''}: they are the whole dog’s matter.`;
    case 'wide-pelt-frail':
      return `Felted over ${percent(s.surfaceShare)} of a frail dog.`;
    default:
      return unreachable(s);
  }
}

export const zoneStop = (s: ZoneStop): string => `${capital(zoneName(s.zone))}: ${skinWord(s.finding)}.`;
