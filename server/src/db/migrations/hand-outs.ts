import { academy, created, id, instant } from './columns';
import type { Migration } from './columns';

/** Work handed out by hand, to one or many: each athlete’s share of it is an assignment of its own, seen and done by itself. */
export const handOuts: Migration = {
  name: '013-hand-outs',
  async up(db) {
    await db.schema.createTable('hand_outs', (t) => {
      id(t);
      academy(t);
      t.json('what').notNullable();
      // A group’s or a station’s; whom it went to is told by the assignments, so that an erased athlete leaves no name behind.
      t.string('to_name', 120).nullable();
      t.string('place', 8).notNullable();
      t.date('on_date').notNullable();
      t.string('note', 300).nullable();
      t.string('author', 120).notNullable();
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      created(t);
      t.index(['academy_id', 'created_at'], 'hand_outs_by_academy');
    });
    await db.schema.alterTable('assignments', (t) => {
      t.uuid('plan_id').nullable().alter();
      t.uuid('hand_out_id').nullable().references('hand_outs.id').onDelete('CASCADE');
      instant(t, 'seen_at').nullable();
      t.index(['academy_id', 'hand_out_id'], 'assignments_by_hand_out');
    });
  },
  async down(db) {
    // What was handed out hangs on no plan: a program that knows none of it has no place for it.
    await db('assignments').whereNull('plan_id').delete();
    await db.schema.alterTable('assignments', (t) => {
      t.dropForeign('hand_out_id');
      t.dropIndex([], 'assignments_by_hand_out');
      t.dropColumns('hand_out_id', 'seen_at');
    });
    await db.raw('alter table assignments modify plan_id char(36) not null');
    await db.schema.dropTable('hand_outs');
  },
};
