import { degrees, lean } from '../geometry';
import { frameOf, half, HIPS, midHip, percentOfHeight, series, shank, speedOfHips } from '../readings';
import { slopes } from '../series';
import type { Sample } from '../series';
import { Missing } from '../throw-marks';
import { ENDS, SIDE } from './formula';
import type { Formula } from './formula';

/** The back leg and the way of the hips. */
export const DRIVE_LEG: readonly Formula[] = [
  ...(
    [
      [['peak-knee', 'mid-move'], 0],
      // The foot leaves the ground in the blur of the push: the moment is seen late or early.
      [['toe-off'], 9],
    ] as const
  ).map(([events, trackedSd]): Formula => ({
    measure: 'drive-shin-angle',
    events,
    views: SIDE,
    planeSd: 0.66,
    trackedSd,
    at: (t, e) => lean(t.at('drive-ankle', frameOf(t, e)), t.at('drive-knee', frameOf(t, e)), 0),
  })),
  {
    measure: 'drive-knee-over-toe',
    events: ['deepest-load'],
    planeSd: { front: 1.76, rear: 0.7 },
    views: ENDS,
    at: (t, e) => {
      const f = frameOf(t, e);
      return (-100 * (t.at('drive-knee', f)[1] - t.at('drive-toe', f)[1])) / shank(t, 'drive');
    },
  },
  {
    measure: 'hip-travel-dip',
    disciplines: ['overhand'],
    events: ['mid-move'],
    planeSd: 1.06,
    noisy: true,
    handOnly: true,
    views: SIDE,
    at: (t) => {
      const speeds = speedOfHips(t, t.event('peak-knee'), t.event('contact'));
      let [top, dip] = [0, 0];
      for (const { v } of speeds) {
        top = Math.max(top, v);
        if (top > 0) dip = Math.max(dip, (top - v) / top);
      }
      if (top <= 0) throw new Missing('the hips do not travel in the marked frames');
      return 100 * dip;
    },
  },
  {
    measure: 'drive-hip-drop',
    disciplines: ['overhand'],
    events: ['contact'],
    planeSd: 0.26,
    views: SIDE,
    scaled: true,
    at: (t) => percentOfHeight(t, t.at('drive-hip', t.event('peak-knee'))[2] - t.at('drive-hip', t.event('contact'))[2]),
  },
  {
    measure: 'drive-hip-travel',
    disciplines: ['overhand'],
    events: ['contact'],
    views: SIDE,
    scaled: true,
    at: (t) => percentOfHeight(t, t.at('drive-hip', t.event('contact'))[0] - t.at('drive-hip', t.event('peak-knee'))[0]),
  },
  {
    measure: 'hip-path-rise',
    handOnly: true,
    events: ['toe-off'],
    planeSd: 0.53,
    views: SIDE,
    at: (t, e) => {
      const f = frameOf(t, e);
      const around = (axis: 0 | 2) =>
        slopes(
          series(t, HIPS, f - 2 * half(t), f + 2 * half(t), (g) => midHip(t, g)[axis]),
          2 * half(t),
        );
      const nearest = (samples: readonly Sample[]) => samples.reduce((a, b) => (Math.abs(b.t - f) < Math.abs(a.t - f) ? b : a)).v;
      return degrees(nearest(around(2)), nearest(around(0)));
    },
  },
];
