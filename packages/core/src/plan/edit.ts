/** A plan changed by hand: what a coach moves, swaps, drops or adds. */
import { libraryOf } from '../drills/library';
import type { IsoDate } from '../shared/dates';
import { sum } from '../shared/maths';
import { whatBroke } from './broken';
import { itemAt, itemOf, redose } from './dose';
import { openLedger } from './ledger';
import { contextOn, ledgerBefore, usedBefore } from './on-day';
import { cuesOf, inOrder } from './session';
import { totalsOf } from './totals';
import type { Broken, Plan, PlanEdit, PlanItem, PlanRequest, PlanSession } from './types';
import { nameOf, newToday } from './words';

export interface EditedPlan {
  readonly plan: Plan;
  readonly broken: readonly Broken[];
}

/** A session with other items: what it says of them is said anew, and the planner’s note on what it was goes. */
function settled(session: PlanSession, given: readonly PlanItem[]): PlanSession {
  const items = inOrder(given);
  const testDay = items.some((i) => i.role === 'test');
  return { ...session, ...totalsOf(items), testDay, cues: cuesOf(items), note: null, items };
}

/** The sessions, each naming what is new in it after those before. */
function withNew(request: PlanRequest, sessions: readonly PlanSession[]): PlanSession[] {
  const used = usedBefore(request, sessions, request.on);
  return sessions.map((session) => {
    const told = { ...session, new: newToday(session.items, used, session.testDay, request) };
    for (const { drill } of session.items) used.set(drill, (used.get(drill) ?? 0) + 1);
    return told;
  });
}

/** The plan with all changes made, in their order, and every rule that it now breaks. */
export function editPlan(request: PlanRequest, base: Plan, edits: readonly PlanEdit[]): EditedPlan {
  if (edits.length === 0) return { plan: base, broken: [] };
  let sessions = [...base.sessions];
  for (const edit of edits) sessions = applied(request, sessions, edit);
  sessions.sort((a, b) => (a.date < b.date ? -1 : 1));
  const plan: Plan = { ...base, sessions: withNew(request, sessions), weeks: weeksOf(base, sessions) };
  return { plan, broken: whatBroke(request, sessions) };
}

const weeksOf = ({ weeks }: Plan, sessions: readonly PlanSession[]): Plan['weeks'] =>
  weeks.map((week, n) => {
    const next = weeks[n + 1]?.from;
    const own = sessions.filter((s) => s.date >= week.from && (next === undefined || s.date < next));
    return { ...week, throws: sum(own.map((s) => s.throws)) };
  });

function applied(request: PlanRequest, sessions: PlanSession[], edit: PlanEdit): PlanSession[] {
  const change = (of: (session: PlanSession) => PlanSession | null): PlanSession[] =>
    sessions.flatMap((s) => (s.date === edit.date ? (of(s) ?? []) : [s]));
  switch (edit.kind) {
    case 'move': {
      if (!sessions.some((s) => s.date === edit.date)) return sessions;
      return sessions.map((s) => {
        if (s.date === edit.date) return moved(request, sessions, s, edit.to);
        return s.date === edit.to ? moved(request, sessions, s, edit.date) : s;
      });
    }
    case 'drop-session':
      return change(() => null);
    case 'drop':
      return change((s) => {
        const left = s.items.filter((i) => i.drill !== edit.drill);
        return left.length === 0 ? null : settled(s, left);
      });
    case 'pin':
      return change((s) =>
        settled(
          s,
          s.items.map((i) => (i.drill === edit.drill ? { ...i, role: 'pinned' as const } : i)),
        ),
      );
    case 'sets':
      return change((s) =>
        settled(
          s,
          s.items.map((i) => (i.drill === edit.drill ? redose(i, request, edit.sets, i.reps, s.place) : i)),
        ),
      );
    case 'swap':
    case 'add':
      return change((s) => withDrill(request, sessions, s, edit));
  }
}

/** A session with a drill come in, alone or in place of another, with its words and dose. */
function withDrill(
  request: PlanRequest,
  sessions: readonly PlanSession[],
  session: PlanSession,
  edit: Extract<PlanEdit, { kind: 'swap' | 'add' }>,
): PlanSession {
  const id = edit.kind === 'swap' ? edit.with : edit.drill;
  const context = contextOn(request, ledgerBefore(request, sessions, session.date), sessions, session.date);
  const library = libraryOf(request);
  if (!library.has(id) || !context || session.items.some((i) => i.drill === id)) return session;
  const drill = library.drill(id);
  const old = edit.kind === 'swap' ? session.items.find((i) => i.drill === edit.drill) : undefined;
  const focus = old?.focus ?? request.focus.find((f) => drill.treats.some((t) => t.finding === f.finding))?.finding ?? null;
  const throwing = drill.throws !== 'none';
  const item = itemOf(
    {
      drill,
      role: old?.role ?? 'pinned',
      focus,
      rung: old && drill.rungs.includes(old.rung) ? old.rung : drill.rungs[0]!,
      sets: old?.sets ?? (throwing ? 2 : drill.dose.sets),
      reps: throwing ? (old && old.throws > 0 ? old.reps : Math.min(5, drill.dose.reps)) : drill.dose.reps,
      why: old ? `Swapped in by the coach for ${nameOf(old.drill, request)}.` : 'Added by the coach.',
      ...(old ? { cue: old.cue } : {}),
    },
    context,
  );
  return settled(session, old ? session.items.map((i) => (i === old ? item : i)) : [...session.items, item]);
}

/** A session on another day, at that day’s place. */
function moved(request: PlanRequest, sessions: readonly PlanSession[], session: PlanSession, to: IsoDate): PlanSession {
  const there = { ...session, date: to };
  const context = contextOn(request, openLedger(request), sessions, to);
  if (!context) return there;
  return settled(
    { ...there, place: context.day.place },
    session.items.map((i) => itemAt(i, session.place, context)),
  );
}
