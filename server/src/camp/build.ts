/** Camps as they are built and changed. */
import { isDeepStrictEqual } from 'node:util';
import { ROLE_NAMES } from '@wrightonic/contract';
import type { CampRecord, NewCamp } from '@wrightonic/contract';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { academyLibrary } from '../library/library';
import { conflict, wrongField } from '../problems';
import { camp } from './camps';
import { campRow, requireRevision } from './rows';
import { shareWithStations } from './share';

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
    if (!known && given.revision !== 0) throw conflict('The camp is gone', 'Somebody has dropped this camp. Build it anew.');
    // The same once more, as its answer did not arrive.
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
      // What a schedule was worth and lacked is told of the camp that it was made for.
      score: null,
      bound_score: null,
      infeasible: null,
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
  return isDeepStrictEqual(kept, given);
}

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
