import type { AthleteProfile } from '../athlete/athlete';
import { addDays, ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { round } from '../shared/maths';
import {
  dayOn,
  daysInARowBefore,
  hardDayBefore,
  lockOn,
  openAccount,
  pitchesAllowed,
  pitchesInWeekEnding,
  restUntil,
  throwFreeDaysEnding,
  weekEnding,
} from './account';
import type { LoadAccount } from './account';
import { limitsOf, standingAt } from './clearance';
import type { Clearance, ClearanceLimits } from './clearance';
import type { LoadRow } from './days';
import { lockComesBack } from './locks';
import type { Lock } from './locks';
import type { Moment } from './moment';
import { budgetOn, hardLimitOn, leagueOn, restOwed, tableLimit } from './rules';
import type { LeagueRule, Season } from './rules';
import { HARD_EFFORT, PRACTICE_RULES, throwFreeDaysPerWeek } from './tables';
import { warningsOf } from './warnings';
import type { Warning } from './warnings';
import { floorOn, normalWeek } from './week';

export interface WorkloadRequest {
  readonly on: IsoDate;
  /** When on that day it is asked; without it, at its end. */
  readonly at?: Moment['at'];
  readonly athlete: AthleteProfile;
  readonly season: Season;
  readonly leagueDailyLimit: number | null;
  readonly league?: LeagueRule;
  readonly log: readonly LoadRow[];
  readonly clearances?: readonly Clearance[];
}

/** What a day still allows. */
export interface DayRoom {
  readonly throwsLeft: number;
  readonly highEffortLeft: number;
  readonly pitchesLeft: number;
  /** Percent of full effort, at most; 100 without a limit. */
  readonly highestEffort: number;
  readonly restUntil: IsoDate | null;
  /** Days of rest that the day's pitches will cost. */
  readonly restAfterToday: number;
  readonly locked: Lock | null;
  /** What standing clearances leave; null where none stands. */
  readonly clearance: ClearanceLimits | null;
  /** First day that begins under a lock because a clearance has run out; null when none is to come. */
  readonly lockComesBack: IsoDate | null;
}

export interface Workload {
  readonly today: DayRoom;
  readonly week: {
    /** Throws in the rolling seven days. */
    readonly throws: number;
    /** Throws of the normal week before them, or null while none is complete. */
    readonly mean: number | null;
    /** Change against it, as a share. */
    readonly change: number | null;
    /** Up to so many throws a week is never a jump. */
    readonly floor: number;
    readonly planningStopped: boolean;
    readonly throwFreeDays: number;
    readonly throwFreeDaysNeeded: number;
  };
  readonly warnings: readonly Warning[];
  /** The age by which rules are read, and whether it was moved to the nearest row. */
  readonly ageRule: { readonly age: number; readonly readAs: string | null };
}

const roomLeft = (...limits: number[]): number => Math.max(0, Math.min(...limits));

/** What budgets and a clearance leave of a day, whether or not a lock stands. */
export interface DayLimits {
  /** Practice throws still to come. */
  readonly throws: number;
  /** Hard ones among them. */
  readonly hard: number;
  /** Throws of the whole day that a clearance leaves; Infinity without a limit. */
  readonly mostThrows: number;
  /** Percent of full effort, at most; 100 without a limit. */
  readonly highestEffort: number;
  readonly clearance: ClearanceLimits | null;
}

export function limitsOn(account: LoadAccount, moment: Moment): DayLimits {
  const { date } = moment;
  const today = dayOn(account, date);
  const clearance = limitsOf(standingAt(account.clearances, moment));
  const highestEffort = clearance?.highestEffort ?? 100;
  const mostThrows = clearance?.mostThrows ?? Infinity;
  const budget = budgetOn(account, date);
  const firstWeek =
    normalWeek(account, date) === null ? PRACTICE_RULES.firstWeekBudgets * budget - weekEnding(account, date) : Infinity;
  const throws = roomLeft(budget - today.throws, firstWeek, mostThrows - today.throws);
  // Within the gap after a hard day fewer than ten hard throws are left: the day must not become hard itself.
  const gap = hardDayBefore(account, date) ? PRACTICE_RULES.highEffortDayThrows - 1 : Infinity;
  const hardAllowed = highestEffort >= HARD_EFFORT && today.pitches === 0;
  return {
    throws,
    hard: hardAllowed ? roomLeft(Math.min(hardLimitOn(account, date), gap) - today.highEffort, throws) : 0,
    mostThrows,
    highestEffort,
    clearance,
  };
}

/** What a day allows at a moment, by every rule. */
export function roomOn(account: LoadAccount, moment: Moment): DayRoom {
  const { date } = moment;
  const today = dayOn(account, date);
  const locked = lockOn(account, moment);
  const { throws, hard, mostThrows, highestEffort, clearance } = limitsOn(account, moment);
  const rest = restUntil(account, date);
  const weeklyLeft = (leagueOn(account, date).weekly ?? Infinity) - pitchesInWeekEnding(account, date);
  // A game is thrown hard: under a ceiling on effort there is none.
  const pitchesLeft =
    locked || rest !== null || highestEffort < HARD_EFFORT
      ? 0
      : roomLeft(pitchesAllowed(account, date) - today.pitches, weeklyLeft, mostThrows - today.throws);
  const tomorrow = addDays(date, 1);
  const noneTomorrow =
    account.athlete.discipline === 'windmill' &&
    today.pitches > 0 &&
    tableLimit(account, tomorrow, daysInARowBefore(account, tomorrow)) === 0;
  return {
    throwsLeft: locked ? 0 : throws,
    highEffortLeft: locked ? 0 : hard,
    pitchesLeft,
    highestEffort,
    restUntil: rest,
    restAfterToday: Math.max(restOwed(account, date, today.pitches), noneTomorrow ? 1 : 0),
    locked,
    clearance,
    lockComesBack: locked?.until === 'clearance' ? null : lockComesBack(account.days, account.clearances, date),
  };
}

/** What today, this week and the rules allow. Rows after `on` are the caller's mistake and must not be passed. */
export function workload(request: WorkloadRequest): Workload {
  const { on } = request;
  const account = openAccount(request);
  const age = ageOn(request.athlete.birthDate, on);
  const today = roomOn(account, { date: on, ...(request.at === undefined ? {} : { at: request.at }) });
  const throws = weekEnding(account, on);
  const mean = normalWeek(account, on);
  const change = mean !== null && mean > 0 ? throws / mean - 1 : null;
  const floor = floorOn(account, on);
  const firstWeekFull = mean === null && throws >= PRACTICE_RULES.firstWeekBudgets * budgetOn(account, on);
  return {
    today,
    week: {
      throws,
      mean: mean === null ? null : round(mean, 1),
      change: change === null ? null : round(change),
      floor,
      planningStopped: (change !== null && change > PRACTICE_RULES.weekStop && throws >= floor) || firstWeekFull,
      throwFreeDays: throwFreeDaysEnding(account, on),
      throwFreeDaysNeeded: throwFreeDaysPerWeek(age),
    },
    warnings: warningsOf(request, account, { age, throws, mean, change, floor }),
    ageRule: { age, readAs: age < 7 ? 'read as 7–8' : age > 22 ? 'read as 19–22' : null },
  };
}
