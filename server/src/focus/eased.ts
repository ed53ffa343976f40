/** Was the prediction right that something eases once the root is worked on? */
import type { EasedCount, EasedRecord, ExpectedRecord } from '@wrightonic/contract';
import { addDays, speaksOf } from '@wrightonic/core';
import type { Diagnosis, DiagnosisRequest } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';

/** So many of what should ease are followed. */
const FOLLOWED = 5;

/** What should ease, and how likely it is there now. */
export const expectedOf = ({ expectedToEase, posterior }: Diagnosis): ExpectedRecord[] =>
  expectedToEase.slice(0, FOLLOWED).map(({ finding }) => ({ finding, then: posterior[finding] ?? 0 }));

const odds = (p: number): number => p / Math.max(1e-6, 1 - p);

/** What became of it: eased where its odds have at least halved, by something seen of it since the focus began. */
export const easedSince = (
  { expects, started_on: startedOn }: Pick<FocusDbRow, 'expects' | 'started_on'>,
  { posterior }: Diagnosis,
  request: DiagnosisRequest,
): EasedRecord[] =>
  (expects ?? []).map(({ finding, then }) => {
    const now = posterior[finding] ?? 0;
    const spoken = speaksOf(request, finding, addDays(startedOn, 1)).length > 0;
    return { finding, then, now, eased: spoken ? odds(now) <= odds(then) / 2 : null };
  });

/** How often it came true, in all foci of the academy that have ended. */
export async function easedSoFar(ctx: Context): Promise<EasedCount> {
  const rows = await ctx.tenant.from('foci').whereNotNull('outcome').select('outcome');
  const told = rows.flatMap((row) => row.outcome ?? []).filter((o) => o.eased !== null);
  return { eased: told.filter((o) => o.eased).length, of: told.length };
}
