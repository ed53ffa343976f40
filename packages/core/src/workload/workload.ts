import type { AthleteProfile } from '../shared/athlete';
import { addDays, ageOn, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { round, sum } from '../shared/maths';
import { stopsThrowing, throwingLock } from './pain';
import type { Clearance, Lock, PainReport } from './pain';
import {
  dailyPitchLimit,
  forAge,
  highEffortGapDays,
  highEffortLimit,
  INNINGS_YEAR,
  PRACTICE_RULES,
  practiceBudget,
  restDays,
  throwFreeDaysPerWeek,
  WINDMILL_LIMITS,
} from './tables';

export const SEASONS = ['off', 'pre', 'in'] as const;
export type Season = (typeof SEASONS)[number];

/** All throwing of one outing; two rows of one date with pitches are two games. */
export interface LoadRow {
  readonly date: IsoDate;
  /** Pitches in games. */
  readonly pitches?: number;
  /** All throws at 50 % effort and more, pitches included. */
  readonly throws: number;
  /** Practice throws at 90 % effort and more. */
  readonly highEffort: number;
  readonly pain?: readonly PainReport[];
  readonly innings?: number;
  /** Caught on the same day. */
  readonly caught?: boolean;
  readonly breakingPitches?: number;
}

/** The league's written rule; the product is never looser than it. */
export interface LeagueRule {
  readonly daily?: number;
  readonly perGame?: number;
  readonly weekly?: number;
  /** Days off after at least so many pitches. */
  readonly rest?: readonly { readonly from: number; readonly days: number }[];
}

export interface WorkloadRequest {
  readonly on: IsoDate;
  readonly athlete: AthleteProfile;
  readonly season: Season;
  readonly leagueDailyLimit: number | null;
  readonly league?: LeagueRule;
  readonly log: readonly LoadRow[];
  readonly clearances?: readonly Clearance[];
}

export interface Warning {
  readonly rule: string;
  readonly detail: string;
}

export interface Workload {
  readonly today: {
    readonly throwsLeft: number;
    readonly highEffortLeft: number;
    readonly pitchesLeft: number;
    readonly restUntil: IsoDate | null;
    readonly restAfterToday: number;
    readonly locked: Lock | null;
  };
  readonly week: {
    /** Throws in the rolling seven days. */
    readonly throws: number;
    /** Mean of the recorded weeks of the last four, or null with none. */
    readonly mean: number | null;
    /** Change against the mean, as a share. */
    readonly change: number | null;
    readonly planningStopped: boolean;
    readonly throwFreeDays: number;
    readonly throwFreeDaysNeeded: number;
  };
  readonly warnings: readonly Warning[];
  /** The age by which rules are read, and whether it was moved to the nearest row. */
  readonly ageRule: { readonly age: number; readonly readAs: string | null };
}

export interface Day {
  readonly date: IsoDate;
  readonly pitches: number;
  readonly throws: number;
  readonly highEffort: number;
  readonly games: number;
  readonly pain: readonly PainReport[];
}

/** Rows of one date taken together, in date order. */
export function daysOf(log: readonly LoadRow[]): Day[] {
  const byDate = new Map<IsoDate, LoadRow[]>();
  for (const row of log) byDate.set(row.date, [...(byDate.get(row.date) ?? []), row]);
  return [...byDate]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, rows]) => ({
      date,
      pitches: sum(rows.map((r) => r.pitches ?? 0)),
      throws: sum(rows.map((r) => Math.max(r.throws, r.pitches ?? 0))),
      highEffort: sum(rows.map((r) => r.highEffort)),
      games: rows.filter((r) => (r.pitches ?? 0) > 0).length,
      pain: rows.flatMap((r) => r.pain ?? []),
    }));
}

