import type { Knex } from 'knex';
import { academy, athlete, created, id, instant } from './columns';
import type { Migration } from './columns';

/** Links between people and what they may reach: made anew rather than changed. */
async function linkTable(db: Knex, name: string, other: 'athlete' | 'group'): Promise<void> {
  await db.schema.createTable(name, (t) => {
    academy(t);
    t.uuid('user_id').notNullable().references('users.id').onDelete('CASCADE');
    t.uuid(`${other}_id`)
      .notNullable()
      .references(`${other === 'athlete' ? 'athletes' : 'athlete_groups'}.id`)
      .onDelete('CASCADE');
    t.primary(['user_id', `${other}_id`]);
    t.index(['academy_id', `${other}_id`]);
  });
}

/** Roles beyond coach and athlete, invitations, groups, intake, consents, imports, the body check, devices, and who did what. */
export const people: Migration = {
  name: '002-people-intake-body',
  async up(db) {
    await db.schema.createTable('athlete_groups', (t) => {
      id(t);
      academy(t);
      t.string('name', 80).notNullable();
      created(t);
      t.unique(['academy_id', 'name']);
    });
    await db.schema.createTable('group_members', (t) => {
      academy(t);
      t.uuid('group_id').notNullable().references('athlete_groups.id').onDelete('CASCADE');
      athlete(t);
      t.primary(['group_id', 'athlete_id']);
      t.index(['academy_id', 'athlete_id']);
    });
    await linkTable(db, 'user_athletes', 'athlete');
    await linkTable(db, 'user_groups', 'group');
    await db.raw(
      'insert into user_athletes (academy_id, user_id, athlete_id) select academy_id, id, athlete_id from users where athlete_id is not null',
    );
    await db.schema.alterTable('users', (t) => {
      t.dropForeign('athlete_id');
      t.dropColumn('athlete_id');
      instant(t, 'last_seen_at').nullable();
      t.index(['academy_id', 'name'], 'users_by_academy');
    });
    await db.schema.alterTable('sign_ins', (t) => {
      t.index(['user_id'], 'sign_ins_by_user');
    });
    // Keys are hashes of name and place: a row tells nothing about who was tried.
    await db.schema.createTable('sign_in_tries', (t) => {
      t.string('key_hash', 64).primary();
      t.integer('failures').notNullable();
      instant(t, 'last_at').notNullable().index();
      instant(t, 'closed_until').nullable();
    });
    await db.schema.createTable('known_devices', (t) => {
      t.string('token_hash', 64).primary();
      t.uuid('user_id').notNullable().references('users.id').onDelete('CASCADE');
      instant(t, 'seen_at').notNullable();
    });
    await db.schema.createTable('invitations', (t) => {
      id(t);
      academy(t);
      t.string('token_hash', 64).notNullable().unique();
      t.string('role', 12).notNullable();
      t.string('name', 120).notNullable();
      t.json('athletes').notNullable();
      t.json('groups').notNullable();
      t.uuid('user_id').nullable().references('users.id').onDelete('CASCADE');
      t.string('invited_by', 120).notNullable();
      instant(t, 'expires_at').notNullable();
      instant(t, 'used_at').nullable();
      instant(t, 'taken_back_at').nullable();
      created(t);
      t.index(['academy_id', 'created_at'], 'invitations_by_academy');
    });
    await db.schema.createTable('audit_entries', (t) => {
      id(t);
      academy(t);
      // Names are looked up, so that an erased athlete leaves none behind.
      t.uuid('athlete_id').nullable().references('athletes.id').onDelete('SET NULL');
      t.uuid('user_id').nullable().references('users.id').onDelete('SET NULL');
      t.string('who', 120).notNullable();
      t.string('role', 12).notNullable();
      t.string('did', 300).notNullable();
      // What is done again and again in one session is one line.
      t.uuid('once').nullable().unique();
      instant(t, 'at').notNullable();
      t.index(['academy_id', 'id'], 'audit_by_time');
      t.index(['academy_id', 'athlete_id', 'id'], 'audit_by_athlete');
    });
    await db.schema.createTable('imports', (t) => {
      id(t);
      academy(t);
      t.string('file_name', 200).notNullable();
      t.string('author', 120).notNullable();
      t.integer('athletes').notNullable();
      created(t);
      t.index(['academy_id', 'created_at'], 'imports_by_academy');
    });
    await db.schema.alterTable('academies', (t) => {
      t.string('length_unit', 2).notNullable().defaultTo('cm');
      t.json('league_ages').notNullable().defaultTo('[]');
      t.json('words').notNullable().defaultTo('[]');
      t.boolean('weighted_balls').notNullable().defaultTo(false);
      t.json('numbers').notNullable().defaultTo('{}');
    });
    await db.schema.alterTable('athletes', (t) => {
      t.json('intake').nullable();
      t.string('intake_next', 12).nullable();
      t.json('flags').notNullable().defaultTo('[]');
      t.boolean('care').notNullable().defaultTo(false);
      instant(t, 'archived_at').nullable();
      t.boolean('archived').notNullable().defaultTo(false);
      t.uuid('import_id').nullable().references('imports.id').onDelete('SET NULL');
      t.index(['academy_id', 'archived', 'name', 'id'], 'roster_by_name');
      t.index(['academy_id', 'archived', 'discipline', 'throws', 'name', 'id'], 'roster_by_discipline');
      t.index(['academy_id', 'archived', 'birth_date', 'id'], 'roster_by_age');
      t.index(['academy_id', 'archived', 'focus', 'name', 'id'], 'roster_by_focus');
      t.index(['academy_id', 'archived', 'lock_until'], 'roster_by_lock');
      t.index(['academy_id', 'archived', 'care', 'name', 'id'], 'roster_by_care');
      t.index(['academy_id', 'archived', 'created_at', 'id'], 'roster_by_entry');
      t.index(['academy_id', 'archived', 'intake_next', 'name', 'id'], 'roster_by_intake');
    });
    // One row for each word of a name: a search reads the rows it shows and no more.
    await db.schema.createTable('athlete_words', (t) => {
      academy(t);
      t.string('word', 60).notNullable();
      athlete(t);
      t.primary(['academy_id', 'word', 'athlete_id']);
    });
    await db.schema.createTable('consents', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.string('kind', 12).notNullable();
      t.boolean('given').notNullable();
      t.string('by_whom', 120).notNullable();
      t.string('recorded_by', 120).notNullable();
      t.date('on_date').notNullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'created_at'], 'consents_by_athlete');
    });
    await db.schema.createTable('body_checks', (t) => {
      id(t);
      academy(t);
      athlete(t);
      t.date('on_date').notNullable();
      t.string('kind', 5).notNullable();
      t.json('steps').notNullable();
      instant(t, 'finished_at').nullable();
      created(t);
      t.index(['academy_id', 'athlete_id', 'created_at'], 'body_checks_by_athlete');
    });
    for (const [table, own] of [
      [
        'body_readings',
        (t: Knex.CreateTableBuilder) => {
          t.double('value').notNullable();
          t.string('read_by', 8).notNullable();
          t.string('moment', 5).notNullable();
        },
      ],
      [
        'body_notes',
        (t: Knex.CreateTableBuilder) => {
          t.string('note', 500).notNullable();
          t.json('pain').nullable();
        },
      ],
    ] as const)
      await db.schema.createTable(table, (t) => {
        id(t);
        academy(t);
        athlete(t);
        t.uuid('check_id').notNullable().references('body_checks.id').onDelete('CASCADE');
        t.date('on_date').notNullable();
        t.string('test', 40).notNullable();
        t.string('side', 12).notNullable();
        own(t);
        created(t);
        t.index(['academy_id', 'athlete_id', 'on_date'], `${table}_by_athlete`);
        t.index(['check_id'], `${table}_by_check`);
      });
    await db.schema.createTable('device_channels', (t) => {
      id(t);
      academy(t);
      t.string('key_hash', 64).notNullable();
      instant(t, 'expires_at').notNullable().index();
    });
    await db.schema.createTable('device_messages', (t) => {
      t.bigIncrements('seq');
      t.uuid('channel_id').notNullable().references('device_channels.id').onDelete('CASCADE');
      t.json('message').notNullable();
      created(t);
      t.index(['channel_id', 'seq'], 'device_messages_by_channel');
    });
    await db.schema.alterTable('observations', (t) => {
      t.string('source', 10).notNullable().defaultTo('coach');
    });
  },
  async down(db) {
    await db.schema.alterTable('observations', (t) => t.dropColumn('source'));
    for (const table of [
      'device_messages',
      'device_channels',
      'body_notes',
      'body_readings',
      'body_checks',
      'consents',
      'athlete_words',
    ])
      await db.schema.dropTableIfExists(table);
    await db.schema.alterTable('athletes', (t) => {
      t.dropForeign('import_id');
      for (const index of [
        'roster_by_name',
        'roster_by_discipline',
        'roster_by_age',
        'roster_by_focus',
        'roster_by_lock',
        'roster_by_care',
        'roster_by_entry',
        'roster_by_intake',
      ])
        t.dropIndex([], index);
      for (const column of ['intake', 'intake_next', 'flags', 'care', 'archived_at', 'archived', 'import_id'])
        t.dropColumn(column);
    });
    await db.schema.alterTable('academies', (t) => {
      for (const column of ['length_unit', 'league_ages', 'words', 'weighted_balls', 'numbers']) t.dropColumn(column);
    });
    for (const table of ['imports', 'audit_entries', 'invitations', 'known_devices', 'sign_in_tries'])
      await db.schema.dropTableIfExists(table);
    await db.schema.alterTable('users', (t) => {
      t.uuid('athlete_id').nullable().references('athletes.id').onDelete('CASCADE');
      t.dropColumn('last_seen_at');
    });
    await db.raw('update users u join user_athletes l on l.user_id = u.id set u.athlete_id = l.athlete_id where u.role = ?', [
      'athlete',
    ]);
    for (const table of ['user_athletes', 'user_groups', 'group_members', 'athlete_groups'])
      await db.schema.dropTableIfExists(table);
  },
};
