/** A session as it stands. */
import type { AthleteRecord, DrillTally, SessionRecord } from '@wrightonic/contract';
import type { Workload } from '@wrightonic/core';
import { notFound } from '../problems';
import { athleteRecord } from '../athlete/athletes';
import { toMove } from '../work/moves';
import type { Context } from '../common/context';
import { loadOf, workloadOf } from '../load/load';
import type { Load } from '../load/load';
import type { SessionDbRow } from '../db/tables';
import { dayOf } from '../plan/days';

export async function sessionRow(ctx: Context, athleteId: string, id: string): Promise<SessionDbRow> {
  const row = await ctx.tenant.from('work_sessions').where({ id, athlete_id: athleteId }).first();
  if (!row) throw notFound('session');
  return row;
}

/** Why only dry work is left, or null. */
function dryOnly({ today }: Workload): string | null {
  if (today.locked) return today.locked.reason;
  return today.throwsLeft <= 0 ? 'Today’s throws are used up: dry work only.' : null;
}

interface Summary {
  readonly tallies: DrillTally[];
  readonly notCounted: SessionRecord['notCounted'];
}

/**
 * What a session's entries come to, added up by the database.
 * @param measured whether it may hold readings
 */
async function summaryOf(ctx: Context, session: string, measured: boolean): Promise<Summary> {
  const [reps, readings] = await Promise.all([
    ctx.tenant
      .from('reps')
      .where({ session_id: session, gone: false })
      .groupBy('drill', 'judged', 'undone', 'refused')
      .select('drill', 'judged', 'undone', 'refused')
      .count({ n: '*' }),
    measured
      ? ctx.tenant
          .from('readings')
          .where({ session_id: session, gone: false })
          .whereNotNull('refused')
          .groupBy('refused')
          .select('refused')
          .count({ n: '*' })
      : [],
  ]);
  const tallies = new Map<string, { drill: string; reps: number; good: number; close: number; off: number }>();
  const reasons = new Map<string, number>();
  for (const { drill, judged, undone, n } of reps) {
    if (undone) continue;
    const tally = tallies.get(drill) ?? { drill, reps: 0, good: 0, close: 0, off: 0 };
    tally.reps += Number(n);
    tally[judged] += Number(n);
    tallies.set(drill, tally);
  }
  for (const { refused, n } of [...reps, ...readings])
    if (refused !== null) reasons.set(refused, (reasons.get(refused) ?? 0) + Number(n));
  return {
    tallies: [...tallies.values()].sort((x, y) => (x.drill < y.drill ? -1 : 1)),
    notCounted: [...reasons].map(([reason, entries]) => ({ reason, entries })).sort((x, y) => y.entries - x.entries),
  };
}

/** A session as it stands, from its own entries and the athlete’s load. */
export async function recordOf(
  ctx: Context,
  athlete: AthleteRecord,
  row: SessionDbRow,
  load: Load,
  measured = true,
): Promise<SessionRecord> {
  const assignment = row.assignment_id ? await dayOf(ctx, row.athlete_id, row.assignment_id) : null;
  const verdicts =
    row.finished_at === null && row.on_date >= ctx.today
      ? []
      : await ctx.tenant.from('verdicts').where('session_id', row.id).orderBy('at');
  const workload = workloadOf(ctx, athlete, load);
  return {
    id: row.id,
    on: row.on_date,
    assignment,
    finished: row.finished_at !== null,
    dryOnly: dryOnly(workload),
    readiness: row.readiness,
    ...(await summaryOf(ctx, row.id, measured)),
    workload,
    verdicts: verdicts.map(toMove),
  };
}

export async function sessionOf(ctx: Context, athleteId: string, id: string): Promise<SessionRecord> {
  const row = await sessionRow(ctx, athleteId, id);
  const [athlete, load] = await Promise.all([athleteRecord(ctx, athleteId), loadOf(ctx, athleteId)]);
  return recordOf(ctx, athlete, row, load);
}
