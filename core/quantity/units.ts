/**
 * How stored SI figures become the salon's own units and back.
 * Factors are exact or to the digits of NIST Special Publication 811 (2008), appendix B.
 */

/** NIST SP 811 B.8: pound (avoirdupois) = 4.535 923 7 E-01 kg, exact. */
export const KG_PER_LB = 0.45359237;
/** NIST SP 811 B.8: ounce (avoirdupois) = 2.834 952 E-02 kg; exact as a sixteenth of the pound. */
export const G_PER_OZ = (KG_PER_LB * 1000) / 16;
/** NIST SP 811 B.8: inch = 2.54 E-02 m, exact. */
export const MM_PER_INCH = 25.4;
/** NIST SP 811 B.8: fluid ounce (US) = 2.957 353 E-05 m3; exact as 231 in3 / 128. */
export const ML_PER_US_FL_OZ = (231 * 2.54 ** 3) / 128;
/** NIST SP 811 B.8: gallon (US) = 3.785 412 E-03 m3; exact as 231 in3. */
export const L_PER_US_GALLON = (231 * 2.54 ** 3) / 1000;

export const kgToLb = (kg: number): number => kg / KG_PER_LB;
export const lbToKg = (lb: number): number => lb * KG_PER_LB;
export const mmToInch = (mm: number): number => mm / MM_PER_INCH;
export const inchToMm = (inch: number): number => inch * MM_PER_INCH;
export const mlToUsFlOz = (ml: number): number => ml / ML_PER_US_FL_OZ;
export const usFlOzToMl = (flOz: number): number => flOz * ML_PER_US_FL_OZ;
/** NIST SP 811 B.8: t/degC = (t/degF - 32) / 1.8. */
export const fahrenheitToCelsius = (f: number): number => (f - 32) / 1.8;
export const celsiusToFahrenheit = (c: number): number => c * 1.8 + 32;
