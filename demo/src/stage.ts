/** What the made-up past is played on. */
import { addDays, weekdayOf, WEEKDAYS } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import { contextFor } from '@wrightonic/server';
import type { connect as Connect, Context, User } from '@wrightonic/server';
import { daysFrom } from './scenario';
import type { Character } from './scenario';

export type Db = ReturnType<typeof Connect>;

export const PLAN_WEEKS = 12;

/** Speeds read in a session, at most. */
export const READ_A_SESSION = 8;

/** Midday of a day, so that no time zone moves it. */
export const noon = (date: IsoDate, secondsAfter = 0): Date => new Date(Date.parse(`${date}T12:00:00Z`) + 1000 * secondsAfter);

export interface Stage {
  readonly db: Db;
  readonly coach: User;
  readonly assistant: User;
  readonly today: IsoDate;
}

export const on = (stage: Stage, date: IsoDate, user = stage.coach): Promise<Context> => contextFor(stage.db, user, noon(date));

export function recordOf(character: Character, today: IsoDate, start: IsoDate) {
  const { age, ...record } = character.record;
  const birthDate = addDays(today, -Math.round((age + 0.45) * 365.25));
  const minutes = age < 11 ? 30 : 45;
  const anchor = WEEKDAYS.indexOf(
    weekdayOf(character.painDaysAgo === undefined ? today : addDays(today, -character.painDaysAgo)),
  );
  return { record: { ...record, birthDate, availability: daysFrom(anchor, minutes) }, start };
}
