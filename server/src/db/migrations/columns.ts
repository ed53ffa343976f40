import type { Knex } from 'knex';

export interface Migration extends Knex.Migration {
  readonly name: string;
}

type Table = Knex.TableBuilder;

export const id = (t: Table) => t.uuid('id').primary();
/** Every row of an academy carries it, and it leads every index that is searched. */
export const academy = (t: Table) => t.uuid('academy_id').notNullable().references('academies.id').onDelete('CASCADE');
export const athlete = (t: Table) => t.uuid('athlete_id').notNullable().references('athletes.id').onDelete('CASCADE');
export const instant = (t: Table, name: string) => t.specificType(name, 'datetime(3)');
export const created = (t: Table) => t.specificType('created_at', 'datetime(3) not null default current_timestamp(3)');
