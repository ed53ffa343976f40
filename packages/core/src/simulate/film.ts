import type { Hand } from '../delivery/sides';
import type { MarkedEvent, MarkedFrame, MarkedJoint, MarkedPoint, MeasureRequest, View } from '../measure/types';
import { round } from '../shared/maths';
import { cameraFor, metresPerPixel, project } from './camera';
import type { Camera } from './camera';
import { markedJointsAt } from './delivery';
import type { Delivery, DeliveryRequest } from './faults';
import { randomFrom } from '../shared/random';

export interface FilmRequest {
  readonly view: View;
  readonly throws: Hand;
  readonly fps: number;
  /** 1 SD of a mark: pixels in a view, metres in 3d; 0 for perfect marks. */
  readonly markSd: number;
  readonly seed: number;
  readonly camera?: Camera;
  /** Marks are perfect and between pixels, events between frames. */
  readonly exact?: boolean;
}

/** A delivery as somebody would have marked it from a clip: joints with error on every frame, events on the nearest frame. */
export function filmDelivery(delivery: Delivery, request: DeliveryRequest, film: FilmRequest): MeasureRequest {
  const { view, throws, fps, markSd, seed, exact = false } = film;
  const random = randomFrom(seed);
  const camera = view === '3d' ? null : (film.camera ?? cameraFor(view, throws, request.heightM));
  const noise = () => (markSd > 0 ? random.normal(0, markSd) : 0);
  const frames: MarkedFrame[] = [];
  for (let frame = 0; frame / fps <= delivery.duration; frame++) {
    const joints = Object.entries(markedJointsAt(delivery, frame / fps)).map(([joint, at]): [MarkedJoint, MarkedPoint] => {
      if (!camera) return [joint as MarkedJoint, { x: at[0] + noise(), y: at[1] + noise(), z: at[2] + noise(), sd: markSd }];
      const seen = project(camera, at);
      return [
        joint as MarkedJoint,
        { x: round(seen.x + noise(), exact ? 9 : 2), y: round(seen.y + noise(), exact ? 9 : 2), sd: markSd },
      ];
    });
    frames.push({ frame, joints: Object.fromEntries(joints) });
  }
  const events = Object.fromEntries(
    Object.entries(delivery.events).map(([event, t]): [string, MarkedEvent] => [
      event,
      exact ? { frame: t * fps, sd: 0 } : { frame: Math.min(Math.round(t * fps), frames.length - 1) },
    ]),
  );
  return {
    discipline: request.discipline,
    throws,
    fps,
    view,
    heightM: request.heightM,
    scale: camera ? { metresPerUnit: metresPerPixel(camera), sd: exact ? 0 : 0.02 } : null,
    events,
    frames,
  };
}
