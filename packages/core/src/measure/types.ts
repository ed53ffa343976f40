import type { Discipline } from '../delivery/links';
import type { ClipFault } from './clip-facts';
import type { DeliveryEvent, MeasureId, MeasureUnit } from '../delivery/measures';
import type { Hand } from '../delivery/sides';

/** Joints by which a delivery is measured. */
export const MARKED_JOINTS = [
  'head',
  'neck',
  'drive-hip',
  'lead-hip',
  'drive-knee',
  'lead-knee',
  'drive-ankle',
  'lead-ankle',
  'drive-heel',
  'lead-heel',
  'drive-toe',
  'lead-toe',
  'throwing-shoulder',
  'glove-shoulder',
  'throwing-elbow',
  'glove-elbow',
  'throwing-wrist',
  'glove-wrist',
  'ball',
] as const;
export type MarkedJoint = (typeof MARKED_JOINTS)[number];

export const VIEWS = ['side-open', 'side-closed', 'front', 'rear', 'top', '3d'] as const;
export type View = (typeof VIEWS)[number];

/** A joint where it was marked: pixels (x right, y down) in a view, metres (x target, y glove side, z up) in 3d. */
export interface MarkedPoint {
  readonly x: number;
  readonly y: number;
  readonly z?: number;
  /** 1 SD of each coordinate, in its unit. */
  readonly sd?: number;
  /** Found by the tracker; left out: set by hand. */
  readonly by?: 'track';
}

export interface MarkedFrame {
  readonly frame: number;
  readonly joints: Partial<Record<MarkedJoint, MarkedPoint>>;
}

export interface MarkedEvent {
  readonly frame: number;
  /** 1 SD, frames; without it the frame is taken to be right to within itself. */
  readonly sd?: number;
}

/** One throw, marked. */
export interface MeasureRequest {
  readonly discipline: Discipline;
  readonly throws: Hand;
  /** True capture rate, frames a second. */
  readonly fps: number;
  readonly view: View;
  readonly heightM: number;
  /** Metres a pixel, with its error as a share; null without a scale. */
  readonly scale: { readonly metresPerUnit: number; readonly sd?: number } | null;
  readonly events: Partial<Record<Exclude<DeliveryEvent, 'max'>, MarkedEvent>>;
  readonly frames: readonly MarkedFrame[];
  /** Size of the picture, pixels: a joint on its edge was cut off. */
  readonly frame?: { readonly width: number; readonly height: number };
}

export interface MeasuredValue {
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  /** null when it cannot be told. */
  readonly value: number | null;
  readonly unit: MeasureUnit;
  readonly sd: number | null;
  /** The part of the SD that all throws of one set-up share: camera, scale, a tracker's habit. More throws do not lessen it. */
  readonly shared?: number;
  readonly valid: boolean;
  /** Some of the joints that it was read from were found by the tracker. */
  readonly tracked?: true;
  /** Why it is not valid, or why its error is wide. */
  readonly why?: string;
}

export interface MeasureResult {
  readonly measures: readonly MeasuredValue[];
  /** Why nothing of the clip is believed; empty for one that can be what it is said to be. */
  readonly faults: readonly ClipFault[];
}
