/** What is sent to and received from the server. Requests have a schema; responses are typed here and built from core's types. */
import { EQUIPMENT, FINDING_IDS, JUDGEMENTS, PLACES, RUNGS, SEASONS, WEEKDAYS } from '@wrightonic/core';
import type {
  AthleteWords,
  Broken,
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
  Judgement,
  LinkState,
  MeasureId,
  MeasureUnit,
  Overrule,
  PainReport,
  Place,
  Plan,
  PlanEdit,
  PlanRequest,
  PlanSession,
  Rung,
  Schools,
  Season,
  SessionSummary,
  TestStep,
  Trend,
  Weekday,
  Workload,
  AthleteProfile,
} from '@wrightonic/core';
import Joi from 'joi';
import type { Role } from './access';
import { athleteProfileKeys, schoolsSchema } from './athlete';
import type { BodyValue } from './body';
import type { IntakeRecord, IntakeStep } from './intake';
import type { NamedId } from './people';
import type { AthleteRow } from './roster';
import type { AcademySettings } from './settings';
import { clearanceSchema, painReportSchema } from './load';
import { evidenceSchema } from './evidence';
import { count, instant, isoDate, listOf, objectOf, oneOf, text, uuid } from './schema';

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

export interface NewPlan {
  readonly weeks: number;
  readonly games: readonly { readonly date: IsoDate; readonly pitches: number }[];
  readonly pinned: readonly { readonly date: IsoDate; readonly drill: string }[];
}
export const newPlanSchema = objectOf<NewPlan>({
  weeks: Joi.number().integer().min(1).max(26).required(),
  games: listOf(Joi.object({ date: isoDate().required(), pitches: count(300).required() }), 100).required(),
  pinned: listOf(Joi.object({ date: isoDate().required(), drill: text(60).required() }), 100).required(),
});

/** All changes by hand made to a plan so far, in their order: the last one is undone by leaving it out. */
export interface PlanEdits {
  readonly edits: readonly PlanEdit[];
}
const editOf = (kind: PlanEdit['kind'], keys: Record<string, Joi.Schema>) =>
  Joi.object({ kind: Joi.string().valid(kind).required(), date: isoDate().required(), ...keys });
const drillId = () => text(60).required();
export const planEditsSchema = objectOf<PlanEdits>({
  edits: listOf(
    Joi.alternatives().try(
      editOf('move', { to: isoDate().required() }),
      editOf('drop-session', {}),
      editOf('drop', { drill: drillId() }),
      editOf('swap', { drill: drillId(), with: drillId() }),
      editOf('add', { drill: drillId() }),
      editOf('sets', { drill: drillId(), sets: Joi.number().integer().min(1).max(8).required() }),
      editOf('pin', { drill: drillId() }),
    ),
    200,
  ).required(),
});

export interface NewSession {
  readonly on: IsoDate;
  readonly assignment: string | null;
  /** Instant of the start by the device, ISO 8601 UTC. */
  readonly at?: string;
  /** Every site that hurts before the start; empty when nothing does. Sent again with more, it is added. */
  readonly painBefore: readonly ToldPain[];
}
export const newSessionSchema = objectOf<NewSession>({
  on: isoDate().required(),
  assignment: uuid().allow(null).required(),
  at: instant(),
  painBefore: listOf(painReportSchema, 20).required(),
});

export { JUDGEMENTS };
export type { Judgement };

/** One tap of a session. Sent once or many times, it is one row. */
export type LogEntry =
  | {
      readonly type: 'rep';
      readonly id: string;
      /** Instant of the tap, ISO 8601 UTC. */
      readonly at: string;
      readonly drill: string;
      readonly rung: Rung;
      readonly focus: string | null;
      readonly judged: Judgement;
      /** Effort asked for, percent; 0 without a ball. It never counts for less than the drill's own. */
      readonly effort: number;
      /** Not read: whether it is a throw is known from the drill. */
      readonly isThrow?: boolean;
      /** Kit that supported it; left out where nobody tells. */
      readonly aids?: readonly string[];
    }
  | { readonly type: 'cheat'; readonly id: string; readonly at: string; readonly rep: string; readonly cheat: string }
  | { readonly type: 'undo'; readonly id: string; readonly at: string; readonly rep: string }
  | {
      readonly type: 'pain';
      readonly id: string;
      readonly at: string;
      readonly moment: 'during' | 'after';
      readonly pain: ToldPain;
    }
  | {
      readonly type: 'reading';
      readonly id: string;
      readonly at: string;
      readonly speed: number;
      readonly unit: 'mph' | 'km/h';
      readonly effort: number;
      readonly gun: string;
      readonly setting: 'mound' | 'drill' | 'flat';
      /** The rep that was measured; without one it is found by the clock. */
      readonly rep?: string | null;
    };

