/** One row of a list, read as an athlete or refused with every wrong cell named. */
import { LEVELS } from '../athlete/athlete';
import type { Level } from '../athlete/athlete';
import type { Discipline } from '../delivery/links';
import type { Hand } from '../delivery/sides';
import { ageOn } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { readDate } from './dates';
import type { DayOrder } from './dates';
import { ROSTER_FIELD_NAMES } from './fields';
import type { CellFault, RosterChoices, RosterField, RosterRow } from './fields';
import { readHeight, readMass } from './sizes';
import type { RosterTable } from './table';

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
