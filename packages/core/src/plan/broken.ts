/** What a plan changed by hand breaks, the one change that mends each, and what could stand in an item’s place. */
import { libraryOf } from '../drills/library';
import type { Drill } from '../drills/types';
import { dayInWords } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { directOn, scoreOf, whyNot } from './choose';
import type { Context } from './choose';
import { minutesFor } from './dose';
import { mostItems } from './draft';
import { openLedger } from './ledger';
import type { Ledger } from './ledger';
import { contextOn, ledgerBefore } from './on-day';
import { takesAPlace } from './totals';
import type { Broken, Plan, PlanItem, PlanRequest, PlanSession } from './types';
import { nameOf } from './words';

/** Every rule that the sessions break, in the order of their days. */
export function whatBroke(request: PlanRequest, sessions: readonly PlanSession[]): Broken[] {
  const ledger = openLedger(request);
  const broken: Broken[] = [];
  for (const session of sessions) {
    broken.push(...brokenOn(request, ledger, sessions, session));
    ledger.book(session.date, session.throws, session.highEffort);
  }
  return broken;
}

/** The change that makes a session smaller with the least loss: the arm’s own work, then whole throws, then a set of the main work. */
function smaller(request: PlanRequest, session: PlanSession, thrown: boolean): Broken['mend'] {
  const order = ['arm-work', 'support', 'carry-over', 'pinned', 'main'] as const;
  for (const role of order)
    for (const item of [...session.items].reverse()) {
      if (item.role !== role || (thrown && item.throws === 0)) continue;
      if (item.sets > 1)
        return {
          label: `${nameOf(item.drill, request)}: ${item.sets - 1} sets`,
          edit: { kind: 'sets', date: session.date, drill: item.drill, sets: item.sets - 1 },
        };
      if (role !== 'main' || session.items.filter((i) => i.role === 'main').length > 1)
        return {
          label: `Leave out ${nameOf(item.drill, request)}`,
          edit: { kind: 'drop', date: session.date, drill: item.drill },
        };
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
      smaller(request, session, true),
    );
  if (session.highEffort > allowance.highEffort)
    say(true, `${session.highEffort} hard throws on ${when}; ${allowance.highEffort} are open.`, smaller(request, session, true));
  if (session.minutes > day.minutes)
    say(false, `${session.minutes} minutes on ${when}; there are ${day.minutes}.`, smaller(request, session, false));
  const counted = session.items.filter(takesAPlace).length;
  if (counted > mostItems(day.age))
    say(false, `${counted} items on ${when}; ${mostItems(day.age)} hold attention.`, smaller(request, session, false));
  const firstThrow = session.items.find((i) => i.throws > 0);
  if (firstThrow && firstThrow.role !== 'warm-throws')
    say(
      true,
      `${nameOf(firstThrow.drill, request)} on ${when} comes before any warm-up throws.`,
      { label: `Leave out ${nameOf(firstThrow.drill, request)}`, edit: { kind: 'drop', date, drill: firstThrow.drill } },
      firstThrow.drill,
    );
  for (const item of session.items) {
    const drill = libraryOf(request).drill(item.drill);
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
  const context = session && contextOn(request, ledgerBefore(request, plan.sessions, date), plan.sessions, date);
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
