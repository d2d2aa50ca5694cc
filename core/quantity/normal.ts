/**
 * Decides the normal distribution. Erfc by the Chebyshev fit of Numerical Recipes (2nd ed., 6.2, from memory; relative
 * error below 1.2e-7); quantile by Abramowitz and Stegun 26.2.23 and two Newton steps.
 */
const SQRT_2PI = Math.sqrt(2 * Math.PI);

/** Complementary error function. */
function erfc(x: number): number {
  const z = Math.abs(x);
  const t = 1 / (1 + 0.5 * z);
  const inner =
    -1.26551223 +
    t *
      (1.00002368 +
        t *
          (0.37409196 +
            t *
              (0.09678418 +
                t *
                  (-0.18628806 +
                    t * (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277))))))));
  const tail = t * Math.exp(-z * z + inner);
  return x >= 0 ? tail : 2 - tail;
}

/** Share of the standard normal distribution below x. */
export const normalShare = (x: number): number => 0.5 * erfc(-x / Math.SQRT2);

/** Density of the standard normal distribution. */
export const normalDensity = (x: number): number => Math.exp(-0.5 * x * x) / SQRT_2PI;

/** First guess of the quantile, to 4.5e-4. */
export function roughNormalQuantile(share: number): number {
  const tail = Math.min(share, 1 - share);
  const t = Math.sqrt(-2 * Math.log(tail));
  const z = t - (2.515517 + t * (0.802853 + 0.010328 * t)) / (1 + t * (1.432788 + t * (0.189269 + 0.001308 * t)));
  return share < 0.5 ? -z : z;
}

/** The value below which a share of the standard normal distribution lies. 0 < share < 1. */
export function normalQuantile(share: number): number {
  if (!(share > 0 && share < 1)) throw new RangeError(`share must lie between 0 and 1, got ${share}`);
  let x = roughNormalQuantile(share);
  for (let i = 0; i < 2; i++) x -= (normalShare(x) - share) / normalDensity(x);
  return x;
}
