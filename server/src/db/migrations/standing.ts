import { academy, athlete } from './columns';
import type { Migration } from './columns';

/** What the judgement came to the last time it was asked, by what it was asked. */
export const standing: Migration = {
  name: '010-standing',
  async up(db) {
    await db.schema.createTable('judgements', (t) => {
      academy(t);
      athlete(t);
      t.string('moment', 6).notNullable();
      t.string('asked', 64).notNullable();
      t.json('answer').notNullable();
      t.primary(['athlete_id', 'moment']);
      t.index(['academy_id', 'athlete_id'], 'judgements_by_athlete');
    });
  },
  async down(db) {
    await db.schema.dropTableIfExists('judgements');
  },
};
