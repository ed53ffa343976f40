/**
 * Exact sums of products over small discrete variables, with the derivative of the sum in every table entry.
 *
 * A network polynomial f = Σ Π tables is evaluated by bucket elimination; one backward pass then gives ∂f/∂entry for all
 * entries at once. Marginals, what each likelihood contributes and "did the leak fire" are all such derivatives, so nothing
 * is ever divided by a separator.
 * Source: A. Darwiche, "A differential approach to inference in Bayesian networks" (2003); bucket elimination: R. Dechter (1999).
 */
import { eliminationOrder } from './order';

type Step =
  /** out = a · b, cell by cell. */
  | {
      readonly kind: 'multiply';
      readonly a: number;
      readonly aCells: Int32Array;
      readonly b: number;
      readonly bCells: Int32Array;
      readonly out: number;
    }
  /** out = Σ over one variable of a · b; that variable is the slowest of the cells, so each of its states is one block. */
  | {
      readonly kind: 'join';
      readonly a: number;
      readonly aCells: Int32Array;
      readonly b: number;
      readonly bCells: Int32Array;
      readonly out: number;
    }
  /** out = Σ over one variable of a. */
  | { readonly kind: 'sum'; readonly a: number; readonly aCells: Int32Array; readonly out: number };

export interface Plan {
  readonly tableCount: number;
  readonly steps: readonly Step[];
  readonly result: number;
  /** Cells of all buckets together: what one evaluation costs. */
  readonly cost: number;
  /** Working memory, reused by every evaluation. */
  readonly values: Float64Array[];
  readonly gradients: readonly Float64Array[];
}

export interface Evaluation {
  /** The sum of products. */
  readonly value: number;
  /** ∂value/∂entry for each table given; valid until the plan is evaluated again. */
  readonly gradients: readonly Float64Array[];
}

/** For every cell over `outer`, the cell over `inner` (a subset) that it projects to. */
function projection(outer: readonly number[], inner: readonly number[], cardinalities: readonly number[]): Int32Array {
  const strideOf = new Map<number, number>();
  let stride = 1;
  for (let i = inner.length - 1; i >= 0; i--) {
    strideOf.set(inner[i]!, stride);
    stride *= cardinalities[inner[i]!]!;
  }
  let cells = new Int32Array(1);
  for (const v of outer) {
    const states = cardinalities[v]!;
    const step = strideOf.get(v) ?? 0;
    const wider = new Int32Array(cells.length * states);
    for (let c = 0, at = 0; c < cells.length; c++) for (let s = 0; s < states; s++) wider[at++] = cells[c]! + s * step;
    cells = wider;
  }
  return cells;
}

/**
 * Prepares the elimination of all variables for tables of the given scopes (first variable of a scope slowest).
 * @param cardinalities states of each variable
 * @param scopes variables of each table, in the order in which the tables will be passed to {@link evaluate}
 */
