/** What an athlete works on, the log, and what follows from it. */
import type {
  HandOutWhat,
  BodyReadingRow as BodyReading,
  FocusRecord,
  NewBodyReading,
  OutingKind,
  RungMove,
} from '@wrightonic/contract';
import type {
  Course,
  Discipline,
  DrillEffects,
  Eased,
  Expected,
  FindingId,
  GateResult,
  IsoDate,
  Judgement,
  PainReport,
  Place,
  Plan,
  PlanEdit,
  PlanRequest,
  PlanSession,
  Readiness,
  Rung,
  TestId,
  TestSide,
  TrendReading,
} from '@wrightonic/core';
import type { Flag, Kept, OfAcademy, OfAthlete } from './column';

export interface FocusDbRow extends Kept, OfAthlete {
  diagnosis_id: string | null;
  finding: FindingId;
  slot: string;
  rung: Rung;
  state: FocusRecord['state'];
  started_on: IsoDate;
  started_at: Date | null;
  started_rung: Rung;
  rung_since: IsoDate;
  rung_since_at: Date;
  why: string | null;
  chance_then: number | null;
  set_aside: string | null;
  ended_at: Date | null;
  // Its course by its measures, as it was worked out last.
  course: Course['state'] | null;
  course_why: string | null;
  watch_from: IsoDate | null;
  watch_why: string | null;
  asked_at: Date | null;
  expects: readonly Expected[] | null;
  outcome: readonly Eased[] | null;
}

export interface VerdictDbRow extends Kept, OfAthlete {
  focus_id: string;
  session_id: string | null;
  on_date: IsoDate;
  at: Date;
  finding: FindingId;
  from_rung: Rung;
  to_rung: Rung;
  verdict: GateResult['verdict'];
  reason: string;
  by_whom: RungMove['by'];
  // What it said before late entries changed it.
  was_verdict: GateResult['verdict'] | null;
  was_to: Rung | null;
  revised_on: IsoDate | null;
}

export interface PlanDbRow extends Kept, OfAthlete {
  on_date: IsoDate;
  weeks: number;
  ends_on: IsoDate;
  assigned: Flag;
  catalogue_version: string;
  request: PlanRequest;
  plan: Plan;
  /** The plan before any change by hand; null where there is none. */
  base: Plan | null;
  edits: readonly PlanEdit[] | null;
}

export interface AssignmentDbRow extends OfAthlete {
  id: string;
  /** Null for what was handed out by hand. */
  plan_id: string | null;
  hand_out_id: string | null;
  on_date: IsoDate;
  session: PlanSession;
  seen_at: Date | null;
  done: Flag;
}

/** Work handed out by hand, whoever it went to. */
export interface HandOutDbRow extends Kept, OfAcademy {
  what: HandOutWhat;
  /** A group’s or a station’s; null where athletes were named. */
  to_name: string | null;
  place: Place;
  on_date: IsoDate;
  note: string | null;
  author: string;
  author_id: string | null;
}

export interface SessionDbRow extends Kept, OfAthlete {
  assignment_id: string | null;
  on_date: IsoDate;
  started_at: Date | null;
  finished_at: Date | null;
  author_id: string | null;
  readiness: Readiness | null;
}

/** An entry of the log: who wrote it, and when by whose clock. */
interface Entry extends OfAthlete {
  id: string;
  at: Date;
  author_id: string | null;
  alone: Flag;
  device_at: Date | null;
  received_at: Date | null;
}

export interface RepDbRow extends Entry {
  session_id: string;
  on_date: IsoDate;
  received_on: IsoDate | null;
  focus_id: string | null;
  drill: string;
  rung: Rung;
  judged: Judgement;
  said_effort: number;
  /** Kit that supported the rep, by commas; null where nobody told. */
  aids: string | null;
  removed: Flag;
  // What was made of it when it was last judged.
  effort: number;
  is_throw: Flag;
  gone: Flag;
  undone: Flag;
  cheat: string | null;
  /** A throw against a lock or over the budget: it counts as load and never for the gate. */
  refused: string | null;
}

export interface ReadingDbRow extends Entry {
  session_id: string;
  on_date: IsoDate;
  speed: number;
  unit: TrendReading['unit'];
  effort: number;
  gun: string;
  setting: NonNullable<TrendReading['setting']>;
  rep_id: string | null;
  pitch: string | null;
  ball_g: number | null;
  distance_m: number | null;
  surface: string | null;
  removed: Flag;
  gone: Flag;
  undone: Flag;
  refused: string | null;
}

export interface MarkDbRow extends Entry {
  session_id: string;
  rep_id: string;
  kind: 'undo' | 'cheat';
  cheat: string | null;
}

export interface SpotDbRow extends Entry {
  device_at: Date;
  received_at: Date;
  session_id: string;
  on_date: IsoDate;
  target_x: number;
  target_y: number;
  actual_x: number;
  actual_y: number;
  zone_low: number;
  zone_high: number;
  effort: number;
  pitch: string | null;
  rep_id: string | null;
}

export interface NoteDbRow extends Entry {
  device_at: Date;
  received_at: Date;
  session_id: string;
  on_date: IsoDate;
  text: string;
}

export interface PainDbRow extends Entry {
  session_id: string | null;
  on_date: IsoDate;
  moment: string;
  site: PainReport['site'];
  score: number;
  signs: NonNullable<PainReport['signs']>;
}

export interface LoadDayDbRow extends OfAthlete {
  on_date: IsoDate;
  throws: number;
  high_effort: number;
}

export interface OutingDbRow extends OfAthlete {
  id: string;
  on_date: IsoDate;
  kind: OutingKind;
  pitches: number;
  throws: number;
  high_effort: number;
  innings: number;
  caught: Flag;
  breaking_pitches: number;
  author: string;
  author_id: string | null;
  removed: Flag;
}

export interface ClearanceDbRow extends Kept, OfAthlete {
  on_date: IsoDate;
  at: Date | null;
  by_clinician: string;
  limits: string | null;
  until_date: IsoDate | null;
  most_throws: number | null;
  highest_effort: number | null;
  recorded_by: string;
  author_id: string | null;
}

export interface CorrectionDbRow extends Kept, OfAthlete {
  what: string;
  row_id: string;
  before: object;
  who: string;
  reason: string | null;
  author_id: string | null;
  at: Date;
}

interface OnTest extends Kept, OfAthlete {
  check_id: string;
  on_date: IsoDate;
  test: TestId;
  side: TestSide;
}

export interface BodyReadingDbRow extends OnTest {
  value: number;
  read_by: BodyReading['readBy'];
  moment: NewBodyReading['moment'];
}

export interface DrillEffectsDbRow extends OfAcademy {
  finding: FindingId;
  discipline: Discipline;
  on_date: IsoDate;
  answer: DrillEffects | null;
}

export interface BodyNoteDbRow extends OnTest {
  note: string;
  pain: PainReport | null;
}
