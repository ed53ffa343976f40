import type { Vector } from '../delivery/body';
import type { Hand } from '../delivery/sides';
import type { View } from '../measure/types';

/** A camera on a stand, looking at a point; all lengths in metres, in the delivery's axes. */
export interface Camera {
  readonly at: Vector;
  readonly lookAt: Vector;
  /** Image size, pixels. */
  readonly width: number;
  readonly height: number;
  /** Focal length, pixels. */
  readonly focal: number;
  readonly throws: Hand;
}

type FilmView = Exclude<View, '3d' | 'top'>;

/** A camera for a view: at hip height, square to the delivery, so near that the athlete fills a good half of the frame. */
export function cameraFor(
  view: FilmView | 'top',
  throws: Hand,
  heightM: number,
  { width = 1280, height = 720, distanceM = view === 'top' ? 7 : 6, share = 0.62 } = {},
): Camera {
  const middle: Vector = [0.42 * heightM, 0, 0.5 * heightM];
  const at: Record<FilmView | 'top', Vector> = {
    'side-open': [middle[0], -distanceM, 0.55 * heightM],
    'side-closed': [middle[0], distanceM, 0.55 * heightM],
    front: [middle[0] + distanceM, 0, 0.55 * heightM],
    rear: [middle[0] - distanceM, 0, 0.55 * heightM],
    top: [middle[0], 0, distanceM],
  };
  return { at: at[view], lookAt: middle, width, height, focal: (share * height * distanceM) / heightM, throws };
}

const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const unit = (a: Vector): Vector => {
  const size = Math.hypot(...a);
  return [a[0] / size, a[1] / size, a[2] / size];
};

/** Axes of a camera: to the right, up, and ahead. From straight above, the target is up. */
export function cameraAxes(camera: Camera): { readonly right: Vector; readonly up: Vector; readonly ahead: Vector } {
  const ahead = unit(minus(camera.lookAt, camera.at));
  const upright: Vector = Math.abs(ahead[2]) > 0.999 ? [1, 0, 0] : [0, 0, 1];
  const right = unit(cross(ahead, upright));
  return { right, up: cross(right, ahead), ahead };
}

/** Where a point is seen, pixels (x right, y down), and how far ahead it lies. A left-hander's picture is the mirror image. */
export function project(camera: Camera, point: Vector): { readonly x: number; readonly y: number; readonly depth: number } {
  const { right, up, ahead } = cameraAxes(camera);
  const from = minus(point, camera.at);
  const depth = dot(from, ahead);
  const x = (camera.focal * dot(from, right)) / depth;
  return {
    x: camera.width / 2 + (camera.throws === 'L' ? -x : x),
    y: camera.height / 2 - (camera.focal * dot(from, up)) / depth,
    depth,
  };
}

/** Metres a pixel where the camera looks. */
export const metresPerPixel = (camera: Camera): number => Math.hypot(...minus(camera.lookAt, camera.at)) / camera.focal;
