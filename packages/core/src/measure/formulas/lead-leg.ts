import { degrees, minus, offLine } from '../geometry';
import { frameOf, INCH, kneeBent, percentOfHeight, requireStanding, shank } from '../readings';
import { ABOVE, ENDS, SIDE } from './formula';
import type { Formula } from './formula';

/** The stride and the front leg. */
export const LEAD_LEG: readonly Formula[] = [
  {
    measure: 'stride-length',
    events: ['contact'],
    views: SIDE,
    scaled: true,
    at: (t) => percentOfHeight(t, t.at('lead-ankle', t.event('contact'))[0] - t.at('drive-ankle', t.event('set'))[0]),
  },
  {
    measure: 'stride-direction',
    events: ['contact'],
    planeSd: 0.11,
    views: ['front', 'rear', 'top', '3d'],
    scaled: true,
    at: (t) => {
      t.requireScale();
      return -(t.at('lead-ankle', t.event('contact'))[1] - t.at('drive-ankle', t.event('set'))[1]) / INCH;
    },
  },
  {
    measure: 'lead-foot-angle',
    events: ['contact'],
    views: ABOVE,
    rough: { front: { sd: 10, why: 'from the front the turn of the foot is only estimated from its width' } },
    at: (t, e) => {
      const f = frameOf(t, e);
      const d = minus(t.at('lead-toe', f), t.at('lead-heel', f));
      if (t.shown.includes(0)) return -degrees(d[1], d[0]);
      t.requireScale();
      const foot = 0.13 * t.request.heightM;
      return (-Math.asin(Math.max(-1, Math.min(1, d[1] / foot))) * 180) / Math.PI;
    },
  },
  ...(
    [
      ['contact', 0.97],
      ['release', 0.88],
    ] as const
  ).map(([event, planeSd]): Formula => ({
    measure: 'lead-knee-flexion',
    events: [event],
    views: SIDE,
    planeSd,
    at: (t, e) => {
      if (e === 'release') requireStanding(t, frameOf(t, e));
      return kneeBent(t, 'lead', frameOf(t, e));
    },
  })),
  {
    measure: 'lead-knee-in-out',
    events: ['contact'],
    planeSd: { front: 0.88, rear: 2.11 },
    trackedSd: { front: 5 },
    views: ENDS,
    at: (t) => {
      const from = t.event('contact');
      const off = (f: number) => offLine(t.at('lead-knee', f), t.at('lead-hip', f), t.at('lead-ankle', f));
      return (100 * (off(from + 0.1 * t.request.fps) - off(from))) / shank(t, 'lead');
    },
  },
  {
    measure: 'lead-shin-angle',
    events: ['mid-move'],
    views: SIDE,
    planeSd: 0.53,
    at: (t, e) => {
      const f = frameOf(t, e);
      const d = minus(t.at('lead-ankle', f), t.at('lead-knee', f));
      return degrees(d[0], -d[2]);
    },
  },
  {
    measure: 'lead-knee-extension',
    events: ['release'],
    views: SIDE,
    // From the closed side the front knee is seen at a slant.
    planeSd: { 'side-open': 1.41, 'side-closed': 3.5 },
    at: (t) => {
      requireStanding(t, t.event('release'));
      return kneeBent(t, 'lead', t.event('contact')) - kneeBent(t, 'lead', t.event('release'));
    },
  },
];
