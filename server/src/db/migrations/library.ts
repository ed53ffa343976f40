import { academy, created, id } from './columns';
import type { Migration } from './columns';

/** Copies of drills that change more than words, and an academy’s own ladders. */
export const library: Migration = {
  name: '007-library',
  async up(db) {
    await db.schema.alterTable('own_drills', (t) => {
      // What a copy changes; null for a drill of the catalogue.
      t.json('fields').nullable();
    });
    await db.schema.createTable('own_ladders', (t) => {
      id(t);
      academy(t);
      t.string('finding', 60).notNullable();
      t.string('discipline', 10).notNullable();
      t.integer('version').unsigned().notNullable();
      // Null where the catalogue’s counts again.
      t.json('rungs').nullable();
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      created(t);
      t.unique(['academy_id', 'finding', 'discipline', 'version']);
    });
  },
  async down(db) {
    await db.schema.dropTable('own_ladders');
    // Without its fields a copy is nothing that the catalogue knows.
    await db('own_drills').where('drill', 'like', '%~%').delete();
    await db.schema.alterTable('own_drills', (t) => {
      t.dropColumns('fields');
    });
  },
};
