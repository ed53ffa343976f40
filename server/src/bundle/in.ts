/** Takes a bundle in: an academy's into one that is empty, an athlete's into any. All of it, or nothing. */
import { JSONParser } from '@streamparser/json';
import { createHash, randomUUID } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import { setImmediate as turn } from 'node:timers/promises';
import { ROLES } from '@wrightonic/contract';
import type { BundleTaken, Role } from '@wrightonic/contract';
import { validate as isUuid } from 'uuid';
import { rowsOfRaw, unchecked } from '../boundary';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { clipPath } from '../film/clip-file';
import { conflict, ProblemError, wrongField } from '../problems';
import { renewGlance } from '../judgement/glance';
import { keepWords } from '../roster/roster';
import { BUNDLE_FORMAT, BUNDLE_VERSION } from './out';
import type { Row } from './rows';
import { BUNDLED, REFERS } from './tables';
import type { BundledTable } from './tables';

interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly athletes: readonly string[];
  readonly groups: readonly string[];
}
interface Parsed {
  readonly kind: 'academy' | 'athlete';
  readonly academy: Row | null;
  readonly people: readonly Person[];
  readonly tables: ReadonlyMap<BundledTable, readonly Row[]>;
  readonly files: readonly { readonly clip: string; readonly base64: string }[];
}

/** Bytes that are parsed before others have their turn. */
const AT_ONCE = 64 * 1024;
/** Rows that are written at once. */
const WRITTEN = 200;
const isTable = (name: unknown): name is BundledTable => (BUNDLED as readonly unknown[]).includes(name);

/** Reads the document piece by piece: a long one keeps nobody waiting. @throws ProblemError when it is no bundle */
async function parse(bytes: Buffer): Promise<Parsed> {
  const head: Record<string, unknown> = {};
  const people: Person[] = [];
  const tables = new Map<BundledTable, Row[]>();
  const files: Parsed['files'][number][] = [];
  const parser = new JSONParser({
    paths: ['$.format', '$.version', '$.kind', '$.academy', '$.people.*', '$.tables.*.*', '$.files.*'],
    keepStack: false,
  });
  parser.onValue = ({ value, key, stack }) => {
    const [, one, two] = stack.map((level) => level.key);
    if (one === undefined) head[String(key)] = value;
    else if (!isRow(value)) throw wrongField([one, two, key].filter((part) => part !== undefined).join('.'), 'must be an object');
    else if (one === 'people') people.push(unchecked<Person>(value));
    else if (one === 'files') files.push(unchecked<Parsed['files'][number]>(value));
    else if (one === 'tables') {
      if (!isTable(two)) throw wrongField(`tables.${String(two)}`, 'is no table of a bundle');
      const rows = tables.get(two) ?? [];
      if (rows.length === 0) tables.set(two, rows);
      rows.push(unchecked<Row>(value));
    }
  };
  try {
    for (let from = 0; from < bytes.length; from += AT_ONCE) {
      parser.write(bytes.subarray(from, from + AT_ONCE));
      await turn();
    }
    if (!parser.isEnded) throw new SyntaxError('it breaks off');
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw new ProblemError(
      400,
      'The input is not JSON',
      `The file could not be read: ${(error as Error).message}. Nothing was taken in.`,
    );
  }
  if (head.format !== BUNDLE_FORMAT) throw wrongField('format', `must be “${BUNDLE_FORMAT}”: this file is no bundle`);
  if (head.version !== BUNDLE_VERSION)
    throw wrongField('version', `is ${String(head.version)}; this program takes version ${BUNDLE_VERSION}`);
  if (head.kind !== 'academy' && head.kind !== 'athlete') throw wrongField('kind', 'must be “academy” or “athlete”');
  return { kind: head.kind, academy: isRow(head.academy) ? unchecked<Row>(head.academy) : null, people, tables, files };
}

const isRow = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value);

type ColumnTypes = ReadonlyMap<string, ReadonlyMap<string, string>>;

async function columnTypes(ctx: Context): Promise<ColumnTypes> {
  const rows = rowsOfRaw<{ t: string; c: string; d: string }>(
    await ctx.tenant.raw(
      'select table_name as t, column_name as c, data_type as d from information_schema.columns where table_schema = database()',
    ),
  );
  const found = new Map<string, Map<string, string>>();
  for (const { t, c, d } of rows) found.set(t, (found.get(t) ?? new Map<string, string>()).set(c, d));
  return found;
}

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/;

