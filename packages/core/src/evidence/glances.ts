/** Looks at one telling detail, with more than yes and no for an answer; what some of them mean depends on the school. */
import type { Discipline, Link } from '../delivery/links';
import type { FindingId } from '../findings/ids';
import type { Times } from '../findings/types';
import { resolveSchools, SCHOOL_OPTIONS } from '../athlete/schools';
import type { Schools } from '../athlete/schools';

export const GLANCE_IDS = [
  'drive-foot',
  'first-step',
  'circle-start',
  'tether',
  'rear-foot',
  'chest-from-plate',
  'first-touch',
  'front-leg-end',
  'back-leg-end',
  'arm-end',
  'trailing-foot',
] as const;
export type GlanceId = (typeof GLANCE_IDS)[number];
export const GLANCE_ANSWERS = [
  'edge',
  'whole',
  'small',
  'large',
  'together',
  'arm-first',
  'tall',
  'sinking',
  'through',
  'behind',
  'long',
  'short',
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

export interface Detail {
  readonly id: GlanceId;
  readonly link: Link;
  readonly disciplines: readonly Discipline[];
  readonly question: string;
  readonly answers: readonly { readonly id: GlanceAnswer; readonly label: string; readonly says: (schools: Schools) => Times }[];
}

const always =
  (...says: Times) =>
  () =>
    says;

/** The details, in the order of the links. All numbers are likelihood ratios; provenance `house`. */
export const DETAILS: readonly Detail[] = [
  {
    id: 'drive-foot',
    link: 'set',
    disciplines: ['overhand', 'windmill'],
    question: 'How does the drive foot meet the rubber?',
    answers: [
      { id: 'edge', label: 'Edge held, tipped in', says: always(['unstable-base', 0.3]) },
      { id: 'whole', label: 'Whole foot on or behind', says: always(['unstable-base', 3]) },
    ],
  },
  {
    id: 'first-step',
    link: 'set',
    disciplines: ['overhand', 'windmill'],
    question: 'The first move of the feet:',
    answers: [
      { id: 'small', label: 'Small and calm', says: always(['unstable-base', 0.5], ['balance-loss', 0.7]) },
      { id: 'large', label: 'Big or backward', says: always(['unstable-base', 2.5], ['balance-loss', 1.5]) },
    ],
  },
  {
    id: 'circle-start',
    link: 'lift',
    disciplines: ['windmill'],
    question: 'What starts the circle?',
    answers: [
      { id: 'together', label: 'Weight and arm together', says: always(['arm-only', 0.6]) },
      { id: 'arm-first', label: 'The arm alone', says: always(['arm-only', 2.5]) },
    ],
  },
  {
    id: 'front-leg-end',
    link: 'finish',
    disciplines: ['overhand'],
    question: 'How does the front leg end?',
    answers: [
      { id: 'tall', label: 'Nearly straight', says: always(['no-brace', 0.3]) },
      { id: 'sinking', label: 'Bent, sinking', says: always(['no-brace', 3]) },
    ],
  },
  {
    id: 'back-leg-end',
    link: 'finish',
    disciplines: ['overhand'],
    question: 'Where does the back leg end?',
    answers: [
      { id: 'through', label: 'Comes through', says: always(['chest-behind', 0.4], ['idle-drive-leg', 0.5]) },
      { id: 'behind', label: 'Stays behind', says: always(['chest-behind', 2.5], ['idle-drive-leg', 2]) },
    ],
  },
  {
    id: 'arm-end',
    link: 'finish',
    disciplines: ['overhand'],
    question: 'How does the arm end?',
    answers: [
      { id: 'long', label: 'Long, across the body', says: always(['push-arm', 0.4], ['arm-only', 0.7]) },
      { id: 'short', label: 'Short, pulled back', says: always(['push-arm', 3], ['arm-only', 1.5]) },
    ],
  },
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
export const glanceSays = (id: GlanceId, answer: GlanceAnswer, schools: Schools): Times | null =>
  detailById(id)
    .answers.find((a) => a.id === answer)
    ?.says(schools) ?? null;

/** Findings that a detail speaks of, in whatever school. */
export function findingsOfDetail(id: GlanceId): ReadonlySet<FindingId> {
  const schools = SCHOOL_OPTIONS.backFoot.map((backFoot) => ({ ...resolveSchools(undefined, 'overhand', 16), backFoot }));
  return new Set(
    detailById(id).answers.flatMap((answer) => schools.flatMap((school) => answer.says(school).map(([finding]) => finding))),
  );
}
