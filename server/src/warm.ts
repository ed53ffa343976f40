import { check, clipMarksSchema, clipMeasureRequest, EMPTY_MARKS } from '@wrightonic/contract';
import { DISCIPLINES, diagnose, LADDERS, makePlan, MARKED_JOINTS, measureThrow } from '@wrightonic/core';
import type { DatedEvidence, PlanRequest } from '@wrightonic/core';

const ON = '2026-01-15';
const SEEN: readonly DatedEvidence[] = [
  { kind: 'eye', finding: 'late-hips', answer: 'yes', on: ON },
  { kind: 'eye', finding: 'stall', answer: 'no', on: ON },
];
const ASKED = {
  on: ON,
  weeks: 6,
  availability: [
    { weekday: 'mon', minutes: 60, place: 'cage' },
    { weekday: 'thu', minutes: 60, place: 'cage' },
  ],
  equipment: ['towel', 'strap', 'box'],
  partner: true,
  season: 'pre',
  games: [],
  recentLoad: [],
  pain: [],
  leagueDailyLimit: null,
  flags: [],
  pinned: [],
} as const satisfies Partial<PlanRequest>;
const MARKS = {
  ...EMPTY_MARKS,
  events: { contact: { frame: 100 }, release: { frame: 140 } },
  frames: Array.from({ length: 200 }, (_, frame) => ({
    frame,
    joints: Object.fromEntries(
      MARKED_JOINTS.map((joint) => [joint, { x: 100 + frame, y: 200 + frame, sd: 1, by: 'track' } as const]),
    ),
  })),
};
const CLIP = {
  captureFps: 240,
  width: 1920,
  height: 1080,
  setup: { view: 'side-open', distanceM: 7, cameraHeightM: 1, level: true, whole: true },
} as const;
const TIMES = 3;

/** Measures, judges and plans for somebody made up a few times: what is slow is slow the first time only, and nobody waits for it. */
export function warmUp(): void {
  for (let time = 0; time < TIMES; time++) {
    check(clipMarksSchema, MARKS);
    for (const discipline of DISCIPLINES) {
      const athlete = {
        discipline,
        throws: 'R',
        birthDate: '2010-01-15',
        heightM: 1.75,
        massKg: 65,
        level: 'high-school',
      } as const;
      measureThrow(clipMeasureRequest(athlete, CLIP, MARKS));
      diagnose({ on: ON, athlete, evidence: discipline === 'overhand' ? SEEN : [] });
      makePlan({
        ...ASKED,
        athlete,
        focus: LADDERS.filter((ladder) => ladder.discipline === discipline)
          .slice(0, 1)
          .map(({ finding }) => ({ finding, rung: 2 })),
      });
    }
  }
}
