import { editPlan, improvePlan, makePlan, randomFrom, readPlan } from '@wrightonic/core';
import { makePlanRequest, PLAN_KINDS } from '@wrightonic/core/simulate';
import type { LinearModel } from '@wrightonic/core';
import loadHighs from 'highs';
import { solverWith } from './index';

/** The best score of a model of choices, by trying them all. */
function bestByTrying({ columns, rows }: LinearModel): number {
  let best = -Infinity;
  for (let bits = 0; bits < 2 ** columns.length; bits++) {
    const value = (i: number) => (bits >> i) & 1;
    const fits = rows.every(({ lower, upper, entries }) => {
      const sum = entries.reduce((t, [c, v]) => t + v * value(c), 0);
      return sum >= lower - 1e-9 && sum <= upper + 1e-9;
    });
    if (fits)
      best = Math.max(
        best,
        columns.reduce((t, c, i) => t + c.cost * value(i), 0),
      );
  }
  return best;
}

const solver = async () => solverWith(await loadHighs(), { gap: 0, nodes: 1000 });

describe('the solver', () => {
  it('finds what trying everything finds, for thirty random models', async () => {
    const solve = await solver();
    for (let seed = 1; seed <= 30; seed++) {
      const random = randomFrom(seed);
      const columns = Array.from({ length: 11 }, () => ({ cost: Math.round(20 * random.uniform()) / 10, upper: 1, whole: true }));
      const rows = Array.from({ length: 5 }, (_, r) => ({
        lower: r === 0 ? 1 : -Infinity,
        upper: 6 + 6 * random.uniform(),
        entries: columns.map((_c, c) => [c, Math.ceil(4 * random.uniform())] as const).filter(() => random.chance(0.7)),
      })).filter((row) => row.entries.length > 0);
      const model = { columns, rows };
      const found = await solve(model, []);
      expect([seed, Math.round(1000 * found.score)]).toEqual([seed, Math.round(1000 * bestByTrying(model))]);
      expect(found.best).toBeGreaterThanOrEqual(found.score - 1e-6);
    }
  });
});

describe('an improved plan', () => {
  it('keeps the load of every session, breaks nothing, is no worse, and is the same again', async () => {
    const solve = await solver();
    for (const [n, kind] of PLAN_KINDS.entries()) {
      const { request } = makePlanRequest(randomFrom(640 + n), kind);
      const first = makePlan(request);
      const better = await improvePlan(request, solve);
      expect([kind, better.sessions.map((s) => [s.date, s.throws])]).toEqual([
        kind,
        first.sessions.map((s) => [s.date, s.throws]),
      ]);
      better.sessions.forEach((s, i) => expect(s.highEffort).toBeLessThanOrEqual(first.sessions[i]!.highEffort));
      const wrong = readPlan(request, better).filter(
        (p) => !p.ok && ['hard rules', 'cold throws', 'neighbours', 'what is treated'].includes(p.check),
      );
      expect([kind, wrong]).toEqual([kind, []]);
      if (better.bound) expect(better.bound.gap).toBeLessThanOrEqual(0.02);
      expect(JSON.stringify(await improvePlan(request, solve))).toBe(JSON.stringify(better));
    }
  });
});

describe('a plan changed by hand', () => {
  it('is whole again when its mends are made, one after another', () => {
    for (const [n, kind] of PLAN_KINDS.entries()) {
      const { request } = makePlanRequest(randomFrom(840 + n), kind);
      const plan = makePlan(request);
      const session = plan.sessions.find((s) => s.throws > 0);
      if (!session) continue;
      const edits = session.items
        .filter((i) => i.throws > 0)
        .map((i) => ({ kind: 'sets' as const, date: session.date, drill: i.drill, sets: 8 }));
      let edited = editPlan(request, plan, edits);
      const made: Parameters<typeof editPlan>[2][number][] = [...edits];
      for (let tap = 0; tap < 60; tap++) {
        const next = edited.broken.find((b) => b.hard && b.mend !== null);
        if (!next) break;
        made.push(next.mend!.edit);
        edited = editPlan(request, plan, made);
      }
      expect([kind, edited.broken.filter((b) => b.hard && b.mend !== null)]).toEqual([kind, []]);
    }
  });
});
