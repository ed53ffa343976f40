import { inverse, Matrix } from 'ml-matrix';

/** A Gaussian belief over a state vector. */
export interface Belief {
  mean: number[];
  /** Row-major covariance. */
  covariance: Matrix;
}

export const cloneBelief = (belief: Belief): Belief => ({ mean: belief.mean.slice(), covariance: belief.covariance.clone() });

/**
 * Updates a belief with one scalar observation y = h·x + noise.
 * @returns log density of the observation under the belief before
 */
export function observe(belief: Belief, h: readonly number[], y: number, variance: number): number {
  const n = h.length;
  const { mean, covariance } = belief;
  const gain = new Float64Array(n);
  let predicted = 0;
  let total = variance;
  for (let i = 0; i < n; i++) {
    predicted += h[i]! * mean[i]!;
    let sum = 0;
    for (let j = 0; j < n; j++) if (h[j] !== 0) sum += covariance.get(i, j) * h[j]!;
    gain[i] = sum;
    total += h[i]! * sum;
  }
  const residual = y - predicted;
  for (let i = 0; i < n; i++) mean[i]! += (gain[i]! / total) * residual;
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) covariance.set(i, j, covariance.get(i, j) - (gain[i]! * gain[j]!) / total);
  return -0.5 * (Math.log(2 * Math.PI * total) + (residual * residual) / total);
}

/** F·P, for an F that is nearly all noughts. */
function sparseTimes(f: Matrix, p: Matrix): Matrix {
  const n = f.rows;
  const product = Matrix.zeros(n, n);
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const a = f.get(i, k);
      if (a !== 0) for (let j = 0; j < n; j++) product.set(i, j, product.get(i, j) + a * p.get(k, j));
    }
  return product;
}

/** Moves a belief on by x' = F·x + noise of covariance Q. */
export function advance(belief: Belief, transition: Matrix, noise: Matrix): Belief {
  const mean = transition.mmul(Matrix.columnVector(belief.mean)).to1DArray();
  // F·P·Fᵀ = F·(F·P)ᵀ, because P is symmetric.
  const moved = sparseTimes(transition, sparseTimes(transition, belief.covariance).transpose());
  return { mean, covariance: moved.add(noise) };
}

export interface FilterStep {
  readonly predicted: Belief;
  readonly filtered: Belief;
  /** Transition that led to this step. */
  readonly transition: Matrix;
}

/** Rauch–Tung–Striebel smoother (1965): beliefs at each step given all observations. */
export function smooth(steps: readonly FilterStep[]): Belief[] {
  const last = steps[steps.length - 1];
  if (!last) return [];
  const smoothed: Belief[] = [last.filtered];
  for (let k = steps.length - 2; k >= 0; k--) {
    const { filtered } = steps[k]!;
    const next = steps[k + 1]!;
    const jitter = Matrix.identity(filtered.mean.length).mul(1e-9);
    const c = sparseTimes(next.transition, filtered.covariance)
      .transpose()
      .mmul(inverse(next.predicted.covariance.clone().add(jitter)));
    const ahead = smoothed[0]!;
    const shift = c.mmul(Matrix.columnVector(ahead.mean.map((m, i) => m - next.predicted.mean[i]!))).to1DArray();
    const spread = ahead.covariance.clone().sub(next.predicted.covariance);
    smoothed.unshift({
      mean: filtered.mean.map((m, i) => m + shift[i]!),
      covariance: filtered.covariance.clone().add(c.mmul(spread).mmul(c.transpose())),
    });
  }
  return smoothed;
}
