/** Rows as they are written outside: no academy, instants as text, keys in one order. */
import type { Context } from '../common/context';
import type { TableName } from './tables';

export type Row = Readonly<Record<string, unknown>>;

/** Rows that are read at once: few of those that are as long as hundreds of others. */
const PAGE = 500;
const LONG: Partial<Record<TableName, number>> = { plans: 5, diagnoses: 10, clips: 5, assignments: 50 };

/** Columns by which a table's rows stand in one order: the id, or where there is none all that tells them apart. */
const KEYS: Partial<Record<TableName, readonly string[]>> = {
  group_members: ['group_id', 'athlete_id'],
  camp_arrivals: ['camp_id', 'athlete_id', 'day'],
  camp_athletes: ['camp_id', 'athlete_id'],
  camp_reports: ['camp_id', 'athlete_id'],
  camp_visits: ['camp_id', 'athlete_id', 'day', 'rotation'],
  load_days: ['athlete_id', 'on_date'],
  clip_measures: ['clip_id', 'observation_id'],
};
export const keyOf = (table: TableName): readonly string[] => KEYS[table] ?? ['id'];

/** A row with its keys in the order of the alphabet, so that the same row is the same text everywhere. */
const plain = (row: Row): Row =>
  Object.fromEntries(
    Object.keys(row)
      .filter((column) => column !== 'academy_id')
      .sort()
      .map((column) => [column, row[column] instanceof Date ? (row[column] as Date).toISOString() : sorted(row[column])]),
  );

/** JSON with its keys in order, however deep. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  const record = value as Row;
  return Object.fromEntries(
    Object.keys(record)
      .sort()
      .map((key) => [key, sorted(record[key])]),
  );
}

/**
 * The academy's rows of a table in the order of their keys, page by page.
 * @param narrow what to ask besides, as by athlete
 */
export async function* rowsOf(ctx: Context, table: TableName, narrow: Row = {}): AsyncGenerator<Row[]> {
  const key = keyOf(table);
  const page = LONG[table] ?? PAGE;
  let after: readonly string[] | null = null;
  for (;;) {
    const query = ctx.tenant
      .fromAny(table)
      .where(narrow)
      .orderBy([...key])
      .limit(page);
    if (after) void query.whereRaw(`(${key.join(', ')}) > (${key.map(() => '?').join(', ')})`, [...after]);
    const rows = await query;
    if (rows.length > 0) yield rows.map(plain);
    if (rows.length < page) return;
    const last = rows[rows.length - 1]!;
    after = key.map((column) => String(last[column]));
  }
}
