/** What is typed in about an athlete. */
import { EQUIPMENT, PLACES, SEASONS, WEEKDAYS } from '@wrightonic/core';
import type { AthleteProfile, Equipment, Place, Schools, Season, Weekday } from '@wrightonic/core';
import Joi from 'joi';
import { athleteProfileKeys, schoolsSchema } from '../profile/profile';
import { listOf, objectOf, oneOf, text } from '../schema/schema';

export interface Availability {
  readonly weekday: Weekday;
  readonly minutes: number;
  readonly place: Place;
}

/** Everything that is typed in about an athlete. */
export interface AthleteRecord extends AthleteProfile {
  readonly name: string;
  readonly season: Season;
  readonly availability: readonly Availability[];
  readonly equipment: readonly Equipment[];
  readonly partner: boolean;
  readonly schools: Partial<Schools>;
}
/** A record as it is sent. A discipline that is corrected leaves what belongs to the other one behind, once that is agreed to. */
export interface AthleteChange extends AthleteRecord {
  readonly setForeignAside?: boolean;
}
const recordKeys = {
  ...athleteProfileKeys,
  name: text(120).required(),
  season: oneOf(SEASONS).required(),
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
  equipment: listOf(oneOf(EQUIPMENT), 40).required(),
  partner: Joi.boolean().required(),
  schools: schoolsSchema.required(),
};
export const athleteRecordSchema = objectOf<AthleteRecord>(recordKeys);
export const athleteChangeSchema = objectOf<AthleteChange>({ ...recordKeys, setForeignAside: Joi.boolean() });
