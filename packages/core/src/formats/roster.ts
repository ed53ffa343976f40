import Papa from 'papaparse';
import type { Discipline } from '../delivery/links';
import type { Hand } from '../delivery/sides';
import { LEVELS } from '../athlete/athlete';
import type { AthleteProfile, Level } from '../athlete/athlete';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { round } from '../shared/maths';
import { dayOrderOf, readDate } from './dates';
import type { DayOrder } from './dates';

/** What a roster file can say of an athlete. */
export const ROSTER_FIELDS = [
  'name',
  'firstName',
  'lastName',
  'birthDate',
  'discipline',
  'throws',
  'height',
  'mass',
  'level',
  'group',
  'guardianName',
  'guardianContact',
] as const;
export type RosterField = (typeof ROSTER_FIELDS)[number];

export const ROSTER_FIELD_NAMES: Record<RosterField, string> = {
  name: 'Name',
  firstName: 'First name',
  lastName: 'Last name',
  birthDate: 'Born',
  discipline: 'Discipline',
  throws: 'Throwing hand',
  height: 'Height',
  mass: 'Weight',
  level: 'Level',
  group: 'Group',
  guardianName: 'Guardian',
  guardianContact: 'Guardian’s phone or e-mail',
};

/** Which column of the file holds which field. */
export type ColumnMap = Partial<Record<RosterField, number>>;

export interface RosterChoices {
  readonly columns: ColumnMap;
  /** For dates that can be read both ways; null leaves such rows out and says so. */
  readonly dayOrder: DayOrder | null;
  /** For rows that do not say. */
  readonly discipline: Discipline | null;
  /** How bare numbers are meant. */
  readonly heightUnit: 'cm' | 'in' | 'm';
  readonly massUnit: 'kg' | 'lb';
}

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

const HEADER_WORDS: Record<RosterField, readonly RegExp[]> = {
  firstName: [/first|given|vorname|prénom|prenom/],
  lastName: [/last|sur|family|nachname/],
  guardianName: [/(guardian|parent|contact).*name|^(guardian|parent|mother|father)$/],
  guardianContact: [/phone|mail|mobile|(guardian|parent).*(contact|number)/],
  name: [/^(full ?)?name$|athlete|player|pitcher/],
  birthDate: [/birth|born|dob|geburt/],
  discipline: [/discipline|sport|style|delivery/],
  throws: [/throw|hand|arm/],
  height: [/height|^ht|size|größe/],
  mass: [/weight|mass|^wt|gewicht/],
  level: [/level|class|grade/],
  group: [/group|team|squad|class/],
};

/** A first guess at which column is what, from the header's words. */
export function guessColumns(header: readonly string[]): ColumnMap {
  const map: ColumnMap = {};
  const taken = new Set<number>();
  for (const [field, words] of Object.entries(HEADER_WORDS) as [RosterField, readonly RegExp[]][]) {
    const at = header.findIndex((cell, i) => !taken.has(i) && words.some((word) => word.test(cell.toLowerCase())));
    if (at >= 0) {
      map[field] = at;
      taken.add(at);
    }
  }
  if (map.firstName !== undefined && map.lastName !== undefined) delete map.name;
  return map;
}

/** Choices that fit a file at first sight. */
export function guessChoices(table: RosterTable): RosterChoices {
  const columns = guessColumns(table.header);
  const cellsOf = (field: RosterField) => table.rows.map((row) => row.cells[columns[field] ?? -1] ?? '');
  const middle = (field: RosterField): number => {
    const numbers = cellsOf(field)
      .map((cell) => Number(cell.replace(',', '.')))
      .filter((n) => Number.isFinite(n) && n > 0)
      .sort((a, b) => a - b);
    return numbers[Math.floor(numbers.length / 2)] ?? NaN;
  };
  const height = middle('height');
  const head = (field: RosterField) => (table.header[columns[field] ?? -1] ?? '').toLowerCase();
  return {
    columns,
    dayOrder: dayOrderOf(cellsOf('birthDate')),
    discipline: null,
    heightUnit: height < 3 ? 'm' : height < 90 ? 'in' : 'cm',
    massUnit: /lb|pound/.test(head('mass')) ? 'lb' : 'kg',
  };
}

