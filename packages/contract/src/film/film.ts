/** A marked throw, and what the simulator is asked for. */
import { DISCIPLINES, EVENTS, HANDS, MARKED_JOINTS, SIMULATED_FAULTS, VIEWS } from '@wrightonic/core';
import type { AthleteProfile, Faults, MarkedEvent, MarkedFrame, MarkedPoint, MeasureRequest, View } from '@wrightonic/core';
import Joi from 'joi';
import { atAGlance } from './at-a-glance';
import { athleteProfileSchema } from './athlete';
import { isoDate, listOf, objectOf, oneOf } from './schema';

const MARKABLE = EVENTS.filter((e) => e !== 'max');
const SD_MOST = 1000;
const pointSchema = objectOf<MarkedPoint>({
  x: Joi.number().required(),
  y: Joi.number().required(),
  z: Joi.number(),
  sd: Joi.number().min(0).max(SD_MOST),
  by: Joi.string().valid('track'),
});
const eventSchema = objectOf<MarkedEvent>({
  frame: Joi.number().min(0).max(1_000_000).required(),
  sd: Joi.number().min(0).max(1000),
});
const jointsSchema = Joi.object(Object.fromEntries(MARKED_JOINTS.map((joint) => [joint, pointSchema])));

const isCoordinate = (value: unknown): boolean => typeof value === 'number' && Math.abs(value) <= Number.MAX_SAFE_INTEGER;
const POINT_PARTS: ReadonlyMap<string, (value: unknown) => boolean> = new Map([
  ['x', isCoordinate],
  ['y', isCoordinate],
  ['z', isCoordinate],
  ['sd', (value: unknown) => typeof value === 'number' && value >= 0 && value <= SD_MOST],
  ['by', (value: unknown) => value === 'track'],
]);
const JOINTS: ReadonlySet<string> = new Set(MARKED_JOINTS);
const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;

/** Whether joints are right beyond doubt. */
function plainlyRight(joints: unknown): boolean {
  if (!isRecord(joints) || Array.isArray(joints)) return false;
  for (const joint in joints) {
    const point = joints[joint];
    if (!JOINTS.has(joint) || !isRecord(point) || point.x === undefined || point.y === undefined) return false;
    for (const part in point) if (!POINT_PARTS.get(part)?.(point[part])) return false;
  }
  return true;
}
const frameSchema = objectOf<MarkedFrame>({
  frame: Joi.number().integer().min(0).max(1_000_000).required(),
  joints: atAGlance(plainlyRight, jointsSchema).required(),
});

/** In 3d every joint needs its third coordinate. */
const spatial: Joi.CustomValidator = (request: MeasureRequest, helpers) => {
  if (request.view !== '3d') return request;
  for (const [i, { joints }] of request.frames.entries())
    for (const [joint, point] of Object.entries(joints))
      if (point.z === undefined) return helpers.error('joint.flat', { where: `frames[${i}].joints.${joint}.z` });
  return request;
};

export const markedEventsSchema = Joi.object(Object.fromEntries(MARKABLE.map((event) => [event, eventSchema])));
export const markedFramesSchema = listOf(frameSchema, 20_000);

export const measureRequestSchema = objectOf<MeasureRequest>({
  discipline: oneOf(DISCIPLINES).required(),
  throws: oneOf(HANDS).required(),
  fps: Joi.number().positive().max(2000).required(),
  view: oneOf(VIEWS).required(),
  heightM: Joi.number().min(0.8).max(2.4).required(),
  scale: Joi.object({ metresPerUnit: Joi.number().positive().max(10).required(), sd: Joi.number().min(0).max(1) })
    .allow(null)
    .required() as unknown as Joi.ObjectSchema,
  events: markedEventsSchema.required(),
  frames: markedFramesSchema.required(),
  frame: Joi.object({
    width: Joi.number().positive().max(20_000).required(),
    height: Joi.number().positive().max(20_000).required(),
  }) as unknown as Joi.ObjectSchema,
})
  .custom(spatial)
  .messages({ 'joint.flat': '{{#where}} is missing: in 3d every joint has x, y and z' });

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

export const simulateRequestSchema = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(BY_KIND).map(([is, then]) => ({ is, then })),
  otherwise: Joi.object({ kind: oneOf(['delivery', 'season', 'case'] as const).required() }).unknown(true),
}) as unknown as Joi.Schema<SimulateRequest>;
