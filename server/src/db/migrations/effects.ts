import { academy } from './columns';
import type { Migration } from './columns';

/** What the drills of a finding did in an academy's athletes, as it came out on the day when it was last worked out. */
export const effects: Migration = {
  name: '016-effects',
  async up(db) {
    await db.schema.createTable('drill_effects', (t) => {
      academy(t);
      t.string('finding', 40).notNullable();
      t.string('discipline', 10).notNullable();
      t.date('on_date').notNullable();
      // Null where nothing can be told.
      t.json('answer').nullable();
      t.primary(['academy_id', 'finding', 'discipline']);
    });
  },
  async down(db) {
    await db.schema.dropTable('drill_effects');
  },
};
