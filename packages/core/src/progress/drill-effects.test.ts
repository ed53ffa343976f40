import { simulateDrillWork } from '../simulate/drill-work';
import { addDays } from '../shared/dates';
import { drillEffects, LEAST_ATHLETES, PER_DAYS } from './drill-effects';
import type { DrillEffects, DrillEffectsRequest, DrillHistory } from './drill-effects';

const START = '2031-02-03';
const DAYS = [0, 14, 28, 42, 56];
/** Knee flexion of the lead leg changes by so much a day of work, degrees: more extension is good. */
const MOVES: Readonly<Record<string, number>> = { one: 0.5, two: 0.1 };

const made = simulateDrillWork({ seed: 7, athletes: 12, spread: 0.03, mean: 0.03, weeks: 26 });

/** Exact athletes: one drill each, thrice a week, measured with hardly an error. */
function exact(drills: readonly string[], value: (move: number, days: number) => number): DrillEffectsRequest {
  const [sample] = made.request.athletes;
  const like = sample!.values[0]!;
  const athletes = drills.map((drill, i): DrillHistory => {
    const work = Array.from({ length: 24 }, (_, n) => ({ drill, on: addDays(START, 1 + 2 * n + (i % 2)), reps: 20 }));
    return {
      athlete: `a${i}`,
      discipline: 'overhand',
      work,
      chosenOn: [START],
      values: DAYS.map((day) => {
        const on = addDays(START, day);
        return { ...like, on, value: value(MOVES[drill]!, work.filter((w) => w.on < on).length), sd: 0.1 };
      }),
    };
  });
  return { ...made.request, drills: ['one', 'two'], athletes };
}

/** A finding whose fault lies above its sign or below it. */
const way = (() => {
  const values = made.request.athletes[0]!.values.map((v) => v.value);
  return { first: values[0]! };
})();

const of = (found: DrillEffects | null, drill: string) => found!.drills.find((d) => d.drill === drill)!;

