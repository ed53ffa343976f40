/**
 * Which drills helped: how the target measure of a finding moved per day of work with each drill, over all athletes of an academy.
 * A normal mixed model with partial pooling over drills and athletes (Gelman and Hill, 2007, ch. 12–13); its spreads are averaged over
 * a grid by how well each explains what was measured, so that a few athletes say little and do not pretend to more.
 */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Discipline } from '../delivery/links';
import { measureById } from '../delivery/measures';
import type { DeliveryEvent, MeasureId, MeasureUnit } from '../delivery/measures';
import type { HelpedDrill } from '../drills/library';
import type { FindingId } from '../findings/ids';
import type { Sign } from '../findings/signs';
import { signsWith } from '../settings/numbers';
import type { AcademyNumbers } from '../settings/numbers';
import { daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { normalCdf, normalQuantile } from '../shared/distributions';
import { groupBy } from '../shared/group-by';
import type { CourseValue } from './course';

/** A day on which a drill was done with fewer reps is no exposure. Provenance `house`. */
export const EXPOSURE_REPS = 5;
/** Effects are told per so many days of work with a drill. */
export const PER_DAYS = 10;
/** What fewer athletes have done is not told: it would speak of one of them. */
export const LEAST_ATHLETES = 3;
/** The newest dates of an athlete that are read. */
const NEWEST = 40;
/** Share of what is told that holds the truth. */
const COVERS = 0.9;

/** What is believed before anything was measured, in spreads of the finding's sign. Provenance `house`. */
const PRIOR = {
  /** Mean move per day of work, over all drills. */
  mean: 0.05,
  /** Move per week that has nothing to do with drills: growth, other coaching. */
  week: 0.03,
  /** Errors by which the value that a focus was chosen by is worse than the athlete is. */
  chosen: 1,
  level: 10,
} as const;
/** Spreads that are tried: between drills, between athletes with one drill, per day of work; from week to week. */
const GRID = { drills: [0.002, 0.01, 0.03, 0.06], athletes: [0.001, 0.01, 0.03], weeks: [0.01, 0.06, 0.15] } as const;

/** One athlete as the log and the film know them. */
export interface DrillHistory {
  readonly athlete: string;
  readonly discipline: Discipline;
  readonly values: readonly CourseValue[];
  /** Days with a drill, and the reps that count. */
  readonly work: readonly { readonly drill: string; readonly on: IsoDate; readonly reps: number }[];
  /** Days on which the finding was made a focus. */
  readonly chosenOn: readonly IsoDate[];
}

export interface DrillEffectsRequest {
  readonly finding: FindingId;
  readonly discipline: Discipline;
  /** Drills that treat it directly. */
  readonly drills: readonly string[];
  /** In any order. */
  readonly athletes: readonly DrillHistory[];
  readonly numbers?: AcademyNumbers | undefined;
}

/** What one drill did, in the unit of the measure, towards what is good. */
export interface DrillEffect {
  readonly drill: string;
  /** Move per {@link PER_DAYS} days of work, beyond what came with the weeks. */
  readonly move: number;
  /** 90 % interval of it. */
  readonly low: number;
  readonly high: number;
  readonly athletes: number;
  readonly days: number;
  /** How sure it is that it does more than the other drills of the finding, on average; ½ where nothing is known. */
  readonly better: number;
}

export interface DrillEffects {
  readonly finding: FindingId;
  readonly discipline: Discipline;
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  readonly unit: MeasureUnit;
  /** Athletes and dates that it rests on. */
  readonly athletes: number;
  readonly dates: number;
  /** In the order of their ids: no ranking. Only what {@link LEAST_ATHLETES} have done. */
  readonly drills: readonly DrillEffect[];
}

/** What a planner is told of effects. */
export const helpedOf = (effects: readonly DrillEffects[]): HelpedDrill[] =>
  effects.flatMap(({ finding, discipline, drills }) =>
    drills.map(({ drill, better, athletes, days }) => ({ finding, discipline, drill, better, athletes, days })),
  );

/** One athlete's dates, in spreads of the sign, the good direction upwards. */
interface Series {
  readonly levels: readonly number[];
  readonly errors: readonly number[];
  readonly weeks: readonly number[];
  /** Days of work with each drill before each date. */
  readonly exposures: readonly (readonly number[])[];
  /** The error of the value that the finding was chosen by; nought elsewhere. */
  readonly chosen: readonly number[];
  readonly used: ReadonlySet<string>;
  readonly days: ReadonlyMap<string, number>;
}

const keyOf = (v: Pick<CourseValue, 'measure' | 'event'>): string => `${v.measure}:${v.event}`;

/** The measure by which most can be said: of those that the finding's signs read, the one with the most dates. */
function targetOf({ finding, discipline, athletes, numbers }: DrillEffectsRequest): { sign: Sign; key: string } | null {
  const own = signsWith(numbers).filter((s) => s.finding === finding && (!s.disciplines || s.disciplines.includes(discipline)));
  const telling = own.filter((s) => s.shows === undefined);
  const values = athletes.filter((a) => a.discipline === discipline).flatMap((a) => a.values);
  const counts = (telling.length > 0 ? telling : own).flatMap((sign) =>
    [
      ...groupBy(
        values.filter((v) => v.measure === sign.measure && (!sign.events || sign.events.includes(v.event))),
        keyOf,
      ),
    ].map(([key, { length }]) => ({ sign, key, length })),
  );
  return counts.sort((a, b) => b.length - a.length || (a.key < b.key ? -1 : 1))[0] ?? null;
}

/** Which way is good; null where a value of a two-sided sign lay within it, so that no way was asked for. */
function goodWay(sign: Sign, first: number): 1 | -1 | null {
  if (sign.side === 'below') return 1;
  if (sign.side === 'above') return -1;
  return first < sign.at ? 1 : first > sign.upTo! ? -1 : null;
}

function seriesOf(history: DrillHistory, sign: Sign, key: string, drills: readonly string[]): Series | null {
  const own = history.values.filter((v) => keyOf(v) === key && v.sd > 0);
  // One value a day, the surest; whichever came first, it is the same one.
  const values = [...groupBy(own, (v) => v.on).values()]
    .map((day) => [...day].sort((a, b) => a.sd - b.sd || a.value - b.value)[0]!)
    .sort((a, b) => (a.on < b.on ? -1 : 1))
    .slice(-NEWEST);
  const first = values[0];
  if (!first || values.length < 2) return null;
  const chosenAt = new Set(
    history.chosenOn.flatMap((on) => {
      const before = values.filter((v) => v.on <= on);
      return before.length > 0 ? [before[before.length - 1]!.on] : [];
    }),
  );
  const began = values.find((v) => chosenAt.has(v.on)) ?? first;
  const way = goodWay(sign, began.value);
  if (way === null) return null;
  const last = values[values.length - 1]!.on;
  const perDay = groupBy(
    history.work.filter((w) => w.on < last),
    (w) => `${w.drill} ${w.on}`,
  );
  const worked = [...perDay.values()].flatMap((same) =>
    same.reduce((n, w) => n + w.reps, 0) >= EXPOSURE_REPS ? [{ drill: same[0]!.drill, on: same[0]!.on }] : [],
  );
  const since = worked.filter((w) => w.on >= first.on && drills.includes(w.drill));
  if (since.length === 0) return null;
  const days = new Map([...groupBy(since, (w) => w.drill)].map(([drill, list]) => [drill, list.length]));
  return {
    levels: values.map((v) => (way * v.value) / sign.spread),
    errors: values.map((v) => v.sd / sign.spread),
    weeks: values.map((v) => daysBetween(first.on, v.on) / 7),
    exposures: values.map((v) => drills.map((drill) => since.filter((w) => w.drill === drill && w.on < v.on).length)),
    chosen: values.map((v) => (chosenAt.has(v.on) ? -v.sd / sign.spread : 0)),
    used: new Set(days.keys()),
    days,
  };
}

/** What is common to all: a mean per day of work, each drill's difference from it, the weeks, and how values were chosen. */
interface Posterior {
  readonly evidence: number;
  readonly mean: readonly number[];
  readonly covariance: Matrix;
}

/** The sums over all athletes for one choice of spreads; each athlete's own level and differences are integrated out. */
function fitted(all: readonly Series[], drills: number, spreads: { drills: number; athletes: number; weeks: number }): Posterior {
  const width = drills + 3;
  const precision = Matrix.zeros(width, width);
  precision.set(0, 0, 1 / PRIOR.mean ** 2);
  for (let d = 0; d < drills; d++) precision.set(1 + d, 1 + d, 1 / spreads.drills ** 2);
  precision.set(drills + 1, drills + 1, 1 / PRIOR.week ** 2);
  precision.set(drills + 2, drills + 2, 1 / PRIOR.chosen ** 2);
  const pull = Matrix.zeros(width, 1);
  let evidence = -drills * Math.log(spreads.drills);
  for (const { levels, errors, weeks, exposures, chosen } of all) {
    const n = levels.length;
    const noise = Matrix.zeros(n, n);
    for (let i = 0; i < n; i++)
      for (let j = 0; j <= i; j++) {
        let value = PRIOR.level ** 2 + spreads.weeks ** 2 * weeks[j]!;
        for (let d = 0; d < drills; d++) value += spreads.athletes ** 2 * exposures[i]![d]! * exposures[j]![d]!;
        if (i === j) value += errors[i]! ** 2;
        noise.set(i, j, value);
        noise.set(j, i, value);
      }
    const design = Matrix.zeros(n, width + 1);
    const level = levels[0]!;
    for (let i = 0; i < n; i++) {
      let total = 0;
      for (let d = 0; d < drills; d++) {
        design.set(i, 1 + d, exposures[i]![d]!);
        total += exposures[i]![d]!;
      }
      design.set(i, 0, total);
      design.set(i, drills + 1, weeks[i]!);
      design.set(i, drills + 2, chosen[i]!);
      design.set(i, width, levels[i]! - level);
    }
    const cholesky = new CholeskyDecomposition(noise);
    const solved = cholesky.solve(design);
    const products = design.transpose().mmul(solved);
    for (let r = 0; r < width; r++) {
      // One half stands for both: rounding would tell them apart.
      for (let c = r; c < width; c++) {
        const value = precision.get(r, c) + products.get(r, c);
        precision.set(r, c, value);
        precision.set(c, r, value);
      }
      pull.set(r, 0, pull.get(r, 0) + products.get(r, width));
    }
    const lower = cholesky.lowerTriangularMatrix;
    for (let i = 0; i < n; i++) evidence -= Math.log(lower.get(i, i));
    evidence -= products.get(width, width) / 2;
  }
  const whole = new CholeskyDecomposition(precision);
  const mean = whole.solve(pull);
  for (let i = 0; i < width; i++) {
    evidence -= Math.log(whole.lowerTriangularMatrix.get(i, i));
    evidence += (mean.get(i, 0) * pull.get(i, 0)) / 2;
  }
  return { evidence, mean: mean.to1DArray(), covariance: whole.solve(Matrix.eye(width)) };
}

/** A linear function of what is common, as a mixture of normals over the grid, and how likely it is above nought. */
function told(
  fits: readonly { posterior: Posterior; share: number }[],
  weights: readonly number[],
): { mean: number; sd: number; above: number } {
  const parts = fits.map(({ posterior, share }) => {
    let mean = 0;
    let variance = 0;
    weights.forEach((w, i) => {
      mean += w * posterior.mean[i]!;
      if (w !== 0) weights.forEach((v, j) => (variance += w * v * posterior.covariance.get(i, j)));
    });
    return { mean, variance, share };
  });
  const mean = parts.reduce((s, p) => s + p.share * p.mean, 0);
  const variance = parts.reduce((s, p) => s + p.share * (p.variance + (p.mean - mean) ** 2), 0);
  const above = parts.reduce((s, p) => s + p.share * (p.variance > 0 ? normalCdf(p.mean / Math.sqrt(p.variance)) : 0.5), 0);
  return { mean, sd: Math.sqrt(variance), above };
}

/**
 * How the target measure of a finding moved per day of work with each of its drills.
 *
 * Levels of an athlete follow `level + Σ days(drill)·(mean + drill + athlete×drill) + weeks·drift + random walk + error`. The value
 * that the finding was chosen by may be worse than the athlete was (regression to the mean): how much so is estimated along.
 * @returns null where no measure tells of the finding, or fewer than {@link LEAST_ATHLETES} were measured before and after work
 */
export function drillEffects(request: DrillEffectsRequest): DrillEffects | null {
  const { finding, discipline } = request;
  const target = targetOf(request);
  if (!target) return null;
  const { sign, key } = target;
  const drills = [...new Set(request.drills)].sort();
  const series = [...request.athletes]
    .sort((a, b) => (a.athlete < b.athlete ? -1 : 1))
    .flatMap((history) => {
      const own = history.discipline === discipline ? seriesOf(history, sign, key, drills) : null;
      return own ? [own] : [];
    });
  if (series.length < LEAST_ATHLETES) return null;
  const used = drills.filter((drill) => series.some((s) => s.used.has(drill)));
  const at = used.map((drill) => drills.indexOf(drill));
  const kept = series.map((s) => ({ ...s, exposures: s.exposures.map((row) => at.map((d) => row[d]!)) }));
  const all = GRID.drills.flatMap((between) =>
    GRID.athletes.flatMap((athletes) =>
      GRID.weeks.map((weeks) => fitted(kept, used.length, { drills: between, athletes, weeks })),
    ),
  );
  const most = Math.max(...all.map((f) => f.evidence));
  const total = all.reduce((s, f) => s + Math.exp(f.evidence - most), 0);
  const fits = all.map((posterior) => ({ posterior, share: Math.exp(posterior.evidence - most) / total }));
  const half = normalQuantile((1 + COVERS) / 2);
  const scale = PER_DAYS * sign.spread;
  const [measure, event] = key.split(':') as [MeasureId, DeliveryEvent];
  return {
    finding,
    discipline,
    measure,
    event,
    unit: measureById(measure).unit,
    athletes: series.length,
    dates: series.reduce((n, s) => n + s.levels.length, 0),
    drills: used.flatMap((drill, d): DrillEffect[] => {
      const athletes = series.filter((s) => s.used.has(drill)).length;
      if (athletes < LEAST_ATHLETES) return [];
      const own = Array.from({ length: used.length + 3 }, (_, i) => (i === 0 || i === 1 + d ? 1 : 0));
      const others = used.length - 1;
      const against = own.map((_, i) => (i === 1 + d ? 1 : i > 0 && i <= used.length ? -1 / others : 0));
      const { mean, sd } = told(fits, own);
      return [
        {
          drill,
          move: scale * mean,
          low: scale * (mean - half * sd),
          high: scale * (mean + half * sd),
          athletes,
          days: series.reduce((n, s) => n + (s.days.get(drill) ?? 0), 0),
          better: others > 0 ? told(fits, against).above : 0.5,
        },
      ];
    }),
  };
}