/** One rule that is as strict as each of several. Of rest rules the longest rest counts, so all are kept. */
export function strictestLeague(rules: readonly LeagueRule[]): LeagueRule {
  const least = (key: 'daily' | 'perGame' | 'weekly') => {
    const given = rules.flatMap((rule) => (rule[key] === undefined ? [] : [rule[key]]));
    return given.length > 0 ? { [key]: Math.min(...given) } : {};
  };
  const rest = rules.flatMap((rule) => rule.rest ?? []);
  return { ...least('daily'), ...least('perGame'), ...least('weekly'), ...(rest.length > 0 ? { rest } : {}) };
}

const stricter = (...limits: (number | null | undefined)[]): number =>
  Math.min(...limits.filter((l): l is number => l !== null && l !== undefined));

/** Days of rest owed after a day's pitches, by the table and the league's rule. */
function restAfter(request: WorkloadRequest, date: IsoDate, pitches: number): number {
  const age = ageOn(request.athlete.birthDate, date);
  const league = Math.max(0, ...(request.league?.rest ?? []).filter((r) => pitches >= r.from).map((r) => r.days));
  const table = request.athlete.discipline === 'overhand' ? restDays(age, pitches) : 0;
  return pitches > 0 ? Math.max(table, league) : 0;
}

/** How many days in a row before `date` had pitches. */
function runBefore(days: ReadonlyMap<IsoDate, Day>, date: IsoDate): number {
  let run = 0;
  while ((days.get(addDays(date, -run - 1))?.pitches ?? 0) > 0) run++;
  return run;
}

/** Pitches that a windmill pitcher may throw on her nth day in a row. */
const windmillLimit = (age: number, daysInARow: number): number => forAge(WINDMILL_LIMITS, age).days[daysInARow] ?? 0;

/** The rolling week that ends on a day, against the recorded weeks before it. */
export function weekAgainstMean(days: readonly Day[], on: IsoDate): { throws: number; mean: number | null } {
  const inWindow = (from: number, to: number) =>
    days.filter((d) => {
      const back = daysBetween(d.date, on);
      return back >= from && back <= to;
    });
  const recorded = [1, 2, 3, 4].map((w) => inWindow(7 * w, 7 * w + 6)).filter((rows) => rows.length > 0);
  const mean = recorded.length === 0 ? null : sum(recorded.map((rows) => sum(rows.map((d) => d.throws)))) / recorded.length;
  return { throws: sum(inWindow(0, 6).map((d) => d.throws)), mean };
}

