/** What belongs to a groom besides hair: the dog's mind, shampoo by need, two minutes at home, a plastic edge, the clean-up. */
import { expect } from 'chai';
import { MIND, mindAdvice, type DogTrait } from '../../core/dog/index.ts';
import { EDGE_AT_HOME, homeTools, homeWeek, HOME_PARTS, twoMinutes, usualSetup } from '../../core/home/index.ts';
import { usedOn } from '../../core/home/plan.ts';
import { CLEANING, cleaningOf, TOOL_STROKES } from '../../core/kit/index.ts';
import { addDays, day } from '../../core/quantity/index.ts';
import { SHAMPOO_ROWS, washesFor } from '../../core/water/index.ts';
import { checkOf } from './examples.ts';

const TODAY = day(20_000);

describe('the dog’s mind', () => {
  const ids = (place: 'table' | 'home', traits: readonly DogTrait[], weightKg = 25, newHere = false) =>
    mindAdvice(place, { traits, weightKg, newHere }).map((a) => a.id);

  it('has a reason and a source in every row', () => {
    for (const a of MIND) {
      expect(a.statement, a.id).to.match(/^[A-Z].*\.$/);
      expect(a.reason.length, a.id).to.be.greaterThan(15);
      expect(a.source.kind, a.id).to.equal('common-practice');
    }
  });

  it('asks for walk, treats and an early stop of every dog, for short bouts of the young, the nervous and the new', () => {
    expect(ids('table', [])).to.deep.equal(['walk-first', 'treat-after', 'stop-early']);
    for (const traits of [['puppy-coat'], ['nervous']] as const) expect(ids('table', traits)).to.include('short-bouts');
    expect(ids('table', [], 25, true)).to.include('short-bouts');
    expect(ids('home', ['puppy-coat'])).to.include.members(['lying-game', 'touch-daily', 'no-hurry']);
    expect(ids('home', [])).to.not.include('touch-daily');
    expect([ids('table', [], 5), ids('table', [], 20)].map((l) => l.includes('lap-or-towel'))).to.deep.equal([
      true,
      false,
    ]);
  });
});

describe('shampoo by need', () => {
  const clear = { finger: 1, tug: 1, comb: 'glides', tie: 'none', skin: 'clear' } as const;
  const loose = { finger: 2, tug: 2, comb: 'drags', tie: 'none', skin: 'clear' } as const;
  const dog = { coatClass: 'medium-double' as const, traits: [] };
  it('cleanses first; the second lets hair go, soothes or conditions; a vet’s goes before both', () => {
    expect(washesFor(checkOf(25, 50, loose), dog)).to.deep.equal({
      first: 'cleansing',
      second: 'de-shedding',
      conditioner: true,
    });
    expect(washesFor(checkOf(25, 50, clear), dog).second).to.equal('conditioning');
    expect(washesFor(checkOf(25, 50, { ...loose, skin: 'pink' }), dog)).to.include({
      first: 'soothing',
      second: 'soothing',
    });
    expect(washesFor(checkOf(25, 50, loose), { ...dog, traits: ['skin-trouble'] })).to.deep.equal({
      first: 'vet',
      second: 'vet',
      conditioner: false,
    });
    expect(washesFor(checkOf(25, 50, loose), { ...dog, coatClass: 'harsh-double' }).conditioner).to.equal(false);
    for (const row of Object.values(SHAMPOO_ROWS)) expect(row.why, row.shampoo).to.match(/\.$/);
  });
});

describe('two minutes at home', () => {
  const dog = { coatClass: 'medium-double' as const, traits: [] };
  const week = homeWeek({
    dog,
    setup: usualSetup(dog),
    today: TODAY,
    blow: true,
    seedSeason: false,
    last: new Map([['back', addDays(TODAY, -1)]]),
    dragged: new Set(['breeches']),
    packed: new Set(),
    closed: new Set(),
    doneToday: false,
  });
  it('are one brush and three places at most, where it may go, the neediest first', () => {
    const { use } = homeTools(dog, usualSetup(dog));
    const short = twoMinutes(week.needs, use, []);
    expect(short?.parts).to.have.length(3);
    expect(short?.parts).to.include('breeches');
    for (const p of short?.parts ?? []) expect(usedOn(short?.brush ?? 'rake', p), p).to.equal(true);
    expect(twoMinutes(week.needs, use, ['breeches'])?.parts).to.not.include('breeches');
    expect(twoMinutes(week.needs, use, HOME_PARTS)).to.equal(undefined);
  });
});

describe('a home with several hands', () => {
  const setup = (coatClass: 'smooth-double' | 'medium-double', traits: readonly DogTrait[] = []) => {
    const dog = { coatClass, traits };
    return { dog, setup: { ...usualSetup(dog), severalHands: true } };
  };
  it('has the plastic edge where a blade may go at all, on the torso, twice a week at most', () => {
    const smooth = setup('smooth-double');
    expect(homeTools(smooth.dog, smooth.setup).use).to.include(EDGE_AT_HOME.tool);
    const long = setup('medium-double');
    expect(homeTools(long.dog, long.setup).use).to.not.include(EDGE_AT_HOME.tool);
    for (const trait of ['puppy-coat', 'show-coat', 'previously-clipped', 'skin-trouble'] as const) {
      const none = setup('smooth-double', [trait]);
      expect(homeTools(none.dog, none.setup).use, trait).to.not.include(EDGE_AT_HOME.tool);
    }
    const { days } = homeWeek({
      ...smooth,
      today: TODAY,
      blow: true,
      seedSeason: false,
      last: new Map(),
      dragged: new Set(),
      packed: new Set(),
      closed: new Set(),
      doneToday: false,
    });
    const edged = days.filter((d) => d.bouts.some((b) => b.steps.some((s) => s.tool === EDGE_AT_HOME.tool)));
    expect(edged.length).to.be.within(1, 2);
    for (const d of edged)
      for (const s of d.bouts.flatMap((b) => b.steps).filter((x) => x.tool === EDGE_AT_HOME.tool))
        for (const p of s.parts) expect(['back', 'hips'], p).to.include(p);
  });
});

describe('between strokes and after the last dog', () => {
  it('a slicker is emptied from behind, and a day has its clean-up with minutes', () => {
    for (const kind of ['soft-slicker', 'firm-slicker', 'long-slicker'] as const)
      expect(TOOL_STROKES[kind].watch, kind).to.match(/comb from behind, no thumb/);
    expect(cleaningOf([])).to.deep.equal({ minutes: 0, heavy: 0 });
    const [quiet, heavy] = [
      cleaningOf(['smooth-double']),
      cleaningOf(['smooth-double', 'heavy-double', 'long-double']),
    ];
    const each = heavy.minutes - quiet.minutes;
    // Common practice: 5 to 10 minutes after each heavy dog.
    expect(each / 2).to.be.within(5, 10);
    expect(heavy.heavy).to.equal(2);
    for (const row of CLEANING) expect(row.what, row.after).to.match(/^[A-Z]/);
  });
});
