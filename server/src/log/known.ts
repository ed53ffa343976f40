/** What the log knows already of the entries that come in. */
import type { LogEntry } from '@wrightonic/contract';
import type { IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';

/** Whoever logs for themselves or their child logs alone. */
export const isAlone = (ctx: Context): boolean => ctx.user.role === 'athlete' || ctx.user.role === 'guardian';

/** An entry that is there already. */
export interface Known {
  readonly id: string;
  readonly athlete_id: string;
  readonly session_id: string;
  readonly author_id: string | null;
}

/** A rep or a reading that is there already. */
interface KnownThrow extends Known {
  readonly on_date: IsoDate;
  readonly refused: string | null;
}

interface KnownSpot extends Known {
  readonly on_date: IsoDate;
}

export interface KnownEntries {
  readonly rep: ReadonlyMap<string, KnownThrow>;
  readonly reading: ReadonlyMap<string, KnownThrow>;
  readonly mark: ReadonlyMap<string, Known>;
  readonly pain: ReadonlyMap<string, Known>;
  readonly note: ReadonlyMap<string, Known>;
  readonly spot: ReadonlyMap<string, KnownSpot>;
}

/** What every entry has. */
const OF_ENTRIES = ['id', 'athlete_id', 'session_id', 'author_id'] as const;

const NONE: ReadonlyMap<string, never> = new Map<string, never>();

/** Where none of the ids is there yet. */
export const NOTHING_KNOWN: KnownEntries = { rep: NONE, reading: NONE, mark: NONE, pain: NONE, note: NONE, spot: NONE };

/** What is known of the ids that a batch names, its own and those it speaks of. */
export async function knownOf(ctx: Context, entries: readonly LogEntry[]): Promise<KnownEntries> {
  const ids = (of: (entry: LogEntry) => (string | null | undefined)[]) => [
    ...new Set(entries.flatMap((entry) => of(entry).filter((id): id is string => typeof id === 'string'))),
  ];
  const rowsOf = (
    table: 'reps' | 'readings' | 'rep_marks' | 'pain_reports' | 'session_notes' | 'spots',
    wanted: readonly string[],
  ) => ctx.tenant.fromAny(table).whereIn('id', [...wanted]);
  const throwsOf = async (table: 'reps' | 'readings', wanted: readonly string[]): Promise<ReadonlyMap<string, KnownThrow>> => {
    if (wanted.length === 0) return NONE;
    const rows = await rowsOf(table, wanted).select<KnownThrow[]>(...OF_ENTRIES, 'on_date', 'refused');
    return new Map(rows.map((row) => [row.id, row]));
  };
  const othersOf = async (
    table: 'rep_marks' | 'pain_reports' | 'session_notes',
    wanted: readonly string[],
  ): Promise<ReadonlyMap<string, Known>> => {
    if (wanted.length === 0) return NONE;
    const rows = await rowsOf(table, wanted).select<Known[]>(...OF_ENTRIES);
    return new Map(rows.map((row) => [row.id, row]));
  };
  const spotsOf = async (wanted: readonly string[]): Promise<ReadonlyMap<string, KnownSpot>> => {
    if (wanted.length === 0) return NONE;
    const rows = await rowsOf('spots', wanted).select<KnownSpot[]>(...OF_ENTRIES, 'on_date');
    return new Map(rows.map((row) => [row.id, row]));
  };
  const marked = ids((e) => (e.type === 'undo' || e.type === 'cheat' ? [e.rep] : []));
  return {
    rep: await throwsOf('reps', [
      ...ids((e) => (e.type === 'rep' ? [e.id] : e.type === 'reading' || e.type === 'spot' ? [e.rep] : [])),
      ...marked,
    ]),
    reading: await throwsOf('readings', [...ids((e) => (e.type === 'reading' ? [e.id] : [])), ...marked]),
    mark: await othersOf(
      'rep_marks',
      ids((e) => (e.type === 'undo' || e.type === 'cheat' ? [e.id] : [])),
    ),
    pain: await othersOf(
      'pain_reports',
      ids((e) => (e.type === 'pain' ? [e.id] : [])),
    ),
    spot: await spotsOf([...ids((e) => (e.type === 'spot' ? [e.id] : [])), ...ids((e) => (e.type === 'undo' ? [e.rep] : []))]),
    note: await othersOf(
      'session_notes',
      ids((e) => (e.type === 'note' ? [e.id] : [])),
    ),
  };
}