describe('what helped', () => {
  it('finds the moves of drills that are measured with hardly an error', () => {
    const up = drillEffects(exact(['one', 'one', 'one', 'one', 'two', 'two', 'two', 'two'], (m, n) => way.first + m * n));
    const down = drillEffects(exact(['one', 'one', 'one', 'one', 'two', 'two', 'two', 'two'], (m, n) => way.first - m * n));
    // What is good is told as a move upwards, whichever way the measure goes: one of the two is the mirror image of the other.
    const [good, bad] = of(up, 'one').move > 0 ? [up, down] : [down, up];
    expect(of(good, 'one').move).toBeGreaterThan(PER_DAYS * 0.35);
    expect(of(good, 'one').move).toBeLessThan(PER_DAYS * 0.6);
    expect(of(good, 'one').low).toBeLessThan(PER_DAYS * 0.5);
    expect(of(good, 'one').high).toBeGreaterThan(PER_DAYS * 0.5);
    expect(of(good, 'one').better).toBeGreaterThan(0.95);
    expect(of(good, 'two').better).toBeLessThan(0.05);
    expect(of(bad, 'one').move).toBeLessThan(-PER_DAYS * 0.3);
    expect(of(bad, 'one').better).toBeLessThan(0.05);
  });

  it('credits no drill with what comes back by itself after a bad reading', () => {
    // All are chosen by a value four errors worse than they are, and nothing changes after it.
    const request = exact(['one', 'one', 'one', 'two', 'two', 'two'], () => way.first);
    const side =
      of(drillEffects(exact(['one', 'one', 'one', 'two', 'two', 'two'], (m, n) => way.first + m * n)), 'one').move > 0 ? -1 : 1;
    const worse = request.athletes.map((a) => ({
      ...a,
      values: a.values.map((v, i) => ({ ...v, sd: 2, value: way.first + (i === 0 ? side * 4 : 0) })),
    }));
    const found = drillEffects({ ...request, athletes: worse });
    for (const { low, high } of found!.drills) {
      expect(low).toBeLessThan(0);
      expect(high).toBeGreaterThan(0);
    }
  });

  it('holds the truth of a made-up academy in its intervals, and knows the best from the worst', () => {
    const big = simulateDrillWork({ seed: 11, athletes: 40, spread: 0.04, mean: 0.03, weeks: 26 });
    const found = drillEffects(big.request)!;
    const held = found.drills.filter((d) => {
      const truth = PER_DAYS * big.truth.get(d.drill)!;
      return d.low <= truth && truth <= d.high;
    });
    expect(held.length).toBeGreaterThanOrEqual(found.drills.length - 2);
    const byTruth = [...found.drills].sort((a, b) => big.truth.get(b.drill)! - big.truth.get(a.drill)!);
    expect(byTruth[0]!.better).toBeGreaterThan(0.8);
    expect(byTruth[byTruth.length - 1]!.better).toBeLessThan(0.2);
  });

  it('is the same in any order, and where something came twice', () => {
    const { request } = made;
    const turned = {
      ...request,
      drills: [...request.drills].reverse(),
      athletes: [...request.athletes].reverse().map((a) => ({
        ...a,
        values: [...a.values, ...a.values].reverse(),
        chosenOn: [...a.chosenOn, ...a.chosenOn],
      })),
    };
    expect(drillEffects(turned)).toEqual(drillEffects(request));
  });

  it('reads one value a day, the same whichever came first', () => {
    const { request } = made;
    const doubled = (turn: boolean) =>
      request.athletes.map((a) => {
        const values = a.values.flatMap((v) => [v, { ...v, value: v.value + 3 }]);
        return { ...a, values: turn ? values.reverse() : values };
      });
    expect(drillEffects({ ...request, athletes: doubled(true) })).toEqual(drillEffects({ ...request, athletes: doubled(false) }));
  });

  it('counts a day by its reps, however they were sent, and none with fewer than five', () => {
    const { request } = made;
    const split = request.athletes.map((a) => ({
      ...a,
      work: a.work.flatMap((w) => [
        { ...w, reps: 3 },
        { ...w, reps: w.reps - 3 },
      ]),
    }));
    expect(drillEffects({ ...request, athletes: split })).toEqual(drillEffects(request));
    const few = request.athletes.map((a) => ({ ...a, work: a.work.map((w) => ({ ...w, reps: 4 })) }));
    expect(drillEffects({ ...request, athletes: few })).toBeNull();
  });

  it('says nothing of fewer than three athletes, together or with one drill', () => {
    const { request } = made;
    expect(LEAST_ATHLETES).toBe(3);
    expect(drillEffects({ ...request, athletes: [] })).toBeNull();
    expect(drillEffects({ ...request, athletes: request.athletes.slice(0, 2) })).toBeNull();
    const two = drillEffects(exact(['one', 'one', 'one', 'two', 'two'], (m, n) => way.first + m * n))!;
    expect(two.athletes).toBe(5);
    expect(two.drills.map((d) => d.drill)).toEqual(['one']);
  });

  it('says nothing of who was measured once, never worked, or throws in the other discipline', () => {
    const { request } = made;
    const not = request.athletes.flatMap((a): DrillHistory[] => [
      { ...a, athlete: `${a.athlete}-once`, values: a.values.slice(0, 1) },
      { ...a, athlete: `${a.athlete}-idle`, work: [] },
      { ...a, athlete: `${a.athlete}-windmill`, discipline: 'windmill' },
      { ...a, athlete: `${a.athlete}-late`, work: a.work.map((w) => ({ ...w, on: addDays(w.on, 400) })) },
    ]);
    expect(drillEffects({ ...request, athletes: not })).toBeNull();
    expect(drillEffects({ ...request, athletes: [...request.athletes, ...not] })).toEqual(drillEffects(request));
  });

  it('tells drills in the order of their ids', () => {
    const ids = drillEffects(made.request)!.drills.map((d) => d.drill);
    expect(ids).toEqual([...ids].sort());
  });
});
