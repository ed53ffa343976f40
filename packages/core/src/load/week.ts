import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { sum } from '../shared/maths';
import { dayOn, weekEnding } from './account';
import type { LoadAccount } from './account';
import type { Day } from './days';
import { everLocked, lockAt } from './locks';
import { budgetOn } from './rules';
import { PRACTICE_RULES } from './tables';

/** A light week is about 70 % of the last normal one; in a record it is known by lying in this span. Provenance `house`. */
const LIGHT = { from: 0.6, to: 0.8 } as const;
const WEEKS_OF_THE_MEAN = 4;
/** Weeks that are looked at to find four that were not light. */
const WEEKS_READ = 10;
/** A floor is only for somebody who threw lately and had no lock for so many days. */
const FLOOR = { thrownWithin: 7, noLockIn: 28 } as const;
/** After so many days without a throw, or after an arm lock, the way back starts anew. */
const LONG_GAP_DAYS = 28;
/** The way back, in daily budgets a week. Provenance `house`. */
const RAMP = { first: 0.5, step: 0.25, to: 1 } as const;
/** Percent of full effort in the first weeks of a way back. Provenance `house`. */
const RAMP_EFFORT = [70, 80, 90] as const;
/** Share of the normal week that the first one may hold after days without throwing. Provenance `house`. */
const AFTER_DAYS_OFF = [
  { from: 8, share: 0.8 },
  { from: 14, share: 0.6 },
  { from: 21, share: 0.5 },
] as const;

/** Throws of the complete weeks before the seven days that end on a day, newest first: all their days lie after the first record. */
function completeWeeks(account: LoadAccount, end: IsoDate): number[] {
  const first = account.days.find((day) => day.throws > 0)?.date;
  if (first === undefined) return [];
  const weeks: number[] = [];
  for (let back = 7; back <= 7 * WEEKS_READ && daysBetween(first, addDays(end, -back)) >= 6; back += 7)
    weeks.push(weekEnding(account, addDays(end, -back)));
  return weeks;
}

/** The weeks, newest first, that were not light: about seven tenths of the normal one before, and not two running. */
function normalOf(weeks: readonly number[]): number[] {
  const normal: number[] = [];
  let lightBefore = false;
  for (const throws of [...weeks].reverse()) {
    const last = normal[0];
    const light: boolean =
      !lightBefore && last !== undefined && last > 0 && throws >= LIGHT.from * last && throws <= LIGHT.to * last;
    if (!light) normal.unshift(throws);
    lightBefore = light;
  }
  return normal;
}

/**
 * The normal week before the seven days that end on a day: the larger of the mean of the last four complete weeks that were not
 * light, and the last of them. Null while no week is complete.
 */
export function normalWeek(account: LoadAccount, end: IsoDate): number | null {
  const normal = normalOf(completeWeeks(account, end)).slice(0, WEEKS_OF_THE_MEAN);
  return normal.length === 0 ? null : Math.max(sum(normal) / normal.length, normal[0]!);
}

/** Whether an arm lock until clearance stood in the days before a day. */
function lockedLately(account: LoadAccount, date: IsoDate): boolean {
  if (!everLocked(account.days)) return false;
  for (let back = 0; back < FLOOR.noLockIn; back++)
    if (lockAt(account.days, account.clearances, { date: addDays(date, -back) })?.until === 'clearance') return true;
  return false;
}

/** Throws up to which a week is never a jump: a daily budget, for who threw in the last seven days and had no lock in 28; else 0. */
export function floorOn(account: LoadAccount, date: IsoDate): number {
  const before = addDays(date, -1);
  const threw = weekEnding(account, before) > 0 || dayOn(account, date).throws > 0;
  return threw && !lockedLately(account, date) ? budgetOn(account, date) : 0;
}

