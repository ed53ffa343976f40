/** Speed, gates and load over time. */
import type { GateResult, IsoDate, SessionSummary, Trend } from '@wrightonic/core';
import type { FocusRecord, RungMove } from '../focus/focus';

export interface SpeedDay {
  readonly on: IsoDate;
  readonly summary: SessionSummary;
}

/** Everything that the Numbers screen says. Speeds in the academy's unit unless named otherwise. */
export interface Progress {
  readonly trend: Trend;
  readonly days: readonly SpeedDay[];
  /** Share of full-effort throws of the last eight weeks within 1.5 % of the best. */
  readonly ownBest: number | null;
  readonly focus: readonly FocusProgress[];
  readonly week: readonly { readonly from: IsoDate; readonly throws: number; readonly pitches: number }[];
}

export interface FocusProgress {
  readonly focus: FocusRecord;
  readonly sessions: readonly {
    readonly on: IsoDate;
    readonly reps: number;
    readonly good: number;
    readonly close: number;
    readonly off: number;
  }[];
  readonly gate: GateResult;
  readonly moves: readonly RungMove[];
}
