import type { Proportions, Vector } from '../delivery/body';

/** Where the upper arm points, degrees: 0 straight down, 90 at the target (3 o'clock), 180 up, 270 to the rear. `house`. */
export const ARM_CLOCK: readonly (readonly [t: number, angle: number])[] = [
  [0, 34],
  [0.25, 12],
  [0.5, 72],
  [0.72, 152],
  [0.85, 206],
  [0.94, 248],
  [1.0, 298],
  [1.055, 370],
  [1.16, 424],
  [1.4, 450],
];
/** The arm passes beside the body, not through it, degrees. */
const OUTWARD = 9;
const RAD = Math.PI / 180;

/**
 * The throwing arm of a windmill: the upper arm goes round beside the body and leads, the forearm follows by the elbow's bend.
 * @param clock where the upper arm points, degrees (see ARM_CLOCK)
 * @param bend flexion of the elbow, degrees; after the release it closes ahead of the arm
 */
export function windmillArm(
  shoulder: Vector,
  clock: number,
  bend: number,
  size: Proportions,
): { readonly elbow: Vector; readonly wrist: Vector; readonly hand: Vector } {
  const along = (angle: number): Vector => [
    Math.sin(angle * RAD) * Math.cos(OUTWARD * RAD),
    -Math.sin(OUTWARD * RAD),
    -Math.cos(angle * RAD) * Math.cos(OUTWARD * RAD),
  ];
  const from = (a: Vector, direction: Vector, by: number): Vector => [
    a[0] + by * direction[0],
    a[1] + by * direction[1],
    a[2] + by * direction[2],
  ];
  const fore = along(clock - bend);
  const elbow = from(shoulder, along(clock), size.upperArm);
  const wrist = from(elbow, fore, size.forearm);
  return { elbow, wrist, hand: from(wrist, fore, size.hand) };
}
