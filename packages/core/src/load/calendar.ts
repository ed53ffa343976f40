/** Load as a calendar: what each day held, and what the rules closed or close. */
import { addDays, WEEKDAYS, weekdayOf } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { dayOn, isHardDay, lockOn, restUntil } from './account';
import type { LoadAccount } from './account';
import { armPain } from './pain';

export interface CalendarDay {
  readonly date: IsoDate;
  /** At 50 % effort and more, pitches included. */
  readonly throws: number;
  /** In games. */
  readonly pitches: number;
  /** Pitches, or so many hard throws that the next days are lighter for it. */
  readonly hard: boolean;
  /** Worst pain of the arm that was told, 0 for none. */
  readonly pain: number;
  /** The pitches before it ask for rest: no game. */
  readonly rest: boolean;
  /** Throwing was or is locked on it. */
  readonly locked: boolean;
  /** A game is to come. */
  readonly game: boolean;
}

/** One week, from Monday. */
export interface CalendarWeek {
  readonly from: IsoDate;
  readonly throws: number;
  readonly days: readonly CalendarDay[];
}

/**
 * Whole weeks, oldest first: `weeksBack` of them, the one with the day itself, and the one after it.
 * @param games days of games to come
 */
export function loadCalendar(account: LoadAccount, on: IsoDate, weeksBack: number, games: readonly IsoDate[]): CalendarWeek[] {
  const monday = addDays(on, -WEEKDAYS.indexOf(weekdayOf(on)));
  return Array.from({ length: weeksBack + 2 }, (_, week): CalendarWeek => {
    const from = addDays(monday, 7 * (week - weeksBack));
    const days = Array.from({ length: 7 }, (__, n): CalendarDay => {
      const date = addDays(from, n);
      const day = dayOn(account, date);
      return {
        date,
        throws: day.throws,
        pitches: day.pitches,
        hard: isHardDay(day),
        pain: armPain(day.pain),
        rest: restUntil(account, date) !== null,
        locked: lockOn(account, { date }) !== null,
        game: date > on && games.includes(date),
      };
    });
    return { from, throws: days.reduce((sum, day) => sum + day.throws, 0), days };
  });
}
