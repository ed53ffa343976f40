import type { FindingId } from '../findings/ids';
import { grownSince, HALF_LIFE_CM } from '../athlete/growth';
import type { AthleteSize } from '../athlete/growth';
import type { IsoDate } from '../shared/dates';
import { daysBetween } from '../shared/dates';
import type { Ageing } from './kind';
import type { Likelihood } from './likelihood';

/** Work done on a finding: what was seen of it before may no longer be so. */
export interface WorkDone {
  readonly finding: FindingId;
  readonly on: IsoDate;
  /** Good reps. */
  readonly reps: number;
}

/** Good reps on a finding after which what was seen of it has an even chance to have changed. Provenance `house`. */
export const HALF_LIFE_REPS = 400;

/** What is known of an athlete that makes what was seen grow old. */
export interface Known {
  readonly work?: readonly WorkDone[];
  readonly sizes?: readonly AthleteSize[];
}

/**
 * Chance that what was observed then still holds: halved with each half-life that has passed, with each
 * {@link HALF_LIFE_REPS} good reps on the finding since, and, for what is of the body, with each {@link HALF_LIFE_CM} grown since.
 * One for evidence of the day, or without a date.
 */
export function holdsStill(
  { halfLifeDays, ofTheBody }: Ageing,
  observedOn: IsoDate | undefined,
  on: IsoDate,
  finding: FindingId | null,
  { work = [], sizes = [] }: Known,
): number {
  if (observedOn === undefined) return 1;
  const days = Math.max(0, daysBetween(observedOn, on));
  const reps = work.reduce((total, w) => (w.finding === finding && w.on > observedOn && w.on <= on ? total + w.reps : total), 0);
  const grown = ofTheBody ? grownSince(sizes, observedOn, on) : 0;
  return 0.5 ** (days / halfLifeDays + reps / HALF_LIFE_REPS + grown / HALF_LIFE_CM);
}

/** The likelihood for today's state of what held then: with chance 1 − holds it says nothing. */
export function faded([absent, present]: Likelihood, holds: number): Likelihood {
  if (holds >= 1) return [absent, present];
  const nothing = (absent + present) / 2;
  return [holds * absent + (1 - holds) * nothing, holds * present + (1 - holds) * nothing];
}
