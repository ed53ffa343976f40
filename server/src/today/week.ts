/** A coach's week over all athletes, or a group. */
import { WEEK_KINDS } from '@wrightonic/contract';
import type { CoachWeek, WeekKind, WeekLine, WeekQuery } from '@wrightonic/contract';
import { addDays, dayInWords, findingById } from '@wrightonic/core';
import type { FindingId, Workload } from '@wrightonic/core';
import type { Knex } from 'knex';
import { athleteRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import { loadOf, workloadOf } from '../load/load';
import { notFound } from '../problems';
import { courseRows, PRESSING } from './course-rows';

const DAYS = 7;
/** Lines of a kind; whoever wants more picks a group. */
const SHOWN = 30;
/** Athletes whose load is worked out: those who threw most in these days. */
const WEIGHED = 40;
/** Warnings of the load that say that somebody is near a limit, or past it. */
const OF_LIMITS: ReadonlySet<string> = new Set([
  'week-above-15',
  'week-above-30',
  'daily-limit',
  'per-game-limit',
  'three-days-in-a-row',
  'throw-free-days',
  'innings-year',
]);

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

/** Which limits somebody is near, in the words of the load's own rules; null where none is. */
function nearWhat({ today, warnings }: Workload): string | null {
  if (today.locked) return today.locked.reason;
  const near = warnings.filter((w) => OF_LIMITS.has(w.rule)).map((w) => w.detail);
  return near.length > 0
    ? near.join(' ')
    : today.restUntil === null
      ? null
      : `Rests from pitching until ${dayInWords(today.restUntil)}.`;
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
    courseRows(ctx, 3 * SHOWN, (query) => {
      void query.whereIn('foci.course', PRESSING);
      here(ctx, query, group);
    }),
    moves(ctx, group),
    unseen(ctx, group),
    nearLimits(ctx, group),
    counted,
  ]);
  const course = (state: (typeof PRESSING)[number]): WeekLine[] =>
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
