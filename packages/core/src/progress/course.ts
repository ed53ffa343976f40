/** The course of a focus by what was measured of it in the full delivery: done, owned, slipped back, stuck, to be looked at again. */
import type { Discipline } from '../delivery/links';
import { measureById } from '../delivery/measures';
import type { DeliveryEvent, MeasureId, MeasureUnit } from '../delivery/measures';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import type { Sign } from '../findings/signs';
import { measureBand, outside } from '../measure/compare';
import type { Range } from '../measure/compare';
import { changeIsReal } from '../measure/measure';
import { signsWith } from '../settings/numbers';
import type { AcademyNumbers } from '../settings/numbers';
import { addDays, dayInWords, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { groupBy } from '../shared/group-by';
import { FULL_EFFORT } from './spread';

/** Dates on which it has to hold, one after the other. Source: domain rule, `house`. */
export const HOLDS_ON_DATES = 2;
/** A thrower with a health flag is measured no harder than this, percent. */
export const FLAGGED_EFFORT = 85;
/** A session after so many without a move is one too many. */
export const STUCK_AFTER = 4;
/** A focus is measured every so many days; of one that is not no verdict is possible. */
const UNMEASURED_DAYS = 42;
const UNMEASURED = 'six weeks without a measured full delivery: nobody can say whether it moves';
/** Weeks after a focus was owned at which a clip is asked for. Provenance `house`. */
export const WATCH_WEEKS = [4, 8, 16, 26] as const;
/** A clip that is no older than this when one would be asked for stands for it, days. */
const STANDS_FOR_DAYS = 14;
/** So many days without a throw are a time away. */
export const AWAY_DAYS = 14;
/** Standard errors outside the band: 95 % and 80 % sure that it is outside. */
const [CLEARLY_OUT, LIKELY_OUT] = [1.64, 0.84];
/** What was measured no later than this after the work began is where it began, days. */
const BEGAN_WITHIN = 7;

/** One day's value of a measure in the full delivery, the mean of its throws. */
export interface CourseValue {
  readonly on: IsoDate;
  readonly measure: MeasureId;
  readonly event: DeliveryEvent;
  readonly value: number;
  readonly sd: number;
  /** Least and most effort of its throws, percent; null where one of them was not noted. */
  readonly effort: readonly [least: number, most: number] | null;
}

export interface CourseRequest {
  readonly finding: FindingId;
  readonly discipline: Discipline;
  /** Completed years. */
  readonly age: number;
  /** Something is flagged for health in the athlete now, whatever the focus is: no hard throws are asked for. */
  readonly flagged: boolean;
  readonly numbers?: AcademyNumbers | undefined;
  readonly startedOn: IsoDate;
  /** Day on which a coach called it owned; null while it is worked on. */
  readonly ownedOn: IsoDate | null;
  /** In any order; of other measures too. */
  readonly values: readonly CourseValue[];
  /** Verdicts of the gate since the last move of the rung. */
  readonly verdictsWithoutMove: number;
  /** Days with throws, in any order. */
  readonly thrownOn: readonly IsoDate[];
  readonly today: IsoDate;
}

/** One value against what the finding asks of it. */
export interface HeldValue extends CourseValue {
  readonly unit: MeasureUnit;
  /** What the value has to lie in; open where only one side is a fault. */
  readonly band: Range;
  readonly inBand: boolean;
  /** Really changed towards the band since the work began. */
  readonly moved: boolean;
  /** Its error is so large that it tells nothing. */
  readonly blurred: boolean;
}

/** One day on which the focus was measured. */
export interface CourseDate {
  readonly on: IsoDate;
  readonly values: readonly HeldValue[];
  /** Every value is in its band or has really moved towards it. */
  readonly holds: boolean;
  /** Why the day does not count towards “done”, whatever it shows; null where it counts. */
  readonly not: string | null;
}

/** `done` is a proposal, `owned` a coach's word. `relapsed`: owned, and back since. `stuck`: no move. */
export const COURSE_STATES = ['working', 'holding', 'done', 'owned', 'relapsed', 'stuck'] as const;
export type CourseState = (typeof COURSE_STATES)[number];

export interface Course {
  readonly state: CourseState;
  /** The state with its numbers, in one sentence. */
  readonly reason: string;
  /** Oldest first, the days before the work among them. */
  readonly dates: readonly CourseDate[];
  /** Day from which a clip should be asked for, and why; null where none is to come. */
  readonly watch: { readonly from: IsoDate; readonly why: string } | null;
}

/** What a finding's signs ask of the values of a day: its side's edge by the band, or else where the sign speaks neither way. */
interface Wanted {
  readonly sign: Sign;
  readonly bandOf: (value: CourseValue) => Range;
}

function wantedOf({ finding, discipline, age, numbers }: CourseRequest): Wanted[] {
  const own = signsWith(numbers).filter((s) => s.finding === finding && (!s.disciplines || s.disciplines.includes(discipline)));
  // A sign that shows in some of those who have it cannot say that it is gone, unless there is no other.
  const telling = own.filter((s) => s.shows === undefined);
  return (telling.length > 0 ? telling : own).map((sign) => {
    const at = age < 15 && sign.youthAt !== undefined ? sign.youthAt : sign.at;
    return {
      sign,
      bandOf: ({ measure, event }) => {
        const band = measureBand(measure, event, discipline, age);
        if (sign.side === 'below') return { low: Math.max(at, band?.low ?? at) };
        if (sign.side === 'above') return { high: Math.min(at, band?.high ?? at) };
        return { low: at, high: sign.upTo! };
      },
    };
  });
}

/** Measures by which a focus is done; empty where no measure tells of it. */
export const measuresOf = (finding: FindingId, discipline: Discipline): readonly MeasureId[] => [
  ...new Set(
    signsWith(undefined)
      .filter((s) => s.finding === finding && (!s.disciplines || s.disciplines.includes(discipline)))
      .map((s) => s.measure),
  ),
];

/** The values of a day that a sign reads: of its events those that were measured, or only the first of them. */
function readBy({ measure, events, firstOnly }: Sign, values: readonly CourseValue[]): CourseValue[] {
  const read = values.filter((v) => v.measure === measure && (!events || events.includes(v.event)));
  if (!firstOnly || !events) return read;
  const first = events.find((event) => read.some((v) => v.event === event));
  return read.filter((v) => v.event === first);
}

/** What tells values of one measure from those of another. */
const keyOf = ({ measure, event }: CourseValue): string => `${measure}:${event}`;

/** Where the work began, by measure: the last value before it, or the first within its first days. */
function beginningsOf({ values, startedOn }: CourseRequest): ReadonlyMap<string, CourseValue> {
  const found = new Map<string, CourseValue>();
  for (const [key, own] of groupBy(values, keyOf)) {
    const same = [...own].sort((x, y) => (x.on < y.on ? -1 : 1));
    const before = same.filter((v) => v.on <= startedOn);
    const began = before[before.length - 1] ?? same.find((v) => daysBetween(startedOn, v.on) <= BEGAN_WITHIN);
    if (began) found.set(key, began);
  }
  return found;
}

function held(began: CourseValue | undefined, { sign, bandOf }: Wanted, value: CourseValue): HeldValue {
  const band = bandOf(value);
  const nearer = began !== undefined && began.on < value.on && outside(value.value, band) < outside(began.value, band);
  const blurred = value.sd > sign.spread;
  return {
    ...value,
    unit: measureById(value.measure).unit,
    band,
    inBand: !blurred && outside(value.value, band) === 0,
    moved: nearer && changeIsReal(began, value),
    blurred,
  };
}

/**
 * Whether easy throws count: something is flagged now, or the focus itself touches health. Its flag goes as its measure comes into
 * band: what was measured easily while it stood counts all the same.
 */
const isCareful = ({ flagged, finding }: CourseRequest): boolean => flagged || findingById(finding).healthFlag;

const effortWanted = (request: CourseRequest): string => (isCareful(request) ? `up to ${FLAGGED_EFFORT} %` : 'game effort');

function whyNot(request: CourseRequest, on: IsoDate, values: readonly HeldValue[]): string | null {
  const { flagged, startedOn } = request;
  if (on <= startedOn) return 'before the work';
  const blurred = values.filter((v) => v.blurred);
  if (blurred.length > 0) return `the error of ${listed(blurred)} is too large to tell; more throws make it smaller`;
  const efforts = values.flatMap((v) => (v.effort ? [v.effort] : []));
  if (efforts.length < values.length) return 'how hard the throws were was not noted';
  const least = Math.min(...efforts.map((e) => e[0]));
  const most = Math.max(...efforts.map((e) => e[1]));
  const careful = isCareful(request);
  if (careful && most <= FLAGGED_EFFORT) return null;
  // Once nothing is flagged any more, hard throws are asked for again.
  if (!flagged && least >= FULL_EFFORT) return null;
  if (careful) return `thrown at ${most} %; with what is watched here for health at most ${FLAGGED_EFFORT} % counts`;
  return `thrown at ${least} %; game effort is ${FULL_EFFORT} % and more`;
}

function datesOf(request: CourseRequest): CourseDate[] {
  const wanted = wantedOf(request);
  const begins = beginningsOf(request);
  const days = [...groupBy(request.values, (v) => v.on)].sort(([a], [b]) => (a < b ? -1 : 1));
  return days.flatMap(([on, measured]) => {
    const values = wanted.flatMap((want) =>
      readBy(want.sign, measured).map((value) => held(begins.get(keyOf(value)), want, value)),
    );
    if (values.length === 0) return [];
    const not = whyNot(request, on, values);
    return [{ on, values, holds: values.every((v) => v.inBand || v.moved), not }];
  });
}

const days = (dates: readonly CourseDate[]): string => dates.map((d) => dayInWords(d.on)).join(' and ');

const listed = (values: readonly HeldValue[]): string =>
  [...new Set(values.map((v) => measureById(v.measure).name.toLowerCase()))].join(' and ');

/** What holds, in words: in band, or really moved though still outside. */
function howItHolds({ values }: CourseDate): string {
  const outsideBand = values.filter((v) => !v.inBand);
  if (outsideBand.length === 0) return `${listed(values)} in band`;
  return `${listed(outsideBand)} really moved${outsideBand.length < values.length ? ', the rest in band' : ', still outside the band'}`;
}

/** Whether what was owned shows itself again on a day: outside the band, and clearly so or really back from where it was owned. */
function isBack(date: CourseDate, last: CourseDate | undefined): HeldValue | undefined {
  return date.values.find((v) => {
    if (v.inBand || v.blurred) return false;
    const owned = last?.values.find((o) => o.measure === v.measure && o.event === v.event);
    const out = outside(v.value, v.band) / v.sd;
    if (!owned || owned.inBand) return out > CLEARLY_OUT || (out > LIKELY_OUT && Boolean(owned) && changeIsReal(owned!, v));
    return outside(v.value, v.band) > outside(owned.value, v.band) && changeIsReal(owned, v);
  });
}

/** First day of throwing after the last time away that ended after a day; null where there was none. */
function backFromAway(thrownOn: readonly IsoDate[], since: IsoDate): IsoDate | null {
  const sorted = [...new Set(thrownOn)].sort();
  let found: IsoDate | null = null;
  for (let i = 1; i < sorted.length; i++)
    if (sorted[i]! > since && daysBetween(sorted[i - 1]!, sorted[i]!) > AWAY_DAYS) found = sorted[i]!;
  return found;
}

/** When somebody should look again at what is owned. */
function watchOf(ownedOn: IsoDate, lastMeasured: IsoDate, thrownOn: readonly IsoDate[]): Course['watch'] {
  const since = lastMeasured > ownedOn ? lastMeasured : ownedOn;
  const week = WATCH_WEEKS.find((w) => addDays(ownedOn, 7 * w) > addDays(since, STANDS_FOR_DAYS));
  const fixed = week === undefined ? null : { from: addDays(ownedOn, 7 * week), why: `${week} weeks after it was owned` };
  const back = backFromAway(thrownOn, since);
  if (back !== null && (fixed === null || back < fixed.from)) return { from: back, why: 'after a time away' };
  return fixed;
}

function ownedCourse(request: CourseRequest, ownedOn: IsoDate, dates: readonly CourseDate[]): Course {
  const since = dates.filter((d) => d.on > ownedOn);
  const last = dates.filter((d) => d.on <= ownedOn && d.holds).pop();
  const newest = since[since.length - 1];
  const back = newest && isBack(newest, last);
  if (back) {
    return {
      state: 'relapsed',
      reason: `Owned on ${dayInWords(ownedOn)}, and back on ${dayInWords(newest.on)}: ${measureById(back.measure).name.toLowerCase()} is outside the band again. The usual tune-up is two weeks on the rung before last.`,
      dates,
      watch: null,
    };
  }
  const watch = watchOf(ownedOn, newest?.on ?? ownedOn, request.thrownOn);
  return {
    state: 'owned',
    reason: newest
      ? `Owned on ${dayInWords(ownedOn)}, and ${newest.holds ? `still there on ${dayInWords(newest.on)}: ${howItHolds(newest)}` : `not clearly back on ${dayInWords(newest.on)}`}.`
      : `Owned on ${dayInWords(ownedOn)}; not measured since.`,
    dates,
    watch,
  };
}

/** Days that count, from the newest back, for as long as they hold. */
function holdingRun(dates: readonly CourseDate[]): CourseDate[] {
  const counted = dates.filter((d) => d.not === null);
  const broken = counted.findLastIndex((d) => !d.holds);
  return counted.slice(broken + 1);
}

/** What is still wanted, in words. */
function wants(request: CourseRequest, dates: readonly CourseDate[]): string {
  const since = dates.filter((d) => d.on > request.startedOn);
  const newest = since[since.length - 1];
  if (!newest) return 'It has not been measured in the full delivery since the work began.';
  if (newest.not !== null) return `${dayInWords(newest.on)} does not count: ${newest.not}.`;
  const short = newest.values.filter((v) => !v.inBand && !v.moved);
  return `On ${dayInWords(newest.on)} ${listed(short)} was outside the band and had not really moved.`;
}

/**
 * Where a focus stands by what was measured of it.
 *
 * Done: on the newest two dates that count, every measure of the finding lies in its band or has really moved towards it since the
 * work began (beyond 1.64 · √(sd₁² + sd₂²)); a date counts when its throws were at game effort, or at most at 85 % for a finding
 * that is watched for health. The same values give the same course in whatever order they come.
 * @param request values in the units of their measures, efforts in percent
 */
export function courseOf(request: CourseRequest): Course {
  const dates = datesOf({ ...request, values: request.values.filter((v) => v.on <= request.today) });
  if (request.ownedOn !== null) return ownedCourse(request, request.ownedOn, dates);
  const run = holdingRun(dates);
  const measurable = measuresOf(request.finding, request.discipline).length > 0;
  const newest = dates[dates.length - 1]?.on ?? '';
  const silentFrom = newest > request.startedOn ? newest : request.startedOn;
  const watch = measurable ? { from: addDays(silentFrom, UNMEASURED_DAYS), why: UNMEASURED } : null;
  const course = (state: CourseState, reason: string): Course => ({
    state,
    reason,
    dates,
    watch: state === 'done' ? null : watch,
  });
  if (run.length >= HOLDS_ON_DATES) {
    const last = run.slice(-HOLDS_ON_DATES);
    return course('done', `Holds at ${effortWanted(request)} on ${days(last)}: ${howItHolds(last[last.length - 1]!)}.`);
  }
  const stuck = request.verdictsWithoutMove >= STUCK_AFTER;
  if (run.length > 0 && !stuck)
    return course(
      'holding',
      `Holds on ${days(run)}: ${howItHolds(run[0]!)}. Once more on another day at ${effortWanted(request)}.`,
    );
  if (stuck)
    return course(
      'stuck',
      `No move in ${request.verdictsWithoutMove} sessions: another drill for the same rung, another school, or look again at the cause.`,
    );
  return course(
    'working',
    measurable
      ? wants(request, dates)
      : `No measure tells of “${findingById(request.finding).title.toLowerCase()}”: it is the coach’s eye that says when it is done.`,
  );
}
