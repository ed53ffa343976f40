/** What is to be made anew once something that the arm's rules hang on has changed. To be called with the athlete held. */
import type { AthleteRecord } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { renewGlance } from '../judgement/glance';
import type { Context } from '../common/context';
import { replan } from '../plan/replan';
import { reclimb } from './reclimb';
import { rejudge } from './rejudge';

/**
 * Verdicts and rungs from a day on, whose entries have been judged; then what the roster shows and the plan.
 * @param always also where no focus stands elsewhere for it
 */
export async function climbFrom(ctx: Context, athleteId: string, from: IsoDate, always: boolean): Promise<void> {
  const moved = await reclimb(ctx, athleteId, from);
  if (!moved && !always) return;
  await renewGlance(ctx, athleteId);
  await replan(ctx, athleteId);
}

/** Judges the days from a day on anew, and all that follows. */
export async function followFrom(ctx: Context, athleteId: string, athlete: AthleteRecord, from: IsoDate): Promise<void> {
  await rejudge(ctx, athleteId, athlete, from);
  await climbFrom(ctx, athleteId, from, true);
}
