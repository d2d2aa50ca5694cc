/** What a laid day comes to: a measure each for all that somebody minds. */
import { type DayScore, type DayWorth } from './asked.ts';
import { NOBODY } from './jobs.ts';
import type { Layout } from './layout.ts';

/** An owner who is kept so many minutes minds each of them twice. Guess. */
const LATE_DOUBLES = 60;

/** What a dog that is ready so many minutes late costs its owner: one is not kept for hours so that others need not wait. */
export const keptWorth = (late: number): number => late * (1 + late / LATE_DOUBLES);

const above = (x: number, most: number): number => Math.max(0, x - most);

function total(count: number, of: (i: number) => number): number {
  let t = 0;
  for (let i = 0; i < count; i++) t += of(i);
  return t;
}

const lateOf = (day: Layout, i: number): number => above(day.last[i] ?? 0, day.jobs[i]?.leaveTo ?? Infinity);

function waitingOf(day: Layout, i: number): number {
  const job = day.jobs[i];
  return job ? above((day.last[i] ?? 0) - day.came(i), job.minutes) : 0;
}

/** Minutes for which a dog is in the house with those that it must not meet. */
function meetingOf(day: Layout, i: number): number {
  let minutes = 0;
  for (const { job: other } of day.jobs[i]?.apart ?? [])
    if (other > i)
      minutes += above(Math.min(day.last[i] ?? 0, day.last[other] ?? 0), Math.max(day.came(i), day.came(other)));
  return minutes;
}

function handoversOf(day: Layout, i: number): number {
  const job = day.jobs[i];
  let count = 0;
  let before = job?.lastPerson ?? NOBODY;
  for (const b of job?.blocks ?? [])
    for (let k = 0; k < b.parts.length; k++) {
      const who = day.by[b.gene + k] ?? NOBODY;
      if (who === NOBODY) continue;
      if (before !== NOBODY && before !== who) count++;
      before = who;
    }
  return count;
}

const lastEnd = (day: Layout): number => {
  let end = day.starts;
  for (let i = 0; i < day.visitCount; i++) end = Math.max(end, day.last[i] ?? 0);
  return end;
};

/** Each measure as it is told. `late` costs more than its minutes: keptWorth. */
const MEASURES: Readonly<Record<keyof DayWorth, (day: Layout) => number>> = {
  length: (day) => lastEnd(day) - day.starts,
  waiting: (day) => total(day.visitCount, (i) => waitingOf(day, i)),
  late: (day) => total(day.visitCount, (i) => lateOf(day, i)),
  over: (day) =>
    total(day.people.length, (p) => above(day.ends[p] ?? 0, day.people[p]?.hours.to ?? Infinity)) +
    total(day.jobs.length - day.visitCount, (i) => lateOf(day, day.visitCount + i)),
  handovers: (day) => total(day.visitCount, (i) => handoversOf(day, i)),
  noise: (day) => total(day.people.length, (p) => above(day.doses[p] ?? 0, 1)),
  heavy: (day) => total(day.people.length, (p) => above(day.heavies[p] ?? 0, day.people[p]?.mostHeavy ?? Infinity)),
  meeting: (day) => total(day.visitCount, (i) => meetingOf(day, i)),
};
const NAMES: readonly (keyof DayWorth)[] = [
  'length',
  'waiting',
  'late',
  'over',
  'handovers',
  'noise',
  'heavy',
  'meeting',
];

/** All measures in minutes by their worth. */
export function costOf(day: Layout, worth: DayWorth): number {
  let cost = worth.late * total(day.visitCount, (i) => keptWorth(lateOf(day, i)));
  for (const name of NAMES) if (name !== 'late') cost += worth[name] * MEASURES[name](day);
  return cost;
}

export const scoreOf = (day: Layout, worth: DayWorth): DayScore => ({
  length: MEASURES.length(day),
  waiting: MEASURES.waiting(day),
  late: MEASURES.late(day),
  over: MEASURES.over(day),
  handovers: MEASURES.handovers(day),
  noise: MEASURES.noise(day),
  heavy: MEASURES.heavy(day),
  meeting: MEASURES.meeting(day),
  cost: costOf(day, worth),
});
