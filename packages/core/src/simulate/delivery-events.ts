/** Finds the events of a made-up delivery in the movement of its joints. */
import type { Joint, JointPositions, Vector } from '../delivery/body';
import type { Discipline } from '../delivery/links';
import type { Delivery } from './faults';
import { KEYS } from './upper-body';
import { vectorOf } from '../delivery/body';

const STEP = 0.002;
/** Two thirds so many times leave a billionth of a step. */
const THIRDS = 50;

/** First time at which a test holds after `from`, by steps and then by halving. */
function firstTime(from: number, to: number, holds: (t: number) => boolean): number | null {
  for (let t = from; t <= to; t += STEP)
    if (holds(t)) {
      let [low, high] = [t - STEP, t];
      for (let n = 0; n < 30; n++) {
        const middle = (low + high) / 2;
        if (holds(middle)) high = middle;
        else low = middle;
      }
      return high;
    }
  return null;
}

/** Time of the greatest value, by steps and then by thirds. */
function timeOfMost(from: number, to: number, value: (t: number) => number): number {
  let [best, most] = [from, -Infinity];
  for (let t = from; t <= to; t += STEP) {
    const found = value(t);
    if (found > most) [best, most] = [t, found];
  }
  let [low, high] = [best - STEP, best + STEP];
  for (let n = 0; n < THIRDS; n++) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (value(a) < value(b)) low = a;
    else high = b;
  }
  return (low + high) / 2;
}

interface LegTimes {
  readonly land: number;
  readonly release: number;
  readonly end: number;
  readonly peel: number;
}

/** True instants of a delivery's events, seconds from the set; what does not happen in the discipline is left out. */
export function eventsOf(
  discipline: Discipline,
  joints: (t: number) => JointPositions,
  { land, release, end, peel }: LegTimes,
  keyTimes: readonly number[],
): Delivery['events'] {
  const { lift, move } = KEYS[discipline];
  const overhand = discipline === 'overhand';
  const z = (joint: Joint) => (t: number) => joints(t)[joint][2];
  const forwardSpeedOf = (joint: Joint) => (t: number) => joints(t + STEP)[joint][0] - joints(t - STEP)[joint][0];
  const apart = (t: number) => {
    const j = joints(t);
    return Math.hypot(...[0, 1, 2].map((a) => j['throwing-wrist'][a]! - j['glove-wrist'][a]!));
  };
  const together = apart(keyTimes[lift]!);
  const start = joints(0);
  const moved = (t: number) => Math.hypot(...[0, 1, 2].map((a) => joints(t)['lead-knee'][a]! - start['lead-knee'][a]!)) > 0.02;
  const armAt = (clock: (j: JointPositions) => boolean, from: number, to: number) =>
    overhand ? null : firstTime(from, to, (t) => clock(joints(t)));
  const hand = (j: JointPositions): Vector => vectorOf((a) => j['throwing-wrist'][a] - j['throwing-shoulder'][a]);
  const lifted = overhand ? timeOfMost(0.2, keyTimes[move]!, z('lead-knee')) : keyTimes[lift]!;
  const speedOf = (joint: Joint) => (t: number) => {
    const [a, b] = [joints(t - STEP)[joint], joints(t + STEP)[joint]];
    return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  };
  const arrival = (joint: Joint): number | null => {
    const speed = speedOf(joint);
    const fastest = timeOfMost(release - 0.08, end - STEP, speed);
    const slow = 0.2 * speed(fastest);
    return firstTime(fastest, end - STEP, (t) => speed(t) < slow);
  };
  const found: Record<string, number | null> = {
    set: 0,
    'first-move': firstTime(0, land, moved),
    'peak-knee': overhand ? lifted : null,
    'hand-break': overhand ? firstTime(keyTimes[lift]! * 0.7, land, (t) => apart(t) > together + 0.08) : null,
    'mid-move': (lifted + land) / 2,
    'deepest-load': overhand ? (lifted + 2 * land) / 3 : null,
    'hand-up': overhand
      ? firstTime(keyTimes[lift]!, release, (t) => joints(t)['throwing-wrist'][2] >= joints(t)['throwing-shoulder'][2])
      : null,
    'heel-off': peel,
    'toe-off': firstTime(peel, end, (t) => joints(t)['drive-toe'][0] > start['drive-toe'][0] + 0.025 || z('drive-toe')(t) > 0.04),
    'arm-3-oclock': armAt((j) => hand(j)[0] > 0 && hand(j)[2] >= 0, 0.25, land),
    'arm-12-oclock': armAt((j) => hand(j)[2] > 0 && hand(j)[0] <= 0, keyTimes[lift]!, land),
    'arm-9-oclock': armAt((j) => hand(j)[0] < 0 && hand(j)[2] <= 0, land - 0.05, release),
    contact: land,
    'foot-flat': land + 0.03,
    'trunk-square': firstTime(land - 0.1, end, (t) => trunkTurn(joints(t)) >= 90),
    // The ball leaves the hand where it goes fastest to the target.
    release: overhand ? timeOfMost(land + 0.04, land + 0.26, forwardSpeedOf('throwing-hand')) : release,
    // The trailing foot has arrived: it is slower than a fifth of its fastest.
    finish: overhand ? end : (arrival('drive-ankle') ?? end),
  };
  return Object.fromEntries(Object.entries(found).filter((entry): entry is [string, number] => entry[1] !== null));
}

function trunkTurn(j: JointPositions): number {
  const [a, b] = [j['throwing-shoulder'], j['glove-shoulder']];
  return (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
}
