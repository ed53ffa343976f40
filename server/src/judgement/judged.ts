/** What the judgement is asked about an athlete, and its answer. */
import type { AthleteRecord, RulingRecord } from '@wrightonic/contract';
import { findingById, visibilityOf, weighLook } from '@wrightonic/core';
import type { DatedEvidence, Diagnosis, DiagnosisRequest, TrendReading } from '@wrightonic/core';
import { profileOf } from '../athlete/athletes';
import type { Context } from '../common/context';
import { evidenceOf } from './evidence';
import type { Observed } from './evidence';
import { eyesOf } from './eyes';
import { repDaysOf } from '../work/rep-days';
import type { RepDays } from '../work/rep-days';
import { sizesOf } from '../athlete/sizes';
import { speedsOf } from '../devices/speeds';
import { judgementOn } from '../common/standing';

/** The athlete's schools over the academy's. */
export const schoolsOf = (ctx: Context, athlete: AthleteRecord) => ({ ...ctx.academy.schools, ...athlete.schools });

/** Everything that the judgement rests on. */
export interface Judged {
  readonly observed: readonly Observed[];
  readonly rulings: readonly RulingRecord[];
  /** Speed readings, oldest first. */
  readonly speeds: readonly TrendReading[];
  readonly repDays: RepDays;
  readonly request: DiagnosisRequest;
}

/** The coach's words that stand, oldest first. */
export async function rulingsOf(ctx: Context, athlete: string): Promise<RulingRecord[]> {
  const rows = await ctx.tenant.from('rulings').where('athlete_id', athlete).whereNull('ended_at').orderBy(['created_at', 'id']);
  return rows.map(({ id, finding, ruling, reason, author, on_date: on }) => ({
    id,
    finding,
    as: ruling,
    reason,
    by: author,
    on,
  }));
}

/** What of an athlete somebody is reading already. */
interface Coming {
  readonly repDays?: Promise<RepDays>;
  readonly speeds?: Promise<readonly TrendReading[]>;
}

/** What the judgement is asked: everything observed, each look by its own eye, the coach's words, the academy's numbers. */
export async function judgedOf(ctx: Context, id: string, athlete: AthleteRecord, coming: Coming = {}): Promise<Judged> {
  const speedsComing = coming.speeds ?? speedsOf(ctx, id, athlete.discipline);
  const [observed, speeds, rulings, repDays, sizes] = await Promise.all([
    evidenceOf(ctx, id, speedsComing),
    speedsComing,
    rulingsOf(ctx, id),
    coming.repDays ?? repDaysOf(ctx, id),
    sizesOf(ctx, id),
  ]);
  const authors = [...new Set(observed.flatMap((o) => (o.evidence.kind === 'eye' && o.authorId ? [o.authorId] : [])))];
  const eyeOf = await eyesOf(ctx, authors);
  const evidence = observed.map(({ on, by, evidence: item, authorId }): DatedEvidence => {
    const eye = item.kind === 'eye' ? eyeOf(authorId, visibilityOf(findingById(item.finding))) : undefined;
    const weighs = eye && item.kind === 'eye' && item.answer !== 'unsure' ? weighLook(item.answer, eye) : undefined;
    // Where the academy has moved to another time zone, its day may lie before the day on which something was seen.
    return { ...item, on: on > ctx.today ? ctx.today : on, by, ...(weighs === undefined ? {} : { weighs }) };
  });
  return {
    observed,
    rulings,
    speeds,
    repDays,
    request: {
      on: ctx.today,
      athlete: profileOf(athlete),
      schools: schoolsOf(ctx, athlete),
      numbers: ctx.academy.numbers,
      evidence,
      overrules: rulings.map(({ finding, as }) => ({ finding, as })),
      work: repDays.work,
      sizes,
    },
  };
}

/** The judgement over everything observed so far. */
export async function currentDiagnosis(
  ctx: Context,
  id: string,
  athlete: AthleteRecord,
  coming?: Coming,
): Promise<Judged & { readonly result: Diagnosis }> {
  const judged = await judgedOf(ctx, id, athlete, coming);
  return { ...judged, result: await judgementOn(ctx, id, 'now', judged.request) };
}
