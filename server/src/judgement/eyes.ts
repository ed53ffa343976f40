import type { OwnEye } from '@wrightonic/contract';
import { comparisonsIn, eyeFrom, eyeWith } from '@wrightonic/core';
import type { Agreement, DiagnosisRequest, EyeTrust, FindingId, Visibility } from '@wrightonic/core';
import type { Context } from '../common/context';

/** Looks and the measures they met, counted for each person. */
async function countedFor(ctx: Context, users: readonly string[]): Promise<Map<string, Agreement[]>> {
  const counted = new Map<string, Agreement[]>();
  if (users.length === 0) return counted;
  const rows = await ctx.tenant
    .from('eye_agreements')
    .whereIn('user_id', users as string[])
    .groupBy('user_id', 'visibility', 'saw', 'measured')
    .select('user_id', 'visibility', 'saw', 'measured')
    .count({ count: '*' });
  for (const { user_id: user, count, visibility, saw, measured } of rows)
    counted.set(user, [...(counted.get(user) ?? []), { visibility, saw, measured, count: Number(count) }]);
  return counted;
}

export type EyeOf = (user: string | null, visibility: Visibility) => EyeTrust | undefined;

/** The trust in each person's eye; undefined for an eye of which nothing is known. */
export async function eyesOf(ctx: Context, users: readonly string[]): Promise<EyeOf> {
  const counted = await countedFor(ctx, users);
  const { numbers } = ctx.academy;
  return (user, visibility) => {
    const agreements = (user === null ? undefined : counted.get(user))?.filter((a) => a.visibility === visibility);
    if (!agreements || agreements.length === 0) return undefined;
    const { sensitivity, specificity } = eyeFrom(agreements, visibility, eyeWith(numbers, visibility));
    return { sensitivity, specificity };
  };
}

export interface LookBy {
  readonly id: string;
  readonly author: string | null;
}

/** Holds an athlete's looks against the measures anew. To be called in the transaction that changed either. */
export async function renewAgreements(
  ctx: Context,
  athlete: string,
  request: DiagnosisRequest,
  looks: readonly LookBy[],
): Promise<void> {
  const rows = comparisonsIn(request).flatMap(({ look, visibility, saw, measured }) => {
    const { id, author } = looks[look]!;
    const item = request.evidence[look]!;
    if (author === null || item.kind !== 'eye') return [];
    return [{ athlete_id: athlete, observation_id: id, user_id: author, finding: item.finding, visibility, saw, measured }];
  });
  await ctx.tenant.from('eye_agreements').where('athlete_id', athlete).delete();
  await ctx.tenant.insertLinks('eye_agreements', rows);
}

/** One's own eye, and nobody else's. */
export async function ownEye(ctx: Context): Promise<OwnEye> {
  const agreements = (await countedFor(ctx, [ctx.user.id])).get(ctx.user.id) ?? [];
  const record = (visibility: Visibility) => eyeFrom(agreements, visibility, eyeWith(ctx.academy.numbers, visibility));
  const rows = await ctx.tenant
    .from('eye_agreements')
    .where('user_id', ctx.user.id)
    .select('finding', 'saw', 'measured')
    .count({ count: '*' })
    .groupBy('finding', 'saw', 'measured');
  const met = new Map<FindingId, { agreed: number; of: number }>();
  for (const { finding, saw, measured, count } of rows) {
    const known = met.get(finding) ?? { agreed: 0, of: 0 };
    const agreed = (saw === 'yes') === (measured === 'present');
    met.set(finding, { agreed: known.agreed + (agreed ? Number(count) : 0), of: known.of + Number(count) });
  }
  return {
    clear: record('clear'),
    hard: record('hard'),
    findings: [...met].map(([finding, counts]) => ({ finding, ...counts })).sort((a, b) => b.of - a.of),
  };
}
