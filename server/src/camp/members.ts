/** What the engine says of a camp's athletes: focus, throws that are left, locks. */
import type { CampMember } from '@wrightonic/contract';
import { ageOn, findingById, openAccount, roomOn } from '@wrightonic/core';
import type { CampAthlete, FindingId, IsoDate } from '@wrightonic/core';
import { toRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import type { AthleteDbRow, CampAthleteDbRow } from '../db/tables';
import { currentDiagnosis } from '../judgement/judged';
import { loadOf, ruledBy } from '../load/load';

/** A member with all that the schedule is made from. */
export interface KnownMember extends CampMember {
  readonly row: AthleteDbRow;
}

/** Foci that an athlete works on, most at once. */
const FOCI = 2;

/** Athletes of a camp in the order of its list. @param days of the camp that are still to come, today among them */
export async function membersOf(ctx: Context, camp: string, first: IsoDate, days: readonly IsoDate[]): Promise<KnownMember[]> {
  const rows = await ctx.tenant.from('camp_athletes').where('camp_id', camp).orderBy('place_in_list');
  const ids = rows.map((row) => row.athlete_id);
  const [athletes, foci] = await Promise.all([
    ctx.tenant.from('athletes').whereIn('id', ids),
    ctx.tenant.from('foci').whereIn('athlete_id', ids).whereNull('ended_at').orderBy(['started_on', 'id']),
  ]);
  const byId = new Map(athletes.map((row) => [row.id, row]));
  const there = new Set(ids);
  const members: KnownMember[] = [];
  for (const row of rows) {
    const athlete = byId.get(row.athlete_id);
    if (!athlete) continue;
    const chosen = foci.filter((f) => f.athlete_id === row.athlete_id).slice(0, FOCI);
    members.push(
      await memberOf(
        ctx,
        row,
        athlete,
        chosen.map((f) => f.finding),
        first,
        days,
        there,
      ),
    );
  }
  return members;
}

async function memberOf(
  ctx: Context,
  { group_name: group, friends, visitor }: CampAthleteDbRow,
  row: AthleteDbRow,
  chosen: readonly FindingId[],
  first: IsoDate,
  days: readonly IsoDate[],
  there: ReadonlySet<string>,
): Promise<KnownMember> {
  const record = toRecord(row);
  const [load, likely] = await Promise.all([loadOf(ctx, row.id), chosen.length > 0 ? chosen : likeliest(ctx, row)]);
  const account = openAccount({ ...ruledBy(ctx, record), log: load.log, clearances: load.clearances });
  const rooms = (days.length > 0 ? days : [ctx.today]).map((date) => ({
    date,
    ...roomOn(account, date === ctx.today ? { date, at: ctx.now.toISOString() } : { date }),
  }));
  const locked = rooms.find((room) => room.locked !== null)?.locked ?? null;
  return {
    row,
    athlete: row.id,
    name: row.name,
    group,
    with: friends.filter((id) => there.has(id)),
    visitor: Boolean(visitor),
    age: ageOn(row.birth_date, first),
    throws: row.throws,
    focus: likely.map((finding) => ({ finding, title: findingById(finding).title })),
    chosen: chosen.length > 0,
    throwBudget: Math.min(
      ...rooms.map((room) => room.throwsLeft + (room.date === ctx.today ? (account.byDate.get(room.date)?.throws ?? 0) : 0)),
    ),
    locked: locked?.reason ?? null,
  };
}

/** The likeliest focus of somebody who has none yet; nothing where nobody has looked. */
async function likeliest(ctx: Context, row: AthleteDbRow): Promise<readonly FindingId[]> {
  const { result, observed } = await currentDiagnosis(ctx, row.id, toRecord(row));
  if (observed.length === 0) return [];
  return result.roots.slice(0, 1).map((root) => root.finding);
}

/** A member as the schedule knows them. */
export const toCampAthlete = ({
  athlete,
  age,
  throws,
  focus,
  throwBudget,
  locked,
  group,
  with: friends,
}: CampMember): CampAthlete => ({
  id: athlete,
  age,
  throws,
  focus: focus.map((f) => f.finding),
  throwBudget,
  locked: locked !== null,
  ...(group === null ? {} : { group }),
  with: friends,
});
