import type { DeliveryEvent } from '../delivery/measures';
import {
  CURVE_MARKS,
  CURVE_S,
  curveWeights,
  drawnNormal,
  DRAWS,
  firstFrom,
  LONGEST_GAP_S,
  Missing,
  NOISE_AGAIN,
  NOWHERE,
  ONE_BY_ONE,
  SUGGESTED_ALIKE,
  toDelivery,
  TRACKED_IN,
  TRACKED_JITTER,
  TRACKED_OFFSET,
  USUAL_SD,
} from './throw-marks';
import type { Axis, Carried, Known, Point, Weighed } from './throw-marks';
import type { MarkedJoint, MeasureRequest, View } from './types';

/** Axes that a view shows. */
export const SHOWN: Record<View, readonly Axis[]> = {
  'side-open': [0, 2],
  'side-closed': [0, 2],
  front: [1, 2],
  rear: [1, 2],
  top: [0, 1],
  '3d': [0, 1, 2],
};

/** One throw as the formulas read it. Every mark that is read is noted, so that its error can be carried through. */
export class Throw {
  private readonly tracks = new Map<MarkedJoint, readonly Known[]>();
  private readonly read = new Set<Known>();
  private readonly eventsRead = new Set<Exclude<DeliveryEvent, 'max'>>();
  /** Where each mark stands: x, y, z from three times its place. Marks are moved while errors are carried through a formula. */
  private readonly stand: Float64Array;
  private moving = false;
  private readonly weights = new Map<MarkedJoint, Map<number, readonly Weighed[] | null>>();
  private readonly marked = new Map<MarkedJoint, ReadonlySet<number>>();
  private shift: { event: DeliveryEvent; frames: number } | null = null;

  constructor(readonly request: MeasureRequest) {
    const { view, throws, frames } = request;
    const k = view === '3d' ? 1 : (request.scale?.metresPerUnit ?? 1);
    const byJoint = new Map<MarkedJoint, Known[]>();
    let marks = 0;
    for (const { frame, joints } of [...frames].sort((a, b) => a.frame - b.frame))
      for (const [joint, point] of Object.entries(joints) as [MarkedJoint, NonNullable<(typeof joints)[MarkedJoint]>][]) {
        const at: Point =
          view === '3d' ? [point.x, point.y, point.z ?? 0] : toDelivery(view, throws === 'L', point.x * k, point.y * k);
        const sd = (point.sd ?? (view === '3d' ? USUAL_SD.space : USUAL_SD.image)) * k;
        const tracked = point.by === 'track';
        const off = tracked ? TRACKED_IN[view] * sd : sd;
        const known = {
          joint,
          frame,
          place: marks++,
          at,
          jitter: tracked ? TRACKED_JITTER * off : sd,
          offset: tracked ? TRACKED_OFFSET * off : 0,
          tracked,
        };
        const track = byJoint.get(joint);
        if (track) track.push(known);
        else byJoint.set(joint, [known]);
      }
    for (const [joint, known] of byJoint) {
      this.tracks.set(joint, known);
      this.marked.set(joint, new Set(known.map((k) => k.frame)));
    }
    this.stand = new Float64Array(3 * marks);
    for (const track of this.tracks.values()) this.putBack(track);
  }

  /** Middle of the marks' own errors, 1 SD in the unit of the tracks. */
  get usualSd(): number {
    const all = [...this.tracks.values()]
      .flatMap((track) => track.map((k) => Math.hypot(k.jitter, k.offset)))
      .sort((a, b) => a - b);
    return all[all.length >> 1] ?? 0;
  }

  get shown(): readonly Axis[] {
    return SHOWN[this.request.view];
  }

  /** @throws Missing when the event was not marked */
  event(event: Exclude<DeliveryEvent, 'max'>): number {
    const marked = this.request.events[event];
    if (!marked) throw new Missing(`“${event}” is not marked`);
    this.eventsRead.add(event);
    return marked.frame + (this.shift?.event === event ? this.shift.frames : 0);
  }

  has(event: Exclude<DeliveryEvent, 'max'>): boolean {
    return this.request.events[event] !== undefined;
  }

