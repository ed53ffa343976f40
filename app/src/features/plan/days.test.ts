import { addDays, makePlan } from '@wrightonic/core';
import { planRequestOf } from '../../testing/work';
import { waysOf } from './Compare';
import { sessionLine, weeksOfDays } from './days';

const request = planRequestOf({
  weeks: 4,
  focus: [{ finding: 'stall', rung: 6 }],
  availability: [
    { weekday: 'mon', minutes: 60, place: 'cage' },
    { weekday: 'wed', minutes: 50, place: 'mound' },
    { weekday: 'sat', minutes: 20, place: 'home' },
  ],
});
const plan = makePlan(request);

describe('a plan by days', () => {
  it('has every session once, each on its own day', () => {
    const days = weeksOfDays(plan, request.on).flatMap((w) => w.days);
    expect(days.flatMap((d) => (d.session ? [d.session] : []))).toEqual(plan.sessions);
    for (const { date, session } of days) expect(session?.date ?? date).toBe(date);
    expect(days.map((d) => d.date)).toEqual(Array.from({ length: 28 }, (_, n) => addDays(request.on, n)));
  });

  it('leaves out the weeks that are over, not the one that is on', () => {
    expect(weeksOfDays(plan, addDays(request.on, 6))).toHaveLength(4);
    expect(weeksOfDays(plan, addDays(request.on, 7))).toHaveLength(3);
    expect(weeksOfDays(plan, addDays(request.on, 400))).toEqual([]);
  });

  it('says of a session the highest rung of its main work, its throws and a test', () => {
    const session = plan.sessions.find((s) => s.throws > 0)!;
    expect(sessionLine(session)).toContain(`${session.throws} throws`);
    expect(sessionLine({ ...session, throws: 0, items: [] })).toBe('dry');
    expect(sessionLine({ ...session, testDay: true })).toMatch(/test$/);
  });
});

describe('a plan beside others', () => {
  const ways = waysOf(request);
  const way = (name: string) => makePlan(ways.find((w) => w.name === name)!.request);

  it('goes to two days a week, those with the most minutes', () => {
    const days = new Set(way('Two days a week').sessions.map((s) => s.place));
    expect([...days].sort()).toEqual(['cage', 'mound']);
  });
  it('goes without the mound', () => {
    expect(way('Without the mound').sessions.some((s) => s.place === 'mound')).toBe(false);
    expect(plan.sessions.some((s) => s.place === 'mound')).toBe(true);
  });
  it('has a name for each, and none twice', () => {
    expect(new Set(ways.map((w) => w.name)).size).toBe(ways.length);
  });
});
