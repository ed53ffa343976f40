import type { Discipline } from './links';

export const EVENTS = [
  'set',
  'first-move',
  'peak-knee',
  'arm-3-oclock',
  'hand-break',
  'mid-move',
  'deepest-load',
  'hand-up',
  'heel-off',
  'toe-off',
  'arm-12-oclock',
  'arm-9-oclock',
  'contact',
  'foot-flat',
  'trunk-square',
  'max-external-rotation',
  'release',
  'finish',
  'max',
] as const;
export type DeliveryEvent = (typeof EVENTS)[number];

export const MEASURE_IDS = [
  'hip-shoulder-separation',
  'pelvis-rotation',
  'trunk-rotation',
  'pelvis-start-lead',
  'contact-to-pelvis-peak',
  'contact-to-release',
  'hand-break-lead',
  'hand-up-lead',
  'throwing-hand-height',
  'elbow-height',
  'elbow-flexion',
  'elbow-behind',
  'stride-length',
  'stride-direction',
  'lead-foot-angle',
  'lead-knee-flexion',
  'lead-knee-extension',
  'lead-knee-in-out',
  'lead-shin-angle',
  'drive-shin-angle',
  'drive-knee-over-toe',
  'hip-travel-dip',
  'drive-hip-drop',
  'drive-hip-travel',
  'hip-path-rise',
  'trunk-tilt-forward',
  'trunk-turn-back',
  'trunk-tilt-side',
  'pelvis-tilt',
  'heel-peel-lead',
  'push-off-spread',
  'finish-spread',
  'glove-travel-side',
  'chest-past-knee',
] as const;
export type MeasureId = (typeof MEASURE_IDS)[number];
export type MeasureUnit = 'deg' | 'ms' | '%height' | 'in' | '%shank' | '%';

export interface Band {
  readonly event: DeliveryEvent;
  readonly low?: number;
  readonly high?: number;
  /** Youth band where it differs. */
  readonly youthLow?: number;
  readonly youthHigh?: number;
}

export interface Measure {
  readonly id: MeasureId;
  readonly name: string;
  readonly unit: MeasureUnit;
  readonly views: string;
  /** Typical error of one careful reading, 1 SD. */
  readonly typicalSd: number;
  readonly bands: Partial<Record<Discipline, readonly Band[]>>;
  readonly provenance: 'published' | 'convention' | 'house';
}

const measure = (
  id: MeasureId,
  name: string,
  unit: MeasureUnit,
  views: string,
  typicalSd: number,
  bands: Measure['bands'] = {},
  provenance: Measure['provenance'] = 'convention',
): Measure => ({ id, name, unit, views, typicalSd, bands, provenance });

