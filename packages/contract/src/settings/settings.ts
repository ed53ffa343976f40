/** What an academy decides for itself. */
import { SCHOOL_OPTIONS } from '@wrightonic/core';
import type { AcademyNumbers, LeagueLimits, LengthUnit, LeagueRule, Schools } from '@wrightonic/core';
import Joi from 'joi';
import { numbersSchema } from '../profile/numbers';
import { schoolsSchema } from '../profile/profile';
import { leagueLimitsSchema, leagueRuleSchema } from '../load/load';
import { count, listOf, objectOf, oneOf, text } from '../schema/schema';

/** The league's written rule from an age on. */
export interface LeagueAge {
  readonly from: number;
  readonly rule: LeagueLimits;
}

export interface AcademySettings {
  readonly speedUnit: 'mph' | 'km/h';
  readonly lengthUnit: LengthUnit;
  readonly timeZone: string;
  /** For every age; the tables of ages count beside it. */
  readonly leagueDailyLimit: number | null;
  readonly league: LeagueRule;
  readonly leagueAges: readonly LeagueAge[];
  readonly schools: Partial<Schools>;
  /** Words that are not said to the young. */
  readonly words: readonly string[];
  readonly weightedBalls: boolean;
  readonly numbers: AcademyNumbers;
}

export const academySettingsSchema = objectOf<AcademySettings>({
  speedUnit: oneOf(['mph', 'km/h'] as const).required(),
  lengthUnit: oneOf(['cm', 'in'] as const).required(),
  timeZone: text(60).required(),
  leagueDailyLimit: count(300).allow(null).required(),
  league: leagueRuleSchema.required(),
  leagueAges: listOf(
    Joi.object({ from: Joi.number().integer().min(4).max(30).required(), rule: leagueLimitsSchema.required() }),
    20,
  )
    .unique('from')
    .required(),
  schools: schoolsSchema.required(),
  words: listOf(text(60), 100).unique().required(),
  weightedBalls: Joi.boolean().required(),
  numbers: numbersSchema.required(),
});

export const SCHOOL_QUESTIONS = Object.keys(SCHOOL_OPTIONS) as (keyof Schools)[];

/** Words that the young are better spared: an academy starts from these. */
export const STARTING_WORDS: readonly string[] = ['push', 'balance and stop'];
