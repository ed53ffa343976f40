import { academy, athlete, created, id, instant } from './columns';
import type { Migration } from './columns';

/** The first shape: people, what was seen, what was decided, what was done. */
export const first: Migration = {
  name: '001-people-observations-plans-sessions',
  async up(db) {
    await db.schema.createTable('academies', (t) => {
      id(t);
      t.string('name', 120).notNullable();
      t.string('speed_unit', 4).notNullable().defaultTo('mph');
      t.string('time_zone', 60).notNullable().defaultTo('UTC');
      t.integer('league_daily_limit').nullable();
      t.json('league').notNullable();
      t.json('schools').notNullable();
      created(t);
    });
    await db.schema.createTable('athletes', (t) => {
      id(t);
      academy(t);
      t.string('name', 120).notNullable();
      t.string('discipline', 10).notNullable();
      t.string('throws', 1).notNullable();
      t.date('birth_date').notNullable();
      t.double('height_m').notNullable();
      t.double('mass_kg').notNullable();
      t.string('level', 12).notNullable();
      t.string('season', 3).notNullable();
      t.json('availability').notNullable();
      t.json('equipment').notNullable();
      t.boolean('partner').notNullable();
      t.json('schools').notNullable();
      // Kept with the row so that a roster of thousands needs one query; renewed with every write that changes them.
      t.json('chain').notNullable();
      t.string('focus', 40).nullable();
      t.string('lock_until', 10).nullable();
      created(t);
      t.index(['academy_id', 'name']);
    });
    await db.schema.createTable('users', (t) => {
      id(t);
      academy(t);
      t.uuid('athlete_id').nullable().references('athletes.id').onDelete('CASCADE');
      t.string('role', 12).notNullable();
      t.string('name', 120).notNullable();
      t.string('sign_in', 120).notNullable().unique();
      t.string('password_hash', 255).notNullable();
      created(t);
    });
    await db.schema.createTable('sign_ins', (t) => {
      t.string('token_hash', 64).primary();
      t.uuid('user_id').notNullable().references('users.id').onDelete('CASCADE');
      instant(t, 'expires_at').notNullable().index();
    });
    await db.schema.createTable('observations', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.string('author', 120).notNullable();
      t.json('evidence').notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'on_date', 'created_at'], 'observations_by_athlete');
    });
    await db.schema.createTable('diagnoses', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.string('catalogue_version', 40).notNullable();
      t.json('shown').notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'created_at'], 'diagnoses_by_athlete');
    });
    await db.schema.createTable('foci', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('diagnosis_id').nullable().references('diagnoses.id').onDelete('SET NULL');
      t.string('finding', 40).notNullable();
      t.string('slot', 6).notNullable();
      t.tinyint('rung').notNullable();
      t.string('state', 12).notNullable();
      t.date('started_on').notNullable();
      t.date('rung_since').notNullable();
      instant(t, 'rung_since_at').notNullable();
      t.string('why', 500).nullable();
      instant(t, 'ended_at').nullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'ended_at'], 'foci_by_athlete');
    });
    await db.schema.createTable('plans', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.integer('weeks').notNullable();
      t.boolean('assigned').notNullable().defaultTo(false);
      t.string('catalogue_version', 40).notNullable();
      t.json('request').notNullable();
      t.json('plan').notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'created_at'], 'plans_by_athlete');
    });
    await db.schema.createTable('assignments', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('plan_id').notNullable().references('plans.id').onDelete('CASCADE');
      t.date('on_date').notNullable();
      t.json('session').notNullable();
      t.boolean('done').notNullable().defaultTo(false);
      t.index(['academy_id', 'on_date', 'athlete_id'], 'assignments_by_day');
      t.index(['academy_id', 'athlete_id', 'on_date'], 'assignments_by_athlete');
    });
    await db.schema.createTable('work_sessions', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('assignment_id').nullable().references('assignments.id').onDelete('SET NULL');
      t.date('on_date').notNullable();
      instant(t, 'finished_at').nullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'on_date'], 'work_sessions_by_athlete');
    });
    await db.schema.createTable('reps', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('session_id').notNullable().references('work_sessions.id').onDelete('CASCADE');
      t.uuid('focus_id').nullable().references('foci.id').onDelete('SET NULL');
      t.date('on_date').notNullable();
      instant(t, 'at').notNullable();
      t.string('drill', 60).notNullable();
      t.tinyint('rung').notNullable();
      t.string('judged', 5).notNullable();
      t.string('cheat', 60).nullable();
      t.tinyint('effort').notNullable();
      t.boolean('is_throw').notNullable();
      t.boolean('undone').notNullable().defaultTo(false);
      /** A throw against a lock or over the budget: it counts as load and never for the gate. */
      t.string('refused', 300).nullable();
      t.index(['academy_id', 'athlete_id', 'on_date', 'is_throw', 'undone', 'effort'], 'reps_load');
      t.index(['academy_id', 'focus_id', 'rung', 'at'], 'reps_gate');
      t.index(['session_id', 'drill'], 'reps_session');
    });
    await db.schema.createTable('pain_reports', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('session_id').nullable().references('work_sessions.id').onDelete('SET NULL');
      t.date('on_date').notNullable();
      instant(t, 'at').notNullable();
      t.string('moment', 8).notNullable();
      t.string('site', 12).notNullable();
      t.double('score').notNullable();
      t.json('signs').notNullable();
      t.index(['academy_id', 'athlete_id', 'on_date'], 'pain_by_athlete');
    });
    await db.schema.createTable('readings', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('session_id').notNullable().references('work_sessions.id').onDelete('CASCADE');
      t.date('on_date').notNullable();
      instant(t, 'at').notNullable();
      t.double('speed').notNullable();
      t.string('unit', 4).notNullable();
      t.tinyint('effort').notNullable();
      t.string('gun', 40).notNullable();
      t.string('setting', 6).notNullable();
      t.boolean('undone').notNullable().defaultTo(false);
      t.index(['academy_id', 'athlete_id', 'on_date'], 'readings_by_athlete');
    });
    await db.schema.createTable('outings', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.integer('pitches').notNullable();
      t.integer('throws').notNullable();
      t.integer('high_effort').notNullable();
      t.double('innings').notNullable();
      t.string('author', 120).notNullable();
      t.index(['academy_id', 'athlete_id', 'on_date'], 'outings_by_athlete');
    });
    await db.schema.createTable('clearances', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.string('by_clinician', 120).notNullable();
      t.string('limits', 1000).nullable();
      t.date('until_date').nullable();
      t.string('recorded_by', 120).notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'on_date'], 'clearances_by_athlete');
    });
    await db.schema.createTable('verdicts', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('focus_id').notNullable().references('foci.id').onDelete('CASCADE');
      t.uuid('session_id').nullable().references('work_sessions.id').onDelete('SET NULL');
      t.date('on_date').notNullable();
      t.string('finding', 40).notNullable();
      t.tinyint('from_rung').notNullable();
      t.tinyint('to_rung').notNullable();
      t.string('verdict', 8).notNullable();
      t.string('reason', 500).notNullable();
      t.string('by_whom', 5).notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'created_at'], 'verdicts_by_athlete');
      t.index(['academy_id', 'on_date'], 'verdicts_by_day');
      t.index(['session_id'], 'verdicts_by_session');
    });
  },
  async down(db) {
    for (const table of [
      'verdicts',
      'clearances',
      'outings',
      'readings',
      'pain_reports',
      'reps',
      'work_sessions',
      'assignments',
      'plans',
      'foci',
      'diagnoses',
      'observations',
      'sign_ins',
      'users',
      'athletes',
      'academies',
    ])
      await db.schema.dropTableIfExists(table);
  },
};
