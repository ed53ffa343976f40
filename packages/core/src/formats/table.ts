/** The cells of a text file, and rows that stay out written as one. */
import Papa from 'papaparse';
import type { RosterRow } from './fields';

export interface RosterTable {
  readonly header: readonly string[];
  /** Cells, with the line of the file on which the row starts (the header is line 1). */
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
  readonly delimiter: string;
  /** Faults of the file itself, such as a quote that is never closed. */
  readonly faults: readonly { readonly line: number; readonly message: string }[];
}

const DELIMITERS = [',', ';', '\t', '|'] as const;

/** What separates the cells: the mark that stands most often in the headings, outside of quotes. */
function delimiterOf(text: string): string {
  const headings = text.slice(0, text.indexOf('\n') < 0 ? undefined : text.indexOf('\n')).replace(/"[^"]*"/g, '');
  const count = (mark: string) => headings.split(mark).length - 1;
  return DELIMITERS.reduce((best, mark) => (count(mark) > count(best) ? mark : best), DELIMITERS[0]);
}

/** Cells of a CSV text; comma, semicolon, tab or bar is found by itself, quotes as in RFC 4180. */
export function readTable(text: string): RosterTable {
  const parsed = Papa.parse<string[]>(text, { delimiter: delimiterOf(text), skipEmptyLines: false });
  // A quoted cell may hold line ends: the line of a row is counted from what stands before it.
  let line = 1;
  const located = parsed.data.map((cells) => {
    const at = line;
    line += 1 + cells.reduce((n, cell) => n + (cell.match(/\n/g)?.length ?? 0), 0);
    return { line: at, cells: cells.map((cell) => cell.trim()) };
  });
  const [head, ...rest] = located;
  return {
    header: head?.cells ?? [],
    rows: rest.filter((row) => row.cells.some((cell) => cell !== '')),
    delimiter: parsed.meta.delimiter,
    faults: parsed.errors
      .filter((e) => e.type === 'Quotes')
      .map((e) => ({ line: located[e.row ?? 0]?.line ?? 1, message: 'a quotation mark is not closed' })),
  };
}

/** Rows with faults as a CSV file: the line, what is wrong, and the row as it was. */
export function faultsCsv(table: RosterTable, rows: readonly RosterRow[]): string {
  const cells = new Map(table.rows.map((row) => [row.line, row.cells]));
  const bad = rows.flatMap((row) =>
    row.ok
      ? []
      : [[String(row.line), row.faults.map((f) => `${f.column}: ${f.message}`).join('; '), ...(cells.get(row.line) ?? [])]],
  );
  return Papa.unparse([['line', 'what is wrong', ...table.header], ...bad], { escapeFormulae: true });
}
