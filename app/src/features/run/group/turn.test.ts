import type { AthleteWork } from '@wrightonic/contract';
import { drillById } from '@wrightonic/core';
import type { PlanItem } from '@wrightonic/core';
import { planOf, workOf } from '../../../testing/work';
import { runState } from '../run-state';
import type { RunState } from '../run-state';
import { drillsOf, turnOf } from './turn';

const plan = planOf();
const items = plan.sessions[0]!.items;
const work = workOf(plan);
const state = (more: Partial<RunState> = {}): RunState => ({ ...runState([], null, work, null), ...more });
const isThrow = (item: PlanItem) => drillById(item.drill).throws !== 'none';
const thrown = items.find((i) => isThrow(i) && i.focus !== null)!;
const reps = (drill: string, n: number) =>
  Array.from(
    { length: n },
    (_, i) => ({ id: `${drill}${i}`, at: '', type: 'rep', drill, rung: 4, focus: null, judged: 'good', effort: 0 }) as const,
  );

describe('whose turn does what', () => {
  it('is the first thing of their own work that is not done', () => {
    const [first, second] = items;
    expect(turnOf(work, state(), items, null).item).toBe(first);
    const after = state({ reps: reps(first!.drill, first!.sets * first!.reps) });
    expect(turnOf(work, after, items, null).item).toBe(second);
  });

  it('is the dry work where throwing is closed, and the reason where nothing else is left', () => {
    const locked = state({ dryOnly: 'The elbow hurts.' });
    const turn = turnOf(work, locked, items, null);
    expect(isThrow(turn.item!)).toBe(false);
    expect(turn.passed).toBeNull();
    expect(turnOf(work, locked, [thrown], null).passed).toBe('The elbow hurts.');
    expect(turnOf(work, locked, items, thrown.drill).passed).toBe('The elbow hurts.');
  });

  it('is passed over when the dose is done, and when nothing is planned', () => {
    const full = state({ reps: reps(thrown.drill, thrown.sets * thrown.reps) });
    expect(turnOf(work, full, items, thrown.drill).passed).toBe(`Their ${thrown.sets * thrown.reps} reps are done.`);
    expect(turnOf(work, state(), [], null).passed).toBe('Nothing is planned.');
  });

  it('takes of a sore arm a part of the throws, and of nobody’s dry work', () => {
    const sore = state({ dose: { share: 0.5, highestEffort: 70, reasons: [] }, highestEffort: 70 });
    const turn = turnOf(work, sore, items, thrown.drill);
    expect(turn.wanted).toBe(Math.ceil((thrown.sets * thrown.reps) / 2));
    expect(turn.effort).toBeLessThanOrEqual(Math.max(70, thrown.effort[0]));
  });

  it('shows a drill that is not planned on its lowest rung and effort, to whom it is for', () => {
    const other = drillById('knee-gate');
    const turn = turnOf(work, state(), [], other.id);
    expect(turn).toMatchObject({ passed: null, wanted: other.dose.sets * other.dose.reps });
    expect(turn.item).toMatchObject({ rung: other.rungs[0], focus: null, aids: other.aids.map((a) => a.kit) });
    const young = { ...work, age: other.minAge - 1 } as AthleteWork;
    expect(turnOf(young, state(), [], other.id).passed).toContain('too young');
    const windmill = { ...work, athlete: { ...work.athlete, discipline: 'windmill' } } as AthleteWork;
    if (!other.disciplines.includes('windmill'))
      expect(turnOf(windmill, state(), [], other.id).passed).toContain('no drill of the windmill delivery');
  });
});

it('offers first what most of the line have planned', () => {
  const item = (drill: string) => ({ drill }) as PlanItem;
  expect(
    drillsOf([
      [item('a'), item('b')],
      [item('b'), item('b')],
      [item('c'), item('b')],
    ]),
  ).toEqual([
    { drill: 'b', athletes: 3 },
    { drill: 'a', athletes: 1 },
    { drill: 'c', athletes: 1 },
  ]);
});
