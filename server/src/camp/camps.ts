/** Camps: built, listed, dropped. */
import { ROLE_NAMES } from '@wrightonic/contract';
import type { CampCheckIn, CampRecord, CampRow, NamedId, NewCamp } from '@wrightonic/contract';
import { addDays, infeasibleInWords, violationsInWords } from '@wrightonic/core';
import type { Library } from '@wrightonic/core';
import { violationsOf } from '@wrightonic/core/camp';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { erase } from '../entry/lifecycle';
import { academyLibrary } from '../library/library';
import { conflict, wrongField } from '../problems';
import { membersOf } from './members';
import { requestOf } from './request';
import { campRow, campRows, mine, requireRevision, stateOf } from './rows';

const SHOWN = 60;

export async function camps(ctx: Context): Promise<CampRow[]> {
  const rows = await mine(ctx).orderBy('first_on', 'desc').orderBy('id').limit(SHOWN);
  const ids = rows.map((row) => row.id);
  const athletes = await ctx.tenant
    .from('camp_athletes')
    .join('athletes', 'athletes.id', 'camp_athletes.athlete_id')
    .whereIn('camp_athletes.camp_id', ids)
    .orderBy('athletes.name')
    .select<(NamedId & { camp_id: string; visitor: number })[]>(
      'camp_athletes.camp_id',
      'camp_athletes.visitor',
      'athletes.id',
      'athletes.name',
    );
  const placed = new Set(
    await ctx.tenant.from('camp_visits').whereIn('camp_id', ids).distinct('camp_id').pluck<string[]>('camp_id'),
  );
  return rows.map((row) => {
    const own = athletes.filter((a) => a.camp_id === row.id);
    const due = ctx.reach === 'academy' && addDays(row.last_on, row.forget_after_days) < ctx.today;
    return {
      id: row.id,
      name: row.name,
      place: row.place,
      from: row.first_on,
      to: row.last_on,
      athletes: own.length,
      state: stateOf(row, placed.has(row.id), ctx.today),
      toErase: due ? own.filter((a) => Boolean(a.visitor)).map(({ id, name }): NamedId => ({ id, name })) : [],
    };
  });
}

export async function camp(ctx: Context, id: string): Promise<CampRecord> {
  const { row, visits, changes } = await campRows(ctx, id);
  const dates = row.days.map((day) => day.date);
  const [members, library, people, arrivals] = await Promise.all([
    membersOf(
      ctx,
      id,
      row.first_on,
      dates.filter((date) => date >= ctx.today),
    ),
    academyLibrary(ctx),
    ctx.tenant.from('users').whereIn('role', ['owner', 'instructor', 'station']).orderBy('name').select<NamedId[]>('id', 'name'),
    ctx.tenant.from('camp_arrivals').where('camp_id', id).orderBy(['day', 'athlete_id']).select('day', 'athlete_id'),
  ]);
  const names = namesOf(members, row.stations);
  const today = dates.findIndex((date) => date >= ctx.today);
  const broken =
    visits.length === 0
      ? []
      : violationsOf(requestOf(row, members, library, changes), visits).filter((v) => today >= 0 && v.day >= today);
  return {
    id,
    name: row.name,
    place: row.place,
    days: row.days,
    stations: row.stations,
    forgetAfterDays: row.forget_after_days,
    revision: row.revision,
    state: stateOf(row, visits.length > 0, ctx.today),
    athletes: members.map(({ row: _, ...member }) => member),
    coaches: people.map(({ id: person, name }) => ({ id: person, name })),
    visits,
    changes,
    arrivals: arrivals.map(({ day, athlete_id: athlete }) => ({ day, athlete })),
    broken: violationsInWords(broken, names),
    cautions: cautionsOf(row, members, library),
    worth: row.score === null || row.bound_score === null ? null : { score: row.score, bound: row.bound_score },
    infeasible: infeasibleInWords(row.infeasible, names),
  };
}

/** Names of athletes and stations by their ids. */
export const namesOf = (
  members: readonly { readonly athlete: string; readonly name: string }[],
  stations: readonly { readonly id: string; readonly name: string }[],
): ReadonlyMap<string, string> =>
  new Map([...members.map((m) => [m.athlete, m.name] as const), ...stations.map((s) => [s.id, s.name] as const)]);

