import { academy, athlete, instant } from './columns';
import type { Migration } from './columns';

/** Reports of camps as they were handed out. */
export const campReports: Migration = {
  name: '019-camp-reports',
  async up(db) {
    await db.schema.createTable('camp_reports', (t) => {
      t.uuid('camp_id').notNullable().references('camps.id').onDelete('CASCADE');
      academy(t);
      athlete(t);
      t.json('report').notNullable();
      instant(t, 'made_at').notNullable();
      t.primary(['camp_id', 'athlete_id']);
      t.index(['academy_id', 'athlete_id'], 'camp_reports_by_athlete');
    });
  },
  async down(db) {
    // A link to a report leads nowhere without it.
    await db('links').where('kind', 'camp').delete();
    await db.schema.dropTable('camp_reports');
  },
};