  private valueOf(known: Known): Point {
    // What a formula reads is noted where the marks stand as they are.
    if (!this.moving) {
      this.read.add(known);
      return known.at;
    }
    const { stand } = this;
    const first = 3 * known.place;
    return [stand[first]!, stand[first + 1]!, stand[first + 2]!];
  }

  /** Puts marks back where they were set. */
  private putBack(marks: Iterable<Known>): void {
    for (const { place, at } of marks) this.stand.set(at, 3 * place);
  }

  /**
   * Where a joint is at a frame. Where a hand has marked enough frames about it, a curve through them says so: each was set with an
   * error of its own, and together they err less.
   * @throws Missing when it cannot be told
   */
  at(joint: MarkedJoint, frame: number): Point {
    const weights = this.weightsAt(joint, frame);
    if (weights === null) return this.markAt(joint, frame);
    let [x, y, z] = NOWHERE;
    for (const { known, weight } of weights) {
      if (!this.moving) this.read.add(known);
      const first = 3 * known.place;
      x += weight * this.stand[first]!;
      y += weight * this.stand[first + 1]!;
      z += weight * this.stand[first + 2]!;
    }
    return [x, y, z];
  }

  /** What each mark about a frame weighs in the curve through them; null where there are too few, or they err alike. */
  private weightsAt(joint: MarkedJoint, frame: number): readonly Weighed[] | null {
    if (this.request.view === '3d') return null;
    const ofJoint = this.weights.get(joint) ?? new Map<number, readonly Weighed[] | null>();
    this.weights.set(joint, ofJoint);
    const kept = ofJoint.get(frame);
    if (kept !== undefined) return kept;
    const half = CURVE_S * this.request.fps;
    const track = this.tracks.get(joint) ?? [];
    // A frame that comes twice is one mark, as everywhere: the first.
    const about = track
      .slice(firstFrom(track, frame - half), firstFrom(track, frame + half + 1e-9))
      .filter((known, i, list) => known.frame !== list[i - 1]?.frame);
    const whole = about.length >= CURVE_MARKS && about[0]!.frame < frame && about[about.length - 1]!.frame > frame;
    const weights = whole && about.every((known) => !known.tracked) ? curveWeights(about, frame) : null;
    ofJoint.set(frame, weights);
    return weights;
  }

  /** Where a joint is marked at a frame, between marked frames on a straight line. @throws Missing when it cannot be told */
  markAt(joint: MarkedJoint, frame: number): Point {
    const track = this.tracks.get(joint) ?? [];
    const low = firstFrom(track, frame);
    const after = track[low];
    if (after && after.frame === frame) return this.valueOf(after);
    const before = track[low - 1];
    if (!before || !after || after.frame - before.frame > LONGEST_GAP_S * this.request.fps)
      throw new Missing(`the ${joint.replace('-', ' ')} is not marked near frame ${Math.round(frame)}`);
    const t = (frame - before.frame) / (after.frame - before.frame);
    const [a, b] = [this.valueOf(before), this.valueOf(after)];
    return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
  }

  /** Marked frames of some joints between two frames, ends included. */
  framesOf(joints: readonly MarkedJoint[], from: number, to: number): number[] {
    const [first, ...others] = joints;
    const frames: number[] = [];
    for (const { frame } of this.tracks.get(first!) ?? [])
      if (frame >= from && frame <= to && others.every((joint) => this.marked.get(joint)?.has(frame))) frames.push(frame);
    return frames;
  }

  /** A length in metres needs a scale. @throws Missing without one */
  requireScale(): void {
    if (this.request.view !== '3d' && !this.request.scale)
      throw new Missing('lengths need a scale: the athlete’s height, the rubber, or a taped distance');
  }

  /** 1 SD of the scale, as a share. */
  get scaleSd(): number {
    return this.request.view === '3d' ? 0 : (this.request.scale?.sd ?? 0.02);
  }

