import { dayOn } from '../load/account';
import type { LoadAccount } from '../load/account';
import { aimOn, floorDayOn, isYoung } from '../load/practice';
import { budgetOn } from '../load/rules';
import { floorOn, isLightWeek, normalWeek, normalWeeksInARow, wayBackOn, weekCeilingAfterDaysOff } from '../load/week';
import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { sum } from '../shared/maths';
import type { Ledger } from './ledger';
import { capacityOf } from './places';
import type { Day } from './places';
import type { PlanRequest, PlanWeek } from './types';

/** Throws below which a day is not worth warming an arm up for: a short warm-up and a few more. `house` */
export const WORTH_THROWING = { young: 12, older: 18, cleared: 6 } as const;
/** Light weeks: seven tenths of the last normal one, after three of them. */
const LIGHT = { share: 0.7, after: 3 } as const;
const CLIMB = 1.1;
const JUMP = 1.3;
/** Percent of full effort in a week that only the floor allows. */
const FLOOR_EFFORT = 80;
const FLOOR_DAYS = { young: 2, older: 3 } as const;
/** A week that came this near to its target is as good as the target for the climb. */
const REACHED = 0.9;

/** What a week may hold, before its days are chosen. */
export interface WeekLoad {
  readonly from: IsoDate;
  /** All throws, game days inside. */
  readonly most: number;
  readonly games: number;
  readonly light: boolean;
  /** Throws a day, at most, where the week is more than the record knows. */
  readonly dayMost: number;
  readonly effort: number;
  readonly days: number;
}

/** The climb of the weeks: what was normal, and how many normal weeks ran since the last light one. */
export interface Climb {
  last: number | null;
  normals: number;
}

/** Where the climb starts, from the record and from what was told at intake. */
export function startClimb(request: PlanRequest, account: LoadAccount, from: IsoDate): Climb {
  const mean = normalWeek(account, addDays(from, 6));
  const told = request.weekTold === undefined || account.days.some((d) => d.throws > 0) ? null : 0.8 * request.weekTold;
  const last = mean !== null && mean > 0 ? mean : told === null ? null : Math.min(told, 2 * budgetOn(account, from));
  return { last, normals: normalWeeksInARow(account, from, request.began ?? null) };
}

/** What the seven days from a day may hold. */
export function weekLoad(
  request: PlanRequest,
  account: LoadAccount,
  from: IsoDate,
  climb: Climb,
  throwingDays: number,
): WeekLoad {
  const end = addDays(from, 6);
  const budget = budgetOn(account, from);
  const young = isYoung(account, from);
  let games = 0;
  for (let day = 0; day < 7; day++) {
    const on = dayOn(account, addDays(from, day));
    if (on.pitches > 0) games += on.throws;
  }
  const usual = { games, light: false, dayMost: Infinity, effort: 100, days: 7, from };
  const back = wayBackOn(account, from);
  if (back) return { ...usual, most: back.throws, effort: back.effort };
  const floor = floorOn(account, from);
  const known = normalWeek(account, end);
  const mean = known === null || known === 0 ? (climb.last ?? 0) : known;
  const off = weekCeilingAfterDaysOff(account, from);
  const aim = aimOn(account, from, request.season, throwingDays);
  if (off !== null) return { ...usual, most: Math.min(aim, off) };
  if (climb.last === null)
    return {
      ...usual,
      most: Math.max(floor, Math.floor(budget / 2)),
      dayMost: floorDayOn(account, from),
      effort: FLOOR_EFFORT,
      days: young ? FLOOR_DAYS.young : FLOOR_DAYS.older,
    };
  if (climb.normals >= LIGHT.after) return { ...usual, most: LIGHT.share * climb.last, light: true };
  const climbed = Math.min(Math.max(aim, floor), Math.max(floor, CLIMB * climb.last));
  const most = Math.min(climbed, Math.max(JUMP * mean, floor));
  if (most <= JUMP * mean) return { ...usual, most };
  return {
    ...usual,
    most,
    dayMost: floorDayOn(account, from),
    effort: FLOOR_EFFORT,
    days: young ? FLOOR_DAYS.young : FLOOR_DAYS.older,
  };
}

/**
 * Takes the climb on by a week that is planned: from what it really holds, or from the normal mean where an odd week holds little.
 * @param thrown all its throws, game days inside
 */
export function climbOn(climb: Climb, week: WeekLoad, thrown: number, account: LoadAccount): void {
  if (week.light || (climb.last !== null && isLightWeek(thrown, climb.last) && climb.normals > 0)) {
    climb.normals = 0;
    return;
  }
  const mean = normalWeek(account, addDays(week.from, 13)) ?? thrown;
  climb.last = thrown >= REACHED * week.most ? Math.min(thrown, week.most) : Math.max(thrown, Math.min(mean, week.most));
  climb.normals++;
}

/** Days that throw, chosen from those that can: as many as the week’s throws are worth, the better places and the longer hours first. */
export function throwingDays(days: readonly Day[], week: WeekLoad, ledger: Ledger, request: PlanRequest): Day[] {
  const account = ledger.account();
  const least = isYoung(account, week.from) ? WORTH_THROWING.young : WORTH_THROWING.older;
  const able = days.filter((day) => {
    const { throws, cleared } = ledger.allowance(day.date);
    return capacityOf(day, request) >= least && throws >= (cleared ? WORTH_THROWING.cleared : least);
  });
  const left = Math.floor(week.most) - week.games - thrownAlready(account, week.from, days[0]?.date);
  const worth = able.some((day) => ledger.allowance(day.date).cleared) ? WORTH_THROWING.cleared : least;
  if (left < worth) return [];
  const most = Math.min(able.length, week.days, Math.max(1, Math.floor(left / (worth + 6))));
  return [...able]
    .sort((a, b) => capacityOf(b, request) - capacityOf(a, request) || (a.date < b.date ? -1 : 1))
    .slice(0, most)
    .sort((a, b) => (a.date < b.date ? -1 : 1));
}

/** Practice throws of a week before the first day that is planned. */
function thrownAlready(account: LoadAccount, from: IsoDate, first: IsoDate | undefined): number {
  if (first === undefined) return 0;
  const days = daysBetween(from, first);
  return sum(
    Array.from({ length: Math.max(0, days) }, (_, n) => dayOn(account, addDays(from, n))).map((d) =>
      d.pitches > 0 ? 0 : d.throws,
    ),
  );
}

/** Throws for the next of the days that are still to come. */
export function shareOf(day: Day, rest: readonly Day[], week: WeekLoad, ledger: Ledger, request: PlanRequest): number {
  const account = ledger.account();
  let thrown = 0;
  for (let n = 0; n < 7; n++) thrown += dayOn(account, addDays(week.from, n)).throws;
  const left = Math.max(0, Math.floor(week.most + 1e-9) - thrown);
  const capacity = (d: Day) => Math.min(capacityOf(d, request), week.dayMost);
  const weight = capacity(day) / sum([day, ...rest].map(capacity));
  return Math.floor(Math.min(left, Math.ceil(left * weight), capacity(day), ledger.allowance(day.date).throws));
}

export const weekRow = (week: WeekLoad, throws: number): PlanWeek => ({
  from: week.from,
  throws,
  target: Math.max(0, Math.floor(week.most + 1e-9) - week.games),
  games: week.games,
  light: week.light,
});
