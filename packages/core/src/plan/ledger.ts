import { dayOn, lockOn, openAccount, withMore } from '../load/account';
import type { LoadAccount } from '../load/account';
import type { LoadRow } from '../load/days';
import type { Lock } from '../load/locks';
import { afterPain, aroundGames, dayCapOn, gameDayThrows, hardWeekRoom, isEveOfGame } from '../load/practice';
import type { DayRule } from '../load/practice';
import { leagueOn } from '../load/rules';
import { HARD_EFFORT } from '../load/tables';
import { wayBackOn } from '../load/week';
import { roomOn } from '../load/workload';
import type { IsoDate } from '../shared/dates';
import type { PlanRequest } from './types';
import { crowdsClearance, hardDayNear, inARow, leavesFreeDays, SCARCE, weekRoom } from './week-room';

/** What all rules together leave of a day for planned practice. */
export interface Allowance {
  readonly throws: number;
  readonly highEffort: number;
  /** Percent of full effort, at most. */
  readonly highestEffort: number;
  /** Leg work is closed as well. */
  readonly legsClosed: boolean;
  /** Jumps and heavy leg work are closed. */
  readonly strainClosed: boolean;
  /** Arm swings without a ball are closed too. */
  readonly armClosed: boolean;
  /** Only catch, no drills with a ball. */
  readonly catchOnly: boolean;
  /** A clearance stands: few throws are worth a warm-up too. */
  readonly cleared: boolean;
  /** No speed test: on the way back, under a clearance or a flag. */
  readonly noSpeedTest: boolean;
  /** The rule that bounds throws, in words; null when only the usual budget does. */
  readonly because: string | null;
  /** A rule of this very day bounds it: a lock, a game near, pain, a day that must be free. */
  readonly byDayRule: boolean;
  /** Which bound is the tightest. */
  readonly tightest: keyof Bounds;
}

/** The load account as a planner sees it: what is planned counts as thrown, and games to come are kept room for. */
export interface Ledger {
  readonly allowance: (date: IsoDate) => Allowance;
  readonly book: (date: IsoDate, throws: number, highEffort: number) => void;
  /** The lock that stands on a day. */
  readonly lockOn: (date: IsoDate) => Lock | null;
  /** The account as it stands, with all that is booked. */
  readonly account: () => LoadAccount;
}

/** Ceiling for throws of a flagged athlete, percent of full effort. */
export const FLAGGED_EFFORT = 85;

/** The log that a plan starts from: what was thrown, with the pain of each day. */
function logOf(request: PlanRequest): LoadRow[] {
  return [
    ...request.recentLoad,
    ...request.pain.map(({ date, ...pain }): LoadRow => ({ date, throws: 0, highEffort: 0, pain: [pain] })),
  ];
}

export function openLedger(request: PlanRequest): Ledger {
  const { restBlocks = [], season } = request;
  let account = openAccount({
    athlete: request.athlete,
    leagueDailyLimit: request.leagueDailyLimit,
    ...(request.league ? { league: request.league } : {}),
    log: logOf(request),
    clearances: request.clearances ?? [],
    ...(request.weekTold === undefined ? {} : { weekTold: request.weekTold }),
  });
  for (const { date, pitches } of request.games)
    account = withMore(account, { date, pitches, throws: gameDayThrows(account, date, pitches), games: 1 });
  const flagged = request.flags.length > 0;

  const allowance = (date: IsoDate): Allowance => {
    const room = roomOn(account, { date });
    const legsClosed = room.locked?.legs ?? false;
    const strainClosed = isEveOfGame(account, date);
    const cleared = room.clearance !== null;
    const wayBack = wayBackOn(account, date);
    const noSpeedTest = cleared || wayBack !== null || flagged;
    const closed = {
      throws: 0,
      highEffort: 0,
      highestEffort: 100,
      legsClosed,
      strainClosed,
      cleared,
      noSpeedTest,
      catchOnly: false,
      byDayRule: true,
      tightest: 'daily' as const,
    };
    const none = (because: string, armClosed: boolean): Allowance => ({ ...closed, armClosed, because });
    if (room.locked) return none(room.locked.reason, true);
    if (restBlocks.some((block) => block.from <= date && date <= block.until))
      return none('The arm rests in these weeks: no throws at all.', false);
    const pain = cleared ? null : afterPain(account, date);
    if (pain?.throws === 0) return none(pain.why, true);
    const games = aroundGames(account, date);
    if (games?.throws === 0) return none(games.why, false);
    const booked = dayOn(account, date).throws;
    if (booked === 0 && !leavesFreeDays(account, date)) return none('The week needs its day without throwing.', false);
    if (cleared && booked === 0 && crowdsClearance(account, date))
      return none('Cleared with limits: at most three throwing days a week, none next to another.', false);
    const firstCleared = cleared && !thrownUnderClearance(account, request, date);
    const rules = [games, pain].filter((rule): rule is DayRule => rule !== null);
    const daily = Math.min(
      dayCapOn(account, date, season) - booked,
      room.throwsLeft,
      ...rules.map((rule) => rule.throws - booked),
    );
    const league = (leagueOn(account, date).daily ?? Infinity) - booked;
    const run = inARow(account, date) - booked;
    const week = weekRoom(account, date);
    const least = Math.max(0, Math.min(daily, league, run, week));
    const throws = firstCleared ? Math.floor(least / 2) : least;
    const highestEffort = Math.min(
      room.highestEffort,
      wayBack?.effort ?? 100,
      ...rules.map((rule) => rule.effort),
      flagged ? FLAGGED_EFFORT : 100,
    );
    const open = !flagged && highestEffort >= HARD_EFFORT && !hardDayNear(account, date);
    const because = rules[0]?.why ?? (throws >= SCARCE ? null : whyScarce({ daily, league, run, week }, throws, cleared));
    return {
      throws,
      highEffort: open ? Math.min(throws, room.highEffortLeft, hardWeekRoom(account, date)) : 0,
      highestEffort,
      legsClosed,
      strainClosed,
      armClosed: false,
      cleared,
      catchOnly: rules.some((rule) => rule.catchOnly === true),
      noSpeedTest,
      because,
      byDayRule: rules.length > 0,
      tightest: tightestOf({ daily, league, run, week }),
    };
  };

  return {
    account: () => account,
    lockOn: (date) => lockOn(account, { date }),
    allowance,
    book: (date, throws, highEffort) => void (account = withMore(account, { date, throws, highEffort })),
  };
}

/** Whether anything was thrown since the newest clearance, before a day. */
function thrownUnderClearance(account: LoadAccount, request: PlanRequest, date: IsoDate): boolean {
  const since =
    (request.clearances ?? [])
      .map((c) => c.date)
      .sort()
      .pop() ?? date;
  return account.days.some((day) => day.date >= since && day.date < date && day.throws > 0);
}

interface Bounds {
  readonly daily: number;
  readonly league: number;
  readonly run: number;
  readonly week: number;
}

const tightestOf = (bounds: Bounds): keyof Bounds =>
  (['week', 'run', 'league', 'daily'] as const).reduce((a, b) => (bounds[b] < bounds[a] ? b : a));

/** Which rule makes a day so light, in words. */
function whyScarce(bounds: Bounds, throws: number, cleared: boolean): string | null {
  if (bounds.week <= throws) return 'The rolling week has little room for more throws.';
  if (bounds.run <= throws) return 'Pitching days in a row leave little today.';
  if (bounds.league <= throws) return 'The league’s rule leaves little today.';
  return cleared ? 'The clearance’s limits leave little today.' : null;
}
