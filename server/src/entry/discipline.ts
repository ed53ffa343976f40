/** What becomes of evidence, focus and plan when an athlete’s discipline is corrected. */
import { dayInWords, findingById, thoughtById } from '@wrightonic/core';
import type { Discipline, Evidence, FindingId } from '@wrightonic/core';
import type { IntakeRecord } from '@wrightonic/contract';
import { conflict } from '../problems';
import type { Context } from '../common/context';

const isForeign = (finding: FindingId, discipline: Discipline): boolean => !findingById(finding).disciplines.includes(discipline);

/** Film and sequences show the other delivery; what is seen, tried or told is about a finding that may occur in both. */
function isForeignEvidence(evidence: Evidence, discipline: Discipline): boolean {
  if (evidence.kind === 'measure' || evidence.kind === 'sequence') return true;
  return 'finding' in evidence && isForeign(evidence.finding, discipline);
}

const counted = (n: number, one: string, many: string): string | null => (n === 0 ? null : `${n} ${n === 1 ? one : many}`);

/**
 * Sets aside what belongs to the other delivery, with the reason; it is kept, and counts no more.
 * @throws ProblemError 409 where there is such a thing and nobody has agreed to that
 */
export async function correctDiscipline(
  ctx: Context,
  athlete: string,
  was: Discipline,
  now: Discipline,
  intake: IntakeRecord | null,
  agreed: boolean,
): Promise<IntakeRecord | null> {
  const observations = (
    await ctx.tenant.from('observations').where('athlete_id', athlete).whereNull('set_aside').select('id', 'evidence')
  ).filter((row) => isForeignEvidence(row.evidence, now));
  const foci = (await ctx.tenant.from('foci').where('athlete_id', athlete).whereNull('ended_at').select('id', 'finding')).filter(
    (row) => isForeign(row.finding, now),
  );
  const rulings = (
    await ctx.tenant.from('rulings').where('athlete_id', athlete).whereNull('ended_at').select('id', 'finding')
  ).filter((row) => isForeign(row.finding, now));
  const thoughts = intake?.thoughts.filter((t) => thoughtById(t).disciplines.includes(now)) ?? [];
  const lost = (intake?.thoughts.length ?? 0) - thoughts.length;
  const what = [
    counted(observations.length, 'thing observed', 'things observed'),
    counted(foci.length, 'focus', 'focuses'),
    counted(rulings.length, 'overruling', 'overrulings'),
    counted(lost, 'thought', 'thoughts'),
  ].filter((text) => text !== null);
  if (what.length === 0) return intake;
  if (!agreed)
    throw conflict(
      'The discipline would change',
      `${what.join(', ')} belong to the ${was} delivery and would be set aside: kept, and counted no more. Agree to that (setForeignAside) to correct the discipline.`,
    );
  const reason = `Set aside on ${dayInWords(ctx.today)}: the discipline was corrected from ${was} to ${now}.`;
  const ids = (rows: readonly { readonly id: string }[]) => rows.map((row) => row.id);
  await ctx.tenant.from('observations').whereIn('id', ids(observations)).update({ set_aside: reason });
  await ctx.tenant.from('foci').whereIn('id', ids(foci)).update({ ended_at: ctx.now, state: 'left-alone', set_aside: reason });
  await ctx.tenant.from('rulings').whereIn('id', ids(rulings)).update({ ended_at: ctx.now });
  return intake && lost > 0 ? { ...intake, thoughts } : intake;
}