  /**
   * A value with the error that the marks and the events bring. Each coordinate and each event that was read is moved by its SD,
   * and the changes are added up as squares; a formula over many frames is drawn again with a fixed seed instead. What a tracker
   * errs alike in all frames moves them together.
   * @param noisy take off what jitter adds to the greatest of many values, none of which is below nothing
   */
  measured(
    formula: () => number,
    noisy = false,
  ): {
    readonly value: number;
    readonly sd: number;
    readonly shared: number;
    readonly tracked: boolean;
  } {
    this.read.clear();
    this.eventsRead.clear();
    const value = formula();
    const tracked = [...this.read].some((known) => known.tracked);
    const reads = [...this.read].filter((known) => known.jitter > 0 || known.offset > 0);
    const events = [...this.eventsRead];
    const changed = (): number | null => {
      try {
        return formula() - value;
      } catch (error) {
        if (error instanceof Missing) return null;
        throw error;
      }
    };
    this.moving = true;
    const few = !noisy && reads.length * this.shown.length <= ONE_BY_ONE;
    const carried = few ? this.oneByOne(reads, changed) : this.byDraws(reads, changed);
    const { jitter, bias } = carried;
    let variance = noisy ? jitter - bias ** 2 : jitter;
    let { shared } = carried;
    this.moving = false;
    for (const event of events) {
      const { sd } = this.request.events[event]!;
      this.shift = { event, frames: sd ?? 1 / Math.sqrt(12) };
      const moved = (changed() ?? 0) ** 2;
      // An instant that a tracker's joints have suggested is early or late in much the same way in every throw.
      const alike = tracked && sd !== undefined ? SUGGESTED_ALIKE : 0;
      shared += alike * moved;
      variance += (1 - alike) * moved;
    }
    this.shift = null;
    const added = noisy ? bias / NOISE_AGAIN : 0;
    return {
      value: noisy ? Math.max(0, value - added) : value,
      sd: Math.sqrt(variance + shared),
      shared: Math.sqrt(shared),
      tracked,
    };
  }

  /** Variance of what errs from frame to frame, and of what errs alike. */
  private oneByOne(reads: readonly Known[], changed: () => number | null): Carried {
    const variance = { jitter: 0, shared: 0 };
    const moveBy = (of: keyof typeof variance, marks: readonly Known[], axis: Axis, by: number) => {
      for (const { place } of marks) this.stand[3 * place + axis]! += by;
      variance[of] += (changed() ?? 0) ** 2;
      this.putBack(marks);
    };
    const joints = new Map<MarkedJoint, Known[]>();
    for (const known of reads) joints.set(known.joint, [...(joints.get(known.joint) ?? []), known]);
    for (const axis of this.shown) {
      for (const known of reads) moveBy('jitter', [known], axis, known.jitter);
      for (const track of joints.values()) {
        const together = track.filter((known) => known.offset > 0);
        if (together.length > 0) moveBy('shared', together, axis, together[0]!.offset);
      }
    }
    return { ...variance, bias: 0 };
  }

  private byDraws(reads: readonly Known[], changed: () => number | null): Carried {
    const mean = (list: readonly number[]) => (list.length === 0 ? 0 : list.reduce((a, b) => a + b, 0) / list.length);
    const square = (list: readonly number[]) => mean(list.map((c) => c ** 2));
    const shared = reads.some((known) => known.offset > 0) ? this.drawn(reads, changed, 'shared') : [];
    const jitter = this.drawn(reads, changed, 'jitter');
    return { jitter: square(jitter), shared: square(shared), bias: mean(jitter) };
  }

  private drawn(reads: readonly Known[], changed: () => number | null, part: 'jitter' | 'shared'): number[] {
    let next = 0;
    const normal = () => drawnNormal(next++);
    const found: number[] = [];
    for (let draw = 0; draw < DRAWS; draw++) {
      const offsets = new Map<MarkedJoint, Point>();
      for (const known of reads) {
        let off = NOWHERE;
        if (part === 'shared' && known.offset > 0) {
          off = offsets.get(known.joint) ?? [normal(), normal(), normal()];
          offsets.set(known.joint, off);
        }
        for (const axis of this.shown)
          this.stand[3 * known.place + axis] =
            known.at[axis] + (part === 'jitter' ? known.jitter * normal() : known.offset * off[axis]);
      }
      const change = changed();
      if (change !== null) found.push(change);
    }
    this.putBack(reads);
    return found;
  }
}
