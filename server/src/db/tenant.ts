import type { Knex } from 'knex';
import { conflict, notFound } from '../problems';
import { ownRows } from '../boundary';
import type { AcademyTables, Query, Values } from './tables';

type Name = keyof AcademyTables;
/** Tables whose rows have an id. */
type Named = { [N in Name]: AcademyTables[N] extends { id: string } ? N : never }[Name];
/** A row to be written; the academy is added. */
type NewRow<N extends Name> = Omit<Values<AcademyTables[N]>, 'academy_id'>;
/** Columns of a table whichever it is. */
type Columns = Record<string, unknown>;
type WithId<N extends Name> = NewRow<N> & { readonly id: string };

const idTaken = () => conflict('That id is taken', 'A record with this id exists already. Make a new id and send it again.');

/**
 * The one door to an academy's rows: every query made through it carries the academy, so none can reach another's. Sign-in,
 * which does not know the academy yet, is the only code that goes to the database without it.
 */
export class Tenant {
  constructor(
    private readonly db: Knex,
    readonly academy: string,
  ) {}

  /** A query on the academy's rows of a table. */
  from<N extends Name>(table: N): Query<N> {
    return this.named(table, table);
  }

  /** The same under another name, where a table meets itself. */
  fromAs<N extends Name>(table: N, alias: string): Query<N> {
    return this.named(table, alias);
  }

  /** A query on whichever table: what it answers is not known by its type. */
  fromAny(table: Name): Knex.QueryBuilder<Columns, Columns[]> {
    return this.plain(table).where(`${table}.academy_id`, this.academy);
  }

  /** The academy's own row. */
  academyRow() {
    return this.db('academies').where('id', this.academy);
  }

  /** Whether the academy has such a row. */
  async has(table: Named, where: Record<string, string | boolean>): Promise<boolean> {
    return (await this.fromAny(table).where(where).first('id')) !== undefined;
  }

  /** A table that has no academy of its own: rows that hang on people or channels, reached by their owner's id. */
  outside(table: 'sign_ins') {
    return this.db(table);
  }

  /** Inserts rows that have no id: links between two of the academy's rows. Made twice, they are there once. */
  async insertLinks<N extends Name>(table: N, rows: readonly NewRow<N>[]): Promise<void> {
    if (rows.length === 0) return;
    await this.plain(table).insert(this.marked(rows)).onConflict().ignore();
  }

  /** Inserts rows that were looked for and not found. @throws ProblemError when one of the ids is taken all the same */
  async insertNew<N extends Named>(table: N, rows: readonly NewRow<N>[]): Promise<void> {
    if (rows.length === 0) return;
    await this.plain(table)
      .insert(this.marked(rows))
      .catch((error: Error & { code?: string }) => {
        if (error.code === 'ER_DUP_ENTRY') throw idTaken();
        throw error;
      });
  }

  /** Inserts rows of whichever table, whose columns have been checked; one that is there already is an error. */
  async insertAny(table: Name, rows: readonly object[]): Promise<void> {
    if (rows.length > 0) await this.plain(table).insert(this.marked(rows));
  }

  /** Writes rows under their own key, over what is there. @param columns what is written over */
  async write<N extends Name>(
    table: N,
    rows: readonly NewRow<N>[],
    columns: readonly (keyof AcademyTables[N] & string)[],
  ): Promise<void> {
    if (rows.length === 0) return;
    await this.plain(table)
      .insert(this.marked(rows))
      .onConflict()
      .merge([...columns]);
  }

  /** Holds an athlete's row until the end of the transaction: whoever writes about the same athlete waits. Undefined when there is none. */
  hold(athlete: string): Promise<AcademyTables['athletes'] | undefined> {
    return this.from('athletes').where('id', athlete).forUpdate().first();
  }

  /** Names of a table's columns. */
  async columns(table: Name): Promise<string[]> {
    return Object.keys(await this.db(table).columnInfo());
  }

  raw(sql: string): Knex.Raw {
    return this.db.raw(sql);
  }

  /**
   * Inserts rows whose ids the client made. A row that is already there stays as it is, so that a repeated write is one row.
   * @throws ProblemError when an id belongs to another academy, or to another athlete or author of this one
   */
  async insertOnce<N extends Named>(table: N, rows: WithId<N> | readonly WithId<N>[]): Promise<void> {
    const list = this.marked(Array.isArray(rows) ? (rows as readonly WithId<N>[]) : [rows as WithId<N>]);
    if (list.length === 0) return;
    await this.plain(table)
      .insert(list)
      .onConflict()
      // Nothing is changed: neither the row of this id, nor one that another unique key stands against.
      .merge({ id: this.db.ref('id') });
    await this.requireOwn(table, list);
  }

  /**
   * Inserts a row, or changes the academy's own row of that id.
   * @throws ProblemError when the id belongs to another athlete
   */
  async upsert<N extends Named>(table: N, row: WithId<N>): Promise<void> {
    const { athlete_id: athlete } = row as Columns;
    const known = await this.fromAny(table).where('id', row.id).first();
    if (known && athlete !== undefined && known.athlete_id !== athlete) throw notFound('record');
    if (known) await this.fromAny(table).where('id', row.id).update(row);
    else await this.insertOnce(table, row);
  }

  /** All of some work or nothing. Inside of a transaction it is part of that one, and stands or falls with it. */
  async transaction<T>(work: (tenant: Tenant) => Promise<T>): Promise<T> {
    if (this.db.isTransaction) return work(this);
    return this.db.transaction((trx) => work(new Tenant(trx, this.academy)));
  }

  /** Rows of a table whichever it is. */
  private plain(table: string): Knex.QueryBuilder<Columns, Columns[]> {
    return this.db<Columns>(table);
  }

  private named<N extends Name>(table: N, alias: string): Query<N> {
    return ownRows<N>(this.db(table === alias ? table : `${table} as ${alias}`).where(`${alias}.academy_id`, this.academy));
  }

  private marked(rows: readonly object[]): Columns[] {
    return rows.map((row) => ({ ...row, academy_id: this.academy }));
  }

  private async requireOwn(table: Name, rows: readonly Columns[]): Promise<void> {
    const ids = rows.map((row) => row.id as string);
    const of = ['athlete_id', 'author_id'].filter((column) => rows.some((row) => row[column] !== undefined));
    const own = await this.fromAny(table)
      .whereIn('id', ids)
      .select('id', ...of);
    if (own.length !== new Set(ids).size) throw idTaken();
    // An id belongs to its athlete and its author for good.
    const given = new Map(rows.map((row) => [row.id, row]));
    for (const row of own)
      for (const column of of)
        if (row[column] !== null && given.get(row.id)?.[column] !== undefined && given.get(row.id)![column] !== row[column])
          throw notFound('record');
  }
}
