import {
  DISCIPLINES,
  DRILL_USES,
  EQUIPMENT,
  FINDING_IDS,
  hasDrill,
  OWN_RUNGS,
  ownDrillFaults,
  PLACES,
  RUNGS,
} from '@wrightonic/core';
import type { DrillEffects, IsoDate, OwnDrill, OwnFields, OwnFinding, OwnLadder } from '@wrightonic/core';
import Joi from 'joi';
import { count, listOf, objectOf, oneOf, text } from '../schema/schema';

/** Who wrote a version, and when. */
interface Written {
  readonly by: string;
  readonly at: string;
}

/** A version of an academy’s own way with a drill. */
export interface OwnDrillRecord extends OwnDrill, Written {}
/** A version of an academy’s own ladder. */
export interface OwnLadderRecord extends OwnLadder, Written {}

/** A version of an academy’s own words for a finding. */
export interface OwnFindingRecord extends OwnFinding, Written {}

/** Everything that an academy says of drills and findings, all versions, the newest of each last. */
export interface LibraryAnswer {
  readonly drills: readonly OwnDrillRecord[];
  readonly ladders: readonly OwnLadderRecord[];
  readonly findings: readonly OwnFindingRecord[];
}

/** What drills did in the academy's athletes, as worked out on a day. */
export interface DrillEffectsAnswer {
  readonly on: IsoDate;
  readonly effects: readonly DrillEffects[];
}

/** A new version; its number is given on the server. */
export type NewOwnDrill = Omit<OwnDrill, 'version'>;
export type NewOwnLadder = Omit<OwnLadder, 'version'>;
export type NewOwnFinding = Omit<OwnFinding, 'version'>;

const MOST_REPS = 60;

/** An id of the catalogue, or of a copy of one of its drills. */
export const knownDrill = (): Joi.StringSchema =>
  Joi.string()
    .max(60)
    .custom((id: string, helpers) => (hasDrill(id) ? id : helpers.error('drill.unknown', { id })))
    .messages({ 'drill.unknown': '{{#label}}: “{{#id}}” is not a drill of the catalogue, nor a copy of one' });

const rungOf = (rungs: readonly number[]): Joi.NumberSchema => Joi.number().valid(...rungs);
const percent = (): Joi.NumberSchema => Joi.number().integer().min(0).max(100);

const fieldsSchema = objectOf<OwnFields>({
  treats: listOf(
    Joi.object({ finding: oneOf(FINDING_IDS).required(), weight: Joi.number().min(0.1).max(1).required() }),
    12,
  ).unique('finding'),
  rungs: listOf(rungOf(RUNGS), RUNGS.length).unique(),
  place: listOf(oneOf(PLACES), PLACES.length).unique(),
  equipment: listOf(oneOf(EQUIPMENT), EQUIPMENT.length).unique(),
  partner: Joi.boolean(),
  dose: Joi.object({
    sets: count(6).min(1).required(),
    reps: count(MOST_REPS).min(1).required(),
    holdS: count(120).min(1),
  }),
  effort: Joi.array().ordered(percent().required(), percent().required()),
  minAge: count(80).min(5),
});

const drillKeys = {
  drill: knownDrill().required(),
  words: Joi.object({
    name: text(60),
    setup: text(300),
    steps: listOf(text(200), 8).min(1),
    external: text(120),
    internal: text(120),
    feel: text(160),
    success: text(160),
  }).required(),
  use: oneOf(DRILL_USES).required(),
  fields: fieldsSchema,
};

/** A version must stand: what it lacks is said. */
const standing: Joi.CustomValidator<NewOwnDrill> = (value, helpers) => {
  const [fault] = ownDrillFaults(value);
  return fault === undefined ? value : helpers.message({ custom: fault });
};

const ladderKeys = {
  finding: oneOf(FINDING_IDS).required(),
  discipline: oneOf(DISCIPLINES).required(),
  rungs: listOf(Joi.object({ rung: rungOf(OWN_RUNGS).required(), drills: listOf(knownDrill(), 40).required() }), OWN_RUNGS.length)
    .unique('rung')
    .allow(null)
    .required(),
};

const findingKeys = {
  finding: oneOf(FINDING_IDS).required(),
  words: Joi.object({ title: text(80), seen: text(300), forAthlete: text(200), cue: text(120) }).required(),
};

const version = () => count(100_000).min(1).required();

export const newOwnDrillSchema = objectOf<NewOwnDrill>(drillKeys).custom(standing);
export const newOwnLadderSchema = objectOf<NewOwnLadder>(ladderKeys);
export const newOwnFindingSchema = objectOf<NewOwnFinding>(findingKeys);
export const ownFindingSchema = objectOf<OwnFinding>({ ...findingKeys, version: version() });
export const ownDrillSchema = objectOf<OwnDrill>({ ...drillKeys, version: version() }).custom(standing);
export const ownLadderSchema = objectOf<OwnLadder>({ ...ladderKeys, version: version() });
