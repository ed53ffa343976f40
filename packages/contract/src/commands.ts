import {
  DISCIPLINES,
  FINDING_IDS,
  hasDrill,
  PAIN_SIGNS,
  PAIN_SITES,
  PLACES,
  RUNGS,
  SEASONS,
  SETTINGS,
  WEEKDAYS,
} from '@wrightonic/core';
import type {
  Clearance,
  DiagnosisRequest,
  Overrule,
  WorkDone,
  GateSettings,
  LeagueRule,
  LoadRow,
  PainReport,
  PlanRequest,
  RepRow,
  TrendReading,
  TrendRequest,
  WorkloadRequest,
  Discipline,
} from '@wrightonic/core';
import Joi from 'joi';
import { athleteProfileSchema, numbersSchema, schoolsSchema } from './athlete';
import { datedEvidenceSchema } from './evidence';
import { count, isoDate, listOf, objectOf, oneOf, text } from './schema';

/** Rows of the past may not lie after the day of the evaluation. */
function nothingAfter<T extends { on: string }>(
  lists: (value: T) => readonly (readonly [string, readonly { date: string }[]])[],
): Joi.CustomValidator {
  return (value: T, helpers) => {
    for (const [name, rows] of lists(value)) {
      const late = rows.findIndex((row) => row.date > value.on);
      if (late >= 0)
        return helpers.error('date.future', { where: `${name}[${late}].date`, date: rows[late]!.date, on: value.on });
    }
    return value;
  };
}
const futureMessage = { 'date.future': '{{#where}} is {{#date}}, after the day of the evaluation ({{#on}})' };

const bornBefore: Joi.CustomValidator = (value: { on: string; athlete: { birthDate: string } }, helpers) =>
  value.athlete.birthDate > value.on ? helpers.error('born.later', { birthDate: value.athlete.birthDate, on: value.on }) : value;
const bornMessage = { 'born.later': 'athlete.birthDate is {{#birthDate}}, after the day of the evaluation ({{#on}})' };

export const overruleSchema = objectOf<Overrule>({
  finding: oneOf(FINDING_IDS).required(),
  as: oneOf(['present', 'absent', 'root'] as const).required(),
});

export const diagnosisRequestSchema = objectOf<DiagnosisRequest>({
  on: isoDate().required(),
  athlete: athleteProfileSchema.required(),
  schools: schoolsSchema,
  numbers: numbersSchema,
  evidence: listOf(datedEvidenceSchema, 500).required(),
  overrules: listOf(overruleSchema, 60)
    .unique('finding')
    .messages({ 'array.unique': '{{#label}} rules on a finding that was ruled on already' }),
  work: listOf(
    objectOf<WorkDone>({ finding: oneOf(FINDING_IDS).required(), on: isoDate().required(), reps: count(5000).required() }),
    2000,
  ),
})
  .custom(bornBefore)
  .messages(bornMessage);

const tally: Joi.CustomValidator = (row: RepRow, helpers) => {
  if (row.good + row.close + row.off !== row.reps)
    return helpers.error('reps.tally', { sum: row.good + row.close + row.off, reps: row.reps });
  const most = Object.entries(row.cheats).find(([, n]) => n > row.reps);
  return most ? helpers.error('reps.cheats', { cheat: most[0], reps: row.reps }) : row;
};

export const repRowSchema = objectOf<RepRow>({
  date: isoDate().required(),
  drill: text(60),
  reps: count(500).required(),
  good: count(500).required(),
  close: count(500).required(),
  off: count(500).required(),
  cheats: Joi.object().pattern(Joi.string().max(60), count(500)).required(),
  pain: Joi.number().min(0).max(10).required(),
})
  .custom(tally)
  .messages({
    'reps.tally': 'good + close + off is {{#sum}} but reps is {{#reps}}: they must be equal',
    'reps.cheats': 'cheats.{{#cheat}} is more than the {{#reps}} reps of the row',
  });

export const gateSettingsSchema = objectOf<Partial<GateSettings>>({
  advanceRate: Joi.number().min(0.05).max(0.99),
  regressRate: Joi.number().min(0.01).max(0.95),
  confidence: Joi.number().min(0.5).max(0.999),
  minimumReps: Joi.number().integer().min(1).max(200),
  minimumSessions: Joi.number().integer().min(1).max(20),
  sessionsCounted: Joi.number().integer().min(1).max(20),
  cheatShare: Joi.number().min(0.01).max(1),
});

export interface GateRequest {
  readonly discipline: Discipline;
  readonly log: readonly RepRow[];
  readonly settings?: Partial<GateSettings>;
  readonly rung?: number;
}

export const gateRequestSchema = objectOf<GateRequest>({
  discipline: oneOf(DISCIPLINES).required(),
  log: listOf(repRowSchema, 5000).required(),
  settings: gateSettingsSchema,
  rung: Joi.number().valid(...RUNGS),
});

