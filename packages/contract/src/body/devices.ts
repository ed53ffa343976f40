/** Channels on which measuring devices speak to a page. */
import type { TestId, TestSide } from '@wrightonic/core';
import Joi from 'joi';
import { listOf, objectOf, uuid } from '../schema/schema';
import { stepKeys } from './body';

/** A device's channel: what may write to it, until when. */
export interface DeviceChannel {
  readonly id: string;
  readonly key: string;
  readonly expiresAt: string;
}

/** What travels on a channel: tilt from an inclinometer, speed from a radar gun, or what the page is asking for. */
export type DeviceMessage =
  | { readonly kind: 'tilt'; readonly deg: number }
  | { readonly kind: 'ask'; readonly test: TestId; readonly side: TestSide; readonly athlete: string }
  /** A speed: counted on by one, so that a resent one is known and a lost one is missed; and how long ago it was read. */
  | { readonly kind: 'speed'; readonly n: number; readonly speed: number; readonly unit: 'mph' | 'km/h'; readonly agoMs: number }
  | { readonly kind: 'rest' };
export interface DeviceBatch {
  readonly messages: readonly DeviceMessage[];
}
export const deviceBatchSchema = objectOf<DeviceBatch>({
  messages: listOf(
    Joi.alternatives().conditional('.kind', {
      switch: [
        { is: 'tilt', then: Joi.object({ kind: 'tilt', deg: Joi.number().min(-360).max(360).required() }) },
        {
          is: 'speed',
          then: Joi.object({
            kind: 'speed',
            n: Joi.number().integer().min(0).required(),
            speed: Joi.number().min(1).max(400).required(),
            unit: Joi.string().valid('mph', 'km/h').required(),
            agoMs: Joi.number().min(0).max(300_000).required(),
          }),
        },
        { is: 'ask', then: Joi.object({ kind: 'ask', ...stepKeys, athlete: uuid().required() }) },
      ],
      otherwise: Joi.object({ kind: Joi.string().valid('rest').required() }),
    }) as Joi.AlternativesSchema,
    100,
  )
    .min(1)
    .required(),
});

/** The channel's key, which is proof enough: a device has no account. */
export interface ChannelQuery {
  readonly key: string;
}
export const channelQuerySchema = objectOf<ChannelQuery>({ key: Joi.string().min(20).max(80).required() });
