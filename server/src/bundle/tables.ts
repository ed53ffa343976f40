/** What a bundle holds: an academy's tables in the order in which their rows can be written, and what is left out and why. */
import type { AcademyTables } from '../db/tables';

export type TableName = keyof AcademyTables;

/** Every table after those that its rows refer to. */
export const BUNDLED = [
  'imports',
  'athletes',
  'athlete_sizes',
  'consents',
  'athlete_groups',
  'group_members',
  'guns',
  'camps',
  'camp_athletes',
  'camp_visits',
  'camp_changes',
  'camp_arrivals',
  'camp_reports',
  'own_drills',
  'own_findings',
  'own_ladders',
  'observations',
  'diagnoses',
  'rulings',
  'foci',
  'plans',
  'hand_outs',
  'assignments',
  'work_sessions',
  'reps',
  'rep_marks',
  'session_notes',
  'spots',
  'readings',
  'pain_reports',
  'load_days',
  'outings',
  'clearances',
  'corrections',
  'verdicts',
  'body_checks',
  'body_readings',
  'body_notes',
  'clips',
  'clip_measures',
] as const satisfies readonly TableName[];
export type BundledTable = (typeof BUNDLED)[number];

/** Tables that no bundle holds, each with its reason. */
export const LEFT_OUT: Readonly<Record<Exclude<TableName, BundledTable>, string>> = {
  athlete_words: 'made anew from the names',
  eye_agreements: 'made anew from looks and measures',
  standing_answers: 'computed anew',
  drill_effects: 'computed anew',
  users: 'told as people: name and role, without what they sign in with',
  user_athletes: 'told with the people',
  user_groups: 'told with the people',
  links: 'links that only work where they were made',
  invitations: 'links that only work where they were made',
  device_channels: 'keys that only work where they were made',
  audit_entries: 'who did what on that server stays its record',
};

/** What a column that ends in “_id” points at; null where it points at nothing that must be there. */
export const REFERS: Readonly<Record<string, BundledTable | 'people' | null>> = {
  athlete_id: 'athletes',
  author_id: 'people',
  user_id: 'people',
  camp_id: 'camps',
  import_id: 'imports',
  group_id: 'athlete_groups',
  diagnosis_id: 'diagnoses',
  focus_id: 'foci',
  plan_id: 'plans',
  hand_out_id: 'hand_outs',
  assignment_id: 'assignments',
  session_id: 'work_sessions',
  check_id: 'body_checks',
  clip_id: 'clips',
  observation_id: 'observations',
  // A speed may name a rep that has not come yet, a correction a row that is gone.
  rep_id: null,
  row_id: null,
};
