/** The roster: search, and one page of it. */
import { DISCIPLINES, FINDING_IDS, HANDS } from '@wrightonic/core';
import type { AthleteProfile, FindingId, LinkState } from '@wrightonic/core';
import Joi from 'joi';
import { objectOf, oneOf, text, uuid } from '../schema/schema';

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
