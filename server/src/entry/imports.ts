import { EMPTY_INTAKE, may } from '@wrightonic/contract';
import type { ImportLook, ImportRow, IntakeRecord, RosterImport, UndoImportQuery } from '@wrightonic/contract';
import { setImmediate } from 'node:timers/promises';
import { decodeText, faultsCsv, guessChoices, personKey, readRow, readTable } from '@wrightonic/core/formats';
import type { RosterEntry } from '@wrightonic/core';
import { conflict, notFound, ProblemError, wrongField } from '../problems';
import { BLANK_ATHLETE, blankFlags } from '../judgement/glance';
import type { Context } from '../common/context';
import { erase, TABLES_OF_ATHLETES } from './lifecycle';
import { wordsOf } from '../roster/roster';

const MOST_ROWS = 5000;
const CHUNK = 500;

/** Reads a list, says what would come in, and keeps nothing. */
export async function lookAtImport(ctx: Context, given: RosterImport): Promise<ImportLook> {
  const { text, encoding } = decodeText(Buffer.from(given.file, 'base64'));
  if (text.includes('\0')) throw wrongField('file', 'is not a text file; save the list as CSV');
  const table = readTable(text);
  if (table.header.length === 0 || table.rows.length === 0)
    throw wrongField('file', 'holds no rows; the first line must be the headings, the rest one athlete each');
  if (table.rows.length > MOST_ROWS)
    throw wrongField('file', `holds ${table.rows.length} rows; bring in at most ${MOST_ROWS} at once`);
  if (table.faults.length > 0)
    throw wrongField(
      'file',
      `line ${table.faults[0]!.line}: ${table.faults[0]!.message}. Nothing was read; mend it and choose the file again`,
    );
  const choices = given.choices ?? guessChoices(table);
  const rows: ReturnType<typeof readRow>[] = [];
  for (const [n, row] of table.rows.entries()) {
    rows.push(readRow(row, table.header, choices, ctx.today));
    // Others are let through in between.
    if (n % CHUNK === CHUNK - 1) await setImmediate();
  }
  const known = new Map<string, string>();
  for (const row of await ctx.tenant.from('athletes').select('name', 'birth_date'))
    known.set(personKey(row.name, row.birth_date), 'the roster');
  const good: { line: number; entry: RosterEntry }[] = [];
  const duplicates: { line: number; name: string; of: string }[] = [];
  for (const row of rows) {
    if (!row.ok) continue;
    const key = personKey(row.entry.name, row.entry.birthDate);
    const of = known.get(key);
    if (of) duplicates.push({ line: row.line, name: row.entry.name, of });
    else {
      known.set(key, `line ${row.line}`);
      good.push({ line: row.line, entry: row.entry });
    }
  }
  return {
    fileName: given.fileName,
    encoding,
    delimiter: table.delimiter,
    header: table.header,
    choices,
    rows: rows.length,
    good,
    bad: rows.flatMap((row) => (row.ok ? [] : [{ line: row.line, faults: row.faults }])),
    duplicates,
    faultsCsv: faultsCsv(table, rows),
  };
}

function intakeFor(entry: RosterEntry): IntakeRecord {
  const { guardian } = entry;
  return {
    ...EMPTY_INTAKE,
    guardians:
      guardian && guardian.contact ? [{ name: guardian.name || 'Guardian', relation: '', contact: guardian.contact }] : [],
  };
}

async function groupIds(ctx: Context, names: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const wanted = [...new Set(names)];
  const known = await ctx.tenant.from('athlete_groups').whereIn('name', wanted).select('id', 'name');
  const ids = new Map(known.map((g) => [g.name.toLowerCase(), g.id]));
  for (const name of wanted)
    if (!ids.has(name.toLowerCase())) {
      const id = ctx.newId();
      await ctx.tenant.insertOnce('athlete_groups', { id, name });
      ids.set(name.toLowerCase(), id);
    }
  return ids;
}

/** Brings the good rows in. Sent again with the same id it is not done twice. */
export async function putImport(ctx: Context, id: string, given: RosterImport): Promise<ImportLook> {
  const look = await lookAtImport(ctx, given);
  if (await ctx.tenant.has('imports', { id })) return look;
  if (look.good.length === 0)
    throw wrongField('file', 'has no row that can come in; mend the rows named, or choose other columns');
  await ctx.tenant.insertOnce('imports', { id, file_name: given.fileName, author: ctx.user.name, athletes: look.good.length });
  const groups = await groupIds(
    ctx,
    look.good.flatMap(({ entry }) => (entry.group ? [entry.group] : [])),
  );
  for (let from = 0; from < look.good.length; from += CHUNK) {
    const chunk = look.good.slice(from, from + CHUNK).map(({ entry }) => ({ id: ctx.newId(), entry }));
    await ctx.tenant.insertOnce(
      'athletes',
      chunk.map(({ id: athlete, entry }) => ({
        id: athlete,
        import_id: id,
        name: entry.name,
        discipline: entry.discipline,
        throws: entry.throws,
        birth_date: entry.birthDate,
        height_m: entry.heightM,
        mass_kg: entry.massKg,
        level: entry.level,
        ...BLANK_ATHLETE,
        ...blankFlags(),
        intake: JSON.stringify(intakeFor(entry)),
        intake_next: EMPTY_INTAKE.next,
      })),
    );
    await ctx.tenant.insertOnce(
      'athlete_sizes',
      chunk.map(({ id: athlete, entry }) => ({
        id: ctx.newId(),
        athlete_id: athlete,
        on_date: ctx.today,
        height_m: entry.heightM,
        mass_kg: entry.massKg,
      })),
    );
    await ctx.tenant.insertLinks(
      'athlete_words',
      chunk.flatMap(({ id: athlete, entry }) => wordsOf(entry.name).map((word) => ({ word, athlete_id: athlete }))),
    );
    await ctx.tenant.insertLinks(
      'group_members',
      chunk.flatMap(({ id: athlete, entry }) =>
        entry.group ? [{ group_id: groups.get(entry.group.toLowerCase())!, athlete_id: athlete }] : [],
      ),
    );
  }
  return look;
}

