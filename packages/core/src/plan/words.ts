import { hasDrill } from '../drills/catalogue';
import { libraryOf } from '../drills/library';
import { kitName } from '../drills/types';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Context } from './choose';
import { whyNoThrows } from './places';
import type { SessionTask } from './task';
import type { PlanItem, PlanRequest, PlanSession, Role } from './types';

/** A finding as a sentence names it. */
export const quoted = (finding: FindingId): string => `“${findingById(finding).title.toLowerCase()}”`;

/** A drill’s name as the academy has it. */
export const nameOf = (drill: string, request: Pick<PlanRequest, 'library'>): string => libraryOf(request).drill(drill).name;

const LEARNT: ReadonlySet<Role> = new Set(['main', 'support', 'carry-over', 'pinned']);

/** What the athlete meets for the first time today, an aid that is gone before a new drill; null when nothing. */
export function newToday(
  items: readonly PlanItem[],
  used: ReadonlyMap<string, number>,
  testDay: boolean,
  request: Pick<PlanRequest, 'library'>,
): string | null {
  const parts: string[] = [];
  if (testDay) parts.push('a test');
  for (const item of items) {
    if (!LEARNT.has(item.role)) continue;
    const removed = item.constraints.remove[0]?.split(':')[0];
    if (removed !== undefined) parts.push(`${nameOf(item.drill, request)} without the ${kitName(removed)}`);
    else if ((used.get(item.drill) ?? 0) === 0) parts.push(nameOf(item.drill, request));
  }
  return parts.length === 0 ? null : `New today: ${parts.slice(0, 3).join('; ')}.`;
}

/** A session with fewer of its throws than this says why. */
const REACHED = 0.9;
/** A session this short of its useful minutes says why. */
const SHORT = 0.85;

/** What limits the session, and what else is asked for; null when there is nothing to say. */
export function sessionNote(session: PlanSession, task: SessionTask): string | null {
  const { context } = task;
  const { day, request, allowance } = context;
  const notes: string[] = [];
  const noThrows = whyNoThrows(day, request);
  if (session.throws === 0)
    notes.push(noThrows ?? allowance.because ?? task.why ?? 'No throws today: the week’s throws are on the other days.');
  else if (allowance.because !== null) notes.push(allowance.because);
  else if (task.why !== null) notes.push(task.why);
  if (session.throws > 0 && session.throws < REACHED * task.throws)
    notes.push(`${session.throws} of ${task.throws} throws: the minutes end before them.`);
  if (session.minutes < SHORT * day.useful)
    notes.push(
      `${session.minutes} of ${day.useful} minutes: ${session.throws > 0 ? 'the day’s throws end here' : 'that is enough dry work for a day'}.`,
    );
  const changed = changedWords(session, context);
  if (changed !== null) notes.push(changed);
  if (task.retest !== null) notes.push(task.retest);
  if (task.noTest) notes.push('A test is due, but today leaves no room for it.');
  return notes.length === 0 ? null : notes.join(' ');
}

/** What differs from the plan as it stood; null where nothing does, or where nothing stood. */
function changedWords({ items }: PlanSession, { kept, request }: Context): string | null {
  if (kept.size === 0) return request.asItStands?.length ? 'Planned anew: this session comes in.' : null;
  const gone = [...kept]
    .filter((drill) => hasDrill(drill) && !items.some((i) => i.drill === drill))
    .map((d) => nameOf(d, request));
  const come = items.filter((i) => !kept.has(i.drill)).map((i) => nameOf(i.drill, request));
  if (gone.length === 0 && come.length === 0) return null;
  const out = gone.length === 0 ? '' : `${gone.join(', ')} ${gone.length === 1 ? 'goes' : 'go'} out`;
  const into = come.length === 0 ? '' : `${come.join(', ')} ${come.length === 1 ? 'comes' : 'come'} in`;
  return `Planned anew: ${[out, into].filter(Boolean).join('; ')}.`;
}

/** A session as an athlete or a family is told it: how it is done, and nothing of causes. */
export const withoutCauses = (session: PlanSession): PlanSession => ({
  ...session,
  items: session.items.map((item) => ({ ...item, why: '' })),
});
