/**
 * Reads the plans of made-up athletes of every kind, as a coach would. Prints the share of points that are as they should be, by what
 * was looked at and by kind of athlete, worst first; “print” writes one plan of each kind in full.
 */
import { PLAN_CHECKS, makePlan, planText, randomFrom, readPlan } from '@wrightonic/core';
import { makePlanRequest, PLAN_KINDS } from '@wrightonic/core/simulate';
import type { PlanCheck, Point } from '@wrightonic/core';
import type { PlanKind } from '@wrightonic/core/simulate';

const SEED = Number(process.env.ACCURACY_SEED ?? 310_000);
const ATHLETES = Number(process.env.ACCURACY_PLANS ?? 1000);

interface Tally {
  looked: number;
  right: number;
  readonly wrong: Map<string, number>;
}
const tally = (): Tally => ({ looked: 0, right: 0, wrong: new Map() });
const count = (to: Tally, point: Point): void => {
  to.looked++;
  if (point.ok) to.right++;
  else {
    const what = point.what.replace(/[\d.]+/g, '#');
    to.wrong.set(what, (to.wrong.get(what) ?? 0) + 1);
  }
};
const share = (t: Tally): string => (t.looked === 0 ? '–' : `${((100 * t.right) / t.looked).toFixed(1)} %`);

const one = process.argv.indexOf('one');
if (one > 0) {
  const n = Number(process.argv[one + 1]);
  const { request } = makePlanRequest(randomFrom(SEED + 1000 + n), PLAN_KINDS[n % PLAN_KINDS.length]!);
  console.log(planText(request, makePlan(request)));
} else if (process.argv.includes('print')) {
  const wanted = process.argv[process.argv.indexOf('print') + 1];
  PLAN_KINDS.forEach((kind, n) => {
    if (wanted && !kind.includes(wanted)) return;
    const { request } = makePlanRequest(randomFrom(SEED + n), kind);
    console.log(`\n##### ${kind}\n${planText(request, makePlan(request))}`);
  });
} else {
  const byCheck = new Map<PlanCheck, Tally>(PLAN_CHECKS.map((check) => [check, tally()]));
  const byKind = new Map<PlanKind, Tally>(PLAN_KINDS.map((kind) => [kind, tally()]));
  const times: number[] = [];
  let sessions = 0;
  let empty = 0;
  for (let n = 0; n < ATHLETES; n++) {
    const kind = PLAN_KINDS[n % PLAN_KINDS.length]!;
    const { request } = makePlanRequest(randomFrom(SEED + 1000 + n), kind);
    const began = performance.now();
    const plan = makePlan(request);
    times.push(performance.now() - began);
    sessions += plan.sessions.length;
    if (plan.sessions.length === 0) empty++;
    for (const point of readPlan(request, plan)) {
      if (!point.ok && process.argv.includes(`show:${point.check.split(' ')[0]}`))
        console.log(`${n} ${kind} ${point.at} ${point.what}`);
      count(byCheck.get(point.check)!, point);
      count(byKind.get(kind)!, point);
    }
  }
  const sorted = times.sort((a, b) => a - b);
  console.log(
    `${ATHLETES} athletes from seed ${SEED + 1000}, ${sessions} sessions, ${empty} plans without any; ${sorted[sorted.length >> 1]!.toFixed(1)} ms a plan in the middle, ${sorted[sorted.length - 1]!.toFixed(1)} at most.`,
  );
  console.log('\nby what is looked at        looked   right');
  for (const [check, t] of byCheck) {
    console.log(`${check.padEnd(26)} ${String(t.looked).padStart(7)}  ${share(t).padStart(7)}`);
    for (const [what, times] of [...t.wrong].sort((a, b) => b[1] - a[1]).slice(0, process.argv.includes('more') ? 12 : 3))
      console.log(`    ${times} × ${what}`);
  }
  console.log('\nby kind, worst first');
  for (const [kind, t] of [...byKind].sort((a, b) => a[1].right / a[1].looked - b[1].right / b[1].looked))
    console.log(`${kind.padEnd(26)} ${String(t.looked).padStart(7)}  ${share(t).padStart(7)}`);
}
