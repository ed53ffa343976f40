import type { Knex } from 'knex';
import { ProblemError } from '../problems';
import { digest } from './secrets';

/** Wrong passwords that are answered at once. */
export const FREE_TRIES = 5;
const FIRST_WAIT_S = 30;
const LONGEST_WAIT_S = 15 * 60;
const FORGOTTEN_AFTER_MS = 24 * 3_600_000;

/**
 * Whose tries are counted together: a device that has signed in to this account before counts by itself; any other by the account
 * it tries, however the name is written, and the address it comes from. Whoever guesses from elsewhere closes the door on
 * themselves, not on the owner of the account.
 * @param account the account's id, or the plain name where there is none
 */
export function tryKey(account: string, address: string, knownDevice: string | null): string {
  return digest(knownDevice === null ? `new|${account}|${address}` : `known|${knownDevice}`);
}

/** Tries at a password by somebody who is signed in: a lost phone is no place to guess it. */
export const ownKey = (user: string): string => digest(`own|${user}`);

const waitAfter = (failures: number): number =>
  failures < FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** (failures - FREE_TRIES));

function inWords(seconds: number): string {
  const minutes = Math.ceil(seconds / 60);
  return seconds < 60 ? `${Math.ceil(seconds)} seconds` : `${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`;
}

/**
 * Counts a try before the password is looked at, one after the other, so that many at once are no way round.
 * @throws ProblemError 429 while the door is closed
 */
export async function countTry(db: Knex, key: string, now: Date): Promise<void> {
  // Outside of the transaction: an insert that finds the row there would hold a lock that two tries cannot both raise.
  await db('sign_in_tries').insert({ key_hash: key, failures: 0, last_at: now }).onConflict('key_hash').ignore();
  await db.transaction(async (trx) => {
    const row = await trx('sign_in_tries').where('key_hash', key).forUpdate().first();
    if (row?.closed_until && row.closed_until > now)
      throw new ProblemError(
        429,
        'Too many tries',
        `Too many wrong passwords from here. Try again in ${inWords((row.closed_until.getTime() - now.getTime()) / 1000)}, or ask an owner of the academy for a link that sets a new password.`,
      );
    const stale = !row || now.getTime() - row.last_at.getTime() > FORGOTTEN_AFTER_MS;
    const failures = (stale ? 0 : row.failures) + 1;
    const wait = waitAfter(failures);
    await trx('sign_in_tries')
      .where('key_hash', key)
      .update({ failures, last_at: now, closed_until: wait > 0 ? new Date(now.getTime() + 1000 * wait) : null });
  });
}

/** The password was right: nothing is held against this door any more. */
export async function forgetTries(db: Knex, key: string, now: Date): Promise<void> {
  await db('sign_in_tries').where('key_hash', key).delete();
  await db('sign_in_tries')
    .where('last_at', '<', new Date(now.getTime() - FORGOTTEN_AFTER_MS))
    .delete();
}
