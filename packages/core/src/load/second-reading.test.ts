/**
 * The rules read a second time, plainly and by other means (day numbers, one pass in order of time), over random logs. Nothing of the
 * engine is used here: where the two differ, one of them has misread a rule.
 */
import fc from 'fast-check';
import type { LoadRow } from './days';
import { workload } from './workload';
import type { WorkloadRequest } from './workload';

type Discipline = 'overhand' | 'windmill';
const DAY_MS = 86_400_000;
const ON = Date.UTC(2026, 5, 15) / DAY_MS;
const iso = (day: number) => new Date(day * DAY_MS).toISOString().slice(0, 10);

const ageOf = (birth: string, day: number): number => {
  const [on, born] = [iso(day), birth];
  return Number(on.slice(0, 4)) - Number(born.slice(0, 4)) - (on.slice(5) < born.slice(5) ? 1 : 0);
};

/** Each row holds up to its age. */
type Steps<T> = readonly (readonly [age: number, value: T])[];
const OVERHAND_LIMIT = [
  [8, 50],
  [10, 75],
  [12, 85],
  [16, 95],
  [18, 105],
  [99, 120],
] as const;
const WINDMILL_LIMIT: Steps<readonly number[]> = [
  [10, [80, 80, 0]],
  [12, [95, 95, 0]],
  [14, [115, 115, 80]],
  [99, [140, 140, 100]],
] as const;
const OVERHAND_BUDGET = [
  [8, 60],
  [10, 85],
  [12, 95],
  [14, 105],
  [16, 110],
  [18, 120],
  [99, 135],
] as const;
const WINDMILL_BUDGET = [
  [10, 90],
  [12, 105],
  [14, 125],
  [99, 150],
] as const;
const HARD = [
  [12, 20],
  [14, 30],
  [18, 40],
  [99, 50],
] as const;
const REST: Steps<readonly number[]> = [
  [14, [20, 35, 50, 65]],
  [16, [30, 45, 60, 75]],
  [18, [30, 45, 60, 80]],
  [99, [30, 45, 60, 80, 105]],
] as const;
const upTo = <T>(rows: Steps<T>, age: number): T => rows.find(([most]) => age <= most)![1];

interface Told {
  readonly ago: number;
  readonly pitches: number;
  readonly practice: number;
  readonly hard: number;
  readonly pain: { readonly site: 'elbow' | 'shoulder' | 'wrist' | 'knee' | 'back'; readonly score: number } | null;
}
interface Cleared {
  readonly ago: number;
  readonly lasts: number | null;
}

function secondReading(discipline: Discipline, birth: string, told: readonly Told[], cleared: readonly Cleared[]) {
  const sum = (day: number, of: (t: Told) => number) =>
    told.filter((t) => ON - t.ago === day).reduce((total, t) => total + of(t), 0);
  const pitches = (day: number) => sum(day, (t) => t.pitches);
  const throws = (day: number) => sum(day, (t) => t.pitches + t.practice);
  const hard = (day: number) => sum(day, (t) => t.hard);
  const budget = (day: number) => upTo(discipline === 'overhand' ? OVERHAND_BUDGET : WINDMILL_BUDGET, ageOf(birth, day));
  const age = ageOf(birth, ON);

  // Pitches.
  const inARow = (day: number): number => {
    const counts = pitches(day - 1) > 0 || throws(day - 1) > 0.3 * budget(day - 1);
    return counts ? 1 + inARow(day - 1) : 0;
  };
  const limit = (day: number) =>
    discipline === 'overhand'
      ? upTo(OVERHAND_LIMIT, ageOf(birth, day))
      : (upTo(WINDMILL_LIMIT, ageOf(birth, day))[inARow(day)] ?? 0);
  const owed = (day: number) =>
    discipline === 'overhand' ? upTo(REST, ageOf(birth, day)).filter((step) => pitches(day) > step).length : 0;
  let rest: number | null = null;
  for (let day = ON - 90; day < ON; day++)
    if (pitches(day) > 0 && day + owed(day) >= ON) rest = Math.max(rest ?? 0, day + owed(day) + 1);
  if (discipline === 'windmill' && limit(ON) === 0) rest = ON + 1;

  // Pain, from the oldest day to the newest.
  let [locked, lockedSince] = [false, -Infinity];
  let before: Told['pain'][] = [];
  for (let day = ON - 90; day <= ON; day++) {
    const rows = told.filter((t) => ON - t.ago === day);
    const pain = rows.flatMap((t) => (t.pain && t.pain.score > 0 ? [t.pain] : []));
    if (!rows.some((t) => t.pitches + t.practice + t.hard > 0) && pain.length === 0) continue;
    const arm = (p: NonNullable<Told['pain']>) => ['elbow', 'shoulder', 'wrist'].includes(p.site);
    for (const p of pain) {
      const joint = (p.site === 'elbow' || p.site === 'shoulder') && p.score >= 3;
      const armAgain = arm(p) && before.some((b) => b && arm(b));
      const elsewhereAgain = !arm(p) && p.score >= 3 && before.some((b) => b && !arm(b) && b.score >= 3);
      if (joint || armAgain || elsewhereAgain) [locked, lockedSince] = [true, day];
    }
    before = pain;
  }
  const opened = cleared.some((c) => ON - c.ago > lockedSince && c.ago >= 0 && (c.lasts === null || ON - c.ago + c.lasts >= ON));
  const todayHurts = told.some(
    (t) => t.ago === 0 && t.pain && (t.pain.score >= 3 || (t.pain.score >= 1 && ['elbow', 'shoulder'].includes(t.pain.site))),
  );
  const until = locked && !opened ? 'clearance' : todayHurts ? iso(ON + 1) : null;

  // Practice.
  const gap = age < 13 ? 3 : 2;
  const hardBefore = Array.from({ length: gap - 1 }, (_, i) => ON - 1 - i).some((day) => pitches(day) > 0 || hard(day) >= 10);
  const left = Math.max(0, budget(ON) - throws(ON));
  const hardMost = Math.min(upTo(HARD, age), hardBefore ? 9 : Infinity);
  const hardLeft = pitches(ON) > 0 ? 0 : Math.max(0, Math.min(hardMost - hard(ON), left));
  return {
    pitchesLeft: until || rest !== null ? 0 : Math.max(0, limit(ON) - pitches(ON)),
    restUntil: rest === null ? null : iso(rest),
    throwsLeft: until ? 0 : left,
    highEffortLeft: until ? 0 : hardLeft,
    until,
  };
}

