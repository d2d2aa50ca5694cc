/** A dog's parameters as independent deviates of their Gaussian prior, and back. */
import { cholesky, lowerTimes, solveLower } from '../quantity/index.ts';
import { GLOBALS, type DogModel } from './dog-model.ts';

/** Prior of the starts of a dog's sheds: days against their usual start, and their covariance. */
export interface StartPrior {
  readonly mean: Float64Array;
  readonly cov: Float64Array;
}

/** The whitening of a dog's parameters: θ = mean + scale · z, the starts by a factor of their covariance. */
export class Whitened {
  readonly size: number;
  private readonly g = GLOBALS.length;
  private readonly n: number;
  private readonly factor: Float64Array;
  private readonly z: Float64Array;
  private readonly starts: Float64Array;
  constructor(
    private readonly model: DogModel,
    private readonly prior: StartPrior,
  ) {
    this.size = model.size;
    this.n = model.sheds.length;
    this.factor = cholesky(prior.cov, this.n);
    this.z = new Float64Array(this.n);
    this.starts = new Float64Array(this.n);
  }
  theta(z: Float64Array, out: Float64Array, from = 0): void {
    const { g, n, size, model, prior } = this;
    for (let i = 0; i < size; i++) out[i] = (model.mean[i] ?? 0) + (model.sd[i] ?? 0) * (z[from + i] ?? 0);
    for (let i = 0; i < n; i++) this.z[i] = z[from + g + i] ?? 0;
    lowerTimes(this.factor, this.z, n, this.starts);
    for (let i = 0; i < n; i++) out[g + i] = (prior.mean[i] ?? 0) + (this.starts[i] ?? 0);
  }
  /** Slopes by parameter to slopes by whitened parameter, m of each. */
  slopes(byTheta: Float64Array, m: number, out: Float64Array): void {
    const { g, n, size, model, factor } = this;
    for (let i = 0; i < size; i++) {
      const sd = model.sd[i] ?? 0;
      for (let k = 0; k < m; k++) out[i * m + k] = sd * (byTheta[i * m + k] ?? 0);
    }
    for (let j = 0; j < n; j++) {
      const row = (g + j) * m;
      out.fill(0, row, row + m);
      for (let i = j; i < n; i++) {
        const by = factor[i * n + j] ?? 0;
        for (let k = 0; k < m; k++) out[row + k] = (out[row + k] ?? 0) + by * (byTheta[(g + i) * m + k] ?? 0);
      }
    }
  }
  /** The whitened parameters of a set. */
  back(theta: Float64Array): Float64Array {
    const { g, n, size, model, prior } = this;
    const z = new Float64Array(size);
    for (let i = 0; i < size; i++)
      z[i] = i >= g && i < g + n ? 0 : ((theta[i] ?? 0) - (model.mean[i] ?? 0)) / (model.sd[i] ?? 1);
    const starts = Float64Array.from({ length: n }, (_, i) => (theta[g + i] ?? 0) - (prior.mean[i] ?? 0));
    z.set(solveLower(this.factor, starts, n, starts), g);
    return z;
  }
}

/** Half the squared length: minus the logarithm of a standard normal density, but for its constant. */
export const half = (z: Float64Array): number => {
  let s = 0;
  for (const v of z) s += v * v;
  return 0.5 * s;
};
