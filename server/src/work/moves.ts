/** Moves up and down the ladder. */
import type { RungMove } from '@wrightonic/contract';
import type { Context } from '../common/context';
import type { VerdictDbRow } from '../db/tables';

export const toMove = (row: VerdictDbRow): RungMove => ({
  id: row.id,
  on: row.on_date,
  finding: row.finding,
  focus: row.focus_id,
  from: row.from_rung,
  to: row.to_rung,
  verdict: row.verdict,
  reason: row.reason,
  by: row.by_whom,
  revised:
    row.revised_on === null || row.was_verdict === null || row.was_to === null
      ? null
      : { was: row.was_verdict, to: row.was_to, on: row.revised_on },
});

export const movesOf = async (ctx: Context, athlete: string, most = 30): Promise<RungMove[]> =>
  (await ctx.tenant.from('verdicts').where('athlete_id', athlete).orderBy('at', 'desc').limit(most)).map(toMove);
