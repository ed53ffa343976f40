/** Room that a week still has: throws, free days, hard days in a row. */
import { dayOn, daysInARowBefore, isHardDay, withMore } from '../load/account';
import type { LoadAccount } from '../load/account';
import { budgetOn, hardGapOn, leagueOn, ruledAge, tableLimit } from '../load/rules';
import { HEAVY_PRACTICE_SHARE, PRACTICE_RULES, throwFreeDaysPerWeek } from '../load/tables';
import { floorOn, normalWeek, wayBackOn, weekCeiling } from '../load/week';
import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';

/** Room below which a session says why it is so light. */
export const SCARCE = 25;

/** Days in a row that a windmill pitcher’s tables know. */
const LONGEST_RUN = 4;

/** Throwing days a week under a clearance, none next to another. */
const CLEARED_DAYS = 3;

/** What seven days may hold in a plan: while no week is complete, no more than the floor, or half a budget. */
function plannedWeek(account: LoadAccount, end: IsoDate): number {
  const known = account.before === 'told' || wayBackOn(account, end) !== null || normalWeek(account, end) !== null;
  if (known) return weekCeiling(account, end, PRACTICE_RULES.weekStop);
  return Math.max(floorOn(account, end), Math.floor(budgetOn(account, end) / 2));
}

/** Throws that the rolling weeks ending on a day, or on a game or session up to six days later, still have room for. */
export function weekRoom(account: LoadAccount, date: IsoDate): number {
  let room = Infinity;
  const weekly = leagueOn(account, date).weekly ?? Infinity;
  for (let ahead = 0; ahead <= 6; ahead++) {
    const end = addDays(date, ahead);
    if (ahead > 0 && dayOn(account, end).throws === 0) continue;
    const throws = weekThrows(account, end);
    room = Math.min(room, plannedWeek(account, end) - throws, weekly - throws);
  }
  return room;
}

function weekThrows(account: LoadAccount, end: IsoDate): number {
  let total = 0;
  for (let back = 0; back <= 6; back++) total += dayOn(account, addDays(end, -back)).throws;
  return total;
}

/** Whether a throwing day leaves the throw-free days that every seven days need. */
export function leavesFreeDays(account: LoadAccount, date: IsoDate): boolean {
  for (let ahead = 0; ahead <= 6; ahead++) {
    const end = addDays(date, ahead);
    let busy = 1;
    for (let back = 0; back <= 6; back++) {
      const day = addDays(end, -back);
      if (day !== date && dayOn(account, day).throws > 0) busy++;
    }
    if (busy > 7 - throwFreeDaysPerWeek(ruledAge(account, end))) return false;
  }
  return true;
}

/** Under a clearance: whether a throwing day would be the fourth of seven, or stand next to another. */
export function crowdsClearance(account: LoadAccount, date: IsoDate): boolean {
  let days = 0;
  for (let away = -6; away <= 6; away++) {
    if (away === 0 || dayOn(account, addDays(date, away)).throws === 0) continue;
    if (Math.abs(away) === 1) return true;
    if (away < 0) days++;
  }
  return days >= CLEARED_DAYS;
}

export const hardDayNear = (account: LoadAccount, date: IsoDate): boolean =>
  account.days.some((day) => Math.abs(daysBetween(day.date, date)) < hardGapOn(account, date) && isHardDay(day));

/**
 * Throws that a windmill pitcher’s days in a row leave on a day: by her own row of the table, and light where a heavy day would push
 * a game to come over its row.
 */
export function inARow(account: LoadAccount, date: IsoDate): number {
  if (account.athlete.discipline !== 'windmill') return Infinity;
  const run = daysInARowBefore(account, date);
  const own = run < 2 ? Infinity : tableLimit(account, date, run);
  const light = Math.floor(HEAVY_PRACTICE_SHARE * budgetOn(account, date));
  const heavy = withMore(account, { date, throws: light + 1 });
  for (let ahead = 1; ahead < LONGEST_RUN; ahead++) {
    const game = addDays(date, ahead);
    const pitches = dayOn(account, game).pitches;
    if (pitches > 0 && pitches > tableLimit(account, game, daysInARowBefore(heavy, game))) return Math.min(own, light);
  }
  return own;
}
