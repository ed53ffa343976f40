import { CATALOGUE_VERSION, diagnose } from '@wrightonic/core';
import type { Diagnosis, DiagnosisRequest, Trend, TrendRequest } from '@wrightonic/core';
import { digest } from '../auth/secrets';
import type { Context } from './context';

/** The judgement of today, that of the last time something was seen before, and what the speeds come to. */
type What = 'now' | 'before' | 'speed';

/**
 * An answer that takes a while. It is computed when what it rests on has changed (what was seen, thrown or done, the day, the academy’s
 * numbers, the program itself) and is read otherwise: what was asked is kept with the answer, so that no change can be forgotten.
 */
async function standing<Asked, Answer>(
  ctx: Context,
  athlete: string,
  what: What,
  request: Asked,
  answerTo: (request: Asked) => Answer | Promise<Answer>,
): Promise<Answer> {
  const asked = digest(JSON.stringify([ctx.program, CATALOGUE_VERSION, request]));
  const kept = await ctx.tenant.from('standing_answers').where({ athlete_id: athlete, what, asked }).first('answer');
  // Under the same question stands the same kind of answer.
  if (kept) return kept.answer as Answer;
  const answer = await answerTo(request);
  await ctx.tenant.write(
    'standing_answers',
    [{ athlete_id: athlete, what, asked, answer: JSON.stringify(answer) }],
    ['asked', 'answer'],
  );
  return answer;
}

/** The judgement on what is asked. @param moment today’s, or that of the last time something was seen before */
export const judgementOn = (
  ctx: Context,
  athlete: string,
  moment: 'now' | 'before',
  request: DiagnosisRequest,
): Promise<Diagnosis> => standing(ctx, athlete, moment, request, diagnose);

/** What the speeds come to. */
export const trendOn = (ctx: Context, athlete: string, request: TrendRequest): Promise<Trend> =>
  standing(ctx, athlete, 'speed', request, ctx.think.trend);
