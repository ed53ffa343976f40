import type { AthleteProfile } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { dailyPitchLimit, forAge, highEffortGapDays, highEffortLimit, practiceBudget, restDays, WINDMILL_LIMITS } from './tables';

export const SEASONS = ['off', 'pre', 'in'] as const;
export type Season = (typeof SEASONS)[number];

/** Numbers of a league's written rule that may differ by age. */
export interface LeagueLimits {
  readonly daily?: number;
  readonly perGame?: number;
  /** Pitches in seven days. */
  readonly weekly?: number;
  /** Days off after at least so many pitches. */
  readonly rest?: readonly { readonly from: number; readonly days: number }[];
}

/** The league's written rule; the product is never looser than it. */
export interface LeagueRule extends LeagueLimits {
  /** Day of the year (`MM-DD`) on which the league reads ages, or that day written out (`YYYY-MM-DD`); otherwise the day concerned. */
  readonly ageCutOff?: string;
  /** Further numbers from an age on; of several rows the highest age reached counts. */
  readonly ages?: readonly { readonly from: number; readonly rule: LeagueLimits }[];
}

/** What the rules are read for. */
export interface RuledAthlete {
  readonly athlete: Pick<AthleteProfile, 'discipline' | 'birthDate'>;
  readonly leagueDailyLimit: number | null;
  readonly league?: LeagueRule;
}

/** One rule that is as strict as each of several. Of rest rules the longest rest counts, so all are kept. */
export function strictestLeague(rules: readonly LeagueLimits[]): LeagueLimits {
  const least = (key: 'daily' | 'perGame' | 'weekly') => {
    const given = rules.flatMap((rule) => (rule[key] === undefined ? [] : [rule[key]]));
    return given.length > 0 ? { [key]: Math.min(...given) } : {};
  };
  const rest = rules.flatMap((rule) => rule.rest ?? []);
  return { ...least('daily'), ...least('perGame'), ...least('weekly'), ...(rest.length > 0 ? { rest } : {}) };
}

/** Completed years on the day concerned, and by the league's cut-off where it has one. */
function agesOn({ athlete, league }: RuledAthlete, date: IsoDate): number[] {
  const age = ageOn(athlete.birthDate, date);
  const cutOff = league?.ageCutOff;
  if (cutOff === undefined) return [age];
  return [age, ageOn(athlete.birthDate, cutOff.length > 5 ? cutOff : `${date.slice(0, 4)}-${cutOff}`)];
}

/** The smallest of a number over both ages: no rule is looser than by either. */
const least = (ruled: RuledAthlete, date: IsoDate, of: (age: number) => number): number =>
  Math.min(...agesOn(ruled, date).map(of));
const most = (ruled: RuledAthlete, date: IsoDate, of: (age: number) => number): number =>
  Math.max(...agesOn(ruled, date).map(of));

/** The age by which rules are read on a day: the lower of both. */
export const ruledAge = (ruled: RuledAthlete, date: IsoDate): number => least(ruled, date, (age) => age);

/** The league's numbers for the athlete on a day. */
export function leagueOn(ruled: RuledAthlete, date: IsoDate): LeagueLimits {
  const { league, leagueDailyLimit } = ruled;
  const rows = agesOn(ruled, date).flatMap((age) =>
    (league?.ages ?? [])
      .filter((row) => row.from <= age)
      .sort((a, b) => b.from - a.from)
      .slice(0, 1),
  );
  return strictestLeague([
    ...(league ? [league] : []),
    ...rows.map((row) => row.rule),
    ...(leagueDailyLimit === null ? [] : [{ daily: leagueDailyLimit }]),
  ]);
}

/** Pitches that the tables allow on a day, when so many days in a row had pitches before it (windmill). */
export function tableLimit(ruled: RuledAthlete, date: IsoDate, daysInARow: number): number {
  const windmill = ruled.athlete.discipline === 'windmill';
  return least(ruled, date, (age) =>
    windmill ? (forAge(WINDMILL_LIMITS, age).days[daysInARow] ?? 0) : dailyPitchLimit('overhand', age),
  );
}

/** Pitches in one game, at most; null without a rule. */
export function perGameLimit(ruled: RuledAthlete, date: IsoDate): number | null {
  const table =
    ruled.athlete.discipline === 'windmill' ? least(ruled, date, (age) => forAge(WINDMILL_LIMITS, age).perGame) : null;
  const league = leagueOn(ruled, date).perGame ?? null;
  return table === null ? league : league === null ? table : Math.min(table, league);
}

/** Days of rest owed after a day's pitches, by the table and by the league, at the age of that day. */
export function restOwed(ruled: RuledAthlete, date: IsoDate, pitches: number): number {
  if (pitches <= 0) return 0;
  const table = ruled.athlete.discipline === 'overhand' ? most(ruled, date, (age) => restDays(age, pitches)) : 0;
  const league = (leagueOn(ruled, date).rest ?? []).filter((r) => pitches >= r.from).map((r) => r.days);
  return Math.max(table, ...league);
}

/** Practice throws a day. */
export const budgetOn = (ruled: RuledAthlete, date: IsoDate): number =>
  least(ruled, date, (age) => practiceBudget(ruled.athlete.discipline, age));

/** Hard practice throws a day. */
export const hardLimitOn = (ruled: RuledAthlete, date: IsoDate): number => least(ruled, date, highEffortLimit);

/** Calendar days between two hard days. */
export const hardGapOn = (ruled: RuledAthlete, date: IsoDate): number => most(ruled, date, highEffortGapDays);
