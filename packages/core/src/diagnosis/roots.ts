import type { Model } from './model';
import { infer } from './network';
import type { Likelihood, Likelihoods, Posterior } from './network';

/** Presence and root probability of every finding. */
export interface Beliefs {
  readonly present: Float64Array;
  /** P(own leak fired), for limits and cues: and at least one of their arrows fired. */
  readonly root: Float64Array;
}

/**
 * P(present and silent) over its closed form, per finding. One for all but limits that an observation (a slow try) asks about:
 * there the closed form misses that the limit is seen without having done anything.
 *
 * A limit that is there makes the slow try fail whatever else is there, so the observation says the same of all such worlds:
 * the rest looks as it does when the limit is absent and nothing was observed. One evaluation serves all limits that the same
 * observations ask about.
 */
function silenceCorrections(model: Model, likelihoods: Likelihoods, posterior: Posterior): Float64Array {
  const corrections = new Float64Array(model.count).fill(1);
  const askedBy = new Map<number, number[]>();
  for (const node of model.observationIndex.values())
    if (likelihoods.has(node))
      for (const parent of model.network.nodes[node]!.parents)
        if (model.findings[parent.node]!.kind !== 'habit') {
          if (parent.weight !== 1) throw new Error(`an observation of a limit must be certain to show it: ${parent.node}`);
          askedBy.set(parent.node, [...(askedBy.get(parent.node) ?? []), node]);
        }
  const without = new Map<string, Posterior>();
  for (const [limit, observations] of askedBy) {
    const key = observations.join();
    let free = without.get(key);
    if (!free) {
      free = infer(model.network, new Map([...likelihoods].filter(([node]) => !observations.includes(node))));
      without.set(key, free);
    }
    const shown = observations.reduce((product, o) => product * likelihoods.get(o)![1], 1);
    const closed = 1 - posterior.present[limit]!;
    const exact = ((1 - free.present[limit]!) * free.weight * shown) / posterior.weight;
    corrections[limit] = closed > 0 ? exact / closed : 1;
  }
  return corrections;
}

/** P(present, no arrow fired | evidence): the rest of the network then looks as it does when the node is absent. */
function silentShare(model: Model, likelihoods: Likelihoods, posterior: Posterior, node: number): number {
  const { leak } = model.network.nodes[node]!;
  const [absent, present] = likelihoods.get(node) ?? [1, 1];
  if (absent === 0) return 0;
  return ((1 - posterior.present[node]!) * leak * model.silence[node]! * present) / ((1 - leak) * absent);
}

function rootsFrom(model: Model, likelihoods: Likelihoods, posterior: Posterior, corrections: Float64Array): Float64Array {
  return Float64Array.from(model.findings, (finding, i) => {
    if (finding.kind === 'habit') return posterior.leakFired[i]!;
    const silent = silentShare(model, likelihoods, posterior, i) * corrections[i]!;
    return Math.max(0, posterior.present[i]! - silent);
  });
}

/** Exact beliefs, with what else would be believed if more were known. */
export interface Inference extends Beliefs {
  /** P(present) of every node of the network, observations included. */
  readonly nodes: Float64Array;
  /** Exact beliefs when one node's state is known as well; `weight` is the probability of that state. */
  readonly knowing: (node: number, state: 0 | 1) => Beliefs & { readonly weight: number };
  /** P(none of these is there), and the beliefs then. */
  readonly noneOf: (nodes: readonly number[]) => Beliefs & { readonly weight: number };
  /** P(present | this finding is a root), for every node of the network. */
  readonly nodesGivenRoot: (finding: number) => Float64Array;
  /** P(root) had this likelihood on this node not been there: exact, without another evaluation. */
  readonly rootWithout: (finding: number, node: number, likelihood: Likelihood) => number;
}

export function beliefs(model: Model, likelihoods: Likelihoods): Inference {
  const posterior = infer(model.network, likelihoods);
  const corrections = silenceCorrections(model, likelihoods, posterior);
  const root = rootsFrom(model, likelihoods, posterior, corrections);
  const isHabit = (finding: number) => model.findings[finding]!.kind === 'habit';
  const givenRoot = new Map<number, Float64Array>();
  const computeGivenRoot = (finding: number): Float64Array => {
    if (isHabit(finding)) return infer(model.network, likelihoods, { node: finding, leakFired: true }).present;
    // Root = present less silent; when silent, everything else looks as it does when the finding is absent.
    const whenPresent = infer(model.network, likelihoods, { node: finding, state: 1 }).present;
    const p = posterior.present[finding]!;
    const silent = p - root[finding]!;
    return whenPresent.map((given, node) => {
      if (node === finding) return 1;
      const whenAbsent = p < 1 ? (posterior.present[node]! - p * given) / (1 - p) : given;
      return Math.min(1, Math.max(0, (p * given - silent * whenAbsent) / root[finding]!));
    });
  };
  const nodesGivenRoot = (finding: number): Float64Array => {
    let found = givenRoot.get(finding);
    if (!found) {
      found = computeGivenRoot(finding);
      givenRoot.set(finding, found);
    }
    return found;
  };
  return {
    present: posterior.present.subarray(0, model.count),
    root,
    nodes: posterior.present,
    knowing: (node, state) => {
      const known = infer(model.network, likelihoods, { node, state });
      const roots = rootsFrom(model, likelihoods, known, corrections);
      // What is known of a limit itself bears on whether it acted only through its presence.
      if (node < model.count && !isHabit(node)) roots[node] = state === 0 ? 0 : root[node]! / posterior.present[node]!;
      return { present: known.present.subarray(0, model.count), root: roots, weight: known.weight / posterior.weight };
    },
    noneOf: (nodes) => {
      const known = infer(model.network, likelihoods, { noneOf: nodes });
      const roots = rootsFrom(model, likelihoods, known, corrections);
      for (const node of nodes) roots[node] = 0;
      return { present: known.present.subarray(0, model.count), root: roots, weight: known.weight / posterior.weight };
    },
    nodesGivenRoot,
    rootWithout: (finding, node, [absent, present]) => {
      const p = posterior.present[node]!;
      const both = root[finding]! * nodesGivenRoot(finding)[node]!;
      const numerator = both / present + (root[finding]! - both) / absent;
      return Math.min(1, Math.max(0, numerator / (p / present + (1 - p) / absent)));
    },
  };
}

const priors = new WeakMap<Model['network'], Beliefs>();

/** Presence and root probabilities before anything was seen or said. */
export function priorBeliefs(model: Model): Beliefs {
  let found = priors.get(model.priorNetwork);
  if (!found) {
    const { present, root } = beliefs({ ...model, network: model.priorNetwork }, new Map());
    found = { present, root };
    priors.set(model.priorNetwork, found);
  }
  return found;
}

/** Root probabilities before anything was seen. */
export const priorRoots = (model: Model): Float64Array => priorBeliefs(model).root;
