import { wholeWords } from '@wrightonic/core';
import type { Archiving, AthleteExport, AthleteOverview, ErasePreview, Erasure } from '@wrightonic/contract';
import { rm } from 'node:fs/promises';
import { notFound, wrongField } from '../problems';
import { clipPath } from '../film/clip-file';
import { overview } from '../overview/overview';
import type { Context } from '../common/context';

/**
 * Every table that holds something about one athlete, in the words of the erase sheet. A test compares it with the database, so
 * that no table is forgotten.
 */
export const ATHLETE_TABLES = {
  observations: 'things observed',
  diagnoses: 'diagnoses kept',
  rulings: 'the coach’s words on findings',
  eye_agreements: 'looks held against measures',
  foci: 'focuses',
  plans: 'plans',
  assignments: 'assigned sessions',
  work_sessions: 'sessions run',
  reps: 'reps',
  rep_marks: 'words on reps',
  session_notes: 'notes of sessions',
  spots: 'targets and where throws went',
  load_days: 'days of load',
  corrections: 'what stood before corrections',
  pain_reports: 'pain reports',
  readings: 'speeds',
  outings: 'outings elsewhere',
  clearances: 'clearances',
  standing_answers: 'answers as last computed',
  verdicts: 'gate verdicts',
  consents: 'consents',
  athlete_sizes: 'heights and weights',
  body_checks: 'body checks',
  body_readings: 'body readings',
  body_notes: 'notes on body tests',
  clips: 'clips',
  group_members: 'places in groups',
  camp_athletes: 'places at camps',
  camp_visits: 'stations of camps',
  camp_changes: 'changes of camps',
  camp_arrivals: 'arrivals at camps',
  camp_reports: 'reports of camps',
  links: 'links and calendars',
  athlete_words: 'search words',
  user_athletes: 'people tied to the athlete',
  audit_entries: 'lines of the record of who did what',
} as const;
type AthleteTable = keyof typeof ATHLETE_TABLES;
export const TABLES_OF_ATHLETES = Object.keys(ATHLETE_TABLES) as AthleteTable[];
/** Of no meaning to anybody outside, or computed from the rest, or, as how each coach's eye did, of nobody's concern but theirs. */
const NOT_EXPORTED: ReadonlySet<AthleteTable> = new Set(['links', 'athlete_words', 'eye_agreements', 'standing_answers']);

/**
 * What the screens of athlete and family do not show, and so their export does not hold: how the coaches came to their judgement,
 * word by word, and who did what.
 */
const COACHES_ONLY: ReadonlySet<AthleteTable> = new Set([
  'observations',
  'diagnoses',
  'rulings',
  'body_notes',
  'session_notes',
  'audit_entries',
  'user_athletes',
  'group_members',
  // Friends of a camp are other people’s children.
  'camp_athletes',
]);
/** Columns that are the coaches' alone: what is likely, why something was chosen, where a row came from. */
const COACHES_COLUMNS: Readonly<Record<string, readonly string[]>> = {
  athletes: ['flags', 'care', 'import_id', 'focus_chance', 'focus_chance_on'],
  foci: ['why', 'chance_then', 'diagnosis_id'],
};

interface NameRow {
  id: string;
  name: string;
}

async function nameOf(ctx: Context, id: string): Promise<NameRow> {
  const row = await ctx.tenant.from('athletes').where('id', id).first('id', 'name');
  if (!row) throw notFound('athlete');
  return row;
}

/** Puts an athlete away, or brings them back. Nothing is lost either way. */
export async function archive(ctx: Context, id: string, { archived }: Archiving): Promise<AthleteOverview> {
  await nameOf(ctx, id);
  await ctx.tenant
    .from('athletes')
    .where('id', id)
    .update({ archived, archived_at: archived ? ctx.now : null });
  return overview(ctx, id);
}

/** Everything kept about one athlete, as it is in the tables and as far as the asker's screens show it. */
export async function exportAthlete(ctx: Context, id: string): Promise<AthleteExport> {
  await nameOf(ctx, id);
  const family = ctx.reach === 'own';
  const own = await ctx.tenant.fromAny('athletes').where('id', id);
  const tables: Record<string, Record<string, unknown>[]> = { athletes: own };
  for (const table of TABLES_OF_ATHLETES.filter((t) => !NOT_EXPORTED.has(t) && !(family && COACHES_ONLY.has(t))))
    tables[table] = await ctx.tenant.fromAny(table).where('athlete_id', id);
  if (family)
    for (const [table, columns] of Object.entries(COACHES_COLUMNS))
      for (const row of tables[table] ?? []) for (const column of columns) delete row[column];
  const withoutAcademy = (rows: Record<string, unknown>[]) => rows.map(({ academy_id: _, ...row }) => row);
  return {
    format: 'wrightonic-athlete',
    version: 1,
    on: ctx.today,
    tables: Object.fromEntries(Object.entries(tables).map(([name, rows]) => [name, withoutAcademy(rows)])),
  };
}

