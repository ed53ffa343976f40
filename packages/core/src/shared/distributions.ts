import jStat from 'jstat';

/** P(X ≤ x) of a Beta(a, b) variable. */
export const betaCdf = (x: number, a: number, b: number): number => jStat.beta.cdf(x, a, b);
/** P(X ≤ x) of a normal variable. */
export const normalCdf = (x: number, mean = 0, sd = 1): number => jStat.normal.cdf(x, mean, sd);
/** x with P(X ≤ x) = p of a normal variable. */
export const normalQuantile = (p: number, mean = 0, sd = 1): number => jStat.normal.inv(p, mean, sd);
/** x with P(X ≤ x) = p of Student's t. */
export const tQuantile = (p: number, df: number): number => jStat.studentt.inv(p, df);
/** x with P(X ≤ x) = p of a chi-squared variable. */
export const chiSquareQuantile = (p: number, df: number): number => jStat.chisquare.inv(p, df);
/** x with P(X ≤ x) = p of Fisher's F. */
export const fQuantile = (p: number, df1: number, df2: number): number => jStat.centralF.inv(p, df1, df2);
