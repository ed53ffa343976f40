import type { IsoDate } from '../shared/dates';
import { resolveSchools } from '../athlete/schools';
import type { Context } from './choose';
import { openLedger } from './ledger';
import type { Ledger } from './ledger';
import { dayAt } from './places';
import type { PlanRequest, PlanSession } from './types';

/** In how many sessions each drill has been done before a day. */
export function usedBefore(request: PlanRequest, sessions: readonly PlanSession[], date: IsoDate): Map<string, number> {
  const used = new Map((request.recentDrills ?? []).map((r) => [r.drill, r.sessions]));
  for (const item of sessions.filter((s) => s.date < date).flatMap((s) => s.items))
    used.set(item.drill, (used.get(item.drill) ?? 0) + 1);
  return used;
}

/** The load with all that is planned before a day. */
export function ledgerBefore(request: PlanRequest, sessions: readonly PlanSession[], date: IsoDate): Ledger {
  const ledger = openLedger(request);
  for (const s of sessions) if (s.date < date) ledger.book(s.date, s.throws, s.highEffort);
  return ledger;
}

/** How a drill is done on a day of a plan. */
export function contextOn(request: PlanRequest, ledger: Ledger, sessions: readonly PlanSession[], date: IsoDate): Context | null {
  const day = dayAt(request, date);
  if (!day) return null;
  const last = sessions.filter((s) => s.date < date && s.place === day.place).pop();
  return {
    request,
    schools: resolveSchools(request.schools, request.athlete.discipline, day.age),
    day,
    allowance: ledger.allowance(date),
    throwing: true,
    used: usedBefore(request, sessions, date),
    before: new Set(last?.items.map((i) => i.drill) ?? []),
    kept: new Set(),
  };
}
