import { drillById, hasDrill } from '../drills/catalogue';
import { isLegWork } from '../drills/types';
import { dayOn, withMore } from '../load/account';
import type { LoadAccount } from '../load/account';
import type { LoadRow } from '../load/days';
import { lockAt } from '../load/locks';
import type { Lock } from '../load/locks';
import { hurts, painWords, stopsLegs, stopsThrowing, strongest } from '../load/pain';
import { budgetOn } from '../load/rules';
import { COUNTS_FROM, HARD_EFFORT } from '../load/tables';
import { limitsOn } from '../load/workload';
import type { DayLimits } from '../load/workload';
import { dayInWords, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { inOrder } from './entries';
import type { LoggedReading, LoggedRep } from './entries';
import { ALONE_DAYS_BACK, MIS_TAPS_A_DAY } from './instants';
import { cheatOf, NO_MARKS, undoOf } from './marks';
import type { MarksBy } from './marks';
import { measuredBy } from './readings';
import { capitalised, effortOf, isThrow, whyNoThrow } from './throws';

/** What a day's entries are, before any rule has judged them. */
export interface DayEntries {
  readonly date: IsoDate;
  readonly reps: readonly LoggedRep[];
  readonly readings: readonly LoggedReading[];
  /** Marks by what they speak of; others than of this day may be among them. */
  readonly marks: MarksBy;
  readonly removed: ReadonlySet<string>;
  /** What earlier entries of the day have come to, where only the later ones are given. */
  readonly soFar?: { readonly throws: number; readonly highEffort: number };
  /** Day of each session that an entry belongs to; undefined where it is not known to be another. */
  readonly sessionDate: (session: string) => IsoDate | undefined;
}

export interface JudgedRep {
  readonly id: string;
  readonly isThrow: boolean;
  /** Percent of full effort, as drill, sender and reading have it together. */
  readonly effort: number;
  /** Counts neither as load nor for the gate: a mis-tap, or taken out by a coach. */
  readonly gone: boolean;
  /** Taken back: it counts as load and not for the gate. */
  readonly undone: boolean;
  /** Why it is kept as load and never counted as allowed; null where it is allowed. */
  readonly refused: string | null;
  /** Way round that was seen. */
  readonly cheat: string | null;
}

export interface JudgedReading {
  readonly id: string;
  readonly gone: boolean;
  readonly undone: boolean;
  /** A speed whose throw was not logged is a throw by itself: why it is kept as load only. */
  readonly refused: string | null;
}

export interface JudgedDay {
  readonly date: IsoDate;
  readonly reps: ReadonlyMap<string, JudgedRep>;
  readonly readings: ReadonlyMap<string, JudgedReading>;
  /** Throws that count as load, and the hard ones among them. */
  readonly throws: number;
  readonly highEffort: number;
}

/** What an entry's own circumstances forbid it to count as; null when nothing. */
function outsideOf(rep: LoggedRep, sessionDate: IsoDate): string | null {
  if (rep.date !== sessionDate)
    return `It was done on ${dayInWords(rep.date)}, in a session of ${dayInWords(sessionDate)}: kept as load of its own day. Start a new session with its pain check.`;
  if (rep.alone && daysBetween(rep.date, rep.receivedOn) > ALONE_DAYS_BACK)
    return `Logged alone more than ${ALONE_DAYS_BACK} days late: kept as load, not counted.`;
  return null;
}

/** Locks and limits of a day as they change with each report and clearance on it. */
function timeline(account: LoadAccount, date: IsoDate): (at: string) => { lock: Lock | null; limits: DayLimits } {
  const changes = [
    ...dayOn(account, date).pain.flatMap((p) => p.at ?? []),
    ...account.clearances.flatMap((c) => (c.date === date ? (c.at ?? []) : [])),
  ].sort();
  const known = new Map<number, { lock: Lock | null; limits: DayLimits }>();
  return (at) => {
    let span = 0;
    while (span < changes.length && changes[span]! <= at) span++;
    const found = known.get(span);
    if (found) return found;
    const moment = { date, at };
    const made = { lock: lockAt(account.days, account.clearances, moment), limits: limitsOn(account, moment) };
    known.set(span, made);
    return made;
  };
}

/**
 * Judges a day's entries in the order of their instants: which reps are throws and how hard, which are allowed, and what the day
 * comes to as load. A throw counts as load whether it was allowed or not. On a day on which pain stopped the arm no throw counts as
 * allowed, whenever it is said to have been thrown; leg work likewise.
 * @param account the athlete's load with everything of that day but these entries
 */
export function judgeDay(entries: DayEntries, account: LoadAccount): JudgedDay {
  const { date, removed, sessionDate } = entries;
  const marks = entries.marks;
  const of = (id: string) => (marks.size === 0 ? NO_MARKS : (marks.get(id) ?? NO_MARKS));
  const reps = inOrder(entries.reps);
  const readings = inOrder(entries.readings);

  let slips = 0;
  const gone = new Set<string>();
  for (const rep of reps) {
    const slip = marks.size > 0 && undoOf(rep, of(rep.id)).slip && (!isThrow(rep) || slips++ < MIS_TAPS_A_DAY);
    if (slip || removed.has(rep.id)) gone.add(rep.id);
  }
  for (const reading of readings) if (undoOf(reading, of(reading.id)).slip || removed.has(reading.id)) gone.add(reading.id);

  const standing = readings.filter((reading) => !gone.has(reading.id));
  const measured = measuredBy(
    reps.filter((rep) => isThrow(rep) && !gone.has(rep.id)),
    standing,
  );
  const at = timeline(account, date);
  const stop = strongest(dayOn(account, date).pain.filter((p) => hurts(p) && stopsThrowing(p)));
  const legsStop = strongest(dayOn(account, date).pain.filter(stopsLegs));
  const budget = budgetOn(account, date);
  let throws = entries.soFar?.throws ?? 0;
  let highEffort = entries.soFar?.highEffort ?? 0;

  /** Books a throw; @returns why it is not allowed, or null */
  const book = (instant: string, effort: number): string | null => {
    const { lock, limits } = at(instant);
    const hard = effort >= HARD_EFFORT;
    const why = lock
      ? lock.reason
      : stop
        ? `${capitalised(painWords(stop))} was reported on this day: its throws are kept as load and not counted.`
        : throws >= limits.throws
          ? whyNoThrow(limits, throws, budget)
          : effort > limits.highestEffort
            ? `The clearance allows ${limits.highestEffort} % effort at most.`
            : hard && highEffort >= limits.hard
              ? 'Today’s hard throws are used up: stay under 90 %.'
              : null;
    throws++;
    if (hard) highEffort++;
    return why;
  };

  const judgedReps = new Map<string, JudgedRep>();
  const judgedReadings = new Map<string, JudgedReading>();
  const judgeRep = (rep: LoggedRep) => {
    const throwing = isThrow(rep);
    const said = of(rep.id);
    const effort = throwing ? effortOf(rep, measured.efforts.get(rep.id)) : 0;
    const isGone = gone.has(rep.id);
    const outside = outsideOf(rep, sessionDate(rep.session) ?? date);
    const booked = throwing && !isGone ? book(rep.at, effort) : null;
    const legs = !throwing && !isGone && hasDrill(rep.drill) && isLegWork(drillById(rep.drill)) ? legsWhy(rep.at) : null;
    judgedReps.set(rep.id, {
      id: rep.id,
      isThrow: throwing,
      effort,
      gone: isGone,
      undone: undoOf(rep, said).undone,
      refused: isGone ? null : (booked ?? legs ?? outside),
      cheat: cheatOf(rep, said),
    });
  };
  const legsWhy = (instant: string): string | null => {
    const { lock } = at(instant);
    if (lock?.legs) return lock.reason;
    return legsStop ? `Leg work stopped on this day: ${painWords(legsStop)} was reported.` : null;
  };
  const judgeReading = (reading: LoggedReading) => {
    const alone = !gone.has(reading.id) && !measured.matched.has(reading.id);
    const why = alone ? book(reading.at, Math.max(COUNTS_FROM, Math.ceil(reading.effort))) : null;
    judgedReadings.set(reading.id, {
      id: reading.id,
      gone: gone.has(reading.id),
      undone: undoOf(reading, of(reading.id)).undone,
      refused: alone ? (why ?? 'No throw was logged with this speed: it counts as a throw, as load only.') : null,
    });
  };
  // Both lists are in order: they are read as one.
  let next = 0;
  for (const rep of reps) {
    while (next < readings.length && readings[next]!.at < rep.at) judgeReading(readings[next++]!);
    judgeRep(rep);
  }
  while (next < readings.length) judgeReading(readings[next++]!);
  return { date, reps: judgedReps, readings: judgedReadings, throws, highEffort };
}

/** Entries by their day. @param entries those of a day mostly stand together */
function byDate<T extends { readonly date: IsoDate }>(entries: readonly T[]): Map<IsoDate, T[]> {
  const found = new Map<IsoDate, T[]>();
  let day: T[] = [];
  let date: IsoDate | null = null;
  for (const entry of entries) {
    if (entry.date !== date) {
      date = entry.date;
      day = found.get(date) ?? [];
      found.set(date, day);
    }
    day.push(entry);
  }
  return found;
}

/**
 * Judges the entries of many days. A rule looks back from its day and never forward, so the days are judged in their order, each with
 * what those before it came to; refused throws are load like all others.
 * @param account the athlete's load with everything but these entries
 * @returns by date, in rising order
 */
export function judgeDays(entries: Omit<DayEntries, 'date' | 'soFar'>, account: LoadAccount): Map<IsoDate, JudgedDay> {
  const [reps, readings] = [byDate(entries.reps), byDate(entries.readings)];
  const days = new Map<IsoDate, JudgedDay>();
  let soFar = account;
  for (const date of [...new Set([...reps.keys(), ...readings.keys()])].sort()) {
    const day = judgeDay({ ...entries, date, reps: reps.get(date) ?? [], readings: readings.get(date) ?? [] }, soFar);
    days.set(date, day);
    soFar = withMore(soFar, loadOfDay(day));
  }
  return days;
}

/** One judged day as a row of the load. */
export const loadOfDay = ({ date, throws, highEffort }: JudgedDay): LoadRow => ({ date, throws, highEffort });
