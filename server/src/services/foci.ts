/** What an athlete works on. */
import type { FocusRecord } from '@wrightonic/contract';
import type { Context } from './context';
import type { FocusLogRow } from './log/rows';

interface FocusRow extends FocusLogRow {
  state: FocusRecord['state'];
  why: string | null;
  chance_then: number | null;
}

export const toFocus = (row: FocusRow): FocusRecord => ({
  id: row.id,
  finding: row.finding,
  rung: row.rung,
  state: row.state,
  startedOn: row.started_on,
  rungSince: row.rung_since,
});

export const fociOf = async (ctx: Context, athlete: string): Promise<FocusRow[]> =>
  (await ctx.tenant.from('foci').where('athlete_id', athlete).orderBy('created_at', 'desc').orderBy('id', 'desc')) as FocusRow[];
