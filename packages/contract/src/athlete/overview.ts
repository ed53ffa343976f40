/** What is sent to and received from the server. Requests have a schema; responses are typed here and built from core's types. */
import { EQUIPMENT, FINDING_IDS, PLACES, RUNGS, SEASONS, WEEKDAYS } from '@wrightonic/core';
import type {
  AthleteWords,
  Clearance,
  DeliveryEvent,
  Change,
  Diagnosis,
  DiagnosisRequest,
  Equipment,
  Evidence,
  EyeRecord,
  FindingId,
  GateResult,
  GateVerdict,
  IsoDate,
  LinkState,
  MeasureId,
  MeasureUnit,
  Overrule,
  PainReport,
  Place,
  PlanSession,
  Rung,
  Schools,
  Season,
  Spurt,
  SessionSummary,
  TestStep,
  Trend,
  Weekday,
  Workload,
  AthleteProfile,
  DatedEvidence,
} from '@wrightonic/core';
import Joi from 'joi';
import type { Role } from './access';
import { athleteProfileKeys, schoolsSchema } from './athlete';
import type { BodyValue } from './body';
import type { IntakeRecord, IntakeStep } from './intake';
import type { NamedId } from './people';
import type { AthleteRow } from './roster';
import type { AcademySettings } from './settings';
import { clearanceSchema } from './load';
import { evidenceSchema } from './evidence';
import { count, isoDate, listOf, objectOf, oneOf, text, uuid } from './schema';

/** Pain as it is told: the log knows when. */
export type ToldPain = Omit<PainReport, 'at'>;

export interface Availability {
  readonly weekday: Weekday;
  readonly minutes: number;
  readonly place: Place;
}

/** Everything that is typed in about an athlete. */
export interface AthleteRecord extends AthleteProfile {
  readonly name: string;
  readonly season: Season;
  readonly availability: readonly Availability[];
  readonly equipment: readonly Equipment[];
  readonly partner: boolean;
  readonly schools: Partial<Schools>;
}
/** A record as it is sent. A discipline that is corrected leaves what belongs to the other one behind, once that is agreed to. */
export interface AthleteChange extends AthleteRecord {
  readonly setForeignAside?: boolean;
}
const recordKeys = {
  ...athleteProfileKeys,
  name: text(120).required(),
  season: oneOf(SEASONS).required(),
  availability: listOf(
    Joi.object({
      weekday: oneOf(WEEKDAYS).required(),
      minutes: Joi.number().integer().min(1).max(240).required(),
      place: oneOf(PLACES).required(),
    }),
    7,
  )
    .unique('weekday')
    .required(),
  equipment: listOf(oneOf(EQUIPMENT), 40).required(),
  partner: Joi.boolean().required(),
  schools: schoolsSchema.required(),
};
export const athleteRecordSchema = objectOf<AthleteRecord>(recordKeys);
export const athleteChangeSchema = objectOf<AthleteChange>({ ...recordKeys, setForeignAside: Joi.boolean() });

export interface NewObservation {
  readonly on: IsoDate;
  readonly evidence: Evidence;
}
export const newObservationSchema = objectOf<NewObservation>({ on: isoDate().required(), evidence: evidenceSchema.required() });

/** The coach's word on a finding, above all evidence, until it is taken back. */
export interface NewRuling {
  readonly finding: FindingId;
  readonly as: Overrule['as'];
  readonly reason: string;
}
export const newRulingSchema = objectOf<NewRuling>({
  finding: oneOf(FINDING_IDS).required(),
  as: oneOf(['present', 'absent', 'root'] as const).required(),
  reason: text(300).required(),
});

export interface RulingRecord extends NewRuling {
  readonly id: string;
  readonly by: string;
  readonly on: IsoDate;
}

/** What a coach's own looks agreed with; shown to nobody else. */
export interface OwnEye {
  readonly clear: EyeRecord;
  readonly hard: EyeRecord;
  /** Findings on which looks and measures met, most often first. */
  readonly findings: readonly { readonly finding: FindingId; readonly agreed: number; readonly of: number }[];
}

export interface NewFocus {
  readonly finding: FindingId;
  readonly rung: Rung;
  readonly diagnosis: string | null;
}
export const newFocusSchema = objectOf<NewFocus>({
  finding: oneOf(FINDING_IDS).required(),
  rung: Joi.number()
    .valid(...RUNGS)
    .required(),
  diagnosis: uuid().allow(null).required(),
});

