/** wt tide: forecasts of a salon without a page, as known on a day. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { TIDE_FORMAT, TIDE_VERSION, type TideFile } from '../../contract/tide.ts';
import { addDays, formatDay, seededRandom } from '../../core/quantity/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { makeTown, STUDY_PLACE, WORLDS } from '../../study/worlds.ts';

const wt = (...args: string[]) => spawnSync(process.execPath, ['scripts/run.cjs', 'wt', ...args], { encoding: 'utf8' });

const [world] = WORLDS;
if (!world) throw new Error('no world');
const town = makeTown(world, seededRandom(3), 3);
const file = (until: number): TideFile => ({
  format: TIDE_FORMAT,
  version: TIDE_VERSION,
  salon: 'Made up',
  town: 'Nowhere',
  today: town.issue,
  place: STUDY_PLACE,
  openWeekdays: [1, 2, 3, 4, 5],
  minutesPerWeek: 900,
  rates: DEFAULT_HOUSE.rates,
  lengths: { step: 15, shortest: 30 },
  readings: [],
  dogs: town.dogs.map((d, i) => ({
    id: `dog-${i}`,
    name: `Dog ${i}`,
    owner: '',
    dog: d.dog,
    sightings: d.sightings.filter((s) => s.day <= until),
    minutesAt: [40, 55, 80, 110, 140],
    rhythm: { shortest: 28, longest: 63 },
    booked: [],
    holds: [],
  })),
});

describe('wt tide', () => {
  const folder = mkdtempSync(join(tmpdir(), 'woolly-tide-'));
  const kept = (name: string, value: unknown): string => {
    const path = join(folder, name);
    writeFileSync(path, JSON.stringify(value));
    return path;
  };

  it('prints quantiles of every dog, the same each time', () => {
    const path = kept('salon.json', file(town.issue));
    const { status, stdout } = wt('tide', path);
    expect(status).to.equal(0);
    const { format, asOf, dogs } = JSON.parse(stdout);
    expect([format, asOf, dogs.length]).to.deep.equal(['woolly-tide/tide', formatDay(town.issue), 3]);
    for (const d of dogs) {
      const [start] = d.starts;
      expect(start['10 %'] <= start['50 %'] && start['50 %'] <= start['90 %']).to.equal(true);
    }
    expect(wt('tide', path).stdout).to.equal(stdout);
  });

  it('with --as-of reads nothing that was logged later', () => {
    const then = addDays(town.issue, -200);
    const whole = wt('tide', kept('whole.json', file(town.issue + 100)), '--as-of', formatDay(then));
    const cut = wt('tide', kept('cut.json', file(then)), '--as-of', formatDay(then));
    expect(whole.stdout).to.equal(cut.stdout);
    expect(JSON.parse(whole.stdout).asOf).to.equal(formatDay(then));
  });

  it('says in a sentence what stands in the way', () => {
    const bad = wt('tide', kept('bad.json', { ...file(town.issue), openWeekdays: [9] }));
    expect([bad.status, bad.stderr]).to.satisfy(([s, e]: [number, string]) => s === 2 && e.includes('openWeekdays'));
    expect(wt('tide', kept('ok.json', file(town.issue)), '--as-of', '2031-02-30').stderr).to.contain('2031-02-30');
    expect(wt('tide').status).to.equal(2);
  });
});

describe('wt book', () => {
  it('prints a year of visits on open days with the bound that proves it', () => {
    const path = join(mkdtempSync(join(tmpdir(), 'woolly-tide-')), 'salon.json');
    const agreed = addDays(town.issue, 40);
    const salon = file(town.issue);
    const dogs = salon.dogs.map((d, i) =>
      i === 0 ? { ...d, booked: [{ day: agreed, minutes: 80, agreed: true }] } : d,
    );
    writeFileSync(path, JSON.stringify({ ...salon, dogs }));
    const { status, stdout } = wt('book', path);
    expect(status).to.equal(0);
    const plan = JSON.parse(stdout);
    expect(plan.format).to.equal('woolly-tide/book-plan');
    expect(plan.good).to.match(/^within \d+\.\d\d % of the best in this model$/);
    expect(plan.bound).to.be.at.most(plan.cost);
    // Weeks are the calendar's: the first and the last may be shorter.
    expect(plan.weeks).to.have.length.within(52, 53);
    for (const w of plan.weeks.slice(1)) expect(new Date(`${w.from}T00:00:00Z`).getUTCDay(), w.from).to.equal(1);
    const visits: { day: string; minutes: number; agreed: boolean }[] = plan.dogs.flatMap(
      (d: { visits: object[] }) => d.visits,
    );
    expect(visits.length).to.be.within(9, 40);
    expect(visits.filter((v) => v.agreed).map((v) => v.day)).to.deep.equal([formatDay(agreed)]);
    for (const v of visits) {
      if (!v.agreed) expect(new Date(`${v.day}T00:00:00Z`).getUTCDay(), v.day).to.be.within(1, 5);
      expect(v.minutes).to.be.within(30, 150);
    }
    const asked = plan.weeks.reduce((t: number, w: { minutes: number }) => t + w.minutes, 0);
    // Weeks hold the work at the table, and ten minutes of coming and going with every visit.
    expect(asked).to.be.closeTo(plan.minutes + 10 * visits.length, 60);
  });
});
