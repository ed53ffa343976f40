import { scheduleCamp, scoreOf, scorePartsOf, violationsOf } from '@wrightonic/core/camp';
import type { Assignment, CampChange, CampRequest, CampSchedule } from '@wrightonic/core/camp';
import { randomFrom } from '@wrightonic/core';
import { simulateCamp } from '@wrightonic/core/simulate';
import loadHighs from 'highs';
import { campOf } from '../../core/src/camp/camp';
import { modelOfDay } from '../../core/src/camp/model';
import { brokenRules } from '../../core/src/testing/camp-rules';
import { campLimits, solverWith } from './index';

const schedule = async (camp: CampRequest): Promise<CampSchedule> =>
  scheduleCamp(camp, solverWith(await loadHighs(), campLimits(camp.secondsLimit)));

const SMALL = { athletes: 14, days: 2, rotations: 4, stations: 6, coupled: false };
const quick = (camp: CampRequest): CampRequest => ({ ...camp, secondsLimit: 1 });
const athlete = (id: string, more: Partial<CampRequest['athletes'][number]> = {}) => ({
  id,
  age: 16,
  throws: 'R' as const,
  focus: ['stall'],
  throwBudget: 60,
  locked: false,
  ...more,
});
const station = (id: string, kind: CampRequest['stations'][number]['kind'], more: object = {}) => ({
  id,
  kind,
  capacity: 4,
  throwsPerVisit: 0,
  hard: false,
  ...more,
});
const oneDay = (rotations: number, more: Pick<CampRequest, 'athletes' | 'stations'>): CampRequest => ({
  days: [{ date: '2026-07-06', start: '09:00', rotations, minutes: 20 }],
  secondsLimit: 1,
  seed: 1,
  ...more,
});

/** The best score of a small camp, by trying everything. */
function bestByTrying(camp: CampRequest): number {
  const slots = camp.days.flatMap(({ rotations }, day) =>
    camp.athletes.flatMap(({ id }) => Array.from({ length: rotations }, (_, rotation) => ({ athlete: id, day, rotation }))),
  );
  let best = -Infinity;
  const sent: Assignment[] = [];
  const next = (n: number) => {
    if (n === slots.length) {
      if (brokenRules(camp, sent).length === 0) best = Math.max(best, scoreOf(scorePartsOf(camp, sent)));
      return;
    }
    for (const { id } of camp.stations) {
      sent.push({ ...slots[n]!, station: id });
      next(n + 1);
      sent.pop();
    }
  };
  next(0);
  return best;
}

