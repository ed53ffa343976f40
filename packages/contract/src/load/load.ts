/** Load, pain, clearances and the league's rule, as commands and endpoints take them. */
import { PAIN_SIGNS, PAIN_SITES, SEASONS } from '@wrightonic/core';
import type { Clearance, LeagueLimits, LeagueRule, LoadRow, PainReport, WorkloadRequest } from '@wrightonic/core';
import Joi from 'joi';
import { athleteProfileSchema } from '../profile/profile';
import { bornBefore, bornMessage, futureMessage, nothingAfter } from '../schema/dated';
import { count, isoDate, listOf, objectOf, oneOf, text } from '../schema/schema';

export const painKeys = {
  site: oneOf(PAIN_SITES).required(),
  score: Joi.number().min(0).max(10).required(),
  signs: listOf(oneOf(PAIN_SIGNS), 4),
};
/** Pain as it is told in a session: the log knows when. */
export type ToldPain = Omit<PainReport, 'at'>;
export const painReportSchema = Joi.object<ToldPain>(painKeys);
/** A clock time of a day, from 00:00 to 23:59. */
export const clockTime = (): Joi.StringSchema =>
  Joi.string()
    .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
    .messages({ 'string.pattern.base': '{{#label}} must be a time of day written as HH:MM' });
const timedPainSchema = objectOf<PainReport>({ ...painKeys, at: clockTime() });

export const clearanceSchema = objectOf<Clearance>({
  date: isoDate().required(),
  at: clockTime(),
  by: text(120).required(),
  limits: text(1000),
  until: isoDate(),
  mostThrows: count(500),
  highestEffort: Joi.number().integer().min(0).max(100),
});

const leagueKeys = {
  daily: count(300),
  perGame: count(300),
  weekly: count(1500),
  rest: listOf(Joi.object({ from: count(300).required(), days: count(30).required() }), 20),
};
export const leagueLimitsSchema = objectOf<LeagueLimits>(leagueKeys);
/** A real day of the year, or a day written out. */
const cutOff = (): Joi.StringSchema =>
  Joi.string()
    .custom((value: string, helpers) => {
      const written = /^\d{2}-\d{2}$/.test(value) ? `2024-${value}` : value;
      return isoDate().validate(written).error ? helpers.error('cutoff.day') : value;
    })
    .messages({ 'cutoff.day': '{{#label}} must be a day of the year written as MM-DD, or a day written as YYYY-MM-DD' });
export const leagueRuleSchema = objectOf<LeagueRule>({
  ...leagueKeys,
  ageCutOff: cutOff(),
  ages: listOf(
    Joi.object({ from: Joi.number().integer().min(4).max(30).required(), rule: leagueLimitsSchema.required() }),
    20,
  ).unique('from'),
});

export const loadRowSchema = objectOf<LoadRow>({
  date: isoDate().required(),
  pitches: count(400),
  throws: count(1000).required(),
  highEffort: count(1000).required(),
  pain: listOf(timedPainSchema, 50),
  innings: Joi.number().min(0).max(30),
  caught: Joi.boolean(),
  breakingPitches: count(400),
});

export const workloadRequestSchema = objectOf<WorkloadRequest>({
  on: isoDate().required(),
  at: clockTime(),
  athlete: athleteProfileSchema.required(),
  season: oneOf(SEASONS).required(),
  leagueDailyLimit: Joi.number().integer().min(0).max(300).allow(null).required(),
  league: leagueRuleSchema,
  log: listOf(loadRowSchema, 5000).required(),
  clearances: listOf(clearanceSchema, 50),
})
  .custom(bornBefore)
  .custom(
    nothingAfter<WorkloadRequest>((v) => [
      ['log', v.log],
      ['clearances', v.clearances ?? []],
    ]),
  )
  .messages({ ...bornMessage, ...futureMessage });
