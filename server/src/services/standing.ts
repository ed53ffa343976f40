import { CATALOGUE_VERSION, diagnose } from '@wrightonic/core';
import type { Diagnosis, DiagnosisRequest } from '@wrightonic/core';
import { digest } from '../auth/secrets';
import type { Context } from './context';

/** The judgement of today, and that of the last time something was seen before. */
type Moment = 'now' | 'before';

/**
 * The judgement on what is asked. It is computed when what it rests on has changed (evidence, work done, the day, the academy's
 * numbers, the program itself) and is read otherwise: what was asked is kept with the answer, so that no change can be forgotten.
 */
export async function judgementOn(ctx: Context, athlete: string, moment: Moment, request: DiagnosisRequest): Promise<Diagnosis> {
  const asked = digest(JSON.stringify([ctx.program, CATALOGUE_VERSION, request]));
  const kept = (await ctx.tenant.from('judgements').where({ athlete_id: athlete, moment, asked }).first('answer')) as
    { answer: Diagnosis } | undefined;
  if (kept) return kept.answer;
  const answer = diagnose(request);
  await ctx.tenant.write(
    'judgements',
    [{ athlete_id: athlete, moment, asked, answer: JSON.stringify(answer) }],
    ['asked', 'answer'],
  );
  return answer;
}
