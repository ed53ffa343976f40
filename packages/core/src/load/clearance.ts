import type { IsoDate } from '../shared/dates';
import { momentKey } from './moment';
import type { Moment } from './moment';

/** A licensed clinician's clearance, as a named adult recorded it. The tool applies it and adds nothing. */
export interface Clearance {
  readonly date: IsoDate;
  /** When on its day it was given; without it, at the start of the day, so that the pain of that day counts as reported after it. */
  readonly at?: Moment['at'];
  readonly by: string;
  /** The limits as they were given, word for word. */
  readonly limits?: string;
  /** Last day on which it holds. */
  readonly until?: IsoDate;
  /** Throws a day, at most. */
  readonly mostThrows?: number;
  /** Percent of full effort, at most. */
  readonly highestEffort?: number;
}

/** What standing clearances leave: the stricter of each counts. */
export interface ClearanceLimits {
  /** Throws a day, null without a limit. */
  readonly mostThrows: number | null;
  /** Percent of full effort, null without a limit. */
  readonly highestEffort: number | null;
  /** Last day on which the first of them holds, null without an end. */
  readonly until: IsoDate | null;
}

/** Clearances that hold at a moment: given by then, and not run out. A day without a time means its end. */
export const standingAt = (clearances: readonly Clearance[], moment: Moment): Clearance[] =>
  clearances.filter(
    (c) => momentKey(c, 'start') <= momentKey(moment, 'end') && (c.until === undefined || c.until >= moment.date),
  );

/** The stricter of all limits that stand; null where none stands. */
export function limitsOf(standing: readonly Clearance[]): ClearanceLimits | null {
  if (standing.length === 0) return null;
  const least = (values: readonly (number | undefined)[]): number | null => {
    const given = values.filter((v): v is number => v !== undefined);
    return given.length === 0 ? null : Math.min(...given);
  };
  const ends = standing.flatMap((c) => c.until ?? []).sort();
  return {
    mostThrows: least(standing.map((c) => c.mostThrows)),
    highestEffort: least(standing.map((c) => c.highestEffort)),
    until: ends[0] ?? null,
  };
}