function cautionsOf(
  { days, stations }: Pick<NewCamp, 'days' | 'stations'>,
  members: readonly {
    readonly name: string;
    readonly locked: string | null;
    readonly focus: readonly unknown[];
    readonly age: number;
  }[],
  library: Library,
): string[] {
  const locked = members.filter((m) => m.locked !== null);
  const unread = members.filter((m) => m.focus.length === 0);
  const young = members.filter((m) =>
    stations.some((s) => s.drill !== null && library.has(s.drill) && m.age < library.drill(s.drill).minAge),
  );
  return [
    ...locked.map((m) => `${m.name}: ${m.locked!}`),
    ...(young.length > 0
      ? [
          `Too young for the drill of a station: ${young.map((m) => m.name).join(', ')}. Their coach gives them another one there.`,
        ]
      : []),
    ...(unread.length > 0
      ? [`Nobody has looked at ${unread.length} of them yet: their drills are as good as any until somebody has.`]
      : []),
    ...(days.length > 1 && stations.some((s) => s.hard)
      ? [
          'Hard throws on days in a row are counted on the phones: after a hard day fewer than ten are left until the gap is over.',
        ]
      : []),
    ...(days.length === 1 ? ['A camp of one day reads once: it says nothing of a change.'] : []),
  ];
}

/** Everybody, every coach and every drill that a camp names is of the academy. */
async function requireKnown(ctx: Context, given: NewCamp): Promise<void> {
  const library = await academyLibrary(ctx);
  const drill = given.stations.findIndex((s) => s.drill !== null && !library.has(s.drill));
  if (drill >= 0)
    throw wrongField(
      `stations[${drill}].drill`,
      `“${given.stations[drill]!.drill}” is neither a drill of the catalogue nor one of your own`,
    );
  const people = await ctx.tenant.from('users').whereIn('role', ['owner', 'instructor', 'station']).pluck<string[]>('id');
  const coach = given.stations.findIndex((s) => s.coach !== null && !people.includes(s.coach));
  if (coach >= 0)
    throw wrongField(
      `stations[${coach}].coach`,
      `is no ${ROLE_NAMES.owner}, ${ROLE_NAMES.instructor} or ${ROLE_NAMES.station} of this academy`,
    );
  const ids = given.athletes.map((a) => a.athlete);
  const known = new Set(await ctx.tenant.from('athletes').where('archived', false).whereIn('id', ids).pluck<string[]>('id'));
  const stranger = ids.findIndex((id) => !known.has(id));
  if (stranger >= 0) throw wrongField(`athletes[${stranger}].athlete`, 'is no athlete of this academy, or was put away');
}

/** Builds or changes a camp. What was planned for stations and athletes that stay is kept. */
export async function putCamp(ctx: Context, id: string, given: NewCamp): Promise<CampRecord> {
  await requireKnown(ctx, given);
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const known = await tenant.from('camps').where('id', id).forUpdate().first();
    // The same once more, as its answer did not arrive.
    if (!known && given.revision !== 0) throw conflict('The camp is gone', 'Somebody has dropped this camp. Build it anew.');
    const again = known && given.revision + 1 === known.revision && (await sameAs(inside, id, given));
    if (again) return;
    if (known) requireRevision(known, given.revision);
    await tenant.upsert('camps', {
      id,
      name: given.name,
      place: given.place,
      first_on: given.days[0]!.date,
      last_on: given.days.at(-1)!.date,
      days: JSON.stringify(given.days),
      stations: JSON.stringify(given.stations),
      forget_after_days: given.forgetAfterDays,
      revision: given.revision + 1,
    });
    await tenant.from('camp_athletes').where('camp_id', id).delete();
    await tenant.insertLinks(
      'camp_athletes',
      given.athletes.map((a, n) => ({
        camp_id: id,
        athlete_id: a.athlete,
        group_name: a.group,
        friends: JSON.stringify(a.with),
        visitor: a.visitor,
        place_in_list: n,
      })),
    );
    await forgetWhatIsGone(inside, id, given);
    if (known?.published_at) await shareWithStations(inside, id);
  });
  return camp(ctx, id);
}

/** Whether a camp is kept as it is sent. */
async function sameAs(ctx: Context, id: string, given: NewCamp): Promise<boolean> {
  const row = await campRow(ctx, id);
  const athletes = await ctx.tenant.from('camp_athletes').where('camp_id', id).orderBy('place_in_list');
  const kept: NewCamp = {
    name: row.name,
    place: row.place,
    days: row.days,
    stations: row.stations,
    athletes: athletes.map((a) => ({ athlete: a.athlete_id, group: a.group_name, with: a.friends, visitor: Boolean(a.visitor) })),
    forgetAfterDays: row.forget_after_days,
    revision: given.revision,
  };
  return JSON.stringify(sorted(kept)) === JSON.stringify(sorted(given));
}

