/** A plan changed by hand: what a coach moves, swaps, drops or adds, what it breaks, and what would mend it. */
import { drillById, hasDrill } from '../drills/catalogue';
import type { Drill } from '../drills/types';
import { dayInWords } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { sum } from '../shared/maths';
import { resolveSchools } from '../shared/schools';
import { directOn, scoreOf, whyNot } from './choose';
import type { Context } from './choose';
import { itemOf, minutesFor, redose } from './dose';
import { mostItems } from './draft';
import { openLedger } from './ledger';
import type { Ledger } from './ledger';
import { dayAt } from './places';
import { assemble } from './session';
import { startStanding } from './standing';
import type { Plan, PlanItem, PlanRequest, PlanSession } from './types';
import { nameOf } from './words';

/** One change by hand. */
export type PlanEdit =
  | { readonly kind: 'move'; readonly date: IsoDate; readonly to: IsoDate }
  | { readonly kind: 'drop-session'; readonly date: IsoDate }
  | { readonly kind: 'drop'; readonly date: IsoDate; readonly drill: string }
  | { readonly kind: 'swap'; readonly date: IsoDate; readonly drill: string; readonly with: string }
  | { readonly kind: 'add'; readonly date: IsoDate; readonly drill: string }
  | { readonly kind: 'sets'; readonly date: IsoDate; readonly drill: string; readonly sets: number }
  | { readonly kind: 'pin'; readonly date: IsoDate; readonly drill: string };

/** A rule that a changed plan breaks. */
export interface Broken {
  readonly date: IsoDate;
  readonly drill: string | null;
  /** It must be mended before the plan can be assigned. */
  readonly hard: boolean;
  readonly detail: string;
  /** One change that mends it; null where only a person can say. */
  readonly mend: { readonly label: string; readonly edit: PlanEdit } | null;
}

export interface EditedPlan {
  readonly plan: Plan;
  readonly broken: readonly Broken[];
}

/** How a drill is done on a day of a plan. */
function contextOn(request: PlanRequest, ledger: Ledger, sessions: readonly PlanSession[], date: IsoDate): Context | null {
  const day = dayAt(request, date);
  if (!day) return null;
  const used = new Map((request.recentDrills ?? []).map((r) => [r.drill, r.sessions]));
  const before = sessions.filter((s) => s.date < date);
  for (const item of before.flatMap((s) => s.items)) used.set(item.drill, (used.get(item.drill) ?? 0) + 1);
  const last = before.filter((s) => s.place === day.place).pop();
  return {
    request,
    schools: resolveSchools(request.schools, request.athlete.discipline, day.age),
    day,
    allowance: ledger.allowance(date),
    throwing: true,
    used,
    before: new Set(last?.items.map((i) => i.drill) ?? []),
    kept: new Set(),
  };
}

const totals = (session: PlanSession, items: readonly PlanItem[]): PlanSession => ({
  ...session,
  items,
  minutes: sum(items.map((i) => i.minutes)),
  throws: sum(items.map((i) => i.throws)),
  highEffort: sum(items.filter((i) => i.effort[1] >= 90).map((i) => i.throws)),
});

/** The plan with all changes made, in their order, and every rule that it now breaks. */
export function editPlan(request: PlanRequest, base: Plan, edits: readonly PlanEdit[]): EditedPlan {
  let sessions = [...base.sessions];
  for (const edit of edits) sessions = applied(request, sessions, edit);
  sessions.sort((a, b) => (a.date < b.date ? -1 : 1));
  const plan: Plan = { ...base, sessions, weeks: weeksOf(base, sessions) };
  return { plan, broken: edits.length === 0 ? [] : whatBroke(request, sessions) };
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
      const day = dayAt(request, edit.to);
      const rest = sessions.filter((s) => s.date !== edit.to);
      const other = sessions.find((s) => s.date === edit.to);
      return rest
        .map((s) => (s.date === edit.date ? { ...s, date: edit.to, place: day?.place ?? s.place } : s))
        .concat(other ? [{ ...other, date: edit.date, place: dayAt(request, edit.date)?.place ?? other.place }] : []);
    }
    case 'drop-session':
      return change(() => null);
    case 'drop':
      return change((s) =>
        totals(
          s,
          s.items.filter((i) => i.drill !== edit.drill),
        ),
      );
    case 'pin':
      return change((s) =>
        totals(
          s,
          s.items.map((i) => (i.drill === edit.drill ? { ...i, role: 'pinned' as const } : i)),
        ),
      );
    case 'sets':
      return change((s) =>
        totals(
          s,
          s.items.map((i) => (i.drill === edit.drill ? redose(i, drillById(i.drill), edit.sets, i.reps, s.place) : i)),
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
  const context = contextOn(request, openLedger(request), sessions, session.date);
  if (!hasDrill(id) || !context || session.items.some((i) => i.drill === id)) return session;
  const drill = drillById(id);
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
      why: old ? `Swapped in by the coach for ${nameOf(old.drill)}.` : 'Added by the coach.',
      ...(old ? { cue: old.cue } : {}),
    },
    context,
  );
  const items = old ? session.items.map((i) => (i === old ? item : i)) : [...session.items, item];
  const task = {
    context,
    throws: session.throws,
    why: null,
    foci: request.focus.map((f) => startStanding(f.finding, f.rung, request, [context.day])),
    testDue: session.testDay,
    noTest: false,
    retest: null,
    pinned: [],
    last: null,
  };
  const assembled = assemble(task, items, session.testDay);
  return assembled ? { ...totals(session, assembled.items), cues: assembled.cues } : totals(session, items);
}

