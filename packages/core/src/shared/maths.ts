export const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

export const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** Log-odds of a probability, kept finite. */
export function logOdds(probability: number): number {
  const p = clamp(probability, 1e-6, 1 - 1e-6);
  return Math.log(p / (1 - p));
}

/** Rounds for output, so that the same computation prints the same bytes on every machine. */
export const round = (value: number, digits = 4): number => {
  const scale = 10 ** digits;
  return Math.round(value * scale) / scale + 0;
};

/** Density of a normal distribution. */
export const normalDensity = (x: number, mean: number, sd: number): number =>
  Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
