import type { Knex } from 'knex';
import { academy, athlete, created, id, instant } from './columns';
import type { Migration } from './columns';

/** Who wrote it, when their device says and when it came. */
function sender(t: Knex.AlterTableBuilder): void {
  t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
  t.boolean('alone').notNullable().defaultTo(false);
  instant(t, 'device_at').nullable();
  instant(t, 'received_at').nullable();
}

async function dropSender(db: Knex, table: string): Promise<void> {
  await db.schema.alterTable(table, (t) => {
    t.dropForeign('author_id');
    t.dropColumns('author_id', 'alone', 'device_at', 'received_at');
  });
}

/** The log as entries that are kept, with what follows from them worked out beside; locks, clearances and verdicts as instants. */
export const log: Migration = {
  name: '005-log',
  async up(db) {
    await db.schema.alterTable('reps', (t) => {
      sender(t);
      t.date('received_on').nullable();
      // What the sender said; `effort` and `is_throw` are what drill, sender and reading make of it.
      t.tinyint('said_effort').notNullable().defaultTo(0);
      t.boolean('gone').notNullable().defaultTo(false);
      t.boolean('removed').notNullable().defaultTo(false);
      t.index(['academy_id', 'athlete_id', 'on_date', 'at'], 'reps_by_day');
    });
    await db.raw('update reps set device_at = at, received_at = at, received_on = on_date, said_effort = effort, gone = undone');
    await db.schema.alterTable('readings', (t) => {
      sender(t);
      t.uuid('rep_id').nullable();
      t.boolean('gone').notNullable().defaultTo(false);
      t.boolean('removed').notNullable().defaultTo(false);
      t.string('refused', 300).nullable();
      t.index(['session_id'], 'readings_by_session');
    });
    await db.raw('update readings set device_at = at, received_at = at, gone = undone');
    await db.schema.alterTable('pain_reports', (t) => {
      sender(t);
    });
    await db.raw('update pain_reports set device_at = at, received_at = at');
    // No foreign key on what is marked: a mark may come before it.
    await db.schema.createTable('rep_marks', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.uuid('session_id').notNullable().references('work_sessions.id').onDelete('CASCADE');
      t.uuid('rep_id').notNullable();
      t.string('kind', 5).notNullable();
      t.string('cheat', 60).nullable();
      instant(t, 'at').notNullable();
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      t.boolean('alone').notNullable().defaultTo(false);
      instant(t, 'device_at').nullable();
      instant(t, 'received_at').nullable();
      t.index(['academy_id', 'athlete_id', 'rep_id'], 'rep_marks_by_rep');
    });
    await db.raw(`insert into rep_marks (id, academy_id, athlete_id, session_id, rep_id, kind, at, device_at, received_at)
      select uuid(), academy_id, athlete_id, session_id, id, 'undo', at, at, at from reps where undone = 1`);
    await db.raw(`insert into rep_marks (id, academy_id, athlete_id, session_id, rep_id, kind, cheat, at, device_at, received_at)
      select uuid(), academy_id, athlete_id, session_id, id, 'cheat', cheat, at, at, at from reps where cheat is not null`);
    await db.schema.createTable('load_days', (t) => {
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.integer('throws').notNullable();
      t.integer('high_effort').notNullable();
      t.primary(['athlete_id', 'on_date']);
      t.index(['academy_id', 'athlete_id', 'on_date'], 'load_days_by_athlete');
    });
    await db.raw(`insert into load_days (academy_id, athlete_id, on_date, throws, high_effort)
      select academy_id, athlete_id, on_date, count(*), sum(effort >= 90) from reps
      where is_throw = 1 and gone = 0 and effort >= 50 group by academy_id, athlete_id, on_date`);
    await db.schema.alterTable('work_sessions', (t) => {
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      instant(t, 'started_at').nullable();
    });
    await db.raw('update work_sessions set started_at = created_at');
    await db.schema.alterTable('outings', (t) => {
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      t.boolean('removed').notNullable().defaultTo(false);
    });
    await db.schema.alterTable('clearances', (t) => {
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      instant(t, 'at').nullable();
      t.integer('most_throws').nullable();
      t.integer('highest_effort').nullable();
    });
    await db.schema.createTable('corrections', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.string('what', 20).notNullable();
      t.uuid('row_id').notNullable();
      t.json('before').notNullable();
      t.string('who', 120).notNullable();
      t.string('reason', 300).nullable();
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      instant(t, 'at').notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'row_id'], 'corrections_by_row');
    });
    await db.schema.alterTable('foci', (t) => {
      t.tinyint('started_rung').notNullable().defaultTo(0);
      instant(t, 'started_at').nullable();
      t.string('set_aside', 300).nullable();
    });
    await db.raw(`update foci set started_at = coalesce(
        (select min(v.created_at) from verdicts v where v.focus_id = foci.id and v.from_rung <> v.to_rung), rung_since_at),
      started_rung = coalesce(
        (select v.from_rung from verdicts v where v.focus_id = foci.id order by v.created_at limit 1), rung)`);
    await db.raw('update foci set started_at = least(started_at, created_at)');
    await db.schema.alterTable('verdicts', (t) => {
      instant(t, 'at').nullable();
      t.string('was_verdict', 8).nullable();
      t.tinyint('was_to').nullable();
      t.date('revised_on').nullable();
      t.index(['academy_id', 'athlete_id', 'at'], 'verdicts_by_instant');
    });
    await db.raw('update verdicts set at = created_at');
    await db.schema.alterTable('athletes', (t) => {
      // First day that begins under a lock because a clearance has run out.
      t.date('lock_from').nullable();
    });
    await db.schema.alterTable('plans', (t) => {
      t.date('ends_on').nullable();
    });
    await db.raw('update plans set ends_on = date_add(on_date, interval 7 * weeks - 1 day)');
    await db.schema.alterTable('observations', (t) => {
      t.string('set_aside', 300).nullable();
    });
  },
  async down(db) {
    await db.schema.alterTable('observations', (t) => t.dropColumn('set_aside'));
    await db.schema.alterTable('plans', (t) => t.dropColumn('ends_on'));
    await db.schema.alterTable('athletes', (t) => t.dropColumn('lock_from'));
    await db.schema.alterTable('verdicts', (t) => {
      t.dropIndex([], 'verdicts_by_instant');
      t.dropColumns('at', 'was_verdict', 'was_to', 'revised_on');
    });
    await db.schema.alterTable('foci', (t) => t.dropColumns('started_rung', 'started_at', 'set_aside'));
    await db.schema.dropTableIfExists('corrections');
    for (const [table, columns] of [
      ['clearances', ['at', 'most_throws', 'highest_effort']],
      ['outings', ['removed']],
      ['work_sessions', ['started_at']],
    ] as const)
      await db.schema.alterTable(table, (t) => {
        t.dropForeign('author_id');
        t.dropColumns('author_id', ...columns);
      });
    await db.schema.dropTableIfExists('load_days');
    await db.schema.dropTableIfExists('rep_marks');
    await dropSender(db, 'pain_reports');
    await db.schema.alterTable('readings', (t) => {
      t.dropForeign('session_id');
      t.dropIndex([], 'readings_by_session');
      t.foreign('session_id').references('work_sessions.id').onDelete('CASCADE');
      t.dropColumns('rep_id', 'gone', 'removed', 'refused');
    });
    await dropSender(db, 'readings');
    await db.schema.alterTable('reps', (t) => {
      t.dropIndex([], 'reps_by_day');
      t.dropColumns('received_on', 'said_effort', 'gone', 'removed');
    });
    await dropSender(db, 'reps');
  },
};
