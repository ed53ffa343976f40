import { EMPTY_INTAKE } from '@wrightonic/contract';
import type { IntakeAnswer } from '@wrightonic/contract';
import { notFound } from '../problems';
import { consentsOf, isMinor } from './consents';
import type { Context } from '../common/context';

/** What was told when the athlete came, as far as it has come. */
export async function intakeOf(ctx: Context, athlete: string): Promise<IntakeAnswer> {
  const row = await ctx.tenant.from('athletes').where('id', athlete).first('intake', 'birth_date');
  if (!row) throw notFound('athlete');
  return {
    intake: row.intake ?? { ...EMPTY_INTAKE, next: null },
    consents: await consentsOf(ctx, athlete),
    minor: isMinor(row.birth_date, ctx.today),
  };
}
