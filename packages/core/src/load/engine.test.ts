import fc from 'fast-check';
import { addDays } from '../shared/dates';
import type { LoadRow } from './days';
import { workload } from './workload';
import type { WorkloadRequest } from './workload';

const on = '2026-06-15';
const ago = (days: number) => addDays(on, -days);
const born = (age: number) => `${2026 - age}-02-01`;
const request = (age: number, log: readonly LoadRow[], more: Partial<WorkloadRequest> = {}): WorkloadRequest => ({
  on,
  athlete: { discipline: 'overhand', throws: 'R', birthDate: born(age), heightM: 1.6, massKg: 55, level: 'youth' },
  season: 'off',
  leagueDailyLimit: null,
  log,
  ...more,
});
const threw = (daysAgo: number, throws: number, highEffort = 0): LoadRow => ({ date: ago(daysAgo), throws, highEffort });
const game = (daysAgo: number, pitches: number): LoadRow => ({ date: ago(daysAgo), pitches, throws: pitches, highEffort: 0 });
/** Four weeks of the same throws, so that the normal week is known. */
const usual = (perWeek: number) => [8, 15, 22, 29, 36].map((d) => threw(d, perWeek));

describe('a clearance', () => {
  const sore: LoadRow = { date: ago(6), throws: 0, highEffort: 0, pain: [{ site: 'elbow', score: 5 }] };
  const today = (clearances: WorkloadRequest['clearances'], log: LoadRow[] = []) =>
    workload(request(16, [...usual(100), sore, ...log], { clearances })).today;

  it('is a ceiling on throws, effort and games', () => {
    const limited = { date: ago(4), by: 'A. Clinician', mostThrows: 30, highestEffort: 70 };
    expect(today([limited])).toMatchObject({ throwsLeft: 30, highEffortLeft: 0, pitchesLeft: 0, highestEffort: 70 });
    expect(today([limited], [threw(0, 25)])).toMatchObject({ throwsLeft: 5 });
    expect(today([{ date: ago(4), by: 'A. Clinician', mostThrows: 20 }])).toMatchObject({ throwsLeft: 20, pitchesLeft: 20 });
  });

  it('of two that overlap the stricter of each counts, whoever came first', () => {
    const both = [
      { date: ago(4), by: 'A. Clinician', mostThrows: 30, until: addDays(on, 3) },
      { date: ago(3), by: 'B. Clinician', mostThrows: 60, highestEffort: 60 },
    ];
    for (const list of [both, [...both].reverse()])
      expect(today(list)).toMatchObject({ throwsLeft: 30, highestEffort: 60, clearance: { until: addDays(on, 3) } });
  });
});

describe('the gap between hard days', () => {
  it.each([
    [16, 1, 9],
    [16, 2, 40],
    [12, 2, 9],
    [12, 3, 20],
  ])('at %i, %i days after ten hard throws, leaves %i', (age, daysAgo, left) => {
    expect(workload(request(age, [...usual(100), threw(daysAgo, 30, 10)])).today.highEffortLeft).toBe(left);
    expect(workload(request(age, [...usual(100), threw(daysAgo, 30, 9)])).today.highEffortLeft).toBe(age < 13 ? 20 : 40);
  });

  it('counts a game as hard, and what was thrown hard today, and says why', () => {
    const { today, warnings } = workload(request(16, [...usual(100), game(1, 25), threw(0, 10, 4)]));
    expect(today.highEffortLeft).toBe(5);
    expect(warnings.find((w) => w.rule === 'high-effort-spacing')?.detail).toContain('a game on 14 Jun 2026');
  });
});

describe('the league', () => {
  it('reads ages by its own cut-off too, and the stricter of both holds', () => {
    const athlete = { ...request(12, []).athlete, birthDate: '2013-07-20' };
    const limit = (league: WorkloadRequest['league']) => workload({ ...request(12, [], { league }), athlete }).today.pitchesLeft;
    // Twelve today, thirteen by the end of August: the limit of a twelve-year-old stays.
    expect(limit({})).toBe(85);
    expect(limit({ ageCutOff: '08-31' })).toBe(85);
    // Thirteen in February, twelve by the first of January.
    expect(workload(request(13, [])).today.pitchesLeft).toBe(95);
    expect(workload(request(13, [], { league: { ageCutOff: '01-01' } })).today.pitchesLeft).toBe(85);
    expect(workload(request(13, [], { league: { ageCutOff: '2026-01-01' } })).today.pitchesLeft).toBe(85);
  });

  it('may have numbers of its own for an age', () => {
    const league = {
      daily: 90,
      ages: [
        { from: 7, rule: { daily: 40 } },
        { from: 11, rule: { daily: 60 } },
      ],
    };
    expect(workload(request(10, [], { league })).today.pitchesLeft).toBe(40);
    expect(workload(request(12, [], { league })).today.pitchesLeft).toBe(60);
  });
});

