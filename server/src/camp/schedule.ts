/** Who is where when: planned, published, and planned anew when something happens. */
import type { CampDifference, CampMove, CampRecord, CampReplan, NamedId } from '@wrightonic/contract';
import { infeasibleInWords, violationsInWords } from '@wrightonic/core';
import type { Assignment, CampChange, CampSchedule } from '@wrightonic/core';
import { within } from '../common/context';
import { instantIn } from '../common/time';
import type { Context } from '../common/context';
import { academyLibrary } from '../library/library';
import { conflict, wrongField } from '../problems';
import { camp, namesOf } from './camps';
import { membersOf } from './members';
import type { KnownMember } from './members';
import { requestOf } from './request';
import { campRow, campRows, isStill, keepVisits, plannedBefore, requireRevision } from './rows';
import type { CampRows } from './rows';
import { shareWithStations } from './share';

/** Plans a camp that has not begun. @throws ProblemError 409 where it has, or where there is nobody to plan for */
export async function scheduleCamp(ctx: Context, id: string): Promise<CampRecord> {
  const { row, changes } = await campRows(ctx, id);
  if (instantIn(ctx.academy.timeZone, row.first_on, row.days[0]!.start) <= ctx.now)
    throw conflict('The camp has begun', 'What is left of a camp that runs is planned anew from its board; what has been stays.');
  const days = row.days.map((day) => day.date);
  const [members, library] = await Promise.all([membersOf(ctx, id, { first: row.first_on, days }), academyLibrary(ctx)]);
  if (members.length === 0) throw conflict('Nobody comes', 'Add athletes to the camp first.');
  if (row.stations.length === 0) throw conflict('There is nowhere to go', 'Add stations to the camp first.');
  const schedule = await ctx.think.camp(requestOf(row, members, library, changes));
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    requireRevision(await campRow(inside, id, true), row.revision);
    await keep(inside, id, row.revision, schedule);
  });
  return camp(ctx, id);
}

async function keep(ctx: Context, id: string, revision: number, schedule: CampSchedule): Promise<void> {
  await keepVisits(ctx, id, schedule.assignments);
  await ctx.tenant
    .from('camps')
    .where('id', id)
    .update({
      revision: revision + 1,
      score: schedule.score,
      bound_score: schedule.bound,
      infeasible: schedule.infeasible === null ? null : JSON.stringify(schedule.infeasible),
    });
}

/** @throws ProblemError 409 while nobody has a place */
export async function publishCamp(ctx: Context, id: string): Promise<CampRecord> {
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const { row, visits } = await campRows(inside, id, true);
    if (visits.length === 0) throw conflict('There is no schedule', 'Make a schedule first; station coaches would see nothing.');
    if (row.infeasible !== null)
      throw conflict('The camp cannot be held like this', `${row.infeasible.reason} ${row.infeasible.relax.join(' ')}`.trim());
    const { broken } = await camp(inside, id);
    if (broken.length > 0)
      throw conflict('The schedule is not right any more', `${broken[0]!} Make it anew, and publish it then.`);
    if (row.published_at === null) await tenant.from('camps').where('id', id).update({ published_at: ctx.now });
    await shareWithStations(inside, id);
  });
  return camp(ctx, id);
}

/** What a camp comes to after changes. */
interface Replanned {
  readonly rows: CampRows;
  readonly members: readonly KnownMember[];
  readonly schedule: CampSchedule;
}

const keyOf = ({ day, fromRotation, type, id }: CampChange): string => `${day} ${fromRotation} ${type} ${id}`;