/** People whose sign-in is for this athlete and nobody else. */
async function onlyFor(ctx: Context, id: string): Promise<{ id: string; sign_in: string }[]> {
  return await ctx.tenant
    .from('users')
    .whereIn('users.id', ctx.tenant.from('user_athletes').where('athlete_id', id).select('user_id'))
    .whereNotExists(
      ctx.tenant
        .fromAs('user_athletes', 'other')
        .whereRaw('other.user_id = users.id')
        .whereNot('other.athlete_id', id)
        .select('other.user_id'),
    )
    .select('users.id', 'users.sign_in');
}

export async function erasePreview(ctx: Context, id: string): Promise<ErasePreview> {
  const { name } = await nameOf(ctx, id);
  const rows = await Promise.all(
    TABLES_OF_ATHLETES.filter((t) => !NOT_EXPORTED.has(t)).map(async (table) => {
      const [found] = await ctx.tenant.fromAny(table).where('athlete_id', id).count({ n: '*' });
      return { what: ATHLETE_TABLES[table], count: Number(found!.n) };
    }),
  );
  return { name, rows: rows.filter((r) => r.count > 0), signIns: (await onlyFor(ctx, id)).map((u) => u.sign_in) };
}

const ERASED = 'somebody erased';
/** Longest text that fits all of these columns. */
const MOST_TEXT = 200;

/** Lines of the record and names of lists that say the name say that somebody was there, and not who. */
async function forgetName(ctx: Context, name: string): Promise<void> {
  const holds = `%${name.replace(/[%_\\]/g, '\\$&')}%`;
  const said = wholeWords([name]);
  if (!said) return;
  const { tenant } = ctx;
  for (const [table, column] of [
    ['audit_entries', 'did'],
    ['imports', 'file_name'],
    ['hand_outs', 'note'],
  ] as const) {
    const rows = await tenant.fromAny(table).where(column, 'like', holds).select<Record<string, string>[]>('id', column);
    for (const row of rows)
      await tenant
        .fromAny(table)
        .where('id', row.id)
        .update({ [column]: row[column]!.replace(said, ERASED).slice(0, MOST_TEXT) });
  }
}

/** Erases an athlete for good: all rows, the sign-ins that were for nobody else, and the invitations that name them. */
export async function eraseAthlete(ctx: Context, clipsFolder: string, id: string, { name: typed }: Erasure): Promise<null> {
  const { name } = await nameOf(ctx, id);
  if (typed.trim().toLowerCase() !== name.toLowerCase())
    throw wrongField('name', `must be the athlete’s name as it stands there, “${name}”; nothing was erased`);
  await erase(ctx, clipsFolder, { id, name });
  return null;
}

/** Erases what is kept about one athlete, whoever asks and why. */
export async function erase(ctx: Context, clipsFolder: string, { id, name }: NameRow): Promise<void> {
  const gone = (await onlyFor(ctx, id)).map((u) => u.id);
  const files = await ctx.tenant.from('clips').where('athlete_id', id).select('id');
  await ctx.tenant.from('audit_entries').where('athlete_id', id).delete();
  await ctx.tenant.from('audit_entries').whereIn('user_id', gone).update({ who: ERASED });
  await forgetName(ctx, name);
  await ctx.tenant.from('users').whereIn('id', gone).delete();
  await ctx.tenant.from('invitations').whereRaw('json_contains(athletes, json_quote(?))', [id]).delete();
  await ctx.tenant.from('athletes').where('id', id).delete();
  await ctx.tenant
    .from('hand_outs')
    .whereNotExists(ctx.tenant.fromAny('assignments').whereRaw('assignments.hand_out_id = hand_outs.id').select('assignments.id'))
    .delete();
  // Files go only once the rows are gone for good.
  ctx.later(() => Promise.all(files.map((file) => rm(clipPath(clipsFolder, file.id), { force: true }))));
}
