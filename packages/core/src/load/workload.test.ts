import { addDays } from '../shared/dates';
import type { LoadRow } from './days';
import { strictestLeague } from './rules';
import { workload } from './workload';
import type { WorkloadRequest } from './workload';

/** The published tables, written out again: the product's own must agree for every age and count. */
function restByTable(age: number, pitches: number): number {
  const upTo = age <= 14 ? [20, 35, 50, 65] : age <= 16 ? [30, 45, 60, 75] : age <= 18 ? [30, 45, 60, 80] : [30, 45, 60, 80, 105];
  return pitches === 0 ? 0 : upTo.filter((limit) => pitches > limit).length;
}
const limitByTable = (age: number) => (age <= 8 ? 50 : age <= 10 ? 75 : age <= 12 ? 85 : age <= 16 ? 95 : age <= 18 ? 105 : 120);

const on = '2026-06-15';
const born = (age: number) => `${2026 - age}-02-01`;
const request = (age: number, log: readonly LoadRow[], more: Partial<WorkloadRequest> = {}): WorkloadRequest => ({
  on,
  athlete: { discipline: 'overhand', throws: 'R', birthDate: born(age), heightM: 1.6, massKg: 55, level: 'youth' },
  season: 'in',
  leagueDailyLimit: null,
  log,
  ...more,
});
const outing = (daysAgo: number, pitches: number): LoadRow => ({
  date: addDays(on, -daysAgo),
  pitches,
  throws: pitches,
  highEffort: 0,
});
const practice = (daysAgo: number, throws: number, more: Partial<LoadRow> = {}): LoadRow => ({
  date: addDays(on, -daysAgo),
  throws,
  highEffort: 0,
  ...more,
});

describe('rest and limits', () => {
  it('equals the tables for every age and count', () => {
    for (let age = 5; age <= 24; age++) {
      expect(workload(request(age, [])).today.pitchesLeft).toBe(limitByTable(age));
      for (let pitches = 1; pitches <= 125; pitches++) {
        const rest = restByTable(age, pitches);
        const { today } = workload(request(age, [outing(1, pitches)]));
        expect([age, pitches, today.restUntil]).toEqual([age, pitches, rest === 0 ? null : addDays(on, rest)]);
        expect(workload(request(age, [outing(0, pitches)])).today.restAfterToday).toBe(rest);
      }
    }
  });

  it('reads the age on the day concerned', () => {
    const birthday = { ...request(14, [outing(1, 25)]).athlete, birthDate: '2011-06-15' };
    // Fourteen when pitched, fifteen today: the rest of a fourteen-year-old is owed.
    expect(workload({ ...request(14, [outing(1, 25)]), athlete: birthday }).today.restUntil).toBe(addDays(on, 1));
  });

  it('is never looser than the league', () => {
    expect(workload(request(13, [], { leagueDailyLimit: 60 })).today.pitchesLeft).toBe(60);
    expect(workload(request(13, [outing(5, 55)], { league: { weekly: 70 } })).today.pitchesLeft).toBe(15);
    expect(workload(request(17, [outing(2, 20)], { league: { rest: [{ from: 15, days: 3 }] } })).today.restUntil).toBe(
      addDays(on, 2),
    );
  });

  it.each([
    [10, [80, 80, 0, 0]],
    [12, [95, 95, 0, 0]],
    [14, [115, 115, 80, 0]],
    [18, [140, 140, 100, 0]],
  ])('counts windmill days in a row at %i', (age, limits) => {
    limits.forEach((limit, before) => {
      const log = Array.from({ length: before }, (_, i) => outing(i + 1, 30));
      const base = request(age, log);
      const { today } = workload({ ...base, athlete: { ...base.athlete, discipline: 'windmill' } });
      expect(today.pitchesLeft).toBe(limit);
      expect(today.restUntil).toBe(limit === 0 ? addDays(on, 1) : null);
    });
  });
});

describe('practice', () => {
  it('leaves no hard throws after a game on the same day', () => {
    const { today } = workload(request(16, [practice(10, 60), outing(0, 20)]));
    expect(today.highEffortLeft).toBe(0);
    expect(today.throwsLeft).toBe(90);
  });

  it('compares the rolling week with recorded weeks only', () => {
    const log = [practice(8, 100), practice(24, 100), practice(1, 120)];
    const { week, warnings } = workload(request(16, log));
    expect(week).toMatchObject({ throws: 120, mean: 100, change: 0.2, planningStopped: false });
    expect(warnings.map((w) => w.rule)).toContain('week-above-15');
    expect(workload(request(16, [...log, practice(2, 40)])).week.planningStopped).toBe(true);
  });

  it('holds the first week to two daily budgets', () => {
    expect(workload(request(16, [practice(1, 110), practice(3, 100)])).today.throwsLeft).toBe(10);
  });

  it('says which rule under seven and over twenty-two', () => {
    expect(workload(request(6, [])).ageRule.readAs).toBe('read as 7–8');
    expect(workload(request(23, [])).ageRule.readAs).toBe('read as 19–22');
  });
});

describe('pain', () => {
  const pain = (site: 'elbow' | 'shoulder' | 'knee' | 'wrist', score: number, signs: ('numbness' | 'night')[] = []) => ({
    pain: [{ site, score, signs }],
  });
  const locked = (log: LoadRow[], more: Partial<WorkloadRequest> = {}) =>
    workload(request(15, log, more)).today.locked?.until ?? null;

  it('ends throwing for the day from one at elbow or shoulder', () => {
    expect(locked([practice(0, 20, pain('elbow', 1))])).toBe(addDays(on, 1));
    expect(locked([practice(0, 20, pain('wrist', 2))])).toBeNull();
    expect(locked([practice(1, 20, pain('elbow', 1))])).toBeNull();
  });

  it('locks until clearance: three at a throwing joint, two sessions running, or a sign', () => {
    expect(locked([practice(3, 20, pain('shoulder', 3))])).toBe('clearance');
    expect(locked([practice(6, 20, pain('wrist', 1)), practice(3, 20, pain('elbow', 1))])).toBe('clearance');
    expect(locked([practice(6, 20, pain('wrist', 1)), practice(4, 20), practice(3, 20, pain('elbow', 1))])).toBeNull();
    expect(locked([practice(9, 20, pain('elbow', 1, ['numbness']))])).toBe('clearance');
    expect(locked([practice(3, 20, pain('knee', 5))])).toBeNull();
  });

  it('opens with a clearance that is not older than the report and has not run out', () => {
    const log = [practice(5, 20, pain('elbow', 4))];
    const cleared = (daysAgo: number, until?: string) => ({
      clearances: [{ date: addDays(on, -daysAgo), by: 'Dr. Made Up', ...(until ? { until } : {}) }],
    });
    expect(locked(log, cleared(2))).toBeNull();
    expect(locked(log, cleared(6))).toBe('clearance');
    expect(locked(log, cleared(2, addDays(on, -1)))).toBe('clearance');
    expect(locked([...log, practice(1, 10, pain('elbow', 3))], cleared(2))).toBe('clearance');
  });
});

describe('the league’s rules taken together', () => {
  it('are as strict as the strictest of each', () => {
    expect(
      strictestLeague([
        { daily: 70, weekly: 200 },
        { daily: 80, perGame: 50, rest: [{ from: 30, days: 1 }] },
      ]),
    ).toEqual({
      daily: 70,
      weekly: 200,
      perGame: 50,
      rest: [{ from: 30, days: 1 }],
    });
    expect(strictestLeague([{}, {}])).toEqual({});
  });
});