export const painReportSchema = objectOf<PainReport>({
  site: oneOf(PAIN_SITES).required(),
  score: Joi.number().min(0).max(10).required(),
  signs: listOf(oneOf(PAIN_SIGNS), 4),
});

export const clearanceSchema = objectOf<Clearance>({
  date: isoDate().required(),
  by: text(120).required(),
  limits: text(1000),
  until: isoDate(),
});

export const leagueRuleSchema = objectOf<LeagueRule>({
  daily: count(300),
  perGame: count(300),
  weekly: count(1500),
  rest: listOf(Joi.object({ from: count(300).required(), days: count(30).required() }), 20),
});

export const loadRowSchema = objectOf<LoadRow>({
  date: isoDate().required(),
  pitches: count(400),
  throws: count(1000).required(),
  highEffort: count(1000).required(),
  pain: listOf(painReportSchema, 20),
  innings: Joi.number().min(0).max(30),
  caught: Joi.boolean(),
  breakingPitches: count(400),
});

export const workloadRequestSchema = objectOf<WorkloadRequest>({
  on: isoDate().required(),
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

const knownDrill: Joi.CustomValidator = (id: string, helpers) => (hasDrill(id) ? id : helpers.error('drill.unknown', { id }));

export const planRequestSchema = objectOf<PlanRequest>({
  on: isoDate().required(),
  athlete: athleteProfileSchema.required(),
  schools: schoolsSchema,
  focus: listOf(
    Joi.object({
      finding: oneOf(FINDING_IDS).required(),
      rung: Joi.number()
        .valid(...RUNGS)
        .required(),
    }),
    2,
  )
    .unique('finding')
    .required(),
  weeks: Joi.number().integer().min(1).max(26).required(),
  availability: listOf(
    Joi.object({
      weekday: oneOf(WEEKDAYS).required(),
      minutes: Joi.number().integer().min(1).max(240).required(),
      place: oneOf(PLACES).required(),
    }),
    7,
  )
    .unique('weekday')
    .required(),
  equipment: listOf(Joi.string().max(40), 60).required(),
  partner: Joi.boolean().required(),
  season: oneOf(SEASONS).required(),
  games: listOf(Joi.object({ date: isoDate().required(), pitches: count(300).required() }), 300).required(),
  recentLoad: listOf(
    Joi.object({
      date: isoDate().required(),
      pitches: count(400),
      throws: count(1000).required(),
      highEffort: count(1000).required(),
    }),
    5000,
  ).required(),
  pain: listOf(
    Joi.object({
      date: isoDate().required(),
      site: oneOf(PAIN_SITES).required(),
      score: Joi.number().min(0).max(10).required(),
      signs: listOf(oneOf(PAIN_SIGNS), 4),
    }),
    500,
  ).required(),
  clearances: listOf(clearanceSchema, 50),
  leagueDailyLimit: Joi.number().integer().min(0).max(300).allow(null).required(),
  league: leagueRuleSchema,
  flags: listOf(oneOf(FINDING_IDS), 10).required(),
  pinned: listOf(Joi.object({ date: isoDate().required(), drill: Joi.string().custom(knownDrill).required() }), 200).required(),
  recentDrills: listOf(Joi.object({ drill: Joi.string().custom(knownDrill).required(), sessions: count(100).required() }), 200),
})
  .custom(bornBefore)
  .custom(
    nothingAfter<PlanRequest>((v) => [
      ['recentLoad', v.recentLoad],
      ['pain', v.pain],
      ['clearances', v.clearances ?? []],
    ]),
  )
  .messages({ ...bornMessage, ...futureMessage, 'drill.unknown': '{{#label}}: “{{#id}}” is not a drill of the catalogue' });

const speedUnits = () => oneOf(['mph', 'km/h'] as const).required();

export const trendReadingSchema = objectOf<TrendReading>({
  date: isoDate().required(),
  speed: Joi.number().min(10).max(200).required(),
  unit: speedUnits(),
  effort: Joi.number().min(10).max(110).required(),
  gun: text(40).required(),
  angleDeg: Joi.number().min(-89).max(89).required(),
  setting: oneOf(SETTINGS).required(),
});

export const trendRequestSchema = objectOf<TrendRequest>({
  on: isoDate().required(),
  athlete: athleteProfileSchema.required(),
  readings: listOf(trendReadingSchema, 5000).required(),
  pairs: listOf(
    Joi.object({
      date: isoDate().required(),
      gunA: text(40).required(),
      gunB: text(40).required().invalid(Joi.ref('gunA')).messages({ 'any.invalid': '{{#label}} must be another gun than gunA' }),
      difference: Joi.number().min(-50).max(50).required(),
    }),
    2000,
  ),
  level: Joi.number().min(0.5).max(0.999),
})
  .custom(bornBefore)
  .custom(nothingAfter<TrendRequest>((v) => [['readings', v.readings]]))
  .messages({ ...bornMessage, ...futureMessage });
