/** Values in words, as an academy reads them: on screens and on paper alike. */
import { fromShown, shownUnit, toShown } from './units';
import type { LengthUnit } from './units';

const UNIT_WORDS: Record<string, string> = {
  deg: '°',
  s: ' s',
  cm: ' cm',
  in: ' in',
  '%height': ' % of height',
  '%shank': ' % of shank',
  '%': ' %',
  '%BW': ' % of body weight',
  xBW: ' × body weight',
  score: '',
};
const METRES_PER_FOOT = 0.3048;
const KG_PER_POUND = 0.45359237;

/** Places after the point of a measured value, in the unit in which it is shown. */
const digitsOf = (shown: string): number => (shown === 'in' || shown === 'cm' || shown === '%height' ? 1 : 0);

/** Values as this academy reads them: every number of a screen passes here, so that all screens agree. */
export interface Units {
  readonly length: LengthUnit;
  /** The unit behind a field's label. */
  readonly name: (unit: string) => string;
  /** A value for a field or an axis, to a tenth where it was turned into another unit. */
  readonly shown: (value: number, unit: string) => number;
  /** What was entered, in the unit in which it is kept. */
  readonly kept: (value: number, unit: string) => number;
  /** “11.4 cm”, “34°”. */
  readonly text: (value: number, unit: string) => string;
  /** A measured value, no finer than it can be read. */
  readonly number: (value: number, unit: string) => number;
  /** The same with its unit. */
  readonly measured: (value: number, unit: string) => string;
  /** The number of an error or a change, without its sign, to so many places; left out: as fine as the value is read. */
  readonly amount: (value: number, unit: string, digits?: number) => string;
  /** A band in words. */
  readonly band: (band: { readonly low?: number; readonly high?: number } | null, unit: string) => string;
  /** A person's height: “178 cm”, “5'10"”. */
  readonly height: (metres: number) => string;
  readonly mass: (kg: number) => string;
  /** Metres or feet, as a field for a length in them is named. */
  readonly longUnit: 'm' | 'ft';
  /** A length that was taped: “1.83 m”, “6.0 ft”. */
  readonly long: (metres: number) => string;
  /** Metres of a taped length that was entered in metres or feet. */
  readonly metres: (entered: number) => number;
  /** A distance on the ground: “12 m”, “40 ft”. */
  readonly distance: (metres: number) => string;
}

function unitsIn(length: LengthUnit): Units {
  const shown = (value: number, unit: string): number => {
    const there = toShown(value, unit, length);
    return there === value ? value : Math.round(10 * there) / 10;
  };
  const text = (value: number, unit: string): string => {
    const to = shownUnit(unit, length);
    return `${shown(value, unit)}${UNIT_WORDS[to] ?? ` ${to}`}`;
  };
  const rounded = (value: number, unit: string): number =>
    Number(toShown(value, unit, length).toFixed(digitsOf(shownUnit(unit, length))));
  const named = (value: number, unit: string): string => `${value}${UNIT_WORDS[unit] ?? ` ${unit}`}`;
  return {
    length,
    name: (unit) => shownUnit(unit, length),
    shown,
    kept: (value, unit) => fromShown(value, unit, length),
    text,
    number: rounded,
    measured: (value, unit) => named(rounded(value, unit), shownUnit(unit, length)),
    amount: (value, unit, digits) => Math.abs(toShown(value, unit, length)).toFixed(digits ?? digitsOf(shownUnit(unit, length))),
    band(band, unit) {
      const { low, high } = band ?? {};
      if (low !== undefined && high !== undefined) return `band ${shown(low, unit)} to ${text(high, unit)}`;
      if (low !== undefined) return `${text(low, unit)} or more`;
      return high !== undefined ? `${text(high, unit)} or less` : 'no band';
    },
    height(metres) {
      if (length === 'cm') return `${Math.round(100 * metres)} cm`;
      const inches = Math.round(toShown(100 * metres, 'cm', 'in'));
      return `${Math.floor(inches / 12)}'${inches % 12}"`;
    },
    mass: (kg) => (length === 'cm' ? `${Math.round(kg)} kg` : `${Math.round(kg / KG_PER_POUND)} lb`),
    longUnit: length === 'cm' ? 'm' : 'ft',
    long: (metres) => (length === 'cm' ? `${Number(metres.toFixed(2))} m` : `${(metres / METRES_PER_FOOT).toFixed(1)} ft`),
    metres: (entered) => (length === 'cm' ? entered : entered * METRES_PER_FOOT),
    distance: (metres) => (length === 'cm' ? `${metres} m` : `${Math.round(metres / METRES_PER_FOOT)} ft`),
  };
}

export const UNITS: Readonly<Record<LengthUnit, Units>> = { cm: unitsIn('cm'), in: unitsIn('in') };

/** An event or a joint, as it is said. */
export const spoken = (name: string): string => name.replace(/-/g, ' ').replace('oclock', 'o’clock');
export const spokenEvent = (name: string): string => (name === 'max' ? 'greatest' : `at ${spoken(name)}`);