/** The same value whatever order its keys came in. */
const sorted = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, of]) => [key, sorted(of)]),
  );
};

/** Places at stations, in rotations and of athletes that are no longer of the camp go. */
async function forgetWhatIsGone(ctx: Context, id: string, { athletes, stations, days }: NewCamp): Promise<void> {
  const ids = athletes.map((a) => a.athlete);
  const visits = () => ctx.tenant.from('camp_visits').where('camp_id', id);
  await visits().whereNotIn('athlete_id', ids).delete();
  await visits()
    .whereNotIn(
      'station',
      stations.map((s) => s.id),
    )
    .delete();
  await visits().where('day', '>=', days.length).delete();
  for (const [day, { rotations }] of days.entries()) await visits().where('day', day).where('rotation', '>=', rotations).delete();
  await ctx.tenant.from('camp_arrivals').where('camp_id', id).whereNotIn('athlete_id', ids).delete();
  const changes = () => ctx.tenant.from('camp_changes').where('camp_id', id);
  await changes().whereNotNull('athlete_id').whereNotIn('athlete_id', ids).delete();
  await changes()
    .whereNotNull('station')
    .whereNotIn(
      'station',
      stations.map((s) => s.id),
    )
    .delete();
  await changes().where('day', '>=', days.length).delete();
}

export async function dropCamp(ctx: Context, id: string): Promise<CampRow[]> {
  const { group_id: group } = await campRow(ctx, id, true);
  await ctx.tenant.from('camps').where('id', id).delete();
  if (group) await ctx.tenant.from('athlete_groups').where('id', group).delete();
  return camps(ctx);
}

/** Puts the camp's athletes into its group, by which station coaches log for them while it lasts. */
export async function shareWithStations(ctx: Context, id: string): Promise<void> {
  const row = await campRow(ctx, id);
  const group = row.group_id ?? ctx.newId();
  if (row.group_id === null) {
    const taken = await ctx.tenant.from('athlete_groups').where('name', row.name).first('id');
    await ctx.tenant.insertOnce('athlete_groups', { id: group, name: taken ? `${row.name}, camp of ${row.first_on}` : row.name });
    await ctx.tenant.from('camps').where('id', id).update({ group_id: group });
  }
  await ctx.tenant.from('group_members').where('group_id', group).delete();
  const athletes = await ctx.tenant.from('camp_athletes').where('camp_id', id).pluck<string[]>('athlete_id');
  await ctx.tenant.insertLinks(
    'group_members',
    athletes.map((athlete) => ({ group_id: group, athlete_id: athlete })),
  );
}

export async function checkIn(ctx: Context, id: string, { day, athlete, here }: CampCheckIn): Promise<CampRecord> {
  const row = await campRow(ctx, id);
  if (day >= row.days.length) throw wrongField('day', `is no day of this camp: it has ${row.days.length}, counted from 0`);
  const member = await ctx.tenant.from('camp_athletes').where({ camp_id: id, athlete_id: athlete }).first('athlete_id');
  if (!member) throw wrongField('athlete', 'is not at this camp');
  if (here) await ctx.tenant.insertLinks('camp_arrivals', [{ camp_id: id, athlete_id: athlete, day, at: ctx.now }]);
  else await ctx.tenant.from('camp_arrivals').where({ camp_id: id, athlete_id: athlete, day }).delete();
  return camp(ctx, id);
}

/** Erases those who were here for the camp alone, once their time is over. @throws ProblemError 409 before that */
export async function eraseVisitors(ctx: Context, clipsFolder: string, id: string): Promise<CampRow[]> {
  const row = await campRow(ctx, id, true);
  const due = addDays(row.last_on, row.forget_after_days);
  if (due >= ctx.today) throw conflict('It is not time yet', `Visitors of this camp are kept until ${due}.`);
  const visitors = await ctx.tenant
    .from('camp_athletes')
    .join('athletes', 'athletes.id', 'camp_athletes.athlete_id')
    .where('camp_athletes.camp_id', id)
    .where('camp_athletes.visitor', true)
    .select<NamedId[]>('athletes.id', 'athletes.name');
  for (const visitor of visitors) await erase(ctx, clipsFolder, visitor);
  return camps(ctx);
}
