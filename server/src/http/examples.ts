/** One body and one search for each endpoint that takes them, all made up: told in the documents, and tried by the tests. */
import { EMPTY_INTAKE, EMPTY_MARKS } from '@wrightonic/contract';
import type { AcademySettings, AthleteRecord, RouteName } from '@wrightonic/contract';

/** Stands for an id that the caller makes. */
export const EXAMPLE_ID = '0196a1f4-5b7e-7c3d-9a41-2f6d8e0b7c15';

export const EXAMPLE_ATHLETE: AthleteRecord = {
  name: 'Testa Birchley',
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.78,
  massKg: 70,
  level: 'high-school',
  season: 'off',
  availability: (['mon', 'wed', 'fri'] as const).map((weekday) => ({ weekday, minutes: 60, place: 'cage' })),
  equipment: ['net', 'strap', 'band', 'tape'],
  partner: true,
  schools: {},
};

export const EXAMPLE_SETTINGS: AcademySettings = {
  speedUnit: 'mph',
  lengthUnit: 'cm',
  timeZone: 'UTC',
  leagueDailyLimit: null,
  league: {},
  leagueAges: [],
  schools: {},
  words: [],
  weightedBalls: false,
  numbers: {},
};

/** A secret as links carry it. */
const SECRET = 'a-link-carries-forty-three-letters-of-these';
/** A channel's key. */
const KEY = 'a-key-as-it-was-shown';

const REP = {
  type: 'rep',
  id: EXAMPLE_ID,
  at: '2026-05-04T15:01:00.000Z',
  drill: 'strap-held-start',
  rung: 1,
  focus: null,
  judged: 'good',
  effort: 0,
};

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
const INTAKE = { ...EMPTY_INTAKE, next: null };

const HAND_OUT = (athlete: string) => ({
  what: { kind: 'drills', drills: ['march-and-reach'] },
  to: { kind: 'athletes', athletes: [athlete] },
  place: 'home',
  on: '2026-05-04',
  note: null,
});

const CAMP = (athlete: string) => ({
  name: 'Two days at the barn',
  place: 'The barn',
  days: [
    { date: '2026-05-08', start: '09:00', rotations: 4, minutes: 20, breaks: [{ after: 2, minutes: 15 }] },
    { date: '2026-05-09', start: '09:00', rotations: 4, minutes: 20, breaks: [] },
  ],
  stations: [
    {
      id: EXAMPLE_ID,
      name: 'Shade',
      kind: 'rest',
      place: 'Behind the barn',
      coach: null,
      drill: null,
      capacity: 8,
      kit: null,
      throwsPerVisit: 0,
      hard: false,
    },
  ],
  athletes: [{ athlete, group: 'Early', with: [], visitor: false }],
  forgetAfterDays: 60,
  revision: 0,
});
const REPLAN = {
  revision: 1,
  now: { day: 0, rotation: 1 },
  changes: [{ day: 0, fromRotation: 1, type: 'station-closed', id: EXAMPLE_ID }],
};

/** The search part of addresses that need one. */
export const QUERY_EXAMPLES: Partial<Record<RouteName, Readonly<Record<string, string>>>> = {
  putClipPart: { from: '0' },
  academyCsv: { table: 'reps' },
  athleteCsv: { table: 'reps' },
  sheet: { from: '2026-04-01', to: '2026-05-01' },
  sheetPdf: { from: '2026-04-01', to: '2026-05-01' },
  paper: { paper: 'athlete' },
  campPaper: { of: 'stations' },
  sendToChannel: { key: KEY },
  listenToChannel: { key: KEY },
};

/** A body that each endpoint takes, of an athlete. */
export const BODY_EXAMPLES: Partial<Record<RouteName, (athlete: string) => object>> = {
  signIn: () => ({ signIn: 'ada', password: 'a few words in a row' }),
  lookAtInvitation: () => ({ token: SECRET }),
  join: () => ({ token: SECRET, name: 'Ada Wickerly', signIn: 'ada', password: 'a few words in a row' }),
  lookAtShared: () => ({ token: SECRET }),
  sharedPdf: () => ({ token: SECRET }),
  sendToChannel: () => ({ messages: [{ kind: 'speed', n: 1, speed: 71.4, unit: 'mph', agoMs: 120 }] }),
  lookAtHandOut: HAND_OUT,
  putHandOut: HAND_OUT,
  putCamp: (athlete) => CAMP(athlete),
  lookAtReplan: () => REPLAN,
  replanCamp: () => REPLAN,
  campLinks: (athlete) => ({ days: 14, links: [{ id: EXAMPLE_ID, athlete }] }),
  checkIn: (athlete) => ({ day: 0, athlete, here: true }),
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
  settings: () => EXAMPLE_SETTINGS,
  changePerson: () => ({ role: 'instructor', groups: [], athletes: [] }),
  putInvitation: (athlete) => ({ role: 'guardian', name: 'Somebody', athletes: [athlete], groups: [] }),
  putGroup: () => ({ name: 'Saturday arms', athletes: [] }),
  lookAtImport: () => ({ fileName: 'a.csv', file }),
  putImport: () => ({ fileName: 'a.csv', file }),
  putAthlete: () => EXAMPLE_ATHLETE,
  putIntake: () => INTAKE,
  putConsent: () => ({ kind: 'film', given: true }),
  archive: () => ({ archived: false }),
  eraseAthlete: () => ({ name: EXAMPLE_ATHLETE.name }),
  putBodyCheck: () => ({ on: '2026-05-04', kind: 'short', steps: [{ test: 'hip-internal-rotation', side: 'drive' }] }),
  putBodyReading: () => ({ ...STEP, check: EXAMPLE_ID, value: 30, readBy: 'tilt', moment: 'first' }),
  putBodyNote: () => ({ ...STEP, check: EXAMPLE_ID, note: 'stiff', pain: null }),
  putClip: () => CLIP,
  putMarks: () => EMPTY_MARKS,
  mendClip: () => ({ view: 'front' }),
  putObservation: () => ({ on: '2026-05-04', evidence: { kind: 'eye', finding: 'stall', answer: 'yes' } }),
  putRuling: () => ({ finding: 'stall', as: 'absent', reason: 'seen on film' }),
  putFocus: () => ({ finding: 'stall', rung: 1, diagnosis: null }),
  changeFocus: () => ({ rung: 2, reason: 'to see' }),
  putPlan: () => ({ weeks: 2, games: [], pinned: [] }),
  editPlan: () => ({ edits: [] }),
  putOwnDrill: () => ({ drill: 'easy-catch', words: {}, use: 'usual' }),
  putOwnFinding: () => ({ finding: 'stall', words: { cue: 'Keep rolling' } }),
  putOwnLadder: () => ({ finding: 'stall', discipline: 'overhand', rungs: null }),
  putSession: () => ({ on: '2026-05-04', assignment: null, painBefore: [] }),
  log: () => ({ entries: [REP] }),
  removeLoad: () => ({ reason: 'tapped on the bench' }),
  putOuting: () => ({ on: '2026-05-04', pitches: 0, throws: 10, highEffort: 0, innings: 0 }),
  putClearance: () => ({ date: '2026-05-04', by: 'Dr. Nobody' }),
};
