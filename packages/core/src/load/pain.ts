import type { Moment } from './moment';

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
  /** When on its day it was reported; without it, at the end of the day. */
  readonly at?: Moment['at'];
}

/** A sign as a sentence says it. */
export const SIGN_WORDS: Record<PainSign, string> = {
  numbness: 'numbness',
  swelling: 'swelling',
  night: 'pain at night',
  motion: 'loss of motion',
};

const ARM: ReadonlySet<PainSite> = new Set(['elbow', 'shoulder', 'upper-arm', 'forearm', 'wrist', 'hand']);
const THROWING_JOINTS: ReadonlySet<PainSite> = new Set(['elbow', 'shoulder']);
/** From this score on pain anywhere else stops the day's work, and at a throwing joint locks. */
const STRONG = 3;

export const isArm = (site: PainSite): boolean => ARM.has(site);
export const isThrowingJoint = (site: PainSite): boolean => THROWING_JOINTS.has(site);
export const isStrong = (pain: PainReport): boolean => pain.score >= STRONG;
export const firstSign = (pain: PainReport): PainSign | null => pain.signs?.[0] ?? null;

/** Whether a report says anything: a score above nought or a sign. */
export const hurts = (pain: PainReport): boolean => pain.score > 0 || firstSign(pain) !== null;

/** What was reported, as a sentence says it: its score, or the sign alone. */
export function painWords(pain: PainReport): string {
  const sign = firstSign(pain);
  return sign !== null && pain.score === 0 ? `${SIGN_WORDS[sign]} with the ${pain.site}` : `${pain.site} pain of ${pain.score}`;
}

/** Pain away from the arm that stops leg work and throws of its day. */
export const stopsLegs = (pain: PainReport): boolean => !isArm(pain.site) && isStrong(pain);

/** Pain that ends throwing for its day: any at elbow or shoulder, strong pain anywhere, or one of the four signs. */
export const stopsThrowing = (pain: PainReport): boolean =>
  (isThrowingJoint(pain.site) && pain.score >= 1) || isStrong(pain) || firstSign(pain) !== null;

const worst = (reports: readonly PainReport[]): number => Math.max(0, ...reports.map((p) => p.score));

/** The worst arm pain of a session, 0 without any. */
export const armPain = (reports: readonly PainReport[]): number => worst(reports.filter((p) => isArm(p.site)));

/** The pain by which a gate goes back: of the arm, or elsewhere where it stopped the work; 0 without any. */
export const gatePain = (reports: readonly PainReport[]): number => worst(reports.filter((p) => isArm(p.site) || isStrong(p)));

/** The report that says most, of several; the same one in whatever order they stand. */
export function strongest(reports: readonly PainReport[]): PainReport | undefined {
  const key = (p: PainReport) => `${String(10 - p.score).padStart(6, '0')} ${p.site} ${(p.signs ?? []).join()} ${p.at ?? ''}`;
  return [...reports].sort((a, b) => (key(a) < key(b) ? -1 : 1))[0];
}
