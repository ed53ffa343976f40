import { instant } from './columns';
import type { Migration } from './columns';

/** The course of a focus: what it stands at by its measures, when it is to be looked at, and whether what should ease has eased. */
export const course: Migration = {
  name: '014-course',
  async up(db) {
    await db.schema.alterTable('foci', (t) => {
      t.string('course', 12).nullable();
      t.string('course_why', 500).nullable();
      t.date('watch_from').nullable();
      t.string('watch_why', 160).nullable();
      // Asked for: until it comes it is not asked for again.
      instant(t, 'asked_at').nullable();
      t.json('expects').nullable();
      t.json('outcome').nullable();
      t.index(['academy_id', 'course'], 'foci_by_course');
      t.index(['academy_id', 'watch_from'], 'foci_by_watch');
    });
  },
  async down(db) {
    await db.schema.alterTable('foci', (t) => {
      t.dropIndex([], 'foci_by_course');
      t.dropIndex([], 'foci_by_watch');
      t.dropColumns('course', 'course_why', 'watch_from', 'watch_why', 'asked_at', 'expects', 'outcome');
    });
  },
};
