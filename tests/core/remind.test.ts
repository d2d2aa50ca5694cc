/** What an owner is told, and what the card for the fridge says. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  brushPlaces,
  firstParts,
  HOME_PARTS,
  homeDonts,
  homeNeeds,
  homeTools,
  isQuiet,
  postFor,
  REMINDERS,
  rhythmsOf,
  usualSetup,
  type ReminderDog,
  type SentReminder,
} from '../../core/home/index.ts';
import { COAT_CLASSES } from '../../core/dog/index.ts';
import { day, type Day } from '../../core/quantity/index.ts';

const TODAY = day(22_000);
const NOON = 12 * 60;
const QUIET = { fromMinute: 20 * 60, toMinute: 9 * 60 };
const dogOf = (more: Partial<ReminderDog> = {}): ReminderDog => ({
  id: 'rex',
  visit: undefined,
  visitDue: undefined,
  blow: false,
  start: undefined,
  lastBrushed: undefined,
  due: [],
  ...more,
});
const post = (dogs: readonly ReminderDog[], more: object = {}) =>
  postFor({ asked: true, quiet: QUIET, dogs, today: TODAY, minute: NOON, told: [], ...more });
const kinds = (p: ReturnType<typeof post>) => p.reminders.map((r) => r.kind);

describe('reminders', () => {
  it('lead with the visit tomorrow, and take the rest along', () => {
    const dog = dogOf({
      visit: { id: 'b1', day: day(TODAY + 1) },
      start: { key: '2030 spring', likely: TODAY + 5 },
      due: [
        { kind: 'nails', due: TODAY, last: undefined },
        { kind: 'teeth', due: TODAY, last: undefined },
      ],
    });
    expect(kinds(post([dog])), 'nails are done at the visit').to.deep.equal(['visit-tomorrow', 'blow']);
    expect(kinds(post([{ ...dog, visit: undefined }]))).to.deep.equal(['blow', 'care']);
    expect(post([dog]).silence).to.equal(undefined);
  });
  it('speak of a pause after three days in a blow and a week outside it, three times, then let it be', () => {
    const after = (missed: number, blow: boolean) =>
      post([dogOf({ blow, lastBrushed: day(TODAY - 1 - missed) })]).reminders.map((r) => r.about.split(', ')[1]);
    expect([2, 3, 5, 6, 12, 24, 90].map((m) => after(m, true)[0])).to.deep.equal([
      undefined,
      '1',
      '1',
      '2',
      '3',
      '3',
      '3',
    ]);
    expect(after(6, false)).to.deep.equal([]);
    expect(after(7, false)).to.deep.equal(['1']);
  });
  it('ask for a date ten days before one is due, and again after two weeks', () => {
    const dog = dogOf({ visitDue: day(TODAY + 10) });
    expect(kinds(post([dog]))).to.deep.equal(['visit-due']);
    expect(kinds(post([dogOf({ visitDue: day(TODAY + 11) })]))).to.deep.equal([]);
    const told = (ago: number): SentReminder[] => [
      { kind: 'visit-due', dogId: 'rex', about: 'visit', day: day(TODAY - ago) },
    ];
    expect(kinds(post([dog], { told: told(13) }))).to.deep.equal([]);
    expect(kinds(post([dog], { told: told(14) }))).to.deep.equal(['visit-due']);
  });
  it('tell a visit that was moved anew, and the same visit once', () => {
    const told: SentReminder[] = [
      { kind: 'visit-tomorrow', dogId: 'rex', about: `b1 ${TODAY - 6}`, day: day(TODAY - 7) },
    ];
    const moved = dogOf({ visit: { id: 'b1', day: day(TODAY + 1) } });
    expect(kinds(post([moved], { told }))).to.deep.equal(['visit-tomorrow']);
    const again: SentReminder[] = [{ kind: 'visit-tomorrow', dogId: 'rex', about: `b1 ${TODAY + 1}`, day: TODAY }];
    expect(post([moved], { told: again }).silence).to.equal('nothing');
  });
  it('say nothing to who has not asked', () => {
    expect(post([dogOf({ visitDue: TODAY })], { asked: false }).silence).to.equal('off');
  });

  it('never leave in quiet hours, never twice a day, never twice for one occasion, whatever happens over a year', () => {
    const minute = fc.integer({ min: 0, max: 1439 });
    const life = fc.record({
      visitEvery: fc.integer({ min: 20, max: 70 }),
      brushEvery: fc.integer({ min: 1, max: 40 }),
      blowFrom: fc.integer({ min: 0, max: 300 }),
      quiet: fc.record({ fromMinute: minute, toMinute: minute }),
      minutes: fc.array(minute, { minLength: 2, maxLength: 5 }),
    });
    fc.assert(
      fc.property(life, ({ visitEvery, brushEvery, blowFrom, quiet, minutes }) => {
        const told: SentReminder[] = [];
        const seen = new Set<string>();
        for (let d = 0; d < 365; d++) {
          const today: Day = day(TODAY + d);
          const toVisit = visitEvery - (d % visitEvery);
          const dogs = ['a', 'b'].map((id) =>
            dogOf({
              id,
              visit:
                toVisit < 10 ? { id: `v${Math.floor(d / visitEvery)}${id}`, day: day(today + toVisit) } : undefined,
              visitDue: day(today + toVisit),
              blow: d > blowFrom && d < blowFrom + 40,
              start: { key: 'blow', likely: TODAY + blowFrom },
              lastBrushed: day(today - (d % brushEvery)),
              due: [{ kind: 'nails', due: day(TODAY + 35 * Math.floor(d / 35)), last: undefined }],
            }),
          );
          let sent = 0;
          for (const at of minutes) {
            const p = postFor({ asked: true, quiet, dogs, today, minute: at, told });
            if (p.silence !== undefined) continue;
            sent += 1;
            if (isQuiet(at, quiet)) throw new Error(`sent at ${at} in quiet hours`);
            const order = p.reminders.map((r) => REMINDERS.indexOf(r.kind));
            expect(order).to.deep.equal([...order].sort((x, y) => x - y));
            for (const r of p.reminders) {
              if (r.kind === 'visit-tomorrow' || r.kind === 'blow' || r.kind === 'missed') {
                const name = `${r.kind} ${r.dogId} ${r.about}`;
                if (seen.has(name)) throw new Error(`told twice: ${name}`);
                seen.add(name);
              }
              told.push({ ...r, day: today });
            }
          }
          expect(sent).to.be.at.most(1);
        }
        // Somebody who can be reached by day hears of every visit.
        if (quiet.fromMinute === quiet.toMinute) expect(told.some((t) => t.kind === 'visit-tomorrow')).to.equal(true);
      }),
      { seed: 3, numRuns: 60 },
    );
  });
  it('knows quiet hours over midnight, within a day, and none', () => {
    expect([0, 539, 540, 1199, 1200, 1439].map((m) => isQuiet(m, QUIET))).to.deep.equal([
      true,
      true,
      false,
      false,
      true,
      true,
    ]);
    expect([719, 720, 779, 780].map((m) => isQuiet(m, { fromMinute: 720, toMinute: 780 }))).to.deep.equal([
      false,
      true,
      true,
      false,
    ]);
    expect(isQuiet(600, { fromMinute: 600, toMinute: 600 })).to.equal(false);
  });
});

describe('the card for the fridge', () => {
  const needsOf = (coatClass: (typeof COAT_CLASSES)[number], blow = false) =>
    homeNeeds({
      dog: { coatClass, traits: [] },
      blow,
      dragged: new Set(['tail']),
      packed: new Set(),
      pinned: new Set(),
      seeds: false,
      closed: new Set(['belly']),
    });
  it('has a brush and a rhythm for every part that is brushed, and no blade for the home', () => {
    for (const coatClass of COAT_CLASSES) {
      const needs = needsOf(coatClass);
      const listed = rhythmsOf(needs).flatMap((r) => r.parts);
      expect([...listed].sort(), coatClass).to.deep.equal(HOME_PARTS.filter((p) => p !== 'belly').toSorted());
      const dog = { coatClass, traits: [] };
      const places = brushPlaces(homeTools(dog, usualSetup(dog)).use, needs);
      expect(places.length, coatClass).to.be.at.least(1);
      expect(places.map((p) => p.tool)).to.not.include('blade-comb');
      for (const p of places) expect(p.parts).to.not.include('belly');
    }
  });
  it('names what dragged first, and not what merely has its turn', () => {
    for (const coatClass of COAT_CLASSES) {
      const first = firstParts(needsOf(coatClass));
      expect(first[0]).to.include({ part: 'tail', why: 'dragged' });
      expect(first.length).to.be.within(1, 4);
    }
  });
  it('is daily where it packs in a blow', () => {
    expect(rhythmsOf(needsOf('medium-double', true))[0]).to.deep.include({ everyDays: 1 });
    expect(rhythmsOf(needsOf('medium-double'))[0]?.everyDays).to.be.greaterThan(1);
  });
  it('warns of the clipper where a coat packs', () => {
    expect(homeDonts('medium-double')).to.include('clip');
    expect(homeDonts('smooth-single')).to.not.include('clip');
  });
});
