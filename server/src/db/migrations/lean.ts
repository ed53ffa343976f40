import type { Migration } from './columns';

/** Days of load stand in a table of their own: no question goes by this index any more, and every rep had to be written into it. */
export const lean: Migration = {
  name: '011-lean',
  async up(db) {
    await db.schema.alterTable('reps', (t) => {
      t.dropIndex([], 'reps_load');
    });
  },
  async down(db) {
    await db.schema.alterTable('reps', (t) => {
      t.index(['academy_id', 'athlete_id', 'on_date', 'is_throw', 'undone', 'effort'], 'reps_load');
    });
  },
};
