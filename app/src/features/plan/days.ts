import type { Plan, PlanSession } from '@wrightonic/core';
import { addDays } from '@wrightonic/core';

/** One week of a plan as days. */
export interface WeekOfDays {
  readonly from: string;
  readonly throws: number;
  readonly target: number;
  readonly games: number;
  readonly light: boolean;
  readonly days: readonly { readonly date: string; readonly session: PlanSession | null }[];
}

/** A plan by weeks and days, from a day on. */
export function weeksOfDays(plan: Plan, from: string): WeekOfDays[] {
  return plan.weeks.flatMap((week, n) => {
    const next = plan.weeks[n + 1]?.from ?? addDays(week.from, 7);
    const days: WeekOfDays['days'][number][] = [];
    for (let date = week.from; date < next; date = addDays(date, 1))
      days.push({ date, session: plan.sessions.find((s) => s.date === date) ?? null });
    return next <= from ? [] : [{ ...week, days }];
  });
}

/** A session in one line: the highest rung of its main work, throws, what is special. */
export function sessionLine(session: PlanSession): string {
  const rungs = session.items.filter((i) => i.role === 'main').map((i) => i.rung);
  return [
    rungs.length > 0 ? `rung ${Math.max(...rungs)}` : '',
    session.throws > 0 ? `${session.throws} throws` : 'dry',
    session.testDay ? 'test' : '',
  ]
    .filter(Boolean)
    .join(' · ');
}
