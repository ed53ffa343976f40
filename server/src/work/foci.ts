/** What an athlete works on. */
import type { FocusRecord } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';

export const toFocus = (row: FocusDbRow, today: IsoDate): FocusRecord => ({
  id: row.id,
  finding: row.finding,
  rung: row.rung,
  state: row.state,
  startedOn: row.started_on,
  rungSince: row.rung_since,
  course:
    row.course === null || row.course_why === null
      ? null
      : {
          state: row.course,
          reason: row.course_why,
          watch: row.watch_from !== null && row.watch_from <= today ? row.watch_why : null,
          askedAt: row.asked_at?.toISOString() ?? null,
        },
});

export const fociOf = async (ctx: Context, athlete: string): Promise<FocusDbRow[]> =>
  await ctx.tenant.from('foci').where('athlete_id', athlete).orderBy('created_at', 'desc').orderBy('id', 'desc');
