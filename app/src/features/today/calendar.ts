import { addDays, weekdayOf } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';

/** What a day holds for an athlete: work done, work to do, or nothing. */
export type DayState = 'done' | 'to-do' | 'free';

export interface CalendarDay {
  readonly date: IsoDate;
  readonly state: DayState;
  readonly today: boolean;
}

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
/** Weeks shown: the last one, this one, the next one. */
const WEEKS_BEFORE = 1;
const WEEKS = 3;

/** The Monday of a day's week. */
export const mondayOf = (date: IsoDate): IsoDate => addDays(date, -DAYS.indexOf(weekdayOf(date)));

/**
 * Three weeks, each from Monday on. A planned day that has passed without work is a free day: nothing is held against anybody.
 * @param done days on which something was logged
 * @param planned days of the plan that was handed out
 */
export function weeksAround(today: IsoDate, done: ReadonlySet<IsoDate>, planned: ReadonlySet<IsoDate>): CalendarDay[][] {
  const from = addDays(mondayOf(today), -7 * WEEKS_BEFORE);
  return Array.from({ length: WEEKS }, (_, week) =>
    DAYS.map((_day, n): CalendarDay => {
      const date = addDays(from, 7 * week + n);
      const state = done.has(date) ? 'done' : date >= today && planned.has(date) ? 'to-do' : 'free';
      return { date, state, today: date === today };
    }),
  );
}

const times = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

/** What the week comes to, without a word on what is missing. */
export function weekSentence(weeks: readonly (readonly CalendarDay[])[]): string {
  const week = weeks.find((days) => days.some((day) => day.today)) ?? [];
  const count = (state: DayState) => week.filter((day) => day.state === state).length;
  const [done, toDo] = [count('done'), count('to-do')];
  if (done === 0 && toDo === 0) return 'Nothing is planned this week.';
  if (done === 0) return `${times(toDo, 'session')} to come this week.`;
  return toDo === 0 ? `${times(done, 'session')} done this week.` : `${times(done, 'session')} done this week, ${toDo} to come.`;
}
