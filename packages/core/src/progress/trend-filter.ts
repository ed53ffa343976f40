/** The level and slope behind speeds, session by session, over a grid of how much each may vary. */
import { daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { advance, cloneBelief, observe } from './kalman';
import type { Belief, FilterStep, Move } from './kalman';
import { SPEED_PER_EFFORT } from './spread';

/** Priors, mph and days. Provenance `house`. */
const PRIOR = {
  levelSd: 20,
  /** Slope of the level, mph a day: about 10 mph a year either way. */
  slopeSd: 0.03,
  /** Two guns that nobody has compared, mph. */
  gunOffsetSd: 2,
  pairSd: 0.6,
  /** Change of speed with effort, share per percent. */
  effortShare: SPEED_PER_EFFORT,
  effortShareSd: 0.003,
  setting: { flat: { mean: -1, sd: 1.2 }, drill: { mean: -4, sd: 3 } },
} as const;

export const GRID = {
  reading: [0.5, 0.9, 1.5],
  session: [0.2, 0.5, 1],
  /**
   * How the level moves: SD of the slope's change over a day, mph a day, and of the level's own steps over a day, mph. Most seasons are
   * smooth; in some a thing learned lifts the level for good within days.
   */
  move: [
    { slopeChange: 0.0003, walk: 0 },
    { slopeChange: 0.0015, walk: 0 },
    { slopeChange: 0.0003, walk: 0.35 },
  ],
} as const;

export const KNEE = 80;

export interface Layout {
  readonly size: number;
  readonly gun: ReadonlyMap<string, number>;
  readonly flat: number;
  readonly drill: number;
  readonly below: number;
  readonly above: number;
  /** The session effect, drawn anew each session. */
  readonly session: number;
  /** The level on the first day. */
  readonly first: number;
}

export const LEVEL = 0;

const SLOPE = 1;

export function layOut(guns: readonly string[]): Layout {
  const gun = new Map(guns.slice(1).map((g, i) => [g, 2 + i]));
  const at = 1 + guns.length;
  return { gun, flat: at, drill: at + 1, below: at + 2, above: at + 3, session: at + 4, first: at + 5, size: at + 6 };
}

export interface Session {
  readonly date: IsoDate;
  readonly readings: readonly Alike[];
}

/** Readings of one day that differ in nothing but their error: their mean says all that they say of anything else. */
export interface Alike {
  readonly row: readonly number[];
  readonly mph: number;
  readonly count: number;
  /** Sum of the squared differences from their mean. */
  readonly squares: number;
}

/** What readings say of their own spread, beside what their mean says: log density of n normal ones given their mean. */
const ofSpread = ({ count, squares }: Alike, sd: number): number =>
  -0.5 * ((count - 1) * Math.log(2 * Math.PI * sd ** 2) + Math.log(count) + squares / sd ** 2);

interface Spreads {
  readonly reading: number;
  readonly session: number;
  readonly slopeChange: number;
  readonly walk: number;
}

function start(layout: Layout, base: number): Belief {
  const { size } = layout;
  const mean = new Float64Array(size);
  const covariance = new Float64Array(size * size);
  const set = (i: number, m: number, sd: number) => {
    mean[i] = m;
    covariance[i * size + i] = sd * sd;
  };
  set(LEVEL, base, PRIOR.levelSd);
  set(SLOPE, 0, PRIOR.slopeSd);
  for (const i of layout.gun.values()) set(i, 0, PRIOR.gunOffsetSd);
  set(layout.flat, PRIOR.setting.flat.mean, PRIOR.setting.flat.sd);
  set(layout.drill, PRIOR.setting.drill.mean, PRIOR.setting.drill.sd);
  set(layout.below, PRIOR.effortShare * base, PRIOR.effortShareSd * base);
  set(layout.above, PRIOR.effortShare * base, PRIOR.effortShareSd * base);
  return { mean, covariance };
}

/** How much a day's form moves all of its throws, usually: the middle of the grid, mph. */
export const USUAL_SESSION_SPREAD_MPH = GRID.session[1]!;

/** Level and slope some days on, and a new session effect. */
function moveBy(layout: Layout, days: number, spreads: Spreads): Move {
  const q = spreads.slopeChange ** 2;
  return {
    carries: [[LEVEL, SLOPE, days]],
    renewed: [layout.session],
    noise: [
      [SLOPE, SLOPE, q * days],
      [LEVEL, SLOPE, (q * days ** 2) / 2],
      [SLOPE, LEVEL, (q * days ** 2) / 2],
      [LEVEL, LEVEL, (q * days ** 3) / 3 + spreads.walk ** 2 * days],
      [layout.session, layout.session, spreads.session ** 2],
    ],
  };
}

/** From here on the first level is remembered beside the running one. */
function rememberFirst({ mean, covariance }: Belief, { first, size }: Layout): void {
  mean[first] = mean[LEVEL]!;
  for (let i = 0; i < size; i++) {
    const shared = covariance[LEVEL * size + i]!;
    covariance[first * size + i] = shared;
    covariance[i * size + first] = shared;
  }
  covariance[first * size + first] = covariance[LEVEL * size + LEVEL]!;
}

export interface Run {
  readonly logDensity: number;
  readonly last: Belief;
  readonly steps: readonly FilterStep[];
}

export function filter(
  sessions: readonly Session[],
  layout: Layout,
  base: number,
  spreads: Spreads,
  pairs: readonly (readonly [number[], number])[],
): Run {
  const belief = start(layout, base);
  let logDensity = 0;
  for (const [row, difference] of pairs) observe(belief, row, difference, PRIOR.pairSd ** 2);
  const steps: FilterStep[] = [];
  sessions.forEach((session, k) => {
    const days = k === 0 ? 0 : daysBetween(sessions[k - 1]!.date, session.date);
    const move = moveBy(layout, days, spreads);
    advance(belief, move);
    if (k === 0) rememberFirst(belief, layout);
    const predicted = cloneBelief(belief);
    for (const alike of session.readings)
      logDensity += observe(belief, alike.row, alike.mph, spreads.reading ** 2 / alike.count) + ofSpread(alike, spreads.reading);
    steps.push({ predicted, filtered: cloneBelief(belief), move });
  });
  return { logDensity, last: belief, steps };
}

/** Mean and SD of a mixture of normal quantities. */
export function mixture(parts: readonly { weight: number; mean: number; sd: number }[]): { mean: number; sd: number } {
  const mean = parts.reduce((m, p) => m + p.weight * p.mean, 0);
  const variance = parts.reduce((v, p) => v + p.weight * (p.sd ** 2 + (p.mean - mean) ** 2), 0);
  return { mean, sd: Math.sqrt(variance) };
}

export const quantityOf = (belief: Belief, h: readonly (readonly [number, number])[]): { mean: number; sd: number } => {
  let mean = 0;
  let variance = 0;
  for (const [i, a] of h) {
    mean += a * belief.mean[i]!;
    for (const [j, b] of h) variance += a * b * belief.covariance[i * belief.mean.length + j]!;
  }
  return { mean, sd: Math.sqrt(Math.max(0, variance)) };
};
