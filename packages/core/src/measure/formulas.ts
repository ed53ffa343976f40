import type { Discipline } from '../delivery/links';
import type { DeliveryEvent, MeasureId } from '../delivery/measures';
import { degrees, elbowRise, flexion, flexionInPlane, lean, minus, offLine } from './geometry';
import { onsetOf, peakOf, slopes, smooth } from './series';
import type { Sample } from './series';
import {
  arrival,
  frameOf,
  half,
  handUp,
  hipExtension,
  HIPS,
  INCH,
  kneeBent,
  midHip,
  midShoulder,
  mostOf,
  ms,
  ONSET_SHARE,
  pelvisTurn,
  percentOfHeight,
  requireStanding,
  separation,
  separationByWidth,
  series,
  shank,
  speedOfHips,
  spread,
  straightest,
  trunkTurn,
  turnPeak,
  widest,
} from './readings';
import { Missing } from './throw';
import type { Throw } from './throw';
import type { View } from './types';

/** How one measure is taken. */
export interface Formula {
  readonly measure: MeasureId;
  /** Events at which it is taken. */
  readonly events: readonly DeliveryEvent[];
  readonly disciplines?: readonly Discipline[];
  readonly views: readonly View[];
  /** Views from which it is only estimated: the least SD there, in its unit, and why. */
  readonly rough?: Partial<Record<View, { readonly sd: number; readonly why: string }>>;
  /** Error that seeing in a plane from a few metres brings, in its unit, of all views or of each; provenance: simulated deliveries, docs/measures.md. */
  readonly planeSd?: number | Partial<Record<View, number>>;
  /** Error that a tracker brings beyond what its joints state, for it sees a part off in the same way in every throw; as `planeSd`, of rendered clips. */
  readonly trackedSd?: number | Partial<Record<View, number>>;
  /** A length: the scale's error counts. */
  readonly scaled?: boolean;
  /** The greatest of noisy values is too great: what the marks' own jitter adds is taken off. */
  readonly noisy?: boolean;
  /** Hangs on speeds that tracked joints are too rough for: noise alone would make it. */
  readonly handOnly?: boolean;
  readonly at: (t: Throw, event: DeliveryEvent) => number;
}

const SIDES: readonly View[] = ['side-open', 'side-closed'];
const SIDE: readonly View[] = [...SIDES, '3d'];
const ENDS: readonly View[] = ['front', 'rear', '3d'];
const ABOVE: readonly View[] = ['top', '3d'];
const ALL: readonly View[] = ['side-open', 'side-closed', 'front', 'rear', 'top', '3d'];

/** A line is seen square enough while it looks at least so long against its longest. */
const SEEN_SQUARE = 0.6;
/** Half-width of the line that the separation of hips and shoulders is read from, seconds. */
const SEPARATION_S = 0.03;
const TILT_EVENTS: readonly DeliveryEvent[] = ['set', 'peak-knee', 'mid-move', 'toe-off', 'contact', 'foot-flat', 'release'];

