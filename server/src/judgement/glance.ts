/** What the roster shows of an athlete: kept with the record, renewed when something changes. */
import { chainOf, glanceOf, lookedAt } from '@wrightonic/core';
import type { LinkState } from '@wrightonic/core';
import { athleteRecord } from '../athlete/athletes';
import type { Context } from '../common/context';
import { renewAgreements } from './eyes';
import { coursesOf, keepCourses } from '../work/course';
import { fociOf } from '../work/foci';
import { judgedOf } from './judged';
import { loadOf, workloadOf } from '../load/load';

export const UNSEEN: readonly LinkState[] = ['unseen', 'unseen', 'unseen', 'unseen', 'unseen', 'unseen'];

/** Columns of somebody of whom no more is known than who they are. */
export const BLANK_ATHLETE = {
  season: 'off',
  availability: '[]',
  equipment: '[]',
  partner: false,
  schools: '{}',
  chain: JSON.stringify(UNSEEN),
} as const;

/** What stands while nobody has looked. */
export const blankFlags = () => ({ flags: '[]', care: false, focus: null, lock_until: null, lock_from: null });

/** Renews what the roster shows of an athlete: chain, focus, lock. To be called in the transaction that changed them. */
export async function renewGlance(ctx: Context, id: string): Promise<void> {
  const athlete = await athleteRecord(ctx, id);
  const foci = await fociOf(ctx, id);
  const { observed, request } = await judgedOf(ctx, id, athlete);
  await renewAgreements(
    ctx,
    id,
    request,
    observed.map((o) => ({ id: o.id, author: o.authorId })),
  );
  const { posterior: present, before, flags } = glanceOf(request);
  const focus = foci.find((f) => f.ended_at === null);
  const load = await loadOf(ctx, id);
  const courses = await coursesOf(ctx, id, athlete, foci, load, flags);
  await keepCourses(ctx, foci, courses);
  const chain = chainOf(
    athlete.discipline,
    lookedAt(request.evidence),
    present,
    before,
    foci.map((f) => ({ ...f, relapsed: courses.get(f.id)?.state === 'relapsed' })),
  );
  const { locked, lockComesBack } = workloadOf(ctx, athlete, load).today;
  await ctx.tenant
    .from('athletes')
    .where('id', id)
    .update({
      chain: JSON.stringify(chain),
      focus: focus?.finding ?? null,
      focus_chance: focus ? (present[focus.finding] ?? null) : null,
      focus_chance_on: ctx.today,
      lock_until: locked?.until ?? null,
      lock_from: lockComesBack,
      flags: JSON.stringify(flags),
      care: flags.length > 0,
    });
}
