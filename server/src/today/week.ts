/** A coach's week over all athletes, or a group. */
import { WEEK_KINDS } from '@wrightonic/contract';
import type { CoachWeek, WeekKind, WeekLine, WeekQuery } from '@wrightonic/contract';
import { addDays, findingById } from '@wrightonic/core';
import type { FindingId, Workload } from '@wrightonic/core';
import type { Knex } from 'knex';
import { athleteRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';
import { loadOf, workloadOf } from '../load/load';
import { notFound } from '../problems';

const DAYS = 7;
/** Lines of a kind; whoever wants more picks a group. */
const SHOWN = 30;
/** Athletes whose load is worked out: those who threw most in these days. */
const WEIGHED = 40;
/** So much more than the usual week is near a limit: the week's own warning. Source: domain, `house`. */
const NEAR_WEEK = 0.15;

interface Named {
  readonly athlete: string;
  readonly name: string;
}
type Told = Named & { readonly finding: FindingId };

/** Narrows a query that is joined with athletes to those who are here, and of a group. */
const here = (ctx: Context, query: Knex.QueryBuilder, group: string | undefined): void => {
  void query.where('athletes.archived', false);
  if (group !== undefined)
    void query.whereIn('athletes.id', ctx.tenant.from('group_members').where('group_id', group).select('athlete_id'));
};

const titleOf = (finding: FindingId): string => findingById(finding).title;

async function courses(ctx: Context, group: string | undefined): Promise<(Told & Pick<FocusDbRow, 'course' | 'course_why'>)[]> {
  const query = ctx.tenant
    .from('foci')
    .join('athletes', 'athletes.id', 'foci.athlete_id')
    .whereIn('foci.course', ['relapsed', 'stuck', 'done'])
    .orderBy(['athletes.name', 'foci.id'])
    .limit(3 * SHOWN);
  here(ctx, query, group);
  return query.select('athletes.id as athlete', 'athletes.name', 'foci.finding', 'foci.course', 'foci.course_why');
}

async function moves(ctx: Context, group: string | undefined): Promise<WeekLine[]> {
  const query = ctx.tenant
    .from('verdicts')
    .join('athletes', 'athletes.id', 'verdicts.athlete_id')
    .where('verdicts.on_date', '>', addDays(ctx.today, -DAYS))
    .whereRaw('verdicts.to_rung > verdicts.from_rung')
    .orderBy(['athletes.name', 'verdicts.at'])
    .limit(3 * SHOWN);
  here(ctx, query, group);
  const rows = await query.select<(Told & { from: number; to: number })[]>(
    'athletes.id as athlete',
    'athletes.name',
    'verdicts.finding',
    'verdicts.from_rung as from',
    'verdicts.to_rung as to',
  );
  return rows.map(({ athlete, name, finding, from, to }) => ({
    athlete,
    name,
    text: `${titleOf(finding)}: rung ${from} to ${to}.`,
  }));
}

/** Athletes with a focus of whom nobody has seen or heard anything in these days. */
async function unseen(ctx: Context, group: string | undefined): Promise<WeekLine[]> {
  const since = addDays(ctx.today, -DAYS);
  const query = ctx.tenant
    .from('athletes')
    .whereNotNull('athletes.focus')
    .orderBy('athletes.name')
    .limit(SHOWN + 1);
  for (const table of ['work_sessions', 'observations'] as const)
    void query.whereNotExists(
      ctx.tenant.fromAny(table).where('on_date', '>', since).whereRaw(`${table}.athlete_id = athletes.id`).select(`${table}.id`),
    );
  here(ctx, query, group);
  const rows = await query.select<{ athlete: string; name: string; focus: FindingId }[]>(
    'athletes.id as athlete',
    'athletes.name',
    'athletes.focus',
  );
  return rows.map(({ athlete, name, focus }) => ({
    athlete,
    name,
    text: `Nothing in ${DAYS} days. In work: ${titleOf(focus).toLowerCase()}.`,
  }));
}

/** Which limit somebody is near, in words; null where none is. */
function nearWhat({ today, week }: Workload): string | null {
  if (today.locked) return today.locked.reason;
  if (today.restUntil !== null) return 'Rests from pitching.';
  if (week.change !== null && week.change >= NEAR_WEEK && week.throws > week.floor)
    return `${week.throws} throws in ${DAYS} days, ${Math.round(100 * week.change)} % more than the usual week.`;
  return null;
}

async function nearLimits(ctx: Context, group: string | undefined): Promise<WeekLine[]> {
  const since = addDays(ctx.today, -DAYS);
  const thrown = ctx.tenant
    .fromAny('load_days')
    .where('on_date', '>', since)
    .groupBy('athlete_id')
    .select('athlete_id')
    .sum({ throws: 'throws' })
    .as('thrown');
  const query = ctx.tenant
    .from('athletes')
    .leftJoin(thrown, 'thrown.athlete_id', 'athletes.id')
    .where((q) => void q.whereNotNull('thrown.athlete_id').orWhereNotNull('athletes.lock_until'))
    .orderByRaw('athletes.lock_until is null, thrown.throws desc, athletes.name')
    .limit(WEIGHED);
  here(ctx, query, group);
  const rows = await query.select<Named[]>('athletes.id as athlete', 'athletes.name');
  const found = await Promise.all(
    rows.map(async ({ athlete, name }) => {
      const text = nearWhat(workloadOf(ctx, await athleteRecord(ctx, athlete), await loadOf(ctx, athlete)));
      return text === null ? [] : [{ athlete, name, text }];
    }),
  );
  return found.flat().sort((a, b) => (a.name < b.name ? -1 : 1));
}

export async function coachWeek(ctx: Context, { group }: WeekQuery): Promise<CoachWeek> {
  if (group !== undefined && !(await ctx.tenant.has('athlete_groups', { id: group }))) throw notFound('group');
  const counted = ctx.tenant.fromAny('athletes').count({ n: '*' });
  here(ctx, counted, group);
  const [foci, moved, gone, limit, [count]] = await Promise.all([
    courses(ctx, group),
    moves(ctx, group),
    unseen(ctx, group),
    nearLimits(ctx, group),
    counted,
  ]);
  const course = (state: 'relapsed' | 'stuck' | 'done'): WeekLine[] =>
    foci
      .filter((f) => f.course === state)
      .map(({ athlete, name, finding, course_why: why }) => ({ athlete, name, text: `${titleOf(finding)}. ${why ?? ''}` }));
  const all: Record<WeekKind, WeekLine[]> = {
    relapsed: course('relapsed'),
    limit,
    stuck: course('stuck'),
    done: course('done'),
    unseen: gone,
    moved,
  };
  return {
    from: addDays(ctx.today, 1 - DAYS),
    to: ctx.today,
    athletes: Number(count?.n ?? 0),
    lines: {
      relapsed: all.relapsed.slice(0, SHOWN),
      limit: all.limit.slice(0, SHOWN),
      stuck: all.stuck.slice(0, SHOWN),
      done: all.done.slice(0, SHOWN),
      unseen: all.unseen.slice(0, SHOWN),
      moved: all.moved.slice(0, SHOWN),
    },
    more: WEEK_KINDS.filter((kind) => all[kind].length > SHOWN),
  };
}
