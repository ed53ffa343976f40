/** What was agreed to about an athlete, and by whom. */
import type { ConsentKind, ConsentRow } from '@wrightonic/contract';
import { ageOn } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import { ProblemError } from '../problems';
import type { Context } from '../common/context';

const ADULT = 18;

export const isMinor = (birthDate: IsoDate, today: IsoDate): boolean => ageOn(birthDate, today) < ADULT;

/** The newest word on each kind of consent. */
export async function consentsOf(ctx: Context, athlete: string): Promise<ConsentRow[]> {
  const rows = await ctx.tenant.from('consents').where('athlete_id', athlete).orderBy('created_at').orderBy('id');
  const newest = new Map(rows.map((row) => [row.kind, row]));
  return [...newest.values()].map((row) => ({
    kind: row.kind,
    given: Boolean(row.given),
    by: row.by_whom,
    recordedBy: row.recorded_by,
    on: row.on_date,
  }));
}

/** Whether the newest word on a kind of consent gives it. */
export const isGiven = (consents: readonly ConsentRow[], kind: ConsentKind): boolean =>
  consents.some((c) => c.kind === kind && c.given);

/** @throws ProblemError 403 when consent was not given, or was taken back */
export async function requireConsent(ctx: Context, athlete: string, kind: ConsentKind): Promise<void> {
  const consent = (await consentsOf(ctx, athlete)).find((c) => c.kind === kind);
  if (!consent?.given)
    throw new ProblemError(
      403,
      'Consent is missing',
      `There is no consent ${kind === 'film' ? 'to film' : 'to share'} for this athlete. ${consent ? `${consent.by} took it back on ${consent.on}.` : 'Ask for it first.'}`,
    );
}
