import type { DeviceBatch, DeviceChannel, DeviceMessage } from '@wrightonic/contract';
import type { Knex } from 'knex';
import { digest, newSecret } from '../auth/secrets';
import { ProblemError } from '../problems';
import type { Context } from '../common/context';

const HOURS_OPEN = 12;
/** Messages are for now: what nobody fetched in this time is thrown away. */
const KEPT_MS = 5 * 60_000;
/** A channel takes at most so many messages in that time: a device sends about ten a second. */
const MOST_KEPT = 20_000;

/** Opens a channel, or gives it a new key. */
export async function putChannel(ctx: Context, id: string): Promise<DeviceChannel> {
  const key = newSecret();
  const expiresAt = new Date(ctx.now.getTime() + HOURS_OPEN * 3_600_000);
  await ctx.tenant.from('device_channels').where('expires_at', '<', ctx.now).delete();
  await ctx.tenant.upsert('device_channels', { id, key_hash: digest(key), expires_at: expiresAt });
  return { id, key, expiresAt: expiresAt.toISOString() };
}

/** @throws ProblemError 404 unless the key opens the channel */
export async function requireChannel(db: Knex, id: string, key: string, now: Date): Promise<void> {
  const row = await db('device_channels')
    .where({ id, key_hash: digest(key) })
    .where('expires_at', '>', now)
    .first('id');
  if (!row)
    throw new ProblemError(
      404,
      'Not found',
      'There is no such channel, its key is another, or it has closed. Open it again on the page that reads.',
    );
}

/** Whether a channel is there and has not run out. */
export async function channelIsOpen(db: Knex, id: string, now: Date): Promise<boolean> {
  return (await db('device_channels').where({ id }).where('expires_at', '>', now).first('id')) !== undefined;
}

export async function sendToChannel(db: Knex, id: string, { messages }: DeviceBatch, now: Date): Promise<void> {
  const [held] = await db('device_messages').where('channel_id', id).count({ n: '*' });
  if (Number(held!.n) + messages.length > MOST_KEPT)
    throw new ProblemError(429, 'Too fast', 'The channel is full. Send at most ten readings a second.');
  await db('device_messages').insert(
    messages.map((message) => ({ channel_id: id, message: JSON.stringify(message), created_at: now })),
  );
  await db('device_messages')
    .where('channel_id', id)
    .where('created_at', '<', new Date(now.getTime() - KEPT_MS))
    .delete();
}

/** Last message of a channel so far; what follows is new. */
export async function endOfChannel(db: Knex, id: string): Promise<number> {
  const row = await db('device_messages').where('channel_id', id).max({ last: 'seq' }).first();
  return Number(row?.last ?? 0);
}

export async function messagesAfter(db: Knex, id: string, seq: number): Promise<{ seq: number; message: DeviceMessage }[]> {
  return db('device_messages').where('channel_id', id).where('seq', '>', seq).orderBy('seq').limit(200).select('seq', 'message');
}
