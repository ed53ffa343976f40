/** The model of speeds fitted to readings: what level, guns, effort and setting come to, averaged over how much each may vary. */
import { mean, median, sum } from 'simple-statistics';
import type { IsoDate } from '../shared/dates';
import { smooth } from './kalman';
import type { Belief } from './kalman';
import { filter, GRID, KNEE, layOut, LEVEL, mixture, quantityOf } from './trend-filter';
import type { Alike, Layout, Session } from './trend-filter';
import type { TrendReading } from './trend';

/** A reading as the ball flew, mph. */
export interface Corrected extends TrendReading {
  readonly mph: number;
}

/** Two guns on one throw: A − B, mph. */
export interface Compared {
  readonly gunA: string;
  readonly gunB: string;
  readonly mph: number;
}

interface Known {
  readonly mean: number;
  readonly sd: number;
}
type Weights = readonly (readonly [place: number, weight: number])[];

export interface Fit {
  readonly layout: Layout;
  /** The gun used most comes first: all others are told against it. */
  readonly guns: readonly string[];
  readonly dates: readonly IsoDate[];
  /** Middle of all readings, mph. */
  readonly base: number;
  /** A sum of states as it stands on the last day. */
  readonly known: (of: Weights) => Known;
  /** The level on each day, given all days. */
  readonly levels: () => readonly Known[];
  /** What each reading shows more than the model of all of them, mph, in the order of the readings. */
  readonly residuals: () => readonly number[];
}

/** Gathers readings of one day that differ in nothing but their error. */
function alikeOf(rows: readonly { readonly mph: number; readonly row: readonly number[] }[]): Alike[] {
  const groups = new Map<string, { row: readonly number[]; speeds: number[] }>();
  for (const { mph, row } of rows) {
    const key = row.join();
    const group = groups.get(key) ?? { row, speeds: [] };
    group.speeds.push(mph);
    groups.set(key, group);
  }
  return [...groups.values()].map(({ row, speeds }) => {
    const mph = mean(speeds);
    return { row, mph, count: speeds.length, squares: sum(speeds.map((s) => (s - mph) ** 2)) };
  });
}

/** What matters in a mean of many: the rest is a hundredth of it. */
function likely<T extends { readonly weight: number }>(parts: readonly T[]): readonly T[] {
  const most = parts.filter((p) => p.weight > 0.02);
  const whole = sum(most.map((p) => p.weight));
  return most.map((p) => ({ ...p, weight: p.weight / whole }));
}

/**
 * @param readings at least one
 * @param quick by the middle of each grid alone: enough to see what strays
 */
export function fit(readings: readonly Corrected[], pairs: readonly Compared[], quick = false): Fit {
  const used = new Map<string, number>();
  for (const r of readings) used.set(r.gun, (used.get(r.gun) ?? 0) + 1);
  const byUse = [...used].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([gun]) => gun);
  const guns = [...new Set([...byUse, ...pairs.flatMap((p) => [p.gunA, p.gunB])])];
  const layout = layOut(guns);
  const base = median(readings.map((r) => r.mph));
  const rowFor = (r: TrendReading): number[] => {
    const row = new Array<number>(layout.size).fill(0);
    row[LEVEL] = 1;
    row[layout.session] = 1;
    const gun = layout.gun.get(r.gun);
    if (gun !== undefined) row[gun] = 1;
    if (r.setting === 'flat') row[layout.flat] = 1;
    if (r.setting === 'drill') row[layout.drill] = 1;
    row[layout.above] = Math.max(r.effort, KNEE) - 100;
    row[layout.below] = Math.min(0, r.effort - KNEE);
    return row;
  };
  const rows = readings.map((r) => ({ date: r.date, mph: r.mph, row: rowFor(r) }));
  const dates = [...new Set(readings.map((r) => r.date))].sort();
  const sessions: Session[] = dates.map((date) => ({ date, readings: alikeOf(rows.filter((r) => r.date === date)) }));
  const compared = pairs.map(({ gunA, gunB, mph }) => {
    const row = new Array<number>(layout.size).fill(0);
    const a = layout.gun.get(gunA);
    const b = layout.gun.get(gunB);
    if (a !== undefined) row[a]! += 1;
    if (b !== undefined) row[b]! -= 1;
    return [row, mph] as const;
  });
  const some = <T>(grid: readonly T[]): readonly T[] => (quick ? grid.slice(1, 2) : grid);
  const runs = some(GRID.reading).flatMap((reading) =>
    some(GRID.session).flatMap((session) =>
      // However quick: a level that has stepped is not to be taken for readings that stray.
      GRID.move.map((move) => filter(sessions, layout, base, { reading, session, ...move }, compared)),
    ),
  );
  const best = Math.max(...runs.map((r) => r.logDensity));
  const raw = runs.map((r) => Math.exp(r.logDensity - best));
  const total = raw.reduce((a, b) => a + b, 0);
  const weighted = runs.map((run, i) => ({ run, weight: raw[i]! / total })).filter((w) => w.weight > 1e-3);
  let smoothed: readonly { readonly weight: number; readonly beliefs: readonly Belief[] }[] | null = null;
  const overAll = () => (smoothed ??= likely(weighted).map(({ run, weight }) => ({ weight, beliefs: smooth(run.steps) })));
  const on = (day: number, of: Weights): Known =>
    mixture(overAll().map(({ weight, beliefs }) => ({ weight, ...quantityOf(beliefs[day]!, of) })));
  return {
    layout,
    guns,
    dates,
    base,
    known: (of) => mixture(weighted.map(({ run, weight }) => ({ weight, ...quantityOf(run.last, of) }))),
    levels: () => dates.map((_, day) => on(day, [[LEVEL, 1]])),
    residuals: () => {
      const dayOf = new Map(dates.map((date, day) => [date, day]));
      const places = Array.from({ length: layout.size }, (_, i) => i);
      const means = dates.map((_, day) => places.map((i) => on(day, [[i, 1]]).mean));
      return rows.map(({ date, mph, row }) => {
        const at = means[dayOf.get(date)!]!;
        return mph - row.reduce((total, h, i) => total + h * at[i]!, 0);
      });
    },
  };
}
