/** What the simulator is asked for. */
import { VIEWS } from '@wrightonic/core';
import { SIMULATED_FAULTS } from '@wrightonic/core/simulate';
import type { AthleteProfile, View } from '@wrightonic/core';
import type { Faults } from '@wrightonic/core/simulate';
import Joi from 'joi';
import { athleteProfileSchema } from '../profile/profile';
import { isoDate, oneOf } from '../schema/schema';
import { schemaOf } from '../schema/boundary';

/** What is to be made up. */
export type SimulateRequest =
  | {
      readonly seed: number;
      readonly kind: 'delivery';
      readonly athlete: AthleteProfile;
      readonly faults: Faults | null;
      readonly view?: View;
      readonly fps?: number;
      /** 1 SD of a mark: pixels, or metres in 3d. */
      readonly markSd?: number;
    }
  | { readonly seed: number; readonly kind: 'case'; readonly on: string; readonly athlete: AthleteProfile; readonly faults: null }
  | {
      readonly seed: number;
      readonly kind: 'season';
      readonly on: string;
      readonly athlete: AthleteProfile;
      readonly faults: null;
      readonly weeks?: number;
    };

const seed = Joi.number().integer().min(0).max(4_294_967_295).required();
const kind = (value: string) => Joi.string().valid(value).required();
const allFaults = [...new Set([...SIMULATED_FAULTS.overhand, ...SIMULATED_FAULTS.windmill])];
const faultsSchema = Joi.object(Object.fromEntries(allFaults.map((f) => [f, Joi.number().min(0).max(1)])))
  .allow(null)
  .required();
const BY_KIND = {
  delivery: Joi.object({
    seed,
    kind: kind('delivery'),
    athlete: athleteProfileSchema.required(),
    faults: faultsSchema,
    view: oneOf(VIEWS),
    fps: Joi.number().positive().max(1000),
    markSd: Joi.number().min(0).max(50),
  }),
  case: Joi.object({
    seed,
    kind: kind('case'),
    on: isoDate().required(),
    athlete: athleteProfileSchema.required(),
    faults: Joi.valid(null).required(),
  }),
  season: Joi.object({
    seed,
    kind: kind('season'),
    on: isoDate().required(),
    athlete: athleteProfileSchema.required(),
    faults: Joi.valid(null).required(),
    weeks: Joi.number().integer().min(2).max(104),
  }),
};

export const simulateRequestSchema = schemaOf<SimulateRequest>(
  Joi.alternatives().conditional('.kind', {
    switch: Object.entries(BY_KIND).map(([is, then]) => ({ is, then })),
    otherwise: Joi.object({ kind: oneOf(['delivery', 'season', 'case'] as const).required() }).unknown(true),
  }),
);
