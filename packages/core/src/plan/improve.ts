import type { Place } from '../drills/types';
import { sum } from '../shared/maths';
import { itemOf, redose } from './dose';
import { framesInOrder } from './greedy';
import type { Solver } from '../shared/linear';
import { isFeasible, scoreOfValues } from '../shared/linear';
import { KEPT } from './choices';
import { modelOf, valuesOf } from './model';
import type { FrameChoices } from './choices';
import { makePlan } from './plan';
import { assemble } from './session';
import { differ, sameAs } from './differ';
import { supportReps, supportWanted } from './fill';
import { mainWanted, secondWanted } from './work';
import { Draft } from './draft';
import type { Plan, PlanItem, PlanRequest, PlanSession } from './types';

const SCORE_DIGITS = 1000;

/**
 * The plan with its drills, sets and support chosen over the whole horizon at once, and its bound. Where the solver finds nothing
 * better, the plan made in order stands.
 * @param solve any solver of mixed-integer models; the same one gives the same plan for the same request
 */
export async function improvePlan(request: PlanRequest, solve: Solver): Promise<Plan> {
  const first = framesInOrder(request);
  const plan = makePlan(request, () => first);
  if (first.frames.length === 0) return plan;
  const task = modelOf(first.frames);
  const start = valuesOf(task);
  const startScore = isFeasible(task.model, start) ? scoreOfValues(task.model, start) : null;
  const found = await solve(task.model, startScore === null ? [] : start);
  const better =
    found.values.length > 0 && Number.isFinite(found.score) && (startScore === null || found.score > startScore + 1e-6);
  const score = better ? found.score : startScore;
  if (score === null || !Number.isFinite(found.best)) return plan;
  const best = Math.max(found.best, score);
  const bound = { score: rounded(score), best: rounded(best), gap: best > 0 ? rounded((best - score) / best) : 0 };
  if (!better) return { ...plan, bound };
  return { ...makePlan(request, () => ({ ...first, sessions: sessionsOf(task.frames, found.values) })), bound };
}

const rounded = (value: number): number => Math.round(SCORE_DIGITS * value) / SCORE_DIGITS;

/** The sessions of a solution, each told what the ones before it have used. */
export function sessionsOf(frames: readonly FrameChoices[], values: readonly number[]): PlanSession[] {
  const sessions: PlanSession[] = [];
  const used = new Map(frames[0]?.frame.task.context.used ?? []);
  const lastAt = new Map<Place, PlanSession>();
  for (const choices of frames) {
    const { task, session: old } = choices.frame;
    const last = lastAt.get(old.place) ?? null;
    const context = { ...task.context, used: new Map(used), before: new Set(last?.items.map((i) => i.drill) ?? []) };
    const draft = new Draft(context, old.throws);
    draft.items.push(...itemsOf(choices, values, context));
    shorten(draft);
    differ(draft, last, true);
    if (last && sameAs(draft.items, last)) draft.items.splice(0, draft.items.length, ...old.items);
    const session = assemble({ ...task, context, last }, draft.items, old.testDay) ?? old;
    for (const item of session.items) used.set(item.drill, (used.get(item.drill) ?? 0) + 1);
    lastAt.set(session.place, session);
    sessions.push(session);
  }
  return sessions;
}

/** Takes dry sets off until the session fits its minutes; rounding may have made it a little long. */
function shorten(draft: Draft): void {
  const { day, request } = draft.context;
  for (const item of [...draft.items].reverse()) {
    if (draft.minutes <= day.useful) return;
    if (item.throws > 0 || KEPT.has(item.role)) continue;
    const at = draft.items.indexOf(item);
    if (item.sets > 1) draft.items[at] = redose(item, request, item.sets - 1, item.reps, day.place);
    else if (item.role === 'support') draft.items.splice(at, 1);
  }
}

const isOn = (values: readonly number[], column: number): boolean => values[column]! > 0.5;

type FrameContext = FrameChoices['frame']['task']['context'];

function itemsOf(choices: FrameChoices, values: readonly number[], context: FrameContext): PlanItem[] {
  const { frame, fixed, drills, whole, arm, support } = choices;
  const [first, second] = frame.task.foci;
  const place = context.day.place;
  const items = [...fixed];
  for (const { kind, drill, work, reps, use, sets } of drills) {
    if (!isOn(values, use)) continue;
    const wanted = kind === 'second' ? secondWanted(second!, work, drill) : mainWanted(first!, work, drill, context);
    items.push(itemOf({ ...wanted, reps, sets: 1 + sets.findIndex((column) => isOn(values, column)) }, context));
  }
  const wholeSets = whole ? 1 + whole.sets.findIndex((column) => isOn(values, column)) : 0;
  if (whole && wholeSets > 0) items.push(redose(whole.item, context.request, wholeSets, whole.item.reps, place));
  if (arm && isOn(values, arm.on)) {
    const throws = Math.round(values[arm.throws]!);
    items.push(...armItems(arm.item, throws, context));
  }
  const worked = sum(items.filter((i) => i.role === 'main' || i.role === 'pinned').map((i) => i.sets * i.reps));
  for (const choice of support)
    if (isOn(values, choice.use))
      items.push(itemOf({ ...supportWanted(choice), sets: 1, reps: supportReps(choice.drill, worked) }, context));
  return items;
}

/** Throws of the arm’s own work in even sets; a prime number stays one set. */
function armItems(item: PlanItem, throws: number, { request, day }: FrameContext): PlanItem[] {
  const wanted = throws > 24 ? Math.ceil(throws / 15) : throws > 12 ? 2 : 1;
  const sets = [wanted, wanted + 1, wanted - 1, 2, 1].find((n) => n > 0 && throws % n === 0) ?? 1;
  return [redose(item, request, sets, throws / sets, day.place)];
}