async function replanned(ctx: Context, rows: CampRows, { now, changes }: CampReplan): Promise<Replanned> {
  const { row } = rows;
  const day = row.days[now.day];
  if (!day) throw wrongField('now.day', `is no day of this camp: it has ${row.days.length}, counted from 0`);
  if (now.rotation > day.rotations) throw wrongField('now.rotation', `is no rotation of that day: it has ${day.rotations}`);
  if (rows.visits.length === 0) throw conflict('There is no schedule', 'Make a schedule first; there is nothing to plan anew.');
  const members = await membersOf(ctx, row.id, {
    first: row.first_on,
    days: row.days.slice(now.day).map((d) => d.date),
    planned: plannedBefore(row, rows.visits, now),
  });
  for (const [n, change] of changes.entries()) {
    const of = row.days[change.day];
    if (!of || change.fromRotation >= of.rotations) throw wrongField(`changes[${n}]`, 'is of no rotation of this camp');
    const known =
      change.type === 'station-closed'
        ? row.stations.some((s) => s.id === change.id)
        : members.some((m) => m.athlete === change.id);
    if (!known)
      throw wrongField(
        `changes[${n}].id`,
        change.type === 'station-closed' ? 'is no station of this camp' : 'is nobody of this camp',
      );
  }
  const before = new Set(rows.changes.map(keyOf));
  const all = [...rows.changes, ...changes.filter((c) => !before.has(keyOf(c)))];
  const library = await academyLibrary(ctx);
  const schedule = await ctx.think.camp({ ...requestOf(row, members, library, all), current: rows.visits, now });
  return { rows, members, schedule };
}

/** What a change to the rest of a camp would do; nothing is kept. */
export async function lookAtReplan(ctx: Context, id: string, asked: CampReplan): Promise<CampDifference> {
  const rows = await campRows(ctx, id);
  requireRevision(rows.row, asked.revision);
  return differenceOf(await replanned(ctx, rows, asked), asked);
}

/** Takes the change. Looked at and taken in the same state, it comes out the same. */
export async function replanCamp(ctx: Context, id: string, asked: CampReplan): Promise<CampRecord> {
  const rows = await campRows(ctx, id);
  const before = new Set(rows.changes.map(keyOf));
  // The same once more, as its answer did not arrive.
  const again =
    rows.row.revision === asked.revision + 1 && asked.changes.length > 0 && asked.changes.every((c) => before.has(keyOf(c)));
  if (again) return camp(ctx, id);
  requireRevision(rows.row, asked.revision);
  const { schedule } = await replanned(ctx, rows, asked);
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    requireRevision(await campRow(inside, id, true), asked.revision);
    await keep(inside, id, asked.revision, schedule);
    await tenant.insertNew(
      'camp_changes',
      asked.changes
        .filter((change) => !before.has(keyOf(change)))
        .map((change) => ({
          id: ctx.newId(),
          camp_id: id,
          day: change.day,
          from_rotation: change.fromRotation,
          type: change.type,
          athlete_id: change.type === 'station-closed' ? null : change.id,
          station: change.type === 'station-closed' ? change.id : null,
          at: ctx.now,
        })),
    );
  });
  return camp(ctx, id);
}

function differenceOf({ rows, members, schedule }: Replanned, { revision, now }: CampReplan): CampDifference {
  const names = namesOf(members, rows.row.stations);
  const keyOfVisit = (v: Assignment) => `${v.athlete} ${v.day} ${v.rotation}`;
  const was = new Map(rows.visits.map((v) => [keyOfVisit(v), v]));
  const will = new Map(schedule.assignments.map((v) => [keyOfVisit(v), v]));
  const moves: CampMove[] = [];
  for (const key of new Set([...was.keys(), ...will.keys()])) {
    const [from, to] = [was.get(key), will.get(key)];
    if (from?.station === to?.station) continue;
    const { athlete, day, rotation } = (from ?? to)!;
    const who: NamedId = { id: athlete, name: names.get(athlete) ?? '' };
    moves.push({
      athlete: who,
      day,
      rotation,
      from: from ? (names.get(from.station) ?? null) : null,
      to: to ? (names.get(to.station) ?? null) : null,
    });
  }
  moves.sort((a, b) => a.day - b.day || a.rotation - b.rotation || (a.athlete.name < b.athlete.name ? -1 : 1));
  return {
    revision,
    moves,
    moved: schedule.moved,
    broken: violationsInWords(schedule.violations.filter(isStill(now)), names),
    infeasible: infeasibleInWords(schedule.infeasible, names),
  };
}
