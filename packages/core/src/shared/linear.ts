/** A mixed-integer linear model, larger being better, as plain data: any solver can read it. */
export interface LinearModel {
  readonly columns: readonly { readonly cost: number; readonly upper: number; readonly whole: boolean }[];
  readonly rows: readonly {
    readonly lower: number;
    readonly upper: number;
    readonly entries: readonly (readonly [column: number, value: number])[];
  }[];
}

/** What a solver found: a value for every column, and how good any solution could be. */
export interface LinearSolution {
  readonly values: readonly number[];
  readonly score: number;
  readonly best: number;
}

/** Finds the best values of a model it can, from values to start with. */
export type Solver = (model: LinearModel, start: readonly number[]) => LinearSolution | Promise<LinearSolution>;

export type Entry = readonly [column: number, value: number];

/** A column whose value follows from others’. */
export interface Follower {
  readonly column: number;
  readonly upper: number;
  readonly sums: readonly (readonly Entry[])[];
}

/** Collects columns and rows. */
export class LinearBuilder {
  readonly columns: { cost: number; upper: number; whole: boolean }[] = [];
  readonly rows: { lower: number; upper: number; entries: Entry[] }[] = [];
  readonly followers: Follower[] = [];

  /** A choice of nought or one. @returns its column */
  choice(cost: number): number {
    return this.columns.push({ cost, upper: 1, whole: true }) - 1;
  }
  /** A whole number from nought up. @returns its column */
  amount(cost: number, upper: number): number {
    return this.columns.push({ cost, upper, whole: true }) - 1;
  }
  /** A share from nought up. @returns its column */
  share(cost: number, upper: number): number {
    return this.columns.push({ cost, upper, whole: false }) - 1;
  }
  /** A value that follows from others: worth as much as it may be, and at most each of several sums. @returns its column */
  follower(cost: number, upper: number, sums: readonly (readonly Entry[])[]): number {
    const column = this.amount(cost, upper);
    for (const entries of sums) this.atMost([[column, 1], ...entries.map(([c, value]): Entry => [c, -value])], 0);
    this.followers.push({ column, upper, sums });
    return column;
  }
  atMost(entries: readonly Entry[], upper: number): void {
    if (entries.length > 0) this.rows.push({ lower: -Infinity, upper, entries: [...entries] });
  }
  atLeast(entries: readonly Entry[], lower: number): void {
    if (entries.length > 0) this.rows.push({ lower, upper: Infinity, entries: [...entries] });
  }
  exactly(entries: readonly Entry[], value: number): void {
    if (entries.length > 0) this.rows.push({ lower: value, upper: value, entries: [...entries] });
  }
  model(): LinearModel {
    return { columns: this.columns, rows: this.rows };
  }
}

/** The value of a solution by the costs of its model. */
export const scoreOfValues = ({ columns }: LinearModel, values: readonly number[]): number =>
  columns.reduce((total, column, i) => total + column.cost * (values[i] ?? 0), 0);

const SLACK = 1e-6;

/** Whether values keep every bound, row and whole number of a model. */
export const isFeasible = ({ columns, rows }: LinearModel, values: readonly number[]): boolean =>
  columns.every(({ upper, whole }, i) => {
    const value = values[i] ?? 0;
    return value >= -SLACK && value <= upper + SLACK && (!whole || Math.abs(value - Math.round(value)) < SLACK);
  }) &&
  rows.every(({ lower, upper, entries }) => {
    const sum = entries.reduce((total, [column, value]) => total + value * (values[column] ?? 0), 0);
    return sum >= lower - SLACK && sum <= upper + SLACK;
  });
