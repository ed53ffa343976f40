import { addDays, ageOn, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';

import { throwingLock } from '../workload/pain';
import type { Lock } from '../workload/pain';
import {
  highEffortGapDays,
  highEffortLimit,
  PRACTICE_RULES,
  practiceBudget,
  restDays,
  throwFreeDaysPerWeek,
} from '../workload/tables';
import { weekAgainstMean } from '../workload/workload';
import type { Day } from '../workload/workload';
import type { PlanRequest } from './types';

export interface Allowance {
  readonly throws: number;
  readonly highEffort: number;
  /** The rule that bounds throws, in words; null when only the usual budget does. */
  readonly because: string | null;
}

/** The account of throws, known and planned, against every hard rule. Sessions are booked in date order. */
export interface Ledger {
  readonly allowance: (date: IsoDate) => Allowance;
  readonly book: (date: IsoDate, throws: number, highEffort: number) => void;
  readonly lock: Lock | null;
}

/** Room below which a session says why it is so light. */
const SCARCE = 25;

const empty = (date: IsoDate): Day => ({ date, pitches: 0, throws: 0, highEffort: 0, games: 0, pain: [] });

export function openLedger(request: PlanRequest): Ledger {
  const { athlete, on } = request;
  const days = new Map<IsoDate, Day>();
  const put = (date: IsoDate, change: (day: Day) => Day) => days.set(date, change(days.get(date) ?? empty(date)));
  for (const row of request.recentLoad)
    put(row.date, (day) => ({
      ...day,
      pitches: day.pitches + (row.pitches ?? 0),
      throws: day.throws + Math.max(row.throws, row.pitches ?? 0),
      highEffort: day.highEffort + row.highEffort,
    }));
  for (const game of request.games)
    put(game.date, (day) => ({
      ...day,
      pitches: day.pitches + game.pitches,
      throws: day.throws + game.pitches,
      games: day.games + 1,
    }));
  const painDays = [...new Set([...request.recentLoad.map((r) => r.date), ...request.pain.map((p) => p.date)])]
    .filter((date) => date <= on)
    .sort()
    .map((date) => ({ date, pain: request.pain.filter((p) => p.date === date) }));
  const lock = throwingLock(painDays, request.clearances ?? [], on);
  const flagged = request.flags.length > 0;

  const known = (keep: (day: Day) => boolean = () => true) =>
    [...days.values()].filter(keep).sort((a, b) => (a.date < b.date ? -1 : 1));
  const gameDay = (date: IsoDate) => (days.get(date)?.games ?? 0) > 0 || (days.get(date)?.pitches ?? 0) > 0;

  /** Last date on which rest is still owed for pitches thrown before `date`. */
  const resting = (date: IsoDate): IsoDate | null => {
    if (athlete.discipline === 'windmill') return null;
    for (const day of days.values()) {
      if (day.date >= date || day.pitches === 0) continue;
      const rest = restDays(ageOn(athlete.birthDate, day.date), day.pitches);
      if (daysBetween(day.date, date) <= rest) return addDays(day.date, rest);
    }
    return null;
  };

  /** Throws that the rolling weeks ending on `date`, or on a game up to six days later, still have room for. */
  const weekRoom = (date: IsoDate): number => {
    const budget = practiceBudget(athlete.discipline, ageOn(athlete.birthDate, date));
    let room = Infinity;
    for (let ahead = 0; ahead <= 6; ahead++) {
      const end = addDays(date, ahead);
      if (ahead > 0 && !gameDay(end)) continue;
      const upToEnd = known((d) => d.date <= end);
      // A dry day is a record for one reader and none for another: the stricter mean counts.
      const withDry = weekAgainstMean(upToEnd, end);
      const withoutDry = weekAgainstMean(
        upToEnd.filter((d) => d.throws > 0),
        end,
      );
      const means = [withDry.mean, withoutDry.mean].filter((m): m is number => m !== null && m > 0);
      const share = 1 + (ahead > 0 ? PRACTICE_RULES.weekStop : PRACTICE_RULES.weekWarning);
      const cap = means.length === 0 ? PRACTICE_RULES.firstWeekBudgets * budget : Math.floor(share * Math.min(...means));
      room = Math.min(room, cap - withDry.throws);
    }
    return room;
  };

  /** Whether a throwing day on `date` leaves the throw-free days that every seven days need. */
  const leavesFreeDays = (date: IsoDate): boolean => {
    for (let ahead = 0; ahead <= 6; ahead++) {
      const end = addDays(date, ahead);
      const busy = known(
        (d) => d.throws > 0 && daysBetween(d.date, end) >= 0 && daysBetween(d.date, end) <= 6 && d.date !== date,
      ).length;
      if (busy + 1 > 7 - throwFreeDaysPerWeek(ageOn(athlete.birthDate, end))) return false;
    }
    return true;
  };

  const hardDayNear = (date: IsoDate, gap: number): boolean =>
    known((d) => d.highEffort >= PRACTICE_RULES.highEffortDayThrows || d.pitches > 0).some(
      (d) => Math.abs(daysBetween(d.date, date)) < gap,
    );

  const allowance = (date: IsoDate): Allowance => {
    const none = (because: string): Allowance => ({ throws: 0, highEffort: 0, because });
    if (lock && (lock.until === 'clearance' || date < lock.until)) return none(lock.reason);
    if (gameDay(date)) return none('There is a game on this day.');
    const rest = resting(date);
    if (rest) return none(`Rest after pitching is owed up to ${rest}.`);
    if (!leavesFreeDays(date)) return none('The week needs its day without throwing.');
    const age = ageOn(athlete.birthDate, date);
    const budget = practiceBudget(athlete.discipline, age);
    const daily =
      Math.floor(request.season === 'in' ? budget * PRACTICE_RULES.inSeasonShare : budget) - (days.get(date)?.throws ?? 0);
    const week = weekRoom(date);
    const throws = Math.max(0, Math.min(daily, week));
    const spaced = !hardDayNear(date, highEffortGapDays(age));
    return {
      throws,
      highEffort: flagged || !spaced ? 0 : Math.min(throws, highEffortLimit(age)),
      because: week < daily && throws < SCARCE ? 'The rolling week has little room for more throws.' : null,
    };
  };

  return {
    lock,
    allowance,
    book: (date, throws, highEffort) =>
      void put(date, (day) => ({ ...day, throws: day.throws + throws, highEffort: day.highEffort + highEffort })),
  };
}
