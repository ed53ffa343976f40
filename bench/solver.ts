/** How near the best a plan comes, and in what time: for two to twenty-six weeks and three sizes of library. */
import highsLoader from 'highs';
import { improvePlan, makePlan, makePlanRequest, PLAN_KINDS, randomFrom, readPlan } from '@wrightonic/core';
import type { LinearModel, PlanRequest } from '@wrightonic/core';
import { PLAN_LIMITS, solverWith } from '@wrightonic/solver';

const SEED = Number(process.env.ACCURACY_SEED ?? 310_000);
const highs = await highsLoader();

interface Row {
  greedyMs: number;
  ms: number;
  gap: number;
  gain: number;
  columns: number;
  rows: number;
  wrong: number;
  looked: number;
  before: number;
}

async function measure(request: PlanRequest): Promise<Row> {
  let size = { columns: 0, rows: 0 };
  let start = 0;
  const inner = solverWith(highs, PLAN_LIMITS);
  const solve = (model: LinearModel, values: readonly number[]) => {
    size = { columns: model.columns.length, rows: model.rows.length };
    start = model.columns.reduce((t, c, i) => t + c.cost * (values[i] ?? 0), 0);
    return inner(model, values);
  };
  const t0 = performance.now();
  const greedy = makePlan(request);
  const t1 = performance.now();
  const plan = await improvePlan(request, solve);
  const t2 = performance.now();
  const points = readPlan(request, plan);
  if (process.argv.includes('more')) for (const p of points) if (!p.ok) console.log(`  ${p.at} ${p.check}: ${p.what}`);
  const score = plan.bound?.score ?? 0;
  return {
    greedyMs: t1 - t0,
    ms: t2 - t1,
    gap: plan.bound?.gap ?? 0,
    gain: start > 0 ? (score - start) / start : 0,
    ...size,
    wrong: points.filter((p) => !p.ok).length,
    looked: points.length,
    before: readPlan(request, greedy).filter((p) => !p.ok).length,
  };
}

const middle = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;
for (const weeks of [2, 6, 12, 26]) {
  const rows: Row[] = [];
  for (let n = 0; n < (weeks > 6 ? 6 : 24); n++) {
    const kind = n % 2 === 0 ? 'two foci' : PLAN_KINDS[n % PLAN_KINDS.length]!;
    const { request } = makePlanRequest(randomFrom(SEED + 8000 + n), kind);
    rows.push(await measure({ ...request, weeks }));
  }
  console.log(
    `${String(weeks).padStart(2)} weeks: greedy ${middle(rows.map((r) => r.greedyMs)).toFixed(0)} ms (most ${Math.max(...rows.map((r) => r.greedyMs)).toFixed(0)}); model ${middle(rows.map((r) => r.columns))} columns, ${middle(rows.map((r) => r.rows))} rows; solved in ${(middle(rows.map((r) => r.ms)) / 1000).toFixed(2)} s (most ${(Math.max(...rows.map((r) => r.ms)) / 1000).toFixed(2)}); gap ${(100 * middle(rows.map((r) => r.gap))).toFixed(2)} % (most ${(100 * Math.max(...rows.map((r) => r.gap))).toFixed(2)}); better than greedy by ${(100 * middle(rows.map((r) => r.gain))).toFixed(1)} %; read: ${rows.reduce((t, r) => t + r.wrong, 0)} of ${rows.reduce((t, r) => t + r.looked, 0)} points wrong (greedy ${rows.reduce((t, r) => t + r.before, 0)}).`,
  );
}
