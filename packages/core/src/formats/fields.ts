/** What lists of athletes can say, and how they are meant. */
import type { AthleteProfile } from '../athlete/athlete';
import type { Discipline } from '../delivery/links';
import type { DayOrder } from './dates';

/** What a roster file can say of an athlete. */
export const ROSTER_FIELDS = [
  'name',
  'firstName',
  'lastName',
  'birthDate',
  'discipline',
  'throws',
  'height',
  'mass',
  'level',
  'group',
  'guardianName',
  'guardianContact',
] as const;
export type RosterField = (typeof ROSTER_FIELDS)[number];

export const ROSTER_FIELD_NAMES: Record<RosterField, string> = {
  name: 'Name',
  firstName: 'First name',
  lastName: 'Last name',
  birthDate: 'Born',
  discipline: 'Discipline',
  throws: 'Throwing hand',
  height: 'Height',
  mass: 'Weight',
  level: 'Level',
  group: 'Group',
  guardianName: 'Guardian',
  guardianContact: 'Guardian’s phone or e-mail',
};

/** Which column of the file holds which field. */
export type ColumnMap = Partial<Record<RosterField, number>>;

export interface RosterChoices {
  readonly columns: ColumnMap;
  /** For dates that can be read both ways; null leaves such rows out and says so. */
  readonly dayOrder: DayOrder | null;
  /** For rows that do not say. */
  readonly discipline: Discipline | null;
  /** How bare numbers are meant. */
  readonly heightUnit: 'cm' | 'in' | 'm';
  readonly massUnit: 'kg' | 'lb';
}

/** An athlete as a file tells of them. */
export interface RosterEntry extends AthleteProfile {
  readonly name: string;
  readonly group: string | null;
  readonly guardian: { readonly name: string; readonly contact: string } | null;
}

export interface CellFault {
  readonly field: RosterField;
  /** Heading of the column, as in the file. */
  readonly column: string;
  readonly written: string;
  readonly message: string;
}

export type RosterRow =
  | { readonly line: number; readonly ok: true; readonly entry: RosterEntry }
  | { readonly line: number; readonly ok: false; readonly faults: readonly CellFault[] };
