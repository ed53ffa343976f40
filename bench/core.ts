/** Core computations: a diagnosis with its next checks, a plan of six weeks, a trend. */
import {
  causeMap,
  diagnose,
  FINDINGS,
  GATE_DEFAULTS,
  graphFindings,
  makePlan,
  randomFrom,
  stateOf,
  trend,
  addDays,
} from '@wrightonic/core';
import { drawFindings, lookAt, readTest } from '@wrightonic/core/simulate';
import type {
  AthleteLog,
  AthleteProfile,
  Evidence,
  LoggedMark,
  LoggedPain,
  LoggedRep,
  LoggedSession,
  PlanRequest,
  TrendReading,
} from '@wrightonic/core';
import { line, timed } from './figures';

const on = '2026-04-18';
const athlete: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.8,
  massKg: 74,
  level: 'high-school',
};

function evidenceOf(seed: number, looks: number): Evidence[] {
  const random = randomFrom(seed);
  const truth = {
    ...drawFindings(random, athlete, on, ['stall']),
    speedMph: 70,
    repairMph: 2,
    learning: 0.3,
    flatEffort: false,
    spike: false,
  };
  const habits = graphFindings('overhand').filter((f) => f.kind === 'habit');
  const shuffled = habits.map((f) => ({ f, at: random.uniform() })).sort((a, b) => a.at - b.at);
  return [
    ...shuffled.slice(0, looks).map(({ f }) => lookAt(random, truth, f.id)),
    readTest(random, truth, athlete, on, 'hip-internal-rotation', 'drive'),
    readTest(random, truth, athlete, on, 'hip-internal-rotation', 'lead'),
  ];
}

/** A season as it is lived: four sessions a week, so many reps in all, some taken back, some measured, some pain. */
function seasonOf(reps: number): AthleteLog {
  const random = randomFrom(reps);
  const perSession = 100;
  const log = {
    sessions: [] as LoggedSession[],
    reps: [] as LoggedRep[],
    marks: [] as LoggedMark[],
    pains: [] as LoggedPain[],
  };
  for (let s = 0; s < reps / perSession; s++) {
    const date = addDays(on, -Math.floor((7 * (reps / perSession - s)) / 4));
    const session = `session-${s}`;
    const at = (second: number) => new Date(Date.parse(`${date}T15:00:00Z`) + 1000 * second).toISOString();
    log.sessions.push({ id: session, date, startedAt: at(0), ended: true });
    for (let i = 0; i < perSession; i++) {
      const [drill, rung] = i % 2 ? (['measured-bullpen', 6] as const) : (['crossover-tap', 2] as const);
      const id = `rep-${s}-${i}`;
      // Written out: an object that is spread and then added to is slow to read in this Node.
      log.reps.push({
        id,
        session,
        date,
        at: at(20 * i),
        author: 'coach',
        alone: false,
        drill,
        rung,
        focus: 'focus',
        judged: random.chance(0.6) ? 'good' : 'close',
        effort: 75,
        receivedOn: date,
      });
      if (random.chance(0.05))
        log.marks.push({ id: `undo-${s}-${i}`, at: at(20 * i + 10), author: 'coach', alone: false, rep: id, kind: 'undo' });
    }
    if (random.chance(0.03)) log.pains.push({ id: `pain-${s}`, session, date, at: at(20 * perSession), site: 'wrist', score: 1 });
  }
  const startedOn = log.sessions[0]!.date;
  return {
    ...log,
    readings: [],
    removed: [],
    foci: [
      { id: 'focus', finding: 'stall', startedOn, startedAt: `${startedOn}T00:00:00.000Z`, rung: 2, endedAt: null, words: [] },
    ],
    outings: [],
    clearances: [],
  };
}

const plan: PlanRequest = {
  on,
  athlete,
  focus: [{ finding: 'stall', rung: 2 }],
  weeks: 6,
  availability: [
    { weekday: 'mon', minutes: 45, place: 'cage' },
    { weekday: 'wed', minutes: 30, place: 'home' },
    { weekday: 'sat', minutes: 60, place: 'mound' },
  ],
  equipment: ['net', 'strap', 'band', 'tape'],
  partner: true,
  season: 'off',
  games: [],
  recentLoad: [],
  pain: [],
  leagueDailyLimit: null,
  flags: [],
  pinned: [],
};
const season = (sessions: number): TrendReading[] => {
  const random = randomFrom(9);
  return Array.from({ length: sessions }, (_, s) =>
    Array.from({ length: 8 }, (__, n): TrendReading => ({
      date: addDays('2025-01-01', 4 * s),
      speed: random.normal(72, 1),
      unit: 'mph',
      effort: n < 3 ? 80 : 100,
      gun: 'A',
      angleDeg: 0,
      setting: 'mound',
    })),
  ).flat();
};

console.log(`Core (${FINDINGS.length} findings)`);
await timed(3, (n) => diagnose({ on, athlete, evidence: evidenceOf(n, 6) }));
for (const looks of [3, 8, 20]) {
  const cases = Array.from({ length: 12 }, (_, n) => evidenceOf(100 + n, looks));
  console.log(
    line(
      `diagnose with next checks, ${looks} looks, first time`,
      await timed(cases.length, (n) => diagnose({ on, athlete, evidence: cases[n]! })),
    ),
  );
  console.log(
    line(
      `diagnose with next checks, ${looks} looks, again`,
      await timed(cases.length, (n) => diagnose({ on, athlete, evidence: cases[n]! })),
    ),
  );
}
for (const looks of [3, 8, 20, 50]) {
  const evidence = evidenceOf(7, looks);
  await timed(2, () => diagnose({ on, athlete, evidence }));
  console.log(
    line(
      `diagnose, ${looks} looks, one thing supposed otherwise`,
      await timed(20, (n) => {
        const value = 20 + n;
        const supposed = { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value, unit: 'deg' } as const;
        return diagnose({ on, athlete, evidence: [...evidence, supposed] });
      }),
    ),
  );
  console.log(line(`map of causes, ${looks} looks`, await timed(10, () => causeMap({ on, athlete, evidence }))));
}
await timed(2, () => makePlan(plan));
for (const weeks of [2, 6, 12, 26])
  console.log(line(`plan of ${weeks} weeks`, await timed(8, () => makePlan({ ...plan, weeks }))));
for (const sessions of [12, 48, 150])
  console.log(
    line(
      `trend over ${sessions} sessions of 8 readings`,
      await timed(3, () => trend({ on: '2026-12-01', athlete, readings: season(sessions) })),
    ),
  );

for (const reps of [100, 1000, 10_000]) {
  const season = seasonOf(reps);
  const derive = () => stateOf(season, { athlete, leagueDailyLimit: null }, GATE_DEFAULTS);
  await timed(3, derive);
  console.log(line(`state of a season’s log, ${reps} reps`, await timed(12, derive)));
}
