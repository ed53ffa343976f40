/** Links for the family, to sheets and to reports of camps: secret, for some days, closed at once when somebody closes them. */
import type { LinkMade, LinkRow, NewLink } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { digest, newSecret } from '../auth/secrets';
import { athleteRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import type { LinkDbRow } from '../db/tables';
import { notFound, wrongField } from '../problems';
import { reportSheet } from './sheet';

const DAY_MS = 86_400_000;
const SHOWN = 50;
/** Kinds of links that show something of one athlete. */
export const SHOWING = ['sheet', 'camp'] as const;

/** What is kept with the link to a camp's report. */
export interface LinkedCamp {
  readonly camp: string;
  readonly name: string;
  readonly from: IsoDate;
  readonly to: IsoDate;
}

type SheetDbRow = Pick<LinkDbRow, 'id' | 'kind' | 'what' | 'expires_at' | 'revoked_at' | 'views' | 'viewed_at'> & {
  readonly name: string;
};

export async function linksOf(ctx: Context, athlete: string): Promise<LinkRow[]> {
  await athleteRecord(ctx, athlete);
  const rows = await ctx.tenant
    .from('links')
    .join('users', 'users.id', 'links.user_id')
    .where('athlete_id', athlete)
    .whereIn('kind', [...SHOWING])
    .orderBy('links.created_at', 'desc')
    .limit(SHOWN)
    .select<SheetDbRow[]>(
      'links.id',
      'links.kind',
      'links.what',
      'links.expires_at',
      'links.revoked_at',
      'links.views',
      'links.viewed_at',
      'users.name',
    );
  return rows.map((row) => {
    const { from, to } = row.what as NewLink | LinkedCamp;
    return {
      id: row.id,
      camp: row.kind === 'camp' ? (row.what as LinkedCamp).name : null,
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
  const { days, ...what } = given;
  const token = await makeLink(ctx, { id, athlete, days, kind: 'sheet', what });
  return { token, links: await linksOf(ctx, athlete) };
}

interface LinkToMake {
  readonly id: string;
  readonly athlete: string;
  readonly days: number;
  readonly kind: (typeof SHOWING)[number];
  readonly what: object;
}

/** @returns the secret: it is kept nowhere @throws ProblemError 404 where the id is that of another link, 422 where it was closed */
export async function makeLink(ctx: Context, { id, athlete, days, kind, what }: LinkToMake): Promise<string> {
  const token = newSecret();
  const known = await ctx.tenant.from('links').where('id', id).first();
  if (known && (known.athlete_id !== athlete || known.kind !== kind)) throw notFound('link');
  if (known?.revoked_at) throw wrongField('id', 'is that of a link that was closed; make a new one');
  const row = {
    what: JSON.stringify(what),
    key_hash: digest(token),
    expires_at: new Date(ctx.now.getTime() + days * DAY_MS),
  };
  if (known) await ctx.tenant.from('links').where('id', id).update(row);
  else await ctx.tenant.insertNew('links', [{ ...row, id, athlete_id: athlete, user_id: ctx.user.id, kind }]);
  return token;
}

export async function dropLink(ctx: Context, athlete: string, id: string): Promise<LinkRow[]> {
  const mine = () =>
    ctx.tenant
      .from('links')
      .where({ id, athlete_id: athlete })
      .whereIn('kind', [...SHOWING]);
  const changed = await mine().whereNull('revoked_at').update({ revoked_at: ctx.now });
  if (changed === 0 && !(await mine().first('id'))) throw notFound('link');
  return linksOf(ctx, athlete);
}