const entryBase = { id: uuid().required(), at: instant().required() };
const entryType = (type: LogEntry['type']) => Joi.string().valid(type).required();
const ENTRY_SCHEMAS: Record<LogEntry['type'], Joi.ObjectSchema> = {
  rep: Joi.object({
    ...entryBase,
    type: entryType('rep'),
    aids: listOf(text(40), 10),
    drill: text(60).required(),
    rung: Joi.number()
      .valid(...RUNGS)
      .required(),
    focus: uuid().allow(null).required(),
    judged: oneOf(JUDGEMENTS).required(),
    effort: Joi.number().min(0).max(100).required(),
    isThrow: Joi.boolean(),
  }),
  cheat: Joi.object({ ...entryBase, type: entryType('cheat'), rep: uuid().required(), cheat: text(60).required() }),
  undo: Joi.object({ ...entryBase, type: entryType('undo'), rep: uuid().required() }),
  pain: Joi.object({
    ...entryBase,
    type: entryType('pain'),
    moment: oneOf(['during', 'after'] as const).required(),
    pain: painReportSchema.required(),
  }),
  reading: Joi.object({
    ...entryBase,
    type: entryType('reading'),
    speed: Joi.number().min(10).max(200).required(),
    unit: oneOf(['mph', 'km/h'] as const).required(),
    effort: Joi.number().min(10).max(110).required(),
    gun: text(40).required(),
    setting: oneOf(['mound', 'drill', 'flat'] as const).required(),
    rep: uuid().allow(null),
  }),
};
const ENTRY_TYPES = Object.keys(ENTRY_SCHEMAS) as LogEntry['type'][];
export const logEntrySchema = Joi.alternatives().conditional('.type', {
  switch: ENTRY_TYPES.map((value) => ({ is: value, then: ENTRY_SCHEMAS[value] })),
  otherwise: Joi.object({ type: oneOf(ENTRY_TYPES).required() }).unknown(true),
}) as Joi.AlternativesSchema<LogEntry>;

export interface LogBatch {
  readonly entries: readonly LogEntry[];
}
export const logBatchSchema = objectOf<LogBatch>({ entries: listOf(logEntrySchema, 500).min(1).required() });

/** Takes a rep, a speed or an outing out of the load, for good. */
export interface LoadRemoval {
  readonly reason: string;
}
export const loadRemovalSchema = objectOf<LoadRemoval>({ reason: text(200).required() });

export interface NewOuting {
  readonly on: IsoDate;
  readonly pitches: number;
  readonly throws: number;
  readonly highEffort: number;
  readonly innings: number;
}
export const newOutingSchema = objectOf<NewOuting>({
  on: isoDate().required(),
  pitches: count(400).required(),
  throws: count(1000).required(),
  highEffort: count(1000).required(),
  innings: Joi.number().min(0).max(30).required(),
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

export interface PlanRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly weeks: number;
  readonly assigned: boolean;
  readonly plan: Plan;
  /** Changes by hand, in their order. */
  readonly edits: readonly PlanEdit[];
  /** Rules that the plan breaks since it was changed. */
  readonly broken: readonly Broken[];
  /** For who may change it: what it was made from, enough to see at once what a change breaks. */
  readonly request: PlanRequest | null;
  /** For who may change it: the plan before any change by hand. */
  readonly base: Plan | null;
}

export interface DrillTally {
  readonly drill: string;
  readonly reps: number;
  readonly good: number;
  readonly close: number;
  readonly off: number;
}

export interface SessionRecord {
  readonly id: string;
  readonly on: IsoDate;
  readonly assignment: AssignmentRecord | null;
  readonly finished: boolean;
  /** Dry work only: why, or null when balls may fly. */
  readonly dryOnly: string | null;
  readonly tallies: readonly DrillTally[];
  readonly workload: Workload;
  readonly verdicts: readonly RungMove[];
  /** What is kept as load and not counted, and why. */
  readonly notCounted: readonly { readonly reason: string; readonly entries: number }[];
}

/** What became of one entry: stored, or refused with the reason. A throw against a lock or budget is refused, and kept as load. */
export interface EntryResult {
  readonly id: string;
  readonly status: 'stored' | 'refused';
  readonly reason: string | null;
  /** Whether it is in the log at all. */
  readonly kept: boolean;
}

export interface LogAnswer {
  readonly results: readonly EntryResult[];
  readonly session: SessionRecord;
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
