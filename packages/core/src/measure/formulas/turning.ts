import {
  frameOf,
  half,
  HIPS,
  ms,
  ONSET_SHARE,
  pelvisTurn,
  separation,
  separationByWidth,
  trunkTurn,
  turnPeak,
} from '../readings';
import { onsetOf, peakOf, smooth } from '../series';
import { Missing } from '../throw-marks';
import type { View } from '../types';
import { ABOVE } from './formula';
import type { Formula } from './formula';

/** Half-width of the line that the separation of hips and shoulders is read from, seconds. */
const SEPARATION_S = 0.03;
const ALL: readonly View[] = ['side-open', 'side-closed', 'front', 'rear', 'top', '3d'];

/** Turns of hips and trunk, and when they come. */
export const TURNING: readonly Formula[] = [
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
];
