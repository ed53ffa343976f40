import type { Knex } from 'knex';
import { conflict, notFound } from '../problems';

type Row = Record<string, unknown>;

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
  from(table: string): Knex.QueryBuilder {
    const alias = / as (\w+)$/.exec(table)?.[1] ?? table;
    return this.db(table).where(`${alias}.academy_id`, this.academy);
  }

  /** The academy's own row. */
  academyRow(): Knex.QueryBuilder {
    return this.db('academies').where('id', this.academy);
  }

  /** Whether the academy has such a row. */
  async has(table: string, where: Record<string, string | boolean>): Promise<boolean> {
    return ((await this.from(table).where(where).first('id')) as object | undefined) !== undefined;
  }

  /** A table that has no academy of its own: rows that hang on people or channels, reached by their owner's id. */
  outside(table: 'sign_ins'): Knex.QueryBuilder {
    return this.db(table);
  }

  /** Inserts rows that have no id: links between two of the academy's rows. Made twice, they are there once. */
  async insertLinks(table: string, rows: readonly Row[]): Promise<void> {
    if (rows.length === 0) return;
    await this.db(table)
      .insert(rows.map((row) => ({ ...row, academy_id: this.academy })))
      .onConflict()
      .ignore();
  }

  /** Inserts rows that were looked for and not found. @throws ProblemError when one of the ids is taken all the same */
  async insertNew(table: string, rows: readonly object[]): Promise<void> {
    if (rows.length === 0) return;
    await this.db(table)
      .insert(rows.map((row) => ({ ...row, academy_id: this.academy })))
      .catch((error: Error & { code?: string }) => {
        if (error.code === 'ER_DUP_ENTRY') throw idTaken();
        throw error;
      });
  }

  /** Writes rows under their own key, over what is there. @param columns what is written over */
  async write(table: string, rows: readonly Row[], columns: readonly string[]): Promise<void> {
    if (rows.length === 0) return;
    await this.db(table)
      .insert(rows.map((row) => ({ ...row, academy_id: this.academy })))
      .onConflict()
      .merge(columns as string[]);
  }

  /** Holds an athlete's row until the end of the transaction: whoever writes about the same athlete waits. Undefined when there is none. */
  async hold<T>(athlete: string): Promise<T | undefined> {
    return (await this.from('athletes').where('id', athlete).forUpdate().first()) as T | undefined;
  }

  raw(sql: string): Knex.Raw {
    return this.db.raw(sql);
  }

  /**
   * Inserts rows whose ids the client made. A row that is already there stays as it is, so that a repeated write is one row.
   * @throws ProblemError when an id belongs to another academy, or to another athlete or author of this one
   */
  async insertOnce(table: string, rows: Row | readonly Row[]): Promise<void> {
    const list = (Array.isArray(rows) ? rows : [rows]) as Row[];
    if (list.length === 0) return;
    await this.db(table)
      .insert(list.map((row) => ({ ...row, academy_id: this.academy })))
      .onConflict()
      // Nothing is changed: neither the row of this id, nor one that another unique key stands against.
      .merge({ id: this.db.ref('id') });
    await this.requireOwn(table, list);
  }

  /**
   * Inserts a row, or changes the academy's own row of that id.
   * @throws ProblemError when the id belongs to another athlete
   */
  async upsert(table: string, row: Row): Promise<void> {
    const known = (await this.from(table)
      .where('id', row.id as string)
      .first()) as Row | undefined;
    if (known && row.athlete_id !== undefined && known.athlete_id !== row.athlete_id) throw notFound('record');
    if (known)
      await this.from(table)
        .where('id', row.id as string)
        .update(row);
    else await this.insertOnce(table, row);
  }

  /** All of some work or nothing. Inside of a transaction it is part of that one, and stands or falls with it. */
  async transaction<T>(work: (tenant: Tenant) => Promise<T>): Promise<T> {
    if (this.db.isTransaction) return work(this);
    return this.db.transaction((trx) => work(new Tenant(trx, this.academy)));
  }

  private async requireOwn(table: string, rows: readonly Row[]): Promise<void> {
    const ids = rows.map((row) => row.id as string);
    const of = ['athlete_id', 'author_id'].filter((column) => rows.some((row) => row[column] !== undefined));
    const own = (await this.from(table)
      .whereIn('id', ids)
      .select('id', ...of)) as Row[];
    if (own.length !== new Set(ids).size) throw idTaken();
    // An id belongs to its athlete and its author for good.
    const given = new Map(rows.map((row) => [row.id, row]));
    for (const row of own)
      for (const column of of)
        if (row[column] !== null && given.get(row.id)?.[column] !== undefined && given.get(row.id)![column] !== row[column])
          throw notFound('record');
  }
}
