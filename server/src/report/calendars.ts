/** Calendars to subscribe to: a secret address that calendar programs read again and again. */
import type { CalendarMade, CalendarRow, Download, NewCalendar } from '@wrightonic/contract';
import { may } from '@wrightonic/contract';
import { addDays, rotationTimes } from '@wrightonic/core';
import type { IsoDate, PlanSession } from '@wrightonic/core';
import ical from 'ical-generator';
import type { Knex } from 'knex';
import { digest, newSecret } from '../auth/secrets';
import type { Context } from '../common/context';
import { instantIn } from '../common/time';
import type { LinkDbRow } from '../db/tables';
import { notFound, ProblemError } from '../problems';

/** Days that a calendar shows before and after today. */
const [BACK, AHEAD] = [30, 180];

type CalendarDbRow = Pick<LinkDbRow, 'id' | 'athlete_id' | 'created_at' | 'viewed_at'> & { readonly name: string | null };

export async function calendarsOf(ctx: Context): Promise<CalendarRow[]> {
  const rows = await ctx.tenant
    .from('links')
    .leftJoin('athletes', 'athletes.id', 'links.athlete_id')
    .where({ user_id: ctx.user.id, kind: 'calendar' })
    .whereNull('revoked_at')
    .orderBy('links.created_at')
    .select<CalendarDbRow[]>('links.id', 'links.athlete_id', 'links.created_at', 'links.viewed_at', 'athletes.name');
  return rows.map((row) => ({
    id: row.id,
    athlete: row.athlete_id === null ? null : { id: row.athlete_id, name: row.name ?? '' },
    madeAt: row.created_at.toISOString(),
    readAt: row.viewed_at?.toISOString() ?? null,
  }));
}

/** Whether somebody may have this calendar: a coach all lessons and any athlete's, the others their own. */
async function requireMine(ctx: Context, athlete: string | null): Promise<void> {
  if (athlete === null ? may(ctx.user.role, 'seeToday') : may(ctx.user.role, 'seeToday') || ctx.user.athletes.includes(athlete)) {
    if (athlete === null || (await ctx.tenant.has('athletes', { id: athlete }))) return;
  }
  throw notFound('athlete');
}

export async function putCalendar(ctx: Context, id: string, { athlete }: NewCalendar): Promise<CalendarMade> {
  await requireMine(ctx, athlete);
  const secret = newSecret();
  const known = await ctx.tenant.from('links').where('id', id).first();
  if (known && (known.user_id !== ctx.user.id || known.kind !== 'calendar' || known.athlete_id !== athlete || known.revoked_at))
    throw notFound('calendar');
  if (known)
    await ctx.tenant
      .from('links')
      .where('id', id)
      .update({ key_hash: digest(secret) });
  else
    await ctx.tenant.insertNew('links', [
      { id, athlete_id: athlete, user_id: ctx.user.id, kind: 'calendar', what: '{}', key_hash: digest(secret) },
    ]);
  return { path: `/api/feeds/${secret}.ics`, calendars: await calendarsOf(ctx) };
}

export async function dropCalendar(ctx: Context, id: string): Promise<CalendarRow[]> {
  const own = { id, user_id: ctx.user.id, kind: 'calendar' as const };
  if (!(await ctx.tenant.from('links').where(own).first('id'))) throw notFound('calendar');
  await ctx.tenant.from('links').where(own).whereNull('revoked_at').update({ revoked_at: ctx.now });
  return calendarsOf(ctx);
}

interface DayOfWork {
  readonly id: string;
  readonly on_date: IsoDate;
  readonly session: PlanSession;
  readonly name: string;
}

/** A day's work in a line; nothing of bodies, findings or pain goes into somebody's calendar program. */
const lineOf = ({ session }: DayOfWork): string =>
  `${session.minutes} min ${session.place}${session.throws > 0 ? `, ${session.throws} throws` : ', no throws'}${session.testDay ? ', test day' : ''}`;

/** Days of published camps: the athlete's, or the academy's. */
async function campDays(ctx: Context, athlete: string | null) {
  const query = ctx.tenant
    .from('camps')
    .whereNotNull('published_at')
    .where('last_on', '>=', addDays(ctx.today, -BACK))
    .where('first_on', '<=', addDays(ctx.today, AHEAD))
    .orderBy(['first_on', 'id']);
  if (athlete !== null) void query.whereIn('id', ctx.tenant.from('camp_athletes').where('athlete_id', athlete).select('camp_id'));
  const rows = await query.select('id', 'name', 'place', 'days');
  return rows.flatMap(({ id, name, place, days }) =>
    days.map((day, n) => {
      const start = instantIn(ctx.academy.timeZone, day.date, day.start);
      const times = rotationTimes(day);
      const minutes = (times.at(-1)?.to ?? 0) - (times[0]?.from ?? 0);
      return {
        id: `${id}-${n}`,
        start,
        end: new Date(start.getTime() + 60_000 * minutes),
        summary: `Camp: ${name}`,
        ...(place === null ? {} : { location: place }),
      };
    }),
  );
}

/**
 * The calendar behind a secret.
 * @param settingOf the setting of whoever made it, null once they are gone
 * @throws ProblemError 404 once it is closed, or whoever made it may not see the athlete any more
 */
export async function calendarFile(
  db: Knex,
  secret: string,
  now: Date,
  settingOf: (user: string) => Promise<Context | null>,
): Promise<Download> {
  const gone = () => new ProblemError(404, 'This calendar is closed', 'Make a new address for it in Wrightonic.');
  const row = await db('links')
    .where({ key_hash: digest(secret.replace(/\.ics$/, '')), kind: 'calendar' })
    .whereNull('revoked_at')
    .first();
  const ctx = row ? await settingOf(row.user_id) : null;
  if (!row || !ctx) throw gone();
  await requireMine(ctx, row.athlete_id).catch(() => {
    throw gone();
  });
  const query = ctx.tenant
    .fromAny('assignments')
    .join('athletes', 'athletes.id', 'assignments.athlete_id')
    .where('athletes.archived', false)
    .whereBetween('assignments.on_date', [addDays(ctx.today, -BACK), addDays(ctx.today, AHEAD)])
    .orderBy(['assignments.on_date', 'assignments.id']);
  if (row.athlete_id !== null) void query.where('assignments.athlete_id', row.athlete_id);
  const days = await query.select<DayOfWork[]>('assignments.id', 'assignments.on_date', 'assignments.session', 'athletes.name');
  await db('links').where('id', row.id).increment('views', 1).update('viewed_at', now);
  const calendar = ical({
    name: row.athlete_id === null ? `${ctx.academy.name}: lessons` : 'Pitching work',
    prodId: { company: 'Wrightonic', product: 'Calendar', language: 'EN' },
    ttl: 3600,
  });
  for (const day of days)
    calendar.createEvent({
      id: `${day.id}@wrightonic`,
      start: new Date(`${day.on_date}T00:00:00Z`),
      end: new Date(`${addDays(day.on_date, 1)}T00:00:00Z`),
      allDay: true,
      timezone: 'UTC',
      stamp: now,
      summary: row.athlete_id === null ? `${day.name}: ${lineOf(day)}` : `Pitching: ${lineOf(day)}`,
    });
  for (const camp of await campDays(ctx, row.athlete_id))
    calendar.createEvent({ ...camp, id: `${camp.id}@wrightonic`, stamp: now, timezone: 'UTC' });
  return { name: 'calendar.ics', type: 'text/calendar; charset=utf-8', pieces: [calendar.toString()] };
}
