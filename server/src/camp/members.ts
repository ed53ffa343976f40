/** What the engine says of a camp's athletes: focus, throws that are left, locks. */
import type { CampMember } from '@wrightonic/contract';
import { ageOn, dayOn, findingById, roomOn } from '@wrightonic/core';
import type { FindingId, IsoDate } from '@wrightonic/core';
import { toRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import type { AthleteDbRow } from '../db/tables';
import { currentDiagnosis } from '../judgement/judged';
import { accountOf, loadOf } from '../load/load';

/** A member with all that the schedule is made from. */
export interface KnownMember extends CampMember {
  readonly row: AthleteDbRow;
  /** Percent of full effort that a clearance leaves, at most; 100 without one. */
  readonly highestEffort: number;
}

/** Foci that an athlete works on, most at once. */
const FOCI = 2;

/** Which days are asked about, and what of today's throws was planned. */
export interface AskedDays {
  /** First day of the camp: ages are told of it. */
  readonly first: IsoDate;
  /** Days that are still to come, today among them. */
  readonly days: readonly IsoDate[];
  /** Throws of an athlete's stations of today that are past. */
  readonly planned?: (athlete: string) => number;
}

/** Athletes of a camp in the order of its list. */
export async function membersOf(ctx: Context, camp: string, asked: AskedDays): Promise<KnownMember[]> {
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
    const known = await knownOf(
      ctx,
      athlete,
      chosen.map((f) => f.finding),
      asked,
    );
    const { group_name: group, friends, visitor } = row;
    members.push({ ...known, group, with: friends.filter((id) => there.has(id)), visitor: Boolean(visitor) });
  }
  return members;
}

/** What is known of an athlete, wherever they go round and with whom. */
async function knownOf(
  ctx: Context,
  row: AthleteDbRow,
  chosen: readonly FindingId[],
  { first, days, planned }: AskedDays,
): Promise<Omit<KnownMember, 'group' | 'with' | 'visitor'>> {
  const record = toRecord(row);
  const [load, focus] = await Promise.all([loadOf(ctx, row.id), chosen.length > 0 ? chosen : likeliest(ctx, row)]);
  const account = accountOf(ctx, record, load);
  const thrown = dayOn(account, ctx.today).throws;
  const rooms = (days.length > 0 ? days : [ctx.today]).map((date) => {
    const isToday = date === ctx.today;
    const room = roomOn(account, isToday ? { date, at: ctx.now.toISOString() } : { date });
    // What was planned and thrown at the camp is in the schedule already; what was thrown elsewhere is gone.
    return { ...room, throws: room.throwsLeft + (isToday ? Math.min(thrown, planned?.(row.id) ?? 0) : 0) };
  });
  return {
    row,
    athlete: row.id,
    name: row.name,
    age: ageOn(row.birth_date, first),
    throws: row.throws,
    focus: focus.map((finding) => ({ finding, title: findingById(finding).title })),
    chosen: chosen.length > 0,
    throwBudget: Math.min(...rooms.map((room) => room.throws)),
    locked: rooms.find((room) => room.locked !== null)?.locked?.reason ?? null,
    highestEffort: Math.min(...rooms.map((room) => room.highestEffort)),
  };
}

/** The likeliest focus of somebody who has none yet; nothing where nobody has looked. */
async function likeliest(ctx: Context, row: AthleteDbRow): Promise<readonly FindingId[]> {
  const { result, observed } = await currentDiagnosis(ctx, row.id, toRecord(row));
  if (observed.length === 0) return [];
  return result.roots.slice(0, 1).map((root) => root.finding);
}
