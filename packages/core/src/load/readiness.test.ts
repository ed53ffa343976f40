import fc from 'fast-check';
import { readyDose, readyReps } from './readiness';
import type { Readiness } from './readiness';

const FRESH: Readiness = { soreness: 0, sleepH: 9, warm: true };
const TODAY = '2026-05-04';
const dose = (more: Partial<Readiness>, age = 15, last: string | null = '2026-05-02') =>
  readyDose({ ...FRESH, ...more }, age, last, TODAY);

describe('the dose after what is said', () => {
  it.each([
    ['fresh', {}, 15, '2026-05-02', 1, 100],
    ['a little stiff', { soreness: 3 }, 15, '2026-05-02', 1, 100],
    ['sore', { soreness: 4 }, 15, '2026-05-02', 0.75, 80],
    ['very sore', { soreness: 7 }, 15, '2026-05-02', 0.5, 70],
    ['seven hours at fifteen', { sleepH: 7 }, 15, '2026-05-02', 1, 100],
    ['seven hours at twelve', { sleepH: 7 }, 12, '2026-05-02', 0.75, 85],
    ['five and a half hours at twelve', { sleepH: 5.5 }, 12, '2026-05-02', 0.5, 80],
    ['five hours at fifteen', { sleepH: 5 }, 15, '2026-05-02', 0.75, 85],
    ['four hours at fifteen', { sleepH: 4 }, 15, '2026-05-02', 0.5, 80],
    ['sleep not told', { sleepH: null }, 12, '2026-05-02', 1, 100],
    ['a week off', {}, 15, '2026-04-27', 1, 100],
    ['eight days off', {}, 15, '2026-04-26', 0.75, 80],
    ['fifteen days off', {}, 15, '2026-04-19', 0.5, 70],
    ['no throw known', {}, 15, null, 1, 100],
    ['cold', { warm: false }, 15, '2026-05-02', 1, 60],
  ] as const)('%s', (_, more, age, last, share, effort) => {
    const { reasons, ...left } = dose(more, age, last);
    expect(left).toEqual({ share, highestEffort: effort });
    expect(reasons.length === 0).toBe(share === 1 && effort === 100);
  });

  it('takes the strictest of several and names each', () => {
    const { share, highestEffort, reasons } = dose({ soreness: 5, sleepH: 4, warm: false });
    expect([share, highestEffort]).toEqual([0.5, 60]);
    expect(reasons.map((r) => r.split(':')[0])).toEqual(['The arm is sore (5 of 10)', 'Slept 4 hours', 'Not warm yet']);
  });

  it('never gives more to whoever is sorer, has slept less or is colder', () => {
    const said = fc.record({
      soreness: fc.integer({ min: 0, max: 10 }),
      sleepH: fc.double({ min: 0, max: 12, noNaN: true }),
      warm: fc.boolean(),
    });
    fc.assert(
      fc.property(
        said,
        fc.integer({ min: 7, max: 40 }),
        fc.integer({ min: 0, max: 10 }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (a, age, sorer, less) => {
          const b = { soreness: Math.min(10, a.soreness + sorer), sleepH: Math.max(0, a.sleepH - less), warm: false };
          const [better, worse] = [readyDose(a, age, TODAY, TODAY), readyDose(b, age, TODAY, TODAY)];
          expect(worse.share).toBeLessThanOrEqual(better.share);
          expect(worse.highestEffort).toBeLessThanOrEqual(better.highestEffort);
        },
      ),
    );
  });

  it('leaves of each drill at least one rep and never more than was planned', () => {
    expect([readyReps(10, 0.75), readyReps(10, 0.5), readyReps(1, 0.5), readyReps(8, 1), readyReps(0, 0.5)]).toEqual([
      8, 5, 1, 8, 0,
    ]);
  });
});