const row = fc
  .record({
    ago: fc.oneof(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 24 })),
    pitches: fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 80 })),
    practice: fc.integer({ min: 0, max: 60 }),
    hard: fc.integer({ min: 0, max: 20 }),
    pain: fc.option(
      fc.record({
        site: fc.constantFrom('elbow' as const, 'shoulder' as const, 'wrist' as const, 'knee' as const, 'back' as const),
        score: fc.integer({ min: 0, max: 4 }),
      }),
      { freq: 3 },
    ),
  })
  .map((t): Told => ({ ...t, hard: Math.min(t.hard, t.practice) }));
const clearance = fc.record({ ago: fc.integer({ min: 0, max: 20 }), lasts: fc.option(fc.integer({ min: 0, max: 20 })) });
/** Long ago, so that a normal week is known and the first week's own rule does not count. */
const OLD: Told = { ago: 40, pitches: 0, practice: 100, hard: 0, pain: null };

const requestOf = (
  discipline: Discipline,
  birthDate: string,
  told: readonly Told[],
  cleared: readonly Cleared[],
): WorkloadRequest => ({
  on: iso(ON),
  athlete: { discipline, throws: 'R', birthDate, heightM: 1.6, massKg: 55, level: 'youth' },
  season: 'in',
  leagueDailyLimit: null,
  log: told.map((t): LoadRow => ({
    date: iso(ON - t.ago),
    pitches: t.pitches,
    throws: t.pitches + t.practice,
    highEffort: t.hard,
    ...(t.pain ? { pain: [t.pain] } : {}),
  })),
  clearances: cleared.map((c) => ({
    date: iso(ON - c.ago),
    by: 'A. Clinician',
    ...(c.lasts === null ? {} : { until: iso(ON - c.ago + c.lasts) }),
  })),
});

describe.each(['overhand', 'windmill'] as const)('a second reading of the rules, %s', (discipline) => {
  it('agrees about pitches, rest, practice and locks over random logs', () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(
        fc.array(row, { maxLength: 14 }),
        fc.array(clearance, { maxLength: 2 }),
        fc.integer({ min: 7, max: 21 }),
        // Birthdays fall on every side of the day, within the days that the log tells of too.
        fc.integer({ min: -20, max: 20 }),
        (some, cleared, age, away) => {
          const told = [OLD, ...some];
          const birth = iso(ON + away).replace(/^2026/, String(2026 - age));
          const { today } = workload(requestOf(discipline, birth, told, cleared));
          const { pitchesLeft, restUntil, throwsLeft, highEffortLeft, locked } = today;
          const engine = { pitchesLeft, restUntil, throwsLeft, highEffortLeft, until: locked?.until ?? null };
          expect(engine).toEqual(secondReading(discipline, birth, told, cleared));
          seen.add(
            engine.until === null ? (restUntil === null ? 'open' : 'rest') : engine.until === 'clearance' ? 'locked' : 'day',
          );
        },
      ),
      { numRuns: 1500, seed: 90210 },
    );
    // The logs reach every answer, or the comparison would say little.
    expect([...seen].sort()).toEqual(['day', 'locked', 'open', 'rest']);
  });
});
