import { academy, created, id } from './columns';
import type { Migration } from './columns';

interface WordsRow {
  readonly id: string;
  readonly words: readonly unknown[] | string;
}

const listOf = (words: WordsRow['words']): readonly unknown[] =>
  typeof words === 'string' ? (JSON.parse(words) as unknown[]) : words;

/**
 * An academy’s own words for findings, in versions; words to avoid are words alone, without what was put in their place; how likely a
 * focus was when it was chosen, and is now.
 */
export const words: Migration = {
  name: '009-words',
  async up(db) {
    await db.schema.createTable('own_findings', (t) => {
      id(t);
      academy(t);
      t.string('finding', 60).notNullable();
      t.integer('version').unsigned().notNullable();
      t.json('words').notNullable();
      t.uuid('author_id').nullable().references('users.id').onDelete('SET NULL');
      created(t);
      t.unique(['academy_id', 'finding', 'version']);
    });
    await db.schema.alterTable('foci', (t) => {
      t.double('chance_then').nullable();
    });
    await db.schema.alterTable('athletes', (t) => {
      t.double('focus_chance').nullable();
      t.date('focus_chance_on').nullable();
    });
    for (const row of (await db('academies').select('id', 'words')) as WordsRow[]) {
      const avoided = listOf(row.words).map((word) => (typeof word === 'string' ? word : (word as { avoid: string }).avoid));
      await db('academies')
        .where('id', row.id)
        .update({ words: JSON.stringify(avoided) });
    }
  },
  async down(db) {
    for (const row of (await db('academies').select('id', 'words')) as WordsRow[])
      await db('academies')
        .where('id', row.id)
        .update({ words: JSON.stringify(listOf(row.words).map((avoid) => ({ avoid, say: avoid }))) });
    await db.schema.alterTable('athletes', (t) => {
      t.dropColumns('focus_chance', 'focus_chance_on');
    });
    await db.schema.alterTable('foci', (t) => {
      t.dropColumn('chance_then');
    });
    await db.schema.dropTable('own_findings');
  },
};
