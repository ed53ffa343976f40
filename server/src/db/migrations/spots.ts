import { academy, athlete, id, instant } from './columns';
import type { Migration } from './columns';

/** Where throws were aimed and where they went. */
export const spots: Migration = {
  name: '017-spots',
  async up(db) {
    await db.schema.createTable('spots', (t) => {
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
      // Right of the plate's middle and above the ground, as the pitcher sees it, cm.
      t.double('target_x').notNullable();
      t.double('target_y').notNullable();
      t.double('actual_x').notNullable();
      t.double('actual_y').notNullable();
      t.smallint('zone_low').notNullable();
      t.smallint('zone_high').notNullable();
      t.tinyint('effort').notNullable();
      t.string('pitch', 12).nullable();
      // It may be here before the rep is.
      t.uuid('rep_id').nullable();
      t.index(['academy_id', 'athlete_id', 'on_date', 'at'], 'spots_by_athlete');
    });
  },
  async down(db) {
    await db.schema.dropTable('spots');
  },
};
