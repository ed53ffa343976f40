import { dayInWords, daysBetween } from '../shared/dates';
import { sum } from '../shared/maths';
import { daysInARowBefore, dayOn, hardDayBefore, lockOn, pitchesAllowed, throwFreeDaysEnding } from './account';
import type { LoadAccount } from './account';
import { isStrong, isThrowingJoint, painWords } from './pain';
import { budgetOn, hardGapOn, perGameLimit } from './rules';
import { forAge, INNINGS_YEAR, PRACTICE_RULES, throwFreeDaysPerWeek } from './tables';
import type { WorkloadRequest } from './workload';
import { wayBackOn } from './week';
import { yearWarnings } from './year';

export interface Warning {
  readonly rule: string;
  readonly detail: string;
}

/** What was worked out about the week already. */
interface Situation {
  readonly age: number;
  readonly throws: number;
  readonly mean: number | null;
  readonly change: number | null;
  readonly floor: number;
}

const percent = (share: number) => `${Math.round(100 * share)} %`;

function weekWarnings(account: LoadAccount, { on }: WorkloadRequest, s: Situation): Warning[] {
  const warnings: Warning[] = [];
  const usual = () => Math.round(s.mean!);
  if (s.change !== null && s.change > PRACTICE_RULES.weekStop && s.throws >= s.floor)
    warnings.push({
      rule: 'week-above-30',
      detail: `${s.throws} throws in seven days, ${percent(s.change)} above the usual ${usual()}: planning stops until the week is lighter.`,
    });
  else if (s.change !== null && s.change > PRACTICE_RULES.weekWarning && s.throws > s.floor)
    warnings.push({
      rule: 'week-above-15',
      detail: `${s.throws} throws in seven days, ${percent(s.change)} above the usual ${usual()}.`,
    });
  const back = lockOn(account, { date: on }) ? null : wayBackOn(account, on);
  if (s.mean === null)
    warnings.push({
      rule: 'first-week',
      detail: `No complete week of throwing is on record: at most ${PRACTICE_RULES.firstWeekBudgets * budgetOn(account, on)} throws in the first week.`,
    });
  else if (back)
    warnings.push({
      rule: 'way-back',
      detail: `Back after a long time without throwing: about ${back.throws} throws this week, up to ${back.effort} %.`,
    });
  const free = throwFreeDaysEnding(account, on);
  const needed = throwFreeDaysPerWeek(s.age);
  if (free < needed)
    warnings.push({ rule: 'throw-free-days', detail: `${free} of the last seven days were free of throwing; ${needed} needed.` });
  return warnings;
}

function pitchingWarnings(account: LoadAccount, { on, log }: WorkloadRequest, s: Situation): Warning[] {
  const warnings: Warning[] = [];
  const warn = (rule: string, detail: string) => warnings.push({ rule, detail });
  const today = dayOn(account, on);
  const allowed = pitchesAllowed(account, on);
  if (today.pitches > allowed) warn('daily-limit', `${today.pitches} pitches today; ${allowed} are allowed.`);
  const run = daysInARowBefore(account, on);
  if (run >= 2 && today.pitches > 0) warn('three-days-in-a-row', 'Pitching on three days in a row.');
  else if (run >= 2) warn('three-days-in-a-row', `Pitched on the last ${run} days; today would be one more in a row.`);
  for (const day of account.days.filter((d) => d.games >= 2 && daysBetween(d.date, on) <= 6))
    warn('two-games-a-day', `Pitched in ${day.games} games on ${dayInWords(day.date)}.`);
  for (const row of log) {
    if (daysBetween(row.date, on) > 6) continue;
    const perGame = perGameLimit(account, row.date) ?? Infinity;
    if ((row.pitches ?? 0) > perGame)
      warn('per-game-limit', `${row.pitches} pitches in one game on ${dayInWords(row.date)}; ${perGame} are allowed.`);
    if ((row.breakingPitches ?? 0) > 0 && s.age < 13)
      warn('breaking-pitches', `Breaking pitches on ${dayInWords(row.date)}, before about 13.`);
    for (const pain of row.pain ?? [])
      if (!isThrowingJoint(pain.site) && isStrong(pain))
        warn('pain-elsewhere', `${painWords(pain)} on ${dayInWords(row.date)}: what hurts it stops.`);
  }
  // Catching may be entered by itself: the day counts, not the entry.
  const caught = new Set(log.filter((r) => r.caught && daysBetween(r.date, on) <= 6).map((r) => r.date));
  for (const date of [...caught].sort())
    if (dayOn(account, date).pitches > 0) warn('caught-and-pitched', `Caught and pitched on ${dayInWords(date)}.`);
  const innings = sum(log.filter((r) => daysBetween(r.date, on) < 365).map((r) => r.innings ?? 0));
  const most = forAge(INNINGS_YEAR, s.age);
  if (s.age <= 18 && innings > most)
    warn('innings-year', `${innings} innings in twelve months; ${most} is the number to stay under.`);
  return warnings;
}

function practiceWarnings(account: LoadAccount, { on, season }: WorkloadRequest): Warning[] {
  const warnings: Warning[] = [];
  const today = dayOn(account, on);
  const near = hardDayBefore(account, on);
  if (near) {
    const gap = hardGapOn(account, on);
    const what =
      near.pitches > 0 ? `a game on ${dayInWords(near.date)}` : `${near.highEffort} hard throws on ${dayInWords(near.date)}`;
    const most = PRACTICE_RULES.highEffortDayThrows - 1;
    const tail =
      today.highEffort > most
        ? `${today.highEffort} hard throws today are too many`
        : `fewer than ten at 90 % and more are left today`;
    warnings.push({ rule: 'high-effort-spacing', detail: `After ${what}, hard days lie ${gap} days apart: ${tail}.` });
  }
  const budget = budgetOn(account, on);
  if (season === 'in' && today.pitches === 0 && today.throws > PRACTICE_RULES.inSeasonShare * budget)
    warnings.push({
      rule: 'in-season-practice',
      detail: `${today.throws} practice throws today; in season ${Math.floor(PRACTICE_RULES.inSeasonShare * budget)} is the most to plan.`,
    });
  return warnings;
}

/** What the coach should know of today, the week and the year. */
export function warningsOf(request: WorkloadRequest, account: LoadAccount, s: Situation): Warning[] {
  const age: Warning[] =
    s.age < 7
      ? [{ rule: 'age', detail: 'Under 7: read by the rules for 7–8.' }]
      : s.age > 22
        ? [{ rule: 'age', detail: 'Over 22: read by the rules for 19–22.' }]
        : [];
  return [
    ...weekWarnings(account, request, s),
    ...pitchingWarnings(account, request, s),
    ...practiceWarnings(account, request),
    ...age,
    ...yearWarnings(account.days, request.on, s.age),
  ];
}
