import type { Hand } from '../delivery/sides';
import type { MarkedJoint } from '../measure/types';

/** What a pose model says of one frame. */
export interface PoseFrame {
  readonly frame: number;
  /** Three numbers a landmark: x and y as shares of the picture's width and height, and how surely it is seen, 0 to 1; null: nobody found. */
  readonly landmarks: ArrayLike<number> | null;
}

type Side = 'left' | 'right';

/** Landmarks of the pose model (33 points of the body), by their numbers. */
const NUMBERS = {
  ear: { left: 7, right: 8 },
  shoulder: { left: 11, right: 12 },
  elbow: { left: 13, right: 14 },
  wrist: { left: 15, right: 16 },
  hip: { left: 23, right: 24 },
  knee: { left: 25, right: 26 },
  ankle: { left: 27, right: 28 },
  heel: { left: 29, right: 30 },
  toe: { left: 31, right: 32 },
} as const satisfies Record<string, Record<Side, number>>;
type Part = keyof typeof NUMBERS;

/** A point in pixels, and how surely it is seen. */
export interface SeenPoint {
  readonly x: number;
  readonly y: number;
  readonly seen: number;
}

/** Both sides of a body part in one frame. */
export type Pair = readonly [left: SeenPoint, right: SeenPoint];

export interface PosePoints {
  readonly frame: number;
  readonly parts: Readonly<Record<Part, Pair>>;
}

const PARTS = Object.keys(NUMBERS) as Part[];
const STRIDE = 3;

/** Landmarks as points in pixels of the picture; frames in which nobody was found are left out. */
export function posePoints(frames: readonly PoseFrame[], width: number, height: number): PosePoints[] {
  return frames.flatMap(({ frame, landmarks }) => {
    if (!landmarks) return [];
    const at = (n: number): SeenPoint => ({
      x: landmarks[n * STRIDE]! * width,
      y: landmarks[n * STRIDE + 1]! * height,
      seen: landmarks[n * STRIDE + 2]!,
    });
    const both = (part: Part): readonly [SeenPoint, SeenPoint] => [at(NUMBERS[part].left), at(NUMBERS[part].right)];
    return [{ frame, parts: Object.fromEntries(PARTS.map((part) => [part, both(part)])) as PosePoints['parts'] }];
  });
}

/** Groups whose left and right a model takes for one another, together. */
export const LIMBS = { arms: ['shoulder', 'elbow', 'wrist'], legs: ['hip', 'knee', 'ankle', 'heel', 'toe'] } as const;

/** Our joints by the part and the role of its side. */
export const JOINTS_OF: readonly (readonly [part: Part, throwing: MarkedJoint, glove: MarkedJoint])[] = [
  ['shoulder', 'throwing-shoulder', 'glove-shoulder'],
  ['elbow', 'throwing-elbow', 'glove-elbow'],
  ['wrist', 'throwing-wrist', 'glove-wrist'],
  ['hip', 'drive-hip', 'lead-hip'],
  ['knee', 'drive-knee', 'lead-knee'],
  ['ankle', 'drive-ankle', 'lead-ankle'],
  ['heel', 'drive-heel', 'lead-heel'],
  ['toe', 'drive-toe', 'lead-toe'],
];

/** The index in a pair of the throwing side: the drive leg is on it, too. */
export const throwingIndex = (throws: Hand): 0 | 1 => (throws === 'R' ? 1 : 0);
