/** What the planner is asked. */
import { DISCIPLINES, FINDING_IDS, findingById, focusSlot, PLACES, RUNGS, SEASONS, WEEKDAYS } from '@wrightonic/core';
import type { OwnLibrary, PlanRequest } from '@wrightonic/core';
import Joi from 'joi';
import { knownDrill, ownDrillSchema, ownFindingSchema, ownLadderSchema } from '../library/library';
import { clearanceSchema, clockTime, leagueRuleSchema, painKeys } from '../load/load';
import { athleteProfileSchema, schoolsSchema } from '../profile/profile';
import { bornBefore, bornMessage, futureMessage, nothingAfter } from '../schema/dated';
import { count, errorAt, isoDate, listOf, objectOf, oneOf } from '../schema/schema';

/** One focus a slot, of the athlete’s own discipline. */
const planableFocus: Joi.CustomValidator<PlanRequest> = (value, helpers) => {
  const { discipline } = value.athlete;
  const foreign = value.focus.findIndex((f) => !findingById(f.finding).disciplines.includes(discipline));
  if (foreign >= 0)
    return errorAt(helpers, 'focus.foreign', { finding: value.focus[foreign]!.finding, discipline }, [
      'focus',
      foreign,
      'finding',
    ]);
  const [first, second] = value.focus.map((f) => f.finding);
  if (first && second && focusSlot(first) === focusSlot(second))
    return errorAt(
      helpers,
      'focus.two',
      { first, second, slot: focusSlot(first) === 'arm' ? 'the arm action' : 'the lower half' },
      ['focus', 1, 'finding'],
    );
  return value;
};

const share = () => Joi.number().min(0).max(1);

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
  judgement: Joi.object({
    present: Joi.object().pattern(oneOf(FINDING_IDS), share()),
    cleared: listOf(oneOf(FINDING_IDS), FINDING_IDS.length),
  }),
  cheats: listOf(
    Joi.object({
      drill: knownDrill().required(),
      cheat: Joi.string().max(60).required(),
      reps: count(1000).required(),
      seen: count(1000).required(),
    }),
    500,
  ),
  weeks: Joi.number().integer().min(1).max(26).required(),
  until: isoDate(),
  began: isoDate(),
  availability: listOf(
    Joi.object({
      weekday: oneOf(WEEKDAYS).required(),
      minutes: Joi.number().integer().min(1).max(240).required(),
      place: oneOf(PLACES).required(),
      equipment: listOf(Joi.string().max(40), 60),
    }),
    7,
  )
    .unique('weekday')
    .required(),
  equipment: listOf(Joi.string().max(40), 60).required(),
  partner: Joi.boolean().required(),
  season: oneOf(SEASONS).required(),
  games: listOf(Joi.object({ date: isoDate().required(), pitches: count(300).required() }), 300).required(),
  restBlocks: listOf(Joi.object({ from: isoDate().required(), until: isoDate().required() }), 20),
  weekTold: count(2000),
  recentLoad: listOf(
    Joi.object({
      date: isoDate().required(),
      pitches: count(400),
      throws: count(1000).required(),
      highEffort: count(1000).required(),
    }),
    5000,
  ).required(),
  pain: listOf(Joi.object({ ...painKeys, date: isoDate().required(), at: clockTime() }), 500).required(),
  clearances: listOf(clearanceSchema, 50),
  leagueDailyLimit: Joi.number().integer().min(0).max(300).allow(null).required(),
  league: leagueRuleSchema,
  flags: listOf(oneOf(FINDING_IDS), 10).required(),
  pinned: listOf(Joi.object({ date: isoDate().required(), drill: knownDrill().required() }), 200).required(),
  recentDrills: listOf(
    Joi.object({
      drill: knownDrill().required(),
      sessions: count(100).required(),
      aidsGone: listOf(Joi.string().max(40), 10),
      stuck: Joi.boolean(),
    }),
    400,
  ),
  asItStands: listOf(Joi.object({ date: isoDate().required(), drills: listOf(Joi.string().max(60), 20).required() }), 400),
  library: objectOf<OwnLibrary>({
    first: listOf(knownDrill(), 400).required(),
    never: listOf(knownDrill(), 400).required(),
    own: listOf(ownDrillSchema, 400),
    ladders: listOf(ownLadderSchema, 200),
    findings: listOf(ownFindingSchema, 200),
    helped: listOf(
      Joi.object({
        finding: oneOf(FINDING_IDS).required(),
        discipline: oneOf(DISCIPLINES).required(),
        drill: knownDrill().required(),
        better: share().required(),
        athletes: count(100_000).required(),
        days: count(1_000_000).required(),
      }),
      2000,
    ),
  }),
  lastTest: isoDate(),
})
  .custom(bornBefore)
  .custom(planableFocus)
  .custom(
    nothingAfter<PlanRequest>((v) => [
      ['recentLoad', v.recentLoad],
      ['pain', v.pain],
      ['clearances', v.clearances ?? []],
    ]),
  )
  .messages({
    ...bornMessage,
    ...futureMessage,
    'focus.foreign': '“{{#finding}}” does not belong to {{#discipline}}: choose a finding of this discipline',
    'focus.two':
      '“{{#first}}” and “{{#second}}” both belong to {{#slot}}: one lower-half and one arm focus is the most at a time',
  });
