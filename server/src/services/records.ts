import type { AcademySettings, AthleteOverview, Me, NewOuting } from '@wrightonic/contract';
import type { Clearance } from '@wrightonic/core';
import { numbersFaults } from '@wrightonic/core';
import { ProblemError, wrongField } from '../problems';
import { me } from './account';
import { athleteRecord, overview, renewGlance } from './athletes';
import { dayIn, within } from './context';
import type { Context } from './context';

export async function putSettings(ctx: Context, given: AcademySettings): Promise<Me> {
  try {
    dayIn(given.timeZone, ctx.now);
  } catch {
    throw wrongField('timeZone', `“${given.timeZone}” is not a time zone; write one like Europe/Lisbon or UTC`);
  }
  const faults = numbersFaults(given.numbers).map(({ path, message }) => ({ path: `numbers.${path}`, message }));
  if (faults.length > 0)
    throw new ProblemError(422, 'The input is not right', `${faults[0]!.path}: ${faults[0]!.message}`, faults);
  await ctx.tenant.academyRow().update({
    length_unit: given.lengthUnit,
    league_ages: JSON.stringify(given.leagueAges),
    words: JSON.stringify(given.words),
    weighted_balls: given.weightedBalls,
    numbers: JSON.stringify(given.numbers),
    speed_unit: given.speedUnit,
    time_zone: given.timeZone,
    league_daily_limit: given.leagueDailyLimit,
    league: JSON.stringify(given.league),
    schools: JSON.stringify(given.schools),
  });
  return me({ ...ctx, academy: { ...ctx.academy, ...given }, today: dayIn(given.timeZone, ctx.now) });
}

/** Throwing done elsewhere; it counts in rest and budget. Sent again with the same id, it is corrected. */
export async function putOuting(ctx: Context, athleteId: string, id: string, given: NewOuting): Promise<AthleteOverview> {
  await athleteRecord(ctx, athleteId);
  if (given.on > ctx.today) throw wrongField('on', `is ${given.on}, which is still to come; games to come go into the plan`);
  if (given.highEffort > given.throws && given.pitches === 0) throw wrongField('highEffort', 'cannot be more than all throws');
  await ctx.tenant.transaction(async (tenant) => {
    await tenant.upsert('outings', {
      id,
      athlete_id: athleteId,
      on_date: given.on,
      pitches: given.pitches,
      throws: given.throws,
      high_effort: given.highEffort,
      innings: given.innings,
      author: ctx.user.name,
    });
    await renewGlance(within(ctx, tenant), athleteId);
  });
  return overview(ctx, athleteId);
}

export async function putClearance(ctx: Context, athleteId: string, id: string, given: Clearance): Promise<AthleteOverview> {
  await athleteRecord(ctx, athleteId);
  if (given.date > ctx.today) throw wrongField('date', `is ${given.date}, which is still to come`);
  if (given.until && given.until < given.date) throw wrongField('until', 'lies before the date of the clearance');
  await ctx.tenant.transaction(async (tenant) => {
    await tenant.upsert('clearances', {
      id,
      athlete_id: athleteId,
      on_date: given.date,
      by_clinician: given.by,
      limits: given.limits ?? null,
      until_date: given.until ?? null,
      recorded_by: ctx.user.name,
    });
    await renewGlance(within(ctx, tenant), athleteId);
  });
  return overview(ctx, athleteId);
}
