import type { Discipline } from '../delivery/links';

/** Where a number comes from. */
export type Provenance = 'published' | 'convention' | 'house';

interface ByAge<T> {
  /** Lowest completed age of the row; rows are in rising order. */
  readonly from: number;
  readonly value: T;
}

/** Row for an age; below the first row the first counts. */
export function forAge<T>(rows: readonly ByAge<T>[], age: number): T {
  let found = rows[0]!.value;
  for (const row of rows) if (age >= row.from) found = row.value;
  return found;
}

/** Daily pitch limits, overhand. Provenance `published`. */
export const OVERHAND_DAILY: readonly ByAge<number>[] = [
  { from: 7, value: 50 },
  { from: 9, value: 75 },
  { from: 11, value: 85 },
  { from: 13, value: 95 },
  { from: 17, value: 105 },
  { from: 19, value: 120 },
];

/** Rest days after so many pitches: [highest count, days]. Provenance `published`. */
export const OVERHAND_REST: readonly ByAge<readonly (readonly [upTo: number, days: number])[]>[] = [
  {
    from: 0,
    value: [
      [20, 0],
      [35, 1],
      [50, 2],
      [65, 3],
      [Infinity, 4],
    ],
  },
  {
    from: 15,
    value: [
      [30, 0],
      [45, 1],
      [60, 2],
      [75, 3],
      [Infinity, 4],
    ],
  },
  {
    from: 17,
    value: [
      [30, 0],
      [45, 1],
      [60, 2],
      [80, 3],
      [Infinity, 4],
    ],
  },
  {
    from: 19,
    value: [
      [30, 0],
      [45, 1],
      [60, 2],
      [80, 3],
      [105, 4],
      [Infinity, 5],
    ],
  },
];

/** Pitches allowed on day 1, 2 and 3 in a row, and in one game. Provenance `published`. */
export const WINDMILL_LIMITS: readonly ByAge<{ readonly days: readonly [number, number, number]; readonly perGame: number }>[] = [
  { from: 0, value: { days: [80, 80, 0], perGame: 50 } },
  { from: 11, value: { days: [95, 95, 0], perGame: 65 } },
  { from: 13, value: { days: [115, 115, 80], perGame: 80 } },
  { from: 15, value: { days: [140, 140, 100], perGame: 100 } },
];

/** Practice throws a day at 50 % effort and more. Provenance `house`. */
export const PRACTICE_BUDGET: Record<Discipline, readonly ByAge<number>[]> = {
  overhand: [
    { from: 7, value: 60 },
    { from: 9, value: 85 },
    { from: 11, value: 95 },
    { from: 13, value: 105 },
    { from: 15, value: 110 },
    { from: 17, value: 120 },
    { from: 19, value: 135 },
  ],
  windmill: [
    { from: 0, value: 90 },
    { from: 11, value: 105 },
    { from: 13, value: 125 },
    { from: 15, value: 150 },
  ],
};

/** Practice throws a day at 90 % effort and more. Provenance `house`. */
export const HIGH_EFFORT_DAILY: readonly ByAge<number>[] = [
  { from: 0, value: 20 },
  { from: 13, value: 30 },
  { from: 15, value: 40 },
  { from: 19, value: 50 },
];

/** Innings in 12 months that are warned about. Provenance `published`. */
export const INNINGS_YEAR: readonly ByAge<number>[] = [
  { from: 0, value: 60 },
  { from: 9, value: 80 },
  { from: 13, value: 100 },
];

/** Percent of full effort from which a throw counts as load, and from which it is hard. Provenance `house`. */
export const COUNTS_FROM = 50;
export const HARD_EFFORT = 90;

/** Settings of the practice rules. Provenance `house`. */
export const PRACTICE_RULES = {
  inSeasonShare: 0.6,
  highEffortDayThrows: 10,
  weekWarning: 0.15,
  weekStop: 0.3,
  firstWeekBudgets: 2,
} as const;

/** Practice above this share of the budget counts among windmill days in a row. Provenance `house`. */
export const HEAVY_PRACTICE_SHARE = 0.3;

/** Calendar days between two high-effort days: the second may come this many days after the first. */
export const highEffortGapDays = (age: number): number => (age < 13 ? 3 : 2);
/** Days without a throw that every seven days must hold. */
export const throwFreeDaysPerWeek = (age: number): number => (age < 13 ? 2 : 1);

export const dailyPitchLimit = (discipline: Discipline, age: number): number =>
  discipline === 'overhand' ? forAge(OVERHAND_DAILY, age) : forAge(WINDMILL_LIMITS, age).days[0];
export const practiceBudget = (discipline: Discipline, age: number): number => forAge(PRACTICE_BUDGET[discipline], age);
export const highEffortLimit = (age: number): number => forAge(HIGH_EFFORT_DAILY, age);

/** Days of rest that an overhand pitcher owes after a day's pitches. */
export function restDays(age: number, pitches: number): number {
  if (pitches <= 0) return 0;
  return forAge(OVERHAND_REST, age).find(([upTo]) => pitches <= upTo)![1];
}
