import { DISCIPLINES, HANDS, LEVELS, SCHOOL_OPTIONS } from '@wrightonic/core';
import type { AthleteProfile, Schools } from '@wrightonic/core';
import Joi from 'joi';
import { isoDate, objectOf, oneOf } from './schema';

const profileKeys = {
  discipline: oneOf(DISCIPLINES).required(),
  throws: oneOf(HANDS).required(),
  birthDate: isoDate().required(),
  heightM: Joi.number().min(0.8).max(2.4).required(),
  massKg: Joi.number().min(15).max(220).required(),
  level: oneOf(LEVELS).required(),
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
});
