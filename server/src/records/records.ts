import type { AcademySettings, AthleteOverview, Me, NewOuting } from '@wrightonic/contract';
import { CLOCK_ERROR_MS, isFromFuture, numbersFaults } from '@wrightonic/core';
import type { Clearance } from '@wrightonic/core';
import { notFound, ProblemError, wrongField } from '../problems';
import { me } from '../people/account';
import { holdAthlete } from '../athlete/athletes';
import { overview } from '../overview/overview';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { followFrom } from '../log/follow';
import { dayIn, instantIn } from '../common/time';
import type { AcademyTables, OutingDbRow, Values } from '../db/tables';

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

/** What may be corrected by whoever entered it, and by nobody else. */
type Correctable = 'outings' | 'clearances';
type Owned = Pick<OutingDbRow, 'athlete_id' | 'author_id' | 'on_date'> & Partial<Pick<OutingDbRow, 'removed'>>;

/**
 * The row of an id, where it is this athlete’s and this person’s own; undefined where there is none yet.
 * @throws ProblemError 404 for a row of another athlete or another author: an id belongs to both for good
 */
async function ownRow(ctx: Context, table: Correctable, athleteId: string, id: string): Promise<Owned | undefined> {
  const row = await ctx.tenant.fromAny(table).where('id', id).first<Owned | undefined>();
  if (row && (row.athlete_id !== athleteId || row.author_id !== ctx.user.id || row.removed))
    throw notFound(table === 'outings' ? 'entry of yours' : 'clearance of yours');
  return row;
}

/** Writes a record, or corrects one’s own; what was there before is kept. */
async function keep<N extends Correctable>(
  ctx: Context,
  table: N,
  athleteId: string,
  row: Omit<Values<AcademyTables[N]>, 'academy_id'> & { readonly id: string },
  before: Owned | undefined,
): Promise<void> {
  if (!before) {
    await ctx.tenant.insertOnce(table, { ...row, athlete_id: athleteId, author_id: ctx.user.id });
    return;
  }
  await ctx.tenant.insertOnce('corrections', {
    id: ctx.newId(),
    athlete_id: athleteId,
    what: table,
    row_id: row.id,
    before: JSON.stringify(before),
    who: ctx.user.name,
    author_id: ctx.user.id,
    at: ctx.now,
  });
  await ctx.tenant.fromAny(table).where('id', row.id).update(row);
}

/** Throwing done elsewhere; it counts in rest and budget. Sent again by the same person, it is corrected. */
export async function putOuting(ctx: Context, athleteId: string, id: string, given: NewOuting): Promise<AthleteOverview> {
  if (given.on > ctx.today) throw wrongField('on', `is ${given.on}, which is still to come; games to come go into the plan`);
  if (given.pitches === 0 && given.throws === 0 && given.highEffort === 0 && given.innings === 0)
    throw wrongField('throws', 'are all nought, so there is nothing to enter; nothing was changed');
  if ((given.breakingPitches ?? 0) > Math.max(given.pitches, given.throws))
    throw wrongField('breakingPitches', 'cannot be more than all throws');
  if (given.highEffort > given.throws && given.pitches === 0) throw wrongField('highEffort', 'cannot be more than all throws');
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const athlete = await holdAthlete(inside, athleteId);
    if (given.on < athlete.birthDate) throw wrongField('on', `is ${given.on}, before the athlete was born`);
    const before = await ownRow(inside, 'outings', athleteId, id);
    await keep(
      inside,
      'outings',
      athleteId,
      {
        id,
        on_date: given.on,
        pitches: given.pitches,
        throws: given.throws,
        high_effort: given.highEffort,
        innings: given.innings,
        kind: given.kind ?? (given.pitches > 0 ? 'game' : 'catch'),
        caught: given.caught ?? false,
        breaking_pitches: given.breakingPitches ?? 0,
        author: ctx.user.name,
      },
      before,
    );
    await followFrom(inside, athleteId, athlete, before && before.on_date < given.on ? before.on_date : given.on);
  });
  return overview(ctx, athleteId);
}

/** How far a clock may differ from the server’s when a clearance is given “now”, minutes. */
const CLOCK_MINUTES = CLOCK_ERROR_MS / 60_000;

export async function putClearance(ctx: Context, athleteId: string, id: string, given: Clearance): Promise<AthleteOverview> {
  if (given.date > ctx.today) throw wrongField('date', `is ${given.date}, which is still to come`);
  if (given.until && given.until < given.date) throw wrongField('until', 'lies before the date of the clearance');
  const at = given.at === undefined ? null : instantIn(ctx.academy.timeZone, given.date, given.at);
  if (at && isFromFuture(at.getTime(), ctx.now.getTime()))
    throw wrongField('at', `is ${given.at}, more than ${CLOCK_MINUTES} minutes from now; write when it was given`);
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const athlete = await holdAthlete(inside, athleteId);
    if (given.date < athlete.birthDate) throw wrongField('date', `is ${given.date}, before the athlete was born`);
    const before = await ownRow(inside, 'clearances', athleteId, id);
    await keep(
      inside,
      'clearances',
      athleteId,
      {
        id,
        on_date: given.date,
        at,
        by_clinician: given.by,
        limits: given.limits ?? null,
        until_date: given.until ?? null,
        most_throws: given.mostThrows ?? null,
        highest_effort: given.highestEffort ?? null,
        recorded_by: ctx.user.name,
      },
      before,
    );
    await followFrom(inside, athleteId, athlete, before && before.on_date < given.date ? before.on_date : given.date);
  });
  return overview(ctx, athleteId);
}
