/** How near the best a plan comes, and in what time: for two to twenty-six weeks and three sizes of library. */
import highsLoader from 'highs';
import { copyId, DRILLS, improvePlan, makePlan, randomFrom, readPlan } from '@wrightonic/core';
import { makePlanRequest, PLAN_KINDS } from '@wrightonic/core/simulate';
import type { LinearModel, OwnDrill, OwnLibrary, PlanRequest } from '@wrightonic/core';
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
const most = (values: number[]): number => Math.max(...values);
const percent = (value: number, digits = 2): string => `${(100 * value).toFixed(digits)} %`;

/** Athletes with two foci and of all kinds by turns, the same for every line. */
async function line(
  name: string,
  weeks: number,
  athletes: number,
  library: OwnLibrary = { first: [], never: [] },
): Promise<void> {
  const rows: Row[] = [];
  for (let n = 0; n < athletes; n++) {
    const kind = n % 2 === 0 ? 'two foci' : PLAN_KINDS[n % PLAN_KINDS.length]!;
    const { request } = makePlanRequest(randomFrom(SEED + 8000 + n), kind);
    rows.push(await measure({ ...request, weeks, library }));
  }
  const of = (value: (row: Row) => number) => rows.map(value);
  const sum = (values: number[]): number => values.reduce((t, v) => t + v, 0);
  console.log(
    [
      `${name}: greedy ${middle(of((r) => r.greedyMs)).toFixed(0)} ms (most ${most(of((r) => r.greedyMs)).toFixed(0)})`,
      `model ${middle(of((r) => r.columns))} columns, ${middle(of((r) => r.rows))} rows`,
      `solved in ${(middle(of((r) => r.ms)) / 1000).toFixed(2)} s (most ${(most(of((r) => r.ms)) / 1000).toFixed(2)})`,
      `gap ${percent(middle(of((r) => r.gap)))} (most ${percent(most(of((r) => r.gap)))})`,
      `better than greedy by ${percent(middle(of((r) => r.gain)), 1)}`,
      `read: ${sum(of((r) => r.wrong))} of ${sum(of((r) => r.looked))} points wrong (greedy ${sum(of((r) => r.before))}).`,
    ].join('; '),
  );
}

for (const weeks of [2, 6, 12, 26]) await line(`${String(weeks).padStart(2)} weeks`, weeks, weeks > 6 ? 6 : 24);

/** Drills that no session can do without, whatever the size of the library. */
const SERVES_THE_DAY = DRILLS.filter((d) => d.part !== null);
const others = randomFrom(SEED);
const shuffled = DRILLS.filter((d) => !SERVES_THE_DAY.includes(d))
  .map((drill) => ({ drill, at: others.uniform() }))
  .sort((a, b) => a.at - b.at);
for (const size of [65, 120, DRILLS.length, 250]) {
  const never = shuffled.slice(size - SERVES_THE_DAY.length).map(({ drill }) => drill.id);
  // What an academy has more than the catalogue are its own copies.
  const own = shuffled.slice(0, Math.max(0, size - DRILLS.length)).map(({ drill }, n): OwnDrill => ({
    drill: copyId(drill.id, String(n)),
    version: 1,
    words: { name: `${drill.name}, ours` },
    use: 'usual',
  }));
  await line(`6 weeks, ${DRILLS.length - never.length + own.length} drills`, 6, 24, { first: [], never, own });
}
