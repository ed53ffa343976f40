import { addDays } from '../shared/dates';
import type { IsoDate } from '../shared/dates';

export const PAIN_SITES = [
  'elbow',
  'shoulder',
  'upper-arm',
  'forearm',
  'wrist',
  'hand',
  'neck',
  'back',
  'hip',
  'groin',
  'thigh',
  'knee',
  'shin',
  'ankle',
  'foot',
  'other',
] as const;
export type PainSite = (typeof PAIN_SITES)[number];
export const PAIN_SIGNS = ['numbness', 'swelling', 'night', 'motion'] as const;
export type PainSign = (typeof PAIN_SIGNS)[number];

export interface PainReport {
  readonly site: PainSite;
  /** 0 none to 10 worst. */
  readonly score: number;
  readonly signs?: readonly PainSign[];
}

/** A licensed clinician's clearance, as a named adult recorded it. The tool applies it and adds nothing. */
export interface Clearance {
  readonly date: IsoDate;
  readonly by: string;
  readonly limits?: string;
  /** Last day on which it holds. */
  readonly until?: IsoDate;
}

export interface Lock {
  readonly reason: string;
  /** 'clearance', or the first date on which throwing is open again. */
  readonly until: string;
}

const ARM: ReadonlySet<PainSite> = new Set(['elbow', 'shoulder', 'upper-arm', 'forearm', 'wrist', 'hand']);
const THROWING_JOINTS: ReadonlySet<PainSite> = new Set(['elbow', 'shoulder']);
const SIGN_WORDS: Record<PainSign, string> = {
  numbness: 'numbness',
  swelling: 'swelling',
  night: 'pain at night',
  motion: 'loss of motion',
};

export const isArm = (site: PainSite): boolean => ARM.has(site);
export const stopsThrowing = (pain: PainReport): boolean => THROWING_JOINTS.has(pain.site) && pain.score >= 1;

/** The worst arm pain of a session, 0 without any. */
export const armPain = (reports: readonly PainReport[]): number =>
  Math.max(0, ...reports.filter((p) => isArm(p.site)).map((p) => p.score));

interface PainDay {
  readonly date: IsoDate;
  readonly pain: readonly PainReport[];
}

/** What a day's reports lock until cleared, given the session before; null when nothing. */
function clearanceReason(day: PainDay, before: PainDay | undefined): string | null {
  for (const pain of day.pain) {
    const sign = pain.signs?.[0];
    if (sign) return `${SIGN_WORDS[sign]} was reported with the ${pain.site} on ${day.date}`;
    if (THROWING_JOINTS.has(pain.site) && pain.score >= 3)
      return `${pain.site} pain of ${pain.score} was reported on ${day.date}`;
  }
  if (before && armPain(day.pain) > 0 && armPain(before.pain) > 0)
    return `arm pain was reported two sessions running, on ${before.date} and ${day.date}`;
  return null;
}

/**
 * Whether throwing is locked on a day.
 * @param sessions one entry for each day with a session, in date order, none after `on`
 */
export function throwingLock(sessions: readonly PainDay[], clearances: readonly Clearance[], on: IsoDate): Lock | null {
  let reason: string | null = null;
  let since: IsoDate | null = null;
  sessions.forEach((day, i) => {
    const found = clearanceReason(day, sessions[i - 1]);
    if (found) {
      reason = found;
      since = day.date;
    }
  });
  if (reason !== null && since !== null) {
    const locked: IsoDate = since;
    const cleared = clearances.find((c) => c.date >= locked && c.date <= on && (c.until === undefined || c.until >= on));
    if (!cleared) {
      const expired = clearances.some((c) => c.date >= locked && c.until !== undefined && c.until < on);
      return {
        reason: `Throwing is locked: ${reason as string}. ${expired ? 'The clearance has expired; a' : 'A'} licensed clinician’s clearance must be recorded first.`,
        until: 'clearance',
      };
    }
  }
  const today = sessions.find((day) => day.date === on)?.pain.find(stopsThrowing);
  if (today)
    return { reason: `No more throwing today: ${today.site} pain of ${today.score} was reported.`, until: addDays(on, 1) };
  return null;
}
