/** The drills among which a session may choose, and what each is worth there. */
import { libraryOf } from '../drills/library';
import type { Drill } from '../drills/types';
import { HARD_EFFORT } from '../load/tables';
import { sum } from '../shared/maths';
import { scoreOf } from './choose';
import type { Context } from './choose';
import { effortCeiling, minutesFor } from './dose';
import { mostItems } from './draft';
import { LEAST_SUPPORT, SUPPORT_SHARE, supportChoices } from './fill';
import type { Frame } from './greedy';
import type { LinearBuilder } from '../shared/linear';
import type { Entry } from '../shared/linear';
import { ARM_MINUTES, ROUNDING, TERMS } from './model';
import type { PlanItem } from './types';
import { MOST_DRY_SETS, MOST_SETS, secondWork, workOf } from './work';
import type { Work } from './work';

/** Worth of one, two, three and four sets of a drill against its score. Provenance `house`. */
const SETS_WORTH = [1, 1.6, 2, 2.2] as const;

/** Main drills of the first focus in a session. */
export const MAIN_DRILLS = 2;

const SET_OF_THROWS = 5;

/** A drill that a session may hold, with a column for the drill and one for each number of sets. */
export interface DrillChoice {
  readonly kind: 'first' | 'second' | 'fill';
  readonly drill: Drill;
  readonly work: Work;
  readonly reps: number;
  readonly use: number;
  readonly sets: readonly number[];
}

export interface FrameChoices {
  readonly frame: Frame;
  /** What is not chosen anew: preparation, warm-up, test and what is pinned. */
  readonly fixed: readonly PlanItem[];
  readonly drills: readonly DrillChoice[];
  /** Sets of whole throws: columns for one, two, … sets. */
  readonly whole: { readonly item: PlanItem; readonly sets: readonly number[] } | null;
  /** The arm’s own work: whether, and how many throws. */
  readonly arm: { readonly item: PlanItem; readonly on: number; readonly throws: number } | null;
  readonly support: readonly { readonly drill: Drill; readonly why: string; readonly use: number }[];
}

/** Roles that are not chosen anew. */
export const KEPT: ReadonlySet<PlanItem['role']> = new Set(['prepare', 'warm-throws', 'test', 'pinned']);

/** The score of a drill by itself: whether it should settle or go is for the model to say. */
const plainScore = (drill: Drill, finding: Work['finding'], context: Context): number =>
  Math.max(0.1, scoreOf(drill, finding, { ...context, used: new Map(), before: new Set() }));

/** Candidates of the first focus, of the second, and dry work where the session is short of throws. */
function candidates({ task, session }: Frame): Omit<DrillChoice, 'use' | 'sets'>[] {
  const { context, foci } = task;
  const throwing = session.throws > 0;
  const first = workOf(context, foci[0]!, throwing);
  const found: Omit<DrillChoice, 'use' | 'sets'>[] = [];
  const offer = (kind: DrillChoice['kind'], work: Work | null, drills: readonly Drill[]) => {
    for (const drill of drills)
      if (work && !found.some((c) => c.drill.id === drill.id))
        found.push({ kind, drill, work, reps: drill.throws === 'none' ? drill.dose.reps : SET_OF_THROWS });
  };
  offer('first', first, first?.drills ?? []);
  if (foci[1]) {
    const second = secondWork(context, foci[1], throwing);
    offer('second', second, second?.drills ?? []);
  }
  // Dry work that the first pass used to fill the time stays open to it.
  const fillers = session.items.filter((i) => i.role === 'main' && i.throws === 0 && !found.some((c) => c.drill.id === i.drill));
  for (const item of fillers)
    if (first) offer('fill', { ...first, rung: item.rung, drills: [] }, [libraryOf(context.request).drill(item.drill)]);
  return found;
}

