import { addDays, dayInWords } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { standingAt } from './clearance';
import type { Clearance } from './clearance';
import { momentKey } from './moment';
import type { Moment } from './moment';
import {
  armPain,
  firstSign,
  hurts,
  isArm,
  isStrong,
  isThrowingJoint,
  painWords,
  SIGN_WORDS,
  stopsLegs,
  stopsThrowing,
  strongest,
} from './pain';
import type { PainReport } from './pain';

export interface Lock {
  readonly reason: string;
  /** 'clearance', or the first date on which throwing is open again. */
  readonly until: string;
  /** Leg work stops as well. */
  readonly legs: boolean;
}

/** A day with a session, and what was reported on it. */
export interface PainDay {
  readonly date: IsoDate;
  readonly pain: readonly PainReport[];
}

/** A report that locks until it is cleared. */
interface LockingReport {
  /** Sorts as the reports were made. */
  readonly key: string;
  readonly date: IsoDate;
  readonly why: string;
  readonly legs: boolean;
}

/** What a report locks for, given the session before; null when nothing. */
function lockingReason(pain: PainReport, date: IsoDate, before: PainDay | undefined): string | null {
  const sign = firstSign(pain);
  if (sign) return `${SIGN_WORDS[sign]} was reported with the ${pain.site} on ${dayInWords(date)}`;
  if (isThrowingJoint(pain.site) && isStrong(pain)) return `${painWords(pain)} was reported on ${dayInWords(date)}`;
  if (!before) return null;
  if (isArm(pain.site) && pain.score > 0 && armPain(before.pain) > 0)
    return `arm pain was reported two sessions running, on ${dayInWords(before.date)} and ${dayInWords(date)}`;
  if (stopsLegs(pain) && before.pain.some(stopsLegs))
    return `pain of ${pain.score} at the ${pain.site} came two sessions running, on ${dayInWords(before.date)} and ${dayInWords(date)}`;
  return null;
}

/** Reports that lock, by the days that they were found in: a lock is asked for many times of the same days. */
const found = new WeakMap<readonly PainDay[], readonly LockingReport[]>();

/** Every report that locks, in the order in which they were made. */
function lockingReports(days: readonly PainDay[]): readonly LockingReport[] {
  const known = found.get(days);
  if (known) return known;
  const reports = readLocking(days);
  found.set(days, reports);
  return reports;
}

function readLocking(days: readonly PainDay[]): LockingReport[] {
  return days
    .flatMap((day, i) =>
      day.pain.flatMap((pain): LockingReport[] => {
        const why = lockingReason(pain, day.date, days[i - 1]);
        const key = momentKey({ date: day.date, ...(pain.at === undefined ? {} : { at: pain.at }) }, 'end');
        return why === null ? [] : [{ key, date: day.date, why, legs: !isArm(pain.site) }];
      }),
    )
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : a.why < b.why ? -1 : 1));
}

/**
 * Whether throwing is locked at a moment. What is reported after a clearance locks again; a clearance opens from its instant to its
 * last day.
 * @param days one entry for each day with a session, in date order
 * @param moment a day without a time means its end
 */
export function lockAt(days: readonly PainDay[], clearances: readonly Clearance[], moment: Moment): Lock | null {
  const now = momentKey(moment, 'end');
  const standing = standingAt(clearances, moment);
  const open = lockingReports(days).filter(
    (report) =>
      report.date <= moment.date && !isAfter(report.key, moment) && !standing.some((c) => momentKey(c, 'start') > report.key),
  );
  const newest = open[open.length - 1];
  if (newest) {
    const ranOut = clearances.some(
      (c) => momentKey(c, 'start') > newest.key && momentKey(c, 'start') <= now && c.until !== undefined && c.until < moment.date,
    );
    const legs = open.some((report) => report.legs);
    const since = ranOut
      ? 'The clearance has run out; a'
      : standing.length > 0
        ? 'That is later than the last clearance; a'
        : 'A';
    return {
      reason: `Throwing is locked: ${newest.why}. ${since} licensed clinician’s clearance must be recorded first.`,
      until: 'clearance',
      legs,
    };
  }
  return stopOfTheDay(days, moment);
}

/** Whether a report was made after a moment; a report without a time counts on its day from the start, so that none is missed. */
const isAfter = (key: string, moment: Moment): boolean => !key.endsWith('~') && key > momentKey(moment, 'end');

/** The day's work that pain has ended, until tomorrow. */
function stopOfTheDay(days: readonly PainDay[], moment: Moment): Lock | null {
  const today = (days.find((day) => day.date === moment.date)?.pain ?? []).filter(
    (p) => hurts(p) && stopsThrowing(p) && (p.at === undefined || moment.at === undefined || p.at <= moment.at),
  );
  const first = strongest(today);
  if (!first) return null;
  const legs = today.some(stopsLegs);
  return {
    reason: `No more throwing${legs ? ' or leg work' : ''} today: ${painWords(first)} was reported.`,
    until: addDays(moment.date, 1),
    legs,
  };
}

/** Whether anything that was reported ever locked. */
export const everLocked = (days: readonly PainDay[]): boolean => lockingReports(days).length > 0;

/** First day from `from` on that begins under a lock until clearance: where a clearance runs out, the lock is back. Null when none. */
export function lockComesBack(days: readonly PainDay[], clearances: readonly Clearance[], from: IsoDate): IsoDate | null {
  const candidates = [
    ...new Set(clearances.flatMap((c) => (c.until === undefined || c.until < from ? [] : [addDays(c.until, 1)]))),
  ];
  return candidates.sort().find((date) => lockAt(days, clearances, { date })?.until === 'clearance') ?? null;
}