/** What coming in by a list makes by itself, or what only follows from something else. */
const MADE_BY_IMPORT: ReadonlySet<string> = new Set([
  'athlete_words',
  'athlete_sizes',
  'group_members',
  'audit_entries',
  'standing_answers',
  'load_days',
  'eye_agreements',
]);
/** Tables in which somebody has worked with an athlete since they came in. */
const WORKED_IN = TABLES_OF_ATHLETES.filter((table) => !MADE_BY_IMPORT.has(table));

const NAMED = 3;

/** Some names of imported athletes with whom something has been done since, by import: one query for each table, however many imports. */
async function workedWith(ctx: Context, ids: readonly string[]): Promise<Map<string, string[]>> {
  if (ids.length === 0) return new Map();
  const first = `substring_index(group_concat(distinct athletes.name order by athletes.name separator '\\n'), '\\n', ${NAMED})`;
  const names = new Map<string, Set<string>>();
  for (const table of WORKED_IN) {
    const rows = await ctx.tenant
      .from('athletes')
      .whereIn('import_id', ids as string[])
      .whereIn('athletes.id', ctx.tenant.fromAny(table).select(`${table}.athlete_id`))
      .groupBy('import_id')
      .select<{ import_id: string; names: string }[]>('import_id', ctx.tenant.raw(`${first} as names`));
    for (const row of rows) names.set(row.import_id, new Set([...(names.get(row.import_id) ?? []), ...row.names.split('\n')]));
  }
  return new Map([...names].map(([id, list]) => [id, [...list].sort().slice(0, NAMED)]));
}

export async function imports(ctx: Context): Promise<ImportRow[]> {
  const rows = await ctx.tenant.from('imports').orderBy('created_at', 'desc').limit(50);
  const worked = await workedWith(
    ctx,
    rows.map((row) => row.id),
  );
  return rows.map((row) => {
    const names = worked.get(row.id) ?? [];
    return {
      id: row.id,
      fileName: row.file_name,
      at: row.created_at.toISOString(),
      by: row.author,
      count: row.athletes,
      grown: names.length > 0 ? `There has been work with ${names.join(', ')}.` : null,
    };
  });
}

/**
 * Takes a whole import back: its athletes, and the groups that only they were in. No trace is left. Once there has been work with one
 * of them it erases records, which is an owner's to do, and to say.
 */
export async function undoImport(
  ctx: Context,
  clipsFolder: string,
  id: string,
  { with: along }: UndoImportQuery,
): Promise<ImportRow[]> {
  if (!(await ctx.tenant.has('imports', { id }))) throw notFound('import');
  const names = (await workedWith(ctx, [id])).get(id) ?? [];
  if (names.length > 0 && !may(ctx.user.role, 'eraseAthlete'))
    throw new ProblemError(
      403,
      'An owner takes this back',
      `There has been work with ${names.join(', ')} since. Taking the list back would erase it: that is for an owner. Archive athletes one by one instead.`,
    );
  if (names.length > 0 && along !== 'work')
    throw conflict(
      'There has been work since',
      `There has been work with ${names.join(', ')} since. Taking the list back erases that, too: say so with “with=work”, or archive athletes one by one.`,
    );
  const groups = (
    await ctx.tenant
      .from('group_members')
      .whereIn('athlete_id', ctx.tenant.from('athletes').where('import_id', id).select('id'))
      .distinct('group_id')
  ).map((g) => g.group_id);
  const athletes = await ctx.tenant.from('athletes').where('import_id', id).select('id', 'name');
  // With work there may be sign-ins, clips and lines of the record behind each of them.
  if (names.length > 0) for (const athlete of athletes) await erase(ctx, clipsFolder, athlete);
  else await ctx.tenant.from('athletes').where('import_id', id).delete();
  await ctx.tenant
    .from('athlete_groups')
    .whereIn('athlete_groups.id', groups)
    .whereNotExists(ctx.tenant.from('group_members').whereRaw('group_members.group_id = athlete_groups.id').select('group_id'))
    .whereNotExists(ctx.tenant.from('user_groups').whereRaw('user_groups.group_id = athlete_groups.id').select('group_id'))
    .delete();
  await ctx.tenant.from('imports').where('id', id).delete();
  return imports(ctx);
}
