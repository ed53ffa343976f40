/** Joints through time, smoothed, with their noise and what is still. */
import { rotation } from './geometry';
import { slopes, smooth } from './series';
import type { Sample } from './series';
import { Throw } from './throw';
import type { MarkedJoint, MeasureRequest } from './types';

/** Half-width of the lines by which a track is smoothed, seconds. */
const SMOOTH_S = 0.02;

/** A joint stands still below this share of its greatest speed. */
export const STILL = { marked: 0.1, tracked: 0.12 } as const;

/** From the front, the rear and above less is seen of what moves to the target: the errors are so many times as wide. */
export const END_ON = 3.5;

/** Shares of the athlete's height. */
export const OFF_GROUND = { marked: 0.015, tracked: 0.03 } as const;

/** Marks whose error is so large a share of the height are those that the suggestions were tried with. */
export const USUAL_NOISE = 0.004;

/** The first time at which samples pass a level upward, between samples on a straight line; null when they never do. */
export function rises(samples: readonly Sample[], level: number): number | null {
  for (let i = 1; i < samples.length; i++) {
    const [a, b] = [samples[i - 1]!, samples[i]!];
    if (a.v < level && b.v >= level) return a.t + ((level - a.v) / (b.v - a.v)) * (b.t - a.t);
  }
  return null;
}

/** The last time before their peak at which samples pass a level upward: a wobble before does not count. */
export function leaves(samples: readonly Sample[], level: number): number | null {
  const peak = samples.reduce((best, s, i) => (s.v > samples[best]!.v ? i : best), 0);
  for (let i = peak; i > 0; i--) {
    const [a, b] = [samples[i - 1]!, samples[i]!];
    if (a.v < level && b.v >= level) return a.t + ((level - a.v) / (b.v - a.v)) * (b.t - a.t);
  }
  return null;
}

export const falls = (samples: readonly Sample[], level: number): number | null =>
  rises(
    samples.map(({ t, v }) => ({ t, v: -v })),
    -level,
  );

export const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Tracks of one clip as the rules below read them: smoothed, the frames' own numbers kept. */
export class Tracks {
  private readonly t: Throw;
  readonly fps: number;
  /** The athlete's height in the tracks' unit. */
  readonly height: number;
  readonly how: 'marked' | 'tracked';

  constructor(request: Omit<MeasureRequest, 'events'>) {
    this.t = new Throw({ ...request, events: {} });
    this.fps = request.fps;
    this.how = request.frames.some((f) => Object.values(f.joints).some((p) => p.by === 'track')) ? 'tracked' : 'marked';
    const upright = this.height0();
    this.height = request.view === '3d' || request.scale ? request.heightM : upright;
  }

  /** Height from the head to the feet where they are furthest apart; an athlete's head joint sits at 0.94 of the height. */
  private height0(): number {
    const frames = this.t.framesOf(['head', 'drive-ankle'], -Infinity, Infinity);
    return Math.max(1e-6, ...frames.map((f) => this.t.markAt('head', f)[2] - this.t.markAt('drive-ankle', f)[2])) / 0.89;
  }

  /** 1 SD of the marks, share of height. */
  get noise(): number {
    return this.t.usualSd / this.height;
  }

  get half(): number {
    return Math.max(1.01, SMOOTH_S * this.fps);
  }

  get shows(): { readonly x: boolean; readonly y: boolean; readonly z: boolean } {
    const { shown } = this.t;
    return { x: shown.includes(0), y: shown.includes(1), z: shown.includes(2) };
  }

  /** A value over the frames on which all its joints are known. */
  over(joints: readonly MarkedJoint[], value: (frame: number) => number, from = -Infinity, to = Infinity): Sample[] {
    const raw = this.t.framesOf(joints, from, to).map((f) => ({ t: f, v: value(f) }));
    return smooth(raw, this.half);
  }

  axis(joint: MarkedJoint, axis: 0 | 1 | 2, from?: number, to?: number): Sample[] {
    return this.over([joint], (f) => this.t.markAt(joint, f)[axis], from, to);
  }

  /** From one joint to another along an axis. */
  between(a: MarkedJoint, b: MarkedJoint, axis: 0 | 1 | 2, from?: number, to?: number): Sample[] {
    return this.over([a, b], (f) => this.t.markAt(b, f)[axis] - this.t.markAt(a, f)[axis], from, to);
  }

  trunkTurn(frame: number): number {
    return rotation(this.t.markAt('throwing-shoulder', frame), this.t.markAt('glove-shoulder', frame));
  }

  distance(a: MarkedJoint, b: MarkedJoint, from?: number, to?: number): Sample[] {
    return this.over(
      [a, b],
      (f) => Math.hypot(...this.t.shown.map((axis) => this.t.markAt(a, f)[axis] - this.t.markAt(b, f)[axis])),
      from,
      to,
    );
  }

  /** Speed of a joint over the shown axes, heights a second. */
  speed(joint: MarkedJoint, from = -Infinity, to = Infinity): Sample[] {
    const frames = this.t.framesOf([joint], from, to);
    const parts = this.t.shown.map((axis) =>
      slopes(
        frames.map((f) => ({ t: f, v: this.t.markAt(joint, f)[axis] })),
        this.half,
      ),
    );
    return (parts[0] ?? []).map((s, i) => ({
      t: s.t,
      v: (Math.hypot(...parts.map((p) => p[i]?.v ?? 0)) * this.fps) / this.height,
    }));
  }

  /** How far a joint is from where it stood in a stretch, shares of height. */
  away(joint: MarkedJoint, still: readonly [from: number, to: number], from: number, to: number): Sample[] {
    const home = this.t.shown.map((axis) => median(this.axis(joint, axis, ...still).map((s) => s.v)));
    return this.over(
      [joint],
      (f) => Math.hypot(...this.t.shown.map((axis, i) => this.t.markAt(joint, f)[axis] - home[i]!)) / this.height,
      from,
      to,
    );
  }
}
