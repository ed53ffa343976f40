import type { AthleteRow, Need, TodayList, TodayRow } from '@wrightonic/contract';
import { addDays, findingById, groupBy } from '@wrightonic/core';
import type { Library, PlanSession } from '@wrightonic/core';
import type { Knex } from 'knex';
import { dayRows, toDay } from '../plan/days';
import type { DayRow } from '../plan/days';
import type { Context } from '../common/context';
import { academyLibrary } from '../library/library';
import { toAthleteRow, whereLocked } from '../roster/roster';
import type { VerdictDbRow } from '../db/tables';
import { courseRows, PRESSING } from './course-rows';

const DAYS_OF_NEWS = 7;

function oneLine(session: PlanSession, library: Library): string {
  const main = session.items.find((i) => i.role === 'main') ?? session.items[0];
  const throws = session.throws > 0 ? `${session.throws} throws` : 'dry';
  return main
    ? `${library.drill(main.drill).name}, ${session.minutes} min, ${throws}${session.testDay ? ', test day' : ''}`
    : 'Nothing planned';
}

const NEEDS_OF_A_KIND = 8;
const COURSES_READ = 400;

/** Athletes of the academy as the roster shows them, by id. */
async function rowsOf(ctx: Context, ids: readonly string[]): Promise<ReadonlyMap<string, AthleteRow>> {
  const rows = await ctx.tenant
    .from('athletes')
    .where('archived', false)
    .whereIn('id', [...new Set(ids)]);
  return new Map(rows.map((row) => [row.id, toAthleteRow(row, ctx.today)]));
}

/** What the gate did lately, or could not do. */
async function gateNeeds(ctx: Context): Promise<Need[]> {
  const since = addDays(ctx.today, -DAYS_OF_NEWS);
  const recent = await ctx.tenant.from('verdicts').where('on_date', '>=', since).orderBy('at', 'desc').limit(400);
  const newest = new Map<string, VerdictDbRow>();
  for (const v of recent) if (!newest.has(v.athlete_id)) newest.set(v.athlete_id, v);
  const athletes = await rowsOf(ctx, [...newest.keys()]);
  return [...newest.values()].flatMap((v): Need[] => {
    const athlete = athletes.get(v.athlete_id);
    if (!athlete || athlete.focus === null) return [];
    const named = { athlete: athlete.id, name: athlete.name };
    if (v.from_rung === v.to_rung || v.by_whom !== 'gate') return [];
    const title = findingById(v.finding).title.toLowerCase();
    return [{ ...named, kind: 'move', text: `The gate moved “${title}” from rung ${v.from_rung} to ${v.to_rung}.` }];
  });
}

/** Foci that are done, stuck or back, and those of which a clip should be asked for. */
async function courseNeeds(ctx: Context): Promise<Need[]> {
  const rows = await courseRows(
    ctx,
    COURSES_READ,
    (query) =>
      void query.where(
        (q) =>
          void q
            .whereIn('foci.course', PRESSING)
            .orWhere((watch) => void watch.where('foci.watch_from', '<=', ctx.today).whereNull('foci.asked_at')),
      ),
  );
  const needs = rows.map(({ athlete, name, finding, course, course_why: why, watch_why: watch }): Need => {
    const title = findingById(finding).title;
    const kind = PRESSING.find((state) => state === course);
    if (kind) return { athlete, name, kind, text: `${title}: ${why}` };
    return { athlete, name, kind: 'watch', text: `${title}: film the full delivery, ${watch}.` };
  });
  return [...PRESSING, 'watch'].flatMap((kind) => needs.filter((n) => n.kind === kind).slice(0, NEEDS_OF_A_KIND + 1));
}

/** Athletes in one state that asks for something, a few of them; one more than is shown tells that there are more. */
async function standing(
  ctx: Context,
  kind: Need['kind'],
  text: string,
  narrow: (query: Knex.QueryBuilder) => void,
): Promise<Need[]> {
  const query = ctx.tenant
    .from('athletes')
    .where('athletes.archived', false)
    .limit(NEEDS_OF_A_KIND + 1);
  narrow(query);
  const rows = await query.select<{ id: string; name: string }[]>('athletes.id', 'athletes.name');
  return rows.map(({ id, name }) => ({ athlete: id, name, kind, text }));
}

/** The first of each kind, in the order in which the kinds come. */
const fewOfEach = (needs: readonly Need[]): Need[] =>
  [...groupBy(needs, (need) => need.kind).values()].flatMap((list) => list.slice(0, NEEDS_OF_A_KIND));

/** Today's lessons, and what needs the coach's eye. */
export async function todayList(ctx: Context): Promise<TodayList> {
  const assignments = await dayRows(ctx).where('assignments.on_date', ctx.today);
  const days = new Map<string, DayRow[]>();
  for (const row of assignments) days.set(row.athlete_id, [...(days.get(row.athlete_id) ?? []), row]);
  const following = await ctx.tenant
    .from('assignments')
    .where('assignments.on_date', addDays(ctx.today, 1))
    .distinct('athlete_id')
    .select('athlete_id');
  const coming = following.map((row) => row.athlete_id);
  const planned = () => ctx.tenant.from('assignments').where('assignments.on_date', '>=', ctx.today);
  const [library, athletes, ...needs] = await Promise.all([
    academyLibrary(ctx),
    rowsOf(ctx, [...days.keys(), ...coming]),
    standing(ctx, 'pain', 'Throwing is locked until a clearance is recorded, or for today.', (q) => {
      whereLocked(q, ctx.today);
      void q.orderBy('name');
    }),
    courseNeeds(ctx),
    gateNeeds(ctx),
    standing(
      ctx,
      'no-plan',
      'A focus but no work planned.',
      (q) =>
        void q
          .whereNotNull('focus')
          .whereNotExists(planned().whereRaw('assignments.athlete_id = athletes.id').select('assignments.id'))
          .orderBy(['focus', 'name']),
    ),
    standing(
      ctx,
      'no-focus',
      'No focus yet: look at the delivery.',
      (q) => void q.whereNull('focus').whereNull('intake_next').orderBy('name'),
    ),
    standing(
      ctx,
      'intake',
      'The intake is not finished.',
      (q) => void q.whereNotNull('intake_next').orderBy(['intake_next', 'name']),
    ),
  ]);
  const rows = [...days]
    .flatMap(([id, day]): TodayRow[] => {
      const athlete = athletes.get(id);
      if (!athlete) return [];
      const assignment = toDay(ctx, day);
      return [{ athlete, assignment, line: oneLine(assignment.session, library) }];
    })
    .sort((a, b) => (a.athlete.name < b.athlete.name ? -1 : 1));
  return {
    today: ctx.today,
    rows,
    needs: fewOfEach(needs.flat()),
    tomorrow: coming
      .flatMap((id) => athletes.get(id) ?? [])
      .map(({ id, name }) => ({ id, name }))
      .sort((a, b) => (a.name < b.name ? -1 : 1)),
    more: [...groupBy(needs.flat(), (need) => need.kind)].flatMap(([kind, list]) =>
      list.length > NEEDS_OF_A_KIND ? [kind] : [],
    ),
  };
}
