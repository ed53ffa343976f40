import type { NewOwnDrill, OwnDrillRecord } from '@wrightonic/contract';
import { hasDrill, newestOwn } from '@wrightonic/core';
import type { OwnDrill, OwnWords, Plan, PlanRequest } from '@wrightonic/core';
import { conflict, wrongField } from '../problems';
import type { Context } from './context';

interface OwnRow {
  id: string;
  drill: string;
  version: number;
  use_as: OwnDrill['use'];
  words: OwnWords;
  created_at: Date | string;
  author: string | null;
}

/** All versions of the academy’s own drills, the newest of each drill last. */
export async function ownDrills(ctx: Context): Promise<OwnDrillRecord[]> {
  const rows = (await ctx.tenant
    .from('own_drills')
    .leftJoin('users', 'users.id', 'own_drills.author_id')
    .orderBy('own_drills.drill')
    .orderBy('own_drills.version')
    .select('own_drills.*', 'users.name as author')) as OwnRow[];
  return rows.map(({ drill, version, use_as, words, created_at, author }) => ({
    drill,
    version,
    use: use_as,
    words,
    by: author ?? '',
    at: new Date(created_at).toISOString(),
  }));
}

/** Writes a new version of a drill; the older ones stay for the plans that were made with them. */
export async function putOwnDrill(ctx: Context, id: string, given: NewOwnDrill): Promise<OwnDrillRecord[]> {
  if (!hasDrill(given.drill)) throw wrongField('drill', `“${given.drill}” is not a drill of the catalogue`);
  const known = (await ctx.tenant.from('own_drills').where('id', id).first('id')) as object | undefined;
  if (!known) {
    const last = (await ctx.tenant.from('own_drills').where('drill', given.drill).max({ version: 'version' }).first()) as
      { version: number | null } | undefined;
    try {
      await ctx.tenant.insertOnce('own_drills', {
        id,
        drill: given.drill,
        version: Number(last?.version ?? 0) + 1,
        use_as: given.use,
        words: JSON.stringify(given.words),
        author_id: ctx.user.id,
      });
    } catch (error) {
      if ((error as { code?: string }).code !== 'ER_DUP_ENTRY') throw error;
      throw conflict('Somebody else has just changed this drill', 'Look at the new version, then make your change again.');
    }
  }
  return ownDrills(ctx);
}

/** What a planner is told of the academy’s own way with drills. */
export const libraryOf = (own: readonly OwnDrill[]): NonNullable<PlanRequest['library']> => {
  const newest = [...newestOwn(own).values()];
  return {
    first: newest.filter((o) => o.use === 'first').map((o) => o.drill),
    never: newest.filter((o) => o.use === 'never').map((o) => o.drill),
  };
};

/** A plan whose items name the version of the words that they were made with; an item that names one keeps it. */
export function withWords(plan: Plan, own: readonly OwnDrill[]): Plan {
  const newest = newestOwn(own);
  return {
    ...plan,
    sessions: plan.sessions.map((session) => ({
      ...session,
      items: session.items.map((item) => {
        if (item.words !== undefined) return item;
        const version = newest.get(item.drill);
        return { ...item, words: version?.version ?? 0, ...(version?.words.success ? { success: version.words.success } : {}) };
      }),
    })),
  };
}
