/** How a network is laid out for elimination: the order is searched for once for each structure. */
import { compile } from './elimination';
import type { Plan } from './elimination';
import { DIRECT_PARENTS, LEVELS, STATES } from './network';
import type { Family, NetworkNode, Role } from './network';

interface Layout {
  plan: Plan;
  tables: Float64Array[];
  families: Family[];
}

/** Cells of a table over the given numbers of states, first variable slowest. */
function tableOver(states: readonly number[], cell: (at: readonly number[]) => number): Float64Array {
  const size = states.reduce((n, s) => n * s, 1);
  const table = new Float64Array(size);
  const at = states.map(() => 0);
  for (let c = 0; c < size; c++) {
    table[c] = cell(at);
    for (let i = states.length - 1; i >= 0; i--) {
      at[i]!++;
      if (at[i]! < states[i]!) break;
      at[i] = 0;
    }
  }
  return table;
}

/** An elimination order is dear to find and hangs on the structure alone, which is the same for all athletes of a discipline. */
const plans = new Map<string, Plan>();

const PLANS_KEPT = 120;

function planFor(cardinalities: readonly number[], scopes: readonly (readonly number[])[]): Plan {
  const key = `${cardinalities.join()}|${scopes.map((s) => s.join()).join(';')}`;
  let plan = plans.get(key);
  if (!plan) {
    plan = compile(cardinalities, scopes);
    if (plans.size >= PLANS_KEPT) plans.delete(plans.keys().next().value!);
    plans.set(key, plan);
  }
  return plan;
}

/** Structures that were judged so far, as their numbers. */
export const judgedStructures = (): { cardinalities: number[]; scopes: number[][] }[] =>
  [...plans.keys()].map((key) => {
    const [cardinalities = '', scopes = ''] = key.split('|');
    const numbers = (text: string) => (text === '' ? [] : text.split(',').map(Number));
    return { cardinalities: numbers(cardinalities), scopes: scopes.split(';').map(numbers) };
  });

export function layOut(nodes: readonly NetworkNode[], roles: readonly Role[]): Layout {
  const cardinalities = roles.map((role) => STATES[role]);
  const scopes: (readonly number[])[] = nodes.map((_, i) => (cardinalities[i]! > 1 ? [i] : []));
  const tables: Float64Array[] = nodes.map((_, i) => new Float64Array(cardinalities[i]!).fill(1));
  const families: Family[] = [];
  const add = (variables: readonly number[], table: Float64Array) => {
    // What has but one state is no variable.
    scopes.push(variables.filter((v) => cardinalities[v]! > 1));
    tables.push(table);
    return tables.length - 1;
  };
  nodes.forEach((node, y) => {
    const { leak, parents } = node;
    const three = roles[y] === 'eases';
    const given = roles[y] === 'removed';
    const parentStates = parents.map((p) => cardinalities[p.node]!);
    const levelOf = (k: number, state: number) => LEVELS[roles[parents[k]!.node]!][state]!;
    if (parents.length <= DIRECT_PARENTS) {
      // quiet(k) = P(nothing at level ≥ k reaches the node)
      const quiet = (atLeast: number, at: readonly number[]) =>
        parents.reduce((q, p, k) => (levelOf(k, at[k + 1]!) >= atLeast ? q * (1 - p.weight) : q), 1 - leak);
      const table = tableOver([cardinalities[y]!, ...parentStates], (at) => {
        const none = quiet(1, at);
        if (given) return 1 - none;
        if (!three) return at[0] === 0 ? none : 1 - none;
        const noneInAnyCase = quiet(2, at);
        return at[0] === 0 ? none : at[0] === 1 ? noneInAnyCase - none : 1 - noneInAnyCase;
      });
      families.push({ table: add([y, ...parents.map((p) => p.node)], table), parents: parents.length, direct: true });
      return;
    }
    // Multiplicative factorisation (F. J. Díez and S. F. Galán, 2003): Σ over z of c(y, z) · Π g(z, parent).
    const z = cardinalities.length;
    cardinalities.push(three ? 3 : 2);
    const q = 1 - leak;
    const own = given ? [-q, 1] : three ? [q, 0, 0, -q, q, 0, 0, -q, 1] : [q, 0, -q, 1];
    families.push({ table: add([y, z], Float64Array.from(own)), parents: parents.length, direct: false });
    parents.forEach((p, k) => {
      const table = tableOver([cardinalities[z]!, parentStates[k]!], ([zState, state]) => {
        const needed = three ? [1, 2, 3][zState!]! : zState === 0 ? 1 : 3;
        return levelOf(k, state!) >= needed ? 1 - p.weight : 1;
      });
      add([z, p.node], table);
    });
  });
  return { plan: planFor(cardinalities, scopes), tables, families };
}
