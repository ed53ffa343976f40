import type { Likelihood } from '../evidence/likelihood';
import { evaluate } from './elimination';
import type { Plan } from './elimination';
import { layOut } from './network-plan';

/** A binary node of a noisy-OR network: P(absent | causes) = (1 − leak) · Π over present causes (1 − weight). */
export interface NetworkNode {
  readonly id: string;
  readonly leak: number;
  readonly parents: readonly { readonly node: number; readonly weight: number }[];
}

export type { Likelihood };

export type Likelihoods = ReadonlyMap<number, Likelihood>;

/** Parents beyond this number go through one auxiliary variable, which keeps the tables small. */
export const DIRECT_PARENTS = 3;

/** The role a node plays: ordinary; the cause that is there and taken away in thought; or something that may ease with it. */
export type Role = 'plain' | 'removed' | 'eases';

export const STATES: Record<Role, number> = { plain: 2, removed: 1, eases: 3 };

/** For each state: 0 absent, 1 present only thanks to the removed cause, 2 present in any case. */
export const LEVELS: Record<Role, readonly number[]> = { plain: [0, 2], removed: [1], eases: [0, 1, 2] };

export interface Family {
  /** Index of the node's own table, and the fixed tables that go with it. */
  readonly table: number;
  readonly parents: number;
  readonly direct: boolean;
}

export interface Network {
  readonly nodes: readonly NetworkNode[];
  readonly plan: Plan;
  readonly tables: readonly Float64Array[];
  readonly families: readonly Family[];
  /** Plans for "what if this cause were absent", made when first asked for. */
  readonly counterfactuals: Map<string, Counterfactual>;
}

interface Counterfactual {
  readonly plan: Plan;
  readonly tables: readonly Float64Array[];
  readonly easing: readonly number[];
}

/** Compiles a network once; {@link infer} may then be called for any evidence. Nodes must come before none of their causes' cycles. */
export function buildNetwork(nodes: readonly NetworkNode[]): Network {
  const layout = layOut(
    nodes,
    nodes.map(() => 'plain'),
  );
  return { nodes, ...layout, counterfactuals: new Map() };
}

/** Something taken as known besides the likelihoods. */
export type Given =
  | { readonly node: number; readonly state: 0 | 1 }
  /** All of these are absent. */
  | { readonly noneOf: readonly number[] }
  | { readonly node: number; readonly leakFired: true };

export interface Posterior {
  /** Probability of everything given, up to the likelihoods' scale. */
  readonly weight: number;
  /** P(present), per node. */
  readonly present: Float64Array;
  /** P(the node's own leak fired), per node. */
  readonly leakFired: Float64Array;
}

function withLikelihoods(tables: readonly Float64Array[], likelihoods: Likelihoods): Float64Array[] {
  const filled = tables.slice();
  for (const [node, [absent, present]] of likelihoods)
    filled[node] = Float64Array.from(
      tables[node]!.length === 3 ? [absent, present, present] : tables[node]!.length === 1 ? [present] : [absent, present],
    );
  return filled;
}

/** The node's own table when its leak is known to have fired: present, whatever the causes did. */
function leakFiredTable(network: Network, node: number): Float64Array {
  const { leak } = network.nodes[node]!;
  const family = network.families[node]!;
  if (!family.direct) return Float64Array.of(0, 0, 0, leak);
  const cells = 1 << family.parents;
  const table = new Float64Array(2 * cells);
  table.fill(leak, cells);
  return table;
}

