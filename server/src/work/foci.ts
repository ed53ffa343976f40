/** What an athlete works on. */
import type { FocusRecord } from '@wrightonic/contract';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';

export const toFocus = (row: FocusDbRow): FocusRecord => ({
  id: row.id,
  finding: row.finding,
  rung: row.rung,
  state: row.state,
  startedOn: row.started_on,
  rungSince: row.rung_since,
});

export const fociOf = async (ctx: Context, athlete: string): Promise<FocusDbRow[]> =>
  await ctx.tenant.from('foci').where('athlete_id', athlete).orderBy('created_at', 'desc').orderBy('id', 'desc');
