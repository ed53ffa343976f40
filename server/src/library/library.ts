import type {
  LibraryAnswer,
  NewOwnDrill,
  NewOwnFinding,
  NewOwnLadder,
  OwnDrillRecord,
  OwnFindingRecord,
  OwnLadderRecord,
} from '@wrightonic/contract';
import {
  isCopy,
  libraryFrom,
  newestFindingWords,
  newestLadders,
  newestOwn,
  ownLadderFaults,
  vocabularyOf,
} from '@wrightonic/core';
import type { HelpedDrill, Library, OwnLibrary, Vocabulary } from '@wrightonic/core';
import { conflict, ProblemError, wrongField } from '../problems';
import type { Context } from '../common/context';
import type { OwnDrillDbRow, OwnFindingDbRow, OwnLadderDbRow } from '../db/tables';

/** A version, and whose it is. */
type By<Row> = Row & { readonly author: string | null };

const written = ({ version, author, created_at }: By<Pick<OwnDrillDbRow, 'version' | 'created_at'>>) => ({
  version,
  by: author ?? '',
  at: created_at.toISOString(),
});

const versionsOf = (ctx: Context, table: 'own_drills' | 'own_ladders' | 'own_findings') =>
  ctx.tenant.fromAny(table).leftJoin('users', 'users.id', `${table}.author_id`).orderBy(`${table}.version`);

const AUTHOR = 'users.name as author';

/** Everything that the academy says of drills and findings, all versions, the newest of each last. */
export async function libraryAnswer(ctx: Context): Promise<LibraryAnswer> {
  const drills = await versionsOf(ctx, 'own_drills')
    .orderBy('own_drills.drill')
    .select<By<OwnDrillDbRow>[]>('own_drills.*', AUTHOR);
  const ladders = await versionsOf(ctx, 'own_ladders')
    .orderBy('own_ladders.finding')
    .select<By<OwnLadderDbRow>[]>('own_ladders.*', AUTHOR);
  const findings = await versionsOf(ctx, 'own_findings')
    .orderBy('own_findings.finding')
    .select<By<OwnFindingDbRow>[]>('own_findings.*', AUTHOR);
  return {
    drills: drills.map(({ drill, use_as, words, fields, ...row }): OwnDrillRecord => ({
      drill,
      use: use_as,
      words,
      ...(fields ? { fields } : {}),
      ...written(row),
    })),
    ladders: ladders.map(({ finding, discipline, rungs, ...row }): OwnLadderRecord => ({
      finding,
      discipline,
      rungs,
      ...written(row),
    })),
    findings: findings.map(({ finding, words, ...row }): OwnFindingRecord => ({ finding, words, ...written(row) })),
  };
}

/** Drills and ladders as the academy has them now. */
export async function academyLibrary(ctx: Context): Promise<Library> {
  const { drills, ladders, findings } = await libraryAnswer(ctx);
  return libraryFrom(drills, ladders, findings);
}

/** What a planner is told of the academy’s own way with drills and ladders. */
export const plannedWith = ({ drills, ladders, findings }: LibraryAnswer, helped: readonly HelpedDrill[]): OwnLibrary => {
  const newest = [...newestOwn(drills).values()].sort((a, b) => (a.drill < b.drill ? -1 : 1));
  return {
    first: newest.filter((o) => o.use === 'first').map((o) => o.drill),
    never: newest.filter((o) => o.use === 'never').map((o) => o.drill),
    own: newest.map(({ drill, version, words, use, fields }) => ({ drill, version, words, use, ...(fields ? { fields } : {}) })),
    ladders: newestLadders(ladders).map(({ finding, discipline, version, rungs }) => ({ finding, discipline, version, rungs })),
    findings: [...newestFindingWords(findings).values()].map(({ finding, version, words }) => ({ finding, version, words })),
    ...(helped.length > 0 ? { helped } : {}),
  };
};

/**
 * Writes the next version of something; the older ones stay for the plans that were made with them.
 * @param of what the versions are of
 */
async function putVersion(
  ctx: Context,
  table: 'own_drills' | 'own_ladders' | 'own_findings',
  id: string,
  of: Record<string, string>,
  row: Record<string, unknown>,
): Promise<LibraryAnswer> {
  const known = await ctx.tenant.from(table).where('id', id).first('id');
  if (!known) {
    const last = await ctx.tenant.from(table).where(of).max({ version: 'version' }).first();
    try {
      await ctx.tenant.insertOnce(table, { id, ...of, ...row, version: Number(last?.version ?? 0) + 1, author_id: ctx.user.id });
    } catch (error) {
      if (!(error instanceof ProblemError) || error.status !== 409) throw error;
      throw conflict('Somebody else has just changed this', 'Look at the new version, then make your change again.');
    }
  }
  return libraryAnswer(ctx);
}

const json = (value: unknown): string | null => (value === undefined || value === null ? null : JSON.stringify(value));

/** A new version of a drill in the academy’s own words, or of a copy. */
export const putOwnDrill = (ctx: Context, id: string, { drill, use, words, fields }: NewOwnDrill): Promise<LibraryAnswer> =>
  putVersion(ctx, 'own_drills', id, { drill }, { use_as: use, words: json(words), fields: json(fields) });

/** A new version of the academy’s own words for a finding; what is empty is said as in the catalogue. */
export const putOwnFinding = (ctx: Context, id: string, { finding, words }: NewOwnFinding): Promise<LibraryAnswer> =>
  putVersion(ctx, 'own_findings', id, { finding }, { words: json(words) });

/** How the academy says things of findings. */
export const academyWords = async (ctx: Context): Promise<Vocabulary> => {
  const rows = await ctx.tenant.from('own_findings').select('finding', 'version', 'words');
  return vocabularyOf(rows);
};

/** A new version of an academy’s own ladder. */
export async function putOwnLadder(ctx: Context, id: string, given: NewOwnLadder): Promise<LibraryAnswer> {
  const library = await academyLibrary(ctx);
  const [fault] = ownLadderFaults(given, (drill) => (library.has(drill) ? library.drill(drill) : undefined));
  if (fault !== undefined) throw wrongField('rungs', fault);
  const { finding, discipline, rungs } = given;
  return putVersion(ctx, 'own_ladders', id, { finding, discipline }, { rungs: json(rungs) });
}

/** Whether a rep can be of a drill: one of the catalogue, or a copy that this academy has made, of this version or an older one. */
export async function knownCopies(ctx: Context, drills: readonly string[]): Promise<ReadonlySet<string>> {
  const wanted = [...new Set(drills.filter(isCopy))];
  if (wanted.length === 0) return new Set();
  const rows = await ctx.tenant.from('own_drills').whereIn('drill', wanted).distinct('drill');
  return new Set(rows.map((row) => row.drill));
}
