import { academy, athlete, created, id, instant } from './columns';
import type { Migration } from './columns';

/** The coach's word on findings, and what became of each eye's looks. */
export const judgement: Migration = {
  name: '004-judgement',
  async up(db) {
    await db.schema.createTable('rulings', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.string('finding', 40).notNullable();
      t.string('ruling', 8).notNullable();
      t.string('reason', 300).notNullable();
      t.string('author', 120).notNullable();
      t.date('on_date').notNullable();
      instant(t, 'ended_at').nullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'ended_at'], 'rulings_by_athlete');
    });
    await db.schema.alterTable('observations', (t) => {
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
    });
    await db.schema.createTable('eye_agreements', (t) => {
      academy(t);
      athlete(t);
      t.uuid('observation_id').primary().references('observations.id').onDelete('CASCADE');
      t.uuid('user_id').notNullable().references('users.id').onDelete('CASCADE');
      t.string('finding', 40).notNullable();
      t.string('visibility', 5).notNullable();
      t.string('saw', 3).notNullable();
      t.string('measured', 7).notNullable();
      t.index(['academy_id', 'user_id', 'visibility'], 'eye_agreements_by_user');
      t.index(['academy_id', 'athlete_id'], 'eye_agreements_by_athlete');
    });
  },
  async down(db) {
    await db.schema.dropTableIfExists('eye_agreements');
    await db.schema.alterTable('observations', (t) => {
      t.dropForeign('author_id');
      t.dropColumn('author_id');
    });
    await db.schema.dropTableIfExists('rulings');
  },
};
