/** Looks at one telling detail, with more than yes and no for an answer; what some of them mean depends on the school. */
import type { Discipline, Link } from '../delivery/links';
import type { FindingId } from '../findings/ids';
import type { Schools } from '../shared/schools';

export const GLANCE_IDS = ['rear-foot', 'first-touch', 'chest-from-plate', 'tether', 'trailing-foot'] as const;
export type GlanceId = (typeof GLANCE_IDS)[number];
export const GLANCE_ANSWERS = [
  'on-toe',
  'inside-edge',
  'heel-down',
  'ball',
  'flat',
  'heel',
  'seen',
  'hidden',
  'draws-in',
  'slack',
  'straight',
  'curved',
] as const;
export type GlanceAnswer = (typeof GLANCE_ANSWERS)[number];

/** How much likelier an answer makes a finding. */
type Says = readonly (readonly [finding: FindingId, times: number])[];

export interface Detail {
  readonly id: GlanceId;
  readonly link: Link;
  readonly disciplines: readonly Discipline[];
  readonly question: string;
  readonly answers: readonly { readonly id: GlanceAnswer; readonly label: string; readonly says: (schools: Schools) => Says }[];
}

const always =
  (...says: Says) =>
  () =>
    says;

/** The details, in the order of the links. All numbers are likelihood ratios; provenance `house`. */
export const DETAILS: readonly Detail[] = [
  {
    id: 'rear-foot',
    link: 'land',
    disciplines: ['overhand'],
    question: 'As the front foot lands, how does the rear foot stand?',
    answers: [
      {
        id: 'on-toe',
        label: 'On its toe',
        // The hips have turned. Where the heel should hold long it has also left the ground early.
        says: ({ backFoot }) =>
          backFoot === 'inside-edge'
            ? [['late-hips', 0.3]]
            : [
                ['late-hips', 0.4],
                ['early-peel', 3],
              ],
      },
      {
        id: 'inside-edge',
        label: 'On its inside edge',
        says: ({ backFoot }) => (backFoot === 'inside-edge' ? [['early-peel', 0.5]] : [['early-peel', 0.6]]),
      },
      {
        id: 'heel-down',
        label: 'Heel still down',
        says: ({ backFoot }) =>
          backFoot === 'inside-edge'
            ? [
                ['late-hips', 3],
                ['early-peel', 0.2],
              ]
            : [['early-peel', 0.2]],
      },
    ],
  },
  {
    id: 'chest-from-plate',
    link: 'land',
    disciplines: ['overhand'],
    question: 'From the plate, as the foot lands: is the chest seen?',
    answers: [
      {
        id: 'hidden',
        label: 'No chest',
        says: always(['fly-open', 0.2], ['turn-together', 0.6]),
      },
      { id: 'seen', label: 'Chest seen', says: always(['fly-open', 6]) },
    ],
  },
  {
    id: 'first-touch',
    link: 'land',
    disciplines: ['overhand', 'windmill'],
    question: 'Which part of the front foot touches first?',
    answers: [
      { id: 'ball', label: 'Ball of the foot', says: always(['locked-landing', 0.4]) },
      { id: 'flat', label: 'Flat', says: always(['locked-landing', 0.9]) },
      { id: 'heel', label: 'Heel', says: always(['locked-landing', 4]) },
    ],
  },
  {
    id: 'tether',
    link: 'move',
    disciplines: ['windmill'],
    question: 'With the waist cord on: does it draw the athlete back in after landing?',
    answers: [
      { id: 'draws-in', label: 'Draws in', says: always(['idle-drive-leg', 0.3]) },
      { id: 'slack', label: 'Hardly', says: always(['idle-drive-leg', 3]) },
    ],
  },
  {
    id: 'trailing-foot',
    link: 'finish',
    disciplines: ['windmill'],
    question: 'Which way does the trailing foot come?',
    answers: [
      { id: 'straight', label: 'Straight in', says: always(['shoulder-finish', 0.25]) },
      { id: 'curved', label: 'In a curve', says: always(['shoulder-finish', 4]) },
    ],
  },
];

const BY_ID = new Map(DETAILS.map((detail) => [detail.id, detail]));

/** @throws RangeError for an unknown id */
export function detailById(id: GlanceId): Detail {
  const detail = BY_ID.get(id);
  if (!detail) throw new RangeError(`unknown detail “${id}”`);
  return detail;
}

/** Details to be seen at a link. */
export const detailsAt = (link: Link, discipline: Discipline): Detail[] =>
  DETAILS.filter((d) => d.link === link && d.disciplines.includes(discipline));

/** What an answer says of findings; null where the detail has no such answer. */
export const glanceSays = (id: GlanceId, answer: GlanceAnswer, schools: Schools): Says | null =>
  detailById(id)
    .answers.find((a) => a.id === answer)
    ?.says(schools) ?? null;
