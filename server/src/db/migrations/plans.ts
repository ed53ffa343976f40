import { academy, created, id } from './columns';
import type { Migration } from './columns';

/** Plans changed by hand: what stood before, and the changes in their order; drills in an academy’s own words. */
export const plans: Migration = {
  name: '006-plans',
  async up(db) {
    await db.schema.alterTable('plans', (t) => {
      t.json('base').nullable();
      t.json('edits').nullable();
    });
    await db.schema.alterTable('reps', (t) => {
      // Kit that supported the rep, by commas; null where nobody told.
      t.string('aids', 200).nullable();
    });
    await db.schema.createTable('own_drills', (t) => {
      id(t);
      academy(t);
      t.string('drill', 60).notNullable();
      t.integer('version').unsigned().notNullable();
      t.string('use_as', 8).notNullable();
      t.json('words').notNullable();
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      created(t);
      t.unique(['academy_id', 'drill', 'version']);
    });
  },
  async down(db) {
    await db.schema.dropTable('own_drills');
    await db.schema.alterTable('reps', (t) => {
      t.dropColumns('aids');
    });
    await db.schema.alterTable('plans', (t) => {
      t.dropColumns('base', 'edits');
    });
  },
};