/** Every rule that the sessions break, in the order of their days. */
function whatBroke(request: PlanRequest, sessions: readonly PlanSession[]): Broken[] {
  const ledger = openLedger(request);
  const broken: Broken[] = [];
  for (const session of sessions) {
    broken.push(...brokenOn(request, ledger, sessions, session));
    ledger.book(session.date, session.throws, session.highEffort);
  }
  return broken;
}

/** The change that makes a session smaller with the least loss: the arm’s own work, then whole throws, then a set of the main work. */
function smaller(session: PlanSession, thrown: boolean): Broken['mend'] {
  const order = ['arm-work', 'support', 'carry-over', 'pinned', 'main'] as const;
  for (const role of order)
    for (const item of [...session.items].reverse()) {
      if (item.role !== role || (thrown && item.throws === 0)) continue;
      if (item.sets > 1)
        return {
          label: `${nameOf(item.drill)}: ${item.sets - 1} sets`,
          edit: { kind: 'sets', date: session.date, drill: item.drill, sets: item.sets - 1 },
        };
      if (role !== 'main' || session.items.filter((i) => i.role === 'main').length > 1)
        return { label: `Leave out ${nameOf(item.drill)}`, edit: { kind: 'drop', date: session.date, drill: item.drill } };
    }
  return null;
}

function brokenOn(request: PlanRequest, ledger: Ledger, sessions: readonly PlanSession[], session: PlanSession): Broken[] {
  const { date } = session;
  const broken: Broken[] = [];
  const say = (hard: boolean, detail: string, mend: Broken['mend'], drill: string | null = null) =>
    void broken.push({ date, drill, hard, detail, mend });
  const context = contextOn(request, ledger, sessions, date);
  const when = dayInWords(date);
  if (!context) {
    say(true, `${when} has no time for a session, or a game.`, {
      label: 'Leave the session out',
      edit: { kind: 'drop-session', date },
    });
    return broken;
  }
  const { allowance, day } = context;
  if (session.throws > allowance.throws)
    say(
      true,
      `${session.throws} throws on ${when}; ${allowance.throws} are open. ${allowance.because ?? 'The day or its week holds no more.'}`,
      smaller(session, true),
    );
  if (session.highEffort > allowance.highEffort)
    say(true, `${session.highEffort} hard throws on ${when}; ${allowance.highEffort} are open.`, smaller(session, true));
  if (session.minutes > day.minutes)
    say(false, `${session.minutes} minutes on ${when}; there are ${day.minutes}.`, smaller(session, false));
  const counted = session.items.filter((i) => i.role !== 'prepare' && i.role !== 'warm-throws' && i.role !== 'test').length;
  if (counted > mostItems(day.age))
    say(false, `${counted} items on ${when}; ${mostItems(day.age)} hold attention.`, smaller(session, false));
  const firstThrow = session.items.find((i) => i.throws > 0);
  if (firstThrow && firstThrow.role !== 'warm-throws')
    say(
      true,
      `${nameOf(firstThrow.drill)} on ${when} comes before any warm-up throws.`,
      { label: `Leave out ${nameOf(firstThrow.drill)}`, edit: { kind: 'drop', date, drill: firstThrow.drill } },
      firstThrow.drill,
    );
  for (const item of session.items) {
    const drill = drillById(item.drill);
    const why = whyNot(drill, context);
    const effort = item.throws > 0 && item.effort[1] > allowance.highestEffort;
    if (why === null && !effort) continue;
    const hard = why === null || drill.throws !== 'none' || drill.strain !== 'none' || drill.armSwing;
    say(
      hard,
      why === null
        ? `${drill.name} on ${when}: ${item.effort[1]} % is above what is allowed.`
        : `${drill.name} on ${when}: ${why}.`,
      swapFor(context, session, item) ?? { label: `Leave out ${drill.name}`, edit: { kind: 'drop', date, drill: item.drill } },
      item.drill,
    );
  }
  return broken;
}

/** The best other drill for an item, as a change. */
function swapFor(context: Context, session: PlanSession, item: PlanItem): Broken['mend'] {
  const best = othersFor(context, session, item)[0];
  return best
    ? { label: `Take ${best.name} instead`, edit: { kind: 'swap', date: session.date, drill: item.drill, with: best.id } }
    : null;
}

const othersFor = (context: Context, session: PlanSession, item: PlanItem): Drill[] =>
  item.focus === null ? [] : directOn(item.focus, item.rung, context).filter((d) => !session.items.some((i) => i.drill === d.id));

/** What could stand in the place of an item, best first, and what each costs. */
export interface SwapChoice {
  readonly drill: string;
  /** Minutes more than what is there; negative for fewer. */
  readonly minutes: number;
  /** Kit that it needs. */
  readonly kit: readonly string[];
  /** How much less it fits than the best, 0 to 1. */
  readonly behind: number;
}

export function swapChoices(request: PlanRequest, plan: Plan, date: IsoDate, drill: string): SwapChoice[] {
  const session = plan.sessions.find((s) => s.date === date);
  const item = session?.items.find((i) => i.drill === drill);
  const ledger = openLedger(request);
  for (const s of plan.sessions) if (s.date < date) ledger.book(s.date, s.throws, s.highEffort);
  const context = session && contextOn(request, ledger, plan.sessions, date);
  if (!session || !item || !context || item.focus === null) return [];
  const focus = item.focus;
  const others = othersFor(context, session, item);
  const best = Math.max(...others.map((d) => scoreOf(d, focus, context)), 0.01);
  return others.map((d) => ({
    drill: d.id,
    minutes: minutesFor(d, item.sets, d.throws === 'none' ? d.dose.reps : item.reps, session.place) - item.minutes,
    kit: d.equipment,
    behind: Math.round(100 * Math.max(0, 1 - scoreOf(d, focus, context) / best)) / 100,
  }));
}
