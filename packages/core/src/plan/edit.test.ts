import { drillById } from '../drills/catalogue';
import { makePlanRequest, PLAN_KINDS } from '../simulate/plan-request';
import { randomFrom } from '../shared/random';
import { swapChoices } from './broken';
import { editPlan } from './edit';
import { makePlan } from './plan';
import type { Plan, PlanEdit, PlanRequest, PlanSession } from './types';

interface Case {
  readonly kind: string;
  readonly request: PlanRequest;
  readonly plan: Plan;
}
const CASES: Case[] = PLAN_KINDS.map((kind, n) => {
  const { request } = makePlanRequest(randomFrom(9100 + n), kind);
  return { kind, request, plan: makePlan(request) };
}).filter(({ plan }) => plan.sessions.length > 2);

const on = (plan: Plan, date: string): PlanSession | undefined => plan.sessions.find((s) => s.date === date);
const add = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

/** What a session says, held against what is in it. */
function expectTrue(plan: Plan): void {
  for (const s of plan.sessions) {
    expect([s.date, s.minutes]).toEqual([s.date, add(s.items.map((i) => i.minutes))]);
    expect([s.date, s.throws]).toEqual([s.date, add(s.items.map((i) => i.throws))]);
    expect([s.date, s.highEffort]).toEqual([s.date, add(s.items.map((i) => (i.effort[1] < 90 ? 0 : i.throws)))]);
    expect([s.date, s.testDay]).toEqual([s.date, s.items.some((i) => i.role === 'test')]);
    expect(Object.keys(s.cues).sort()).toEqual(
      [...new Set(s.items.flatMap((i) => (i.focus === null || i.role === 'test' ? [] : [i.focus])))].sort(),
    );
    // What is named as new is in the session.
    const names = (s.new ?? '').replace(/^New today: |\.$/g, '').split('; ');
    for (const name of names.filter((n) => n !== '' && n !== 'a test'))
      expect([s.date, s.items.map((i) => drillById(i.drill).name)]).toEqual([
        s.date,
        expect.arrayContaining([name.replace(/ without the .*$/, '')]),
      ]);
  }
}

const changedOnly = (before: Plan, after: Plan): string[] =>
  before.sessions.filter((s) => JSON.stringify(s) !== JSON.stringify(on(after, s.date))).map((s) => s.date);

