import { inverse, Matrix } from 'ml-matrix';
import { randomFrom } from '../shared/random';
import { advance, cloneBelief, observe, smooth } from './kalman';
import type { Belief, FilterStep, Move } from './kalman';

/**
 * A level with a slope, seen with noise, solved in one piece as a Gaussian over all levels and slopes at once: the precision
 * matrix of prior, steps and observations. Shares nothing with the filter but the model.
 */
function inOnePiece(
  observations: readonly (number | null)[],
  prior: Matrix,
  transition: Matrix,
  noise: Matrix,
  variance: number,
) {
  const n = observations.length;
  const precision = Matrix.zeros(2 * n, 2 * n);
  const linear = Matrix.zeros(2 * n, 1);
  const addBlock = (row: number, column: number, block: Matrix) => {
    for (let i = 0; i < 2; i++)
      for (let j = 0; j < 2; j++)
        precision.set(2 * row + i, 2 * column + j, precision.get(2 * row + i, 2 * column + j) + block.get(i, j));
  };
  addBlock(0, 0, inverse(prior));
  const q = inverse(noise);
  for (let k = 1; k < n; k++) {
    addBlock(k, k, q);
    addBlock(k, k - 1, q.mmul(transition).mul(-1));
    addBlock(k - 1, k, transition.transpose().mmul(q).mul(-1));
    addBlock(k - 1, k - 1, transition.transpose().mmul(q).mmul(transition));
  }
  observations.forEach((y, k) => {
    if (y === null) return;
    precision.set(2 * k, 2 * k, precision.get(2 * k, 2 * k) + 1 / variance);
    linear.set(2 * k, 0, linear.get(2 * k, 0) + y / variance);
  });
  const covariance = inverse(precision);
  return { mean: covariance.mmul(linear).to1DArray(), covariance };
}

const transition = new Matrix([
  [1, 1],
  [0, 1],
]);
const noise = new Matrix([
  [0.02, 0.005],
  [0.005, 0.01],
]);
/** The same step in the filter's own terms. */
const move: Move = {
  carries: [[0, 1, 1]],
  renewed: [],
  noise: [0, 1].flatMap((i) => [0, 1].map((j) => [i, j, noise.get(i, j)] as const)),
};
const prior = new Matrix([
  [25, 0],
  [0, 1],
]);
const variance = 0.4;

function filtered(observations: readonly (number | null)[]): { steps: FilterStep[]; last: Belief; logDensity: number } {
  const belief: Belief = { mean: new Float64Array(2), covariance: Float64Array.from(prior.to1DArray()) };
  let logDensity = 0;
  const steps: FilterStep[] = [];
  observations.forEach((y, k) => {
    if (k > 0) advance(belief, move);
    const predicted = cloneBelief(belief);
    if (y !== null) logDensity += observe(belief, [1, 0], y, variance);
    steps.push({ predicted, filtered: cloneBelief(belief), move });
  });
  return { steps, last: belief, logDensity };
}

const random = randomFrom(8);
const observations = Array.from({ length: 14 }, (_, k) => (k % 5 === 3 ? null : 3 + 0.4 * k + random.normal(0, 0.7)));

describe('filter and smoother', () => {
  const exact = inOnePiece(observations, prior, transition, noise, variance);
  const { steps, last } = filtered(observations);

  it('agree with the solution in one piece at the end', () => {
    const at = 2 * (observations.length - 1);
    expect(last.mean[0]).toBeCloseTo(exact.mean[at]!, 8);
    expect(last.mean[1]).toBeCloseTo(exact.mean[at + 1]!, 8);
    expect(last.covariance[1]).toBeCloseTo(exact.covariance.get(at, at + 1), 8);
  });

  it('agree with it at every step, also where nothing was seen', () => {
    smooth(steps).forEach((belief, k) => {
      expect(belief.mean[0]).toBeCloseTo(exact.mean[2 * k]!, 6);
      expect(belief.mean[1]).toBeCloseTo(exact.mean[2 * k + 1]!, 6);
      expect(belief.covariance[0]).toBeCloseTo(exact.covariance.get(2 * k, 2 * k), 6);
    });
  });

  it('give the density of what was seen, one by one or together', () => {
    // The joint density of two observations is that of the first times that of the second given the first.
    const two = filtered([2, 2.5]).logDensity;
    const s = [
      [25 + variance, 25],
      [25, 25 + 1 + 0.02 + variance],
    ] as const;
    const det = s[0][0] * s[1][1] - s[0][1] ** 2;
    const quadratic = (s[1][1] * 4 - 2 * s[0][1] * 2 * 2.5 + s[0][0] * 6.25) / det;
    expect(two).toBeCloseTo(-0.5 * (2 * Math.log(2 * Math.PI) + Math.log(det) + quadratic), 9);
  });

  it('have nothing to smooth without a step', () => {
    expect(smooth([])).toEqual([]);
  });
});
