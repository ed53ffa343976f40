import type { DeliveryEvent, MeasureId, MeasureUnit } from '../delivery/measures';
import type { TestSide } from '../delivery/sides';
import type { IsoDate } from '../shared/dates';
import type { FindingId } from '../findings/ids';
import type { ThoughtId } from './thoughts';
import type { BodyTest, TestId } from '../body/catalogue';
import type { GlanceAnswer, GlanceId } from './glances';

export const MISS_PATTERNS = ['high', 'arm-side-high', 'inside-outside', 'middle', 'none'] as const;
export type MissPattern = (typeof MISS_PATTERNS)[number];
export const HISTORY_EVENTS = ['time-away', 'told-to-push', 'balance-drilled', 'arm-pain', 'elbow-surgery'] as const;
export type HistoryEvent = (typeof HISTORY_EVENTS)[number];
export const STYLE_ITEMS = ['high-leg-kick', 'hands-overhead', 'hands-still', 'finish-off-line', 'rubber-side'] as const;
export type StyleItem = (typeof STYLE_ITEMS)[number];
export const SEGMENTS = ['pelvis', 'trunk', 'glove-arm', 'upper-arm', 'forearm'] as const;
export type Segment = (typeof SEGMENTS)[number];
export type SpeedUnit = 'mph' | 'km/h';
export type YesNo = 'yes' | 'no';

export interface SpeedReading {
  readonly speed: number;
  readonly unit: SpeedUnit;
  /** Effort, percent. */
  readonly effort: number;
}

/** One thing observed. */
export type Evidence =
  | { readonly kind: 'eye'; readonly finding: FindingId; readonly answer: 'yes' | 'no' | 'unsure' }
  | {
      readonly kind: 'screen';
      readonly test: TestId;
      readonly side: TestSide;
      readonly value: number;
      readonly unit: BodyTest['unit'];
      /** Readings that the value stands on; one where it is left out. */
      readonly readings?: number;
    }
  | {
      readonly kind: 'measure';
      readonly measure: MeasureId;
      readonly event: DeliveryEvent;
      readonly value: number;
      readonly unit: MeasureUnit;
      readonly sd?: number;
    }
  | {
      readonly kind: 'sequence';
      readonly peaksMs: Partial<Record<Segment, number>>;
      readonly peaksDegPerS?: Partial<Record<Segment, number>>;
    }
  | { readonly kind: 'miss'; readonly pattern: MissPattern }
  | { readonly kind: 'velocity'; readonly readings: readonly SpeedReading[] }
  | { readonly kind: 'slow'; readonly finding: FindingId; readonly canDoSlowly: YesNo }
  | { readonly kind: 'transfer'; readonly finding: FindingId; readonly cleanInDrill: YesNo; readonly cleanOnMound: YesNo }
  | { readonly kind: 'history'; readonly event: HistoryEvent }
  | {
      readonly kind: 'outcome';
      readonly strikes?: 'good' | 'poor';
      readonly movement?: 'good' | 'poor';
      readonly velocity?: 'good' | 'poor';
    }
  | { readonly kind: 'style'; readonly item: StyleItem }
  /** What the athlete thinks of, or was told before. */
  | { readonly kind: 'told'; readonly thought: ThoughtId }
  /** A look at one telling detail. */
  | { readonly kind: 'glance'; readonly detail: GlanceId; readonly answer: GlanceAnswer };

/** Where an item comes from. Without a day it is of the day of the evaluation. */
export interface Origin {
  readonly on?: IsoDate;
  /** Whose eye or hand: looks of one and the same eye are not independent. */
  readonly by?: string;
  /** What the look says, where this eye is known better than eyes in general: see {@link weighLook}. */
  readonly weighs?: number;
}

export type DatedEvidence = Evidence & Origin;

/** The coach's word on a finding, which stands above all evidence. `root`: it is there, and of itself. */
export interface Overrule {
  readonly finding: FindingId;
  readonly as: 'present' | 'absent' | 'root';
}

/** An evidence item that the model cannot take, with its place in the list. */
export class EvidenceError extends Error {
  constructor(
    readonly index: number,
    readonly field: string,
    message: string,
    readonly list: 'evidence' | 'overrules' = 'evidence',
  ) {
    super(message);
    this.name = 'EvidenceError';
  }
}
