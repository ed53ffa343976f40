import { addDays, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import type { Day } from './days';
import type { Warning } from './warnings';

/** Months off in the year, watched once a year of records is there. Provenance `published`. */
export function yearWarnings(days: readonly Day[], on: IsoDate, age: number): Warning[] {
  const first = days[0];
  if (!first || daysBetween(first.date, on) < 330) return [];
  const inYear = days.filter((d) => daysBetween(d.date, on) < 365);
  const young = age <= 18;
  const [offNeeded, rowNeeded] = young ? [120, 60] : [90, 28];
  const pitching = new Set(inYear.filter((d) => d.pitches > 0).map((d) => Math.floor(daysBetween(d.date, on) / 7)));
  const daysOff = 7 * (52 - pitching.size);
  let longest = 0;
  let previous = addDays(on, -365);
  for (const date of [...inYear.filter((d) => d.throws > 0).map((d) => d.date), on]) {
    longest = Math.max(longest, daysBetween(previous, date) - 1);
    previous = date;
  }
  const warnings: Warning[] = [];
  if (daysOff < offNeeded)
    warnings.push({
      rule: 'year-off',
      detail: `About ${Math.round(daysOff / 30)} months without games in the last year; ${offNeeded / 30} are wanted.`,
    });
  if (longest < rowNeeded)
    warnings.push({
      rule: 'year-off-in-a-row',
      detail: `Longest time without throwing in the last year: ${longest} days; ${rowNeeded} in a row are wanted.`,
    });
  return warnings;
}