describe('windmill days in a row', () => {
  const windmill = (age: number, log: LoadRow[]) => {
    const base = request(age, log);
    return workload({ ...base, athlete: { ...base.athlete, discipline: 'windmill' } });
  };

  it('count practice above three tenths of the budget, and not easy practice', () => {
    // Budget at 11: 105; three tenths are 31.5.
    expect(windmill(11, [...usual(100), threw(1, 32), threw(2, 32)]).today).toMatchObject({
      pitchesLeft: 0,
      restUntil: addDays(on, 1),
    });
    expect(windmill(11, [...usual(100), threw(1, 31), threw(2, 32)]).today).toMatchObject({ pitchesLeft: 95, restUntil: null });
  });
});

describe('the normal week', () => {
  it('is the larger of the mean of the last complete weeks and the last one', () => {
    const week = (log: LoadRow[]) => workload(request(16, log)).week.mean;
    expect(week([threw(8, 100), threw(15, 60), threw(22, 60), threw(29, 60), threw(36, 60)])).toBe(100);
    expect(week([threw(8, 20), threw(15, 100), threw(22, 100), threw(29, 100), threw(36, 100)])).toBe(80);
    // A silent week is a week of nought.
    expect(week([threw(15, 100), threw(29, 100), threw(36, 100)])).toBe(50);
    // No complete week yet.
    expect(week([threw(8, 100)])).toBeNull();
  });

  it('leaves a planned light week out', () => {
    expect(workload(request(16, [threw(8, 70), ...[15, 22, 29, 36].map((d) => threw(d, 100))])).week.mean).toBe(100);
  });

  it('up to a daily budget a week is never a jump', () => {
    const log = [...[8, 15, 22, 29].map((d) => threw(d, 40)), threw(1, 60)];
    const { week } = workload(request(16, log));
    expect([week.change, week.floor, week.planningStopped]).toEqual([0.5, 110, false]);
    expect(workload(request(16, [...log, threw(2, 60)])).week.planningStopped).toBe(true);
    // No floor for somebody who was locked in the last four weeks.
    const locked = { date: ago(20), throws: 0, highEffort: 0, pain: [{ site: 'elbow' as const, score: 4 }] };
    expect(workload(request(16, [...log, locked], { clearances: [{ date: ago(18), by: 'A. Clinician' }] })).week).toMatchObject({
      floor: 0,
      planningStopped: true,
    });
  });
});

describe('a log', () => {
  const row = fc.record({
    date: fc.integer({ min: 0, max: 60 }).map((d) => ago(d)),
    pitches: fc.integer({ min: 0, max: 60 }),
    throws: fc.integer({ min: 0, max: 90 }),
    highEffort: fc.integer({ min: 0, max: 15 }),
    pain: fc.array(
      fc.record({
        site: fc.constantFrom('elbow' as const, 'knee' as const, 'wrist' as const),
        score: fc.integer({ min: 0, max: 4 }),
      }),
      { maxLength: 1 },
    ),
  });

  it('gives the same whatever the order of its rows, and all-zero rows change nothing', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 25 }), fc.integer({ min: 8, max: 20 }), fc.gen(), (log, age, gen) => {
        const shuffled = [...log];
        for (let i = shuffled.length - 1; i > 0; i--) {
          const j = gen(fc.integer, { min: 0, max: i });
          [shuffled[i], shuffled[j]] = [shuffled[j]!, shuffled[i]!];
        }
        const zeros = [0, 3, 9, 40, 59].map((d): LoadRow => ({ date: ago(d), pitches: 0, throws: 0, highEffort: 0, pain: [] }));
        const said = workload(request(age, log));
        expect(workload(request(age, [...log, ...zeros]))).toEqual(said);
        const again = workload(request(age, shuffled));
        expect({ ...again, warnings: [] }).toEqual({ ...said, warnings: [] });
        expect(again.today.locked).toEqual(said.today.locked);
      }),
      { numRuns: 300, seed: 4711 },
    );
  });

  it('leaves less, never more, when something is added to it', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 20 }), row, fc.integer({ min: 8, max: 20 }), (log, more, age) => {
        // A throw further back may make a week normal that was not known: only today's own rows are added.
        const added = { ...more, date: on };
        const [before, after] = [workload(request(age, log)).today, workload(request(age, [...log, added])).today];
        expect(after.throwsLeft).toBeLessThanOrEqual(before.throwsLeft);
        expect(after.highEffortLeft).toBeLessThanOrEqual(before.highEffortLeft);
        expect(after.pitchesLeft).toBeLessThanOrEqual(before.pitchesLeft);
      }),
      { numRuns: 300, seed: 4712 },
    );
  });
});
