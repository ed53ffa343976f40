/** An academy, or one athlete, as one JSON document that can be taken in again. */
import { readFile } from 'node:fs/promises';
import { asRecord } from '../boundary';
import { notFound } from '../problems';
import { clipPath } from '../film/clip-file';
import type { Context } from '../common/context';
import { rowsOf } from './rows';
import type { Row } from './rows';
import { BUNDLED } from './tables';
import type { BundledTable } from './tables';

export const BUNDLE_FORMAT = 'wrightonic-bundle';
export const BUNDLE_VERSION = 1;

/** What of the academy's own row goes along: what it has set, and its name. */
const SETTINGS = [
  'length_unit',
  'league',
  'league_ages',
  'league_daily_limit',
  'name',
  'numbers',
  'schools',
  'speed_unit',
  'time_zone',
  'weighted_balls',
  'words',
] as const;

/** Lists on lines of their own: a row is a line, however long the document is. */
async function* list(items: AsyncIterable<string> | Iterable<string>): AsyncGenerator<string> {
  let first = true;
  yield '[';
  for await (const item of items) {
    yield `${first ? '\n' : ',\n'}${item}`;
    first = false;
  }
  yield first ? ']' : '\n]';
}

/** Rows of one athlete: of a table that has none, those that the athlete's own rows point at. */
async function* rowsFor(ctx: Context, table: BundledTable, athlete: string | null): AsyncGenerator<Row[]> {
  if (athlete === null) yield* rowsOf(ctx, table);
  else if (table === 'athletes')
    for await (const page of rowsOf(ctx, table, { id: athlete })) yield page.map((row) => ({ ...row, import_id: null }));
  else if (OF_ATHLETE.has(table)) yield* rowsOf(ctx, table, { athlete_id: athlete });
  else if (table === 'hand_outs' || table === 'clip_measures') {
    const [own, column, points] =
      table === 'hand_outs' ? (['assignments', 'id', 'hand_out_id'] as const) : (['clips', 'clip_id', 'id'] as const);
    const ids = new Set(await ctx.tenant.fromAny(own).where('athlete_id', athlete).whereNotNull(points).pluck(points));
    for await (const page of rowsOf(ctx, table)) {
      const mine = page.filter((row) => ids.has(row[column]));
      if (mine.length > 0) yield mine;
    }
  }
}

/** Tables of the academy as a whole. */
const OF_ACADEMY: ReadonlySet<BundledTable> = new Set([
  'imports',
  'athlete_groups',
  'group_members',
  'guns',
  'own_drills',
  'own_findings',
  'own_ladders',
  'hand_outs',
  'clip_measures',
  'camps',
  'camp_athletes',
  'camp_visits',
  'camp_changes',
  'camp_arrivals',
  'camp_reports',
]);
const OF_ATHLETE: ReadonlySet<BundledTable> = new Set(BUNDLED.filter((table) => !OF_ACADEMY.has(table) && table !== 'athletes'));

async function* lines(ctx: Context, table: BundledTable, athlete: string | null): AsyncGenerator<string> {
  for await (const page of rowsFor(ctx, table, athlete)) yield page.map((row) => JSON.stringify(row)).join(',\n');
}

/** People whose hand stands under something, or who are tied to athletes or groups: name and role, nothing they sign in with. */
async function* people(ctx: Context, authors: ReadonlySet<string>): AsyncGenerator<string> {
  const ties = async (table: 'user_athletes' | 'user_groups', column: 'athlete_id' | 'group_id') => {
    const rows = await ctx.tenant.fromAny(table).select('user_id', column);
    const found = new Map<string, string[]>();
    for (const row of rows) {
      const user = String(row.user_id);
      found.set(user, [...(found.get(user) ?? []), String(row[column])].sort());
    }
    return found;
  };
  const [athletes, groups] = [await ties('user_athletes', 'athlete_id'), await ties('user_groups', 'group_id')];
  for (const { id, name, role } of await ctx.tenant.from('users').orderBy('id'))
    if (authors.has(id) || athletes.has(id) || groups.has(id))
      yield JSON.stringify({ athletes: athletes.get(id) ?? [], groups: groups.get(id) ?? [], id, name, role });
}

/** Tables whose rows say whose hand they are from. */
export const AUTHORED = [
  'clearances',
  'corrections',
  'hand_outs',
  'observations',
  'outings',
  'own_drills',
  'own_findings',
  'own_ladders',
  'pain_reports',
  'readings',
  'rep_marks',
  'reps',
  'session_notes',
  'spots',
  'work_sessions',
] as const satisfies readonly BundledTable[];

async function authorsOf(ctx: Context): Promise<Set<string>> {
  const found = await Promise.all(
    AUTHORED.map((table) => ctx.tenant.fromAny(table).whereNotNull('author_id').distinct('author_id').pluck('author_id')),
  );
  return new Set(found.flat().map(String));
}

async function* files(ctx: Context, folder: string, athlete: string | null): AsyncGenerator<string> {
  for await (const page of rowsOf(ctx, 'clips', athlete === null ? {} : { athlete_id: athlete }))
    for (const { id } of page) {
      const bytes = await readFile(clipPath(folder, String(id))).catch(() => null);
      if (bytes) yield JSON.stringify({ base64: bytes.toString('base64'), clip: id });
    }
}

/**
 * The document, piece by piece. The same records give the same bytes, on whichever day and server.
 * @param athlete one athlete alone; null for the whole academy
 * @param clips where the clips' bytes lie, when they go along
 */
export async function* bundleOf(ctx: Context, athlete: string | null, clips: string | null): AsyncGenerator<string> {
  if (athlete !== null && !(await ctx.tenant.has('athletes', { id: athlete }))) throw notFound('athlete');
  const head = { format: BUNDLE_FORMAT, version: BUNDLE_VERSION, kind: athlete === null ? 'academy' : 'athlete' };
  yield JSON.stringify(head).slice(0, -1);
  if (athlete === null) {
    const row = asRecord(await ctx.tenant.academyRow().first());
    yield `,\n"academy":${JSON.stringify(Object.fromEntries(SETTINGS.map((column) => [column, row[column]])))}`;
    yield ',\n"people":';
    yield* list(people(ctx, await authorsOf(ctx)));
  }
  yield ',\n"tables":{';
  for (const [i, table] of BUNDLED.entries()) {
    yield `${i === 0 ? '' : ','}\n"${table}":`;
    yield* list(lines(ctx, table, athlete));
  }
  yield '},\n"files":';
  yield* list(clips === null ? [] : files(ctx, clips, athlete));
  yield '}\n';
}
