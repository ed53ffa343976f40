/** The tables as they are after the last migration: what a query names, and what it answers, is checked against them. */
import type { Knex } from 'knex';
import type { Tables } from 'knex/types/tables';
import type * as academy from './academy';
import type * as athlete from './athlete';
import type * as camp from './camp';
import type { Table } from './column';
import type * as work from './work';

export type { Values } from './column';
export type * from './academy';
export type * from './athlete';
export type * from './camp';
export type * from './work';

/** Tables whose rows belong to an academy. */
export interface AcademyTables {
  athlete_groups: academy.GroupDbRow;
  athlete_sizes: athlete.SizeDbRow;
  athlete_words: athlete.AthleteWordDbRow;
  athletes: athlete.AthleteDbRow;
  assignments: work.AssignmentDbRow;
  audit_entries: academy.AuditDbRow;
  body_checks: athlete.BodyCheckDbRow;
  body_notes: work.BodyNoteDbRow;
  body_readings: work.BodyReadingDbRow;
  camp_arrivals: camp.CampArrivalDbRow;
  camp_athletes: camp.CampAthleteDbRow;
  camp_changes: camp.CampChangeDbRow;
  camp_reports: camp.CampReportDbRow;
  camp_visits: camp.CampVisitDbRow;
  camps: camp.CampDbRow;
  clearances: work.ClearanceDbRow;
  clip_measures: athlete.ClipMeasureDbRow;
  clips: athlete.ClipDbRow;
  consents: athlete.ConsentDbRow;
  corrections: work.CorrectionDbRow;
  device_channels: academy.ChannelDbRow;
  drill_effects: work.DrillEffectsDbRow;
  diagnoses: athlete.DiagnosisDbRow;
  eye_agreements: athlete.AgreementDbRow;
  foci: work.FocusDbRow;
  group_members: academy.GroupMemberDbRow;
  guns: academy.GunDbRow;
  hand_outs: work.HandOutDbRow;
  imports: academy.ImportDbRow;
  invitations: academy.InvitationDbRow;
  links: academy.LinkDbRow;
  load_days: work.LoadDayDbRow;
  observations: athlete.ObservationDbRow;
  outings: work.OutingDbRow;
  own_drills: academy.OwnDrillDbRow;
  own_findings: academy.OwnFindingDbRow;
  own_ladders: academy.OwnLadderDbRow;
  pain_reports: work.PainDbRow;
  plans: work.PlanDbRow;
  readings: work.ReadingDbRow;
  rep_marks: work.MarkDbRow;
  reps: work.RepDbRow;
  rulings: athlete.RulingDbRow;
  session_notes: work.NoteDbRow;
  spots: work.SpotDbRow;
  standing_answers: athlete.StandingDbRow;
  user_athletes: academy.UserAthleteDbRow;
  user_groups: academy.UserGroupDbRow;
  users: academy.UserDbRow;
  verdicts: work.VerdictDbRow;
  work_sessions: work.SessionDbRow;
}

/** Tables reached by a key of their own. */
export interface OtherTables {
  academies: academy.AcademyDbRow;
  device_messages: academy.MessageDbRow;
  known_devices: academy.KnownDeviceDbRow;
  sign_in_tries: academy.SignInTryDbRow;
  sign_ins: academy.SignInDbRow;
}

/** A query on the rows of a table of the academy. */
export type Query<Name extends keyof AcademyTables> = Knex.QueryBuilder<Tables[Name], AcademyTables[Name][]>;

type Typed<Rows> = { [Name in keyof Rows]: Rows[Name] extends object ? Table<Rows[Name]> : never };

declare module 'knex/types/tables' {
  interface Tables extends Typed<AcademyTables>, Typed<OtherTables> {}
}
