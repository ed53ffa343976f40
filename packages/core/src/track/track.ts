import type { Hand } from '../delivery/sides';
import { smooth } from '../measure/series';
import type { MarkedFrame, MarkedJoint, MarkedPoint } from '../measure/types';
import { round } from '../shared/maths';
import { JOINTS_OF, LIMBS, posePoints, throwingIndex } from './landmarks';
import type { Pair, PoseFrame, PosePoints, SeenPoint } from './landmarks';

/**
 * 1 SD of a tracked joint, as a share of the athlete's height in the picture. Provenance: the shipped model on rendered clips of
 * made-up athletes, `npm run accuracy`.
 */
const TRACKED_SD: Record<string, number> = {
  head: 0.008,
  neck: 0.016,
  shoulder: 0.012,
  elbow: 0.019,
  wrist: 0.027,
  hip: 0.012,
  knee: 0.015,
  ankle: 0.012,
  heel: 0.015,
  toe: 0.02,
};
/** A joint seen less surely than this is worth half as much. */
const UNSURE = 0.5;
/** Half-width of the lines by which jitter is taken out, seconds. */
const SMOOTH_S = 0.02;
/** A joint that leaps further than this from the median of its neighbours, in heights, is a slip of the model. */
const LEAP = 0.13;
const NEIGHBOURS_S = 0.06;
/** The throwing hand is the faster one: when the other is so much faster, the hands were taken for one another. */
const FASTER = 1.25;
/** Hands nearer than this, in heights, cannot be told apart. */
const TOGETHER = 0.09;
/** Cost of taking left for right, in heights: much where the clip begins, for an athlete at the set is seen well; hardly any later. */
const SWAP_COST = { first: 0.5, second: 0.6 } as const;
/** Shoulders and hips that look at least so wide, in heights, tell which way a body faces; shoulders that run against the hips cost so much a second. */
const WIDE = { shoulders: 0.07, hips: 0.04 } as const;
const CROSSED_COST = 3;
/** The neck's joint lies above the middle of the shoulders, the head's about the ears, as shares of the trunk. */
const NECK_UP = 0.06;

export interface TrackRequest {
  readonly frames: readonly PoseFrame[];
  /** Size of the picture, pixels. */
  readonly width: number;
  readonly height: number;
  readonly fps: number;
  readonly throws: Hand;
}

export interface TrackResult {
  readonly frames: readonly MarkedFrame[];
  /** The athlete's height in the picture, pixels. */
  readonly tall: number;
}

const apart = (a: SeenPoint, b: SeenPoint): number => Math.hypot(a.x - b.x, a.y - b.y);
const turned = (pair: Pair, swap: boolean): Pair => (swap ? [pair[1], pair[0]] : pair);
const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** The athlete's height in the picture: from the ears to the ankles where they are furthest apart. */
function heightSeen(points: readonly PosePoints[]): number {
  const spans = points.map(({ parts: { ear, ankle } }) => Math.max(ankle[0].y, ankle[1].y) - Math.min(ear[0].y, ear[1].y));
  spans.sort((a, b) => a - b);
  return Math.max(1, (spans[Math.floor(0.9 * (spans.length - 1))] ?? 1) / 0.89);
}

/**
 * Which frames have left and right of a group taken for one another: the calmest way through all frames, by dynamic programming; a
 * frame by itself is believed a little more as it is.
 * @param unlikely what a frame costs by itself when its left and right stay (0) or change places (1), in heights
 */
function swaps(
  points: readonly PosePoints[],
  group: readonly (keyof PosePoints['parts'])[],
  height: number,
  fps: number,
  unlikely: (frame: number, state: 0 | 1) => number = () => 0,
): boolean[] {
  const n = points.length;
  if (n === 0) return [];
  const move = (i: number, a: boolean, b: boolean): number =>
    group.reduce((sum, part) => {
      const [from, to] = [turned(points[i - 1]!.parts[part], a), turned(points[i]!.parts[part], b)];
      return sum + (apart(from[0], to[0]) + apart(from[1], to[1])) / height;
    }, 0);
  const cost: [number, number][] = [[unlikely(0, 0), SWAP_COST.first + unlikely(0, 1)]];
  const from: [0 | 1, 0 | 1][] = [[0, 0]];
  for (let i = 1; i < n; i++) {
    const best = ([0, 1] as const).map((to) => {
      const [keep, cross] = [cost[i - 1]![to] + move(i, to === 1, to === 1), cost[i - 1]![1 - to]! + move(i, to === 0, to === 1)];
      const was = keep <= cross ? to : ((1 - to) as 0 | 1);
      return [Math.min(keep, cross) + (to === 1 ? SWAP_COST.second / fps : 0) + unlikely(i, to), was] as const;
    });
    cost.push([best[0]![0], best[1]![0]]);
    from.push([best[0]![1], best[1]![1]]);
  }
  const way: boolean[] = [];
  let state: 0 | 1 = cost[n - 1]![0] <= cost[n - 1]![1] ? 0 : 1;
  for (let i = n - 1; i >= 0; i--) {
    way[i] = state === 1;
    state = from[i]![state];
  }
  return way;
}

/** Whether the shoulders run the other way than the hips, where both look wide: a body cannot be turned so far in itself. */
function runAgainst({ parts }: PosePoints, arms: boolean, legs: boolean, height: number): boolean {
  const across = ([left, right]: Pair): number => (right.x - left.x) / height;
  const [shoulders, hips] = [across(turned(parts.shoulder, arms)), across(turned(parts.hip, legs))];
  return Math.abs(shoulders) > WIDE.shoulders && Math.abs(hips) > WIDE.hips && shoulders * hips < 0;
}