/** The coach's own word on a focus: another rung, or the end of it. */
export interface FocusChange {
  readonly rung?: Rung;
  readonly end?: 'owned' | 'left-alone';
  readonly reason: string;
}
export const focusChangeSchema = objectOf<FocusChange>({
  rung: Joi.number().valid(...RUNGS),
  end: oneOf(['owned', 'left-alone'] as const),
  reason: text(500).required(),
}).or('rung', 'end');

export const OUTING_KINDS = ['game', 'catch', 'lesson', 'other'] as const;
export type OutingKind = (typeof OUTING_KINDS)[number];

export interface NewOuting {
  readonly on: IsoDate;
  readonly pitches: number;
  readonly throws: number;
  readonly highEffort: number;
  readonly innings: number;
  /** Left out: a game where there were pitches, else catch. */
  readonly kind?: OutingKind;
  /** Caught on that day, too. */
  readonly caught?: boolean;
  readonly breakingPitches?: number;
}
export const newOutingSchema = objectOf<NewOuting>({
  on: isoDate().required(),
  pitches: count(400).required(),
  throws: count(1000).required(),
  highEffort: count(1000).required(),
  innings: Joi.number().min(0).max(30).required(),
  kind: oneOf(OUTING_KINDS),
  caught: Joi.boolean(),
  breakingPitches: count(300),
});
export { clearanceSchema };

// ---- responses ------------------------------------------------------------------------------------------------------------

export interface Me {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly signIn: string;
  /** The athlete themselves, or a guardian's children. */
  readonly athletes: readonly NamedId[];
  readonly academy: { readonly name: string; readonly today: IsoDate } & AcademySettings;
}

export type Chain = readonly LinkState[];

export interface FocusRecord {
  readonly id: string;
  readonly finding: FindingId;
  readonly rung: Rung;
  readonly state: 'working' | 'holding' | 'owned' | 'left-alone';
  readonly startedOn: IsoDate;
  /** Day since which reps count for the gate of this rung. */
  readonly rungSince: IsoDate;
  /** How likely it was there when it was chosen; null where that was not kept. Like `now`, only for those who judge. */
  readonly then?: number | null;
  /** How likely it is there now. */
  readonly now?: number;
  /** What has spoken of it since it was chosen, the newest first. */
  readonly since?: readonly DatedEvidence[];
}

export interface AssignmentRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly session: PlanSession;
  readonly done: boolean;
}

export interface RungMove {
  readonly id: string;
  readonly on: IsoDate;
  readonly finding: FindingId;
  readonly focus: string;
  readonly from: Rung;
  readonly to: Rung;
  readonly verdict: GateVerdict;
  readonly reason: string;
  readonly by: 'gate' | 'coach';
  /** What it was before entries that came in later changed it; null where nothing has. */
  readonly revised: { readonly was: GateVerdict; readonly to: Rung; readonly on: IsoDate } | null;
}

export interface TimelineEntry {
  readonly on: IsoDate;
  readonly kind:
    'observation' | 'body' | 'consent' | 'diagnosis' | 'focus' | 'plan' | 'session' | 'move' | 'pain' | 'outing' | 'clearance';
  readonly text: string;
}

/** How an observation came about. */
export type ObservationSource = 'coach' | 'body' | 'film' | 'intake' | 'speeds';

export interface ObservationRecord extends NewObservation {
  readonly id: string;
  readonly by: string;
  /** Made by whoever asks. */
  readonly own: boolean;
  readonly source: ObservationSource;
  /** Clips from which it was measured. */
  readonly clips: readonly string[];
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

export interface DiagnosisRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly catalogueVersion: string;
  /** In the order of the request's evidence. */
  readonly evidence: readonly ObservationRecord[];
  readonly result: Diagnosis;
  /** What the judgement was asked: enough to judge again on the device. */
  readonly request: DiagnosisRequest;
  readonly rulings: readonly RulingRecord[];
  /** What is judged otherwise than at the last look; null when there was none. */
  readonly changes: { readonly since: IsoDate; readonly list: readonly Change[] } | null;
}

export interface TodayRow {
  readonly athlete: AthleteRow;
  readonly assignment: AssignmentRecord;
  /** The day in one line. */
  readonly line: string;
}

export interface Need {
  readonly athlete: string;
  readonly name: string;
  readonly kind: 'pain' | 'move' | 'stuck' | 'no-focus' | 'no-plan' | 'intake';
  readonly text: string;
}

export interface TodayList {
  readonly today: IsoDate;
  readonly rows: readonly TodayRow[];
  /** A few of each kind, the most urgent kind first. */
  readonly needs: readonly Need[];
  /** Kinds of which there are more than shown; the roster's filter lists them all. */
  readonly more: readonly Need['kind'][];
}
export type { Clearance };

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