/** A value as its column takes it. @throws ProblemError when it cannot be one of that column */
function written(where: string, type: string | undefined, value: unknown): string | number | boolean | Date | null {
  if (type === undefined) throw wrongField(where, 'is no column of this table');
  if (value === null || value === undefined) return null;
  if (typeof value === 'object') return JSON.stringify(value);
  if (type === 'datetime') {
    if (typeof value !== 'string' || !INSTANT.test(value))
      throw wrongField(where, 'must be an instant like 2031-05-04T15:01:00.000Z');
    return new Date(value);
  }
  return value as string | number | boolean;
}

const idText = (value: unknown): string => (typeof value === 'string' ? value : JSON.stringify(value));

/** Rows that are looked at before others have their turn. */
const LOOKED_AT = 2000;

/** What refers to something that is not in the bundle would refer to another's, or to nothing. */
async function checkReferences({ people, tables }: Parsed): Promise<void> {
  const ids = (rows: readonly { readonly id?: unknown }[] | undefined) => new Set((rows ?? []).map((row) => String(row.id)));
  const known = new Map<string, ReadonlySet<string>>([
    ['people', ids(people)],
    ...BUNDLED.map((t) => [t, ids(tables.get(t))] as const),
  ]);
  for (const [i, person] of people.entries())
    for (const [tie, to] of [
      ['athletes', 'athletes'],
      ['groups', 'athlete_groups'],
    ] as const) {
      const ties: unknown = person[tie] ?? [];
      if (!Array.isArray(ties) || !ties.every((id) => known.get(to)!.has(idText(id))))
        throw wrongField(`people[${i}].${tie}`, 'must name athletes and groups of the bundle');
    }
  for (const [table, rows] of tables)
    for (const [i, row] of rows.entries()) {
      if (i % LOOKED_AT === LOOKED_AT - 1) await turn();
      if (row.id !== undefined && !isUuid(row.id)) throw wrongField(`tables.${table}[${i}].id`, 'must be a UUID');
      for (const column of Object.keys(row)) {
        if (!column.endsWith('_id') || row[column] === null) continue;
        const to = REFERS[column];
        const where = `tables.${table}[${i}].${column}`;
        if (to === undefined) throw wrongField(where, 'is no column of this table');
        if (to !== null && !known.get(to)!.has(idText(row[column])))
          throw wrongField(where, `points at ${idText(row[column])}, which is not among the ${to} of the bundle`);
      }
    }
}

/** An athlete's bundle names nobody: whose hand stands under its rows stays where it came from. */
const withoutPeople = (parsed: Parsed): Parsed => ({
  ...parsed,
  people: [],
  tables: new Map(
    [...parsed.tables].map(([table, rows]) => [
      table,
      rows.map((row) => ('author_id' in row ? { ...row, author_id: null } : row)),
    ]),
  ),
});

async function insertRows(ctx: Context, types: ColumnTypes, table: BundledTable, rows: readonly Row[]): Promise<void> {
  const columns = types.get(table)!;
  for (let from = 0; from < rows.length; from += WRITTEN) {
    const some = rows
      .slice(from, from + WRITTEN)
      .map((row, i) =>
        Object.fromEntries(
          Object.entries(row).map(([column, value]) => [
            column,
            written(`tables.${table}[${from + i}].${column}`, columns.get(column), value),
          ]),
        ),
      );
    await ctx.tenant.insertAny(table, some).catch((error: Error & { code?: string }) => {
      if (error.code === 'ER_DUP_ENTRY')
        throw conflict(
          'It is here already',
          `Rows of “${table}” with these ids exist on this server already. Nothing was taken in.`,
        );
      if (error.code?.startsWith('ER_') || error.code === 'WARN_DATA_TRUNCATED')
        throw wrongField(`tables.${table}`, `holds a row that this table does not take (${error.code}). Nothing was taken in`);
      throw error;
    });
    await turn();
  }
}