/** Where the way back after a long time without throwing began, or would begin on a day; null for somebody in training. */
function wayBackSince(account: LoadAccount, date: IsoDate): IsoDate | null {
  const weeks = Math.ceil((RAMP.to - RAMP.first) / RAMP.step) + 1;
  // Only the throws of the ramp's weeks and the one before them can tell.
  const thrown: IsoDate[] = [];
  for (let i = account.days.length - 1; i >= 0; i--) {
    const day = account.days[i]!;
    if (day.throws === 0 || day.date >= date) continue;
    thrown.unshift(day.date);
    if (daysBetween(day.date, date) > 7 * weeks) break;
  }
  const locked = everLocked(account.days);
  const afterLock = (from: IsoDate, to: IsoDate) => {
    if (!locked) return false;
    for (let day = from; day < to; day = addDays(day, 1))
      if (lockAt(account.days, account.clearances, { date: day })?.until === 'clearance') return true;
    return false;
  };
  const starts = [...thrown, date];
  for (let i = starts.length - 1; i >= 0; i--) {
    const start = starts[i]!;
    if (daysBetween(start, date) >= 7 * weeks) return null;
    const before = starts[i - 1];
    if (before === undefined) return account.before === 'nothing' || (start === date && account.before !== 'told') ? start : null;
    if (daysBetween(before, start) > LONG_GAP_DAYS || afterLock(before, start)) return start;
  }
  return null;
}

export interface WayBack {
  /** Throws a week. */
  readonly throws: number;
  /** Percent of full effort, at most. */
  readonly effort: number;
}

/** What a way back allows in the week of a day; null for somebody in training. */
export function wayBackOn(account: LoadAccount, date: IsoDate): WayBack | null {
  const since = wayBackSince(account, date);
  if (since === null) return null;
  const week = Math.floor(daysBetween(since, date) / 7);
  const budgets = RAMP.first + RAMP.step * week;
  if (budgets > RAMP.to) return null;
  return { throws: Math.floor(budgets * budgetOn(account, date)), effort: RAMP_EFFORT[week] ?? 100 };
}

/** Days without a throw before a day. */
function daysOff(account: LoadAccount, date: IsoDate): number {
  let last: Day | undefined;
  for (let i = account.days.length - 1; i >= 0 && !last; i--) {
    const day = account.days[i]!;
    if (day.throws > 0 && day.date < date) last = day;
  }
  return last ? daysBetween(last.date, date) - 1 : Infinity;
}

/**
 * The most throws that the seven days ending on a day may hold in a plan.
 * @param share above the normal week, 0.15 for what is planned, 0.3 for what games bring
 */
export function weekCeiling(account: LoadAccount, end: IsoDate, share: number = PRACTICE_RULES.weekWarning): number {
  const back = wayBackOn(account, end);
  if (back) return back.throws;
  const mean = normalWeek(account, end);
  if (mean === null) return PRACTICE_RULES.firstWeekBudgets * budgetOn(account, end);
  const off = AFTER_DAYS_OFF.filter((row) => daysOff(account, end) >= row.from).pop();
  const ceiling = Math.floor((off ? off.share : 1 + share) * mean + 1e-9);
  return Math.max(ceiling, floorOn(account, end));
}

/** Throws that the first week after days without throwing may hold; null for somebody who threw lately. */
export function weekCeilingAfterDaysOff(account: LoadAccount, from: IsoDate): number | null {
  const off = AFTER_DAYS_OFF.filter((row) => daysOff(account, from) >= row.from).pop();
  const mean = normalWeek(account, addDays(from, 6));
  return off && mean !== null && mean > 0 ? Math.floor(off.share * mean + 1e-9) : null;
}

/** Whether a week is light against the last normal one. */
export const isLightWeek = (throws: number, normal: number): boolean =>
  normal > 0 && throws >= LIGHT.from * normal && throws <= LIGHT.to * normal;

/** From this rise on a recorded week was part of a climb. */
const CLIMBING = 1.05;

/**
 * Normal weeks in a row before a day since the last light one. Where no light week is on record only weeks of a climb count, so that
 * a steady record does not begin with a light week.
 * @param began first day of a plan that goes on: its weeks count whether they climbed or not
 */
export function normalWeeksInARow(account: LoadAccount, from: IsoDate, began: IsoDate | null): number {
  const weeks = completeWeeks(account, addDays(from, 6));
  let normals = 0;
  for (let i = 0; i + 1 < weeks.length; i++) {
    const [week, before] = [weeks[i]!, weeks[i + 1]!];
    if (isLightWeek(week, before)) return normals;
    const ofPlan = began !== null && addDays(from, -7 * (i + 1)) >= began;
    const settled = weeks.slice(i + 1, i + 5).some((w, n) => isLightWeek(w, weeks[i + n + 2] ?? 0));
    if (!ofPlan && !settled && week < CLIMBING * before) return normals;
    if (week === 0) return normals;
    normals++;
  }
  return normals;
}
