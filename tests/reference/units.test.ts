/** Unit conversions against NIST Special Publication 811 (2008 edition), appendix B.8, to the digits printed there. */
import { expect } from 'chai';
import {
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  G_PER_OZ,
  inchToMm,
  KG_PER_LB,
  kgToLb,
  L_PER_US_GALLON,
  lbToKg,
  ML_PER_US_FL_OZ,
  mlToUsFlOz,
  MM_PER_INCH,
  mmToInch,
  usFlOzToMl,
} from '../../core/quantity/index.ts';

/** [what, ours, SP 811 figure, relative tolerance by its printed digits] */
const FACTORS: readonly (readonly [string, number, number, number])[] = [
  ['pound (avoirdupois) 4.535 924 E-01 kg', KG_PER_LB, 4.535924e-1, 1e-6],
  ['ounce (avoirdupois) 2.834 952 E+01 g', G_PER_OZ, 2.834952e1, 1e-6],
  ['inch 2.54 E+01 mm, exact', MM_PER_INCH, 25.4, 0],
  ['fluid ounce (US) 2.957 353 E+01 mL', ML_PER_US_FL_OZ, 2.957353e1, 1e-6],
  ['gallon (US) 3.785 412 E+00 L', L_PER_US_GALLON, 3.785412, 1e-6],
];

const ROUND_TRIPS: readonly (readonly [string, (x: number) => number, (x: number) => number])[] = [
  ['kg and lb', kgToLb, lbToKg],
  ['mm and inch', mmToInch, inchToMm],
  ['mL and US fl oz', mlToUsFlOz, usFlOzToMl],
  ['°C and °F', celsiusToFahrenheit, fahrenheitToCelsius],
];

describe('unit conversions against NIST SP 811', () => {
  for (const [what, ours, theirs, tolerance] of FACTORS) {
    it(what, () => expect(Math.abs(ours - theirs)).to.be.at.most(theirs * tolerance));
  }
  it('t/°C = (t/°F - 32)/1.8 at the fixed points', () => {
    expect(fahrenheitToCelsius(32)).to.equal(0);
    expect(fahrenheitToCelsius(212)).to.be.closeTo(100, 1e-12);
    expect(celsiusToFahrenheit(-40)).to.equal(-40);
  });
  for (const [what, there, back] of ROUND_TRIPS) {
    it(`${what} come back the same`, () => {
      for (const x of [0, 0.1, 1, 28.35, 999]) expect(back(there(x))).to.be.closeTo(x, 1e-9);
    });
  }
});
