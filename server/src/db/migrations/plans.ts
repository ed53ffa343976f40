import type { Migration } from './columns';

/** Plans changed by hand: what stood before, and the changes in their order. */
export const plans: Migration = {
  name: '006-plans',
  async up(db) {
    await db.schema.alterTable('plans', (t) => {
      t.json('base').nullable();
      t.json('edits').nullable();
    });
  },
  async down(db) {
    await db.schema.alterTable('plans', (t) => {
      t.dropColumns('base', 'edits');
    });
  },
};