/** Formulas of all measures, as defined for the product (docs/measures.md). */
export const FORMULAS: readonly Formula[] = [
  {
    measure: 'hip-shoulder-separation',
    events: ['contact', 'foot-flat', 'max'],
    views: ABOVE,
    rough: { front: { sd: 10, why: 'from the front the turns of hips and shoulders are only estimated from their widths' } },
    at: (t, event) => {
      if (t.request.view === 'front') {
        if (event === 'max') throw new Missing('the greatest separation cannot be told from the front');
        return separationByWidth(t, frameOf(t, event));
      }
      if (event !== 'max') return separation(t, frameOf(t, event));
      const to = t.has('release') ? t.event('release') : t.event('contact') + 0.1 * t.request.fps;
      const frames = t.framesOf([...HIPS, 'throwing-shoulder', 'glove-shoulder'], t.event('contact') - 0.2 * t.request.fps, to);
      if (frames.length < 3) throw new Missing('too few frames round contact are marked');
      // The greatest of noisy values is too great: a line through the neighbours of each is read instead.
      const curve = smooth(
        frames.map((f) => ({ t: f, v: separation(t, f) })),
        half(t, SEPARATION_S),
      );
      return peakOf(curve)?.v ?? Math.max(...frames.map((f) => separation(t, f)));
    },
  },
  { measure: 'pelvis-rotation', events: ['contact', 'release'], views: ABOVE, at: (t, e) => pelvisTurn(t, frameOf(t, e)) },
  { measure: 'trunk-rotation', events: ['contact'], views: ABOVE, at: (t, e) => trunkTurn(t, frameOf(t, e)) },
  {
    measure: 'pelvis-start-lead',
    planeSd: 4.8,
    events: ['contact'],
    views: ABOVE,
    at: (t) => {
      const { speeds, peak } = turnPeak(t);
      const onset = onsetOf(speeds, peak, ONSET_SHARE);
      if (onset === null) throw new Missing('the hips turn already where the marked frames begin');
      return ms(t, t.event('contact') - onset);
    },
  },
  {
    measure: 'contact-to-pelvis-peak',
    events: ['contact'],
    views: ABOVE,
    at: (t) => ms(t, turnPeak(t).peak.t - t.event('contact')),
  },
  {
    measure: 'contact-to-release',
    events: ['release'],
    views: ALL,
    at: (t) => ms(t, t.event('release') - t.event('contact')),
  },
  {
    measure: 'hand-break-lead',
    events: ['contact'],
    disciplines: ['overhand'],
    views: SIDE,
    at: (t) => ms(t, t.event('contact') - t.event('hand-break')),
  },
  { measure: 'hand-up-lead', events: ['contact'], views: [...SIDE, 'rear'], at: (t) => ms(t, t.event('contact') - handUp(t)) },
  {
    measure: 'throwing-hand-height',
    events: ['contact'],
    views: [...SIDE, 'rear'],
    planeSd: { 'side-open': 0.51, 'side-closed': 0.44, rear: 1.67 },
    trackedSd: { rear: 4.5 },
    scaled: true,
    at: (t, e) => {
      const f = frameOf(t, e);
      return percentOfHeight(t, t.at('throwing-wrist', f)[2] - t.at('throwing-shoulder', f)[2]);
    },
  },
  ...(
    [
      ['contact', SIDE, 0.97],
      ['release', ENDS, 2.2],
    ] as const
  ).map(([event, views, planeSd]): Formula => ({
    measure: 'elbow-height',
    disciplines: ['overhand'],
    events: [event],
    views,
    planeSd,
    at: (t, e) => {
      const f = frameOf(t, e);
      return elbowRise(t.at('throwing-shoulder', f), t.at('throwing-elbow', f), t.at('glove-shoulder', f), midHip(t, f));
    },
  })),
  ...(
    [
      ['contact', SIDE, ['overhand'], { 'side-open': 8.4, 'side-closed': 6.2 }],
      ['release', ENDS, ['overhand'], 2.3],
      ['arm-9-oclock', SIDE, ['windmill'], 1.06],
    ] as const
  ).map(([event, views, disciplines, planeSd]): Formula => ({
    measure: 'elbow-flexion',
    events: [event],
    views,
    disciplines,
    planeSd,
    at: (t, e) => {
      const f = frameOf(t, e);
      const joints = [t.at('throwing-shoulder', f), t.at('throwing-elbow', f), t.at('throwing-wrist', f)] as const;
      // On its circle seen from the side the hand trails behind the elbow.
      return e === 'arm-9-oclock' && t.request.view !== '3d' ? flexionInPlane(...joints, -1) : flexion(...joints);
    },
  })),
  {
    measure: 'elbow-behind',
    events: ['trunk-square'],
    views: ABOVE,
    planeSd: 0.35,
    scaled: true,
    at: (t, e) => {
      const f = frameOf(t, e);
      const turn = (trunkTurn(t, f) * Math.PI) / 180;
      const arm = minus(t.at('throwing-elbow', f), t.at('throwing-shoulder', f));
      // The chest looks to (sin, −cos) of the trunk's turn.
      return percentOfHeight(t, -(arm[0] * Math.sin(turn) - arm[1] * Math.cos(turn)));
    },
  },
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
  { measure: 'heel-peel-lead', events: ['heel-off'], views: SIDE, at: (t) => ms(t, t.event('contact') - t.event('heel-off')) },
  {
    measure: 'push-off-spread',
    handOnly: true,
    events: ['toe-off'],
    disciplines: ['windmill'],
    planeSd: 1.67,
    views: SIDE,
    at: (t, e) => {
      const f = frameOf(t, e);
      const [from, to] = [f - 0.2 * t.request.fps, f + 0.06 * t.request.fps];
      return ms(
        t,
        spread([
          straightest(t, ['drive-knee', 'drive-ankle', 'drive-toe'], from, to),
          straightest(t, ['drive-hip', 'drive-knee', 'drive-ankle'], from, to),
          // A hip goes on past straight: the thigh behind the trunk is more extension, not less.
          mostOf(t, ['drive-hip', 'drive-knee', ...HIPS, 'throwing-shoulder', 'glove-shoulder'], from, to, (g) =>
            hipExtension(t, g),
          ),
        ]),
      );
    },
  },
  {
    measure: 'finish-spread',
    handOnly: true,
    events: ['finish'],
    disciplines: ['windmill'],
    planeSd: 2.46,
    views: SIDE,
    at: (t) => {
      const from = t.event('release') - 0.1 * t.request.fps;
      const to = from + 1.2 * t.request.fps;
      return ms(
        t,
        spread((['throwing-wrist', 'glove-wrist', 'drive-ankle'] as const).map((joint) => arrival(t, joint, from, to))),
      );
    },
  },
  {
    measure: 'glove-travel-side',
    events: ['release'],
    planeSd: { front: 1.23, rear: 0.92 },
    trackedSd: { rear: 2.5 },
    views: ENDS,
    scaled: true,
    at: (t) =>
      percentOfHeight(t, Math.abs(t.at('glove-wrist', t.event('release'))[1] - t.at('glove-wrist', t.event('contact'))[1])),
  },
  {
    measure: 'chest-past-knee',
    events: ['release'],
    planeSd: 0.53,
    views: SIDE,
    scaled: true,
    at: (t, e) => {
      requireStanding(t, frameOf(t, e));
      return percentOfHeight(t, midShoulder(t, frameOf(t, e))[0] - t.at('lead-knee', frameOf(t, e))[0]);
    },
  },
];