describe('a camp’s schedule', () => {
  it('keeps every hard rule, by somebody else’s reckoning, and comes near its bound', async () => {
    const gaps: number[] = [];
    for (let seed = 1; seed <= 8; seed++) {
      const size = {
        athletes: 8 + 3 * seed,
        days: 1 + (seed % 3),
        rotations: 4 + (seed % 2),
        stations: 5 + (seed % 5),
        coupled: seed % 2 === 0,
      };
      const camp = quick(simulateCamp(seed, size));
      const found = await schedule(camp);
      expect([seed, found.infeasible, brokenRules(camp, found.assignments), found.violations]).toEqual([seed, null, [], []]);
      expect(found.score).toBeCloseTo(scoreOf(scorePartsOf(camp, found.assignments)), 2);
      expect(found.score).toBeLessThanOrEqual(found.bound + 1e-3);
      gaps.push((found.bound - found.score) / found.bound);
    }
    expect(gaps.reduce((a, b) => a + b, 0) / gaps.length).toBeLessThan(0.02);
  });

  it('is the best there is where everything can be tried, and no bound lies below that', async () => {
    const camps = [
      oneDay(3, {
        athletes: [athlete('a', { age: 12 }), athlete('b', { focus: ['late-hips'] })],
        stations: [
          station('gun', 'radar', { capacity: 1, throwsPerVisit: 5, hard: true }),
          station('d', 'drill', { treats: ['stall'], capacity: 1, throwsPerVisit: 10, hard: true }),
          station('shade', 'rest'),
        ],
      }),
      oneDay(2, {
        athletes: [
          athlete('a', { with: ['b'] }),
          athlete('b', { locked: true }),
          athlete('c', { group: 'g' }),
          athlete('d', { group: 'g' }),
        ],
        stations: [station('d', 'drill', { treats: ['stall'], capacity: 2 }), station('body', 'screen', { capacity: 3 })],
      }),
    ];
    for (const camp of camps) {
      const best = bestByTrying(camp);
      const found = await schedule(camp);
      expect(found.score).toBeCloseTo(best, 3);
      expect(found.bound).toBeGreaterThanOrEqual(best - 1e-3);
    }
  });

  it('has a bound of whole visits that no schedule exceeds, and that lies no higher than the one without', async () => {
    const highs = await loadHighs();
    const lower: number[] = [];
    for (let seed = 1; seed <= 12; seed++) {
      const random = randomFrom(seed);
      const athletes = ['p', 'q'].map((id) =>
        athlete(id, { throwBudget: 6 + Math.floor(random.uniform() * 30), focus: random.chance(0.5) ? ['stall'] : [] }),
      );
      const readings = random.chance(0.6) ? [station('gun', 'radar', { throwsPerVisit: 6, capacity: 2, hard: true })] : [];
      const drills = ['d1', 'd2', 'd3'].map((id, n) =>
        station(id, 'drill', { throwsPerVisit: [10, 7, 4][n]!, capacity: 2, treats: n === 0 ? ['stall'] : [] }),
      );
      const camp = oneDay(3, { athletes, stations: [...readings, ...drills, station('shade', 'rest')] });
      const task = { camp: campOf(camp), day: 0, from: 0, past: [], current: null } as const;
      const boundBy = async (bound?: true): Promise<number> => {
        const { columns, rows } = modelOfDay({ ...task, ...(bound && { bound }) }).model;
        const found = await solverWith(highs, campLimits(1))({ columns: columns.map((c) => ({ ...c, whole: false })), rows }, []);
        return found.best;
      };
      const [plain, whole] = [await boundBy(), await boundBy(true)];
      const best = bestByTrying(camp);
      if (best === -Infinity) continue;
      expect([seed, whole >= best - 1e-3, whole <= plain + 1e-3]).toEqual([seed, true, true]);
      lower.push(plain - whole);
    }
    expect(lower.length).toBeGreaterThan(6);
    expect(Math.max(...lower)).toBeGreaterThan(0.5);
  });

  it('is the same again, and for the same camp told in another order and for the other hand', async () => {
    const camp = quick(simulateCamp(11, { ...SMALL, coupled: true }));
    const found = await schedule(camp);
    expect(await schedule(camp)).toEqual(found);
    const turned = await schedule({
      ...camp,
      athletes: [...camp.athletes].reverse().map((a) => ({ ...a, throws: a.throws === 'R' ? ('L' as const) : ('R' as const) })),
      stations: [...camp.stations].reverse(),
    });
    const told = ({ assignments }: CampSchedule) => assignments.map((a) => JSON.stringify(a)).sort();
    expect(told(turned)).toEqual(told(found));
    expect([turned.score, turned.bound]).toEqual([found.score, found.bound]);
  });

  it('reads everybody once on the only day, early', async () => {
    const camp = quick(simulateCamp(5, { ...SMALL, days: 1 }, 1.6));
    const found = await schedule(camp);
    const kinds = new Map(camp.stations.map((s) => [s.id, s.kind]));
    for (const { id, locked, throwBudget } of camp.athletes) {
      const read = found.assignments.filter((a) => a.athlete === id && kinds.get(a.station) === 'radar').length;
      expect([id, read]).toEqual([id, locked || throwBudget < 8 ? 0 : 1]);
    }
    const when = found.assignments.filter((a) => kinds.get(a.station) === 'radar').map((a) => a.rotation);
    expect(when.reduce((a, b) => a + b, 0) / when.length).toBeLessThan(1.5);
  });

  it('sends somebody whose arm is locked to places without a throw', async () => {
    const camp = quick(simulateCamp(3, SMALL));
    const locked = { ...camp, athletes: camp.athletes.map((a, n) => ({ ...a, locked: n < 3 })) };
    const found = await schedule(locked);
    const throwsAt = new Map(camp.stations.map((s) => [s.id, s.throwsPerVisit]));
    const ids = new Set(locked.athletes.filter((a) => a.locked).map((a) => a.id));
    expect(found.infeasible).toBeNull();
    for (const a of found.assignments) if (ids.has(a.athlete)) expect([a, throwsAt.get(a.station)]).toEqual([a, 0]);
  });
});

