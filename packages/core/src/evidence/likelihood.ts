/** How likely an observation is if a finding is not there, and if it is, on any common scale. */
export type Likelihood = readonly [absent: number, present: number];

/** So many times likelier where the finding is there. */
export const ratio = (present: number): Likelihood => [1, present];
/** Counts for more or less: each side to the power of the weight; 0 says nothing. */
export const power = ([absent, present]: Likelihood, weight: number): Likelihood => [absent ** weight, present ** weight];
