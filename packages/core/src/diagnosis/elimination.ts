/**
 * Exact sums of products over small discrete variables, with the derivative of the sum in every table entry.
 *
 * A network polynomial f = Σ Π tables is evaluated by bucket elimination; one backward pass then gives ∂f/∂entry for all
 * entries at once. Marginals, what each likelihood contributes and "did the leak fire" are all such derivatives, so nothing
 * is ever divided by a separator.
 * Source: A. Darwiche, "A differential approach to inference in Bayesian networks" (2003); bucket elimination: R. Dechter (1999).
 */
import { eliminationOrder } from './order';

/** For every cell of a result, the cell of an operand; null where they coincide. */
type Cells = Int32Array | null;

type Step =
  | {
      readonly kind: 'multiply';
      readonly a: number;
      readonly aCells: Cells;
      readonly b: number;
      readonly bCells: Cells;
      readonly out: number;
    }
  | { readonly kind: 'sum'; readonly a: number; readonly into: Int32Array; readonly out: number };

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

const sameScope = (a: readonly number[], b: readonly number[]): boolean => a.length === b.length && a.every((v, i) => v === b[i]);

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
  const cellsFor = (out: readonly number[], slot: number): Cells =>
    sameScope(out, slots[slot]!) ? null : projection(out, slots[slot]!, cardinalities);
  /** Smallest tables first, so that only the last products are over the whole bucket. */
  const product = (members: number[]): number => {
    members.sort((x, y) => sizeOf(x) - sizeOf(y) || x - y);
    return members.reduce((a, b) => {
      const wide = slots[b]!;
      const scope = [...wide, ...slots[a]!.filter((v) => !wide.includes(v))];
      slots.push(scope);
      const out = slots.length - 1;
      steps.push({ kind: 'multiply', a, aCells: cellsFor(scope, a), b, bCells: cellsFor(scope, b), out });
      return out;
    });
  };
  const { order, cost } = eliminationOrder(cardinalities, scopes);
  for (const variable of order) {
    const members = [...open].filter((slot) => slots[slot]!.includes(variable));
    members.forEach((slot) => open.delete(slot));
    const whole = product(members);
    const rest = slots[whole]!.filter((v) => v !== variable);
    const into = projection(slots[whole]!, rest, cardinalities);
    slots.push(rest);
    steps.push({ kind: 'sum', a: whole, into, out: slots.length - 1 });
    open.add(slots.length - 1);
  }
  // What is left has no variables: one number for each unconnected part.
  const result = product([...open]);
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

function multiply(out: Float64Array, a: Float64Array, aCells: Cells, b: Float64Array, bCells: Cells): void {
  const size = out.length;
  if (aCells && !bCells) for (let c = 0; c < size; c++) out[c] = a[aCells[c]!]! * b[c]!;
  else if (!aCells && bCells) for (let c = 0; c < size; c++) out[c] = a[c]! * b[bCells[c]!]!;
  else if (aCells && bCells) for (let c = 0; c < size; c++) out[c] = a[aCells[c]!]! * b[bCells[c]!]!;
  else for (let c = 0; c < size; c++) out[c] = a[c]! * b[c]!;
}

/** Adds `flow · other` to the gradient of one operand. */
function pullBack(gradient: Float64Array, cells: Cells, flow: Float64Array, other: Float64Array, otherCells: Cells): void {
  const size = flow.length;
  if (cells && otherCells) for (let c = 0; c < size; c++) gradient[cells[c]!]! += flow[c]! * other[otherCells[c]!]!;
  else if (cells) for (let c = 0; c < size; c++) gradient[cells[c]!]! += flow[c]! * other[c]!;
  else if (otherCells) for (let c = 0; c < size; c++) gradient[c]! += flow[c]! * other[otherCells[c]!]!;
  else for (let c = 0; c < size; c++) gradient[c]! += flow[c]! * other[c]!;
}

/** Evaluates Σ Π tables and its derivative in every entry. @throws RangeError when the number of tables is not the plan's */
export function evaluate(plan: Plan, tables: readonly Float64Array[]): Evaluation {
  if (tables.length !== plan.tableCount) throw new RangeError(`expected ${plan.tableCount} tables, got ${tables.length}`);
  const { values, gradients, steps } = plan;
  tables.forEach((table, i) => (values[i] = table));
  for (const step of steps) {
    const out = values[step.out]!;
    if (step.kind === 'multiply') multiply(out, values[step.a]!, step.aCells, values[step.b]!, step.bCells);
    else {
      out.fill(0);
      const a = values[step.a]!;
      const { into } = step;
      for (let c = 0; c < a.length; c++) out[into[c]!]! += a[c]!;
    }
  }
  for (const gradient of gradients) gradient.fill(0);
  gradients[plan.result]![0] = 1;
  for (let s = steps.length - 1; s >= 0; s--) {
    const step = steps[s]!;
    const flow = gradients[step.out]!;
    if (step.kind === 'multiply') {
      pullBack(gradients[step.a]!, step.aCells, flow, values[step.b]!, step.bCells);
      pullBack(gradients[step.b]!, step.bCells, flow, values[step.a]!, step.aCells);
    } else {
      // The sum is the only user of its operand.
      const gradient = gradients[step.a]!;
      const { into } = step;
      for (let c = 0; c < gradient.length; c++) gradient[c] = flow[into[c]!]!;
    }
  }
  return { value: values[plan.result]![0]!, gradients: gradients.slice(0, plan.tableCount) };
}
