/** Camps: listed, read, dropped, and who has come. */
import type { CampCheckIn, CampRecord, CampRow, NamedId } from '@wrightonic/contract';
import { addDays, infeasibleInWords, violationsInWords } from '@wrightonic/core';
import type { Library } from '@wrightonic/core';
import { violationsOf } from '@wrightonic/core/camp';
import type { Context } from '../common/context';
import type { CampDbRow } from '../db/tables';
import { erase } from '../entry/lifecycle';
import { academyLibrary } from '../library/library';
import { conflict, wrongField } from '../problems';
import { membersOf } from './members';
import type { KnownMember } from './members';
import { notFor, requestOf } from './request';
import { campRow, campRows, isStill, mine, nowOf, plannedBefore, stateOf } from './rows';

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
      runsStation: row.stations.some((station) => station.coach === ctx.user.id),
      toErase: due ? own.filter((a) => Boolean(a.visitor)).map(({ id, name }): NamedId => ({ id, name })) : [],
    };
  });
}

export async function camp(ctx: Context, id: string): Promise<CampRecord> {
  const { row, visits, changes } = await campRows(ctx, id);
  const now = nowOf(ctx, row);
  // Of the rotation that is on some is thrown already: it counts as planned.
  const begun = { ...now, rotation: now.rotation + 1 };
  const [members, library, people, arrivals] = await Promise.all([
    membersOf(ctx, id, {
      first: row.first_on,
      days: row.days.slice(now.day).map((day) => day.date),
      planned: plannedBefore(row, visits, begun),
    }),
    academyLibrary(ctx),
    ctx.tenant.from('users').whereIn('role', ['owner', 'instructor', 'station']).orderBy('name').select<NamedId[]>('id', 'name'),
    ctx.tenant.from('camp_arrivals').where('camp_id', id).orderBy(['day', 'athlete_id']).select('day', 'athlete_id'),
  ]);
  const names = namesOf(members, row.stations);
  const broken = visits.length === 0 ? [] : violationsOf(requestOf(row, members, library, changes), visits).filter(isStill(now));
  return {
    id,
    name: row.name,
    place: row.place,
    days: row.days,
    stations: row.stations,
    forgetAfterDays: row.forget_after_days,
    revision: row.revision,
    state: stateOf(row, visits.length > 0, ctx.today),
    athletes: members.map(({ row: _, highestEffort: __, ...member }) => member),
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

function cautionsOf({ days, stations }: CampDbRow, members: readonly KnownMember[], library: Library): string[] {
  const locked = members.filter((m) => m.locked !== null);
  const unread = members.filter((m) => m.focus.length === 0);
  const barred = stations.flatMap((station) => {
    const whom = new Map<string, string[]>();
    for (const member of members) {
      const why = notFor(station, member, library);
      if (why !== null) whom.set(why, [...(whom.get(why) ?? []), member.name]);
    }
    return [...whom].map(([why, names]) => `${station.name} is not for ${names.join(', ')}: ${why}.`);
  });
  return [
    ...locked.map((m) => `${m.name}: ${m.locked!}`),
    ...barred,
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

export async function dropCamp(ctx: Context, id: string): Promise<CampRow[]> {
  const { group_id: group } = await campRow(ctx, id, true);
  await ctx.tenant.from('camps').where('id', id).delete();
  if (group) await ctx.tenant.from('athlete_groups').where('id', group).delete();
  return camps(ctx);
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
