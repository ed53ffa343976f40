import type { Role } from '@wrightonic/contract';
import { addDays } from '@wrightonic/core';
import type { Knex } from 'knex';
import { plainName, userCalled } from './names';
import { passwordMatches } from './passwords';
import { digest, newSecret } from './secrets';
import { countTry, forgetTries, ownKey, tryKey } from './tries';
import type { UserDbRow } from '../db/tables';

export interface User {
  readonly id: string;
  readonly academyId: string;
  readonly role: Role;
  readonly name: string;
  readonly signIn: string;
  /** The athlete themselves, or a guardian's children. */
  readonly athletes: readonly string[];
  /** Groups of a station coach. */
  readonly groups: readonly string[];
}

export const SESSION_DAYS = 30;
export const DEVICE_DAYS = 400;

async function toUser(db: Knex, row: UserDbRow, now: Date): Promise<User> {
  const linked = (table: 'user_athletes' | 'user_groups', column: 'athlete_id' | 'group_id'): Promise<string[]> =>
    db<Record<string, string>>(table as string)
      .where({ user_id: row.id, academy_id: row.academy_id })
      .orderBy(column)
      .pluck(column);
  const family = row.role === 'athlete' || row.role === 'guardian';
  return {
    id: row.id,
    academyId: row.academy_id,
    role: row.role,
    name: row.name,
    signIn: row.sign_in,
    athletes: family ? await linked('user_athletes', 'athlete_id') : [],
    groups: row.role === 'station' ? [...(await linked('user_groups', 'group_id')), ...(await campGroups(db, row, now))] : [],
  };
}

/** Athletes of a camp at which somebody has a station are theirs while it lasts, and a day before and after it, whatever the zone. */
async function campGroups(db: Knex, { id, academy_id: academy }: UserDbRow, now: Date): Promise<string[]> {
  const today = now.toISOString().slice(0, 10);
  const rows = await db('camps')
    .where('academy_id', academy)
    .whereNotNull('published_at')
    .where('first_on', '<=', addDays(today, 1))
    .where('last_on', '>=', addDays(today, -1))
    .whereRaw('json_contains(stations, json_object(?, ?))', ['coach', id])
    .select('group_id');
  return rows.flatMap((row) => row.group_id ?? []);
}

/** Where a try comes from: its network address, and the secret of a device that may have signed in before. */
export interface Visitor {
  readonly address: string;
  readonly device: string | undefined;
}

async function knownDevice(db: Knex, userId: string | undefined, device: string | undefined): Promise<string | null> {
  if (!userId || !device) return null;
  const hash = digest(device);
  return (await db('known_devices').where({ token_hash: hash, user_id: userId }).first()) ? hash : null;
}

export interface SignedIn {
  readonly token: string;
  readonly device: string;
  readonly user: User;
}

/** Opens a session; the device is known from now on. */
export async function openSession(db: Knex, userId: string, now: Date, device: string = newSecret()): Promise<SignedIn> {
  const token = newSecret();
  await db('sign_ins').where('expires_at', '<', now).delete();
  await db('sign_ins').insert({
    token_hash: digest(token),
    user_id: userId,
    expires_at: new Date(now.getTime() + SESSION_DAYS * 86_400_000),
  });
  await db('known_devices')
    .insert({ token_hash: digest(device), user_id: userId, seen_at: now })
    .onConflict('token_hash')
    .merge(['user_id', 'seen_at']);
  await db('users').where('id', userId).update({ last_seen_at: now });
  const row = await db('users').where('id', userId).first();
  if (!row) throw new Error('The account was taken away while its session opened.');
  return { token, device, user: await toUser(db, row, now) };
}

/**
 * @returns the session and the device's secret, or null when name and password do not go together
 * @throws ProblemError 429 after too many wrong ones from the same door
 */
export async function signIn(db: Knex, name: string, password: string, visitor: Visitor, now: Date): Promise<SignedIn | null> {
  const row = await userCalled(db, name);
  const known = await knownDevice(db, row?.id, visitor.device);
  const key = tryKey(row?.id ?? plainName(name), visitor.address, known);
  await countTry(db, key, now);
  if (!(await passwordMatches(row?.password_hash ?? null, password)) || !row) return null;
  await forgetTries(db, key, now);
  return openSession(db, row.id, now, known === null ? undefined : visitor.device);
}

/**
 * Whether a password is that of somebody who is signed in. A lost phone is no place to guess it: wrong ones are counted, and the
 * count stands on its own, whatever becomes of the request.
 * @throws ProblemError 429 after too many wrong ones
 */
export async function provesPassword(db: Knex, user: string, password: string, now: Date): Promise<boolean> {
  await countTry(db, ownKey(user), now);
  const row = await db('users').where('id', user).first('password_hash');
  if (!(await passwordMatches(row?.password_hash ?? null, password))) return false;
  await forgetTries(db, ownKey(user), now);
  return true;
}

export async function userOf(db: Knex, token: string | undefined, now: Date): Promise<User | null> {
  if (!token) return null;
  const row = await db('sign_ins')
    .join('users', 'users.id', 'sign_ins.user_id')
    .where('token_hash', digest(token))
    .where('expires_at', '>', now)
    .first<UserDbRow | undefined>('users.*');
  return row ? toUser(db, row, now) : null;
}

/** Somebody by their id; null once they are gone. */
export async function userById(db: Knex, id: string, now: Date): Promise<User | null> {
  const row = await db('users').where('id', id).first();
  return row ? toUser(db, row, now) : null;
}

export const signOut = (db: Knex, token: string): Promise<number> => db('sign_ins').where('token_hash', digest(token)).delete();
