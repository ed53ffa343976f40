/** What formulas read from a throw: turns, tilts and speeds, peaks and instants, each over the frames that are marked. */
import { median } from 'simple-statistics';
import type { DeliveryEvent } from '../delivery/measures';
import { flexion, flexionInPlane, lean, length, middle, minus, rotation, wrapped } from './geometry';
import { arrivalOf, peakOf, slopes, smooth } from './series';
import type { Sample } from './series';
import { Missing } from './throw-marks';
import type { Throw } from './throw';
import type { MarkedJoint } from './types';

type MarkableEvent = Exclude<DeliveryEvent, 'max'>;

/** Half-width of the straight line that a speed is read from, seconds. */
const SLOPE_S = 0.025;
/** The hips go and turn more slowly than the arm: a longer line reads their speed better. */
const TRAVEL_S = 0.06;
const TURN_S = 0.04;
export const ONSET_SHARE = 0.2;
export const INCH = 0.0254;

export const frameOf = (t: Throw, event: DeliveryEvent): number => t.event(event as MarkableEvent);
export const ms = (t: Throw, frames: number): number => (1000 * frames) / t.request.fps;
export const percentOfHeight = (t: Throw, metres: number): number => {
  t.requireScale();
  return (100 * metres) / t.request.heightM;
};
export const midHip = (t: Throw, f: number) => middle(t.at('drive-hip', f), t.at('lead-hip', f));
export const midShoulder = (t: Throw, f: number) => middle(t.at('throwing-shoulder', f), t.at('glove-shoulder', f));
export const pelvisTurn = (t: Throw, f: number) => rotation(t.at('drive-hip', f), t.at('lead-hip', f));
export const trunkTurn = (t: Throw, f: number) => rotation(t.at('throwing-shoulder', f), t.at('glove-shoulder', f));
export const separation = (t: Throw, f: number) => wrapped(pelvisTurn(t, f) - trunkTurn(t, f));
/** Turn of a line by how wide it looks from the front, against the widest it is seen. */
function turnByWidth(t: Throw, from: MarkedJoint, to: MarkedJoint, frame: number): number {
  const wide = (f: number) => t.at(to, f)[1] - t.at(from, f)[1];
  const widest = Math.max(...t.framesOf([from, to], -Infinity, Infinity).map((f) => Math.abs(wide(f))));
  if (!(widest > 0)) throw new Missing('the marked joints lie on one another');
  return (Math.asin(Math.max(-1, Math.min(1, wide(frame) / widest))) * 180) / Math.PI;
}
/** Separation as far as it can be told from the front. */
export const separationByWidth = (t: Throw, f: number) =>
  turnByWidth(t, 'drive-hip', 'lead-hip', f) - turnByWidth(t, 'throwing-shoulder', 'glove-shoulder', f);
/**
 * The front foot stands from contact to release. Where it is nearer to where the back foot was at contact, one leg was taken for the
 * other, and nothing of either can be told.
 * @throws Missing
 */
export function requireStanding(t: Throw, f: number): void {
  if (!t.has('contact') || f <= t.event('contact')) return;
  const contact = t.event('contact');
  const now = t.at('lead-ankle', f);
  const from = (joint: 'lead-ankle' | 'drive-ankle') => Math.hypot(...minus(now, t.at(joint, contact)));
  if (from('lead-ankle') > from('drive-ankle'))
    throw new Missing(
      'the front foot is not where it landed: one leg is taken for the other; set the joints by hand round release',
    );
}

/** How far a knee is bent, degrees; it bends to the front, so that from the side a knee bent backwards is below 0. */
export function kneeBent(t: Throw, side: 'drive' | 'lead', f: number): number {
  const joints = [t.at(`${side}-hip`, f), t.at(`${side}-knee`, f), t.at(`${side}-ankle`, f)] as const;
  return t.request.view === '3d' ? flexion(...joints) : flexionInPlane(...joints, -1);
}
export const half = (t: Throw, seconds = SLOPE_S): number => Math.max(1.01, seconds * t.request.fps);

/** @throws Missing with fewer frames than a speed needs */
export function series(
  t: Throw,
  joints: readonly MarkedJoint[],
  from: number,
  to: number,
  value: (f: number) => number,
): Sample[] {
  const frames = t.framesOf(joints, from, to);
  if (frames.length < 5) throw new Missing('too few frames in a row are marked to read a speed');
  return frames.map((f) => ({ t: f, v: value(f) }));
}

export const HIPS: readonly [MarkedJoint, MarkedJoint] = ['drive-hip', 'lead-hip'];

/** Speed of the pelvis' turn over time, degrees a frame, without jumps at ±180. */
function turnSpeed(t: Throw): Sample[] {
  const contact = t.event('contact');
  const window = t.request.fps;
  const turn = series(t, HIPS, contact - 0.35 * window, contact + 0.2 * window, (f) => pelvisTurn(t, f));
  let base = 0;
  const unwrapped = turn.map((s, i) => {
    if (i > 0) {
      const step = s.v - turn[i - 1]!.v;
      base += step > 180 ? -360 : step < -180 ? 360 : 0;
    }
    return { t: s.t, v: s.v + base };
  });
  return slopes(unwrapped, half(t, TURN_S));
}

