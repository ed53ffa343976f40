/** What a value says that is measured against two normal densities. */
import type { Likelihood } from './likelihood';

/** Share of readings that say nothing: wrong side, wrong posture, wrong athlete. Provenance of all numbers here: `house`. */
export const MISTAKEN = 0.01;
/** The same of a measure from film, whose view, side and events have been checked. */
export const MEASURE_MISTAKEN = 0.0002;
/** A value measured against two normal densities at ± spread from a neutral point. */
export interface TwoDensities {
  readonly absentMean: number;
  readonly presentMean: number;
  readonly sd: number;
  /** Share of such readings that say nothing; left out: the usual one. */
  readonly mistaken?: number;
}

/** Likelihoods of a value under "absent" and "present". */
export function densities(value: number, { absentMean, presentMean, sd, mistaken = MISTAKEN }: TwoDensities): Likelihood {
  // The nearer peak is scaled to one, so that far-off values do not underflow to 0 : 0.
  const exponents = [presentMean, absentMean].map((mean) => -0.5 * ((value - mean) / sd) ** 2);
  const top = Math.max(...exponents);
  const [present, absent] = exponents.map((e) => Math.exp(e - top)) as [number, number];
  return [(1 - mistaken) * absent + mistaken * present, (1 - mistaken) * present + mistaken * absent];
}
