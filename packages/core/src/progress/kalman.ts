import { inverse, Matrix } from 'ml-matrix';

/** A Gaussian belief over a state vector of n numbers. */
export interface Belief {
  readonly mean: Float64Array;
  /** n × n, row after row. */
  readonly covariance: Float64Array;
}

export const cloneBelief = (belief: Belief): Belief => ({ mean: belief.mean.slice(), covariance: belief.covariance.slice() });

/** How a state moves on: each number stays, but for what it takes on from others, what is drawn anew, and noise. */
export interface Move {
  /** Added to a number: so much of another. */
  readonly carries: readonly (readonly [to: number, from: number, share: number])[];
  /** Numbers that begin at nought again, before anything is carried. */
  readonly renewed: readonly number[];
  /** Covariance of the noise, where it is not nought; both halves are told. */
  readonly noise: readonly (readonly [row: number, column: number, value: number])[];
}

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
    for (let j = 0; j < n; j++) if (h[j] !== 0) sum += covariance[i * n + j]! * h[j]!;
    gain[i] = sum;
    total += h[i]! * sum;
  }
  const residual = y - predicted;
  for (let i = 0; i < n; i++) mean[i]! += (gain[i]! / total) * residual;
  for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) covariance[i * n + j]! -= (gain[i]! * gain[j]!) / total;
  return -0.5 * (Math.log(2 * Math.PI * total) + (residual * residual) / total);
}

/** F·P in place, for the F of a move. */
function moveRows(p: Float64Array, n: number, { carries, renewed }: Move): void {
  for (const i of renewed) p.fill(0, i * n, (i + 1) * n);
  for (const [to, from, share] of carries) for (let j = 0; j < n; j++) p[to * n + j]! += share * p[from * n + j]!;
}

/** Moves a belief on by x' = F·x + noise, in place. */
export function advance({ mean, covariance: p }: Belief, move: Move): void {
  const n = mean.length;
  const { carries, renewed, noise } = move;
  for (const i of renewed) mean[i] = 0;
  for (const [to, from, share] of carries) mean[to]! += share * mean[from]!;
  moveRows(p, n, move);
  for (const j of renewed) for (let i = 0; i < n; i++) p[i * n + j] = 0;
  for (const [to, from, share] of carries) for (let i = 0; i < n; i++) p[i * n + to]! += share * p[i * n + from]!;
  for (const [i, j, value] of noise) p[i * n + j]! += value;
}

export interface FilterStep {
  readonly predicted: Belief;
  readonly filtered: Belief;
  /** The move that led to this step. */
  readonly move: Move;
}

const matrixOf = (p: Float64Array, n: number): Matrix => Matrix.from1DArray(n, n, p);

/** Rauch–Tung–Striebel smoother (1965): beliefs at each step given all observations. */
export function smooth(steps: readonly FilterStep[]): Belief[] {
  const last = steps[steps.length - 1];
  if (!last) return [];
  const n = last.filtered.mean.length;
  const jitter = Matrix.identity(n).mul(1e-9);
  const smoothed: Belief[] = [last.filtered];
  for (let k = steps.length - 2; k >= 0; k--) {
    const { filtered } = steps[k]!;
    const next = steps[k + 1]!;
    const moved = filtered.covariance.slice();
    moveRows(moved, n, next.move);
    const predicted = matrixOf(next.predicted.covariance, n);
    const c = matrixOf(moved, n)
      .transpose()
      .mmul(inverse(Matrix.add(predicted, jitter)));
    const ahead = smoothed[smoothed.length - 1]!;
    const shift = c.mmul(Matrix.columnVector(ahead.mean.map((m, i) => m - next.predicted.mean[i]!))).to1DArray();
    const spread = matrixOf(ahead.covariance, n).sub(predicted);
    const wider = c.mmul(spread).mmul(c.transpose()).to1DArray();
    smoothed.push({
      mean: filtered.mean.map((m, i) => m + shift[i]!),
      covariance: filtered.covariance.map((p, i) => p + wider[i]!),
    });
  }
  return smoothed.reverse();
}
