/** A marked throw, as it is measured. */
import { DISCIPLINES, EVENTS, HANDS, MARKED_JOINTS, VIEWS } from '@wrightonic/core';
import type { MarkedEvent, MarkedFrame, MarkedPoint, MeasureRequest } from '@wrightonic/core';
import Joi from 'joi';
import { atAGlance } from './at-a-glance';
import { listOf, objectOf, oneOf } from '../schema/schema';

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
    .required(),
  events: markedEventsSchema.required(),
  frames: markedFramesSchema.required(),
  frame: Joi.object({
    width: Joi.number().positive().max(20_000).required(),
    height: Joi.number().positive().max(20_000).required(),
  }),
})
  .custom(spatial)
  .messages({ 'joint.flat': '{{#where}} is missing: in 3d every joint has x, y and z' });
