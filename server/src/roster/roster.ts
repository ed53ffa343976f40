import type { AthleteRow, RosterPage, RosterQuery } from '@wrightonic/contract';
import { ROSTER_PAGE } from '@wrightonic/contract';
import { ageOn } from '@wrightonic/core';
import type { IsoDate } from '@wrightonic/core';
import type { Knex } from 'knex';
import type { AthleteDbRow } from '../db/tables';
import type { Tenant } from '../db/tenant';
import { wrongField } from '../problems';
import type { Context } from '../common/context';

const COLUMNS = [
  'id',
  'name',
  'discipline',
  'throws',
  'birth_date',
  'chain',
  'focus',
  'focus_chance',
  'focus_chance_on',
  'lock_until',
  'lock_from',
  'care',
  'intake_next',
  'created_at',
] as const satisfies readonly (keyof AthleteDbRow)[];

/** What the roster shows of an athlete, and the word by which a search found them. */
type RosterDbRow = Pick<AthleteDbRow, (typeof COLUMNS)[number]> & { readonly word?: string };

/** Whether throwing is locked on a day: by what is known, or because a clearance has run out since. */
const isLocked = ({ lock_until: until, lock_from: from }: RosterDbRow, today: IsoDate): boolean =>
  (until !== null && until > today) || (from !== null && from <= today);

/** The same of a query on athletes; “clearance” sorts after every day. */
export const whereLocked = (query: Knex.QueryBuilder, today: IsoDate): void =>
  void query.where((q) => void q.where('athletes.lock_until', '>', today).orWhere('athletes.lock_from', '<=', today));

export function toAthleteRow(row: RosterDbRow, today: IsoDate): AthleteRow {
  return {
    id: row.id,
    name: row.name,
    discipline: row.discipline,
    throws: row.throws,
    age: ageOn(row.birth_date, today),
    chain: row.chain,
    focus: row.focus,
    // Looks fade from day to day: a number of another day is not today’s.
    focusChance: row.focus_chance_on === today ? row.focus_chance : null,
    locked: isLocked(row, today),
    care: Boolean(row.care),
    intakeOpen: row.intake_next !== null,
  };
}

const MAX_WORDS = 8;

/** Words of a text as they are searched: lower case, no accents. */
export function wordsOf(text: string): string[] {
  const plain = text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  return [...new Set(plain.split(/[^\p{L}\p{N}]+/u).filter(Boolean))].slice(0, MAX_WORDS).map((word) => word.slice(0, 60));
}

/** Keeps the words by which an athlete is found. */
export async function keepWords(tenant: Tenant, athlete: string, name: string): Promise<void> {
  await tenant.from('athlete_words').where('athlete_id', athlete).delete();
  await tenant.insertLinks(
    'athlete_words',
    wordsOf(name).map((word) => ({ word, athlete_id: athlete })),
  );
}

/** First day on which somebody of an age was born, so that `age` years are completed on `today`. */
const bornBy = (today: IsoDate, age: number): IsoDate =>
  `${Number(today.slice(0, 4)) - age}${today.slice(4).replace('02-29', '02-28')}`;

/** Narrows a query on athletes to what was asked for and to whom the asker may see. */
function narrow(ctx: Context, query: Knex.QueryBuilder, asked: RosterQuery): void {
  const { discipline, throws, ages, group, focus, flag } = asked;
  void query.where('athletes.archived', flag === 'archived');
  if (discipline) void query.where('athletes.discipline', discipline);
  if (throws) void query.where('athletes.throws', throws);
  if (ages) {
    const [from, to] = ages.split('-');
    void query.where('athletes.birth_date', '<=', bornBy(ctx.today, Number(from)));
    if (to) void query.where('athletes.birth_date', '>', bornBy(ctx.today, Number(to) + 1));
  }
  if (focus) void query.where('athletes.focus', focus);
  if (flag === 'no-focus') void query.whereNull('athletes.focus');
  if (flag === 'care') void query.where('athletes.care', true);
  if (flag === 'intake') void query.whereNotNull('athletes.intake_next');
  if (flag === 'locked') whereLocked(query, ctx.today);
  const groups = group ? [group] : [];
  if (ctx.reach === 'groups') {
    const own = group ? groups.filter((g) => ctx.user.groups.includes(g)) : ctx.user.groups;
    void query.whereIn('athletes.id', ctx.tenant.from('group_members').whereIn('group_id', own).select('athlete_id'));
  } else if (group) {
    void query.whereIn('athletes.id', ctx.tenant.from('group_members').where('group_id', group).select('athlete_id'));
  }
}

