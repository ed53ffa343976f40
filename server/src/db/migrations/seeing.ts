import { academy, athlete, id } from './columns';
import type { Migration } from './columns';

/** Costs were told in mph of a thrower of this speed; they are shares of one's own speed now. */
const MPH_OF_OLD_COSTS = 75;

interface NumbersRow {
  readonly id: string;
  readonly numbers: { readonly model?: Record<string, number> } | null;
}

/** What can be seen, told and entered of an athlete: sizes over time, kinds of outings, norms of the jump. */
export const seeing: Migration = {
  name: '008-seeing',
  async up(db) {
    await db.schema.alterTable('athletes', (t) => {
      t.string('jump_norms', 5).nullable();
    });
    await db.schema.createTable('athlete_sizes', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.double('height_m').notNullable();
      t.double('mass_kg').notNullable();
      t.unique(['academy_id', 'athlete_id', 'on_date'], { indexName: 'sizes_by_athlete' });
    });
    // What is known of today's athletes is what they were entered with.
    await db.raw(
      'insert into athlete_sizes (id, academy_id, athlete_id, on_date, height_m, mass_kg) ' +
        'select uuid(), academy_id, id, date(created_at), height_m, mass_kg from athletes',
    );
    await db.schema.alterTable('outings', (t) => {
      t.string('kind', 8).notNullable().defaultTo('game');
      t.boolean('caught').notNullable().defaultTo(false);
      t.integer('breaking_pitches').notNullable().defaultTo(0);
    });
    await db('outings').where('pitches', 0).update({ kind: 'catch' });
    await rescaleCosts(db, 100 / MPH_OF_OLD_COSTS);
  },
  async down(db) {
    await rescaleCosts(db, MPH_OF_OLD_COSTS / 100);
    await db.schema.alterTable('outings', (t) => {
      t.dropColumns('kind', 'caught', 'breaking_pitches');
    });
    await db.schema.dropTable('athlete_sizes');
    await db.schema.alterTable('athletes', (t) => {
      t.dropColumn('jump_norms');
    });
  },
};

/** An academy's own costs of findings, in the other unit. */
async function rescaleCosts(db: Parameters<Migration['up']>[0], times: number): Promise<void> {
  const rows = (await db('academies').whereNotNull('numbers').select('id', 'numbers')) as NumbersRow[];
  for (const { id: academyId, numbers } of rows) {
    const model = numbers?.model;
    if (!model || !Object.keys(model).some((key) => key.startsWith('cost:'))) continue;
    const rescaled = Object.fromEntries(
      Object.entries(model).map(([key, value]) => [
        key,
        key.startsWith('cost:') ? Math.min(10, Math.round(100 * value * times) / 100) : value,
      ]),
    );
    await db('academies')
      .where('id', academyId)
      .update({ numbers: JSON.stringify({ ...numbers, model: rescaled }) });
  }
}
