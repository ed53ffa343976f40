import { academy, athlete, created, id, instant } from './columns';
import type { Migration } from './columns';

/** Camps. Days and stations are written and read whole; athletes, their places and what happens are rows. */
export const camps: Migration = {
  name: '018-camps',
  async up(db) {
    await db.schema.createTable('camps', (t) => {
      id(t);
      academy(t);
      t.string('name', 80).notNullable();
      t.string('place', 120).nullable();
      t.date('first_on').notNullable();
      t.date('last_on').notNullable();
      t.json('days').notNullable();
      t.json('stations').notNullable();
      t.smallint('forget_after_days').notNullable();
      t.integer('revision').notNullable();
      instant(t, 'published_at').nullable();
      t.double('score').nullable();
      t.double('bound_score').nullable();
      t.json('infeasible').nullable();
      // Whom its station coaches may log for, while it lasts.
      t.uuid('group_id').nullable().references('athlete_groups.id').onDelete('SET NULL');
      created(t);
      t.index(['academy_id', 'first_on'], 'camps_by_day');
    });
    await db.schema.createTable('camp_athletes', (t) => {
      t.uuid('camp_id').notNullable().references('camps.id').onDelete('CASCADE');
      academy(t);
      athlete(t);
      t.string('group_name', 60).nullable();
      t.json('friends').notNullable();
      t.boolean('visitor').notNullable();
      t.smallint('place_in_list').notNullable();
      t.primary(['camp_id', 'athlete_id']);
      t.index(['academy_id', 'athlete_id'], 'camp_athletes_by_athlete');
    });
    await db.schema.createTable('camp_visits', (t) => {
      t.uuid('camp_id').notNullable().references('camps.id').onDelete('CASCADE');
      academy(t);
      athlete(t);
      t.tinyint('day').notNullable();
      t.tinyint('rotation').notNullable();
      t.string('station', 36).notNullable();
      t.primary(['camp_id', 'athlete_id', 'day', 'rotation']);
      t.index(['academy_id', 'athlete_id'], 'camp_visits_by_athlete');
    });
    await db.schema.createTable('camp_changes', (t) => {
      id(t);
      academy(t);
      t.uuid('camp_id').notNullable().references('camps.id').onDelete('CASCADE');
      t.tinyint('day').notNullable();
      t.tinyint('from_rotation').notNullable();
      t.string('type', 20).notNullable();
      // Of one of the two.
      t.uuid('athlete_id').nullable().references('athletes.id').onDelete('CASCADE');
      t.string('station', 36).nullable();
      instant(t, 'at').notNullable();
      t.index(['academy_id', 'camp_id', 'day'], 'camp_changes_by_camp');
    });
    await db.schema.createTable('camp_arrivals', (t) => {
      t.uuid('camp_id').notNullable().references('camps.id').onDelete('CASCADE');
      academy(t);
      athlete(t);
      t.tinyint('day').notNullable();
      instant(t, 'at').notNullable();
      t.primary(['camp_id', 'athlete_id', 'day']);
      t.index(['academy_id', 'athlete_id'], 'camp_arrivals_by_athlete');
    });
  },
  async down(db) {
    for (const table of ['camp_arrivals', 'camp_changes', 'camp_visits', 'camp_athletes', 'camps'])
      await db.schema.dropTable(table);
  },
};