/** Exact posterior of all nodes. */
export function infer(network: Network, likelihoods: Likelihoods, given?: Given): Posterior {
  const tables = withLikelihoods(network.tables, likelihoods);
  if (given && 'leakFired' in given) tables[network.families[given.node]!.table] = leakFiredTable(network, given.node);
  else if (given && 'noneOf' in given) for (const node of given.noneOf) tables[node] = Float64Array.of(tables[node]![0]!, 0);
  else if (given) {
    const known = tables[given.node]!.slice();
    known[1 - given.state] = 0;
    tables[given.node] = known;
  }
  const { value, gradients } = evaluate(network.plan, tables);
  const count = network.nodes.length;
  const present = new Float64Array(count);
  const leakFired = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    present[i] = (tables[i]![1]! * gradients[i]![1]!) / value;
    const family = network.families[i]!;
    const gradient = gradients[family.table]!;
    if (given && 'leakFired' in given && given.node === i) leakFired[i] = 1;
    else {
      let reached = 0;
      if (family.direct) for (let c = 1 << family.parents; c < gradient.length; c++) reached += gradient[c]!;
      else reached = gradient[3]!;
      leakFired[i] = (network.nodes[i]!.leak * reached) / value;
    }
  }
  return { weight: value, present, leakFired };
}

/** Probability that an arrow fired: that this cause, on this occasion, brought its consequence about. */
export interface FiredArrow {
  readonly cause: number;
  readonly consequence: number;
  readonly probability: number;
}

/** P(arrow fired | evidence) of every arrow. Exact. */
export function firedArrows(network: Network, likelihoods: Likelihoods): FiredArrow[] {
  const { value, gradients } = evaluate(network.plan, withLikelihoods(network.tables, likelihoods));
  return network.nodes.flatMap((node, consequence) => {
    const family = network.families[consequence]!;
    return node.parents.map(({ node: cause, weight }, k): FiredArrow => {
      // Given that the arrow fires the consequence is there whatever else happens: all mass of “cause and consequence there”.
      let reached = 0;
      if (family.direct) {
        const gradient = gradients[family.table]!;
        const bit = 1 << (family.parents - 1 - k);
        for (let cell = 1 << family.parents; cell < gradient.length; cell++) if (cell & bit) reached += gradient[cell]!;
      } else reached = gradients[family.table + 1 + k]![3]!;
      return { cause, consequence, probability: (weight * reached) / value };
    });
  });
}

function descendantsOf(nodes: readonly NetworkNode[], root: number): Set<number> {
  const found = new Set<number>([root]);
  let grew = true;
  while (grew) {
    grew = false;
    nodes.forEach((node, i) => {
      if (!found.has(i) && node.parents.some((p) => found.has(p.node))) {
        found.add(i);
        grew = true;
      }
    });
  }
  found.delete(root);
  return found;
}

/**
 * Counterfactual drop of every other node: P(present, and it would not have been had `removed` been absent with everything
 * else that happened unchanged). Exact, by a network in which `removed` is there and each of its descendants has a third state.
 * @param presentNow P(`removed` is present | evidence)
 * @param observationsFrom nodes from this index on are observations: they are evidence, and nobody asks whether they ease
 */
export function easingIfAbsent(
  network: Network,
  likelihoods: Likelihoods,
  removed: number,
  presentNow: number,
  observationsFrom = network.nodes.length,
): Float64Array {
  // Observations that were not made tell nothing, and cost much.
  const kept = [...network.nodes.keys()].filter((i) => i < observationsFrom || likelihoods.has(i));
  const key = `${removed}:${kept.slice(observationsFrom).join()}`;
  let counterfactual = network.counterfactuals.get(key);
  if (!counterfactual) {
    const nodes = kept.map((i) => network.nodes[i]!);
    const below = descendantsOf(nodes, removed);
    const roles = nodes.map((_, i): Role =>
      i === removed ? 'removed' : below.has(i) && i < observationsFrom ? 'eases' : 'plain',
    );
    const layout = layOut(nodes, roles);
    const easing = roles.flatMap((role, i) => (role === 'eases' ? [i] : []));
    counterfactual = { plan: layout.plan, tables: layout.tables, easing };
    network.counterfactuals.set(key, counterfactual);
  }
  const known = new Map(kept.flatMap((i, at) => (likelihoods.has(i) ? [[at, likelihoods.get(i)!] as const] : [])));
  const tables = withLikelihoods(counterfactual.tables, known);
  const { value, gradients } = evaluate(counterfactual.plan, tables);
  const drop = new Float64Array(network.nodes.length);
  for (const i of counterfactual.easing) drop[i] = (presentNow * tables[i]![1]! * gradients[i]![1]!) / value;
  return drop;
}
