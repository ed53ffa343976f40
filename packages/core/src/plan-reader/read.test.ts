import { makePlan } from '../plan/plan';
import type { Plan, PlanItem, PlanSession } from '../plan/types';
import { planRequest } from '../testing/plan';
import { addDays } from '../shared/dates';
import { readPlan } from './read';
import type { PlanCheck } from './types';

const request = {
  ...planRequest,
  weeks: 6,
  focus: [{ finding: 'stall' as const, rung: 4 as const }],
  recentLoad: Array.from({ length: 8 }, (_, week) =>
    [1, 3, 5].map((back) => ({ date: addDays(planRequest.on, -7 * week - back), throws: 70, highEffort: 0 })),
  ).flat(),
};
const good = makePlan(request);

/** The plan with its n-th throwing session changed. */
function spoiled(change: (session: PlanSession) => PlanSession): Plan {
  const at = good.sessions.findIndex((s) => s.throws > 0 && !s.testDay);
  return { ...good, sessions: good.sessions.map((s, i) => (i === at ? change(s) : s)) };
}
const items = (session: PlanSession, change: (list: PlanItem[]) => PlanItem[]): PlanSession => {
  const list = change([...session.items]);
  return {
    ...session,
    items: list,
    throws: list.reduce((n, i) => n + i.throws, 0),
    minutes: list.reduce((n, i) => n + i.minutes, 0),
  };
};
const wrong = (plan: Plan, asked = request): Set<PlanCheck> =>
  new Set(readPlan(asked, plan).flatMap((p) => (p.ok ? [] : [p.check])));

describe('the reader of plans', () => {
  it('finds nothing in a plan that is right', () => {
    expect(readPlan(request, good).filter((p) => !p.ok)).toEqual([]);
  });

  it('finds what is wrong with one that is not', () => {
    const cases: [PlanCheck, Plan][] = [
      ['cold throws', spoiled((s) => items(s, (list) => list.filter((i) => i.role !== 'warm-throws')))],
      ['minutes', spoiled((s) => ({ ...items(s, (list) => list.slice(0, 3)), note: null }))],
      ['cues', spoiled((s) => items(s, (list) => list.map((i) => (i.role === 'main' ? { ...i, cue: `${i.cue} and more` } : i))))],
      [
        'what is treated',
        spoiled((s) =>
          items(s, (list) => list.map((i) => (i.role === 'main' ? { ...i, drill: 'knee-marker-throw', focus: null } : i))),
        ),
      ],
      [
        'direct share',
        spoiled((s) =>
          items(s, (list) => list.map((i) => (i.role === 'main' ? { ...i, drill: 'glove-in-sight', focus: null } : i))),
        ),
      ],
      ['rung and place', spoiled((s) => items(s, (list) => list.map((i) => ({ ...i, rung: 8 as const }))))],
      ['items', spoiled((s) => items(s, (list) => [...list, ...list.filter((i) => i.role === 'main'), ...list, ...list]))],
      [
        'warm-up',
        spoiled((s) => items(s, (list) => list.map((i) => (i.role === 'warm-throws' ? { ...i, reps: 6, throws: 6 } : i)))),
      ],
      ['words', spoiled((s) => items(s, (list) => list.map((i) => ({ ...i, why: 'because' }))))],
      [
        'hard rules',
        spoiled((s) => items(s, (list) => list.map((i) => (i.throws > 0 ? { ...i, sets: 9, throws: 9 * i.reps } : i)))),
      ],
      [
        'tests',
        {
          ...good,
          sessions: good.sessions.map((s) => ({
            ...s,
            testDay: false,
            note: null,
            items: s.items.filter((i) => i.role !== 'test'),
          })),
        },
      ],
      [
        'throws',
        {
          ...good,
          sessions: good.sessions.map((s) => ({
            ...items(s, (list) => list.filter((i) => i.throws === 0 || i.role === 'warm-throws')),
            note: null,
          })),
        },
      ],
    ];
    for (const [check, plan] of cases) expect([check, wrong(plan).has(check)]).toEqual([check, true]);
    const twice = good.sessions.find((s) => s.place === 'cage')!;
    const same = { ...good, sessions: good.sessions.map((s) => (s.place === 'cage' ? { ...twice, date: s.date } : s)) };
    expect(wrong(same).has('neighbours')).toBe(true);
    expect(
      wrong(good, { ...request, games: [{ date: addDays(good.sessions.find((s) => s.testDay)!.date, 1), pitches: 20 }] }).has(
        'eve of a game',
      ),
    ).toBe(true);
  });
});
