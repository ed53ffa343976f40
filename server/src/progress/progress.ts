import type { FocusProgress, Progress } from '@wrightonic/contract';
import { addDays, daysOf, fromMph, ownBestShare, summariseSession, toMph } from '@wrightonic/core';
import type { SessionSummary } from '@wrightonic/core';

import { athleteRecord, profileOf } from '../athlete/athletes';
import { fociOf, toFocus } from '../work/foci';
import { movesOf } from '../work/moves';
import type { Context } from '../common/context';
import { loadOf } from '../load/load';
import { gatesOf } from '../log/reclimb';
import { speedsOf } from '../devices/speeds';

const WEEKS_SHOWN = 12;
const OWN_BEST_DAYS = 56;

async function focusProgress(ctx: Context, athleteId: string): Promise<FocusProgress[]> {
  const moves = await movesOf(ctx, athleteId, 200);
  const foci = (await fociOf(ctx, athleteId)).filter((f) => f.ended_at === null);
  const gates = await gatesOf(ctx, athleteId, foci);
  return Promise.all(
    foci.map(async (focus) => {
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
        focus: toFocus(focus),
        sessions: rows.map((r) => ({
          on: r.on_date,
          reps: Number(r.reps),
          good: Number(r.good),
          close: Number(r.close),
          off: Number(r.off),
        })),
        gate: gates.get(focus.id)!,
        moves: moves.filter((m) => m.focus === focus.id),
      };
    }),
  );
}

/** Speed, gates and load over time. */
export async function progressOf(ctx: Context, athleteId: string): Promise<Progress> {
  const athlete = await athleteRecord(ctx, athleteId);
  const [speeds, load, focus] = await Promise.all([
    speedsOf(ctx, athleteId),
    loadOf(ctx, athleteId),
    focusProgress(ctx, athleteId),
  ]);
  const { speedUnit } = ctx.academy;
  const inUnit = speeds.map((s) => ({
    ...s,
    speed: s.unit === speedUnit ? s.speed : fromMph(toMph(s), speedUnit),
    unit: speedUnit,
  }));
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
    ownBest: ownBestShare(inUnit.filter((s) => s.date > addDays(ctx.today, -OWN_BEST_DAYS))),
    focus,
    week: Array.from({ length: WEEKS_SHOWN }, (_, i) => {
      const from = addDays(ctx.today, -7 * (WEEKS_SHOWN - i) + 1);
      const inWeek = days.filter((d) => d.date >= from && d.date < addDays(from, 7));
      return { from, throws: inWeek.reduce((n, d) => n + d.throws, 0), pitches: inWeek.reduce((n, d) => n + d.pitches, 0) };
    }),
  };
}
