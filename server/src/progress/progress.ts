import { may } from '@wrightonic/contract';
import type { AthleteRecord, FocusProgress, OtherSpeeds, Progress } from '@wrightonic/contract';
import {
  addDays,
  ageOn,
  daysOf,
  fromMph,
  loadCalendar,
  measureHistories,
  ownBestShare,
  rungsOf,
  SHARED_FROM,
  speedKinds,
  summariseSession,
  toMph,
  usualSpeeds,
} from '@wrightonic/core';
import type { CourseValue, Eased, FindingId, Library, SessionSummary, SpeedKind, TrendReading } from '@wrightonic/core';

import { athleteRecord, profileOf, rowOf } from '../athlete/athletes';
import { easedSince, easedSoFar } from '../focus/eased';
import { currentDiagnosis } from '../judgement/judged';
import { academyLibrary } from '../library/library';
import { coursesOf, measuredOf } from '../work/course';
import { fociOf, toFocus } from '../work/foci';
import { movesOf } from '../work/moves';
import type { Context } from '../common/context';
import { intakeOf } from '../athlete/intake-record';
import { accountOf, loadOf } from '../load/load';
import type { Load } from '../load/load';
import type { FocusDbRow } from '../db/tables';
import { gatesOf } from '../log/reclimb';
import { allSpeedsOf } from '../devices/speeds';
import { commandNow } from './command';

const WEEKS_SHOWN = 12;
const CALENDAR_WEEKS = 8;
const OWN_BEST_DAYS = 56;

/** What a judgement of today says of what should ease; nothing for those who do not judge. */
async function easing(ctx: Context, athleteId: string, athlete: AthleteRecord): Promise<(focus: FocusDbRow) => readonly Eased[]> {
  if (!may(ctx.user.role, 'judge')) return () => [];
  const { result, request } = await currentDiagnosis(ctx, athleteId, athlete);
  return (focus) => focus.outcome ?? easedSince(focus, result, request);
}

/** Drills of a rung that a focus has, and was not worked on with. */
function otherDrills(library: Library, athlete: AthleteRecord, focus: FocusDbRow, used: ReadonlySet<string>): string[] {
  const rung = library.ladder(focus.finding, athlete.discipline).rungs.find((r) => r.rung === focus.rung);
  return rung && 'drills' in rung ? rung.drills.filter((drill) => !used.has(drill)) : [];
}

async function focusProgress(
  ctx: Context,
  athleteId: string,
  athlete: AthleteRecord,
  load: Load,
  measured: Promise<readonly CourseValue[]>,
): Promise<FocusProgress[]> {
  const all = await fociOf(ctx, athleteId);
  const [moves, library, eased, flags] = await Promise.all([
    movesOf(ctx, athleteId, 200),
    academyLibrary(ctx),
    easing(ctx, athleteId, athlete),
    rowOf(ctx, athleteId).then((row): readonly FindingId[] => row.flags),
  ]);
  const courses = await coursesOf(ctx, athleteId, athlete, all, load, flags, measured);
  const foci = all.filter((f) => courses.has(f.id)).sort((a, b) => Number(a.ended_at !== null) - Number(b.ended_at !== null));
  const gates = await gatesOf(
    ctx,
    athleteId,
    foci.filter((f) => f.ended_at === null),
  );
  return Promise.all(
    foci.map(async (focus): Promise<FocusProgress> => {
      const drills = await ctx.tenant
        .from('reps')
        .where({ focus_id: focus.id, rung: focus.rung, undone: false, gone: false })
        .distinct('drill')
        .select('drill');
      const rungs = rungsOf(focus.finding, library).filter((r) => r < SHARED_FROM);
      const rows = await ctx.tenant
        .from('reps')
        .where({ focus_id: focus.id, undone: false, gone: false })
        .groupBy('on_date')
        .orderBy('on_date')
        .select('on_date')
        .count({ reps: '*' })
        .sum({ good: ctx.tenant.raw("judged = 'good'") })
        .sum({ close: ctx.tenant.raw("judged = 'close'") })
        .sum({ off: ctx.tenant.raw("judged = 'off'") });
      return {
        focus: toFocus(focus, ctx.today),
        course: courses.get(focus.id)!,
        eased: eased(focus),
        tuneUp: rungs[rungs.length - 2] ?? rungs[0] ?? focus.rung,
        otherDrills: otherDrills(library, athlete, focus, new Set(drills.map((d) => d.drill))),
        sessions: rows.map((r) => ({
          on: r.on_date,
          reps: Number(r.reps),
          good: Number(r.good),
          close: Number(r.close),
          off: Number(r.off),
        })),
        gate: gates.get(focus.id) ?? null,
        moves: moves.filter((m) => m.focus === focus.id),
      };
    }),
  );
}