export const MEASURES: readonly Measure[] = [
  measure(
    'hip-shoulder-separation',
    'Hip–shoulder separation',
    'deg',
    'top, 3D; front as a rough estimate',
    5,
    {
      overhand: [{ event: 'contact', low: 30, high: 60, youthLow: 20, youthHigh: 45 }],
    },
    'published',
  ),
  measure(
    'pelvis-rotation',
    'Pelvis rotation',
    'deg',
    'top, 3D',
    5,
    {
      overhand: [{ event: 'contact', low: 40, high: 70 }],
      windmill: [
        { event: 'contact', low: 0, high: 30 },
        { event: 'release', low: 35, high: 60 },
      ],
    },
    'published',
  ),
  measure('trunk-rotation', 'Trunk rotation', 'deg', 'top, 3D', 5, { overhand: [{ event: 'contact', high: 30 }] }),
  measure('pelvis-start-lead', 'Hips start before contact', 'ms', '3D; side by eye', 10, {
    overhand: [{ event: 'contact', low: 0 }],
  }),
  measure('contact-to-pelvis-peak', 'Contact to pelvis peak', 'ms', 'any', 6),
  measure(
    'contact-to-release',
    'Contact to release',
    'ms',
    'any',
    3,
    {
      overhand: [{ event: 'release', low: 130, high: 180 }],
      windmill: [{ event: 'release', low: 90, high: 140 }],
    },
    'house',
  ),
  measure('hand-break-lead', 'Hand break before contact', 'ms', 'side', 8),
  measure('hand-up-lead', 'Hand at shoulder height before contact', 'ms', 'side, rear', 8, {
    overhand: [{ event: 'contact', low: -20, high: 40 }],
  }),
  measure('throwing-hand-height', 'Throwing hand against shoulder', '%height', 'side, rear', 1.5, {
    overhand: [{ event: 'contact', low: 0 }],
  }),
  measure('elbow-height', 'Elbow against shoulder line', 'deg', 'side, front, rear, 3D', 4, {
    overhand: [
      { event: 'contact', low: -10, high: 15 },
      { event: 'release', low: -10, high: 15 },
    ],
  }),
  measure('elbow-flexion', 'Elbow flexion', 'deg', 'side, front, rear, 3D', 5, {
    overhand: [{ event: 'contact', low: 80, high: 110 }],
    windmill: [{ event: 'arm-9-oclock', low: 15, high: 60 }],
  }),
  measure('elbow-behind', 'Elbow behind the chest line', '%height', 'top, 3D', 1, {
    overhand: [{ event: 'trunk-square', high: 3 }],
  }),
  measure(
    'stride-length',
    'Stride length',
    '%height',
    'side',
    2,
    {
      overhand: [{ event: 'contact', low: 75, high: 90, youthLow: 65, youthHigh: 85 }],
      windmill: [{ event: 'contact', low: 70, high: 100 }],
    },
    'published',
  ),
  measure('stride-direction', 'Stride direction', 'in', 'front, rear, top', 1, {
    overhand: [{ event: 'contact', low: -2, high: 4 }],
    windmill: [{ event: 'contact', low: -2, high: 4 }],
  }),
  measure('lead-foot-angle', 'Lead foot angle', 'deg', 'top, 3D; front by eye', 5, {
    overhand: [{ event: 'contact', low: 0, high: 25 }],
    windmill: [{ event: 'contact', low: 10, high: 60 }],
  }),
  measure(
    'lead-knee-flexion',
    'Lead knee flexion',
    'deg',
    'side',
    4,
    {
      overhand: [
        { event: 'contact', low: 35, high: 55 },
        { event: 'release', low: 25, high: 45 },
      ],
      windmill: [{ event: 'contact', low: 15, high: 35 }],
    },
    'published',
  ),
  measure('lead-knee-extension', 'Lead knee straightens', 'deg', 'side', 5, {
    overhand: [{ event: 'release', low: 5 }],
    windmill: [{ event: 'release', low: 0 }],
  }),
  measure('lead-knee-in-out', 'Lead knee in or out', '%shank', 'front, rear', 3, {
    overhand: [{ event: 'contact', low: -10, high: 10 }],
    windmill: [{ event: 'contact', low: -10, high: 10 }],
  }),
  measure('lead-shin-angle', 'Lead shin to the target', 'deg', 'side', 4, { overhand: [{ event: 'mid-move', high: 30 }] }),
  measure('drive-shin-angle', 'Drive shin from vertical', 'deg', 'side', 4, {
    overhand: [{ event: 'toe-off', low: 35, high: 60 }],
  }),
  measure('drive-knee-over-toe', 'Drive knee past the toe', '%shank', 'front, rear, 3D', 4, {
    overhand: [{ event: 'deepest-load', high: 15 }],
  }),
  measure('hip-travel-dip', 'Dip of the hips’ forward speed', '%', 'side', 6, { overhand: [{ event: 'mid-move', high: 30 }] }),
  measure('drive-hip-drop', 'Drive hip down', '%height', 'side', 1.5),
  measure('drive-hip-travel', 'Drive hip forward', '%height', 'side', 1.5),
  measure('hip-path-rise', 'Rise of the hips’ path', 'deg', 'side', 2, {
    overhand: [{ event: 'toe-off', high: 0 }],
    windmill: [{ event: 'toe-off', high: 5 }],
  }),
  measure('trunk-tilt-forward', 'Trunk tilt forward', 'deg', 'side', 3, {
    overhand: [
      { event: 'contact', low: -5, high: 10 },
      { event: 'release', low: 25, high: 40 },
    ],
    windmill: [
      { event: 'contact', low: -5, high: 15 },
      { event: 'release', low: -5, high: 15 },
    ],
  }),
  measure('trunk-turn-back', 'Trunk comes back up', 'deg', 'side', 3, { windmill: [{ event: 'release', high: 5 }] }, 'house'),
  measure('trunk-tilt-side', 'Trunk tilt sideways', 'deg', 'front', 3),
  measure('pelvis-tilt', 'Pelvis hike or tip', 'deg', 'side, front, rear', 3, {
    overhand: [{ event: 'mid-move', low: -5, high: 8 }],
  }),
  measure('heel-peel-lead', 'Back heel up before contact', 'ms', 'side', 8, { overhand: [{ event: 'heel-off', high: 60 }] }),
  measure('push-off-spread', 'Ankle, knee, hip extension spread', 'ms', 'side', 8, {
    windmill: [{ event: 'toe-off', high: 30 }],
  }),
  measure('finish-spread', 'Hand, glove, foot arrival spread', 'ms', 'side', 10, { windmill: [{ event: 'finish', high: 60 }] }),
  measure('glove-travel-side', 'Sideways glove travel', '%height', 'front, rear', 2, {
    overhand: [{ event: 'release', high: 15 }],
  }),
  measure('chest-past-knee', 'Chest past the lead knee', '%height', 'side', 1.5, { overhand: [{ event: 'release', low: 0 }] }),
];

const BY_ID = new Map(MEASURES.map((m) => [m.id, m]));

/** @throws RangeError for an unknown id */
export function measureById(id: MeasureId): Measure {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`unknown measure “${id}”`);
  return found;
}
