/** Brute force over every hidden cause, for tests: shares no code with the inference it checks. */
import type { Given, Likelihoods, NetworkNode } from '../diagnosis/network';

interface World {
  readonly present: readonly boolean[];
  readonly leaks: readonly boolean[];
  readonly arrows: readonly (readonly boolean[])[];
  readonly probability: number;
}

/** All settings of leaks and arrows that can matter, with their probability; nodes stand after their causes. */
function* worlds(
  nodes: readonly NetworkNode[],
  at = 0,
  world: World = { present: [], leaks: [], arrows: [], probability: 1 },
): Generator<World> {
  const node = nodes[at];
  if (!node) {
    yield world;
    return;
  }
  const live = node.parents.map((p) => world.present[p.node]!);
  const settings = 2 ** (1 + node.parents.length);
  for (let setting = 0; setting < settings; setting++) {
    const leak = (setting & 1) === 1;
    const arrows = node.parents.map((_, k) => ((setting >> (k + 1)) & 1) === 1);
    // An arrow from an absent cause is never drawn: its setting is summed out by taking one of the two.
    if (arrows.some((fired, k) => fired && !live[k])) continue;
    let probability = world.probability * (leak ? node.leak : 1 - node.leak);
    node.parents.forEach((p, k) => {
      if (live[k]) probability *= arrows[k] ? p.weight : 1 - p.weight;
    });
    if (probability === 0) continue;
    yield* worlds(nodes, at + 1, {
      present: [...world.present, leak || arrows.some(Boolean)],
      leaks: [...world.leaks, leak],
      arrows: [...world.arrows, arrows],
      probability,
    });
  }
}

const weigh = (world: World, likelihoods: Likelihoods): number =>
  [...likelihoods].reduce((w, [node, [absent, present]]) => w * (world.present[node] ? present : absent), world.probability);

const allowed = (world: World, given?: Given): boolean => {
  if (!given) return true;
  if ('leakFired' in given) return world.leaks[given.node]!;
  if ('noneOf' in given) return given.noneOf.every((node) => !world.present[node]);
  return world.present[given.node] === (given.state === 1);
};

export function posteriorByEnumeration(nodes: readonly NetworkNode[], likelihoods: Likelihoods, given?: Given) {
  let total = 0;
  const present = nodes.map(() => 0);
  const leakFired = nodes.map(() => 0);
  for (const world of worlds(nodes)) {
    if (!allowed(world, given)) continue;
    const weight = weigh(world, likelihoods);
    total += weight;
    nodes.forEach((_, i) => {
      if (world.present[i]) present[i]! += weight;
      if (world.leaks[i]) leakFired[i]! += weight;
    });
  }
  return { present: present.map((p) => p / total), leakFired: leakFired.map((p) => p / total), total };
}

/** P(a root is there and at least one of its arrows fired). */
export function actedByEnumeration(nodes: readonly NetworkNode[], likelihoods: Likelihoods, root: number): number {
  let total = 0;
  let acted = 0;
  for (const world of worlds(nodes)) {
    const weight = weigh(world, likelihoods);
    total += weight;
    const fired = nodes.some((node, c) => node.parents.some((p, k) => p.node === root && world.arrows[c]![k]));
    if (world.present[root] && fired) acted += weight;
  }
  return acted / total;
}

export function easingByEnumeration(nodes: readonly NetworkNode[], likelihoods: Likelihoods, removed: number): number[] {
  let total = 0;
  const eased = nodes.map(() => 0);
  for (const world of worlds(nodes)) {
    const weight = weigh(world, likelihoods);
    total += weight;
    const without: boolean[] = [];
    nodes.forEach((node, i) => {
      const caused = node.parents.some((p, k) => without[p.node] && world.arrows[i]![k]);
      without.push(i === removed ? false : world.leaks[i]! || caused);
      if (i !== removed && world.present[i] && !without[i]) eased[i]! += weight;
    });
  }
  return eased.map((e) => e / total);
}

/** P(arrow fired), by “cause>consequence”. */
export function firedByEnumeration(nodes: readonly NetworkNode[], likelihoods: Likelihoods): ReadonlyMap<string, number> {
  let total = 0;
  const fired = new Map<string, number>();
  for (const world of worlds(nodes)) {
    const weight = weigh(world, likelihoods);
    total += weight;
    nodes.forEach((node, i) =>
      node.parents.forEach((p, k) => {
        const key = `${p.node}>${i}`;
        fired.set(key, (fired.get(key) ?? 0) + (world.arrows[i]![k] ? weight : 0));
      }),
    );
  }
  return new Map([...fired].map(([key, weight]) => [key, weight / total]));
}

/** P(present) by summing over all 2ⁿ states of presence: for networks too wide for {@link worlds}. */
export function presenceByStates(nodes: readonly NetworkNode[], likelihoods: Likelihoods): number[] {
  const count = nodes.length;
  const present = new Float64Array(count);
  let total = 0;
  for (let state = 0; state < 2 ** count; state++) {
    let weight = 1;
    for (let i = 0; i < count && weight > 0; i++) {
      const { leak, parents } = nodes[i]!;
      let absent = 1 - leak;
      for (const p of parents) if ((state >> p.node) & 1) absent *= 1 - p.weight;
      const here = (state >> i) & 1;
      weight *= here ? 1 - absent : absent;
      const likelihood = likelihoods.get(i);
      if (likelihood) weight *= likelihood[here]!;
    }
    total += weight;
    for (let i = 0; i < count; i++) if ((state >> i) & 1) present[i]! += weight;
  }
  return [...present].map((p) => p / total);
}
