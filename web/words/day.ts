/** How a day's sheet is said. */
import type { Breach, StageKind, WayOut } from '../../core/day/index.ts';
import { minuteText } from './dates.ts';
import { listText, minutesText, percent } from './figures.ts';

export const STAGE_WORDS: Readonly<Record<StageKind, string>> = {
  check: 'check',
  'dry-work': 'dry work',
  bath: 'bath',
  drying: 'drying',
  finish: 'finish',
  rest: 'rest',
};

/** "table 2", "the tub", "dryer 1". */
export function placeName(id: string, all: readonly { readonly id: string }[]): string {
  const [kind = '', number = ''] = id.split('-');
  return all.filter((p) => p.id.startsWith(`${kind}-`)).length > 1 ? `${kind} ${number}` : `the ${kind}`;
}

interface Names {
  readonly dog: (visit: string) => string;
  readonly person: (id: string) => string;
  readonly place: (id: string) => string;
  readonly stage: (visit: string, stage: number) => string;
}

/** What is wrong with a sheet, as a sentence. */
export function breachText(b: Breach, { dog, person, place, stage }: Names): string {
  switch (b.code) {
    case 'person-twice':
      return `${person(b.person)} has ${dog(b.visits[0])} and ${dog(b.visits[1])} at once at ${minuteText(b.at)}.`;
    case 'place-twice':
      return `${dog(b.visits[0])} and ${dog(b.visits[1])} both need ${place(b.place)} at ${minuteText(b.at)}.`;
    case 'dog-twice':
      return `${dog(b.visit)} would be in two places at ${minuteText(b.at)}.`;
    case 'out-of-order':
      return `${dog(b.visit)}’s ${stage(b.visit, b.stage)} comes before what has to go before it.`;
    case 'wet-wait':
      return `${dog(b.visit)} waits wet for ${minutesText(b.minutes)}.`;
    case 'cannot':
      return `${person(b.person)} does not do ${stage(b.visit, b.stage)}.`;
    case 'wrong-place':
      return `${dog(b.visit)}’s ${stage(b.visit, b.stage)} has nobody, or not the place it needs.`;
    case 'too-early':
      return `${dog(b.visit)} comes at ${minuteText(b.from)}, not before.`;
    case 'late':
      return `${dog(b.visit)} is ready ${minutesText(b.minutes)} after its owner was told.`;
    case 'off-hours':
      return `${person(b.person)} would work ${minutesText(b.minutes)} outside their hours.`;
    case 'pause':
      return `${person(b.person)}’s pause does not fit.`;
    case 'meeting':
      return `${dog(b.visits[0])} and ${dog(b.visits[1])} must not meet, and are here together for ${minutesText(b.minutes)}.`;
    case 'noise':
      return `${person(b.person)} gets ${percent(b.share)} of a day’s noise. Wear better protection, or share the dryer.`;
    case 'heavy':
      return `${person(b.person)} lifts ${b.dogs} heavy dogs. Lift with two, or with a lift.`;
    case 'missing':
      return `${dog(b.visit)}’s ${stage(b.visit, b.stage)} is not on the sheet.`;
  }
}

/** A way out of a day that cannot be kept: what is done, and what it comes to. */
export function wayText(w: WayOut, { dog, person }: Pick<Names, 'dog' | 'person'>): string {
  switch (w.kind) {
    case 'come':
      return `Ring ${dog(w.visit)}’s owner: come at ${minuteText(w.at)}.`;
    case 'hands':
      return `${dog(w.visit)} with ${listText([...new Set(w.stages.map((s) => person(s.person)))])}, not with whom it was to have.`;
    case 'split':
      return `${dog(w.visit)} over two days: half of the work here, the other within a week.`;
  }
}

/** What a way out leaves wrong. */
export const afterText = ({ left }: Pick<WayOut, 'left'>, names: Names): string =>
  left.length === 0
    ? 'Then the day can be kept.'
    : `Then there is left: ${[...new Set(left.map((b) => breachText(b, names)))].slice(0, 2).join(' ')}`;
