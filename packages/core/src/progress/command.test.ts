import { addDays } from '../shared/dates';
import { randomFrom } from '../shared/random';
import type { Random } from '../shared/random';
import { commandOf, isStrike, PLATE_HALF_CM, zoneFor } from './command';
import type { AimedThrow, Command } from './command';

const RIGHT = { throws: 'R', discipline: 'overhand' } as const;
const LEFT = { throws: 'L', discipline: 'overhand' } as const;
const START = '2031-03-03';

interface Cloud {
  readonly sdX?: number;
  readonly sdY?: number;
  readonly biasX?: number;
  readonly biasY?: number;
  readonly day?: number;
  readonly effort?: (n: number) => number;
  readonly grow?: (effort: number) => number;
}
function thrown(random: Random, n: number, cloud: Cloud = {}, first = 0): AimedThrow[] {
  const { sdX = 15, sdY = 20, biasX = 0, biasY = 0, day = 0, effort = () => 95, grow = () => 1 } = cloud;
  return Array.from({ length: n }, (_, i) => {
    const target = { x: i % 2 ? -15 : 15, y: 60 };
    const at = effort(i);
    return {
      id: `t${day}-${first + i}`,
      on: addDays(START, day),
      at: `${addDays(START, day)}T15:${String(Math.floor(i / 60)).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}.000Z`,
      target,
      actual: { x: target.x + random.normal(biasX, sdX * grow(at)), y: target.y + random.normal(biasY, sdY * grow(at)) },
      zone: [49, 97] as const,
      effort: at,
      pitch: null,
      speed: null,
    };
  });
}
const of = (throws: readonly AimedThrow[], who: typeof RIGHT | typeof LEFT = RIGHT): Command => commandOf(throws, who)!;

describe('a strike', () => {
  const at = (x: number, y: number) => isStrike({ actual: { x, y }, zone: [50, 100] }, 3.7);
  it('is a ball of which any part is over the plate and in the zone', () => {
    expect(at(0, 75)).toBe(true);
    expect(at(PLATE_HALF_CM + 3.6, 75)).toBe(true);
    expect(at(-PLATE_HALF_CM - 3.6, 75)).toBe(true);
    expect(at(PLATE_HALF_CM + 3.8, 75)).toBe(false);
    expect([at(0, 46.4), at(0, 46.2), at(0, 103.6), at(0, 103.8)]).toEqual([true, false, true, false]);
  });
  it('is judged by a zone that goes with the height', () => {
    expect(zoneFor(1.8)).toEqual([49, 97]);
    expect(zoneFor(1.4)[1]).toBeLessThan(zoneFor(1.8)[1]);
  });
});

