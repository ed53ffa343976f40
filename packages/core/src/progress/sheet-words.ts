/** A before/after sheet in words: the same on screen and on paper. */
import { dayInWords } from '../shared/dates';
import type { Units } from '../words/shown';
import { spokenEvent } from '../words/shown';
import type { Sheet, SheetMeasure } from './sheet';

export interface SheetWords {
  readonly title: string;
  readonly speed: string;
  readonly better: readonly string[];
  readonly worse: readonly string[];
  /** What is said where nothing got better, or nothing worse. */
  readonly noBetter: string;
  readonly noWorse: string;
  /** What “better” and “worse” mean, and how many of so many measures look changed by chance alone. */
  readonly footnote: string;
}

/** A change that is none is taken for real in so many of ten. */
const BY_CHANCE = 0.1;

const WAYS: Readonly<Record<SheetMeasure['way'], string>> = {
  better: 'better',
  worse: 'worse',
  moved: 'changed',
  same: 'no clear change',
};

/** A measure in one line: what it was, is, and by how much one can be wrong. */
export const sheetLine = (m: SheetMeasure, units: Units): string =>
  `${m.name}, ${spokenEvent(m.event)}: ${units.number(m.before.value, m.unit)} to ${units.measured(m.after.value, m.unit)} (change ± ${units.amount(m.error, m.unit)})`;

/** A row of the table: name, then, now, change with its error, which way. */
export const sheetRow = (m: SheetMeasure, units: Units): readonly [string, string, string, string, string] => [
  `${m.name}, ${spokenEvent(m.event)}`,
  units.measured(m.before.value, m.unit),
  units.measured(m.after.value, m.unit),
  `${m.change >= 0 ? '+' : '−'}${units.amount(m.change, m.unit)} ± ${units.amount(m.error, m.unit)}`,
  WAYS[m.way],
];

function footnoteOf(measures: number): string {
  const means = 'Better and worse are said only of changes beyond their error (90 %), against the usual band.';
  const chance = Math.round(BY_CHANCE * measures);
  return chance === 0 ? means : `${means} Of ${measures} measures about ${chance} would look changed by chance alone.`;
}

export function sheetWords(sheet: Sheet, units: Units): SheetWords {
  const { speed, measures } = sheet;
  return {
    title: `${dayInWords(sheet.from)} and ${dayInWords(sheet.to)}`,
    speed: speed
      ? `${speed.then.toFixed(1)} to ${speed.now.toFixed(1)} ${speed.unit}. ${speed.sentence}`
      : 'Speed was not read around both dates.',
    better: sheet.better.map((m) => sheetLine(m, units)),
    worse: sheet.worse.map((m) => sheetLine(m, units)),
    noBetter: measures.length === 0 ? 'Nothing was measured on both dates.' : 'Nothing has clearly got better yet.',
    footnote: footnoteOf(measures.length),
    noWorse: measures.length === 0 ? 'Nothing was measured on both dates.' : 'Nothing has clearly got worse.',
  };
}
