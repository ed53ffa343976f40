import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { dayOn } from './account';
import type { LoadAccount } from './account';
import { armPain } from './pain';
import { budgetOn, restOwed, ruledAge } from './rules';
import type { Season } from './rules';

/** Shares of a day’s budget. Provenance `house`. */
const DAY_SHARE = { usual: 0.8, youngOrInSeason: 0.6, least: 0.4, easyCatch: 0.3 } as const;
/** A day holds at most so much of the largest day of as many days before it. Provenance `house`. */
const LARGEST_DAY = { days: 14, share: 1.3 } as const;
/** Throws of a game day that nobody counts: warm-up and between innings. Provenance `house`. */
const UNLOGGED_GAME_THROWS = { young: 25, older: 40 } as const;
const YOUNG = 13;
/** Pitches from which the day after is free of throws. Provenance `house`. */
const LONG_OUTING = 35;
/** Percent of full effort that stays below what a rest day or the day before a game forbids. */
export const CALM_BELOW_GAMES = 69;
/** Percent of full effort in the first throws after arm pain. */
const AFTER_PAIN_EFFORT = 70;
/** Aim of a week in daily budgets, by age and season. Provenance `house`. */
const AIM: readonly { readonly from: number; readonly off: number; readonly pre: number; readonly in: number }[] = [
  { from: 0, off: 1.5, pre: 1.5, in: 1.5 },
  { from: 9, off: 2, pre: 2, in: 2 },
  { from: 13, off: 2.5, pre: 2.5, in: 2 },
  { from: 15, off: 2.5, pre: 3, in: 2 },
];
/** Aim where there are only two days to throw on. */
const AIM_OF_TWO_DAYS = 1.6;
/** Hard throws and game pitches together in any seven days, in daily budgets. */
const HARD_WEEK = { usual: 1, young: 0.75 } as const;

export const isYoung = (account: LoadAccount, date: IsoDate): boolean => ruledAge(account, date) < YOUNG;

/** Throws of a game day: the pitches, and what is thrown around them without being counted. */
export const gameDayThrows = (account: LoadAccount, date: IsoDate, pitches: number): number =>
  pitches + (isYoung(account, date) ? UNLOGGED_GAME_THROWS.young : UNLOGGED_GAME_THROWS.older);

/** Throws that a healthy athlete’s week builds up to, game days inside. */
export function aimOn(account: LoadAccount, date: IsoDate, season: Season, throwingDays: number): number {
  const age = ruledAge(account, date);
  const row = AIM.filter((r) => r.from <= age).pop()!;
  return (throwingDays <= 2 ? Math.min(row[season], AIM_OF_TWO_DAYS) : row[season]) * budgetOn(account, date);
}

/** Practice throws that a planned day holds at most, by the budget and by the largest day of the last two weeks. */
export function dayCapOn(account: LoadAccount, date: IsoDate, season: Season): number {
  const budget = budgetOn(account, date);
  const share = isYoung(account, date) || season === 'in' ? DAY_SHARE.youngOrInSeason : DAY_SHARE.usual;
  let largest = 0;
  for (let back = 1; back <= LARGEST_DAY.days; back++) largest = Math.max(largest, dayOn(account, addDays(date, -back)).throws);
  return Math.floor(Math.min(share * budget, Math.max(LARGEST_DAY.share * largest, DAY_SHARE.least * budget)) + 1e-9);
}

/** Throws of a day of a week that a floor allows. */
export const floorDayOn = (account: LoadAccount, date: IsoDate): number => Math.floor(DAY_SHARE.least * budgetOn(account, date));

/** Hard practice throws that seven days with their game pitches still leave on a day. */
export function hardWeekRoom(account: LoadAccount, date: IsoDate): number {
  const most = (isYoung(account, date) ? HARD_WEEK.young : HARD_WEEK.usual) * budgetOn(account, date);
  let room = Infinity;
  for (let ahead = 0; ahead <= 6; ahead++) {
    let hard = 0;
    for (let back = 0; back <= 6; back++) {
      const day = dayOn(account, addDays(date, ahead - back));
      hard += day.highEffort + day.pitches;
    }
    room = Math.min(room, most - hard);
  }
  return Math.max(0, Math.floor(room));
}

/** What a rule leaves of a day for practice, and why. */
export interface DayRule {
  readonly throws: number;
  /** Percent of full effort, at most. */
  readonly effort: number;
  /** Only catch, no drills with a ball. */
  readonly catchOnly?: boolean;
  readonly why: string;
}

const hasGame = (account: LoadAccount, date: IsoDate): boolean => {
  const day = dayOn(account, date);
  return day.pitches > 0 || day.games > 0;
};

/** Whether the day after is a game: no jumps and no heavy leg work then. */
export const isEveOfGame = (account: LoadAccount, date: IsoDate): boolean => hasGame(account, addDays(date, 1));

/** What games around a day leave of it; null when none is near. */
export function aroundGames(account: LoadAccount, date: IsoDate): DayRule | null {
  if (hasGame(account, date)) return { throws: 0, effort: 0, why: 'There is a game on this day.' };
  if (dayOn(account, addDays(date, -1)).pitches > LONG_OUTING)
    return { throws: 0, effort: 0, why: `The day after more than ${LONG_OUTING} pitches is free of throws.` };
  const easy = Math.floor(DAY_SHARE.easyCatch * budgetOn(account, date));
  if (dayOn(account, addDays(date, -2)).pitches > LONG_OUTING)
    return { throws: easy, effort: CALM_BELOW_GAMES, catchOnly: true, why: 'Easy catch only: the long outing is two days back.' };
  for (const day of account.days) {
    const back = daysBetween(day.date, date);
    if (back > 0 && day.pitches > 0 && back <= restOwed(account, day.date, day.pitches))
      return { throws: easy, effort: CALM_BELOW_GAMES, why: 'A rest day after pitching: nothing hard, and few throws.' };
  }
  if (isEveOfGame(account, date))
    return {
      throws: Infinity,
      effort: CALM_BELOW_GAMES,
      why: 'The day before a game: nothing hard, no jumps, no heavy leg work.',
    };
  return null;
}

/** What arm pain of the days before leaves of a day: one day without throws, then half of them, calmly. Null when none is near. */
export function afterPain(account: LoadAccount, date: IsoDate): DayRule | null {
  const sore = account.days.filter((day) => day.date <= date && armPain(day.pain) >= 1).pop();
  if (!sore) return null;
  const back = daysBetween(sore.date, date);
  if (back <= 1) return { throws: 0, effort: 0, why: 'Arm pain was reported: a day without throwing comes first.' };
  const thrownSince = account.days.some((day) => day.date > sore.date && day.date < date && day.throws > 0);
  return thrownSince || back > LARGEST_DAY.days
    ? null
    : {
        throws: Math.floor(budgetOn(account, date) / 5),
        effort: AFTER_PAIN_EFFORT,
        why: 'First throws after arm pain: half as many, easily.',
      };
}
