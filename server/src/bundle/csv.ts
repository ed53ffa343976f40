/** Any table as CSV: what a spreadsheet would take for a formula is text in it. */
import type { Download } from '@wrightonic/contract';
import Papa from 'papaparse';
import type { Context } from '../common/context';
import { rowsOf } from './rows';
import type { TableName } from './tables';

/** Columns of a table as they stand, without the academy, whose they all are. */
async function columnsOf(ctx: Context, table: TableName): Promise<string[]> {
  const rows = (await ctx.tenant.columns(table)).filter((column) => column !== 'academy_id');
  return rows.sort((a, b) => Number(b === 'id') - Number(a === 'id') || (a < b ? -1 : 1));
}

/** A table as a file. @param athlete whose rows; null for the academy’s */
export async function csvFile(ctx: Context, table: TableName, athlete: string | null): Promise<Download> {
  return {
    name: `${table}.csv`,
    type: 'text/csv; charset=utf-8',
    pieces: csvOf(ctx, table, await columnsOf(ctx, table), athlete),
  };
}

const cell = (value: unknown): unknown => (value !== null && typeof value === 'object' ? JSON.stringify(value) : value);

/**
 * The academy's rows of a table, or one athlete's, with a header of its columns; lines end as RFC 4180 has them.
 * @param columns in their order
 */
async function* csvOf(
  ctx: Context,
  table: TableName,
  columns: readonly string[],
  athlete: string | null,
): AsyncGenerator<string> {
  const settings = { escapeFormulae: true, newline: '\r\n', header: false };
  // Spreadsheets take a file for Unicode that begins with its mark.
  yield `\uFEFF${Papa.unparse([[...columns]], settings)}\r\n`;
  const narrow = athlete === null ? {} : { [table === 'athletes' ? 'id' : 'athlete_id']: athlete };
  for await (const page of rowsOf(ctx, table, narrow))
    yield `${Papa.unparse(
      page.map((row) => columns.map((column) => cell(row[column]))),
      settings,
    )}\r\n`;
}
