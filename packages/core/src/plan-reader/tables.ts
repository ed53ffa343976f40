/** The numbers of the load rules, written down a second time: what is read here shares nothing with what planned. */
type Rows = readonly (readonly [upToAge: number, value: number])[];
const at = (rows: Rows, age: number): number => rows.find(([upTo]) => age <= upTo)![1];

export const budgetAt = (discipline: string, age: number): number =>
  discipline === 'windmill'
    ? at(
        [
          [10, 90],
          [12, 105],
          [14, 125],
          [99, 150],
        ],
        age,
      )
    : at(
        [
          [8, 60],
          [10, 85],
          [12, 95],
          [14, 105],
          [16, 110],
          [18, 120],
          [99, 135],
        ],
        age,
      );

export const hardAt = (age: number): number => (age < 13 ? 20 : age < 15 ? 30 : age < 19 ? 40 : 50);

/** Days of rest that an overhand pitcher owes after a game. */
export function restAt(age: number, pitches: number): number {
  const steps =
    age < 15 ? [1, 21, 36, 51, 66] : age < 17 ? [1, 31, 46, 61, 76] : age < 19 ? [1, 31, 46, 61, 81] : [1, 31, 46, 61, 81, 106];
  return Math.max(0, steps.filter((s) => pitches >= s).length - 1);
}

/** Aim of a week in daily budgets, by age and season. */
export function aimAt(age: number, season: 'off' | 'pre' | 'in'): number {
  const row = age < 9 ? [1.5, 1.5, 1.5] : age < 13 ? [2, 2, 2] : age < 15 ? [2.5, 2.5, 2] : [2.5, 3, 2];
  return row[['off', 'pre', 'in'].indexOf(season)]!;
}

export const gameWarmUp = (age: number): number => (age < 13 ? 25 : 40);

const DAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
export const time = (date: string): number => Date.parse(`${date}T00:00:00Z`) / 86_400_000;
export const dateOf = (day: number): string => new Date(day * 86_400_000).toISOString().slice(0, 10);
export const weekdayAt = (date: string): (typeof DAYS)[number] => DAYS[new Date(`${date}T00:00:00Z`).getUTCDay()]!;
export function ageAt(birth: string, date: string): number {
  const [b, d] = [birth, date].map((x) => x.split('-').map(Number)) as [number[], number[]];
  return d[0]! - b[0]! - (d[1]! < b[1]! || (d[1] === b[1] && d[2]! < b[2]!) ? 1 : 0);
}
