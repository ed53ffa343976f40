/** Who did what, page by page. */
import type { AuditPage, AuditQuery } from '@wrightonic/contract';
import type { AuditDbRow } from '../db/tables';
import type { Context } from '../common/context';
import { dayIn } from '../common/time';

const AUDIT_PAGE = 60;

export async function auditPage(ctx: Context, { athlete, before }: AuditQuery): Promise<AuditPage> {
  const query = ctx.tenant
    .from('audit_entries')
    .leftJoin('athletes', 'athletes.id', 'audit_entries.athlete_id')
    .orderBy('audit_entries.id', 'desc')
    .limit(AUDIT_PAGE + 1);
  if (athlete) void query.where('audit_entries.athlete_id', athlete);
  if (before) void query.where('audit_entries.id', '<', before);
  const rows = await query.select<(AuditDbRow & { athlete_name: string | null })[]>('audit_entries.*', {
    athlete_name: 'athletes.name',
  });
  return {
    entries: rows.slice(0, AUDIT_PAGE).map((row) => ({
      id: row.id,
      at: row.at.toISOString(),
      on: dayIn(ctx.academy.timeZone, row.at),
      who: row.who,
      role: row.role,
      did: row.did,
      athlete: row.athlete_id && row.athlete_name ? { id: row.athlete_id, name: row.athlete_name } : null,
    })),
    more: rows.length > AUDIT_PAGE,
  };
}