export function turnPeak(t: Throw): { speeds: Sample[]; peak: Sample } {
  const speeds = turnSpeed(t);
  const peak = peakOf(speeds);
  if (!peak || peak.v <= 0) throw new Missing('the turn of the hips has no peak in the marked frames');
  return { speeds, peak };
}

/** First frame before contact at which the throwing wrist reaches the shoulder, when nobody marked it. */
export function handUp(t: Throw): number {
  if (t.has('hand-up')) return t.event('hand-up');
  const contact = t.event('contact');
  const rise = series(
    t,
    ['throwing-wrist', 'throwing-shoulder'],
    contact - 0.3 * t.request.fps,
    contact + 0.15 * t.request.fps,
    (f) => t.at('throwing-wrist', f)[2] - t.at('throwing-shoulder', f)[2],
  );
  for (let i = 1; i < rise.length; i++) {
    const [a, b] = [rise[i - 1]!, rise[i]!];
    if (a.v < 0 && b.v >= 0) return a.t + (-a.v / (b.v - a.v)) * (b.t - a.t);
  }
  throw new Missing('the hand does not pass shoulder height in the marked frames');
}

export function speedOfHips(t: Throw, from: number, to: number): Sample[] {
  return slopes(
    series(t, HIPS, from, to, (f) => midHip(t, f)[0]),
    half(t, TRAVEL_S),
  );
}

/** Instant of greatest extension of an angle, in a window. */
export function straightest(
  t: Throw,
  joints: readonly [MarkedJoint, MarkedJoint, MarkedJoint],
  from: number,
  to: number,
): number {
  const [a, b, c] = joints;
  return mostOf(t, joints, from, to, (f) => -flexion(t.at(a, f), t.at(b, f), t.at(c, f)));
}

/**
 * By how much a knee straightens in a stretch of time, from where it is at its beginning to its straightest after that, degrees.
 * @throws Missing where its beginning is not marked
 */
export function straightens(t: Throw, side: 'drive' | 'lead', from: number, to: number): number {
  const joints = [`${side}-hip`, `${side}-knee`, `${side}-ankle`] as const;
  const bent = smooth(
    series(t, joints, from, to, (f) => kneeBent(t, side, f)),
    half(t, 0.015),
  );
  const first = bent.filter((s) => s.t <= from + 0.05 * t.request.fps);
  if (first.length === 0) throw new Missing('the push-off is not marked from its beginning on');
  return median(first.map((s) => s.v)) - Math.min(...bent.map((s) => s.v));
}

/** How far the drive thigh is behind the line of the trunk in the plane of the throw, degrees. */
export function hipExtension(t: Throw, f: number): number {
  const thigh = lean(t.at('drive-knee', f), t.at('drive-hip', f), 0);
  return thigh - lean(midHip(t, f), midShoulder(t, f), 0);
}

/** An angle is at its greatest while it is within so many degrees of it: a straight joint stays straight for a while. */
const AT_ITS_MOST = 8;

/** Middle of the time in which an angle is at its greatest. */
export function mostOf(t: Throw, joints: readonly MarkedJoint[], from: number, to: number, value: (f: number) => number): number {
  const angles = smooth(series(t, [...new Set(joints)], from, to, value), half(t, 0.015));
  const most = Math.max(...angles.map(({ v }) => v));
  const top = angles.findIndex(({ v }) => v === most);
  const level = most - AT_ITS_MOST;
  let [first, last] = [top, top];
  while (first > 0 && angles[first - 1]!.v >= level) first--;
  while (last < angles.length - 1 && angles[last + 1]!.v >= level) last++;
  return (angles[first]!.t + angles[last]!.t) / 2;
}

/** Instant at which a joint has arrived, seen from the side: its speed has fallen under a fifth of its peak. */
export function arrival(t: Throw, joint: MarkedJoint, from: number, to: number): number {
  const frames = t.framesOf([joint], from, to);
  if (frames.length < 5) throw new Missing(`the ${joint.replace('-', ' ')} is marked in too few frames in a row`);
  const tracks = ([0, 2] as const).map((axis) =>
    slopes(
      frames.map((f) => ({ t: f, v: t.at(joint, f)[axis] })),
      half(t),
    ),
  );
  const speed = (tracks[0] ?? []).map((s, i) => ({ t: s.t, v: Math.hypot(...tracks.map((track) => track[i]?.v ?? 0)) }));
  const peak = peakOf(speed);
  const arrived = peak && arrivalOf(speed, peak, ONSET_SHARE);
  if (arrived === null) throw new Missing(`the ${joint.replace('-', ' ')} does not come to rest in the marked frames`);
  return arrived;
}

/** Greatest distance between two joints that the view shows in the throw. */
export const widest = (t: Throw, [a, b]: readonly [MarkedJoint, MarkedJoint]): number =>
  Math.max(0, ...t.framesOf([a, b], -Infinity, Infinity).map((f) => length(minus(t.at(a, f), t.at(b, f)))));

/** Length of the shank where the view shows it longest. */
export function shank(t: Throw, side: 'drive' | 'lead'): number {
  const longest = widest(t, [`${side}-knee`, `${side}-ankle`]);
  if (longest === 0) throw new Missing(`the ${side} knee and ankle are not marked together`);
  return longest;
}

export const spread = (times: readonly number[]): number => Math.max(...times) - Math.min(...times);
