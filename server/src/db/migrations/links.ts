import { academy, created, id, instant } from './columns';
import type { Migration } from './columns';

/** Secret addresses: sheets for the family, calendars to subscribe to. Each is closed at once by whoever made it, or a coach. */
export const links: Migration = {
  name: '015-links',
  async up(db) {
    await db.schema.createTable('links', (t) => {
      id(t);
      academy(t);
      // Null for the calendar of all athletes.
      t.uuid('athlete_id').nullable().references('athletes.id').onDelete('CASCADE');
      // Whoever goes leaves no open door behind.
      t.uuid('user_id').notNullable().references('users.id').onDelete('CASCADE');
      t.string('kind', 8).notNullable();
      t.json('what').notNullable();
      t.string('key_hash', 64).notNullable().unique();
      instant(t, 'expires_at').nullable();
      instant(t, 'revoked_at').nullable();
      t.integer('views').notNullable().defaultTo(0);
      instant(t, 'viewed_at').nullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'kind'], 'links_by_athlete');
      t.index(['academy_id', 'user_id', 'kind'], 'links_by_user');
    });
  },
  async down(db) {
    await db.schema.dropTable('links');
  },
};