describe('a camp that is running', () => {
  const camp = quick(simulateCamp(21, { athletes: 18, days: 3, rotations: 5, stations: 7, coupled: true }, 1.7));
  let planned: CampSchedule;
  beforeAll(async () => {
    planned = await schedule(camp);
    expect(planned.infeasible).toBeNull();
  });
  const changed = async (...changes: CampChange[]) => {
    const request = { ...camp, current: planned.assignments, changes };
    const found = await schedule(request);
    expect(found.infeasible).toBeNull();
    expect(brokenRules(request, found.assignments)).toEqual([]);
    return found;
  };
  const of = (list: readonly Assignment[], keep: (a: Assignment) => boolean) => list.filter(keep);

  it('stays as it is where nothing happens', async () => {
    const found = await changed();
    expect(found.assignments).toEqual(planned.assignments);
    expect(found.moved).toBe(0);
  });

  it('moves those alone who were to be at a station that closes, from then on', async () => {
    const closed = camp.stations.find((s) => s.kind === 'drill')!.id;
    const found = await changed({ day: 1, fromRotation: 2, type: 'station-closed', id: closed });
    const there = of(planned.assignments, (a) => a.day === 1 && a.rotation >= 2 && a.station === closed);
    expect(there.length).toBeGreaterThan(0);
    expect(found.moved).toBe(new Set(there.map((a) => a.athlete)).size);
    const untouched = (a: Assignment) => a.day !== 1 || a.rotation < 2;
    expect(of(found.assignments, untouched)).toEqual(of(planned.assignments, untouched));
  });

  it('lets go who is absent and takes in who comes late, without moving anybody', async () => {
    const [first, second] = camp.athletes;
    const found = await changed(
      { day: 0, fromRotation: 3, type: 'athlete-absent', id: first!.id },
      { day: 1, fromRotation: 2, type: 'athlete-late', id: second!.id },
    );
    expect(of(found.assignments, (a) => a.athlete === first!.id && a.day === 0).map((a) => a.rotation)).toEqual([0, 1, 2]);
    expect(of(found.assignments, (a) => a.athlete === second!.id && a.day === 1).map((a) => a.rotation)).toEqual([2, 3, 4]);
    expect(found.moved).toBe(0);
  });

  it('keeps every hard rule and doubles nobody when several things happen, with groups and friends and without', async () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const coupled = seed % 2 === 0;
      const camp = quick(simulateCamp(seed, { athletes: 18 + 3 * seed, days: 2, rotations: 5, stations: 7, coupled }));
      const found = await schedule(camp);
      const [gone, late] = camp.athletes;
      const changed: CampRequest = {
        ...camp,
        current: found.assignments,
        changes: [
          { day: 0, fromRotation: 2, type: 'station-closed', id: camp.stations.find((s) => s.kind === 'drill')!.id },
          { day: 0, fromRotation: 2, type: 'athlete-absent', id: gone!.id },
          { day: 0, fromRotation: 3, type: 'athlete-late', id: late!.id },
        ],
      };
      const mended = await schedule(changed);
      expect([seed, mended.infeasible, brokenRules(changed, mended.assignments)]).toEqual([seed, null, []]);
      expect(mended.score).toBeLessThanOrEqual(mended.bound + 1e-3);
      const places = mended.assignments.map((v) => `${v.athlete} ${v.day} ${v.rotation}`);
      expect(new Set(places).size).toBe(places.length);
      expect(mended.assignments.filter((v) => v.day === 1)).toEqual(found.assignments.filter((v) => v.day === 1));
    }
  });

  it('lets others make room where whoever lost a place can go to none that is free, as few as can be', async () => {
    const stations = ['a', 'b', 'c'].map((id) => station(id, 'screen', { capacity: 1 }));
    const camp = oneDay(1, {
      stations: [...stations, station('d', 'screen', { capacity: 3 })],
      athletes: [athlete('x', { notAt: ['c', 'd'] }), athlete('y', { notAt: ['d'] }), athlete('z')],
    });
    const at = (who: string, where: string): Assignment => ({ athlete: who, day: 0, rotation: 0, station: where });
    const current = [at('x', 'a'), at('y', 'b'), at('z', 'c')];
    const closes: CampChange = { day: 0, fromRotation: 0, type: 'station-closed', id: 'a' };
    const mended = await schedule({ ...camp, current, changes: [closes] });
    const ends = new Map(mended.assignments.map((v) => [v.athlete, v.station]));
    expect([...ends].sort()).toEqual([
      ['x', 'b'],
      ['y', 'c'],
      ['z', 'd'],
    ]);
    expect([mended.moved, mended.infeasible]).toEqual([3, null]);
    // With room for the one beside them, nobody else moves.
    const roomy = camp.stations.map((s) => (s.id === 'b' ? { ...s, capacity: 2 } : s));
    const easy = await schedule({ ...camp, stations: roomy, current, changes: [closes] });
    expect([easy.moved, easy.assignments.find((v) => v.athlete === 'x')?.station]).toEqual([1, 'b']);
  });

  it('brings those together who are to be together, where they have lost their places both', async () => {
    const stations = ['a', 'b', 'c', 'd'].map((id) => station(id, 'screen', { capacity: 2 }));
    const pairs = ['m', 'n', 'o'].flatMap((p) => [athlete(`${p}1`, { with: [`${p}2`] }), athlete(`${p}2`, { with: [`${p}1`] })]);
    const camp = oneDay(1, { stations, athletes: pairs.slice(0, 4) });
    const current = ['m1', 'm2', 'n1', 'n2'].map((id, k): Assignment => ({
      athlete: id,
      day: 0,
      rotation: 0,
      station: k < 2 ? 'a' : 'b',
    }));
    const changes: CampChange[] = ['a', 'b'].map((id) => ({ day: 0, fromRotation: 0, type: 'station-closed', id }));
    const { assignments } = await schedule({ ...camp, current, changes });
    const where = new Map(assignments.map((v) => [v.athlete, v.station]));
    expect([where.get('m1') === where.get('m2'), where.get('n1') === where.get('n2')]).toEqual([true, true]);
  });

  it('says who cannot be read any more when the radar closes, and keeps everybody somewhere', async () => {
    const request = {
      ...camp,
      current: planned.assignments,
      changes: [{ day: 0, fromRotation: 0, type: 'station-closed' as const, id: 'radar' }],
    };
    const found = await schedule(request);
    const able = camp.athletes.filter((a) => !a.locked && a.throwBudget >= 8).length;
    expect(found.infeasible!.reason).toBe(`On day 1, ${able} athletes cannot be at the radar.`);
    expect(found.violations.every((v) => v.rule === 'radar')).toBe(true);
    expect(found.assignments.length).toBe(planned.assignments.length);
  });
});

