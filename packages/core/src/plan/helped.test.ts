import { resolveSchools } from '../athlete/schools';
import { drillById } from '../drills/catalogue';
import type { HelpedDrill } from '../drills/library';
import { OWN_RUNGS } from '../drills/ladders';
import type { OwnLadder } from '../drills/own';
import { planRequest as request } from '../testing/plan';
import { directOn, scoreOf } from './choose';
import type { Context } from './choose';
import { openLedger } from './ledger';
import { dayAt } from './places';
import { makePlan } from './plan';
import type { PlanRequest } from './types';

const DATE = '2026-05-04';
const { finding, rung } = request.focus[0]!;
const { discipline } = request.athlete;
/** The rung of the focus, of those that a ladder of one's own has. */
const OWN_RUNG = OWN_RUNGS.find((own) => own === rung)!;

function context(helped: readonly HelpedDrill[], more: Partial<PlanRequest['library']> = {}): Context {
  const asked: PlanRequest = { ...request, library: { first: [], never: [], helped, ...more } };
  return {
    request: asked,
    schools: resolveSchools(asked.schools, discipline, 17),
    day: dayAt(asked, DATE)!,
    allowance: openLedger(asked).allowance(DATE),
    throwing: true,
    used: new Map(),
    before: new Set(),
    kept: new Set(),
  };
}
const order = (c: Context) => directOn(finding, rung, c).map((d) => d.id);
const helps = (drill: string, better: number, more: Partial<HelpedDrill> = {}): HelpedDrill => ({
  finding,
  discipline,
  drill,
  better,
  athletes: 9,
  days: 120,
  ...more,
});

describe('what drills did in the academy', () => {
  const plain = order(context([]));

  it('stands at a rung where there is a choice', () => {
    expect(plain.length).toBeGreaterThan(1);
  });

  it('lifts what helped and lowers what did not, and changes nothing where nothing can be told', () => {
    const [first, second] = plain as [string, string];
    expect(order(context([helps(first, 0.5), helps(second, 0.5)]))).toEqual(plain);
    const turned = order(context([helps(first, 0), helps(second, 1)]));
    expect(turned.indexOf(second)).toBeLessThan(turned.indexOf(first));
  });

  it('speaks for its own finding and discipline only', () => {
    const [first, second] = plain as [string, string];
    const other = discipline === 'overhand' ? ('windmill' as const) : ('overhand' as const);
    const foreign = [first, second].flatMap((drill, i) => [
      helps(drill, i, { discipline: other }),
      helps(drill, i, { finding: finding === 'stall' ? 'fly-open' : 'stall' }),
    ]);
    expect(order(context(foreign))).toEqual(plain);
  });

  it('is worth at most 0.3 between two drills: as much as two answers of a school are apart', () => {
    const c = context([]);
    const score = (id: string) => scoreOf(drillById(id), finding, c);
    const [first] = plain as [string];
    for (const drill of plain.slice(1)) {
      const turned = order(context([helps(first, 0), helps(drill, 1)]));
      expect(turned.indexOf(first) < turned.indexOf(drill)).toBe(score(first) - score(drill) > 0.3);
    }
  });

  it('leaves the order of a ladder of the academy’s own', () => {
    const ladders: OwnLadder[] = [{ finding, discipline, version: 1, rungs: [{ rung: OWN_RUNG, drills: [...plain].reverse() }] }];
    const without = order(context([], { ladders }));
    const [first] = without as [string];
    expect(order(context([helps(first, 0), ...without.slice(1).map((d) => helps(d, 1))], { ladders }))).toEqual(without);
  });

  it('is said in the plan where it is sure, with how much it rests on', () => {
    const why = (better: number) =>
      makePlan({ ...request, library: { first: [], never: [], helped: plain.map((d) => helps(d, better)) } })
        .sessions.flatMap((s) => s.items)
        .filter((i) => i.role === 'main' && plain.includes(i.drill) && i.focus === finding)
        .map((i) => i.why);
    expect(
      why(0.9).some((w) =>
        w.includes('In this academy this drill has helped with it more than the others (9 athletes, 120 days of work).'),
      ),
    ).toBe(true);
    expect(why(0.1).some((w) => w.includes('helped with it less than the others (9 athletes, 120 days'))).toBe(true);
    expect(why(0.6).some((w) => w.includes('In this academy'))).toBe(false);
  });
});
