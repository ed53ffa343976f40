import fc from 'fast-check';
import { easingByEnumeration, posteriorByEnumeration } from '../testing/enumeration';
import { randomFrom } from '../shared/random';
import { compile, evaluate } from './elimination';
import { buildNetwork, easingIfAbsent, infer } from './network';
import type { Likelihood, NetworkNode } from './network';

/** Enumeration grows with every arrow; more than three causes go through the auxiliary variable. */
const MOST_PARENTS = 4;

/** A random noisy-OR network: causes come before consequences. */
function randomNetwork(seed: number, size: number): { nodes: NetworkNode[]; likelihoods: Map<number, Likelihood> } {
  const random = randomFrom(seed);
  const nodes = Array.from({ length: size }, (_, i): NetworkNode => {
    const parents = Array.from({ length: i }, (_, p) => p)
      .filter(() => random.chance(Math.min(0.7, 2.2 / Math.max(1, i))))
      .slice(0, MOST_PARENTS)
      .map((node) => ({ node, weight: 0.1 + 0.7 * random.uniform() }));
    return { id: `n${i}`, leak: 0.02 + 0.2 * random.uniform(), parents };
  });
  const likelihoods = new Map<number, Likelihood>();
  nodes.forEach((_, i) => {
    if (random.chance(0.5)) likelihoods.set(i, [0.05 + random.uniform(), 0.05 + random.uniform()]);
  });
  return { nodes, likelihoods };
}

describe('elimination', () => {
  it('sums products exactly and differentiates them', () => {
    const plan = compile([2, 2], [[0], [0, 1], [1]]);
    const tables = [Float64Array.of(0.3, 0.7), Float64Array.of(1, 2, 3, 4), Float64Array.of(5, 6)];
    const { value, gradients } = evaluate(plan, tables);
    const direct = 0.3 * (1 * 5 + 2 * 6) + 0.7 * (3 * 5 + 4 * 6);
    expect(value).toBeCloseTo(direct, 12);
    expect(gradients[0]![1]).toBeCloseTo(3 * 5 + 4 * 6, 12);
    expect(gradients[1]![2]).toBeCloseTo(0.7 * 5, 12);
  });

  it('multiplies the parts of an unconnected network', () => {
    const plan = compile([2, 3], [[0], [1]]);
    expect(evaluate(plan, [Float64Array.of(1, 2), Float64Array.of(1, 2, 3)]).value).toBeCloseTo(18, 12);
  });

  it('refuses another number of tables', () => {
    expect(() => evaluate(compile([2], [[0]]), [])).toThrow(RangeError);
  });
});

describe('inference against enumeration', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('agrees on presence and fired leaks, network %i', (seed) => {
    const { nodes, likelihoods } = randomNetwork(seed, 6 + (seed % 2));
    const network = buildNetwork(nodes);
    const exact = posteriorByEnumeration(nodes, likelihoods);
    const found = infer(network, likelihoods);
    nodes.forEach((_, i) => {
      expect(found.present[i]).toBeCloseTo(exact.present[i]!, 9);
      expect(found.leakFired[i]).toBeCloseTo(exact.leakFired[i]!, 9);
    });
  });

  it('agrees when a leak is known to have fired, or a node is known', () => {
    const { nodes, likelihoods } = randomNetwork(21, 7);
    const network = buildNetwork(nodes);
    for (const given of [{ node: 6, leakFired: true } as const, { node: 4, state: 1 } as const, { node: 4, state: 0 } as const]) {
      const exact = posteriorByEnumeration(nodes, likelihoods, given);
      const found = infer(network, likelihoods, given);
      nodes.forEach((_, i) => expect(found.present[i]).toBeCloseTo(exact.present[i]!, 9));
    }
  });

  it.each([11, 12, 13, 14])('agrees on what would ease, network %i', (seed) => {
    const { nodes, likelihoods } = randomNetwork(seed, 6);
    const network = buildNetwork(nodes);
    const root = seed % 3;
    const exact = easingByEnumeration(nodes, likelihoods, root);
    const found = easingIfAbsent(network, likelihoods, root, infer(network, likelihoods).present[root]!);
    nodes.forEach((_, i) => expect(found[i]).toBeCloseTo(exact[i]!, 9));
  });

  it('never gives probabilities outside 0 to 1', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 5000 }), (seed) => {
        const { nodes, likelihoods } = randomNetwork(seed, 12);
        const { present, leakFired } = infer(buildNetwork(nodes), likelihoods);
        return [...present, ...leakFired].every((p) => p >= -1e-9 && p <= 1 + 1e-9);
      }),
      { numRuns: 25 },
    );
  });
});
