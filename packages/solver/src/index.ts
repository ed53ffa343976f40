/** Solves mixed-integer models with HiGHS. The library is loaded by whoever runs it: a worker, the server, a command. */
import type { LinearModel, LinearSolution, Solver } from '@wrightonic/core';
import type { Highs } from 'highs';

/** Where a search stops: at a gap that is small enough, or after so many nodes. Never at the clock, so that it can be repeated. */
export interface Limits {
  /** Share of the best score that may be left. */
  readonly gap: number;
  readonly nodes: number;
}

export const PLAN_LIMITS: Limits = { gap: 0.005, nodes: 200 };

/** Nodes that a day of a camp of eighty takes in a second on a small machine. */
const CAMP_NODES = 2;

/** @param seconds about as long as a camp may take */
export const campLimits = (seconds: number): Limits => ({ gap: 0.005, nodes: Math.max(1, Math.round(CAMP_NODES * seconds)) });

/** A solver over a loaded library. The same model gives the same solution. */
export const solverWith =
  (highs: Highs, limits: Limits = PLAN_LIMITS): Solver =>
  (model, start) =>
    solve(highs, model, start, limits);

const INNER_POINT = [
  ['solver', 'ipm'],
  ['run_crossover', 'off'],
  ['presolve', 'off'],
] as const;

function solve(highs: Highs, { columns, rows }: LinearModel, start: readonly number[], { gap, nodes }: Limits): LinearSolution {
  const whole = columns.some((c) => c.whole);
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const { entries } of rows) {
    for (const [column, value] of entries) {
      indices.push(column);
      values.push(value);
    }
    starts.push(indices.length);
  }
  return highs.withModel(
    {
      numCols: columns.length,
      numRows: rows.length,
      sense: highs.constants.objectiveSense.maximize,
      colCost: columns.map((c) => c.cost),
      colLower: columns.map(() => 0),
      colUpper: columns.map((c) => c.upper),
      rowLower: rows.map((r) => r.lower),
      rowUpper: rows.map((r) => r.upper),
      matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, starts, indices, values },
      integrality: columns.map((c) => (c.whole ? 1 : 0)),
    } as Parameters<Highs['withModel']>[0],
    (solver) => {
      solver.options.set('output_flag', false);
      solver.options.set('random_seed', 0);
      solver.options.set('mip_rel_gap', gap);
      solver.options.set('mip_max_nodes', nodes);
      // Without whole numbers only the score is wanted, as a bound: an inner point has it soonest.
      if (!whole) for (const [name, value] of INNER_POINT) solver.options.set(name, value);
      if (start.length > 0) solver.setSolution({ colValue: [...start] } as Parameters<typeof solver.setSolution>[0]);
      solver.run();
      // A point that is not the best bounds nothing: the corners are gone along instead, which takes longer.
      if (!whole && solver.getModelStatus() !== highs.constants.modelStatus.optimal) {
        solver.options.set('solver', 'simplex');
        solver.options.set('presolve', 'on');
        solver.run();
      }
      const score = Number(solver.info.get('objective_function_value'));
      const best = whole ? Number(solver.info.get('mip_dual_bound')) : score;
      return { values: [...solver.getSolution().colValue], score, best };
    },
  );
}