describe('a camp that cannot be held', () => {
  it('says how many places it lacks', async () => {
    const found = await schedule(
      oneDay(2, { athletes: ['a', 'b', 'c'].map((id) => athlete(id)), stations: [station('d', 'drill', { capacity: 2 })] }),
    );
    expect(found.infeasible).toEqual({
      reason: 'On day 1, 1 athlete has nowhere to be in rotation 1.',
      relax: ['1 more place without throws in each rotation of day 1, such as a rest station, or 1 athlete fewer.'],
    });
    expect(found.violations.map((v) => v.rule)).toEqual(['place', 'place']);
  });

  it('says who may be nowhere', async () => {
    const found = await schedule(
      oneDay(2, {
        athletes: [athlete('a'), athlete('b', { locked: true })],
        stations: [station('d', 'drill', { throwsPerVisit: 6 })],
      }),
    );
    expect(found.infeasible!.relax).toEqual(['A station without throws for 1 athlete on day 1: nothing there is for b.']);
  });

  it('says how much radar it lacks', async () => {
    const found = await schedule(
      oneDay(2, {
        athletes: ['a', 'b', 'c'].map((id) => athlete(id)),
        stations: [station('gun', 'radar', { capacity: 1, throwsPerVisit: 5, hard: true }), station('shade', 'rest')],
      }),
    );
    expect(found.infeasible!.reason).toBe('On day 1, 1 athlete cannot be at the radar.');
    expect(violationsOf(oneDay(2, { athletes: [], stations: [] }), [])).toEqual([]);
  });
});
