import type { ClipMarks, ClipScale, Drawing } from '@wrightonic/contract';
import { MARKED_JOINTS } from '@wrightonic/core';
import type { Discipline, MarkedEvent, MarkedFrame, MarkedJoint, MarkedPoint } from '@wrightonic/core';

export type EventName = keyof ClipMarks['events'];
type Joints = MarkedFrame['joints'];

/** Events that a clip is marked with, in their order. */
export const EVENTS_OF: Record<Discipline, readonly EventName[]> = {
  overhand: [
    'set',
    'peak-knee',
    'hand-break',
    'mid-move',
    'deepest-load',
    'heel-off',
    'toe-off',
    'contact',
    'foot-flat',
    'hand-up',
    'max-external-rotation',
    'release',
    'finish',
  ],
  windmill: [
    'set',
    'first-move',
    'arm-3-oclock',
    'deepest-load',
    'heel-off',
    'toe-off',
    'arm-12-oclock',
    'contact',
    'arm-9-oclock',
    'foot-flat',
    'release',
    'finish',
  ],
};

/** The order in which a body is marked: from the head down, then the arms and the ball. */
export const JOINT_ORDER: readonly MarkedJoint[] = [
  ...MARKED_JOINTS.filter((j) => !/elbow|wrist|ball/.test(j)),
  'throwing-elbow',
  'throwing-wrist',
  'glove-elbow',
  'glove-wrist',
  'ball',
];

/** Lines that make marked joints readable as a body. */
export const BONES: readonly (readonly [MarkedJoint, MarkedJoint])[] = [
  ['head', 'neck'],
  ['throwing-shoulder', 'glove-shoulder'],
  ['drive-hip', 'lead-hip'],
  ['throwing-shoulder', 'drive-hip'],
  ['glove-shoulder', 'lead-hip'],
  ['throwing-shoulder', 'throwing-elbow'],
  ['throwing-elbow', 'throwing-wrist'],
  ['glove-shoulder', 'glove-elbow'],
  ['glove-elbow', 'glove-wrist'],
  ['drive-hip', 'drive-knee'],
  ['drive-knee', 'drive-ankle'],
  ['drive-ankle', 'drive-heel'],
  ['drive-heel', 'drive-toe'],
  ['lead-hip', 'lead-knee'],
  ['lead-knee', 'lead-ankle'],
  ['lead-ankle', 'lead-heel'],
  ['lead-heel', 'lead-toe'],
];

/** 1 SD of a joint set by hand under the loupe, pixels. Provenance `house`. */
export const HAND_SD = 2;

/** Marks with an event on a frame, or without it when the frame is null. */
export function withEvent(marks: ClipMarks, event: EventName, frame: number | null): ClipMarks {
  const events: Partial<Record<EventName, MarkedEvent>> = { ...marks.events };
  if (frame === null) delete events[event];
  else events[event] = { frame };
  return { ...marks, events };
}

const jointsAt = (marks: ClipMarks, frame: number): Joints => marks.frames.find((f) => f.frame === frame)?.joints ?? {};

function withJoints(marks: ClipMarks, frame: number, joints: Joints): ClipMarks {
  const others = marks.frames.filter((f) => f.frame !== frame);
  const frames = Object.keys(joints).length > 0 ? [...others, { frame, joints }] : others;
  return { ...marks, frames: frames.sort((a, b) => a.frame - b.frame) };
}

/** Reach of a correction over the tracked frames round it, frames. Beyond it the track stands as it was. */
export const pullFrames = (fps: number): number => Math.max(2, Math.round(0.06 * fps));

const tenth = (value: number): number => Math.round(10 * value) / 10;

/**
 * Marks with a joint at a place of a frame, set by hand. Where the joint was tracked, the tracked frames round it are drawn along,
 * less with distance, up to the next frame that was set by hand.
 */
export function withJoint(
  marks: ClipMarks,
  frame: number,
  joint: MarkedJoint,
  at: readonly [number, number],
  fps: number,
): ClipMarks {
  const was = jointsSeen(marks, frame).find((j) => j.joint === joint);
  const set = withJoints(marks, frame, {
    ...jointsAt(marks, frame),
    [joint]: { x: tenth(at[0]), y: tenth(at[1]), sd: HAND_SD },
  });
  if (!was) return set;
  const [dx, dy] = [at[0] - was.x, at[1] - was.y];
  const reach = pullFrames(fps);
  const byHand = marks.frames.filter((f) => f.frame !== frame && f.joints[joint] && !f.joints[joint].by).map((f) => f.frame);
  const from = Math.max(frame - reach, ...byHand.filter((f) => f < frame));
  const to = Math.min(frame + reach, ...byHand.filter((f) => f > frame));
  const frames = set.frames.map((f) => {
    const point = f.joints[joint];
    if (point?.by !== 'track' || f.frame <= from || f.frame >= to) return f;
    const share = 0.5 + 0.5 * Math.cos((Math.PI * (f.frame - frame)) / (f.frame < frame ? frame - from : to - frame));
    const moved: MarkedPoint = { ...point, x: tenth(point.x + share * dx), y: tenth(point.y + share * dy) };
    return { ...f, joints: { ...f.joints, [joint]: moved } };
  });
  return { ...set, frames };
}

