/** Two dates side by side: what is better, what got worse and whether the speed explains it, and what comes next. */
import type { Discipline } from '../delivery/links';
import { measureById } from '../delivery/measures';
import { compared, measureBand } from '../measure/compare';
import type { ComparedValue } from '../measure/compare';
import { addDays } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { round } from '../shared/maths';
import type { CourseValue } from './course';
import type { Trend } from './trend';

/** Changes of one kind that a sheet names. */
const NAMED = 3;
/** A speed this many days before a date, or after it, stands for the date. */
export const SPEED_NEAR_DAYS = 10;

export interface SheetRequest {
  readonly discipline: Discipline;
  /** Completed years on the later date. */
  readonly age: number;
  readonly from: IsoDate;
  readonly to: IsoDate;
  /** In any order; of other days too. */
  readonly values: readonly CourseValue[];
  /** Of the readings between the two dates alone; null where there are none. */
  readonly trend: Trend | null;
}

/** A measure on both dates. */
export interface SheetMeasure extends ComparedValue {
  readonly name: string;
  /** 90 % of the errors of the change are smaller, in its unit. */
  readonly error: number;
}

export interface Sheet {
  readonly from: IsoDate;
  readonly to: IsoDate;
  readonly speed: {
    readonly sentence: string;
    readonly then: number;
    readonly now: number;
    readonly unit: 'mph' | 'km/h';
    /** More than the readings vary by. */
    readonly gained: boolean;
  } | null;
  /** All that was measured on both dates, the clearest change first. */
  readonly measures: readonly SheetMeasure[];
  readonly better: readonly SheetMeasure[];
  readonly worse: readonly SheetMeasure[];
  /** Whether the gain in speed may explain what got worse; null where nothing did. */
  readonly why: string | null;
  /** Effort of the throws on the two dates is not alike, or not known, in words; null where it is. */
  readonly unlike: string | null;
}

function speedOf({ trend, from, to }: SheetRequest): Sheet['speed'] {
  const series = trend?.series ?? [];
  const first = series.find((p) => p.date >= addDays(from, -SPEED_NEAR_DAYS));
  const last = series[series.length - 1];
  if (!trend?.gain || !first || !last || last.date > addDays(to, SPEED_NEAR_DAYS)) return null;
  return {
    sentence: trend.sentence,
    then: round(first.level, 1),
    now: round(last.level, 1),
    unit: trend.gain.unit,
    gained: trend.gain.low > 0,
  };
}

function measuresOn({ values, from, to, discipline, age }: SheetRequest): SheetMeasure[] {
  const then = values.filter((v) => v.on === from);
  const now = values.filter((v) => v.on === to);
  return now
    .flatMap((after): SheetMeasure[] => {
      const before = then.find((v) => v.measure === after.measure && v.event === after.event);
      if (!before) return [];
      const band = measureBand(after.measure, after.event, discipline, age);
      const error = round(1.64 * Math.hypot(before.sd, after.sd), 2);
      return [{ ...compared(after, before, after, band), name: measureById(after.measure).name, error }];
    })
    .sort(
      (a, b) =>
        Math.abs(b.change) / b.error - Math.abs(a.change) / a.error ||
        (`${a.measure}:${a.event}` < `${b.measure}:${b.event}` ? -1 : 1),
    );
}

/** What got worse beside a gain may come of it: the same effort may be more for the body. */
function whyWorse(worse: readonly SheetMeasure[], speed: Sheet['speed']): string | null {
  if (worse.length === 0) return null;
  if (!speed) return 'Speed was not read on both dates, so nobody can say whether it has to do with it.';
  return speed.gained
    ? 'Speed rose in the same time and may explain it: measure once more at the speed of then. If it is gone there, it comes with the speed.'
    : 'Speed did not clearly rise in the same time, so a gain does not explain it.';
}

function unlikeOf({ values, from, to }: SheetRequest): string | null {
  const effortOn = (on: IsoDate) => {
    const efforts = values.filter((v) => v.on === on).flatMap((v) => (v.effort ? [v.effort] : []));
    return efforts.length === 0 ? null : [Math.min(...efforts.map((e) => e[0])), Math.max(...efforts.map((e) => e[1]))];
  };
  const [then, now] = [effortOn(from), effortOn(to)];
  if (!then || !now) return 'How hard the throws were was not noted on both dates.';
  const say = ([low, high]: number[]) => (low === high ? `${low} %` : `${low} to ${high} %`);
  return Math.abs(then[1]! - now[1]!) > 10 ? `Thrown at ${say(then)} then and ${say(now)} now: not quite the same thing.` : null;
}

/**
 * A before/after sheet. A change is named better or worse only when it is real, beyond 1.64 · √(sd₁² + sd₂²), and nearer to or further
 * from its band.
 */
export function sheetOf(request: SheetRequest): Sheet {
  const measures = measuresOn(request);
  const speed = speedOf(request);
  const worse = measures.filter((m) => m.way === 'worse').slice(0, NAMED);
  return {
    from: request.from,
    to: request.to,
    speed,
    measures,
    better: measures.filter((m) => m.way === 'better').slice(0, NAMED),
    worse,
    why: whyWorse(worse, speed),
    unlike: measures.length > 0 ? unlikeOf(request) : null,
  };
}
