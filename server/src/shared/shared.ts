/** What stands behind a link, for whoever has it: the one thing that it shows, and no way further. */
import type { Download, LinkToken, NewLink, Shared } from '@wrightonic/contract';
import type { Knex } from 'knex';
import { digest } from '../auth/secrets';
import { lockOf, reportOfCamp } from '../camp/handed';
import { reportsPaper } from '../camp/report-paper';
import type { Context } from '../common/context';
import { ProblemError } from '../problems';
import { SHOWING } from '../report/links';
import type { LinkedCamp } from '../report/links';
import { footOf, pdf, sharedPdfOf } from '../report/papers';
import { reportSheet } from '../report/sheet';

const gone = () =>
  new ProblemError(
    404,
    'This link no longer works',
    'It has expired, or was closed, or never was. Ask whoever sent it for a new one.',
  );

interface Opened {
  readonly ctx: Context;
  readonly shared: Shared;
  readonly id: string;
}

/**
 * What stands behind a secret: whoever has the link is nobody, so no academy is behind this query.
 * @param settingOf the setting of somebody who may see this athlete and nothing else
 * @throws ProblemError 404 once it is closed or too old, or what it shows is gone
 */
async function opened(
  db: Knex,
  { token }: LinkToken,
  now: Date,
  settingOf: (academy: string, athlete: string) => Promise<Context>,
): Promise<Opened> {
  const row = await db('links')
    .where('key_hash', digest(token))
    .whereIn('kind', [...SHOWING])
    .first();
  if (!row || row.athlete_id === null || row.revoked_at || row.expires_at === null || row.expires_at <= now) throw gone();
  const ctx = await settingOf(row.academy_id, row.athlete_id);
  if (await ctx.tenant.has('athletes', { id: row.athlete_id, archived: true })) throw gone();
  if (row.kind === 'camp') return { ctx, shared: await sharedCamp(ctx, row.athlete_id, row.what as LinkedCamp), id: row.id };
  const what = row.what as NewLink;
  return { ctx, shared: { kind: 'sheet', sheet: await reportSheet(ctx, row.athlete_id, what, what.pictures) }, id: row.id };
}

/** A report as it was handed out, and whether the arm is locked meanwhile. */
async function sharedCamp(ctx: Context, athlete: string, { camp, name, from, to }: LinkedCamp): Promise<Shared> {
  const report = await reportOfCamp(ctx, camp, athlete);
  if (!report) throw gone();
  return { kind: 'camp', academy: ctx.academy.name, camp: name, from, to, report, locked: await lockOf(ctx, athlete) };
}

type Setting = Parameters<typeof opened>[3];

export async function lookAtShared(db: Knex, token: LinkToken, now: Date, settingOf: Setting): Promise<Shared> {
  const { shared, id } = await opened(db, token, now, settingOf);
  await db('links').where('id', id).increment('views', 1).update('viewed_at', now);
  return shared;
}

export async function sharedPdf(db: Knex, token: LinkToken, now: Date, settingOf: Setting): Promise<Download> {
  const { ctx, shared } = await opened(db, token, now, settingOf);
  if (shared.kind === 'sheet') return sharedPdfOf(ctx, shared.sheet);
  const { camp, from, to, report, locked } = shared;
  return pdf(ctx, `${report.athlete.name} ${camp}`, reportsPaper({ camp, from, to, reports: [report], locked }, footOf(ctx)));
}
