import type { Knex } from 'knex';

/** A yes or no: asked for and written as true or false, read as 1 or 0. */
export type Flag = boolean | 0 | 1;

/** What is in every row of an academy. */
export interface OfAcademy {
  academy_id: string;
}

/** What is in every row about one athlete. */
export interface OfAthlete extends OfAcademy {
  athlete_id: string;
}

/** Something that a client or the server gave an id. */
export interface Kept {
  id: string;
  created_at: Date;
}

/** A column as it is written: JSON as its text, the rest as it is read. */
type Written<T> = T extends string | number | boolean | Date | null ? T : string;

/** Columns to be written; those that have a default may be left out. */
export type Values<Row> = { [Column in keyof Row]?: Written<Row[Column]> };

/** A table whose rows are read as `Row`, and written as {@link Values} of it. */
export type Table<Row extends object> = Knex.CompositeTableType<Row, Values<Row>, Values<Row>>;
