/**
 * How doubt about a quantity that is never negative is computed: the gamma distribution.
 *
 * Lanczos' ln Γ (g = 7, nine terms) and the usual pair for the regularised incomplete gamma function: the power
 * series below shape + 1, Lentz's continued fraction above. Quantiles by Wilson and Hilferty's guess and safeguarded
 * Newton steps. Published methods; checked against a statistics library in tests/reference.
 */
import { roughNormalQuantile } from './normal.ts';

const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** ln Γ(x) for x > 0. */
export function lnGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - lnGamma(1 - x);
  const z = x - 1;
  let sum = LANCZOS[0] ?? 0;
  for (let i = 1; i < LANCZOS.length; i++) sum += (LANCZOS[i] ?? 0) / (z + i);
  const t = z + 7.5;
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

const MOST_TERMS = 400;
const EXACT = 1e-15;

/** P(shape, x): the share of a gamma distribution of scale 1 below x. shape > 0, x ≥ 0. */
export function gammaShare(shape: number, x: number): number {
  if (!(shape > 0)) throw new RangeError(`shape must be above 0, got ${shape}`);
  if (x <= 0) return 0;
  const front = Math.exp(shape * Math.log(x) - x - lnGamma(shape));
  if (x < shape + 1) {
    let term = 1 / shape;
    let total = term;
    for (let n = 1; n < MOST_TERMS; n++) {
      term *= x / (shape + n);
      total += term;
      if (term < total * EXACT) break;
    }
    return Math.min(1, front * total);
  }
  const tiny = 1e-300;
  let b = x + 1 - shape;
  let c = 1 / tiny;
  let d = 1 / b;
  let h = d;
  for (let i = 1; i < MOST_TERMS; i++) {
    const a = -i * (i - shape);
    b += 2;
    d = 1 / (Math.abs(a * d + b) < tiny ? tiny : a * d + b);
    c = Math.abs(b + a / c) < tiny ? tiny : b + a / c;
    h *= d * c;
    if (Math.abs(d * c - 1) < EXACT) break;
  }
  return Math.max(0, 1 - front * h);
}

/** The value below which `share` of a gamma distribution lies. shape > 0, scale > 0, 0 < share < 1. */
export function gammaQuantile(share: number, shape: number, scale = 1): number {
  if (!(share > 0 && share < 1)) throw new RangeError(`share must lie between 0 and 1, got ${share}`);
  const z = roughNormalQuantile(share);
  const cube = 1 - 1 / (9 * shape) + z / (3 * Math.sqrt(shape));
  let x = cube > 0 ? shape * cube ** 3 : Math.exp((Math.log(share) + lnGamma(shape + 1)) / shape);
  if (!(x > 0)) x = 1e-8;
  let low = 0;
  let high = Infinity;
  for (let i = 0; i < 60; i++) {
    const off = gammaShare(shape, x) - share;
    if (off > 0) high = x;
    else low = x;
    const density = Math.exp((shape - 1) * Math.log(x) - x - lnGamma(shape));
    let next = x - off / density;
    if (!(next > low && next < high)) next = high === Infinity ? x * 2 : (low + high) / 2;
    if (Math.abs(next - x) <= 1e-13 * x) return next * scale;
    x = next;
  }
  return x * scale;
}
