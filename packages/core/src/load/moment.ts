import type { IsoDate } from '../shared/dates';

/**
 * When something was: the day, and where it is known when on it. `at` is a clock time `HH:MM` or an instant in ISO 8601 UTC; all of
 * one request are written alike, so that they can be told apart by comparing them as text.
 */
export interface Moment {
  readonly date: IsoDate;
  readonly at?: string;
}

/** Where on its day something lies whose time is not known. */
type Unknown = 'start' | 'end';

/** Text that sorts as the moments do. */
export const momentKey = ({ date, at }: Moment, unknown: Unknown): string => `${date} ${at ?? (unknown === 'start' ? '' : '~')}`;
