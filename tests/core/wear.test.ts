/** Wear and what is due; the note for owner and vet; the coat class that hands find. */
import { expect } from 'chai';
import { classHint, referralOf, SKIN_FINDINGS, STOPPING_SKIN, URGENCIES } from '../../core/check/index.ts';
import { wearOf, type Use } from '../../core/kit/index.ts';
import { addDays, day, type Day } from '../../core/quantity/index.ts';
import { checkOf, dogOf } from './examples.ts';

const TODAY = day(20_000);
const ago = (days: number): Day => addDays(TODAY, -days);
/** An hour a week for a year, a dog each. */
const weekly: readonly Use[] = Array.from({ length: 52 }, (_, i) => ({
  day: ago(7 * i + 1),
  minutes: 60,
  dogId: `d${i % 5}`,
}));

describe('wear of a piece', () => {
  it('adds up minutes, workings and dogs since it came into use', () => {
    expect(wearOf('rake', undefined, weekly, [], TODAY)).to.include({ minutes: 52 * 60, dogs: 5, uses: 52 });
    expect(wearOf('rake', ago(70), weekly, [], TODAY).uses).to.equal(10);
  });
  it('is due for the edge after twelve hours at the pace of the last weeks, and from anew once sharpened', () => {
    const due = (sharpened?: number) =>
      wearOf(
        'blade-comb',
        undefined,
        weekly,
        sharpened === undefined ? [] : [{ act: 'sharpened', day: ago(sharpened) }],
        TODAY,
      ).due.find((d) => d.act === 'sharpened');
    expect(due()).to.deep.include({ used: 52 * 60, bears: 720, day: TODAY });
    // Four hours since: eight more at an hour a week are eight weeks.
    expect(due(28)?.used).to.equal(4 * 60);
    expect((due(28)?.day ?? TODAY) - TODAY).to.be.within(54, 58);
  });
  it('has no date when nothing is worked, and none for what has no edge', () => {
    expect(wearOf('rake', undefined, [], [], TODAY).due.map((d) => [d.act, d.day])).to.deep.equal([
      ['replaced', undefined],
    ]);
    expect(wearOf('rake', undefined, weekly, [], TODAY).due.map((d) => d.act)).to.not.include('sharpened');
  });
  it('counts dogs since it was disinfected, and nothing for towels', () => {
    const dogs = (act: number) =>
      wearOf('comb', undefined, weekly, [{ act: 'disinfected', day: ago(act) }], TODAY).due.find(
        (d) => d.act === 'disinfected',
      );
    expect(dogs(20)?.used).to.equal(3);
    expect(dogs(0)).to.equal(undefined);
    expect(wearOf('towel', undefined, weekly, [], TODAY).due).to.deep.equal([]);
  });
});

describe('the note for owner and vet', () => {
  const clear = { finger: 1, tug: 1, comb: 'glides', skin: 'clear' } as const;
  it('has words for every finding that stops, the urgent first, with its zones', () => {
    for (const skin of SKIN_FINDINGS) {
      const { items } = referralOf(checkOf(20, 50, clear, { back: { ...clear, skin }, tail: { ...clear, skin } }), []);
      expect(items.length, skin).to.equal(skin === 'clear' ? 0 : 1);
      if (!STOPPING_SKIN.has(skin)) continue;
      expect(items[0]?.zones).to.have.members(['back', 'tail']);
      expect(items[0]?.owner.length).to.be.greaterThan(30);
    }
    const both = checkOf(20, 50, clear, { back: { ...clear, skin: 'dander' }, tail: { ...clear, skin: 'wound' } });
    const order = referralOf(both, []).items.map((i) => URGENCIES.indexOf(i.urgency));
    expect(order).to.deep.equal([...order].sort());
    expect(order).to.have.length(2);
  });
  it('says when the whole dog is not groomed', () => {
    const check = { ...checkOf(20, 50, clear), inspection: { breathing: 'trouble', eyes: 'trouble' } as const };
    const note = referralOf(check, []);
    expect(note.whole).to.equal(true);
    expect(note.items.map((i) => i.about)).to.deep.equal(['breathing', 'eyes']);
  });
});

describe('the coat class that hands find', () => {
  const felt = { finger: 1, tug: 1, comb: 'glides' } as const;
  it('is the one kept while hair and undercoat fit it', () => {
    expect(classHint(dogOf('medium-double', 20), checkOf(20, 50, felt))).to.equal(undefined);
    expect(classHint(dogOf('long-double', 25, { breed: 'Rough collie' }), checkOf(25, 95, felt))).to.equal(undefined);
  });
  it('follows the ruler and the breed together', () => {
    const hint = classHint(dogOf('long-double', 31, { breed: 'Labrador' }), checkOf(31, 24, felt));
    expect(hint?.coatClass).to.equal('smooth-double');
    expect(hint?.reasons.map((r) => r.code)).to.deep.equal(['length', 'breed']);
  });
  it('hears deep undercoat on a class that has none', () => {
    const hint = classHint(dogOf('smooth-single', 30), checkOf(30, 20, { finger: 3, tug: 2, comb: 'drags' }));
    expect(hint?.coatClass).to.equal('smooth-double');
    expect(hint?.reasons.map((r) => r.code)).to.include('undercoat');
  });
  it('says nothing by the length of a clipped coat', () => {
    expect(classHint(dogOf('long-double', 30, { traits: ['previously-clipped'] }), checkOf(30, 12, felt))).to.equal(
      undefined,
    );
  });
});
