import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { Clearance } from './clearance';
import { daysOf, noDay, throwsBetween } from './days';
import type { Day, LoadRow } from './days';
import { lockAt } from './locks';
import type { Lock } from './locks';
import type { Moment } from './moment';
import { budgetOn, hardGapOn, leagueOn, restOwed, tableLimit } from './rules';
import type { RuledAthlete } from './rules';
import { HEAVY_PRACTICE_SHARE, PRACTICE_RULES } from './tables';

/** Everything thrown and everything that hurt, with the rules by which it is read. */
export interface LoadRequest extends RuledAthlete {
  readonly log: readonly LoadRow[];
  readonly clearances?: readonly Clearance[];
  /** A usual week as it was told, for who has nothing on record. */
  readonly weekTold?: number;
}

/** The log by days: what every question about load is asked of. */
export interface LoadAccount extends RuledAthlete {
  /** In date order. */
  readonly days: readonly Day[];
  readonly byDate: ReadonlyMap<IsoDate, Day>;
  readonly clearances: readonly Clearance[];
  /** What is known from before whatever is planned: a record, a usual week as it was told, or nothing, as after a long time off. */
  readonly before: 'record' | 'told' | 'nothing';
}

const accountOf = (
  ruled: RuledAthlete,
  days: readonly Day[],
  clearances: readonly Clearance[],
  before: LoadAccount['before'],
): LoadAccount => ({
  athlete: ruled.athlete,
  leagueDailyLimit: ruled.leagueDailyLimit,
  ...(ruled.league ? { league: ruled.league } : {}),
  days,
  byDate: new Map(days.map((day) => [day.date, day])),
  clearances,
  before,
});

export function openAccount(request: LoadRequest): LoadAccount {
  const days = daysOf(request.log);
  return accountOf(
    request,
    days,
    request.clearances ?? [],
    days.some((day) => day.throws > 0) ? 'record' : (request.weekTold ?? 0) > 0 ? 'told' : 'nothing',
  );
}

/** The account with more on a day: a planned session, a game to come. */
export function withMore(account: LoadAccount, more: Partial<Day> & Pick<Day, 'date'>): LoadAccount {
  const known = account.byDate.get(more.date) ?? noDay(more.date);
  const day: Day = {
    date: more.date,
    pitches: known.pitches + (more.pitches ?? 0),
    throws: known.throws + (more.throws ?? 0),
    highEffort: known.highEffort + (more.highEffort ?? 0),
    games: known.games + (more.games ?? 0),
    pain: known.pain,
  };
  const days = [...account.days.filter((d) => d.date !== more.date), day].sort((a, b) => (a.date < b.date ? -1 : 1));
  return accountOf(account, days, account.clearances, account.before);
}

export const dayOn = (account: LoadAccount, date: IsoDate): Day => account.byDate.get(date) ?? noDay(date);

export const lockOn = (account: LoadAccount, moment: Moment): Lock | null => lockAt(account.days, account.clearances, moment);

/** Throws in the seven days that end on a day. */
export const weekEnding = (account: LoadAccount, date: IsoDate): number => throwsBetween(account.byDate, addDays(date, -6), date);

/** Pitches in the seven days that end on a day. */
export function pitchesInWeekEnding(account: LoadAccount, date: IsoDate): number {
  let total = 0;
  for (let back = 0; back <= 6; back++) total += dayOn(account, addDays(date, -back)).pitches;
  return total;
}

/** Days without a throw among the seven that end on a day. */
export function throwFreeDaysEnding(account: LoadAccount, date: IsoDate): number {
  let free = 0;
  for (let back = 0; back <= 6; back++) if (dayOn(account, addDays(date, -back)).throws === 0) free++;
  return free;
}

/** Whether a day counts among windmill days in a row: any pitch, or practice above three tenths of the budget. */
export const countsInARow = (account: LoadAccount, day: Day): boolean =>
  day.pitches > 0 ||
  (account.athlete.discipline === 'windmill' && day.throws > HEAVY_PRACTICE_SHARE * budgetOn(account, day.date));

/** How many days in a row before a day counted as pitching days. */
export function daysInARowBefore(account: LoadAccount, date: IsoDate): number {
  let run = 0;
  while (countsInARow(account, dayOn(account, addDays(date, -run - 1)))) run++;
  return run;
}

/** Pitches that tables and league allow on a day in all. */
export function pitchesAllowed(account: LoadAccount, date: IsoDate): number {
  const table = tableLimit(account, date, daysInARowBefore(account, date));
  return Math.min(table, leagueOn(account, date).daily ?? Infinity);
}

/** First date on which pitching is allowed again by what was thrown before a day; null when it is allowed on that day. */
export function restUntil(account: LoadAccount, date: IsoDate): IsoDate | null {
  const back = account.days
    .filter((day) => day.date < date && day.pitches > 0)
    .map((day) => addDays(day.date, restOwed(account, day.date, day.pitches) + 1))
    .reduce((latest, due) => (due > latest ? due : latest), date);
  if (back > date) return back;
  const run = daysInARowBefore(account, date);
  return account.athlete.discipline === 'windmill' && tableLimit(account, date, run) === 0 ? addDays(date, 1) : null;
}

/** A day on which hard work counts: a game, or practice with ten hard throws. */
export const isHardDay = (day: Day): boolean => day.pitches > 0 || day.highEffort >= PRACTICE_RULES.highEffortDayThrows;

/** The last hard day before a day that lies too near for another; null when none does. */
export function hardDayBefore(account: LoadAccount, date: IsoDate): Day | null {
  const gap = hardGapOn(account, date);
  const near = account.days.filter((day) => day.date < date && daysBetween(day.date, date) < gap && isHardDay(day));
  return near[near.length - 1] ?? null;
}
