import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { sum } from '../shared/maths';
import { hurts } from './pain';
import type { PainReport } from './pain';

/** All throwing of one outing; two rows of one date with pitches are two games. */
export interface LoadRow {
  readonly date: IsoDate;
  /** Pitches in games. */
  readonly pitches?: number;
  /** All throws at 50 % effort and more, pitches included. */
  readonly throws: number;
  /** Practice throws at 90 % effort and more. */
  readonly highEffort: number;
  readonly pain?: readonly PainReport[];
  readonly innings?: number;
  /** Caught on the same day. */
  readonly caught?: boolean;
  readonly breakingPitches?: number;
}

export interface Day {
  readonly date: IsoDate;
  readonly pitches: number;
  readonly throws: number;
  readonly highEffort: number;
  readonly games: number;
  readonly pain: readonly PainReport[];
}

/** Whether a row says anything: without a throw and without pain it changes nothing. */
const saysSomething = (row: LoadRow): boolean =>
  row.throws > 0 || (row.pitches ?? 0) > 0 || row.highEffort > 0 || (row.pain ?? []).some(hurts);

/** Throws of a row: the whole as told, and never fewer than a part of it. */
const throwsOf = (row: LoadRow): number => Math.max(row.throws, row.pitches ?? 0, row.highEffort);

/** Rows of one date taken together, in date order; rows that say nothing are no days. */
export function daysOf(log: readonly LoadRow[]): Day[] {
  const byDate = new Map<IsoDate, LoadRow[]>();
  for (const row of log) {
    if (!saysSomething(row)) continue;
    const known = byDate.get(row.date);
    if (known) known.push(row);
    else byDate.set(row.date, [row]);
  }
  return [...byDate]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, rows]) => ({
      date,
      pitches: sum(rows.map((r) => r.pitches ?? 0)),
      throws: sum(rows.map(throwsOf)),
      highEffort: sum(rows.map((r) => r.highEffort)),
      games: rows.filter((r) => (r.pitches ?? 0) > 0).length,
      pain: rows.flatMap((r) => (r.pain ?? []).filter(hurts)),
    }));
}

export const noDay = (date: IsoDate): Day => ({ date, pitches: 0, throws: 0, highEffort: 0, games: 0, pain: [] });

/** What was thrown in the days from `from` to `to`, both included. */
export function throwsBetween(days: ReadonlyMap<IsoDate, Day>, from: IsoDate, to: IsoDate): number {
  let total = 0;
  for (let back = daysBetween(from, to); back >= 0; back--) total += days.get(addDays(to, -back))?.throws ?? 0;
  return total;
}
