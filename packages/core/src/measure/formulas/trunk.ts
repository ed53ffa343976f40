import type { DeliveryEvent } from '../../delivery/measures';
import { degrees, lean, minus } from '../geometry';
import { frameOf, half, HIPS, midHip, midShoulder, series, widest } from '../readings';
import { smooth } from '../series';
import { Missing } from '../throw-marks';
import type { View } from '../types';
import { ENDS, SIDE } from './formula';
import type { Formula } from './formula';

/** A line is seen square enough while it looks at least so long against its longest. */
const SEEN_SQUARE = 0.6;
const TILT_EVENTS: readonly DeliveryEvent[] = ['set', 'peak-knee', 'mid-move', 'toe-off', 'contact', 'foot-flat', 'release'];

/** Tilts of trunk and pelvis. */
export const TRUNK: readonly Formula[] = [
  ...TILT_EVENTS.map((event): Formula => ({
    measure: 'trunk-tilt-forward',
    events: [event],
    // By release the trunk has turned and leant out of the plane.
    planeSd: event === 'release' ? 0.53 : 0.2,
    views: SIDE,
    at: (t, e) => lean(midHip(t, frameOf(t, e)), midShoulder(t, frameOf(t, e)), 0),
  })),
  {
    measure: 'trunk-turn-back',
    disciplines: ['windmill'],
    events: ['release'],
    planeSd: 0.37,
    trackedSd: 2,
    views: SIDE,
    at: (t) => {
      const [contact, release] = [t.event('contact'), t.event('release')];
      const joints = [...HIPS, 'throwing-shoulder', 'glove-shoulder'] as const;
      // What stands out of the noise: a line through the neighbours of each frame.
      const tilts = smooth(
        series(t, joints, contact - half(t, 0.02), release + half(t, 0.02), (f) => lean(midHip(t, f), midShoulder(t, f), 0)),
        half(t, 0.02),
      ).filter((s) => s.t >= contact - 0.5 && s.t <= release + 0.5);
      const last = tilts[tilts.length - 1];
      if (!last) throw new Missing('too few frames from contact to release are marked');
      return Math.max(...tilts.map(({ v }) => v)) - last.v;
    },
  },
  ...(
    [
      [TILT_EVENTS.filter((event) => event !== 'release'), 1],
      // The raised arm draws a tracker's shoulder with it.
      [['release'], 4.5],
    ] as const
  ).map(([events, trackedSd]): Formula => ({
    measure: 'trunk-tilt-side',
    events,
    planeSd: 0.16,
    trackedSd,
    views: ENDS,
    at: (t, e) => lean(midHip(t, frameOf(t, e)), midShoulder(t, frameOf(t, e)), 1),
  })),
  ...(
    [
      [['peak-knee', 'mid-move'], SIDE],
      [['contact'], ENDS],
    ] as readonly (readonly [readonly DeliveryEvent[], readonly View[]])[]
  ).map(([events, views]): Formula => ({
    measure: 'pelvis-tilt',
    events,
    views,
    planeSd: events.includes('contact') ? 2.6 : 1.15,
    at: (t, e) => {
      const d = minus(t.at('lead-hip', frameOf(t, e)), t.at('drive-hip', frameOf(t, e)));
      if (Math.hypot(...d) < SEEN_SQUARE * widest(t, HIPS))
        throw new Missing('the hips are seen from their end there: a tilt needs to be seen square');
      return degrees(d[2], Math.hypot(d[0], d[1]));
    },
  })),
];
