import type { Discipline, Link } from '../delivery/links';
import type { Evidence } from '../diagnosis/evidence';

/** Something that athletes say they think of, or were told, at one link of the delivery. */
export interface Thought {
  readonly id: string;
  readonly link: Link;
  readonly disciplines: readonly Discipline[];
  /** In the athlete's words. */
  readonly text: string;
  /** What it says in the diagnosis; null when it is harmless. */
  readonly evidence: Evidence | null;
}

const H: readonly Discipline[] = ['overhand'];
const W: readonly Discipline[] = ['windmill'];
const BOTH: readonly Discipline[] = ['overhand', 'windmill'];

/**
 * Typical thoughts, link by link. A wrong thought is a cause like any other, so those that are known to mislead carry evidence;
 * the rest are kept as they were said. Provenance `house`.
 */
export const THOUGHTS: readonly Thought[] = [
  { id: 'set-quiet', link: 'set', disciplines: BOTH, text: 'Start slow and quiet', evidence: null },
  { id: 'set-grip', link: 'set', disciplines: BOTH, text: 'My grip', evidence: null },
  { id: 'set-rock', link: 'set', disciplines: W, text: 'Load the weight back', evidence: null },
  {
    id: 'lift-balance',
    link: 'lift',
    disciplines: H,
    text: 'Get to a balance point and stop there',
    evidence: { kind: 'history', event: 'balance-drilled' },
  },
  { id: 'lift-high', link: 'lift', disciplines: H, text: 'Knee high', evidence: null },
  { id: 'lift-swing', link: 'lift', disciplines: W, text: 'Let the arm start the swing', evidence: null },
  {
    id: 'move-push',
    link: 'move',
    disciplines: BOTH,
    text: 'Push or jump off the rubber as hard as I can',
    evidence: { kind: 'history', event: 'told-to-push' },
  },
  {
    id: 'move-hip',
    link: 'move',
    disciplines: H,
    text: 'Throw the front hip out hard',
    evidence: { kind: 'eye', finding: 'hip-lead-overdone', answer: 'yes' },
  },
  {
    id: 'move-never-sit',
    link: 'move',
    disciplines: H,
    text: 'Never sit, never bend the back leg',
    evidence: { kind: 'eye', finding: 'sit-avoided', answer: 'yes' },
  },
  { id: 'move-long', link: 'move', disciplines: BOTH, text: 'A long step', evidence: null },
  {
    id: 'land-careful',
    link: 'land',
    disciplines: BOTH,
    text: 'Not falling; the slope or the landing scares me',
    evidence: { kind: 'eye', finding: 'fear-of-falling', answer: 'yes' },
  },
  { id: 'land-soft', link: 'land', disciplines: BOTH, text: 'Land softly', evidence: null },
  { id: 'land-closed', link: 'land', disciplines: H, text: 'Keep the front shoulder shut', evidence: null },
  { id: 'turn-hard', link: 'turn', disciplines: BOTH, text: 'Throw as hard as I can', evidence: null },
  { id: 'turn-glove', link: 'turn', disciplines: H, text: 'Pull the glove in', evidence: null },
  { id: 'turn-wrist', link: 'turn', disciplines: W, text: 'Snap the wrist', evidence: null },
  { id: 'finish-follow', link: 'finish', disciplines: BOTH, text: 'Follow through', evidence: null },
  { id: 'finish-up', link: 'finish', disciplines: W, text: 'Pull the hand up to the shoulder', evidence: null },
];

const BY_ID = new Map(THOUGHTS.map((thought) => [thought.id, thought]));

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
    const { evidence } = thoughtById(id);
    if (evidence) found.set(`thought:${id}`, evidence);
  }
  if (history.armPain) found.set('history:arm-pain', { kind: 'history', event: 'arm-pain' });
  if (history.elbowSurgery) found.set('history:elbow-surgery', { kind: 'history', event: 'elbow-surgery' });
  if (history.timeAway) found.set('history:time-away', { kind: 'history', event: 'time-away' });
  return found;
}
