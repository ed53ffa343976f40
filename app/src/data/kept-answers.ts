/**
 * What the server last answered, kept on the device for a cage without a signal. Each answer belongs to whoever it was given to;
 * it is shown when the server cannot be reached, and gone when they sign out or somebody else signs in.
 */
import { isOfAthlete, routeOf } from '@wrightonic/contract';
import type { RouteName, Topic } from '@wrightonic/contract';
import { answers } from './storage';
import type { KeptAnswer } from './storage';

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
  'camps',
  'camp',
  'athleteCamps',
]);
/** An answer that is older is no help any more. */
const DAYS_KEPT = 14;
const DAY_MS = 86_400_000;

export const isKept = (endpoint: string): boolean => KEPT_READS.has(endpoint);
/** What a kept read shows; the roster's pages are the read of athletes, page by page. */
export const showsOf = (endpoint: string): Topic | undefined =>
  routeOf(endpoint === 'rosterPages' ? 'athletes' : (endpoint as RouteName)).shows;

/** Whose device this is: the one who was signed in here last, until they sign out. */
const WHOSE = 'signed-in-here';
const device = (): Storage | null => (typeof localStorage === 'undefined' ? null : localStorage);
export const lastUser = (): string | null => device()?.getItem(WHOSE) ?? null;

/** A device whose store is full or closed keeps nothing and goes on: what is typed and tapped says so where it matters. */
const trying = async <T>(work: () => Promise<T>): Promise<T | null> => {
  try {
    return await work();
  } catch {
    return null;
  }
};

export interface Answered {
  /** What was asked, with everything behind the question mark. */
  readonly address: string;
  readonly shows: Topic | undefined;
  readonly data: unknown;
  readonly at: number;
}

/**
 * Keeps an answer.
 * @param user whose it is: of whoever has left meanwhile, or was followed by another, nothing is kept
 */
export async function keepAnswer(user: string, answered: Answered): Promise<void> {
  if (lastUser() === user) await trying(() => answers.put({ key: `${user} ${answered.address}`, user, ...answered }));
}

/** What was answered last, or null. */
export async function keptAnswer(user: string, address: string, now: number): Promise<KeptAnswer | null> {
  const kept = await trying(() => answers.get(`${user} ${address}`));
  return kept && now - kept.at < DAYS_KEPT * DAY_MS ? kept : null;
}

/** Whether an answer is of this athlete. */
const isOf = ({ address }: KeptAnswer, athlete: string): boolean =>
  /^\/athletes\/[^/?]+/.exec(address)?.[0] === `/athletes/${athlete}`;

/** A write has changed what reads tell, of one athlete or, without one, of all: they are to be asked again. */
export async function growOld(topics: readonly Topic[], athlete: string | undefined): Promise<void> {
  if (topics.length === 0) return;
  const changed = (kept: KeptAnswer) =>
    kept.shows !== undefined &&
    topics.includes(kept.shows) &&
    (athlete === undefined || !isOfAthlete(kept.shows) || isOf(kept, athlete));
  await trying(() => answers.each((kept) => (!kept.old && changed(kept) ? { ...kept, old: true } : kept)));
}

/** An athlete is not theirs to see any more, or is gone: nothing of them stays. */
export async function forgetAthlete(athlete: string): Promise<void> {
  await trying(() => answers.each((kept) => (isOf(kept, athlete) ? null : kept)));
}

/** Somebody is signed in here: what others were answered goes, and what is too old. */
export async function deviceIsOf(user: string, now: number): Promise<void> {
  if (lastUser() === user) return;
  device()?.setItem(WHOSE, user);
  await trying(() => answers.each((kept) => (kept.user !== user || now - kept.at >= DAYS_KEPT * DAY_MS ? null : kept)));
}

/** Whoever was signed in here has left: nothing that they were answered stays. */
export async function emptyAnswers(user: string): Promise<void> {
  device()?.removeItem(WHOSE);
  await trying(() => answers.each((kept) => (kept.user === user ? null : kept)));
}
