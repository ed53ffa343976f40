import { DISCIPLINES, HANDS, JUMP_NORMS, LEVELS, SCHOOL_OPTIONS } from '@wrightonic/core';
import type { AthleteProfile, Schools } from '@wrightonic/core';
import Joi from 'joi';
import { isoDate, objectOf, oneOf } from '../schema/schema';

/** A size that a person can have; anything else is a slip of the unit or the decimal point. */
function between(low: number, high: number, unit: string): Joi.NumberSchema {
  const message = `{{#label}} must be between ${low} and ${high} ${unit}`;
  return Joi.number().min(low).max(high).required().messages({ 'number.min': message, 'number.max': message });
}

const profileKeys = {
  discipline: oneOf(DISCIPLINES).required(),
  throws: oneOf(HANDS).required(),
  birthDate: isoDate().required(),
  heightM: between(0.8, 2.4, 'm (80 and 240 cm)'),
  massKg: between(15, 220, 'kg'),
  level: oneOf(LEVELS).required(),
  jumpNorms: oneOf(JUMP_NORMS),
};

export const athleteProfileSchema = objectOf<AthleteProfile>(profileKeys);
export const athleteProfileKeys = profileKeys;

export const schoolsSchema = objectOf<Partial<Schools>>({
  driveLeg: oneOf(SCHOOL_OPTIONS.driveLeg),
  lift: oneOf(SCHOOL_OPTIONS.lift),
  backFoot: oneOf(SCHOOL_OPTIONS.backFoot),
  method: oneOf(SCHOOL_OPTIONS.method),
  repairOrder: oneOf(SCHOOL_OPTIONS.repairOrder),
  separation: oneOf(SCHOOL_OPTIONS.separation),
  windmillFinish: oneOf(SCHOOL_OPTIONS.windmillFinish),
});
