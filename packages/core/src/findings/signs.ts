import type { Discipline } from '../delivery/links';
import type { DeliveryEvent, MeasureId } from '../delivery/measures';
import type { FindingId } from './ids';

/**
 * What a measured value says about a finding. At `at` it says nothing; `spread` beyond it, it speaks as clearly as one value
 * can. Values are compared with two normal densities at ± spread from the threshold. Provenance: thresholds from the bands,
 * spreads `house`.
 */
export interface Sign {
  readonly finding: FindingId;
  readonly measure: MeasureId;
  readonly side: 'below' | 'above' | 'outside';
  readonly at: number;
  readonly youthAt?: number;
  /** Upper edge for `outside`. */
  readonly upTo?: number;
  readonly spread: number;
  readonly events?: readonly DeliveryEvent[];
  /** Its events are one statement: the first of them that was measured speaks, the others say nothing more. */
  readonly firstOnly?: boolean;
  /** Share of those with the finding in whom it shows; in the others it reads as if there were none. Left out: in all of them. */
  readonly shows?: number;
  readonly disciplines?: readonly Discipline[];
}

/** A sign that shows in about half of those with the finding: it speaks for it, and hardly against it. Provenance `house`. */
const SOME = 0.5;

const H: readonly Discipline[] = ['overhand'];
const W: readonly Discipline[] = ['windmill'];

export const SIGNS: readonly Sign[] = [
  {
    finding: 'turn-together',
    measure: 'hip-shoulder-separation',
    side: 'below',
    at: 30,
    youthAt: 20,
    spread: 12,
    events: ['contact', 'max', 'foot-flat'],
    firstOnly: true,
  },
  // Hips that start in time and still stand closed at contact are late: only the angle can say that they are not.
  { finding: 'late-hips', measure: 'pelvis-start-lead', side: 'below', at: 0, spread: 15, shows: SOME },
  { finding: 'late-hips', measure: 'pelvis-rotation', side: 'below', at: 40, spread: 12, events: ['contact'], disciplines: H },
  { finding: 'fly-open', measure: 'trunk-rotation', side: 'above', at: 30, spread: 12, events: ['contact'] },
  { finding: 'early-arm', measure: 'hand-up-lead', side: 'above', at: 60, spread: 25 },
  { finding: 'late-arm', measure: 'hand-up-lead', side: 'below', at: -20, spread: 25 },
  { finding: 'late-arm', measure: 'throwing-hand-height', side: 'below', at: 0, spread: 4 },
  { finding: 'low-elbow', measure: 'elbow-height', side: 'below', at: -10, spread: 8 },
  { finding: 'long-lever', measure: 'elbow-flexion', side: 'below', at: 66, spread: 12, events: ['contact'], disciplines: H },
  {
    finding: 'straight-whip',
    measure: 'elbow-flexion',
    side: 'below',
    at: 15,
    spread: 9,
    events: ['arm-9-oclock'],
    disciplines: W,
  },
  { finding: 'arm-drag', measure: 'elbow-behind', side: 'above', at: 3, spread: 2.8 },
  { finding: 'short-stride', measure: 'stride-length', side: 'below', at: 75, youthAt: 65, spread: 7, disciplines: H },
  { finding: 'short-stride', measure: 'stride-length', side: 'below', at: 70, spread: 7, disciplines: W },
  { finding: 'stride-offline', measure: 'stride-direction', side: 'outside', at: -2, upTo: 4, spread: 2 },
  { finding: 'knee-caves', measure: 'lead-knee-in-out', side: 'below', at: -10, spread: 8 },
  { finding: 'no-brace', measure: 'lead-knee-extension', side: 'below', at: 0, spread: 7 },
  { finding: 'no-brace', measure: 'lead-knee-in-out', side: 'above', at: 16, spread: 7, shows: SOME },
  {
    finding: 'locked-landing',
    measure: 'lead-knee-flexion',
    side: 'below',
    at: 20,
    spread: 12,
    events: ['contact'],
    disciplines: H,
  },
  {
    finding: 'locked-landing',
    measure: 'lead-knee-flexion',
    side: 'below',
    at: 15,
    spread: 7,
    events: ['contact'],
    disciplines: W,
  },
  {
    finding: 'sunk-landing',
    measure: 'lead-knee-flexion',
    side: 'above',
    at: 45,
    spread: 8,
    events: ['contact'],
    disciplines: W,
  },
  { finding: 'swing-open', measure: 'lead-shin-angle', side: 'above', at: 30, spread: 8 },
  { finding: 'swing-open', measure: 'lead-foot-angle', side: 'below', at: -4, spread: 7, shows: SOME, disciplines: H },
  { finding: 'fly-open', measure: 'lead-foot-angle', side: 'below', at: -8, spread: 8, shows: SOME, disciplines: H },
  { finding: 'shin-vertical', measure: 'drive-shin-angle', side: 'below', at: 35, spread: 8, events: ['toe-off'] },
  { finding: 'knee-led-load', measure: 'drive-knee-over-toe', side: 'above', at: 15, spread: 8 },
  { finding: 'stall', measure: 'hip-travel-dip', side: 'above', at: 30, spread: 10 },
  { finding: 'jump-off', measure: 'hip-path-rise', side: 'above', at: 0, spread: 5, disciplines: H },
  { finding: 'early-extension', measure: 'hip-path-rise', side: 'above', at: 5, spread: 4, disciplines: W },
  { finding: 'chest-behind', measure: 'chest-past-knee', side: 'below', at: -1, spread: 4, disciplines: H },
  {
    finding: 'chest-behind',
    measure: 'trunk-tilt-forward',
    side: 'below',
    at: 21,
    spread: 6,
    events: ['release'],
    disciplines: H,
    shows: SOME,
  },
  { finding: 'fold-and-lift', measure: 'trunk-turn-back', side: 'above', at: 6.5, spread: 4, disciplines: W },
  {
    finding: 'fold-and-lift',
    measure: 'trunk-tilt-forward',
    side: 'above',
    at: 18,
    spread: 6,
    events: ['release'],
    disciplines: W,
    shows: SOME,
  },
  { finding: 'lean-back', measure: 'trunk-tilt-forward', side: 'below', at: -5, spread: 6, events: ['contact'], disciplines: H },
  { finding: 'early-peel', measure: 'heel-peel-lead', side: 'above', at: 60, spread: 30 },
  { finding: 'early-tip', measure: 'pelvis-tilt', side: 'below', at: -5, spread: 6, events: ['mid-move'] },
  { finding: 'stuck-back', measure: 'pelvis-tilt', side: 'above', at: 10, spread: 6, events: ['mid-move'], disciplines: H },
  { finding: 'glove-pull', measure: 'glove-travel-side', side: 'above', at: 15, spread: 6 },
  { finding: 'idle-drive-leg', measure: 'push-off-spread', side: 'above', at: 50, spread: 18 },
  { finding: 'early-close', measure: 'pelvis-rotation', side: 'above', at: 75, spread: 12, events: ['release'], disciplines: W },
  { finding: 'shoulder-finish', measure: 'finish-spread', side: 'above', at: 60, spread: 30 },
];
