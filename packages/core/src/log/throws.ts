/** Which reps are throws, how hard, and why one was none that may be. */
import { drillById, hasDrill } from '../drills/catalogue';
import { isThrowingDrill } from '../drills/types';
import { COUNTS_FROM } from '../load/tables';
import type { DayLimits } from '../load/workload';
import type { LoggedRep } from './entries';

export const capitalised = (text: string): string => text[0]!.toUpperCase() + text.slice(1);

/** Throw or not is known from the drill. */
export const isThrow = (rep: LoggedRep): boolean => hasDrill(rep.drill) && isThrowingDrill(drillById(rep.drill));

/** A throw is at least as hard as its drill begins and as its reading says; a part of a percent counts as the whole. */
export const effortOf = (rep: LoggedRep, measured: number | undefined): number =>
  Math.min(100, Math.max(Math.ceil(rep.effort), drillById(rep.drill).effort[0], Math.ceil(measured ?? 0), COUNTS_FROM));

export function whyNoThrow(limits: DayLimits, thrown: number, budget: number): string {
  if (thrown >= limits.mostThrows) return `The clearance allows ${limits.mostThrows} throws a day.`;
  return limits.throws >= budget
    ? `Today’s ${budget} throws are used up.`
    : `The ${limits.throws} throws left for today are used up.`;
}
