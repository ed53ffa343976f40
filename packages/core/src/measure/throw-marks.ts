/** Marks as they come: which are known, how wrong they are, and how errors are carried. */
import { randomFrom } from '../shared/random';
import type { MarkedJoint, View } from './types';

/** A point in the delivery's own axes, metres or image units: x target, y glove side, z up. Unseen axes are 0. */
export type Point = readonly [x: number, y: number, z: number];

export type Axis = 0 | 1 | 2;

/** Something that a measure needs and the clip does not have. */
export class Missing extends Error {}

/** Longest gap between two marked frames that is bridged by a straight line, seconds. */
export const LONGEST_GAP_S = 0.12;

/** 1 SD of a mark that states none: two pixels, or a centimetre. */
export const USUAL_SD = { image: 2, space: 0.01 } as const;

/** Image to delivery axes. A left-hander's image is mirrored, so that all values mean the same for either hand. */
export function toDelivery(view: View, left: boolean, u: number, v: number): Point {
  const s = left ? -1 : 1;
  switch (view) {
    case 'side-open':
      return [s * u, 0, -v];
    case 'side-closed':
      return [-s * u, 0, -v];
    case 'front':
      return [0, s * u, -v];
    case 'rear':
      return [0, -s * u, -v];
    case 'top':
      return [-v, -s * u, 0];
    case '3d':
      return [0, 0, 0];
  }
}

export interface Known {
  readonly joint: MarkedJoint;
  readonly frame: number;
  /** Which of all marks it is, from 0. */
  readonly place: number;
  readonly at: Point;
  /** 1 SD of what errs from frame to frame by itself. */
  readonly jitter: number;
  /** 1 SD of what errs alike in all frames of the joint. */
  readonly offset: number;
  readonly tracked: boolean;
}

/** A hand errs anew on every frame; a tracker sees a joint off the same way for a while. Shares of the stated SD; from simulated clips. */
export const TRACKED_JITTER = 0.25;

export const TRACKED_OFFSET = Math.sqrt(1 - TRACKED_JITTER ** 2);

/** How far a tracker errs in a measure against what its joints state, by view: limbs that point at the camera are seen worst. Simulated clips. */
export const TRACKED_IN: Record<View, number> = {
  'side-open': 0.43,
  'side-closed': 0.55,
  front: 0.84,
  rear: 0.61,
  top: 1,
  '3d': 1,
};

/** Share of a suggested instant's variance that all throws of a set-up have in common; simulated clips. */
export const SUGGESTED_ALIKE = 0.8;

/** What errors come to in a formula: variances, and by how much jitter moves the mean. */
export interface Carried {
  readonly jitter: number;
  readonly shared: number;
  readonly bias: number;
}

/** Coordinates read beyond which errors are carried by draws instead of one by one. */
export const ONE_BY_ONE = 90;

export const DRAWS = 40;

export const NOWHERE: Point = [0, 0, 0];

const DRAWN = { random: randomFrom(20_24), run: [] as number[] };

/** The draw of this number, from 0, in a fixed run of standard normal ones: the same for every measure, so drawn once. */
export function drawnNormal(number: number): number {
  while (DRAWN.run.length <= number) DRAWN.run.push(DRAWN.random.normal(0, 1));
  return DRAWN.run[number]!;
}

/** Noise once more on top of noise adds √2 − 1 of what noise alone has added to the greatest of many values. */
export const NOISE_AGAIN = Math.SQRT2 - 1;

/** Half-width of the curve through marks about a moment, seconds: so little that even a hand at release hardly leaves a parabola. */
export const CURVE_S = 0.0105;
/** Fewer marks than this are gone through by a parabola anyway. */
export const CURVE_MARKS = 4;

export interface Weighed {
  readonly known: Known;
  readonly weight: number;
}

/** Where in a track, in order of time, the first mark of a frame or later stands. */
export function firstFrom(track: readonly Known[], frame: number): number {
  let low = 0;
  let high = track.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (track[middle]!.frame < frame) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * What each mark weighs in the height that a parabola through them, by least squares, has at a frame.
 * @param marks at least three, of different frames
 */
export function curveWeights(marks: readonly Known[], frame: number): readonly Weighed[] {
  const at = marks.map((known) => known.frame - frame);
  const power = (n: number) => at.reduce((sum, x) => sum + x ** n, 0);
  const [s0, s1, s2, s3, s4] = [at.length, power(1), power(2), power(3), power(4)];
  // First row of the inverse of the normal equations, by cofactors.
  const [a, b, c] = [s2 * s4 - s3 * s3, s2 * s3 - s1 * s4, s1 * s3 - s2 * s2];
  const whole = s0 * a + s1 * b + s2 * c;
  return marks.map((known, i) => ({ known, weight: (a + b * at[i]! + c * at[i]! ** 2) / whole }));
}
