/** What a file most likely means. */
import type { ColumnMap, RosterChoices, RosterField } from './fields';
import { dayOrderOf } from './dates';
import type { RosterTable } from './table';

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
