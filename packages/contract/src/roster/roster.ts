/** The roster: search, groups, and lists brought in from elsewhere. */
import { DISCIPLINES, FINDING_IDS, HANDS, ROSTER_FIELDS } from '@wrightonic/core';
import type {
  AthleteProfile,
  CellFault,
  ColumnMap,
  Encoding,
  FindingId,
  LinkState,
  RosterChoices,
  RosterEntry,
} from '@wrightonic/core';
import Joi from 'joi';
import { objectOf, oneOf, text, uuid } from './schema';

export const AGE_BANDS = ['8-10', '11-12', '13-14', '15-16', '17-18', '19-'] as const;
export type AgeBand = (typeof AGE_BANDS)[number];
export const ROSTER_SORTS = ['name', 'newest', 'youngest'] as const;
export const ROSTER_FLAGS = ['locked', 'care', 'no-focus', 'intake', 'archived'] as const;
export type RosterFlag = (typeof ROSTER_FLAGS)[number];
export const ROSTER_PAGE = 40;

export interface RosterQuery {
  /** Beginnings of words of the name. */
  readonly search?: string;
  readonly discipline?: (typeof DISCIPLINES)[number];
  readonly throws?: (typeof HANDS)[number];
  readonly ages?: AgeBand;
  readonly group?: string;
  readonly focus?: FindingId;
  readonly flag?: RosterFlag;
  readonly sort?: (typeof ROSTER_SORTS)[number];
  /** `next` of the page before. */
  readonly after?: string;
}
export const rosterQuerySchema = objectOf<RosterQuery>({
  search: text(80),
  discipline: oneOf(DISCIPLINES),
  throws: oneOf(HANDS),
  ages: oneOf(AGE_BANDS),
  group: uuid(),
  focus: oneOf(FINDING_IDS),
  flag: oneOf(ROSTER_FLAGS),
  sort: oneOf(ROSTER_SORTS),
  after: Joi.string().max(400),
});

export interface AthleteRow {
  readonly id: string;
  readonly name: string;
  readonly discipline: AthleteProfile['discipline'];
  readonly throws: AthleteProfile['throws'];
  readonly age: number;
  readonly chain: readonly LinkState[];
  readonly focus: FindingId | null;
  /** How likely the focus is there now; null where it was not judged today. */
  readonly focusChance: number | null;
  readonly locked: boolean;
  /** A health flag stands. */
  readonly care: boolean;
  /** The intake has steps left. */
  readonly intakeOpen: boolean;
}

export interface RosterPage {
  readonly rows: readonly AthleteRow[];
  /** Hand it back as `after` for the page that follows; null at the end. */
  readonly next: string | null;
}

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
      Object.fromEntries(ROSTER_FIELDS.map((f) => [f, column])) as unknown as Parameters<typeof objectOf<ColumnMap>>[0],
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
