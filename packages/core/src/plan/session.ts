import { drillById } from '../drills/catalogue';
import { libraryOf } from '../drills/library';
import { treatsDirectly } from '../drills/types';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { Draft } from './draft';
import { afterThrowing, pin, prepare, test, warmUp } from './prepare';
import type { SessionTask } from './task';
import { totalsOf } from './totals';
import { ROLES } from './types';
import type { PlanItem, PlanSession } from './types';
import { newToday, sessionNote } from './words';
import { differ } from './differ';
import { fillDry, support } from './fill';
import { work } from './work';

export interface BuiltSession {
  readonly session: PlanSession | null;
  readonly refused: readonly { readonly drill: string; readonly why: string }[];
}

/** Builds the session of one day within its share of throws. */
export function buildSession(task: SessionTask): BuiltSession {
  const { context, foci } = task;
  const draft = new Draft(context, context.throwing ? task.throws : 0);
  const first = foci[0];
  if (!first) return { session: null, refused: [] };
  prepare(draft, foci);
  const throwing = context.throwing && warmUp(draft, task) !== null;
  const testDay = throwing && task.testDue && test(draft, first);
  const refused = pin(draft, task);
  work(draft, foci, throwing);
  support(draft);
  fillDry(draft, first);
  afterThrowing(draft);
  differ(draft, task.last);
  return { session: assemble(task, draft.items, testDay), refused };
}

/** A session of its items, in the order in which they are done; null where nothing in it is work. */
export function assemble(task: SessionTask, given: readonly PlanItem[], testDay: boolean): PlanSession | null {
  const { context, foci } = task;
  const { day } = context;
  const items = inOrder(given);
  const limits = foci.filter((f) => findingById(f.finding).kind === 'limit').map((f) => f.finding);
  const works = items.some(
    (i) =>
      (i.role !== 'prepare' && i.role !== 'warm-throws') ||
      limits.some((f) => treatsDirectly(libraryOf(context.request).drill(i.drill), f)),
  );
  if (!works) return null;
  const session: PlanSession = {
    date: day.date,
    place: day.place,
    ...totalsOf(items),
    testDay,
    cues: cuesOf(items),
    new: newToday(items, context.used, testDay, context.request),
    note: null,
    items,
  };
  return { ...session, note: sessionNote(session, task) };
}

/** The one cue of each focus. */
export const cuesOf = (items: readonly PlanItem[]): PlanSession['cues'] =>
  Object.fromEntries(
    items.flatMap((i): [FindingId, string][] => (i.focus === null || i.role === 'test' ? [] : [[i.focus, i.cue]])),
  );

/** Dry main work comes before the warm-up throws, thrown after; strength of the legs last. */
export function inOrder(items: readonly PlanItem[]): PlanItem[] {
  const rank = (item: PlanItem): number => {
    const { part, strain } = drillById(item.drill);
    if (item.role === 'prepare') return part === 'pulse' ? 0 : part === 'after-throwing' || strain !== 'none' ? 9 : 1;
    if (item.role === 'warm-throws') return 4;
    if (item.role === 'test') return 5;
    if (item.role === 'support') return strain === 'none' && item.throws === 0 ? 3 : 9;
    if (item.throws === 0) return 2;
    return 6 + ROLES.indexOf(item.role === 'pinned' ? 'main' : item.role) / ROLES.length;
  };
  return [...items].sort((a, b) => rank(a) - rank(b));
}
