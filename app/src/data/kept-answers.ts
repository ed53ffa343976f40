/**
 * What the server last answered, kept on the device for a cage without a signal. Each answer belongs to whoever it was given to;
 * it is shown when the server cannot be reached, and gone when they sign out or somebody else signs in.
 */
import type { RouteName } from '@wrightonic/contract';
import { answers } from './storage';

/** Reads of a day's work. Lists of people, the record of who did what and exports are not for a device to keep. */
const KEPT_READS: ReadonlySet<string> = new Set<RouteName | 'rosterPages'>([
  'me',
  'today',
  'athletes',
  'rosterPages',
  'groups',
  'library',
  'athlete',
  'work',
  'diagnosis',
  'plan',
  'progress',
  'session',
  'body',
  'intake',
  'clips',
  'clip',
]);
/** An answer that is older is no help any more. */
const DAYS_KEPT = 14;
const DAY_MS = 86_400_000;

export const isKept = (endpoint: string): boolean => KEPT_READS.has(endpoint);

/** Whose device this is: the one who was signed in here last, until they sign out. */
const WHOSE = 'signed-in-here';
const device = (): Storage | null => (typeof localStorage === 'undefined' ? null : localStorage);
export const lastUser = (): string | null => device()?.getItem(WHOSE) ?? null;

/**
 * Keeps an answer. A device that keeps nothing goes on without.
 * @param user whose answer it is
 * @param address what was asked, with everything behind the question mark
 */
export async function keepAnswer(user: string, address: string, data: unknown, at: number): Promise<void> {
  // Whoever has left meanwhile, or was followed by another, is kept nothing of.
  if (lastUser() !== user) return;
  try {
    await answers.put({ key: `${user} ${address}`, user, at, data });
  } catch {
    // Full or closed: what is typed and tapped says so where it matters.
  }
}

/** What was answered last, or null. */
export async function keptAnswer(
  user: string,
  address: string,
  now: number,
): Promise<{ readonly data: unknown; readonly at: number } | null> {
  try {
    const kept = await answers.get(`${user} ${address}`);
    return kept && kept.user === user && now - kept.at < DAYS_KEPT * DAY_MS ? kept : null;
  } catch {
    return null;
  }
}

/** Somebody is signed in here: what others were answered goes, and what is too old. */
export async function deviceIsOf(user: string, now: number): Promise<void> {
  if (lastUser() === user) return;
  try {
    device()?.setItem(WHOSE, user);
    await answers.removeWhere((kept) => kept.user !== user || now - kept.at >= DAYS_KEPT * DAY_MS);
  } catch {
    // As above.
  }
}

/** Whoever was signed in here has left: nothing that they were answered stays. */
export async function emptyAnswers(user: string): Promise<void> {
  device()?.removeItem(WHOSE);
  try {
    await answers.removeWhere((kept) => kept.user === user);
  } catch {
    // A store that does not open shows nobody anything either.
  }
}
