import { dayOn, daysInARowBefore, isHardDay, lockOn, openAccount, withMore } from '../load/account';
import type { LoadAccount } from '../load/account';
import type { LoadRow } from '../load/days';
import type { Lock } from '../load/locks';
import { budgetOn, hardGapOn, leagueOn, ruledAge, tableLimit } from '../load/rules';
import { HARD_EFFORT, HEAVY_PRACTICE_SHARE, PRACTICE_RULES, throwFreeDaysPerWeek } from '../load/tables';
import { wayBackOn, weekCeiling } from '../load/week';
import { roomOn } from '../load/workload';
import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { PlanRequest } from './types';

export interface Allowance {
  readonly throws: number;
  readonly highEffort: number;
  /** Percent of full effort, at most. */
  readonly highestEffort: number;
  /** Leg work is closed as well. */
  readonly legsClosed: boolean;
  /** The rule that bounds throws, in words; null when only the usual budget does. */
  readonly because: string | null;
}

/** The load account as a planner sees it: what is planned counts as thrown, and games to come are kept room for. */
export interface Ledger {
  readonly allowance: (date: IsoDate) => Allowance;
  readonly book: (date: IsoDate, throws: number, highEffort: number) => void;
  /** The lock that stands on a day. */
  readonly lockOn: (date: IsoDate) => Lock | null;
}

/** Room below which a session says why it is so light. */
const SCARCE = 25;
/** Days in a row that a windmill pitcher's tables know. */
const LONGEST_RUN = 4;

const isGameDay = (account: LoadAccount, date: IsoDate): boolean =>
  dayOn(account, date).pitches > 0 || dayOn(account, date).games > 0;

/** The log that a plan starts from: what was thrown, with the pain of each day. */
function logOf(request: PlanRequest): LoadRow[] {
  return [
    ...request.recentLoad,
    ...request.pain.map(({ date, ...pain }): LoadRow => ({ date, throws: 0, highEffort: 0, pain: [pain] })),
  ];
}

/** Throws that the rolling weeks ending on a day, or on a game up to six days later, still have room for. */
function weekRoom(account: LoadAccount, date: IsoDate): number {
  let room = Infinity;
  const weekly = leagueOn(account, date).weekly ?? Infinity;
  for (let ahead = 0; ahead <= 6; ahead++) {
    const end = addDays(date, ahead);
    if (ahead > 0 && dayOn(account, end).throws === 0) continue;
    const share = ahead > 0 ? PRACTICE_RULES.weekStop : PRACTICE_RULES.weekWarning;
    const throws = weekThrows(account, end);
    room = Math.min(room, weekCeiling(account, end, share) - throws, weekly - throws);
  }
  return room;
}

function weekThrows(account: LoadAccount, end: IsoDate): number {
  let total = 0;
  for (let back = 0; back <= 6; back++) total += dayOn(account, addDays(end, -back)).throws;
  return total;
}

/** Whether a throwing day leaves the throw-free days that every seven days need. */
function leavesFreeDays(account: LoadAccount, date: IsoDate): boolean {
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

const hardDayNear = (account: LoadAccount, date: IsoDate): boolean =>
  account.days.some((day) => Math.abs(daysBetween(day.date, date)) < hardGapOn(account, date) && isHardDay(day));

/**
 * Throws that a windmill pitcher's days in a row leave on a day: by her own row of the table, and light where a heavy day would push
 * a game to come over its row.
 */
function inARow(account: LoadAccount, date: IsoDate): number {
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

export function openLedger(request: PlanRequest): Ledger {
  let account = openAccount({
    athlete: request.athlete,
    leagueDailyLimit: request.leagueDailyLimit,
    ...(request.league ? { league: request.league } : {}),
    log: logOf(request),
    clearances: request.clearances ?? [],
  });
  for (const { date, pitches } of request.games) account = withMore(account, { date, pitches, throws: pitches, games: 1 });
  const flagged = request.flags.length > 0;

  const allowance = (date: IsoDate): Allowance => {
    const room = roomOn(account, { date });
    const legsClosed = room.locked?.legs ?? false;
    const none = (because: string): Allowance => ({ throws: 0, highEffort: 0, highestEffort: 100, legsClosed, because });
    if (room.locked) return none(room.locked.reason);
    if (isGameDay(account, date)) return none('There is a game on this day.');
    if (room.restUntil) return none(`Rest after pitching is owed up to ${addDays(room.restUntil, -1)}.`);
    if (!leavesFreeDays(account, date)) return none('The week needs its day without throwing.');
    const booked = dayOn(account, date).throws;
    const budget = budgetOn(account, date);
    const share = request.season === 'in' ? PRACTICE_RULES.inSeasonShare : 1;
    const daily = Math.min(Math.floor(budget * share) - booked, room.throwsLeft);
    const league = (leagueOn(account, date).daily ?? Infinity) - booked;
    const run = inARow(account, date) - booked;
    const week = weekRoom(account, date);
    const throws = Math.max(0, Math.min(daily, league, run, week));
    const highestEffort = Math.min(room.highestEffort, wayBackOn(account, date)?.effort ?? 100);
    const open = !flagged && highestEffort >= HARD_EFFORT && !hardDayNear(account, date);
    return {
      throws,
      highEffort: open ? Math.min(throws, room.highEffortLeft) : 0,
      highestEffort,
      legsClosed,
      because: throws >= SCARCE ? null : whyScarce({ daily, league, run, week }, throws, room.clearance !== null),
    };
  };

  return {
    lockOn: (date) => lockOn(account, { date }),
    allowance,
    book: (date, throws, highEffort) => void (account = withMore(account, { date, throws, highEffort })),
  };
}

interface Bounds {
  readonly daily: number;
  readonly league: number;
  readonly run: number;
  readonly week: number;
}

/** Which rule makes a day so light, in words. */
function whyScarce(bounds: Bounds, throws: number, cleared: boolean): string | null {
  if (bounds.week <= throws) return 'The rolling week has little room for more throws.';
  if (bounds.run <= throws) return 'Pitching days in a row leave little today.';
  if (bounds.league <= throws) return 'The league’s rule leaves little today.';
  return cleared ? 'The clearance’s limits leave little today.' : null;
}