/** People of the bundle as sign-ins that nobody can use yet: the owner makes each a link for a password. */
async function insertPeople(ctx: Context, people: readonly Person[]): Promise<void> {
  for (const [i, { id, name, role }] of people.entries()) {
    if (!isUuid(id) || typeof name !== 'string' || !ROLES.includes(role))
      throw wrongField(`people[${i}]`, 'must have id, name and role');
    const short = name
      .normalize('NFD')
      .replace(/[^a-zA-Z0-9]+/g, '')
      .toLowerCase()
      .slice(0, 20);
    // No password has this for its hash.
    const row = { id, role, name, sign_in: `${short}${id.replace(/-/g, '').slice(-10)}`, password_hash: `none:${randomUUID()}` };
    await ctx.tenant.insertAny('users', [row]).catch((error: Error & { code?: string }) => {
      if (error.code === 'ER_DUP_ENTRY')
        throw conflict('They are here already', 'People of this bundle exist on this server already.');
      throw error;
    });
  }
}

async function tiePeople(ctx: Context, people: readonly Person[]): Promise<void> {
  for (const { id, athletes = [], groups = [] } of people) {
    await ctx.tenant.insertLinks(
      'user_athletes',
      athletes.map((athlete) => ({ user_id: id, athlete_id: athlete })),
    );
    await ctx.tenant.insertLinks(
      'user_groups',
      groups.map((group) => ({ user_id: id, group_id: group })),
    );
  }
}

/** Clips whose bytes came along, held against what their rows say. */
async function filesOf({ files, tables }: Parsed): Promise<{ readonly id: string; readonly bytes: Buffer }[]> {
  const rows = new Map((tables.get('clips') ?? []).map((row) => [String(row.id), row]));
  const read: { readonly id: string; readonly bytes: Buffer }[] = [];
  for (const [i, { clip, base64 }] of files.entries()) {
    const bytes = Buffer.from(String(base64), 'base64');
    const row = rows.get(String(clip));
    if (!row || createHash('sha256').update(bytes).digest('hex') !== row.sha256)
      throw wrongField(`files[${i}]`, 'is not the clip that the bundle names: its digest differs');
    read.push({ id: String(clip), bytes });
    await turn();
  }
  return read;
}

/** @param clipsFolder where clips lie */
export async function takeBundle(ctx: Context, clipsFolder: string, bytes: Buffer): Promise<BundleTaken> {
  const read = await parse(bytes);
  const parsed = read.kind === 'athlete' ? withoutPeople(read) : read;
  if (parsed.kind === 'athlete' && (parsed.tables.get('athletes')?.length ?? 0) !== 1)
    throw wrongField('tables.athletes', 'must hold the one athlete of the bundle');
  await checkReferences(parsed);
  const files = await filesOf(parsed);
  const athletes = parsed.tables.get('athletes') ?? [];
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const types = await columnTypes(inside);
    if (parsed.kind === 'academy') {
      const there = await tenant.from('athletes').first('id');
      if (there)
        throw conflict(
          'The academy is not empty',
          'An academy’s bundle is taken in by one that has no athletes yet. Nothing was taken in.',
        );
      if (parsed.academy) {
        const columns = types.get('academies')!;
        const { id: _, created_at: __, ...settings } = parsed.academy;
        await tenant
          .academyRow()
          .update(
            Object.fromEntries(
              Object.entries(settings).map(([c, v]) => [c, written(`academy.${c}`, columns.get(c), v)]),
            ) as object,
          );
      }
      await insertPeople(inside, parsed.people);
    }
    for (const table of BUNDLED) await insertRows(inside, types, table, parsed.tables.get(table) ?? []);
    await tiePeople(inside, parsed.people);
    for (const { id, name } of athletes) await keepWords(tenant, String(id), String(name));
    // In another academy the same looks may say something else: its numbers and its schools are its own.
    if (parsed.kind === 'athlete') await renewGlance(inside, String(athletes[0]!.id));
  });
  ctx.later(() => Promise.all(files.map(({ id, bytes: clip }) => writeFile(clipPath(clipsFolder, id), clip, { mode: 0o600 }))));
  return {
    athletes: athletes.map(({ id, name }) => ({ id: String(id), name: String(name) })),
    rows: [...parsed.tables.values()].reduce((n, rows) => n + rows.length, 0),
    files: files.length,
  };
}