/** What today, this week and the rules allow. Rows after `on` are the caller's mistake and must not be passed. */
export function workload(request: WorkloadRequest): Workload {
  const { on, athlete } = request;
  const age = ageOn(athlete.birthDate, on);
  const days = daysOf(request.log);
  const byDate = new Map(days.map((d) => [d.date, d]));
  const today = byDate.get(on);
  const pitchesToday = today?.pitches ?? 0;
  const throwsToday = today?.throws ?? 0;
  const locked = throwingLock(days, request.clearances ?? [], on);

  const dueBack = days
    .filter((d) => d.date < on)
    .map((d) => addDays(d.date, restAfter(request, d.date, d.pitches) + 1))
    .reduce((latest, date) => (date > latest ? date : latest), on);
  const run = runBefore(byDate, on);
  const windmill = athlete.discipline === 'windmill';
  const tableLimit = windmill ? windmillLimit(age, run) : dailyPitchLimit('overhand', age);
  const dailyLimit = stricter(tableLimit, request.leagueDailyLimit, request.league?.daily);
  const restUntil = dueBack > on ? dueBack : windmill && tableLimit === 0 ? addDays(on, 1) : null;
  const { throws, mean } = weekAgainstMean(days, on);
  const pitchesThisWeek = sum(days.filter((d) => daysBetween(d.date, on) <= 6).map((d) => d.pitches));
  const weeklyLeft = request.league?.weekly === undefined ? Infinity : request.league.weekly - pitchesThisWeek;
  const pitchesLeft = locked || restUntil !== null ? 0 : Math.max(0, Math.min(dailyLimit - pitchesToday, weeklyLeft));

  const budget = practiceBudget(athlete.discipline, age);
  const firstWeekLeft = mean === null ? PRACTICE_RULES.firstWeekBudgets * budget - throws : Infinity;
  const throwsLeft = locked ? 0 : Math.max(0, Math.min(budget - throwsToday, firstWeekLeft));
  const highEffortLeft =
    locked || pitchesToday > 0 ? 0 : Math.max(0, Math.min(highEffortLimit(age) - (today?.highEffort ?? 0), throwsLeft));

  const tomorrowLimit = windmill ? windmillLimit(ageOn(athlete.birthDate, addDays(on, 1)), run + 1) : 1;
  const restAfterToday = Math.max(
    restAfter(request, on, pitchesToday),
    windmill && pitchesToday > 0 && tomorrowLimit === 0 ? 1 : 0,
  );

  const change = mean !== null && mean > 0 ? throws / mean - 1 : null;
  const throwFree = 7 - new Set(days.filter((d) => d.throws > 0 && daysBetween(d.date, on) <= 6).map((d) => d.date)).size;
  return {
    today: { throwsLeft, highEffortLeft, pitchesLeft, restUntil, restAfterToday, locked },
    week: {
      throws,
      mean: mean === null ? null : round(mean, 1),
      change: change === null ? null : round(change),
      planningStopped: (change !== null && change > PRACTICE_RULES.weekStop) || firstWeekLeft <= 0,
      throwFreeDays: throwFree,
      throwFreeDaysNeeded: throwFreeDaysPerWeek(age),
    },
    warnings: warningsOf(request, days, { age, change, mean, throws, throwFree, dailyLimit, budget, run }),
    ageRule: { age, readAs: age < 7 ? 'read as 7–8' : age > 22 ? 'read as 19–22' : null },
  };
}

interface Situation {
  age: number;
  change: number | null;
  mean: number | null;
  throws: number;
  throwFree: number;
  dailyLimit: number;
  budget: number;
  run: number;
}