/** Frame index from which the hands were taken for one another; null when the throwing hand is the fast one. */
function handsTakenFrom(
  wrists: readonly Pair[],
  points: readonly PosePoints[],
  height: number,
  fps: number,
  throwing: 0 | 1,
): number | null {
  // Over a few frames, so that a slip of one frame is no speed.
  const apartBy = Math.max(1, Math.round(0.03 * fps));
  const speeds = (side: 0 | 1): number[] =>
    wrists.map((pair, n) => {
      const before = wrists[n - apartBy];
      return before ? apart(before[side], pair[side]) / (points[n]!.frame - points[n - apartBy]!.frame) : 0;
    });
  // Nearly the greatest: where left and right change places, both hands leap once.
  const fast = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[Math.floor(0.95 * (list.length - 1))] ?? 0;
  const glove = speeds((1 - throwing) as 0 | 1);
  if (fast(glove) < FASTER * fast(speeds(throwing))) return null;
  const fastAt = glove.findIndex((speed) => speed >= fast(glove));
  for (let n = fastAt; n >= 0; n--) if (apart(...wrists[n]!) < TOGETHER * height) return n;
  return 0;
}

interface Track {
  readonly joint: MarkedJoint;
  readonly sd: number;
  readonly at: { readonly frame: number; readonly x: number; readonly y: number; readonly seen: number }[];
}

/** A track without leaps and jitter; what leapt is left out, and lies between its neighbours. */
function calmed(track: Track, height: number, fps: number): Track {
  const reach = Math.max(2, NEIGHBOURS_S * fps);
  let [from, to] = [0, 0];
  const kept = track.at.filter((p) => {
    while (track.at[from]!.frame < p.frame - reach) from++;
    while (to < track.at.length && track.at[to]!.frame <= p.frame + reach) to++;
    const around = track.at.slice(from, to);
    return Math.hypot(p.x - median(around.map((q) => q.x)), p.y - median(around.map((q) => q.y))) <= LEAP * height;
  });
  const half = Math.max(1.01, SMOOTH_S * fps);
  const line = (axis: 'x' | 'y') =>
    new Map(
      smooth(
        kept.map((p) => ({ t: p.frame, v: p[axis] })),
        half,
      ).map((s) => [s.t, s.v]),
    );
  const [xs, ys] = [line('x'), line('y')];
  return { ...track, at: kept.map((p) => ({ ...p, x: xs.get(p.frame) ?? p.x, y: ys.get(p.frame) ?? p.y })) };
}

/**
 * Joints of a throw from what a pose model says of its frames: left and right made one way through, roles by the throwing hand, leaps
 * taken out, each with its error. Frames in which nobody was found, or a joint leapt, are without it.
 */
export function trackedJoints({ frames, width, height, fps, throws }: TrackRequest): TrackResult {
  const points = posePoints(frames, width, height);
  const tall = heightSeen(points);
  const legs = swaps(points, LIMBS.legs, tall, fps);
  const crossed = (n: number, arms: boolean): boolean => runAgainst(points[n]!, arms, legs[n]!, tall);
  const arms = swaps(points, LIMBS.arms, tall, fps, (n, state) => (crossed(n, state === 1) ? CROSSED_COST / fps : 0));
  const swapped = { arms, legs };
  const throwing = throwingIndex(throws);
  const wrists = points.map((p, n) => turned(p.parts.wrist, swapped.arms[n]!));
  const from = handsTakenFrom(wrists, points, tall, fps, throwing);
  // Not where that would set the shoulders against the hips.
  const against = (turnedOver: boolean): number => arms.filter((swap, n) => n >= from! && crossed(n, swap !== turnedOver)).length;
  if (from !== null && against(true) <= against(false)) swapped.arms = arms.map((swap, n) => (n >= from ? !swap : swap));
  const tracks: Track[] = JOINTS_OF.flatMap(([part, first, second]) => {
    const group = (LIMBS.arms as readonly string[]).includes(part) ? swapped.arms : swapped.legs;
    return ([first, second] as const).map((joint, i): Track => ({
      joint,
      sd: TRACKED_SD[part]! * tall,
      at: points.map((p, n) => {
        const pair = turned(p.parts[part], group[n]!);
        return { frame: p.frame, ...pair[i === 0 ? throwing : 1 - throwing]! };
      }),
    }));
  });
  const middle = (joint: 'head' | 'neck', of: (p: PosePoints) => SeenPoint): Track => ({
    joint,
    sd: TRACKED_SD[joint]! * tall,
    at: points.map((p) => ({ frame: p.frame, ...of(p) })),
  });
  const half = ([a, b]: Pair): SeenPoint => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, seen: Math.max(a.seen, b.seen) });
  tracks.push(middle('head', (p) => half(p.parts.ear)));
  tracks.push(
    middle('neck', (p) => {
      const [shoulders, hips] = [half(p.parts.shoulder), half(p.parts.hip)];
      return {
        x: shoulders.x + NECK_UP * (shoulders.x - hips.x),
        y: shoulders.y + NECK_UP * (shoulders.y - hips.y),
        seen: shoulders.seen,
      };
    }),
  );
  const byFrame = new Map<number, Partial<Record<MarkedJoint, MarkedPoint>>>();
  for (const track of tracks) {
    const { joint, sd, at } = calmed(track, tall, fps);
    for (const p of at) {
      const joints = byFrame.get(p.frame) ?? {};
      joints[joint] = {
        x: round(p.x, 1),
        y: round(p.y, 1),
        sd: round(p.seen < UNSURE ? 2 * sd : sd, 1),
        by: 'track',
      };
      byFrame.set(p.frame, joints);
    }
  }
  return { frames: [...byFrame].sort(([a], [b]) => a - b).map(([frame, joints]) => ({ frame, joints })), tall: round(tall, 1) };
}
