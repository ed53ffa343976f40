import type { Discipline, Link } from '../delivery/links';
import type { Evidence } from './evidence';
import type { Times } from '../findings/types';

export const THOUGHT_IDS = [
  'set-quiet',
  'set-grip',
  'set-rock',
  'lift-balance',
  'lift-high',
  'lift-swing',
  'move-push',
  'move-hip',
  'move-never-sit',
  'move-long',
  'land-careful',
  'land-soft',
  'land-closed',
  'turn-hard',
  'turn-glove',
  'turn-slam',
  'turn-wrist',
  'finish-follow',
  'finish-up',
] as const;
export type ThoughtId = (typeof THOUGHT_IDS)[number];

/** Something that athletes say they think of, or were told by an earlier coach, at one link of the delivery. */
export interface Thought {
  readonly id: ThoughtId;
  readonly link: Link;
  readonly disciplines: readonly Discipline[];
  /** In the athlete's words. */
  readonly text: string;
  /** What it points at; empty when it is harmless. */
  readonly points: Times;
  /** Why it is harmless; null when it points at something. */
  readonly harmless: string | null;
}

const H: readonly Discipline[] = ['overhand'];
const W: readonly Discipline[] = ['windmill'];
const BOTH: readonly Discipline[] = ['overhand', 'windmill'];

const points = (id: ThoughtId, link: Link, disciplines: readonly Discipline[], text: string, at: Times): Thought => ({
  id,
  link,
  disciplines,
  text,
  points: at,
  harmless: null,
});
const harmless = (id: ThoughtId, link: Link, disciplines: readonly Discipline[], text: string, why: string): Thought => ({
  id,
  link,
  disciplines,
  text,
  points: [],
  harmless: why,
});

/** A word that is known to be misread: those who think of it have mostly misread it. */
const MISREAD = 8;
/** A thought that leads the movement astray more often than not. */
const LEADS_ASTRAY = 3;
/** A thought that goes along with it. */
const GOES_ALONG = 1.6;

/**
 * Typical thoughts, link by link. A wrong thought is a cause like any other, so each points at what it leads to, or says why it
 * does no harm. Provenance `house`.
 */
export const THOUGHTS: readonly Thought[] = [
  harmless('set-quiet', 'set', BOTH, 'Start slow and quiet', 'A quiet start is what is wanted.'),
  harmless('set-grip', 'set', BOTH, 'My grip', 'It is over before anything moves.'),
  harmless('set-rock', 'set', W, 'Load the weight back', 'The pitch starts so.'),
  points('lift-balance', 'lift', H, 'Get to a balance point and stop there', [['balance-overtaught', MISREAD]]),
  harmless('lift-high', 'lift', H, 'Knee high', 'How high the knee goes is style.'),
  points('lift-swing', 'lift', W, 'Let the arm start the swing', [['arm-only', GOES_ALONG]]),
  points('move-push', 'move', BOTH, 'Push or jump off the rubber as hard as I can', [['push-misread', MISREAD]]),
  points('move-hip', 'move', H, 'Throw the front hip out hard', [['hip-lead-overdone', MISREAD]]),
  points('move-never-sit', 'move', H, 'Never sit, never bend the back leg', [['sit-avoided', MISREAD]]),
  points('move-long', 'move', BOTH, 'A long step', [
    ['swing-open', GOES_ALONG],
    ['locked-landing', GOES_ALONG],
  ]),
  points('land-careful', 'land', BOTH, 'Not falling; the slope or the landing scares me', [['fear-of-falling', MISREAD]]),
  points('land-soft', 'land', BOTH, 'Land softly', [
    ['no-brace', GOES_ALONG],
    ['sunk-landing', GOES_ALONG],
  ]),
  points('land-closed', 'land', H, 'Keep the front shoulder shut', [['late-hips', GOES_ALONG]]),
  points('turn-hard', 'turn', BOTH, 'Throw as hard as I can', [['wasted-effort', LEADS_ASTRAY]]),
  points('turn-glove', 'turn', H, 'Pull the glove in', [['glove-pull', LEADS_ASTRAY]]),
  points('turn-slam', 'turn', W, 'Slam the hips shut', [['slam-taught', MISREAD]]),
  points('turn-wrist', 'turn', W, 'Snap the wrist', [['snap-misread', MISREAD]]),
  harmless('finish-follow', 'finish', BOTH, 'Follow through', 'It happens of itself.'),
  points('finish-up', 'finish', W, 'Pull the hand up to the shoulder', [['pull-up-taught', MISREAD]]),
];

const BY_ID = new Map<string, Thought>(THOUGHTS.map((thought) => [thought.id, thought]));

/** @throws RangeError for an unknown id */
export function thoughtById(id: string): Thought {
  const thought = BY_ID.get(id);
  if (!thought) throw new RangeError(`unknown thought “${id}”`);
  return thought;
}

export const thoughtsAt = (link: Link, discipline: Discipline): Thought[] =>
  THOUGHTS.filter((t) => t.link === link && t.disciplines.includes(discipline));

/** History as told at intake, with what it says in the diagnosis. */
export interface ToldHistory {
  readonly armPain: boolean;
  readonly elbowSurgery: boolean;
  readonly timeAway: boolean;
}

/** The evidence that an intake holds, each item under a key of its own. */
export function intakeEvidence(thoughts: readonly string[], history: ToldHistory): ReadonlyMap<string, Evidence> {
  const found = new Map<string, Evidence>();
  for (const id of thoughts) {
    const thought = thoughtById(id);
    // What does no harm is kept with the intake and says nothing of the delivery.
    if (thought.harmless === null) found.set(`thought:${id}`, { kind: 'told', thought: thought.id });
  }
  if (history.armPain) found.set('history:arm-pain', { kind: 'history', event: 'arm-pain' });
  if (history.elbowSurgery) found.set('history:elbow-surgery', { kind: 'history', event: 'elbow-surgery' });
  if (history.timeAway) found.set('history:time-away', { kind: 'history', event: 'time-away' });
  return found;
}
