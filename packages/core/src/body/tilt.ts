/** Attitude of a phone as its browser tells it: rotation about z, x', y'', degrees. */
export interface Attitude {
  readonly alpha: number;
  readonly beta: number;
  readonly gamma: number;
}

const RAD = Math.PI / 180;

/** Direction of up in the phone's own axes. */
function upOf({ beta, gamma }: Attitude): readonly [number, number, number] {
  const [b, g] = [beta * RAD, gamma * RAD];
  return [-Math.cos(b) * Math.sin(g), Math.sin(b), Math.cos(b) * Math.cos(g)];
}

/**
 * Degrees by which a phone that is strapped to a limb has tilted since it was zeroed: the angle between then's and now's up, so
 * it does not matter how the phone sits on the limb. Says nothing about a turn round the vertical.
 * @see W3C Device Orientation Event Specification, §4 (rotations intrinsic Z-X'-Y'')
 */
export function tiltSince(zero: Attitude, now: Attitude): number {
  const [a, b] = [upOf(zero), upOf(now)];
  const dot = a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const cross = Math.hypot(a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]);
  return Math.atan2(cross, dot) / RAD;
}

/** Degrees turned round the vertical since the zero, for a phone held flat against the chest of a seated athlete. */
export function turnSince(zero: Attitude, now: Attitude): number {
  const difference = (((now.alpha - zero.alpha) % 360) + 540) % 360;
  return Math.abs(difference - 180);
}

/** Whether the last readings hold still: within `within` degrees over `forMs`. */
export function isSteady(readings: readonly { readonly at: number; readonly deg: number }[], forMs = 700, within = 2): boolean {
  const last = readings[readings.length - 1];
  if (!last) return false;
  const recent = readings.filter((r) => r.at >= last.at - forMs);
  if (readings[0]!.at > last.at - forMs || recent.length < 3) return false;
  const degrees = recent.map((r) => r.deg);
  return Math.max(...degrees) - Math.min(...degrees) <= within;
}