export function compile(cardinalities: readonly number[], scopes: readonly (readonly number[])[]): Plan {
  const slots: (readonly number[])[] = [...scopes];
  const open = new Set(slots.keys());
  const steps: Step[] = [];
  const sizeOf = (slot: number) => slots[slot]!.reduce((n, v) => n * cardinalities[v]!, 1);
  const cellsFor = (out: readonly number[], slot: number) => projection(out, slots[slot]!, cardinalities);
  const newSlot = (scope: readonly number[]) => slots.push(scope) - 1;
  /** What both have comes last, so that neighbouring cells of the result are neighbours in both operands. */
  const union = (a: number, b: number): readonly number[] => {
    const [inA, inB] = [slots[a]!, slots[b]!];
    const shared = inB.filter((v) => inA.includes(v));
    return [...inB.filter((v) => !shared.includes(v)), ...inA.filter((v) => !shared.includes(v)), ...shared];
  };
  const multiply = (a: number, b: number): number => {
    const scope = union(a, b);
    const out = newSlot(scope);
    steps.push({ kind: 'multiply', a, aCells: cellsFor(scope, a), b, bCells: cellsFor(scope, b), out });
    return out;
  };
  const { order, cost } = eliminationOrder(cardinalities, scopes);
  for (const variable of order) {
    // Smallest tables first, so that only the last product is over the whole bucket; that one is summed as it is made.
    const members = [...open].filter((slot) => slots[slot]!.includes(variable)).sort((x, y) => sizeOf(x) - sizeOf(y) || x - y);
    members.forEach((slot) => open.delete(slot));
    const last = members.pop();
    if (last === undefined) continue; // of one state only
    const small = members.length > 0 ? members.reduce(multiply) : null;
    const rest = (small === null ? slots[last]! : union(small, last)).filter((v) => v !== variable);
    const whole = [variable, ...rest];
    const out = newSlot(rest);
    const aCells = cellsFor(whole, last);
    if (small === null) steps.push({ kind: 'sum', a: last, aCells, out });
    else steps.push({ kind: 'join', a: last, aCells, b: small, bCells: cellsFor(whole, small), out });
    open.add(out);
  }
  // What is left has no variables: one number for each unconnected part.
  const result = [...open].reduce(multiply);
  const sizes = slots.map((_, slot) => sizeOf(slot));
  return {
    tableCount: scopes.length,
    steps,
    result,
    cost,
    values: sizes.map((size) => new Float64Array(size)),
    gradients: sizes.map((size) => new Float64Array(size)),
  };
}

type Values = readonly Float64Array[];

function forward(step: Step, values: Values): void {
  const out = values[step.out]!;
  const size = out.length;
  const a = values[step.a]!;
  const { aCells } = step;
  if (step.kind === 'sum') {
    for (let c = 0; c < size; c++) out[c] = a[aCells[c]!]!;
    for (let from = size; from < aCells.length; from += size) for (let c = 0; c < size; c++) out[c]! += a[aCells[from + c]!]!;
    return;
  }
  const b = values[step.b]!;
  const { bCells } = step;
  for (let c = 0; c < size; c++) out[c] = a[aCells[c]!]! * b[bCells[c]!]!;
  for (let from = size; from < aCells.length; from += size)
    for (let c = 0; c < size; c++) out[c]! += a[aCells[from + c]!]! * b[bCells[from + c]!]!;
}

/** Adds what flows into the result of a step to the gradients of its operands. */
function backward(step: Step, values: Values, gradients: Values): void {
  const flow = gradients[step.out]!;
  const size = flow.length;
  const a = gradients[step.a]!;
  const { aCells } = step;
  if (step.kind === 'sum') {
    for (let from = 0; from < aCells.length; from += size) for (let c = 0; c < size; c++) a[aCells[from + c]!]! += flow[c]!;
    return;
  }
  const b = gradients[step.b]!;
  const { bCells } = step;
  const aValues = values[step.a]!;
  const bValues = values[step.b]!;
  for (let from = 0; from < aCells.length; from += size)
    for (let c = 0; c < size; c++) {
      const x = aCells[from + c]!;
      const y = bCells[from + c]!;
      const f = flow[c]!;
      a[x]! += f * bValues[y]!;
      b[y]! += f * aValues[x]!;
    }
}

/** Evaluates Σ Π tables and its derivative in every entry. @throws RangeError when the number of tables is not the plan's */
export function evaluate(plan: Plan, tables: readonly Float64Array[]): Evaluation {
  if (tables.length !== plan.tableCount) throw new RangeError(`expected ${plan.tableCount} tables, got ${tables.length}`);
  const { values, gradients, steps } = plan;
  tables.forEach((table, i) => (values[i] = table));
  for (const step of steps) forward(step, values);
  for (const gradient of gradients) gradient.fill(0);
  gradients[plan.result]![0] = 1;
  for (let s = steps.length - 1; s >= 0; s--) backward(steps[s]!, values, gradients);
  return { value: values[plan.result]![0]!, gradients: gradients.slice(0, plan.tableCount) };
}
