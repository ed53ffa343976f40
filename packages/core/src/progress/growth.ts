import type { Discipline } from '../delivery/links';
import { addDays, ageOn, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { forAge } from '../load/tables';

/** Speed that growing alone brings, mph a year, by age. Provenance `published` ranges, middle taken. */
const GROWTH_MPH_PER_YEAR = {
  overhand: [
    { from: 0, value: 3 },
    { from: 10, value: 4 },
    { from: 12, value: 5 },
    { from: 15, value: 3 },
    { from: 17, value: 1.5 },
    { from: 19, value: 0 },
  ],
  windmill: [
    { from: 0, value: 3.5 },
    { from: 14, value: 1.5 },
    { from: 18, value: 0 },
  ],
} as const;

/** Expected growth between two days, mph; birthdays in between are counted where they fall. */
export function expectedGrowthMph(discipline: Discipline, birthDate: IsoDate, from: IsoDate, to: IsoDate): number {
  let total = 0;
  const days = daysBetween(from, to);
  for (let day = 0; day < days; day++)
    total += forAge(GROWTH_MPH_PER_YEAR[discipline], ageOn(birthDate, addDays(from, day))) / 365.25;
  return total;
}
