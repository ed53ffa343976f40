import { academy, athlete, created, id } from './columns';
import type { Migration } from './columns';

/** Clips: the file lies in a folder outside the web root, under its id; here is what is known of it. */
export const film: Migration = {
  name: '003-film',
  async up(db) {
    await db.schema.createTable('clips', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.string('name', 200).notNullable();
      t.string('type', 20).notNullable();
      t.integer('bytes').notNullable();
      t.integer('received').notNullable().defaultTo(0);
      t.string('sha256', 64).notNullable();
      t.double('capture_fps').notNullable();
      t.integer('frames').notNullable();
      t.integer('width').notNullable();
      t.integer('height').notNullable();
      t.json('setup').notNullable();
      t.json('marks').notNullable();
      t.text('poster');
      t.string('author', 120).notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'on_date'], 'clips_by_athlete');
    });
    await db.schema.createTable('clip_measures', (t) => {
      academy(t);
      t.uuid('clip_id').notNullable().references('clips.id').onDelete('CASCADE');
      t.uuid('observation_id').notNullable().references('observations.id').onDelete('CASCADE');
      t.primary(['clip_id', 'observation_id']);
    });
  },
  async down(db) {
    await db.schema.dropTableIfExists('clip_measures');
    await db.schema.dropTableIfExists('clips');
  },
};
