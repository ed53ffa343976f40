/** One athlete at a glance, and the day's work. */
import type {
  AthleteProfile,
  AthleteWords,
  Clearance,
  DeliveryEvent,
  FindingId,
  IsoDate,
  LinkState,
  MeasureId,
  MeasureUnit,
  Spurt,
  TestStep,
  Workload,
} from '@wrightonic/core';
import type { BodyValue } from '../body/body';
import type { FocusRecord, RungMove } from '../focus/focus';
import type { AssignmentRecord } from '../plan/plans';
import type { IntakeRecord, IntakeStep } from './intake';
import type { AthleteRecord } from './record';

export type Chain = readonly LinkState[];

export interface TimelineEntry {
  readonly on: IsoDate;
  readonly kind:
    | 'observation'
    | 'body'
    | 'consent'
    | 'diagnosis'
    | 'focus'
    | 'plan'
    | 'session'
    | 'move'
    | 'pain'
    | 'outing'
    | 'clearance'
    | 'note';
  readonly text: string;
}

export interface SpeedSentence {
  readonly sentence: string;
  readonly series: readonly { readonly date: IsoDate; readonly level: number; readonly low: number; readonly high: number }[];
}

export interface AthleteOverview {
  readonly id: string;
  readonly athlete: AthleteRecord;
  readonly age: number;
  readonly chain: Chain;
  readonly foci: readonly FocusRecord[];
  /** What was owned and is followed: of each finding the newest; not in what a device kept before it was followed. */
  readonly owned?: readonly FocusRecord[];
  /** The athlete's focus in plain words and why, from the diagnosis it was chosen by. */
  readonly why: string | null;
  readonly today: AssignmentRecord | null;
  readonly next: AssignmentRecord | null;
  readonly workload: Workload;
  readonly moves: readonly RungMove[];
  readonly timeline: readonly TimelineEntry[];
  readonly speed: SpeedSentence | null;
  readonly flags: readonly FindingId[];
  /** A spurt of growth: test the body anew, load less. */
  readonly spurt: Spurt | null;
  readonly archived: boolean;
  readonly intakeNext: IntakeStep | null;
  readonly minor: boolean;
  readonly clearance: StandingClearance | null;
  /** Newest value of each test and side. */
  readonly body: readonly (TestStep & BodyValue)[];
  /** Newest measured value of each measure and event, newest day first. */
  readonly measured: readonly MeasuredOn[];
  /** Whether somebody has agreed that the athlete is filmed. */
  readonly filmConsent: boolean;
  /** How this athlete likes things explained. */
  readonly explain: IntakeRecord['explain'];
  /** The judgement in words for athlete and family; null while nobody has looked. */
  readonly told: AthleteWords | null;
}

/** The newest clearance while it holds, and who recorded it. */
export interface StandingClearance extends Clearance {
  readonly recordedBy: string;
}

/** A measured value of a day. */
export interface MeasuredOn {
  readonly on: IsoDate;
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  readonly value: number;
  readonly sd: number;
  readonly unit: MeasureUnit;
}

/** What whoever runs a session needs to know, and no more. */
export interface AthleteWork {
  /** Day of the last throw before today, anywhere; null when none of the last year is known. */
  readonly lastThrow: IsoDate | null;
  /** Speeds of the last eight weeks at full effort, mph, newest first: what a radar's readings are held against. */
  readonly speeds: readonly number[];
  readonly id: string;
  readonly athlete: AthleteProfile & { readonly name: string };
  readonly age: number;
  readonly foci: readonly FocusRecord[];
  readonly today: AssignmentRecord | null;
  readonly next: AssignmentRecord | null;
  readonly workload: Workload;
  readonly flags: readonly FindingId[];
  readonly clearance: StandingClearance | null;
}
