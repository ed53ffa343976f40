import { academy, athlete, id, instant } from './columns';
import type { Migration } from './columns';

/** What is said before a session and noted during it; the guns by which speeds are read, and what was thrown. */
export const run: Migration = {
  name: '012-run',
  async up(db) {
    await db.schema.alterTable('work_sessions', (t) => {
      t.json('readiness').nullable();
    });
    await db.schema.createTable('guns', (t) => {
      id(t);
      academy(t);
      t.string('name', 40).notNullable();
      t.string('place', 24).notNullable();
      t.double('side_deg').notNullable();
      t.double('up_deg').notNullable();
      t.string('unit', 4).notNullable();
      t.double('offset_by').nullable();
      t.boolean('retired').notNullable().defaultTo(false);
      t.unique(['academy_id', 'name'], { indexName: 'guns_by_name' });
    });
    await db.schema.alterTable('readings', (t) => {
      t.string('pitch', 12).nullable();
      t.double('ball_g').nullable();
      t.double('distance_m').nullable();
      t.string('surface', 8).nullable();
    });
    await db.schema.createTable('session_notes', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.uuid('session_id').notNullable().references('work_sessions.id').onDelete('CASCADE');
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      t.boolean('alone').notNullable().defaultTo(false);
      instant(t, 'at').notNullable();
      instant(t, 'device_at').notNullable();
      instant(t, 'received_at').notNullable();
      t.string('text', 500).notNullable();
      t.index(['academy_id', 'athlete_id', 'on_date'], 'notes_by_athlete');
    });
  },
  async down(db) {
    await db.schema.dropTable('session_notes');
    await db.schema.alterTable('readings', (t) => {
      t.dropColumns('pitch', 'ball_g', 'distance_m', 'surface');
    });
    await db.schema.dropTable('guns');
    await db.schema.alterTable('work_sessions', (t) => {
      t.dropColumn('readiness');
    });
  },
};
