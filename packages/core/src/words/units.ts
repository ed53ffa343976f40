import { round } from '../shared/maths';

/** How an academy reads lengths: metric, or inches, feet and pounds. */
export type LengthUnit = 'cm' | 'in';

const CM_PER_INCH = 2.54;

/** The unit in which a value is shown: a length in the academy's own, all others as they are measured. */
export const shownUnit = (unit: string, length: LengthUnit): string => (unit === 'cm' || unit === 'in' ? length : unit);

/**
 * A value as it is shown, unrounded.
 * @param value in `unit`
 */
export function toShown(value: number, unit: string, length: LengthUnit): number {
  const shown = shownUnit(unit, length);
  if (shown === unit) return value;
  return unit === 'cm' ? value / CM_PER_INCH : value * CM_PER_INCH;
}

/**
 * A value that was entered as it is shown, in the unit in which it is kept, to a hundredth.
 * @param value in the academy's unit
 */
export function fromShown(value: number, unit: string, length: LengthUnit): number {
  const shown = shownUnit(unit, length);
  if (shown === unit) return value;
  return round(unit === 'cm' ? value * CM_PER_INCH : value / CM_PER_INCH, 2);
}
