import { EMPTY_MARKS } from '@wrightonic/contract';
import type { RouteName } from '@wrightonic/contract';
import { v4 as uuid } from 'uuid';
import { ATHLETE, eye, rep, SETTINGS } from './harness';

const file = Buffer.from('Name,Born,Throws,Height,Weight,Discipline\nAlda Quillbrook,2011-03-04,R,160,50,overhand\n').toString(
  'base64',
);

const CLIP = {
  on: '2026-05-04',
  name: 'a.webm',
  type: 'video/webm',
  bytes: 100,
  sha256: 'a'.repeat(64),
  captureFps: 120,
  frames: 100,
  width: 640,
  height: 360,
  setup: { view: 'side-open', distanceM: 6, cameraHeightM: 1, level: true, whole: true },
  poster: null,
};
const STEP = { test: 'hip-internal-rotation', side: 'drive' };
const INTAKE = {
  guardians: [],
  history: { armPain: false, elbowSurgery: false, timeAway: false, otherSurgery: '', clinicianLimits: '', monthsOff: null },
  thoughts: [],
  words: {},
  told: '',
  explain: 'image',
  goals: '',
  games: [],
  next: null,
};

const HAND_OUT = (own: string) => ({
  what: { kind: 'drills', drills: ['march-and-reach'] },
  to: { kind: 'athletes', athletes: [own] },
  place: 'home',
  on: '2026-05-04',
  note: null,
});

/** A body that each endpoint would take, so that a refusal is about the person and not the body. */
/** The search part of addresses that need one. */
export const QUERIES: Partial<Record<RouteName, string>> = {
  putClipPart: '?from=0',
  academyCsv: '?table=reps',
  athleteCsv: '?table=reps',
  sheet: '?from=2026-04-01&to=2026-05-01',
  sheetPdf: '?from=2026-04-01&to=2026-05-01',
  paper: '?paper=athlete',
};

export const BODIES: Partial<Record<RouteName, (own: string) => object>> = {
  lookAtHandOut: (own) => HAND_OUT(own),
  putHandOut: (own) => HAND_OUT(own),
  putLink: () => ({ from: '2026-04-01', to: '2026-05-01', days: 3, pictures: [] }),
  putCalendar: () => ({ athlete: null }),
  putGun: () => ({
    name: 'Barn gun',
    place: 'behind the plate',
    sideDeg: 0,
    upDeg: 5,
    unit: 'mph',
    offset: null,
    retired: false,
  }),
  changePassword: () => ({ current: 'not the password', next: 'some new words here' }),
  settings: () => SETTINGS,
  changePerson: () => ({ role: 'instructor', groups: [], athletes: [] }),
  putInvitation: (own) => ({ role: 'guardian', name: 'Somebody', athletes: [own], groups: [] }),
  putGroup: () => ({ name: `Group ${uuid()}`, athletes: [] }),
  lookAtImport: () => ({ fileName: 'a.csv', file }),
  putImport: () => ({ fileName: 'a.csv', file }),
  putAthlete: () => ATHLETE,
  putIntake: () => INTAKE,
  putConsent: () => ({ kind: 'film', given: true }),
  archive: () => ({ archived: false }),
  // A wrong name on purpose: whoever may erase is told so, and the athlete stays for the next call.
  eraseAthlete: () => ({ name: 'Not This One' }),
  putBodyCheck: () => ({ on: '2026-05-04', kind: 'short', steps: [{ test: 'hip-internal-rotation', side: 'drive' }] }),
  putBodyReading: () => ({ ...STEP, check: uuid(), value: 30, readBy: 'tilt', moment: 'first' }),
  putBodyNote: () => ({ ...STEP, check: uuid(), note: 'stiff', pain: null }),
  putClip: () => CLIP,
  putMarks: () => EMPTY_MARKS,
  mendClip: () => ({ view: 'front' }),
  putObservation: () => eye('stall', 'yes'),
  putRuling: () => ({ finding: 'stall', as: 'absent', reason: 'seen on film' }),
  putFocus: () => ({ finding: 'stall', rung: 1, diagnosis: null }),
  changeFocus: () => ({ rung: 2, reason: 'to see' }),
  putPlan: () => ({ weeks: 2, games: [], pinned: [] }),
  editPlan: () => ({ edits: [] }),
  putOwnDrill: () => ({ drill: 'easy-catch', words: {}, use: 'usual' }),
  putOwnFinding: () => ({ finding: 'stall', words: { cue: 'Keep rolling' } }),
  putOwnLadder: () => ({ finding: 'stall', discipline: 'overhand', rungs: null }),
  putSession: () => ({ on: '2026-05-04', assignment: null, painBefore: [] }),
  log: () => ({ entries: [rep()] }),
  removeLoad: () => ({ reason: 'tapped on the bench' }),
  putOuting: () => ({ on: '2026-05-04', pitches: 0, throws: 10, highEffort: 0, innings: 0 }),
  putClearance: () => ({ date: '2026-05-04', by: 'Dr. Nobody' }),
};
