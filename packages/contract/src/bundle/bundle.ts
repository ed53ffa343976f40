/** What goes out as files, and what is taken in. */
import { objectOf, oneOf } from '../schema/schema';

/** Tables that can be had as CSV: of one athlete, and of the academy as a whole. */
export const ATHLETE_CSV = [
  'athletes',
  'athlete_sizes',
  'consents',
  'observations',
  'rulings',
  'foci',
  'assignments',
  'work_sessions',
  'reps',
  'rep_marks',
  'session_notes',
  'readings',
  'spots',
  'pain_reports',
  'load_days',
  'outings',
  'clearances',
  'corrections',
  'verdicts',
  'body_checks',
  'body_readings',
  'body_notes',
  'diagnoses',
  'plans',
  'clips',
] as const;
export const ACADEMY_CSV = [
  ...ATHLETE_CSV,
  'athlete_groups',
  'group_members',
  'guns',
  'hand_outs',
  'imports',
  'own_drills',
  'own_findings',
  'own_ladders',
  'clip_measures',
  'camps',
  'camp_athletes',
  'camp_visits',
  'camp_changes',
  'camp_arrivals',
  'camp_reports',
  'audit_entries',
] as const;
export type CsvTable = (typeof ACADEMY_CSV)[number];

export interface CsvQuery {
  readonly table: CsvTable;
}
export const athleteCsvSchema = objectOf<CsvQuery>({ table: oneOf(ATHLETE_CSV).required() });
export const academyCsvSchema = objectOf<CsvQuery>({ table: oneOf(ACADEMY_CSV).required() });

/** Whether the clips’ bytes go along. */
export interface BundleQuery {
  readonly clips?: 'yes' | 'no';
}
export const bundleQuerySchema = objectOf<BundleQuery>({ clips: oneOf(['yes', 'no'] as const) });

/** Largest bundle that is taken in over the network, KB. */
export const BUNDLE_KB = 64 * 1024;

/** What was taken in. */
export interface BundleTaken {
  readonly athletes: readonly { readonly id: string; readonly name: string }[];
  readonly rows: number;
  readonly files: number;
}
