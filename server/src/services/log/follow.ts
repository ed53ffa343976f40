/** What is to be made anew once something that the arm's rules hang on has changed. */
import type { AthleteRecord } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import { renewGlance } from '../athletes';
import type { Context } from '../context';
import { replan } from '../plans';
import { reclimb } from './reclimb';
import { rejudge } from './rejudge';

/** Judges the days from a day on anew, and all that follows: verdicts, rungs, what the roster shows, the plan. With the athlete held. */
export async function followFrom(ctx: Context, athleteId: string, athlete: AthleteRecord, from: IsoDate): Promise<void> {
  await rejudge(ctx, athleteId, athlete, from);
  await reclimb(ctx, athleteId, from);
  await renewGlance(ctx, athleteId);
  await replan(ctx, athleteId);
}
