import { academy, athlete } from './columns';
import type { Migration } from './columns';

/** What takes a while to compute, as it came out the last time, by what was asked; and work done counted from an index alone. */
export const standing: Migration = {
  name: '010-standing',
  async up(db) {
    await db.schema.createTable('standing_answers', (t) => {
      academy(t);
      athlete(t);
      t.string('what', 6).notNullable();
      t.string('asked', 64).notNullable();
      t.json('answer').notNullable();
      t.primary(['athlete_id', 'what']);
      t.index(['academy_id', 'athlete_id'], 'standing_by_athlete');
    });
    await db.schema.alterTable('reps', (t) => {
      t.index(['academy_id', 'athlete_id', 'on_date', 'undone', 'gone', 'judged', 'focus_id'], 'reps_work');
    });
  },
  async down(db) {
    await db.schema.alterTable('reps', (t) => {
      t.dropIndex([], 'reps_work');
    });
    await db.schema.dropTableIfExists('standing_answers');
  },
};
