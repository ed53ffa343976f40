/** Formulas on points, in the delivery's axes. Angles in degrees. */
import type { Point } from './throw-marks';

const DEG = 180 / Math.PI;

export const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
export const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const length = (a: Point): number => Math.hypot(a[0], a[1], a[2]);
export const degrees = (y: number, x: number): number => Math.atan2(y, x) * DEG;

/** An angle brought to −180 … 180. */
export const wrapped = (angle: number): number => ((((angle + 180) % 360) + 360) % 360) - 180;

/** Turn of the line from the drive (throwing) to the lead (glove) side: 0 side-on, 90 square to the target. */
export function rotation(from: Point, to: Point): number {
  const d = minus(to, from);
  return degrees(d[1], d[0]);
}

/** 180 − the angle at the middle of three points: 0 straight. */
export function flexion(a: Point, joint: Point, b: Point): number {
  const [u, v] = [minus(a, joint), minus(b, joint)];
  const across = Math.sqrt(Math.max(0, dot(u, u) * dot(v, v) - dot(u, v) ** 2));
  return 180 - degrees(across, dot(u, v));
}

/**
 * As {@link flexion}, of three points in a plane seen from the side, with a sign: below 0 where the joint is bent the other way than
 * it bends. A straight joint reads a little bent one time and a little bent backwards the next: told apart, the errors cancel; as
 * angles without a sign they would all add up to a bend.
 * @param turns in which direction the second line is turned from the first where the joint is bent: 1 from the target upward, −1 the other way
 */
export function flexionInPlane(a: Point, joint: Point, b: Point, turns: 1 | -1): number {
  const [u, v] = [minus(joint, a), minus(b, joint)];
  return turns * (u[0] * v[2] - u[2] * v[0]) >= 0 ? flexion(a, joint, b) : -flexion(a, joint, b);
}

/** Lean of a line from the vertical toward the target (`axis` 0) or the glove side (`axis` 1). */
export function lean(from: Point, to: Point, axis: 0 | 1): number {
  const d = minus(to, from);
  return degrees(d[axis], d[2]);
}

/** Rise of the elbow over the shoulder line: asin(v·w/|v|), w = trunk-up made perpendicular to the shoulder line. */
export function elbowRise(shoulder: Point, elbow: Point, otherShoulder: Point, midHip: Point): number {
  const v = minus(elbow, shoulder);
  const line = minus(otherShoulder, shoulder);
  const up = minus(middle(shoulder, otherShoulder), midHip);
  const share = dot(up, line) / (dot(line, line) || 1);
  const w: Point = [up[0] - share * line[0], up[1] - share * line[1], up[2] - share * line[2]];
  return Math.asin(Math.max(-1, Math.min(1, dot(v, w) / (length(v) * length(w) || 1)))) * DEG;
}

/** Distance of a point from the line through two others in the frontal plane, toward the glove side positive. */
export function offLine(point: Point, top: Point, bottom: Point): number {
  const [dy, dz] = [bottom[1] - top[1], bottom[2] - top[2]];
  const size = Math.hypot(dy, dz) || 1;
  return ((point[1] - top[1]) * -dz + (point[2] - top[2]) * dy) / size;
}
