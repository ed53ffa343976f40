/** One input for each command, for the documentation and the tests. Made up. */
const athlete = { discipline: 'overhand', throws: 'R', birthDate: '2010-02-11', heightM: 1.8, massKg: 74, level: 'high-school' };
const on = '2026-04-18';

/** A segment that turns once, fastest at a moment: 60 samples at 100 a second, deg/s. */
const bump = (at: number, wide: number, peak: number): number[] =>
  Array.from({ length: 60 }, (_, n) => Math.round(peak * Math.exp(-0.5 * ((n / 100 - at) / wide) ** 2)));

export const EXAMPLES: Readonly<Record<string, object>> = {
  diagnose: {
    on,
    athlete,
    evidence: [
      { kind: 'eye', finding: 'stall', answer: 'yes' },
      { kind: 'eye', finding: 'glove-pull', answer: 'yes' },
      { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 43, unit: 'deg' },
    ],
  },
  gate: {
    discipline: 'overhand',
    log: [
      { date: '2026-04-14', drill: 'strap-lower', reps: 10, good: 8, close: 2, off: 0, cheats: {}, pain: 0 },
      {
        date: on,
        drill: 'strap-lower',
        reps: 10,
        good: 9,
        close: 0,
        off: 1,
        cheats: { 'back-leg-lost': 1 },
        pain: 0,
        aids: [],
        firstFive: { good: 4, cued: false },
        seen: 'coach',
      },
    ],
  },
  workload: {
    on,
    athlete,
    season: 'in',
    leagueDailyLimit: null,
    league: { weekly: 90, ageCutOff: '08-31', ages: [{ from: 15, rule: { daily: 80 } }] },
    log: [
      { date: '2026-04-12', throws: 40, highEffort: 0, pain: [{ site: 'shoulder', score: 3, at: '17:20' }] },
      { date: '2026-04-17', pitches: 47, throws: 60, highEffort: 0 },
    ],
    clearances: [
      {
        date: '2026-04-14',
        at: '09:00',
        by: 'A. Clinician',
        limits: 'Short catch',
        until: '2026-05-01',
        mostThrows: 30,
        highestEffort: 70,
      },
    ],
  },
  plan: {
    on,
    athlete,
    focus: [{ finding: 'stall', rung: 2 }],
    weeks: 1,
    availability: [{ weekday: 'mon', minutes: 45, place: 'cage' }],
    equipment: ['net', 'strap', 'tape'],
    partner: true,
    season: 'off',
    games: [],
    recentLoad: [],
    pain: [],
    leagueDailyLimit: null,
    flags: [],
    pinned: [],
  },
  trend: {
    on,
    athlete,
    readings: [
      { date: '2026-02-07', speed: 71.4, unit: 'mph', effort: 100, gun: 'A', angleDeg: 0, setting: 'mound' },
      { date: '2026-02-07', speed: 70.9, unit: 'mph', effort: 100, gun: 'A', angleDeg: 0, setting: 'mound' },
      { date: '2026-04-11', speed: 73.8, unit: 'mph', effort: 100, gun: 'A', angleDeg: 0, setting: 'mound' },
      { date: '2026-04-11', speed: 73.1, unit: 'mph', effort: 100, gun: 'A', angleDeg: 0, setting: 'mound' },
    ],
  },
  sequence: {
    throws: [
      {
        rateHz: 100,
        contactS: 0.25,
        effort: 100,
        series: {
          pelvis: bump(0.26, 0.04, 610),
          trunk: bump(0.3, 0.04, 1040),
          'glove-arm': bump(0.29, 0.05, 700),
          'upper-arm': bump(0.34, 0.03, 1500),
          forearm: bump(0.37, 0.025, 2200),
        },
      },
    ],
  },
  camp: {
    days: [{ date: '2026-07-06', start: '09:00', rotations: 3, minutes: 20 }],
    athletes: [
      { id: 'juna', age: 12, throws: 'R', focus: ['late-hips'], throwBudget: 40, locked: false, with: ['tavi'] },
      { id: 'tavi', age: 13, throws: 'L', focus: ['stall'], throwBudget: 40, locked: false },
      { id: 'bodil', age: 16, throws: 'R', focus: ['stall'], throwBudget: 40, locked: true },
    ],
    stations: [
      { id: 'gun', kind: 'radar', capacity: 2, throwsPerVisit: 8, hard: true },
      { id: 'wall', kind: 'drill', treats: ['late-hips'], capacity: 2, throwsPerVisit: 0, hard: false },
      { id: 'line', kind: 'drill', treats: ['stall'], capacity: 2, throwsPerVisit: 12, hard: false },
      { id: 'shade', kind: 'rest', capacity: 3, throwsPerVisit: 0, hard: false },
    ],
    secondsLimit: 1,
    seed: 1,
  },
  measure: {
    discipline: 'overhand',
    throws: 'R',
    fps: 240,
    view: 'side-open',
    heightM: 1.8,
    scale: { metresPerUnit: 0.004 },
    events: { set: { frame: 0 }, contact: { frame: 120 }, release: { frame: 158 } },
    frames: [
      { frame: 0, joints: { 'drive-ankle': { x: 300, y: 600 } } },
      {
        frame: 120,
        joints: { 'lead-hip': { x: 520, y: 440 }, 'lead-knee': { x: 620, y: 490 }, 'lead-ankle': { x: 662, y: 596 } },
      },
    ],
  },
  simulate: { seed: 7, kind: 'delivery', athlete, faults: { stall: 1 }, view: 'side-open', fps: 30, markSd: 2 },
};
