/** Links to sheets for the family: secret, for some days, closed at once when somebody closes them. */
import type { Download, LinkMade, LinkRow, LinkToken, NewLink, ReportSheet } from '@wrightonic/contract';
import type { Knex } from 'knex';
import { digest, newSecret } from '../auth/secrets';
import { athleteRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import type { LinkDbRow } from '../db/tables';
import { notFound, ProblemError, wrongField } from '../problems';
import { sharedPdfOf } from './papers';
import { reportSheet } from './sheet';

const DAY_MS = 86_400_000;
const SHOWN = 50;

type SheetDbRow = Pick<LinkDbRow, 'id' | 'what' | 'expires_at' | 'revoked_at' | 'views' | 'viewed_at'> & {
  readonly name: string;
};

export async function linksOf(ctx: Context, athlete: string): Promise<LinkRow[]> {
  await athleteRecord(ctx, athlete);
  const rows = await ctx.tenant
    .from('links')
    .join('users', 'users.id', 'links.user_id')
    .where({ athlete_id: athlete, kind: 'sheet' })
    .orderBy('links.created_at', 'desc')
    .limit(SHOWN)
    .select<SheetDbRow[]>(
      'links.id',
      'links.what',
      'links.expires_at',
      'links.revoked_at',
      'links.views',
      'links.viewed_at',
      'users.name',
    );
  return rows.map((row) => {
    const { from, to } = row.what as NewLink;
    return {
      id: row.id,
      from,
      to,
      by: row.name,
      expiresAt: row.expires_at!.toISOString(),
      state: row.revoked_at ? 'revoked' : row.expires_at! <= ctx.now ? 'expired' : 'open',
      views: row.views,
      viewedAt: row.viewed_at?.toISOString() ?? null,
    };
  });
}

/** Makes a link. Sent again it is a new secret under the same id, and the one before no longer works. */
export async function putLink(ctx: Context, athlete: string, id: string, given: NewLink): Promise<LinkMade> {
  // What cannot be shown is not linked.
  await reportSheet(ctx, athlete, given);
  const token = newSecret();
  const { days, ...what } = given;
  const known = await ctx.tenant.from('links').where('id', id).first();
  if (known && (known.athlete_id !== athlete || known.kind !== 'sheet')) throw notFound('link');
  if (known?.revoked_at) throw wrongField('id', 'is that of a link that was closed; make a new one');
  const row = {
    what: JSON.stringify(what),
    key_hash: digest(token),
    expires_at: new Date(ctx.now.getTime() + days * DAY_MS),
  };
  if (known) await ctx.tenant.from('links').where('id', id).update(row);
  else await ctx.tenant.insertNew('links', [{ ...row, id, athlete_id: athlete, user_id: ctx.user.id, kind: 'sheet' }]);
  return { token, links: await linksOf(ctx, athlete) };
}

export async function dropLink(ctx: Context, athlete: string, id: string): Promise<LinkRow[]> {
  const changed = await ctx.tenant
    .from('links')
    .where({ id, athlete_id: athlete, kind: 'sheet' })
    .whereNull('revoked_at')
    .update({ revoked_at: ctx.now });
  if (changed === 0 && !(await ctx.tenant.has('links', { id, athlete_id: athlete, kind: 'sheet' }))) throw notFound('link');
  return linksOf(ctx, athlete);
}

const gone = () =>
  new ProblemError(
    404,
    'This link no longer works',
    'It has expired, or was closed, or never was. Ask whoever sent it for a new one.',
  );

/**
 * What stands behind a secret: whoever has the link is nobody, so no academy is behind this query.
 * @param settingOf the setting of somebody who may see this athlete and nothing else
 * @throws ProblemError 404 once it is closed or too old
 */
async function opened(
  db: Knex,
  { token }: LinkToken,
  now: Date,
  settingOf: (academy: string, athlete: string) => Promise<Context>,
): Promise<{ readonly ctx: Context; readonly report: ReportSheet; readonly id: string }> {
  const row = await db('links')
    .where({ key_hash: digest(token), kind: 'sheet' })
    .first();
  if (!row || row.athlete_id === null || row.revoked_at || row.expires_at === null || row.expires_at <= now) throw gone();
  const ctx = await settingOf(row.academy_id, row.athlete_id);
  if (await ctx.tenant.has('athletes', { id: row.athlete_id, archived: true })) throw gone();
  const what = row.what as NewLink;
  return { ctx, report: await reportSheet(ctx, row.athlete_id, what, what.pictures), id: row.id };
}

type Setting = Parameters<typeof opened>[3];

export async function lookAtShared(db: Knex, token: LinkToken, now: Date, settingOf: Setting): Promise<ReportSheet> {
  const { report, id } = await opened(db, token, now, settingOf);
  await db('links').where('id', id).increment('views', 1).update('viewed_at', now);
  return report;
}

export async function sharedPdf(db: Knex, token: LinkToken, now: Date, settingOf: Setting): Promise<Download> {
  const { ctx, report } = await opened(db, token, now, settingOf);
  return sharedPdfOf(ctx, report);
}