/** Fewest days of which it is said whether they move. */
const DAYS_OF_TREND = 3;

/** Speeds of another throw than the usual one. @param kind in the academy's unit, oldest first */
async function otherSpeeds(
  ctx: Context,
  athlete: AthleteRecord,
  { label, readings }: SpeedKind<TrendReading>,
): Promise<OtherSpeeds> {
  const days = new Set(readings.map((r) => r.date)).size;
  const summary = summariseSession(readings);
  const round = (mph: number) => Math.round(10 * fromMph(mph, ctx.academy.speedUnit)) / 10;
  const { gain } =
    days < DAYS_OF_TREND ? { gain: null } : await ctx.think.trend({ on: ctx.today, athlete: profileOf(athlete), readings });
  return {
    label,
    throws: readings.length,
    days,
    last: readings[readings.length - 1]!.date,
    top: round(summary?.top ?? 0),
    median: round(summary?.median ?? 0),
    gain,
  };
}

/** Speed, gates and load over time. */
export async function progressOf(ctx: Context, athleteId: string): Promise<Progress> {
  const athlete = await athleteRecord(ctx, athleteId);
  const measured = measuredOf(ctx, athleteId);
  const [read, load, values, command, { intake }] = await Promise.all([
    allSpeedsOf(ctx, athleteId),
    loadOf(ctx, athleteId),
    measured,
    commandNow(ctx, athleteId, athlete),
    intakeOf(ctx, athleteId),
  ]);
  const focus = await focusProgress(ctx, athleteId, athlete, load, measured);
  const { speedUnit } = ctx.academy;
  const all = read.map((s) => ({
    ...s,
    speed: s.unit === speedUnit ? s.speed : fromMph(toMph(s), speedUnit),
    unit: speedUnit,
  }));
  const inUnit = usualSpeeds(all, athlete.discipline);
  const others = speedKinds(all, athlete.discipline).filter((kind) => !kind.usual);
  const dates = [...new Set(inUnit.map((s) => s.date))];
  const show = (summary: SessionSummary): SessionSummary => {
    const unit = (mph: number) => Math.round(10 * fromMph(mph, speedUnit)) / 10;
    return {
      ...summary,
      top: unit(summary.top),
      bestThree: unit(summary.bestThree),
      median: unit(summary.median),
      spread: unit(summary.spread),
      fade: summary.fade === null ? null : unit(summary.fade),
    };
  };
  const days = daysOf(load.log);
  return {
    trend: await ctx.think.trend({ on: ctx.today, athlete: profileOf(athlete), readings: inUnit }),
    days: dates.flatMap((on) => {
      const summary = summariseSession(inUnit.filter((s) => s.date === on));
      return summary ? [{ on, summary: show(summary) }] : [];
    }),
    otherSpeeds: await Promise.all(others.map((kind) => otherSpeeds(ctx, athlete, kind))),
    command,
    ownBest: ownBestShare(inUnit.filter((s) => s.date > addDays(ctx.today, -OWN_BEST_DAYS))),
    focus,
    measures: measureHistories(
      values,
      athlete.discipline,
      ageOn(athlete.birthDate, ctx.today),
      focus.map((f) => f.focus.finding),
    ),
    easedSoFar: may(ctx.user.role, 'judge') ? await easedSoFar(ctx) : null,
    calendar: loadCalendar(
      accountOf(ctx, athlete, load),
      ctx.today,
      CALENDAR_WEEKS,
      intake.games.map((game) => game.date),
    ),
    week: Array.from({ length: WEEKS_SHOWN }, (_, i) => {
      const from = addDays(ctx.today, -7 * (WEEKS_SHOWN - i) + 1);
      const inWeek = days.filter((d) => d.date >= from && d.date < addDays(from, 7));
      return { from, throws: inWeek.reduce((n, d) => n + d.throws, 0), pitches: inWeek.reduce((n, d) => n + d.pitches, 0) };
    }),
  };
}
