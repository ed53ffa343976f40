/** Where types of packages say less than is so: each of these casts, with its reason. */
import type { Knex } from 'knex';
import type { AcademyTables, Query } from './db/tables';

/** A query on a table that is known by a type alone; Knex resolves the name of a table only where it stands written out. */
export const ownRows = <N extends keyof AcademyTables>(query: Knex.QueryBuilder): Query<N> => query as unknown as Query<N>;

/** Types that the driver leaves as text; Knex's own types know no list of them. */
export const asText = (types: readonly string[]): boolean => types as unknown as boolean;

/** A row of any shape as a record of its columns: what it is told of is checked column by column, or only written out. */
export const asRecord = (row: unknown): Readonly<Record<string, unknown>> => row as Readonly<Record<string, unknown>>;

/** A value that a parser hands over, before anybody has looked at it: whoever takes it checks what they use. */
export const unchecked = <T>(value: unknown): T => value as T;

/** The rows of a statement of one's own. */
export const rowsOfRaw = <T>(answer: unknown): readonly T[] => (answer as [T[]])[0];
