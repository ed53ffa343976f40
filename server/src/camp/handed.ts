/** Reports as they were handed out: kept as they were then, seen by the family, and linked to. */
import type { CampLink, CampReport, CampReports, CampWay, NewCampLinks } from '@wrightonic/contract';
import { addDays, clockOf, roomOn, rotationTimes } from '@wrightonic/core';
import { athleteRecord } from '../athlete/athletes';
import { within } from '../common/context';
import type { Context } from '../common/context';
import type { CampDbRow, CampVisitDbRow } from '../db/tables';
import { accountOf, loadOf } from '../load/load';
import { conflict, wrongField } from '../problems';
import { makeLink } from '../report/links';
import { campReports, freshReports, handedOf } from './reports';
import { campRow } from './rows';

/** Days after a camp for which the family still sees it on its first screen. */
const SHOWN_AFTER_DAYS = 60;
const SHOWN = 10;

/** Hands out the report of everybody; done again, they are made anew. @throws ProblemError 409 before the last day, or where nobody was there */
export async function handOutReports(ctx: Context, id: string): Promise<CampReports> {
  const row = await campRow(ctx, id);
  if (row.last_on > ctx.today)
    throw conflict('The camp is not over', `It goes on until ${row.last_on}: reports are handed out from that day on.`);
  const { reports } = await freshReports(ctx, row);
  if (reports.length === 0) throw conflict('Nobody was there', 'The camp has no athletes to report on.');
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    await campRow(inside, id, true);
    await tenant.from('camp_reports').where('camp_id', id).delete();
    await tenant.insertLinks(
      'camp_reports',
      reports.map((report) => ({
        camp_id: id,
        athlete_id: report.athlete.id,
        report: JSON.stringify(report),
        made_at: ctx.now,
      })),
    );
  });
  return campReports(ctx, id);
}

/** A link of each athlete to their report. @throws ProblemError 422 where one has none yet */
export async function campLinks(ctx: Context, id: string, { days, links }: NewCampLinks): Promise<CampLink[]> {
  const { name, first_on: from, last_on: to } = await campRow(ctx, id);
  const handed = await handedOf(ctx, id);
  const missing = links.findIndex((link) => !handed.has(link.athlete));
  if (missing >= 0) throw wrongField(`links[${missing}].athlete`, 'has no report of this camp yet: hand them out first');
  return ctx.tenant.transaction(async (tenant) => {
    const made: CampLink[] = [];
    for (const { id: link, athlete } of links) {
      const token = await makeLink(within(ctx, tenant), {
        id: link,
        athlete,
        days,
        kind: 'camp',
        what: { camp: id, name, from, to },
      });
      made.push({ athlete: handed.get(athlete)!.report.athlete, token });
    }
    return made;
  });
}

/** What was handed out to one athlete of a camp; null where nothing was. */
export async function reportOfCamp(ctx: Context, camp: string, athlete: string): Promise<CampReport | null> {
  return (await handedOf(ctx, camp, athlete)).get(athlete)?.report ?? null;
}

/** Why somebody may not throw now; null where they may. */
export async function lockOf(ctx: Context, athlete: string): Promise<string | null> {
  const account = accountOf(ctx, await athleteRecord(ctx, athlete), await loadOf(ctx, athlete));
  return roomOn(account, { date: ctx.today, at: ctx.now.toISOString() }).locked?.reason ?? null;
}

/** Published camps of one athlete, the next first: where to go, and what went home. Of the others nothing is told. */
export async function athleteCamps(ctx: Context, athlete: string): Promise<CampWay[]> {
  const locked = await lockOf(ctx, athlete);
  const rows = await ctx.tenant
    .from('camps')
    .whereNotNull('published_at')
    .where('last_on', '>=', addDays(ctx.today, -SHOWN_AFTER_DAYS))
    .whereIn('id', ctx.tenant.from('camp_athletes').where('athlete_id', athlete).select('camp_id'))
    .orderBy(['first_on', 'id'])
    .limit(SHOWN);
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.id);
  const [visits, people] = await Promise.all([
    ctx.tenant.from('camp_visits').where('athlete_id', athlete).whereIn('camp_id', ids),
    ctx.tenant.from('users').select('id', 'name'),
  ]);
  const coaches = new Map(people.map((person) => [person.id, person.name]));
  return Promise.all(
    rows.map(async (row): Promise<CampWay> => {
      const own = visits.filter((v) => v.camp_id === row.id);
      const report = await reportOfCamp(ctx, row.id, athlete);
      const { id, name, place, first_on: from, last_on: to } = row;
      return { id, name, place, from, to, days: daysOf(row, own, coaches), report, locked };
    }),
  );
}

/** @param visits of one athlete */
function daysOf(
  { days, stations }: CampDbRow,
  visits: readonly CampVisitDbRow[],
  coaches: ReadonlyMap<string, string>,
): CampWay['days'] {
  return days.map((day, n) => ({
    date: day.date,
    stops: rotationTimes(day).map(({ from, to }, rotation) => {
      const visit = visits.find((v) => v.day === n && v.rotation === rotation);
      const station = visit && stations.find((s) => s.id === visit.station);
      return {
        from: clockOf(from),
        to: clockOf(to),
        station: station?.name ?? null,
        place: station?.place ?? null,
        coach: station?.coach ? (coaches.get(station.coach) ?? null) : null,
      };
    }),
  }));
}