/** An athlete as a file tells of them. */
export interface RosterEntry extends AthleteProfile {
  readonly name: string;
  readonly group: string | null;
  readonly guardian: { readonly name: string; readonly contact: string } | null;
}

export interface CellFault {
  readonly field: RosterField;
  /** Heading of the column, as in the file. */
  readonly column: string;
  readonly written: string;
  readonly message: string;
}

export type RosterRow =
  | { readonly line: number; readonly ok: true; readonly entry: RosterEntry }
  | { readonly line: number; readonly ok: false; readonly faults: readonly CellFault[] };

const numberOf = (text: string): number => Number(text.replace(/\s/g, '').replace(',', '.'));

/** Height in metres from 178, 178 cm, 1.78, 1,78 m, 5'10", 5 ft 10, 70 in. */
export function readHeight(text: string, bare: RosterChoices['heightUnit']): number | null {
  const written = text.trim().toLowerCase();
  const feet = /^(\d)\s*(?:'|’|ft|feet)\s*(\d{1,2}(?:\.\d+)?)?\s*(?:"|”|''|in|inches)?$/.exec(written);
  if (feet) return round((Number(feet[1]) * 12 + Number(feet[2] ?? 0)) * 0.0254, 3);
  const plain = /^([\d.,]+)\s*(m|cm|in|inches|")?$/.exec(written);
  if (!plain) return null;
  const value = numberOf(plain[1]!);
  if (!Number.isFinite(value)) return null;
  const unit = plain[2] === '"' || plain[2] === 'inches' ? 'in' : (plain[2] ?? (value < 3 ? 'm' : bare));
  return round(unit === 'm' ? value : unit === 'cm' ? value / 100 : value * 0.0254, 3);
}

/** Mass in kilograms from 70, 70 kg, 154 lb. */
export function readMass(text: string, bare: RosterChoices['massUnit']): number | null {
  const plain = /^([\d.,]+)\s*(kg|kgs|lb|lbs|pounds)?$/.exec(text.trim().toLowerCase());
  if (!plain) return null;
  const value = numberOf(plain[1]!);
  if (!Number.isFinite(value)) return null;
  const unit = plain[2] ?? bare;
  return round(unit.startsWith('kg') ? value : value * 0.45359237, 1);
}

const HANDS: Record<string, Hand> = { r: 'R', right: 'R', rh: 'R', rhp: 'R', l: 'L', left: 'L', lh: 'L', lhp: 'L' };
const DISCIPLINES: readonly (readonly [RegExp, Discipline])[] = [
  [/wind|soft|fast/, 'windmill'],
  [/over|base/, 'overhand'],
];
const LEVEL_WORDS: readonly (readonly [RegExp, Level])[] = [
  [/begin|new|start/, 'beginner'],
  [/high|school|\bhs\b/, 'high-school'],
  [/college|univ/, 'college'],
  [/adult|senior/, 'adult'],
  [/youth|junior|kid|u\d/, 'youth'],
];

const levelForAge = (age: number): Level => (age < 13 ? 'youth' : age < 19 ? 'high-school' : 'adult');

/**
 * One row of a roster file, read or refused with every wrong cell named.
 * @param on the day of the import, for ages
 */
export function readRow(
  row: RosterTable['rows'][number],
  header: readonly string[],
  choices: RosterChoices,
  on: IsoDate,
): RosterRow {
  const faults: CellFault[] = [];
  const cell = (field: RosterField): string => row.cells[choices.columns[field] ?? -1] ?? '';
  const refuse = (field: RosterField, message: string) => {
    faults.push({
      field,
      column: header[choices.columns[field] ?? -1] ?? ROSTER_FIELD_NAMES[field],
      written: cell(field).slice(0, 80),
      message,
    });
    return null;
  };

  const name = (cell('name') || `${cell('firstName')} ${cell('lastName')}`).trim().replace(/\s+/g, ' ');
  if (!name)
    refuse(
      choices.columns.name === undefined && choices.columns.firstName !== undefined ? 'firstName' : 'name',
      'the name is missing',
    );
  else if (name.length > 120) refuse('name', 'the name is longer than 120 letters');
  else if (name.includes('\uFFFD')) refuse('name', 'the name has letters that could not be read; save the file as UTF-8');

  const birthDate = readBirthDate(cell('birthDate'), choices.dayOrder, on, (message) => refuse('birthDate', message));
  const hand = cell('throws')
    .toLowerCase()
    .replace(/[^a-z]/g, '')
    .replace(/hand(ed)?$/, '');
  const throws = HANDS[hand] ?? refuse('throws', cell('throws') ? 'write R or L' : 'the throwing hand is missing: R or L');
  const said = cell('discipline').toLowerCase();
  const discipline =
    said === ''
      ? (choices.discipline ?? refuse('discipline', 'the row does not say overhand or windmill; choose one for all such rows'))
      : (DISCIPLINES.find(([word]) => word.test(said))?.[1] ?? refuse('discipline', 'write overhand or windmill'));
  const heightM =
    readHeight(cell('height'), choices.heightUnit) ??
    refuse('height', cell('height') ? 'is not a height; write 178 or 5\'10"' : 'the height is missing');
  if (heightM !== null && (heightM < 0.8 || heightM > 2.4))
    refuse('height', `comes to ${Math.round(100 * heightM)} cm; it must be between 80 and 240`);
  const massKg =
    readMass(cell('mass'), choices.massUnit) ??
    refuse('mass', cell('mass') ? 'is not a weight; write 70 kg or 154 lb' : 'the weight is missing');
  if (massKg !== null && (massKg < 15 || massKg > 220)) refuse('mass', `comes to ${massKg} kg; it must be between 15 and 220`);
  const levelText = cell('level').toLowerCase();
  const level =
    levelText === ''
      ? birthDate && levelForAge(ageOn(birthDate, on))
      : (LEVELS.find((l) => l === levelText) ??
        LEVEL_WORDS.find(([word]) => word.test(levelText))?.[1] ??
        refuse('level', `write one of ${LEVELS.join(', ')}`));

  if (faults.length > 0 || !birthDate || !throws || !discipline || heightM === null || massKg === null || !level)
    return { line: row.line, ok: false, faults };
  const guardian = cell('guardianName') || cell('guardianContact');
  return {
    line: row.line,
    ok: true,
    entry: {
      name,
      birthDate,
      throws,
      discipline,
      heightM,
      massKg,
      level,
      group: cell('group').slice(0, 80) || null,
      guardian: guardian ? { name: cell('guardianName').slice(0, 120), contact: cell('guardianContact').slice(0, 120) } : null,
    },
  };
}

function readBirthDate(written: string, order: DayOrder | null, on: IsoDate, refuse: (message: string) => null): IsoDate | null {
  if (!written) return refuse('the birth date is missing');
  const read = readDate(written);
  if (read.kind === 'none') return refuse('is not a date; write 2011-03-14');
  if (read.kind === 'either' && order === null)
    return refuse(`can be ${read.dayFirst} or ${read.monthFirst}; choose whether the day or the month comes first`);
  const date = read.kind === 'date' ? read.date : order === 'day-first' ? read.dayFirst : read.monthFirst;
  const age = ageOn(date, on);
  return age < 4 || age > 90 ? refuse(`makes the athlete ${age} years old; check the year`) : date;
}

/** Key under which two rows are one person: name without case, accents and blanks, and birth date. */
export function personKey(name: string, birthDate: IsoDate): string {
  const letters = name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '');
  return `${letters}|${birthDate}`;
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
