/** Where types of packages say less than is so: each of these casts, with its reason. */
import type { Knex } from 'knex';
import type { AcademyTables, Query } from './db/tables';

/** A query on a table that is known by a type alone; Knex resolves the name of a table only where it stands written out. */
export const ownRows = <N extends keyof AcademyTables>(query: Knex.QueryBuilder): Query<N> => query as unknown as Query<N>;

/** Types that the driver leaves as text; Knex's own types know no list of them. */
export const asText = (types: readonly string[]): boolean => types as unknown as boolean;
