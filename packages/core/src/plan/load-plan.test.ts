import { planRequest as request } from '../testing/plan';
import { addDays } from '../shared/dates';
import { makePlan } from './plan';
import type { PlanRequest } from './types';

/** Three days a week of so many throws each, for some weeks up to the day before the plan. */
const weeksOf = (throws: number, weeks: number, until = request.on): PlanRequest['recentLoad'] =>
  Array.from({ length: weeks }, (_, week) =>
    [1, 3, 5].map((back) => ({ date: addDays(until, -7 * week - back), throws, highEffort: 0 })),
  ).flat();
const cage: PlanRequest['availability'] = (['mon', 'wed', 'fri'] as const).map((weekday) => ({
  weekday,
  minutes: 75,
  place: 'cage' as const,
}));
const weeks = (more: Partial<PlanRequest>) =>
  makePlan({ ...request, weeks: 6, availability: cage, focus: [{ finding: 'stall', rung: 4 }], ...more }).weeks;

describe('the load plan', () => {
  it('climbs by a tenth a week, with a light week after three, up to the aim', () => {
    // 17 years: a budget of 120, aim off season 2.5 budgets; 180 throws a week on record.
    const found = weeks({ recentLoad: weeksOf(60, 6) });
    expect(found[0]!.target).toBe(198);
    expect(found[1]!.target).toBeLessThanOrEqual(Math.floor(1.1 * 198));
    expect(found.map((w) => w.light)).toEqual([false, false, false, true, false, false]);
    expect(found[3]!.target).toBeGreaterThan(0.65 * found[2]!.throws);
    expect(found[3]!.target).toBeLessThanOrEqual(0.7 * found[2]!.target);
    for (const week of found) {
      expect(week.target).toBeLessThanOrEqual(300);
      expect(week.throws).toBeLessThanOrEqual(week.target);
      expect(week.throws).toBeGreaterThan(0.85 * week.target);
    }
  });

  it('goes on with the light week of a plan that is made anew in its midst', () => {
    const recorded = weeksOf(60, 8);
    const began = addDays(request.on, -14);
    // Two of the plan's weeks are on record, so the next is the third and the one after it light.
    expect(
      weeks({ recentLoad: recorded, began })
        .map((w) => w.light)
        .slice(0, 3),
    ).toEqual([false, true, false]);
  });

  it('starts from half a budget for who has nothing on record, and tests nothing hard', () => {
    const plan = makePlan({ ...request, weeks: 4, availability: cage, focus: [{ finding: 'stall', rung: 4 }] });
    expect(plan.weeks.map((w) => w.target).slice(0, 3)).toEqual([60, 90, 120]);
    const tops = plan.sessions.slice(0, 3).flatMap((s) => s.items.map((i) => i.effort[1]));
    expect(Math.max(...tops)).toBeLessThanOrEqual(70);
    expect(plan.sessions.every((s) => s.highEffort === 0 || s.date > addDays(request.on, 21))).toBe(true);
  });

  it('starts lower after days without throwing', () => {
    const off = (days: number) => weeks({ recentLoad: weeksOf(60, 6, addDays(request.on, -days)) })[0]!.target;
    // The normal week stays 180 while the silence is shorter than a week, then the silent weeks count as they are.
    expect(off(10)).toBeLessThanOrEqual(0.8 * 180);
    expect(off(10)).toBeGreaterThan(0);
    expect(off(17)).toBeLessThan(off(10));
    expect(off(40)).toBe(60);
  });

  it('takes what was told at intake where nothing is on record', () => {
    expect(weeks({ weekTold: 200 })[0]!.target).toBe(176);
    expect(weeks({ weekTold: 900 })[0]!.target).toBe(264);
  });

  it('leaves to practice what the games leave', () => {
    const games = [{ date: '2026-05-09', pitches: 60 }];
    const [week] = weeks({ recentLoad: weeksOf(60, 6), games, season: 'in' });
    expect(week!.games).toBe(100);
    expect(week!.target).toBe(198 - 100);
  });

  it('throws nothing in a rest block', () => {
    const found = weeks({ recentLoad: weeksOf(60, 6), restBlocks: [{ from: request.on, until: addDays(request.on, 13) }] });
    expect(found.slice(0, 2).map((w) => w.throws)).toEqual([0, 0]);
  });

  it('spreads a floor week over three calm days', () => {
    // 60 throws three days ago are all that is known: a budget of 120 is open, no day above 48, nothing above 80 %.
    const plan = makePlan({
      ...request,
      weeks: 1,
      availability: cage,
      focus: [{ finding: 'stall', rung: 4 }],
      recentLoad: [{ date: '2026-05-01', throws: 60, highEffort: 0 }],
    });
    expect(plan.weeks[0]!.target).toBe(120);
    for (const session of plan.sessions) {
      expect(session.throws).toBeLessThanOrEqual(48);
      expect(Math.max(...session.items.map((i) => i.effort[1]))).toBeLessThanOrEqual(80);
    }
  });
});
