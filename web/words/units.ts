/** How measures are said and typed on this device: stored and sent are always kilograms, degrees Celsius, millilitres, millimetres. */
import {
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  inchToMm,
  kgToLb,
  lbToKg,
  mlToUsFlOz,
  mmToInch,
} from '../../core/quantity/index.ts';
import { view } from '../app/view.ts';

const NBSP = '\u00a0';
const tenth = (value: number): number => Math.round(value * 10) / 10;

export const massWord = (): string => view().mass;
/** A tenth is as fine as a dog's scale is read. */
export const massShown = (kg: number): number => (view().mass === 'kg' ? kg : tenth(kgToLb(kg)));
/** Kilograms of what was typed, a hundredth fine, so that what is shown again is what was typed. */
export const massKg = (shown: number): number => (view().mass === 'kg' ? shown : Math.round(lbToKg(shown) * 100) / 100);
export const massText = (kg: number): string => `${massShown(kg)}${NBSP}${massWord()}`;

export const temperatureWord = (): string => (view().temperature === 'c' ? '°C' : '°F');
export const temperatureShown = (c: number): number =>
  view().temperature === 'c' ? c : Math.round(celsiusToFahrenheit(c));
export const temperatureC = (shown: number): number =>
  view().temperature === 'c' ? shown : tenth(fahrenheitToCelsius(shown));
export const temperatureText = (c: number): string => `${temperatureShown(c)}${NBSP}${temperatureWord()}`;

export const volumeText = (ml: number): string =>
  view().volume === 'ml' ? `${Math.round(ml)}${NBSP}mL` : `${tenth(mlToUsFlOz(ml))}${NBSP}fl${NBSP}oz`;

export const lengthWord = (): string => view().length;
/** Hundredths of an inch and tenths of a millimetre are as fine as a ruler goes. */
export const lengthShown = (mm: number): number => (view().length === 'mm' ? mm : Math.round(mmToInch(mm) * 100) / 100);
export const lengthMm = (shown: number): number => (view().length === 'mm' ? shown : tenth(inchToMm(shown)));
/** Digits that are typed after the point. */
export const lengthDigits = (): number => (view().length === 'mm' ? 1 : 2);
export const lengthText = (mm: number): string => `${lengthShown(mm)}${NBSP}${lengthWord()}`;
/** "20 to 70 mm". */
export const lengthsText = (low: number, high: number): string => `${lengthShown(low)} to ${lengthText(high)}`;