describe('a change by hand', () => {
  it('is nothing while nothing is changed', () => {
    for (const { request, plan } of CASES) expect(editPlan(request, plan, [])).toEqual({ plan, broken: [] });
  });

  it.each(CASES.map((c) => [c.kind, c] as const))('leaves every word true: %s', (_, { request, plan }) => {
    const session = plan.sessions[1]!;
    const item = session.items[session.items.length - 1]!;
    const swap = session.items.flatMap((i) => {
      const other = swapChoices(request, plan, session.date, i.drill)[0];
      return other ? [{ kind: 'swap' as const, date: session.date, drill: i.drill, with: other.drill }] : [];
    })[0];
    const of = { date: session.date, drill: item.drill };
    const edits: PlanEdit[] = [
      { kind: 'drop', ...of },
      { kind: 'sets', ...of, sets: item.sets + 1 },
      { kind: 'pin', ...of },
      { kind: 'move', date: session.date, to: plan.sessions[2]!.date },
      { kind: 'drop-session', date: session.date },
      { kind: 'add', date: session.date, drill: 'easy-catch' },
      ...(swap ? [swap] : []),
    ];
    for (const edit of edits) expectTrue(editPlan(request, plan, [edit]).plan);
    expectTrue(editPlan(request, plan, edits).plan);
  });

  it('keeps the planner’s note only where the session is the planner’s', () => {
    for (const { request, plan } of CASES) {
      const session = plan.sessions.find((s) => s.note !== null && s.items.length > 1);
      if (!session) continue;
      const item = session.items[session.items.length - 1]!;
      const { plan: after } = editPlan(request, plan, [{ kind: 'drop', date: session.date, drill: item.drill }]);
      expect(on(after, session.date)?.note ?? null).toBeNull();
      for (const other of plan.sessions) if (other !== session) expect(on(after, other.date)!.note).toBe(other.note);
    }
  });

  it('names a drill as new in the session that now has it first', () => {
    const found = CASES.flatMap(({ request, plan }) => {
      const first = plan.sessions[0]!;
      const fresh = first.items.find(
        (i) =>
          i.role === 'main' &&
          i.aids.length === 0 &&
          !(request.recentDrills ?? []).some((r) => r.drill === i.drill) &&
          plan.sessions.slice(1).some((s) => s.items.some((o) => o.drill === i.drill && o.role === 'main')),
      );
      return fresh ? [{ request, plan, first, drill: fresh.drill }] : [];
    });
    expect(found.length).toBeGreaterThan(3);
    for (const { request, plan, first, drill } of found) {
      const { plan: after } = editPlan(request, plan, [{ kind: 'drop', date: first.date, drill }]);
      const next = after.sessions.find((s) => s.items.some((i) => i.drill === drill))!;
      expect(next.new).toContain(drillById(drill).name);
    }
  });

  it('changes no other session than the one it is of, but for what is new there', () => {
    for (const { request, plan } of CASES) {
      const session = plan.sessions[1]!;
      const item = session.items[session.items.length - 1]!;
      const edit: PlanEdit = { kind: 'sets', date: session.date, drill: item.drill, sets: item.sets };
      expect(changedOnly(plan, editPlan(request, plan, [edit]).plan).filter((date) => date !== session.date)).toEqual([]);
    }
  });

  it('moves there and back to the same drills, doses and distances at the same place', () => {
    let looked = 0;
    for (const { request, plan } of CASES) {
      const [a, b] = [plan.sessions[0]!, plan.sessions.slice(1).find((s) => s.place === plan.sessions[0]!.place)];
      if (!b) continue;
      looked++;
      const there: PlanEdit = { kind: 'move', date: a.date, to: b.date };
      const back: PlanEdit = { kind: 'move', date: b.date, to: a.date };
      const { plan: after } = editPlan(request, plan, [there, back]);
      const dose = (s: PlanSession) => s.items.map((i) => [i.drill, i.sets, i.reps, i.minutes, i.distanceM]).sort();
      expect([dose(on(after, a.date)!), dose(on(after, b.date)!)]).toEqual([dose(a), dose(b)]);
    }
    expect(looked).toBeGreaterThan(8);
  });

  it('throws no farther at home than a home holds', () => {
    let looked = 0;
    for (const { request, plan } of CASES) {
      const home = plan.sessions.find((s) => s.place === 'home');
      const away = plan.sessions.find((s) => s.place !== 'home' && s.items.some((i) => (i.distanceM ?? 0) > 6));
      if (!home || !away) continue;
      looked++;
      const { plan: after } = editPlan(request, plan, [{ kind: 'move', date: away.date, to: home.date }]);
      for (const item of on(after, home.date)!.items) expect(item.distanceM ?? 0).toBeLessThanOrEqual(6);
    }
    expect(looked).toBeGreaterThan(1);
  });

  it('does nothing for a day without a session or a drill that is not there', () => {
    for (const { request, plan } of CASES.slice(0, 4)) {
      const date = plan.sessions[1]!.date;
      const edits: PlanEdit[] = [
        { kind: 'move', date: '1999-01-01', to: date },
        { kind: 'drop', date, drill: 'no-such-drill' },
        { kind: 'drop-session', date: '1999-01-01' },
      ];
      const { plan: after } = editPlan(request, plan, edits);
      expect(after.sessions.map((s) => [s.date, s.items])).toEqual(plan.sessions.map((s) => [s.date, s.items]));
    }
  });

  it('leaves a day out whose last drill goes', () => {
    const { request, plan } = CASES[0]!;
    const { date, items } = plan.sessions[0]!;
    const edits = items.map(({ drill }): PlanEdit => ({ kind: 'drop', date, drill }));
    expect(on(editPlan(request, plan, edits).plan, date)).toBeUndefined();
  });
});