function warningsOf(request: WorkloadRequest, days: readonly Day[], s: Situation): Warning[] {
  const { on, athlete } = request;
  const warnings: Warning[] = [];
  const warn = (rule: string, detail: string) => warnings.push({ rule, detail });
  const today = days.find((d) => d.date === on);
  const percent = (share: number) => `${Math.round(100 * share)} %`;

  if (s.change !== null && s.change > PRACTICE_RULES.weekStop)
    warn(
      'week-above-30',
      `${s.throws} throws in seven days, ${percent(s.change)} above the usual ${Math.round(s.mean!)}: planning stops until the week is lighter.`,
    );
  else if (s.change !== null && s.change > PRACTICE_RULES.weekWarning)
    warn('week-above-15', `${s.throws} throws in seven days, ${percent(s.change)} above the usual ${Math.round(s.mean!)}.`);
  if (s.mean === null)
    warn(
      'first-week',
      `No throwing recorded in the four weeks before: at most ${PRACTICE_RULES.firstWeekBudgets * s.budget} throws in the first week.`,
    );
  const needed = throwFreeDaysPerWeek(s.age);
  if (s.throwFree < needed)
    warn('throw-free-days', `${s.throwFree} of the last seven days were free of throwing; ${needed} needed.`);
  if (today && today.pitches > s.dailyLimit) warn('daily-limit', `${today.pitches} pitches today; ${s.dailyLimit} are allowed.`);
  if (today && s.run >= 2 && today.pitches > 0) warn('three-days-in-a-row', 'Pitching on three days in a row.');
  else if (!today?.pitches && s.run >= 2)
    warn('three-days-in-a-row', `Pitched on the last ${s.run} days; today would be one more in a row.`);
  for (const day of days.filter((d) => d.games >= 2 && daysBetween(d.date, on) <= 6))
    warn('two-games-a-day', `Pitched in ${day.games} games on ${day.date}.`);
  const perGame = stricter(
    athlete.discipline === 'windmill' ? forAge(WINDMILL_LIMITS, s.age).perGame : null,
    request.league?.perGame,
    Infinity,
  );
  for (const row of request.log) {
    const back = daysBetween(row.date, on);
    if (back > 6) continue;
    if ((row.pitches ?? 0) > perGame)
      warn('per-game-limit', `${row.pitches} pitches in one game on ${row.date}; ${perGame} are allowed.`);
    if (row.caught && (row.pitches ?? 0) > 0) warn('caught-and-pitched', `Caught and pitched on ${row.date}.`);
    if ((row.breakingPitches ?? 0) > 0 && s.age < 13)
      warn('breaking-pitches', `Breaking pitches on ${row.date}, before about 13.`);
    for (const pain of row.pain ?? [])
      if (!stopsThrowing(pain) && pain.score >= 3)
        warn('pain-elsewhere', `${pain.site} pain of ${pain.score} on ${row.date}: what hurts it stops.`);
  }
  const innings = sum(request.log.filter((r) => daysBetween(r.date, on) < 365).map((r) => r.innings ?? 0));
  const inningsLimit = forAge(INNINGS_YEAR, s.age);
  if (s.age <= 18 && innings > inningsLimit)
    warn('innings-year', `${innings} innings in twelve months; ${inningsLimit} is the number to stay under.`);
  const hard = days.filter((d) => d.highEffort >= PRACTICE_RULES.highEffortDayThrows || d.pitches > 0);
  const gap = highEffortGapDays(s.age);
  const last = hard[hard.length - 1];
  const before = hard[hard.length - 2];
  if (last && last.date === on && last.pitches === 0 && before && daysBetween(before.date, on) < gap)
    warn('high-effort-spacing', `Two hard days ${daysBetween(before.date, on)} day apart; ${gap} days are wanted between them.`);
  if (request.season === 'in' && today && today.pitches === 0 && today.throws > PRACTICE_RULES.inSeasonShare * s.budget)
    warn(
      'in-season-practice',
      `${today.throws} practice throws today; in season ${Math.floor(PRACTICE_RULES.inSeasonShare * s.budget)} is the most to plan.`,
    );
  if (s.age < 7) warn('age', 'Under 7: read by the rules for 7–8.');
  if (s.age > 22) warn('age', 'Over 22: read by the rules for 19–22.');
  warnings.push(...yearWarnings(days, on, s.age));
  return warnings;
}

/** Months off in the year, watched once a year of records is there. Provenance `published`. */
function yearWarnings(days: readonly Day[], on: IsoDate, age: number): Warning[] {
  const first = days[0];
  if (!first || daysBetween(first.date, on) < 330) return [];
  const inYear = days.filter((d) => daysBetween(d.date, on) < 365);
  const young = age <= 18;
  const [offNeeded, rowNeeded] = young ? [120, 60] : [90, 28];
  const pitching = new Set(inYear.filter((d) => d.pitches > 0).map((d) => Math.floor(daysBetween(d.date, on) / 7)));
  const daysOff = 7 * (52 - pitching.size);
  let longest = 0;
  let previous = addDays(on, -365);
  for (const date of [...inYear.filter((d) => d.throws > 0).map((d) => d.date), on]) {
    longest = Math.max(longest, daysBetween(previous, date) - 1);
    previous = date;
  }
  const warnings: Warning[] = [];
  if (daysOff < offNeeded)
    warnings.push({
      rule: 'year-off',
      detail: `About ${Math.round(daysOff / 30)} months without games in the last year; ${offNeeded / 30} are wanted.`,
    });
  if (longest < rowNeeded)
    warnings.push({
      rule: 'year-off-in-a-row',
      detail: `Longest time without throwing in the last year: ${longest} days; ${rowNeeded} in a row are wanted.`,
    });
  return warnings;
}