/** Marks without a joint on a frame. */
export function withoutJoint(marks: ClipMarks, frame: number, joint: MarkedJoint): ClipMarks {
  const joints: Partial<Record<MarkedJoint, MarkedPoint>> = { ...jointsAt(marks, frame) };
  delete joints[joint];
  return withJoints(marks, frame, joints);
}

/** Marks with tracked joints; what was set by hand stays. */
export function withTracks(marks: ClipMarks, tracked: readonly MarkedFrame[]): ClipMarks {
  const byHand = (joints: Joints): Joints =>
    Object.fromEntries(Object.entries(joints).filter(([, point]) => point.by !== 'track'));
  const frames = new Map(marks.frames.map((f) => [f.frame, byHand(f.joints)]));
  for (const { frame, joints } of tracked) frames.set(frame, { ...joints, ...frames.get(frame) });
  return {
    ...marks,
    frames: [...frames]
      .filter(([, joints]) => Object.keys(joints).length > 0)
      .sort(([a], [b]) => a - b)
      .map(([frame, joints]) => ({ frame, joints })),
  };
}

/** Marks with suggested events; those that were placed by hand stay. A suggestion states its error, a hand does not. */
export function withSuggestions(marks: ClipMarks, suggested: ClipMarks['events']): ClipMarks {
  const byHand = Object.fromEntries(Object.entries(marks.events).filter(([, event]) => event.sd === undefined));
  return { ...marks, events: { ...suggested, ...byHand } };
}

export const withScale = (marks: ClipMarks, scale: ClipScale | null): ClipMarks => ({ ...marks, scale });

export const withDrawing = (marks: ClipMarks, drawing: Drawing): ClipMarks => ({
  ...marks,
  drawings: [...marks.drawings.filter((d) => d.id !== drawing.id), drawing],
});
export const withoutDrawing = (marks: ClipMarks, id: string): ClipMarks => ({
  ...marks,
  drawings: marks.drawings.filter((d) => d.id !== id),
});
export const drawingsAt = (marks: ClipMarks, frame: number): Drawing[] =>
  marks.drawings.filter((d) => d.from <= frame && frame <= d.to);

export interface SeenJoint {
  readonly joint: MarkedJoint;
  readonly x: number;
  readonly y: number;
  /** Set by hand on this very frame, found by the tracker, or on the line between two that are known. */
  readonly how: 'set' | 'tracked' | 'between';
}

/** Joints as they stand on a frame: those that were set, and the others on the straight line between their neighbours in time. */
export function jointsSeen(marks: ClipMarks, frame: number): SeenJoint[] {
  return JOINT_ORDER.flatMap((joint): SeenJoint[] => {
    const known = marks.frames.filter((f) => f.joints[joint]);
    const exact = known.find((f) => f.frame === frame)?.joints[joint];
    if (exact) return [{ joint, x: exact.x, y: exact.y, how: exact.by === 'track' ? 'tracked' : 'set' }];
    const before = known.filter((f) => f.frame < frame).pop();
    const after = known.find((f) => f.frame > frame);
    if (!before || !after) return [];
    const share = (frame - before.frame) / (after.frame - before.frame);
    const [a, b] = [before.joints[joint]!, after.joints[joint]!];
    return [{ joint, x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y), how: 'between' }];
  });
}

/** The joint that comes after one, in the order of marking. */
export const nextJoint = (joint: MarkedJoint): MarkedJoint => JOINT_ORDER[(JOINT_ORDER.indexOf(joint) + 1) % JOINT_ORDER.length]!;

/** The frame of the next or previous event from here; null when there is none. */
export function eventFrom(marks: ClipMarks, frame: number, step: 1 | -1): number | null {
  const frames = Object.values(marks.events).map((e) => Math.round(e.frame));
  const ahead = frames.filter((f) => (step > 0 ? f > frame : f < frame));
  return ahead.length === 0 ? null : step > 0 ? Math.min(...ahead) : Math.max(...ahead);
}

/** Room round the body in a closer picture, as a share of how far it reaches. */
const MARGIN = 1.12;

/**
 * The part of a clip round the body on a frame, for a closer picture: it goes along with the hips, and is as large as the body reaches
 * in the whole clip. Whole pixels, as wide as the clip is for its height; null where the hips are not known.
 */
export function closerPart(
  marks: ClipMarks,
  frame: number,
  width: number,
  height: number,
): { x: number; y: number; width: number; height: number } | null {
  const hips = ({ 'drive-hip': a, 'lead-hip': b }: Partial<Record<MarkedJoint, { x: number; y: number }>>) =>
    a && b ? { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 } : null;
  const middle = hips(Object.fromEntries(jointsSeen(marks, frame).map((j) => [j.joint, j])));
  if (!middle) return null;
  let [across, along] = [0, 0];
  for (const { joints } of marks.frames) {
    const at = hips(joints);
    if (at)
      for (const p of Object.values(joints)) {
        across = Math.max(across, Math.abs(p.x - at.x));
        along = Math.max(along, Math.abs(p.y - at.y));
      }
  }
  const share = Math.min(1, MARGIN * Math.max((2 * across) / width, (2 * along) / height));
  const [w, h] = [Math.round(share * width), Math.round(share * height)];
  const within = (centre: number, size: number, whole: number) =>
    Math.round(Math.max(0, Math.min(whole - size, centre - size / 2)));
  return { x: within(middle.x, w, width), y: within(middle.y, h, height), width: w, height: h };
}
