/** Lists of athletes brought in from elsewhere. */
import { DISCIPLINES, ROSTER_FIELDS } from '@wrightonic/core';
import type { CellFault, ColumnMap, Encoding, RosterChoices, RosterEntry } from '@wrightonic/core';
import Joi from 'joi';
import { objectOf, oneOf, text } from '../schema/schema';

/** A file to bring in; looked at first, then kept. The file is sent as it is, base64. */
export interface RosterImport {
  readonly fileName: string;
  readonly file: string;
  /** Left out: guessed from the file. */
  readonly choices?: RosterChoices;
}
const column = Joi.number().integer().min(0).max(200);
export const rosterImportSchema = objectOf<RosterImport>({
  fileName: text(200).required(),
  file: Joi.string().base64().allow('').max(2_700_000).required(),
  choices: objectOf<RosterChoices>({
    columns: objectOf<ColumnMap>(
      Object.fromEntries(ROSTER_FIELDS.map((f) => [f, column])) as Record<keyof ColumnMap, typeof column>,
    ).required(),
    dayOrder: oneOf(['day-first', 'month-first'] as const)
      .allow(null)
      .required(),
    discipline: oneOf(DISCIPLINES).allow(null).required(),
    heightUnit: oneOf(['cm', 'in', 'm'] as const).required(),
    massUnit: oneOf(['kg', 'lb'] as const).required(),
  }),
});

export interface ImportLook {
  readonly fileName: string;
  readonly encoding: Encoding;
  readonly delimiter: string;
  readonly header: readonly string[];
  readonly choices: RosterChoices;
  readonly rows: number;
  readonly good: readonly { readonly line: number; readonly entry: RosterEntry }[];
  readonly bad: readonly { readonly line: number; readonly faults: readonly CellFault[] }[];
  /** In the roster already, or twice in the file: left out. */
  readonly duplicates: readonly { readonly line: number; readonly name: string; readonly of: string }[];
  /** The rows that stay out, with what is wrong, as a CSV file. */
  readonly faultsCsv: string;
}

export interface ImportRow {
  readonly id: string;
  readonly fileName: string;
  readonly at: string;
  readonly by: string;
  readonly count: number;
  /** What has been done with its athletes since, or null: then it is an owner’s to take back, and takes that along. */
  readonly grown: string | null;
}

/** Taking back a list with whose athletes there has been work says that the work goes, too. */
export interface UndoImportQuery {
  readonly with?: 'work';
}
export const undoImportQuerySchema = objectOf<UndoImportQuery>({ with: Joi.string().valid('work') });
