/** What if, in an address: read as it was written, deaf to nonsense; and the room as it changes it. Water stacked upon water. */
import { expect } from 'chai';
import fc from 'fast-check';
import { DEFAULT_HOUSE, SHOP } from '../../core/kit/index.ts';
import { byWeek, type DogTide } from '../../core/tide/index.ts';
import { stack } from '../../web/drawing/sea-levels.ts';
import { searchWith } from '../../web/app/search-with.ts';
import { inRoom, questionIn, SWITCHES, whatIfOf } from '../../web/desk/plan/whatIf.ts';

const search = (text: string) => new URLSearchParams(text);

describe('what if, in an address', () => {
  it('is read as it was written', () => {
    fc.assert(
      fc.property(
        fc.subarray([...SWITCHES]),
        fc.option(fc.integer({ min: 1, max: 600 }), { nil: undefined }),
        fc.option(fc.string({ minLength: 1, maxLength: 20 }), { nil: undefined }),
        (on, minutes, who) => {
          const address = searchWith(search('method=wet-first&zone=rump'), {
            with: on.join(','),
            minutes: minutes?.toString(),
            who,
          });
          const read = whatIfOf(search(address.toString()));
          expect([...read.on].sort()).to.deep.equal([...on].sort());
          expect(read.minutes).to.equal(minutes);
          expect(read.who).to.equal(who);
          // What is looked at is no part of the question.
          const asked = questionIn(address);
          expect(asked).to.equal(questionIn(searchWith(address, { method: undefined, zone: 'tail' })));
          expect(whatIfOf(search(asked))).to.deep.equal(read);
          expect(searchWith(address, { with: undefined, minutes: '', who: undefined }).toString()).to.equal(
            'method=wet-first&zone=rump',
          );
        },
      ),
      { seed: 9 },
    );
  });

  it('hears nothing in what is no question', () => {
    for (const text of ['', 'with=', 'with=magic,,lying2', 'minutes=0', 'minutes=-5', 'minutes=1e9', 'minutes=ten'])
      expect(whatIfOf(search(text)), text).to.deep.equal({ on: [], minutes: undefined, who: undefined });
    expect(whatIfOf(search('with=lying,magic&minutes=45.5'))).to.deep.include({ on: ['lying'], minutes: undefined });
  });

  it('changes the room by what is asked and by nothing else', () => {
    const room = { kit: SHOP, house: DEFAULT_HOUSE };
    const kinds = (on: readonly (typeof SWITCHES)[number][]) => inRoom(room, { on }).kit.map((t) => t.kind);
    expect(inRoom(room, { on: [] })).to.deep.equal({
      ...room,
      crew: { helper: false, lying: false },
      appointmentMinutes: undefined,
    });
    expect(kinds(['no-dryer'])).to.not.include('force-dryer');
    const without = { ...room, kit: SHOP.filter((t) => t.kind !== 'bather') };
    expect(inRoom(without, { on: ['bather'] }).kit.filter((t) => t.kind === 'bather')).to.have.length(1);
    expect(kinds(['bather']).filter((k) => k === 'bather').length).to.equal(
      Math.max(1, SHOP.filter((t) => t.kind === 'bather').length),
    );
    expect(inRoom(room, { on: ['helper'], minutes: 40 })).to.deep.include({
      crew: { helper: true, lying: false },
      appointmentMinutes: 40,
    });
  });
});

describe('the sea', () => {
  const days = 60;
  const dog = fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: days, maxLength: days });
  const points = Array.from({ length: days / 3 }, (_, k) => k * 3);

  it('stands dog upon dog and layer upon layer, without a gap, to the sum of all', () => {
    fc.assert(
      fc.property(fc.array(fc.array(dog, { maxLength: 4 }), { minLength: 1, maxLength: 4 }), (groups) => {
        const band = { low: [], likely: [], high: [] };
        const tideOf = (wave: readonly number[], id: string): DogTide => ({
          id,
          bare: band,
          coat: { storeG: 0, keep: 0, fallShare: 0, takes: 0 },
          wave,
          minutes: wave,
          starts: [],
          now: { low: 0, likely: 0, high: 0 },
          blow: false,
          facts: '',
          fullG: 1,
          sampled: true,
          seen: 0,
          weighed: 0,
        });
        const layers = groups.map((dogs, i) => ({
          name: `layer ${i}`,
          dogs: dogs.map((w, k) => tideOf(w, `${i}-${k}`)),
        }));
        for (const measure of ['grams', 'hours'] as const) {
          const sea = stack(layers, measure, points);
          const levels = groups.flat().map((w) => (measure === 'grams' ? w : Array.from(byWeek(w), (m) => m / 60)));
          for (const [k, day] of points.entries()) {
            const all = levels.reduce((t, w) => t + (w[day] ?? 0), 0);
            expect(sea.layers.at(-1)?.to[k]).to.be.closeTo(all, 1e-6);
            for (const parts of [sea.layers, sea.dogs])
              for (const [i, part] of parts.entries()) {
                const below = parts[i - 1]?.to[k] ?? 0;
                if (part.from[k] !== below) expect.fail(`a gap under ${i}: ${part.from[k]} over ${below}`);
                if ((part.to[k] ?? 0) < below - 1e-9) expect.fail(`${i} hangs under its ground`);
              }
          }
        }
      }),
      { seed: 12, numRuns: 40 },
    );
  });
});
