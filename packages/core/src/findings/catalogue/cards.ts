import type { CueId, FindingId } from '../ids';

/** A word that was misread, explained on a card: what was heard, what is meant, and how to feel the difference. */
export interface CueCard {
  readonly heard: string;
  readonly meant: string;
  readonly tryIt: string;
}

const CARDS: Readonly<Record<CueId, CueCard>> = {
  'push-misread': {
    heard: '“Push” was heard as: crouch and leap.',
    meant: 'The body falls first; the leg only finishes what the fall began, out and not up.',
    tryIt: 'Say the word only when you are already falling. Once wrong on purpose, then three right.',
  },
  'balance-overtaught': {
    heard: '“Balance” was heard as: stop at the top.',
    meant: 'The lift may be slow, but it is never still: the hips already travel.',
    tryIt: 'Lift once with a stop and count two, then three times without any stop.',
  },
  'hip-lead-overdone': {
    heard: '“Lead with the hip” was heard as: throw the hip out.',
    meant: 'The hip leads by a hand’s width and the back hip stays tall.',
    tryIt: 'A hand between hip and wall: touch it, do not squash it.',
  },
  'sit-avoided': {
    heard: '“Don’t sit” was heard as: keep the leg straight.',
    meant: 'Sitting is right while you travel; what was meant is not to stop there.',
    tryIt: 'Brush a seat on the way and go on without standing up.',
  },
  'drill-not-transferred': {
    heard: 'The drill was taken for the goal.',
    meant: 'The drill is good only where the whole throw shows it.',
    tryIt: 'Two as drilled, then two from another place. The sign must go along.',
  },
  'wasted-effort': {
    heard: '“Harder” was heard as: more arm.',
    meant: 'More comes from the ground; the arm stays as it was.',
    tryIt: 'One easy, one hard, guess both readings. Find the easier one that is as fast.',
  },
  'fear-of-falling': {
    heard: '“Fall” sounds like getting hurt.',
    meant: 'You choose how far. The foot comes by itself when it has to.',
    tryIt: 'Say how sure you are from 0 to 10, fall to the wall, say it again.',
  },
  'pull-up-taught': {
    heard: '“Finish high” was heard as: lift the hand.',
    meant: 'The hand ends high only because it was fast; nobody has to carry it there.',
    tryIt: 'Let the arm fall across you once, limp. Then throw and let it end there.',
  },
  'snap-misread': {
    heard: '“Snap the wrist” was heard as: stiff arm, then flick.',
    meant: 'The snap comes of an elbow that leads and a loose forearm.',
    tryIt: 'Shake water off the fingers with a stiff arm, then with a loose one. The loose one splashes.',
  },
  'slam-taught': {
    heard: '“Slam the door” was heard as: close at once.',
    meant: 'The door closes behind the arm, not before it.',
    tryIt: 'Say “arm, door” aloud: the second word at release, never before.',
  },
};

/** The card of a misread word; null for a finding that is none. */
export const cardOf = (finding: FindingId): CueCard | null => (CARDS as Partial<Record<FindingId, CueCard>>)[finding] ?? null;
