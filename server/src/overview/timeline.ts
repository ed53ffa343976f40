import type { OutingKind, TimelineEntry } from '@wrightonic/contract';
import { findingById } from '@wrightonic/core';
import type { Evidence, FindingId, IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { RepDays } from '../work/rep-days';
import { unchecked } from '../boundary';
import type { AcademyTables, FocusDbRow } from '../db/tables';

const MOST = 40;
const quoted = (finding: FindingId): string => findingById(finding).title;

/** @param named whether what was seen is named: to coaches it is, to the family it is a day of looking */
function summary(items: readonly Evidence[], named: boolean): string {
  const seen = (named ? items : []).flatMap((e) => (e.kind === 'eye' && e.answer === 'yes' ? [quoted(e.finding)] : []));
  const rest = items.length - items.filter((e) => e.kind === 'eye').length;
  const looks = items.filter((e) => e.kind === 'eye').length;
  const parts = [
    looks > 0 ? `${looks} ${looks === 1 ? 'look' : 'looks'}` : '',
    rest > 0 ? `${rest} ${rest === 1 ? 'test or reading' : 'tests and readings'}` : '',
  ].filter(Boolean);
  return `${parts.join(', ')}${seen.length > 0 ? `. Seen: ${seen.slice(0, 3).join('; ')}` : ''}`;
}

const OUTING_WORDS: Record<OutingKind, string> = {
  game: 'in a game',
  catch: 'playing catch',
  lesson: 'in another lesson',
  other: 'elsewhere',
};
const outingText = ({ kind, pitches, throws, caught, removed }: RowOf<'outings'>): string =>
  `${pitches > 0 ? `${pitches} pitches` : `${throws} throws`} ${OUTING_WORDS[kind]}${caught ? ', and caught' : ''}${removed ? ' (taken out of the load)' : ''}`;

/** How many of a table's newest rows are read, and which columns: what a line says of a row, and no more (plans are long). */
const READ = {
  observations: { most: 200, columns: ['evidence'] },
  verdicts: { most: MOST, columns: ['from_rung', 'to_rung', 'reason'] },
  pain_reports: { most: MOST, columns: ['score', 'site', 'moment'] },
  outings: { most: MOST, columns: ['kind', 'pitches', 'throws', 'caught', 'removed'] },
  clearances: { most: MOST, columns: ['by_clinician'] },
  plans: { most: 10, columns: ['weeks', 'assigned'] },
  body_checks: { most: 20, columns: ['kind', 'steps', 'finished_at'] },
  consents: { most: 20, columns: ['by_whom', 'given', 'kind'] },
  rulings: { most: 20, columns: ['author', 'finding', 'ruling', 'reason'] },
  session_notes: { most: 20, columns: ['text'] },
} as const satisfies {
  readonly [N in keyof AcademyTables]?: { readonly most: number; readonly columns: readonly (keyof AcademyTables[N])[] };
};
const FOCI = 10;
type Dated = keyof typeof READ;
type RowOf<N extends Dated> = Pick<AcademyTables[N], 'on_date' | ((typeof READ)[N]['columns'][number] & keyof AcademyTables[N])>;
type Newest = { readonly [N in Dated]: readonly RowOf<N>[] };
interface Line {
  of_table: Dated;
  on_date: IsoDate;
  line: object;
}

/** Columns that hold JSON already: within other JSON they are taken for text where nobody says so. */
const JSON_COLUMNS: ReadonlySet<string> = new Set(['evidence', 'steps']);
const asJson = (column: string) => `'${column}', ${JSON_COLUMNS.has(column) ? `json_extract(${column}, '$')` : column}`;

/** The newest rows of every table, asked for in one question: each question costs more than its answer. */
async function newestOf(ctx: Context, athlete: string): Promise<Newest> {
  const parts = (Object.keys(READ) as Dated[]).map((table) => {
    const { most, columns } = READ[table];
    return ctx.tenant
      .fromAny(table)
      .where('athlete_id', athlete)
      .orderBy('on_date', 'desc')
      .limit(most)
      .select<Line[]>(
        ctx.tenant.raw(`'${table}' as of_table`),
        'on_date',
        ctx.tenant.raw(`json_object(${columns.map(asJson).join(', ')}) as line`),
      );
  });
  const rows = await ctx.tenant.all(parts);
  const found = Object.fromEntries(Object.keys(READ).map((table) => [table, [] as object[]]));
  for (const { of_table: table, on_date, line } of rows) found[table]!.push({ on_date, ...line });
  return unchecked<Newest>(found);
}

/** What happened with an athlete, newest first, a line each. @param foci all of them, in any order */
export async function timelineOf(
  ctx: Context,
  athlete: string,
  reps: Promise<RepDays>,
  foci: Promise<readonly FocusDbRow[]>,
): Promise<TimelineEntry[]> {
  const [newest, { days }, worked] = await Promise.all([newestOf(ctx, athlete), reps, foci]);
  // What coaches write for coaches, and what they hold to be wrong, is not for the family’s page.
  const family = ctx.reach === 'own';
  const byDay = new Map<IsoDate, Evidence[]>();
  for (const o of newest.observations) byDay.set(o.on_date, [...(byDay.get(o.on_date) ?? []), o.evidence]);
  const started = [...worked].sort((a, b) => (a.started_on < b.started_on ? 1 : a.started_on > b.started_on ? -1 : 0));
  const entries: TimelineEntry[] = [
    ...[...byDay].map(([on, items]): TimelineEntry => ({ on, kind: 'observation', text: summary(items, !family) })),
    ...(family ? [] : newest.rulings).map((r): TimelineEntry => ({
      on: r.on_date,
      kind: 'observation',
      text: `${r.author} overruled “${quoted(r.finding).toLowerCase()}” (${r.ruling === 'absent' ? 'not there' : r.ruling === 'root' ? 'the root' : 'there'}): ${r.reason}`,
    })),
    ...(family ? [] : newest.session_notes).map((n): TimelineEntry => ({
      on: n.on_date,
      kind: 'note',
      text: `Noted: ${n.text}`,
    })),
    ...newest.verdicts.map((v): TimelineEntry => ({
      on: v.on_date,
      kind: 'move',
      text:
        v.from_rung === v.to_rung ? `Stays on rung ${v.to_rung}. ${v.reason}` : `Rung ${v.from_rung} → ${v.to_rung}. ${v.reason}`,
    })),
    ...days
      .slice(0, MOST)
      .map(({ on, reps, good }): TimelineEntry => ({ on, kind: 'session', text: `${reps} reps, ${good} good` })),
    ...newest.pain_reports.map((p): TimelineEntry => ({
      on: p.on_date,
      kind: 'pain',
      text: `Pain ${p.score} at the ${p.site}, ${p.moment} the session`,
    })),
    ...newest.outings.map((o): TimelineEntry => ({
      on: o.on_date,
      kind: 'outing',
      text: outingText(o),
    })),
    ...newest.clearances.map((c): TimelineEntry => ({ on: c.on_date, kind: 'clearance', text: `Cleared by ${c.by_clinician}` })),
    ...newest.plans.map((p): TimelineEntry => ({
      on: p.on_date,
      kind: 'plan',
      text: `Plan for ${p.weeks} weeks${p.assigned ? ', assigned' : ''}`,
    })),
    ...newest.body_checks.map((c): TimelineEntry => ({
      on: c.on_date,
      kind: 'body',
      text: `${c.kind === 'short' ? 'Short body check' : 'Body check'}, ${c.steps.length} tests and sides${c.finished_at ? '' : ', not finished'}`,
    })),
    ...newest.consents.map((c): TimelineEntry => ({
      on: c.on_date,
      kind: 'consent',
      text: `${c.by_whom} ${c.given ? 'gave' : 'took back'} consent to ${c.kind === 'film' ? 'film' : 'share'}`,
    })),
    ...started.slice(0, FOCI).map((f): TimelineEntry => ({
      on: f.started_on,
      kind: 'focus',
      text: `Focus: ${family ? findingById(f.finding).forAthlete : quoted(f.finding)}`,
    })),
  ];
  return entries.sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0)).slice(0, MOST);
}
