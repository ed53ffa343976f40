/** Speed, gates and load over time. */
import type { CalendarWeek, Command, GateResult, IsoDate, MeasureHistory, SessionSummary, Trend } from '@wrightonic/core';
import type { EasedCount, FocusCourse, FocusRecord, RungMove } from '../focus/focus';

export interface SpeedDay {
  readonly on: IsoDate;
  readonly summary: SessionSummary;
}

/** Speeds of one kind of throw, in the academy's unit. */
export interface OtherSpeeds {
  readonly label: string;
  readonly throws: number;
  readonly days: number;
  readonly last: IsoDate;
  readonly top: number;
  readonly median: number;
  /** What they come to over time; null with fewer than three days. */
  readonly gain: Trend['gain'] | null;
}

/** Everything that the Numbers screen says. Speeds in the academy's unit unless named otherwise. */
export interface Progress {
  readonly trend: Trend;
  readonly days: readonly SpeedDay[];
  /** Share of full-effort throws of the last eight weeks within 1.5 % of the best. */
  readonly ownBest: number | null;
  /** In work, then those that are owned. */
  readonly focus: readonly FocusProgress[];
  /** Speeds of other throws than the usual one: other pitches, other balls, short distances. */
  readonly otherSpeeds?: readonly OtherSpeeds[];
  readonly command?: Command | null;
  /** Those of the foci first; like the next not in what a device kept before. */
  readonly measures?: readonly MeasureHistory[];
  /** How often what should ease has eased, in this academy; for those who judge. */
  readonly easedSoFar?: EasedCount | null;
  /** Days by weeks: what each held, and what is closed. */
  readonly calendar?: readonly CalendarWeek[];
  readonly week: readonly { readonly from: IsoDate; readonly throws: number; readonly pitches: number }[];
}

/** Its course is not in what a device kept before courses were followed. */
export interface FocusProgress extends Partial<FocusCourse> {
  readonly focus: FocusRecord;
  readonly sessions: readonly {
    readonly on: IsoDate;
    readonly reps: number;
    readonly good: number;
    readonly close: number;
    readonly off: number;
  }[];
  /** What the gate would say now; null once the focus has ended. */
  readonly gate: GateResult | null;
  readonly moves: readonly RungMove[];
}
