/** Was the prediction right that something eases once the root is worked on? */
import type { EasedCount } from '@wrightonic/contract';
import { addDays, easedOf, speaksOf } from '@wrightonic/core';
import type { Diagnosis, DiagnosisRequest, Eased, Expected } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';

/** So many of what should ease are followed. */
const FOLLOWED = 5;

/** What should ease, and how likely it is there now. */
export const expectedOf = ({ expectedToEase, posterior }: Diagnosis): Expected[] =>
  expectedToEase.slice(0, FOLLOWED).map(({ finding }) => ({ finding, then: posterior[finding] ?? 0 }));

/** What became of it, by something seen of it since the focus began. */
export const easedSince = (
  { expects, started_on: startedOn }: Pick<FocusDbRow, 'expects' | 'started_on'>,
  { posterior }: Diagnosis,
  request: DiagnosisRequest,
): Eased[] => easedOf(expects ?? [], posterior, (finding) => speaksOf(request, finding, addDays(startedOn, 1)).length > 0);

/** How often it came true, in all foci of the academy that have ended. */
export async function easedSoFar(ctx: Context): Promise<EasedCount> {
  const rows = await ctx.tenant.from('foci').whereNotNull('outcome').select('outcome');
  const told = rows.flatMap((row) => row.outcome ?? []).filter((o) => o.eased !== null);
  return { eased: told.filter((o) => o.eased).length, of: told.length };
}