export function frameChoices(frame: Frame, lp: LinearBuilder): FrameChoices {
  const { session, task } = frame;
  const { context } = task;
  const { day } = context;
  const armItem = session.items.find((i) => i.role === 'arm-work');
  const fixed = session.items.filter((i) => KEPT.has(i.role) || (i.role === 'arm-work' && i !== armItem));
  const taken = new Set(fixed.map((i) => i.drill));
  const minutes: Entry[] = [];
  const throws: Entry[] = [];
  const count: Entry[] = [];
  const hard: Entry[] = [];
  const worked: Entry[] = [];
  const drills = candidates(frame)
    .filter((c) => !taken.has(c.drill.id))
    .map((candidate): DrillChoice => {
      const { drill, kind, work, reps } = candidate;
      const share = kind === 'second' ? TERMS.second : kind === 'fill' ? TERMS.fill : 1;
      const score = share * plainScore(drill, work.finding, context);
      const use = lp.choice(0);
      const most = drill.throws === 'none' ? MOST_DRY_SETS : MOST_SETS;
      const sets = SETS_WORTH.slice(0, most).map((worth) => lp.choice(score * worth));
      lp.exactly([...sets.map((column): Entry => [column, 1]), [use, -1]], 0);
      sets.forEach((column, k) => {
        minutes.push([column, minutesFor(drill, k + 1, reps, day.place)]);
        if (drill.throws !== 'none') throws.push([column, (k + 1) * reps]);
        if (effortCeiling(drill, work.finding, context) >= HARD_EFFORT) hard.push([column, (k + 1) * reps]);
        worked.push([column, (k + 1) * reps]);
      });
      count.push([use, 1]);
      return { ...candidate, use, sets };
    });
  const of = (kind: DrillChoice['kind']) => drills.filter((d) => d.kind === kind).map((d): Entry => [d.use, 1]);
  const had = (kind: DrillChoice['kind']) =>
    session.items.some((i) => drills.some((d) => d.kind === kind && d.drill.id === i.drill));
  if (had('first')) lp.atLeast(of('first'), 1);
  // A dry session may hold more drills: it has nothing else.
  const mains = session.items.filter((i) => drills.some((d) => d.kind === 'first' && d.drill.id === i.drill)).length;
  lp.atMost(of('first'), Math.max(MAIN_DRILLS, mains));
  lp.atMost(of('second'), 1);

  const wholeItem = session.items.find((i) => i.role === 'carry-over');
  const whole = wholeItem ? { item: wholeItem, sets: SETS_WORTH.map((worth) => lp.choice(TERMS.whole * worth)) } : null;
  if (whole) {
    lp.atMost(
      whole.sets.map((column): Entry => [column, 1]),
      1,
    );
    const drill = libraryOf(context.request).drill(whole.item.drill);
    whole.sets.forEach((column, k) => {
      minutes.push([column, minutesFor(drill, k + 1, whole.item.reps, day.place)]);
      throws.push([column, (k + 1) * whole.item.reps]);
      if (whole.item.effort[1] >= HARD_EFFORT) hard.push([column, (k + 1) * whole.item.reps]);
      count.push([column, 1]);
    });
    // Five of the drill, five whole: at most one set more of whole throws than of the drill.
    const direct = drills.filter((d) => d.kind === 'first' && d.drill.throws !== 'none');
    lp.atMost(
      [
        ...whole.sets.map((column, k): Entry => [column, k + 1]),
        ...direct.flatMap((d) => d.sets.map((column, k): Entry => [column, -(k + 1)])),
      ],
      1,
    );
  }

  const share = session.throws - sum(fixed.map((i) => i.throws));
  const arm = armItem ? { item: armItem, on: lp.choice(0), throws: lp.amount(TERMS.throw, Math.max(0, share)) } : null;
  if (arm) {
    lp.atMost(
      [
        [arm.throws, 1],
        [arm.on, -Math.max(0, share)],
      ],
      0,
    );
    lp.atLeast(
      [
        [arm.throws, 1],
        [arm.on, -SET_OF_THROWS],
      ],
      0,
    );
    // A minute to set up, twelve seconds a throw, half a minute after every fifteen.
    minutes.push([arm.on, 1], [arm.throws, ARM_MINUTES]);
    count.push([arm.on, 1]);
  }
  // Never harder than the load plan had it.
  lp.atMost(hard, session.highEffort - sum(fixed.map((i) => (i.effort[1] >= HARD_EFFORT ? i.throws : 0))));
  lp.exactly([...throws, ...(arm ? [[arm.throws, 1] as const] : [])], share);

  const supports = supportChoices(context).filter(
    (c, i, all) =>
      !taken.has(c.drill.id) &&
      !drills.some((d) => d.drill.id === c.drill.id) &&
      all.findIndex((other) => other.drill.id === c.drill.id) === i,
  );
  const support = supports.map(({ drill, why, probability }) => ({ drill, why, use: lp.choice(TERMS.support * probability) }));
  lp.atMost(
    support.map(({ use }): Entry => [use, 1]),
    1,
  );
  for (const { drill, use } of support) {
    minutes.push([use, minutesFor(drill, 1, drill.dose.reps, day.place)]);
    count.push([use, 1]);
    lp.atMost(
      [
        [use, LEAST_SUPPORT - 1],
        ...worked.map(([column, reps]): Entry => [column, (-SUPPORT_SHARE / (1 - SUPPORT_SHARE)) * reps]),
      ],
      0,
    );
  }
  const counted = fixed.filter((i) => i.role === 'pinned' || i.role === 'arm-work').length;
  lp.atMost(minutes, Math.max(day.useful, session.minutes) - sum(fixed.map((i) => i.minutes)) + ROUNDING);
  lp.atMost(count, mostItems(day.age) - counted);
  return { frame, fixed, drills, whole, arm, support };
}