describe('command', () => {
  it('is nothing without throws, and says of one what can be said', () => {
    expect(commandOf([], RIGHT)).toBeNull();
    const one = of(thrown(randomFrom(1), 1));
    expect(one.throws).toBe(1);
    expect(one.ellipse).toBeNull();
    expect(one.change).toBeNull();
    expect(one.goes).toBeNull();
    expect(one.strikes.high - one.strikes.low).toBeGreaterThan(0.5);
    expect(one.bias).toBeNull();
    // What is sent as JSON comes back as it was: nothing in it is infinite.
    expect(JSON.parse(JSON.stringify(one))).toEqual(one);
  });

  it('compares with nothing where no throw of before missed', () => {
    const perfect = [0, 3].flatMap((day) => thrown(randomFrom(day), 10, { day, sdX: 0, sdY: 0 }));
    const wild = [6, 9].flatMap((day) => thrown(randomFrom(day), 10, { day }));
    const told = of([...perfect, ...wild]);
    expect(told.change).toBeNull();
    expect(JSON.parse(JSON.stringify(told))).toEqual(told);
    expect(of(perfect).miss).toEqual({ value: 0, low: 0, high: 0 });
  });

  it('is the same in any order, and where throws came twice', () => {
    const throws = [...thrown(randomFrom(2), 30), ...thrown(randomFrom(3), 30, { day: 3 })];
    expect(of([...throws, ...throws].reverse())).toEqual(of(throws));
  });

  it('holds the true miss, bias and strike share in nine of ten intervals', () => {
    const held = { miss: 0, x: 0, strikes: 0 };
    const TIMES = 400;
    for (const n of [12, 60]) {
      for (let seed = 0; seed < TIMES; seed++) {
        const { miss, bias, strikes } = of(thrown(randomFrom(5000 + seed), n, { biasX: 6, sdX: 10, sdY: 24 }));
        const truth = Math.sqrt(10 ** 2 + 24 ** 2 + 6 ** 2);
        if (miss.low <= truth && truth <= miss.high) held.miss++;
        if (bias!.x.low <= 6 && 6 <= bias!.x.high) held.x++;
        if (strikes.low <= STRIKES && STRIKES <= strikes.high) held.strikes++;
      }
    }
    for (const share of Object.values(held).map((h) => h / (2 * TIMES))) {
      expect(share).toBeGreaterThan(0.86);
      expect(share).toBeLessThan(0.95);
    }
  });

  it('finds the axes and the turn of a long cloud, and half of the throws within', () => {
    const random = randomFrom(9);
    const turn = Math.PI / 6;
    const throws = thrown(random, 2000).map((t) => {
      const [a, b] = [random.normal(0, 30), random.normal(0, 10)];
      return {
        ...t,
        actual: {
          x: t.target.x + a * Math.cos(turn) - b * Math.sin(turn),
          y: t.target.y + a * Math.sin(turn) + b * Math.cos(turn),
        },
      };
    });
    const { long, short, turnDeg } = of(throws).ellipse!;
    // Half of a normal cloud lies within 1.177 standard deviations.
    expect(long).toBeCloseTo(30 * 1.177, -0.5);
    expect(short).toBeCloseTo(10 * 1.177, 0);
    expect(turnDeg).toBeGreaterThan(28);
    expect(turnDeg).toBeLessThan(32);
  });

  it('says which side misses go to by the throwing arm: mirrored, the words are the same', () => {
    const throws = thrown(randomFrom(4), 60, { biasX: 12, biasY: 15 });
    expect(of(throws).goes).toBe('Misses go high and to the arm side.');
    const mirrored = throws.map((t) => ({
      ...t,
      target: { x: -t.target.x, y: t.target.y },
      actual: { x: -t.actual.x, y: t.actual.y },
    }));
    expect(of(mirrored, LEFT).goes).toBe('Misses go high and to the arm side.');
    expect(of(mirrored).goes).toBe('Misses go high and to the glove side.');
    expect(of(thrown(randomFrom(15), 60, { biasX: 12 })).goes).toBe('Misses go to the arm side.');
    expect(of(thrown(randomFrom(15), 60, { biasY: -15 })).goes).toBe('Misses go low.');
    // Where they go nowhere, that is said of about one in fifty for each of the two ways.
    const said = Array.from({ length: 500 }, (_, seed) => of(thrown(randomFrom(9000 + seed), 30)).goes).filter((w) => w !== null);
    expect(said.length).toBeLessThan(40);
  });

  it('tells closer from wider, and nothing of what is chance, in about one of twenty each way', () => {
    const days = (first: number, second: number, seed: number) =>
      of(
        [0, 3, 6, 9].flatMap((day, i) =>
          thrown(randomFrom(100 * seed + i), 25, { day, sdX: i < 2 ? first : second, sdY: i < 2 ? first : second }),
        ),
      ).change!;
    expect(days(24, 12, 1)).toMatchObject({
      verdict: 'closer',
      earlier: [START, addDays(START, 3)],
      later: [addDays(START, 6), addDays(START, 9)],
    });
    expect(days(12, 24, 2).verdict).toBe('wider');
    const verdicts = Array.from({ length: 200 }, (_, seed) => days(18, 18, 1000 + seed).verdict);
    for (const way of ['closer', 'wider']) {
      const share = verdicts.filter((v) => v === way).length / verdicts.length;
      expect(share).toBeLessThan(0.1);
    }
  });

  it('compares no days with few throws', () => {
    const few = [0, 3, 6, 9].flatMap((day, i) => thrown(randomFrom(i), 7, { day }));
    expect(of(few).change).toBeNull();
  });

  it('sees that more effort costs command only where efforts differ', () => {
    const effort = (n: number) => 75 + 5 * (n % 5);
    const grow = (at: number) => 0.4 + (at - 75) / 20;
    const { byEffort } = of(thrown(randomFrom(6), 200, { effort, grow }));
    expect(byEffort!.low).toBeGreaterThan(0);
    expect(byEffort!.n).toBe(200);
    const none = of(thrown(randomFrom(7), 200, { effort })).byEffort!;
    expect(none.low).toBeLessThan(0);
    expect(none.high).toBeGreaterThan(0);
    expect(of(thrown(randomFrom(8), 200)).byEffort).toBeNull();
    expect(of(thrown(randomFrom(8), 19, { effort })).byEffort).toBeNull();
  });

  it('goes by pitch, the usual one where none is named, and by day', () => {
    const throws = thrown(randomFrom(10), 40).map((t, i) => ({
      ...t,
      pitch: i % 4 === 0 ? 'change' : i % 4 === 1 ? 'fastball' : null,
    }));
    expect(of(throws).byPitch.map((p) => [p.pitch, p.throws])).toEqual([
      ['fastball', 30],
      ['change', 10],
    ]);
    const { byDay } = of([...thrown(randomFrom(1), 5, { day: 8 }), ...thrown(randomFrom(1), 5)]);
    expect(byDay.map((d) => d.on)).toEqual([START, addDays(START, 8)]);
  });
});

/** Share of strikes of the cloud above, by so many throws that its error does not count. */
const STRIKES = (() => {
  const throws = thrown(randomFrom(77), 40_000, { biasX: 6, sdX: 10, sdY: 24 });
  return throws.filter((t) => isStrike(t, 3.7)).length / throws.length;
})();
