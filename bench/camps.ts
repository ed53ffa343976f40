/**
 * Schedules of made-up camps of every size: hard rules by a checker that shares nothing with the planner, how far from the best they can
 * be, how long they take, and what happens when a station closes. At the end the largest camp there is.
 */
import { randomFrom } from '@wrightonic/core';
import { scheduleCamp } from '@wrightonic/core/camp';
import type { CampRequest, CampSchedule } from '@wrightonic/core/camp';
import { simulateCamp, someCampSize } from '@wrightonic/core/simulate';
import { campLimits, solverWith } from '@wrightonic/solver';
import loadHighs from 'highs';
import { quantile } from 'simple-statistics';
import { brokenRules } from '../packages/core/src/testing/camp-rules';

const SEED = Number(process.env.ACCURACY_SEED ?? 516_000);
const CAMPS = Number(process.env.ACCURACY_CAMPS ?? 300);

const highs = await loadHighs();
const run = async (camp: CampRequest): Promise<{ found: CampSchedule; ms: number }> => {
  const began = performance.now();
  const found = await scheduleCamp(camp, solverWith(highs, campLimits(camp.secondsLimit)));
  return { found, ms: performance.now() - began };
};
const gapOf = ({ score, bound }: CampSchedule): number => (bound - score) / Math.abs(bound);
const spread = (values: readonly number[], digits: number): string =>
  values.length === 0
    ? '–'
    : ['median', 'p95', 'most']
        .map((name, n) => `${name} ${quantile([...values], [0.5, 0.95, 1][n]!).toFixed(digits)}`)
        .join(', ');

/** Athletes who are at a station on a day from a rotation on: nobody else needs to move when it closes. */
const sentTo = (found: CampSchedule, station: string, day: number, from: number): number =>
  new Set(found.assignments.filter((a) => a.station === station && a.day === day && a.rotation >= from).map((a) => a.athlete))
    .size;

const gaps = { alone: [] as number[], together: [] as number[] };
const times: number[] = [];
const mends: number[] = [];
const surplus: number[] = [];
let [broken, impossible] = [0, 0];
for (let n = 0; n < CAMPS; n++) {
  const random = randomFrom(SEED + n);
  const size = someCampSize(random);
  const camp = { ...simulateCamp(SEED + n, size), secondsLimit: 2 };
  const { found, ms } = await run(camp);
  times.push(ms);
  if (found.infeasible) {
    impossible++;
    continue;
  }
  const faults = brokenRules(camp, found.assignments);
  broken += faults.length;
  if (faults.length > 0) console.log(`Camp ${SEED + n}: ${faults[0]}`);
  gaps[size.coupled ? 'together' : 'alone'].push(100 * gapOf(found));
  const closed = camp.stations.filter((s) => s.kind === 'drill')[0]!.id;
  const from = Math.floor(camp.days[0]!.rotations / 2);
  const changed = {
    ...camp,
    current: found.assignments,
    changes: [{ day: 0, fromRotation: from, type: 'station-closed' as const, id: closed }],
  };
  const mended = await run(changed);
  mends.push(mended.ms);
  if (mended.found.infeasible) continue;
  broken += brokenRules(changed, mended.found.assignments).length;
  surplus.push(mended.found.moved - sentTo(found, closed, 0, from));
}
console.log(`${CAMPS} made-up camps, seeds from ${SEED}: ${broken} hard rules broken, ${impossible} camps that cannot be held.`);
console.log(`Gap to the bound, %: without groups ${spread(gaps.alone, 2)}; with groups and friends ${spread(gaps.together, 2)}`);
console.log(`Time, ms: ${spread(times, 0)}`);
console.log(
  `A drill closes at half of the first day. Time, ms: ${spread(mends, 0)}; athletes moved who were not there: ${spread(surplus, 0)}`,
);
for (const coupled of [false, true]) {
  const camp = simulateCamp(SEED, { athletes: 80, days: 5, rotations: 6, stations: 10, coupled });
  const { found, ms } = await run(camp);
  console.log(
    `80 athletes, 5 days of 6 rotations, 10 stations${coupled ? ', groups and friends' : ''}: ${(ms / 1000).toFixed(1)} s, score ${found.score}, bound ${found.bound}, gap ${(100 * gapOf(found)).toFixed(2)} %, ${brokenRules(camp, found.assignments).length} rules broken`,
  );
  const closed = camp.stations.filter((s) => s.kind === 'drill')[0]!.id;
  const closes = { day: 1, fromRotation: 2, type: 'station-closed' as const, id: closed };
  const [gone, late] = camp.athletes;
  const happened: readonly [string, CampRequest['changes']][] = [
    ['a drill closes', [closes]],
    ['one is gone', [{ day: 1, fromRotation: 2, type: 'athlete-absent', id: gone!.id }]],
    [
      'all of it, and one is late',
      [closes, { ...closes, type: 'athlete-absent', id: gone!.id }, { ...closes, type: 'athlete-late', id: late!.id }],
    ],
  ];
  for (const [what, changes] of happened) {
    const changed = { ...camp, current: found.assignments, changes: changes! };
    const mended = await run(changed);
    console.log(
      `  ${what} in the third rotation of the second day: ${mended.ms.toFixed(0)} ms, ${mended.found.moved} moved, gap ${(100 * gapOf(mended.found)).toFixed(2)} %, ${brokenRules(changed, mended.found.assignments).length} rules broken`,
    );
  }
}
