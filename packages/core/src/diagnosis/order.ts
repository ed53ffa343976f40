/**
 * Elimination orders for tables over small discrete variables: greedy by fill, by weighted fill and by size, each with a fixed
 * number of seeded restarts; the cheapest wins. Same input, same order. Orders of the catalogue's own structures are shipped: finding
 * them takes longer than the first judgement on a phone may.
 */
import { SHIPPED_ORDERS } from './shipped-orders';

/** Restarts: more of them pay off only where the first order is expensive. */
const TRIES = 8;
const TRIES_WHEN_DEAR = 48;
const DEAR = 60_000;
type Rule = 'fill' | 'weighted-fill' | 'size';
const RULES: readonly Rule[] = ['fill', 'weighted-fill', 'size'];

export interface EliminationOrder {
  readonly order: readonly number[];
  /** Cells of all buckets together. */
  readonly cost: number;
}

const popcount = (word: number): number => {
  let v = word - ((word >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return (((v + (v >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
};

/** Variables of a row of adjacency words. */
function members(row: Uint32Array): number[] {
  const found: number[] = [];
  row.forEach((word, w) => {
    for (let bits = word; bits !== 0; bits &= bits - 1) found.push(w * 32 + (31 - Math.clz32(bits & -bits)));
  });
  return found;
}

function greedy(
  logSizes: readonly number[],
  adjacency: readonly Uint32Array[],
  rule: Rule,
  noise: () => number,
  giveUpAt: number,
): EliminationOrder {
  const count = logSizes.length;
  const rows = adjacency.map((row) => row.slice());
  const score = (v: number): number => {
    const row = rows[v]!;
    const around = members(row);
    if (rule === 'size') return around.reduce((total, n) => total + logSizes[n]!, logSizes[v]!);
    let fill = 0;
    for (const a of around) {
      const other = rows[a]!;
      let missing = -1; // the variable itself is not its own neighbour
      for (let w = 0; w < row.length; w++) missing += popcount(row[w]! & ~other[w]!);
      fill += rule === 'fill' ? missing : missing * logSizes[a]!;
    }
    return fill / 2;
  };
  const scores = logSizes.map((_, v) => score(v));
  const left = new Set(logSizes.keys());
  const order: number[] = [];
  let cost = 0;
  while (order.length < count && cost < giveUpAt) {
    let best = -1;
    let bestScore = Infinity;
    for (const v of left) {
      const s = scores[v]! + noise();
      if (s < bestScore) {
        best = v;
        bestScore = s;
      }
    }
    const row = rows[best]!;
    const around = members(row);
    cost += Math.round(2 ** around.reduce((total, n) => total + logSizes[n]!, logSizes[best]!));
    order.push(best);
    left.delete(best);
    const touched = new Set(around);
    for (const a of around) {
      const other = rows[a]!;
      for (let w = 0; w < row.length; w++) other[w]! |= row[w]!;
      other[a >>> 5]! &= ~(1 << (a & 31));
      other[best >>> 5]! &= ~(1 << (best & 31));
    }
    for (const a of around) for (const b of members(rows[a]!)) touched.add(b);
    for (const v of touched) scores[v] = score(v);
  }
  return { order, cost };
}

/** Cells of all buckets together when variables are eliminated in an order. */
function costOf(order: readonly number[], cardinalities: readonly number[], scopes: readonly (readonly number[])[]): number {
  let tables = scopes.map((scope) => new Set(scope));
  let cost = 0;
  for (const variable of order) {
    const bucket = new Set([variable, ...tables.filter((t) => t.has(variable)).flatMap((t) => [...t])]);
    cost += [...bucket].reduce((cells, v) => cells * cardinalities[v]!, 1);
    tables = tables.filter((t) => !t.has(variable));
    bucket.delete(variable);
    tables.push(bucket);
  }
  return cost;
}

/** A structure by its numbers, short (FNV-1a, 32 bits). */
export function structureKey(cardinalities: readonly number[], scopes: readonly (readonly number[])[]): string {
  let hash = 0x811c9dc5;
  for (const letter of `${cardinalities.join()}|${scopes.map((s) => s.join()).join(';')}`)
    hash = Math.imul(hash ^ letter.charCodeAt(0), 0x01000193) >>> 0;
  return hash.toString(36);
}

/** The shipped order of a structure, or the one that a search finds. */
export function eliminationOrder(cardinalities: readonly number[], scopes: readonly (readonly number[])[]): EliminationOrder {
  const order = SHIPPED_ORDERS[structureKey(cardinalities, scopes)];
  return order?.length === cardinalities.length
    ? { order, cost: costOf(order, cardinalities, scopes) }
    : searchOrder(cardinalities, scopes);
}

/**
 * @param cardinalities states of each variable
 * @param scopes variables that stand together in a table
 */
export function searchOrder(cardinalities: readonly number[], scopes: readonly (readonly number[])[]): EliminationOrder {
  const words = Math.ceil(cardinalities.length / 32);
  const adjacency = cardinalities.map(() => new Uint32Array(words));
  for (const scope of scopes) for (const a of scope) for (const b of scope) if (a !== b) adjacency[a]![b >>> 5]! |= 1 << (b & 31);
  const logSizes = cardinalities.map(Math.log2);
  let seed = 1;
  const random = () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return seed / 2 ** 32;
  };
  let best = greedy(logSizes, adjacency, 'fill', () => 0, Infinity);
  for (let attempt = 0; attempt < (best.cost > DEAR ? TRIES_WHEN_DEAR : TRIES); attempt++) {
    const rule = RULES[attempt % RULES.length]!;
    const amount = rule === 'size' ? 0.9 : 1.5;
    const tried = greedy(logSizes, adjacency, rule, () => random() * amount, best.cost);
    if (tried.cost < best.cost && tried.order.length === cardinalities.length) best = tried;
  }
  return best;
}
