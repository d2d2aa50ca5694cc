/**
 * How small symmetric systems are solved: Cholesky's factor, its inverse, and Jacobi's eigenvalues.
 * Matrices are row by row, n × n. Published methods (Golub and Van Loan, Matrix Computations, from memory).
 */

/**
 * The lower factor L of a symmetric positive definite matrix, L Lᵀ = matrix; the upper half is left as it was.
 * A pivot that is not above 0 is taken as tiny: a matrix that is not positive definite gets a factor that is no use.
 */
export function cholesky(matrix: Float64Array, n: number): Float64Array {
  const lower = Float64Array.from(matrix);
  for (let j = 0; j < n; j++) {
    for (let k = 0; k < j; k++) {
      const by = lower[j * n + k] ?? 0;
      if (by !== 0)
        for (let i = j; i < n; i++) lower[i * n + j] = (lower[i * n + j] ?? 0) - (lower[i * n + k] ?? 0) * by;
    }
    const root = Math.sqrt(Math.max(1e-300, lower[j * n + j] ?? 0));
    for (let i = j; i < n; i++) lower[i * n + j] = (lower[i * n + j] ?? 0) / root;
  }
  return lower;
}

/** The inverse of a lower factor: lower as well, zero above its diagonal. */
export function inverseLower(lower: Float64Array, n: number): Float64Array {
  const half = new Float64Array(n * n);
  for (let j = 0; j < n; j++) {
    half[j * n + j] = 1 / (lower[j * n + j] ?? 1);
    for (let i = j + 1; i < n; i++) {
      let s = 0;
      for (let k = j; k < i; k++) s += (lower[i * n + k] ?? 0) * (half[k * n + j] ?? 0);
      half[i * n + j] = -s / (lower[i * n + i] ?? 1);
    }
  }
  return half;
}

/** Lᵀ L of a lower matrix: with the inverse of a precision's factor, its covariance. */
export function transposeTimes(half: Float64Array, n: number): Float64Array {
  const result = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = i; j < n; j++) {
      let s = 0;
      for (let k = j; k < n; k++) s += (half[k * n + i] ?? 0) * (half[k * n + j] ?? 0);
      result[i * n + j] = result[j * n + i] = s;
    }
  }
  return result;
}

/** Inverse of a symmetric positive definite matrix. */
export const inverse = (matrix: Float64Array, n: number): Float64Array =>
  transposeTimes(inverseLower(cholesky(matrix, n), n), n);

/** A factor with nothing above its diagonal. */
export function lowerOnly(factor: Float64Array, n: number): Float64Array {
  const l = Float64Array.from(factor);
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) l[i * n + j] = 0;
  return l;
}

export function transpose(a: Float64Array, n: number): Float64Array {
  const t = new Float64Array(n * n);
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) t[j * n + i] = a[i * n + j] ?? 0;
  return t;
}

/** L v of a lower factor. */
export function lowerTimes(
  lower: Float64Array,
  v: Float64Array,
  n: number,
  out: Float64Array = new Float64Array(n),
): Float64Array {
  for (let i = n - 1; i >= 0; i--) {
    let s = 0;
    for (let k = 0; k <= i; k++) s += (lower[i * n + k] ?? 0) * (v[k] ?? 0);
    out[i] = s;
  }
  return out;
}

/** x of L x = v: forward substitution. `out` may be v. */
export function solveLower(
  lower: Float64Array,
  v: Float64Array,
  n: number,
  out: Float64Array = new Float64Array(n),
): Float64Array {
  for (let i = 0; i < n; i++) {
    let s = v[i] ?? 0;
    for (let k = 0; k < i; k++) s -= (lower[i * n + k] ?? 0) * (out[k] ?? 0);
    out[i] = s / (lower[i * n + i] ?? 1);
  }
  return out;
}

/** x of Lᵀ x = v: back substitution. `out` may be v. */
export function solveUpper(
  lower: Float64Array,
  v: Float64Array,
  n: number,
  out: Float64Array = new Float64Array(n),
): Float64Array {
  for (let i = n - 1; i >= 0; i--) {
    let s = v[i] ?? 0;
    for (let k = i + 1; k < n; k++) s -= (lower[k * n + i] ?? 0) * (out[k] ?? 0);
    out[i] = s / (lower[i * n + i] ?? 1);
  }
  return out;
}

/** M v of any square matrix. */
export function times(matrix: Float64Array, v: Float64Array, n: number): Float64Array {
  const out = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let s = 0;
    for (let k = 0; k < n; k++) s += (matrix[i * n + k] ?? 0) * (v[k] ?? 0);
    out[i] = s;
  }
  return out;
}

/** A B of two square matrices. */
export function product(a: Float64Array, b: Float64Array, n: number): Float64Array {
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < n; k++) {
      const by = a[i * n + k] ?? 0;
      if (by !== 0) for (let j = 0; j < n; j++) out[i * n + j] = (out[i * n + j] ?? 0) + by * (b[k * n + j] ?? 0);
    }
  }
  return out;
}

const MOST_SWEEPS = 30;

/** Eigenvalues and eigenvectors (columns) of a symmetric matrix by cyclic Jacobi rotations. */
export function eigen(
  matrix: Float64Array,
  n: number,
): { readonly values: Float64Array; readonly vectors: Float64Array } {
  const a = Float64Array.from(matrix);
  const v = new Float64Array(n * n);
  for (let i = 0; i < n; i++) v[i * n + i] = 1;
  const at = (m: Float64Array, i: number, j: number): number => m[i * n + j] ?? 0;
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    let off = 0;
    let on = 0;
    for (let i = 0; i < n; i++) {
      on += at(a, i, i) ** 2;
      for (let j = i + 1; j < n; j++) off += at(a, i, j) ** 2;
    }
    if (off <= 1e-26 * on) break;
    for (let p = 0; p < n; p++) {
      for (let q = p + 1; q < n; q++) {
        const apq = at(a, p, q);
        if (apq === 0) continue;
        const theta = (at(a, q, q) - at(a, p, p)) / (2 * apq);
        const t = (theta >= 0 ? 1 : -1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
        const c = 1 / Math.sqrt(t * t + 1);
        const s = t * c;
        for (let k = 0; k < n; k++) {
          const [kp, kq] = [at(a, k, p), at(a, k, q)];
          a[k * n + p] = c * kp - s * kq;
          a[k * n + q] = s * kp + c * kq;
        }
        for (let k = 0; k < n; k++) {
          const [pk, qk] = [at(a, p, k), at(a, q, k)];
          a[p * n + k] = c * pk - s * qk;
          a[q * n + k] = s * pk + c * qk;
        }
        for (let k = 0; k < n; k++) {
          const [kp, kq] = [at(v, k, p), at(v, k, q)];
          v[k * n + p] = c * kp - s * kq;
          v[k * n + q] = s * kp + c * kq;
        }
      }
    }
  }
  return { values: Float64Array.from({ length: n }, (_, i) => at(a, i, i)), vectors: v };
}