type Cursor = readonly [key: string, id: string];

const writeCursor = (cursor: Cursor): string => Buffer.from(JSON.stringify(cursor)).toString('base64url');

function readCursor(after: string | undefined): Cursor | null {
  if (after === undefined) return null;
  try {
    const value: unknown = JSON.parse(Buffer.from(after, 'base64url').toString('utf8'));
    const [key, id] = Array.isArray(value) && value.length === 2 ? (value as unknown[]) : [];
    if (typeof key === 'string' && typeof id === 'string') return [key, id];
  } catch {
    // falls through to the refusal
  }
  throw wrongField('after', 'is not the “next” of a page of the roster');
}

const SORTS = {
  name: { column: 'athletes.name', descending: false, keyOf: (row: RosterDbRow) => row.name },
  newest: { column: 'athletes.created_at', descending: true, keyOf: (row: RosterDbRow) => row.created_at.toISOString() },
  youngest: { column: 'athletes.birth_date', descending: true, keyOf: (row: RosterDbRow) => row.birth_date },
} as const;

/** Rows after a place in an order of (key, id), as one range of an index. */
function pageAfter(query: Knex.QueryBuilder, column: string, idColumn: string, descending: boolean, cursor: Cursor | null): void {
  const direction = descending ? 'desc' : 'asc';
  void query
    .orderBy(column, direction)
    .orderBy(idColumn, direction)
    .limit(ROSTER_PAGE + 1);
  if (!cursor) return;
  const sign = descending ? '<' : '>';
  const key = column === 'athletes.created_at' ? new Date(cursor[0]) : cursor[0];
  void query
    .where(column, descending ? '<=' : '>=', key)
    .where((q) => void q.where(column, sign, key).orWhere(idColumn, sign, cursor[1]));
}

/** One page of the roster. What is read does not grow with the roster: every order is an index, every page starts in it. */
export async function rosterPage(ctx: Context, asked: RosterQuery): Promise<RosterPage> {
  const cursor = readCursor(asked.after);
  const words = wordsOf(asked.search ?? '');
  // The longest word narrows most; the others are looked for in the names it finds.
  const [first, ...others] = words.sort((a, b) => b.length - a.length);
  if (first === undefined) {
    const sort = SORTS[asked.sort ?? 'name'];
    const query = ctx.tenant.from('athletes');
    narrow(ctx, query, asked);
    pageAfter(query, sort.column, 'athletes.id', sort.descending, cursor);
    const rows = await query.select<RosterDbRow[]>(COLUMNS.map((c) => `athletes.${c}`));
    return pageOf(ctx, rows, sort.keyOf);
  }
  const query = ctx.tenant
    .from('athlete_words')
    .join('athletes', 'athletes.id', 'athlete_words.athlete_id')
    .where('athlete_words.word', 'like', `${first}%`);
  for (const word of others)
    void query.whereExists(
      ctx.tenant
        .fromAs('athlete_words', 'other')
        .whereRaw('other.athlete_id = athletes.id')
        .where('other.word', 'like', `${word}%`)
        .select('other.word'),
    );
  narrow(ctx, query, asked);
  pageAfter(query, 'athlete_words.word', 'athlete_words.athlete_id', false, cursor);
  const rows = await query.select<RosterDbRow[]>([...COLUMNS.map((c) => `athletes.${c}`), 'athlete_words.word']);
  return pageOf(ctx, rows, (row) => row.word!);
}

function pageOf(ctx: Context, rows: readonly RosterDbRow[], keyOf: (row: RosterDbRow) => string): RosterPage {
  const shown = rows.slice(0, ROSTER_PAGE);
  const last = shown[shown.length - 1];
  // Two words of one name may both fit the search.
  const distinct = [...new Map(shown.map((row) => [row.id, row])).values()];
  return {
    rows: distinct.map((row) => toAthleteRow(row, ctx.today)),
    next: rows.length > ROSTER_PAGE && last ? writeCursor([keyOf(last), last.id]) : null,
  };
}
