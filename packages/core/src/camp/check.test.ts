import { scoreOf, scorePartsOf } from './score';
import { violationsOf } from './check';
import type { Assignment, CampAthlete, CampRequest, CampStation } from './types';

const athlete = (id: string, more: Partial<CampAthlete> = {}): CampAthlete => ({
  id,
  age: 13,
  throws: 'R',
  focus: ['stall'],
  throwBudget: 20,
  locked: false,
  ...more,
});
const station = (id: string, kind: CampStation['kind'], more: Partial<CampStation> = {}): CampStation => ({
  id,
  kind,
  capacity: 2,
  throwsPerVisit: 0,
  hard: false,
  ...more,
});
const CAMP: CampRequest = {
  days: [
    { date: '2026-07-06', start: '09:00', rotations: 3, minutes: 20 },
    { date: '2026-07-07', start: '09:00', rotations: 3, minutes: 20 },
  ],
  athletes: [athlete('a', { with: ['b'] }), athlete('b'), athlete('c', { locked: true })],
  stations: [
    station('gun', 'radar', { throwsPerVisit: 5, hard: true }),
    station('line', 'drill', { throwsPerVisit: 12, treats: ['stall'], hard: true, kit: 1 }),
    station('wall', 'drill', { treats: ['late-hips'] }),
    station('shade', 'rest', { capacity: 3 }),
  ],
  secondsLimit: 1,
  seed: 1,
};
/** Stations of the first day, a letter a rotation for each athlete; the second day is spent as a good camp would. */
const sent = (first: Record<string, string>): Assignment[] => {
  const names: Record<string, string> = { g: 'gun', l: 'line', w: 'wall', s: 'shade' };
  const day = (plan: Record<string, string>, number: number) =>
    Object.entries(plan).flatMap(([id, row]) =>
      [...row].flatMap((letter, rotation) =>
        names[letter] ? [{ athlete: id, day: number, rotation, station: names[letter]! }] : [],
      ),
    );
  return [...day(first, 0), ...day({ a: 'wsg', b: 'swg', c: 'sws' }, 1)];
};
const rulesOf = (first: Record<string, string>, camp = CAMP) => violationsOf(camp, sent(first)).map((v) => v.rule);
const GOOD = { a: 'gwl', b: 'gws', c: 'ssw' };

describe('the rules of a camp', () => {
  it('find nothing in a schedule that keeps them', () => {
    expect(violationsOf(CAMP, sent(GOOD))).toEqual([]);
  });

  it.each([
    ['place', { ...GOOD, c: 's w' }],
    ['capacity', { a: 'gwl', b: 'gws', c: 'sws' }],
    ['kit', { a: 'gwl', b: 'gwl', c: 'sss' }],
    ['lock', { ...GOOD, c: 'lss' }],
    ['hard-in-a-row', { ...GOOD, a: 'glw' }],
    ['radar', { ...GOOD, b: 'wss' }],
  ] as const)('%s is found where it is broken, and nothing else', (rule, first) => {
    const stations = CAMP.stations.map((s) => (s.id === 'wall' && rule === 'capacity' ? { ...s, capacity: 2 } : s));
    const found = rulesOf(first, { ...CAMP, stations });
    expect(found).toEqual([rule]);
  });

  it('let nobody to a station that is not for them, and owe no reading where none is', () => {
    const barred = { ...CAMP, athletes: CAMP.athletes.map((a) => (a.id === 'a' ? { ...a, notAt: ['wall'] } : a)) };
    expect(violationsOf(barred, sent(GOOD)).map((v) => [v.rule, v.athlete, v.station])).toEqual([
      ['not-for', 'a', 'wall'],
      ['not-for', 'a', 'wall'],
    ]);
    const unread = { ...CAMP, athletes: CAMP.athletes.map((a) => (a.id === 'b' ? { ...a, notAt: ['gun'] } : a)) };
    expect(rulesOf({ ...GOOD, b: 'wss' }, unread)).toEqual(['not-for']);
  });

  it('hold the throws of a day together, and leave older arms their hard rotations', () => {
    const older = { ...CAMP, athletes: CAMP.athletes.map((a) => ({ ...a, age: 15 })) };
    expect(rulesOf({ ...GOOD, a: 'glw' }, older)).toEqual([]);
    const fewer = { ...older, athletes: older.athletes.map((a) => ({ ...a, throwBudget: 16 })) };
    expect(violationsOf(fewer, sent({ ...GOOD, a: 'glw' })).map((v) => v.detail)).toEqual([
      'a comes to 17 throws on day 1; 16 are allowed.',
    ]);
  });

  it('know who is gone and what is closed', () => {
    const changes = [
      { day: 0, fromRotation: 1, type: 'station-closed' as const, id: 'wall' },
      { day: 0, fromRotation: 2, type: 'athlete-absent' as const, id: 'b' },
      { day: 0, fromRotation: 1, type: 'athlete-late' as const, id: 'c' },
    ];
    expect(rulesOf(GOOD, { ...CAMP, changes }).sort()).toEqual(['absent', 'absent', 'closed', 'closed']);
    expect(rulesOf({ a: 'gsl', b: 'gs', c: ' ss' }, { ...CAMP, changes })).toEqual([]);
  });

  it('owe no reading to whoever is locked, has no throws left for it, or is not here all day', () => {
    const poor = { ...CAMP, athletes: CAMP.athletes.map((a) => ({ ...a, throwBudget: 4 })) };
    expect(violationsOf(poor, sent({ a: 'wss', b: 'wss', c: 'ssw' })).filter((v) => v.day === 0)).toEqual([]);
  });
});

describe('the score of a camp', () => {
  it('adds up to what the wishes are worth', () => {
    const parts = scorePartsOf(
      { ...CAMP, days: CAMP.days.slice(0, 1) },
      sent(GOOD).filter((a) => a.day === 0),
    );
    // a: gun 2, wall 4, line 10 and the first for the focus 4; b: gun 2, wall 4, rest; c: two rests, wall 4.
    expect(parts.focus).toBe(2 + 4 + 10 + 4 + 2 + 4 + 4);
    // Both are read in the first of three rotations.
    expect(parts.readings).toBe(6);
    expect(parts.waiting).toBe(-3);
    // a and b are together twice.
    expect(parts.wishes).toBeCloseTo(0.24, 9);
    expect(scoreOf(parts)).toBeCloseTo(30 + 6 - 3 + 0.24, 9);
  });

  it('is less for the same station over and over, and for a second reading', () => {
    const one = { ...CAMP, days: CAMP.days.slice(0, 1), athletes: [athlete('a')] };
    const of = (row: string) =>
      scorePartsOf(
        one,
        sent({ a: row }).filter((a) => a.day === 0 && a.athlete === 'a'),
      );
    expect(of('www').variety).toBe(-1.5);
    expect(of('gsg').readings).toBe(3 + 0 - 20);
    const body = { ...one, stations: [...CAMP.stations, station('body', 'screen')] };
    const checked = [0, 1, 2].map((rotation) => ({ athlete: 'a', day: 0, rotation, station: 'body' }));
    expect(scorePartsOf(body, checked)).toMatchObject({ focus: 9, variety: -6 });
  });
});
