/** Measures as this device says and takes them: stored ones stay kilograms, degrees Celsius and millilitres, whatever is shown. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  massKg,
  massShown,
  massText,
  massWord,
  temperatureC,
  temperatureShown,
  temperatureText,
  temperatureWord,
  volumeText,
} from '../../web/words/units.ts';
import { shownBy } from '../on-device.ts';

const bare = (text: string): string => text.replaceAll('\u00a0', ' ');

const METRIC = { mass: 'kg', temperature: 'c', volume: 'ml' };
const AMERICAN = { mass: 'lb', temperature: 'f', volume: 'floz' };

describe('measures in words', () => {
  it('are said in the device’s units, the unit never parted from its figure', () => {
    shownBy(METRIC, () => {
      expect([massText(22.5), temperatureText(37), volumeText(29.6)].map(bare)).to.deep.equal([
        '22.5 kg',
        '37 °C',
        '30 mL',
      ]);
      expect([massWord(), temperatureWord()]).to.deep.equal(['kg', '°C']);
    });
    shownBy(AMERICAN, () => {
      // 1 lb is 0.45359237 kg, 1 US fl oz 29.5735 mL (NIST Handbook 44).
      expect([massText(45.359237), temperatureText(37), volumeText(29.5735)].map(bare)).to.deep.equal([
        '100 lb',
        '99 °F',
        '1 fl oz',
      ]);
      expect([massWord(), temperatureWord()]).to.deep.equal(['lb', '°F']);
      for (const text of [massText(9), temperatureText(9), volumeText(9)]) expect(text).to.not.contain(' ');
    });
  });

  it('come back as they were typed, in pounds as in kilograms (property)', () => {
    for (const view of [METRIC, AMERICAN])
      shownBy(view, () => {
        fc.assert(
          fc.property(fc.integer({ min: 10, max: 2000 }), (tenths) => {
            const typed = tenths / 10;
            expect(massShown(massKg(typed))).to.equal(typed);
          }),
          { seed: 41 },
        );
        fc.assert(
          fc.property(fc.integer({ min: -40, max: 130 }), (typed) => {
            expect(temperatureShown(temperatureC(typed))).to.equal(typed);
          }),
          { seed: 42 },
        );
      });
  });

  it('change nothing that is stored when a device shows them otherwise', () => {
    shownBy(METRIC, () => {
      fc.assert(
        fc.property(fc.double({ min: 0.5, max: 120, noNaN: true }), (kg) => {
          expect(massKg(massShown(kg))).to.equal(kg);
          expect(temperatureC(temperatureShown(kg))).to.equal(kg);
        }),
        { seed: 43 },
      );
    });
    shownBy(AMERICAN, () => {
      fc.assert(
        fc.property(fc.integer({ min: 50, max: 12_000 }), (hundredths) => {
          // A tenth of a pound is 45 g: what is only looked at and saved again moves by no more than half of that.
          const kg = hundredths / 100;
          expect(Math.abs(massKg(massShown(kg)) - kg)).to.be.at.most(0.028);
        }),
        { seed: 44 },
      );
    });
  });
});
