/** Small random books for tests of the year: coats that blow once, owners with their days, a house that is short of hours. */
import { hoursFrom, type CoatYear, type Hours, type YearDog } from '../../core/book/index.ts';
import { pick, randomInt, randomNormal, type Random } from '../../core/quantity/index.ts';

export interface SmallBook {
  readonly dogs: readonly YearDog[];
  readonly hours: Hours;
  readonly lastDay: number;
}

export function randomCoat(random: Random, days: number): CoatYear {
  const fullG = 80 + 300 * random();
  const keep = 0.96 + 0.03 * random();
  const onset = randomInt(random, -20, days);
  const base = fullG * (0.003 + 0.006 * random());
  const grown = [-6, 0, 6].map((late) => {
    const row = new Float64Array(days + 120);
    for (let d = 1; d < row.length; d++) {
      const x = (d - onset - late) / 12;
      row[d] = (row[d - 1] ?? 0) * keep + base + (x > 0 ? fullG * 0.12 * x * Math.exp(-x) : 0);
    }
    return row;
  });
  const least = 30 + 50 * random();
  return {
    storeG: fullG * 0.5 * random(),
    fullG,
    keep,
    fallShare: random(),
    takes: 0.6 + 0.35 * random(),
    grown: random() < 0.3 ? grown.slice(1, 2) : grown,
    minutesAt: [0, 0.1, 0.4, 0.8, 1].map((x) => least * (1 + 1.8 * x)),
  };
}

/** Up to six dogs over some weeks; agreed visits, budgets and households that come together among them. */
export function randomBook(random: Random, weeks: number, most = 6): SmallBook {
  const lastDay = weeks * 7;
  const weekdays = pick(random, [[2], [1, 4], [0, 2, 4]]);
  const open = Array.from({ length: lastDay }, (_, i) => i + 1).filter((d) => weekdays.includes((d - 1) % 7));
  const dogs = Array.from({ length: randomInt(random, 2, most) }, (_, i): YearDog => {
    const shortest = randomInt(random, 7, 21);
    return {
      id: `d${i}`,
      coats: Array.from({ length: random() < 0.2 ? 2 : 1 }, () => randomCoat(random, lastDay)),
      days: open.filter(() => random() < 0.8),
      lastVisit: -randomInt(random, 0, 30),
      shortest,
      longest: shortest + randomInt(random, 7, 35),
      fixed: random() < 0.25 ? [pick(random, open)] : [],
      ...(random() < 0.2 && { mostVisits: randomInt(random, 1, 3) }),
    };
  });
  const each = Math.abs(randomNormal(random, 90, 60));
  const daily = new Float64Array(lastDay + 1);
  for (const d of open) daily[d] = each;
  const even = random() < 0.5 ? 0.1 * random() : 0;
  return { dogs, lastDay, hours: hoursFrom(daily, { overtimeShare: 0.3, even, dear: 0.5, dearest: 3 }) };
}
