/**
 * The choice of drills, sets and support of a whole plan as one mixed-integer model. How much is thrown on which day, and which rung
 * is expected when, come first and stand: every session of the model throws what the load plan gave it.
 */
import { sum } from '../shared/maths';
import { frameChoices, MAIN_DRILLS } from './choices';
import type { DrillChoice, FrameChoices } from './choices';
import { STAYS } from './choose';
import type { Frame } from './greedy';
import { LinearBuilder } from '../shared/linear';
import type { Entry, Follower, LinearModel } from '../shared/linear';
import { MOST_SETS } from './work';

/** Terms of a plan’s score. Provenance `house`. */
export const TERMS = {
  second: 0.8,
  whole: 0.35,
  support: 0.5,
  fill: 0.25,
  throw: 0.004,
  settled: 0.25,
  variety: 0.3,
  minute: 0.02,
} as const;

/** Drills that six weeks should show. */
const VARIETY = 8;

export interface PlanModel {
  readonly model: LinearModel;
  readonly frames: readonly FrameChoices[];
  /** In an order in which each follows from those before it. */
  readonly followers: readonly Follower[];
}

/** The model of a plan that was made in order, over the same sessions. */
export function modelOf(frames: readonly Frame[]): PlanModel {
  const lp = new LinearBuilder();
  const chosen = frames.map((frame) => frameChoices(frame, lp));
  stays(chosen, lp);
  aidsGoneBeforeTheClimb(chosen, lp);
  variety(chosen, lp);
  return { model: lp.model(), frames: chosen, followers: lp.followers };
}

export const ARM_MINUTES = 12 / 60 + 0.5 / 15;

/** Minutes that rounding each item may add up to. */
export const ROUNDING = 1.5;

/** Columns that use a drill on a rung for a focus, in the order of the sessions. */
function usesOf(frames: readonly FrameChoices[]): Map<string, { at: number; choice: DrillChoice }[]> {
  const uses = new Map<string, { at: number; choice: DrillChoice }[]>();
  frames.forEach(({ drills }, at) => {
    for (const choice of drills) {
      if (choice.kind === 'fill') continue;
      const key = `${choice.work.finding}|${choice.work.rung}|${choice.drill.id}`;
      const known = uses.get(key);
      if (known) known.push({ at, choice });
      else uses.set(key, [{ at, choice }]);
    }
  });
  return uses;
}

/** A drill settles over sessions that follow one another, and goes when it has had its time, where there is another. */
function stays(frames: readonly FrameChoices[], lp: LinearBuilder): void {
  for (const [key, uses] of usesOf(frames)) {
    const others = Math.min(...uses.map(({ at, choice }) => frames[at]!.drills.filter((d) => d.kind === choice.kind).length));
    const done = frames[0]!.frame.task.context.used.get(key.split('|')[2]!) ?? 0;
    const inOrder = uses.filter(({ at, choice }) =>
      frames[at]!.frame.session.items.some((i) => i.drill === choice.drill.id),
    ).length;
    // Few drills over many sessions stay longer, and what the first pass needed is never refused.
    const most = Math.max(1, STAYS.most - done, Math.ceil(uses.length / others), inOrder);
    if (others > MAIN_DRILLS && uses.length > most)
      lp.atMost(
        uses.map(({ choice }): Entry => [choice.use, 1]),
        most,
      );
    for (let i = 1; i < uses.length; i++) {
      const [a, b] = [uses[i - 1]!.choice.use, uses[i]!.choice.use];
      lp.follower(TERMS.settled, 1, [[[a, 1]], [[b, 1]]]);
    }
  }
}

/** The climb waits until a drill is done without its aids: the last session on a rung uses none that still has one. */
function aidsGoneBeforeTheClimb(frames: readonly FrameChoices[], lp: LinearBuilder): void {
  for (const uses of usesOf(frames).values()) {
    const { drill, work, kind } = uses[0]!.choice;
    const focus = kind === 'first' ? 0 : 1;
    const last = uses[uses.length - 1]!;
    const next = frames[last.at + 1]?.frame.task.foci[focus];
    const aids = drill.aids.length - (frames[0]!.frame.task.context.used.get(drill.id) ?? 0);
    if (!next || next.rung <= work.rung || aids <= 0) continue;
    const before = uses.filter(({ at }) => at < last.at);
    lp.atLeast([...before.map(({ choice }): Entry => [choice.use, 1]), [last.choice.use, -aids]], 0);
  }
}

function variety(frames: readonly FrameChoices[], lp: LinearBuilder): void {
  const uses = new Map<string, number[]>();
  for (const { drills, support } of frames)
    for (const { drill, use } of [...drills, ...support]) uses.set(drill.id, [...(uses.get(drill.id) ?? []), use]);
  const shown = [...uses.values()].map((columns) => lp.follower(0, 1, [columns.map((column): Entry => [column, 1])]));
  lp.follower(TERMS.variety, VARIETY, [shown.map((column): Entry => [column, 1])]);
}

/** The plan that was made in order, as values of the model: where a solver starts from. */
export function valuesOf({ model, frames, followers }: PlanModel): number[] {
  const values = new Array<number>(model.columns.length).fill(0);
  for (const { frame, drills, whole, arm, support } of frames) {
    const { items } = frame.session;
    for (const choice of drills) {
      const item = items.find((i) => i.drill === choice.drill.id && i.role === 'main');
      if (!item) continue;
      values[choice.use] = 1;
      values[choice.sets[Math.min(item.sets, choice.sets.length) - 1]!] = 1;
    }
    const carried = items.find((i) => i.role === 'carry-over');
    if (whole && carried) values[whole.sets[Math.min(carried.sets, MOST_SETS) - 1]!] = 1;
    const own = items.find((i) => i.role === 'arm-work');
    if (arm && own) {
      values[arm.on] = 1;
      values[arm.throws] = own.throws;
    }
    for (const choice of support)
      if (items.some((i) => i.role === 'support' && i.drill === choice.drill.id)) values[choice.use] = 1;
  }
  // What follows from the choices: drills that settle, and how many are shown.
  for (const { column, upper, sums } of followers)
    values[column] = Math.max(0, Math.min(upper, ...sums.map((entries) => sum(entries.map(([c, v]) => v * values[c]!)))));
  return values;
}
