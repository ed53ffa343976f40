/** Where the athlete's throws were aimed and where they went. */
import type { AthleteRecord } from '@wrightonic/contract';
import { addDays, commandOf, marksBy, NO_MARKS, toMph, undoOf } from '@wrightonic/core';
import type { AimedThrow, Command } from '@wrightonic/core';
import type { Context } from '../common/context';
import { marksOf, toMark } from '../log/rows';

/** What lies further back is not read, nor more throws than this. */
const SINCE_DAYS = 365;
const MOST = 2000;

export async function commandNow(ctx: Context, athleteId: string, athlete: AthleteRecord): Promise<Command | null> {
  const rows = await ctx.tenant
    .from('spots')
    .where('athlete_id', athleteId)
    .where('on_date', '>=', addDays(ctx.today, -SINCE_DAYS))
    .orderBy([
      { column: 'on_date', order: 'desc' },
      { column: 'at', order: 'desc' },
    ])
    .limit(MOST);
  if (rows.length === 0) return null;
  const reps = rows.flatMap((r) => r.rep_id ?? []);
  const [marks, undone, speeds] = await Promise.all([
    marksOf(
      ctx,
      athleteId,
      rows.map((r) => r.id),
    ),
    ctx.tenant.from('reps').where({ athlete_id: athleteId, undone: true }).whereIn('id', reps).pluck('id'),
    ctx.tenant
      .from('readings')
      .where({ athlete_id: athleteId, undone: false, gone: false })
      .whereIn('rep_id', reps)
      .select('rep_id', 'speed', 'unit'),
  ]);
  const said = marksBy(marks.map(toMark));
  const taken = new Set(undone);
  const bySpeed = new Map(speeds.map((s) => [s.rep_id, toMph(s)]));
  const throws = rows.flatMap((row): AimedThrow[] => {
    const at = row.at.toISOString();
    // A throw that was taken back takes its spot along.
    if (row.rep_id !== null && taken.has(row.rep_id)) return [];
    if (undoOf({ at, author: row.author_id ?? '' }, said.get(row.id) ?? NO_MARKS).undone) return [];
    return [
      {
        id: row.id,
        on: row.on_date,
        at,
        target: { x: row.target_x, y: row.target_y },
        actual: { x: row.actual_x, y: row.actual_y },
        zone: [row.zone_low, row.zone_high],
        effort: row.effort,
        pitch: row.pitch,
        speed: bySpeed.get(row.rep_id) ?? null,
      },
    ];
  });
  return commandOf(throws, athlete);
}
