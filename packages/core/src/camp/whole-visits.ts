/** What makes the bound of a day lie lower: visits are whole, so a throw budget has room for some sets of them and for none between. */
import { groupBy } from '../shared/group-by';
import type { Entry, LinearBuilder } from '../shared/linear';
import { entriesOf, thrownBefore } from './day';
import type { Choice, DayTask, Reading } from './day';

/**
 * For each athlete whose budget does not reach for throws in every rotation: what is thrown beside the readings that are owed is a mixture
 * of the fullest sets of visits that the budget has room for. Every schedule keeps within one of these sets; without whole numbers mixtures
 * of them are left, where two fifths of a visit would be thrown otherwise (the hull of a knapsack, by its points). Whoever misses a
 * reading, or has one twice, is let out of it: that costs more than it could bring.
 */
export function wholeVisits(
  task: DayTask,
  builder: LinearBuilder,
  choices: readonly Choice[],
  readings: readonly Reading[],
): void {
  for (const [id, own] of groupBy(choices, ({ athlete }) => athlete.id)) {
    const owed = readings.filter((reading) => reading.athlete === id);
    const throwsOf = (kind: Reading['kind']) =>
      Math.min(Infinity, ...own.filter((c) => c.station.kind === kind).map((c) => c.station.throwsPerVisit));
    const left =
      own[0]!.athlete.throwBudget - thrownBefore(task, id) - owed.reduce((total, { kind }) => total + throwsOf(kind), 0);
    const visits = new Set(own.map((c) => c.rotation)).size - owed.length;
    const others = own.filter((c) => c.station.throwsPerVisit > 0 && !owed.some(({ kind }) => kind === c.station.kind));
    const classOf = classes(others.map(({ station }) => station.throwsPerVisit));
    const bySize = groupBy(others, ({ station }) => classOf.get(station.throwsPerVisit)!);
    const sizes = [...bySize.keys()].sort((a, b) => b - a);
    // Who cannot have all readings is let out anyway.
    if (left < 0 || visits < 1 || sizes.length === 0 || sizes[0]! * visits <= left) continue;
    const sets = fullest(sizes, left, visits);
    const shares = sets.map(() => builder.share(0, 1));
    const out = owed.length === 0 ? [] : [builder.share(0, 1), builder.share(0, 1)];
    builder.exactly(
      [...shares, ...out].map((share): Entry => [share, 1]),
      1,
    );
    sizes.forEach((size, n) =>
      builder.atMost(
        [
          ...entriesOf(bySize.get(size)!),
          ...shares.map((share, k): Entry => [share, -sets[k]![n]!]),
          ...out.map((share): Entry => [share, -visits - owed.length]),
        ],
        0,
      ),
    );
    const [missed, again] = out;
    if (missed !== undefined) builder.atMost([[missed, 1], ...owed.map((r): Entry => [r.missed, -1])], 0);
    if (again !== undefined) builder.atMost([[again, 1], ...owed.map((r): Entry => [r.again, -1])], 0);
  }
}

/** Sizes of visits that are told apart: with more of them there are thousands of sets. `house` */
const TOLD_APART = 3;

/** Sizes of visits, each as the least of its class: a set that fits in truth fits by these, so the bound stays one. */
function classes(throws: readonly number[]): ReadonlyMap<number, number> {
  const sizes = [...new Set(throws)].sort((a, b) => a - b);
  const each = Math.ceil(sizes.length / TOLD_APART);
  return new Map(sizes.map((size, n) => [size, sizes[n - (n % each)]!]));
}

/** Numbers of visits of each size, the largest first, that fit a budget and to which no visit can be added. */
function fullest(sizes: readonly number[], budget: number, visits: number): number[][] {
  const [size, ...smaller] = sizes;
  if (size === undefined) return [[]];
  const most = Math.min(visits, Math.floor(budget / size));
  if (smaller.length === 0) return [[most]];
  const sets = Array.from({ length: most + 1 }, (_, n) =>
    fullest(smaller, budget - n * size, visits - n).map((rest) => [n, ...rest]),
  ).flat();
  return sets.filter((set) => !sets.some((other) => other !== set && set.every((n, k) => n <= other[k]!)));
}
