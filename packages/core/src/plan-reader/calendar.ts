/** Every throw of an athlete by day: what was on record, the games to come and what the plan adds. */
import type { Plan, PlanRequest } from '../plan/types';
import { ageAt, budgetAt, dateOf, gameWarmUp, time } from './tables';

export interface DayThrown {
  throws: number;
  hard: number;
  pitches: number;
  /** Practice throws of the plan. */
  planned: number;
}

export interface Calendar {
  readonly on: (day: number) => DayThrown;
  readonly sum: (from: number, to: number) => number;
  readonly age: (day: number) => number;
  readonly budget: (day: number) => number;
  /** First day with anything on record; null when nothing is. */
  readonly first: number | null;
  readonly start: number;
}

export function calendarOf(request: PlanRequest, plan: Pick<Plan, 'sessions'>): Calendar {
  const days = new Map<number, DayThrown>();
  const none: DayThrown = { throws: 0, hard: 0, pitches: 0, planned: 0 };
  const add = (date: string, more: Partial<DayThrown>) => {
    const known = days.get(time(date)) ?? { ...none };
    for (const key of Object.keys(more) as (keyof DayThrown)[]) known[key] += more[key]!;
    days.set(time(date), known);
  };
  const age = (day: number) => ageAt(request.athlete.birthDate, dateOf(day));
  for (const row of request.recentLoad) add(row.date, { throws: row.throws, hard: row.highEffort, pitches: row.pitches ?? 0 });
  const first = Math.min(...[...days].filter(([, d]) => d.throws > 0).map(([day]) => day));
  for (const game of request.games)
    add(game.date, { throws: game.pitches + gameWarmUp(age(time(game.date))), pitches: game.pitches });
  for (const session of plan.sessions)
    add(session.date, { throws: session.throws, hard: session.highEffort, planned: session.throws });
  const on = (day: number) => days.get(day) ?? none;
  return {
    on,
    sum: (from, to) => {
      let total = 0;
      for (let day = from; day <= to; day++) total += on(day).throws;
      return total;
    },
    age,
    budget: (day) => budgetAt(request.athlete.discipline, age(day)),
    first: Number.isFinite(first) ? first : null,
    start: time(request.on),
  };
}

/** The weeks that were not light, newest first, before the seven days that begin on a day. */
export function normalWeeks(calendar: Calendar, from: number): number[] {
  if (calendar.first === null) return [];
  const weeks: number[] = [];
  for (let start = from - 7; start >= calendar.first && weeks.length < 10; start -= 7) weeks.push(calendar.sum(start, start + 6));
  const normal: number[] = [];
  let lightBefore = false;
  for (const week of weeks.reverse()) {
    const last = normal[0];
    const light: boolean = !lightBefore && last !== undefined && week >= 0.6 * last && week <= 0.8 * last;
    if (!light) normal.unshift(week);
    lightBefore = light;
  }
  return normal;
}

/** The normal mean before the seven days that begin on a day; null while no week is complete. */
export function meanBefore(calendar: Calendar, from: number): number | null {
  const normal = normalWeeks(calendar, from).slice(0, 4);
  return normal.length === 0 ? null : Math.max(normal[0]!, normal.reduce((n, w) => n + w, 0) / normal.length);
}
