import { check, diagnosisRequestSchema } from '@wrightonic/contract';
import type { DiagnosisRecord, NewObservation, NewRuling } from '@wrightonic/contract';
import { CATALOGUE_VERSION, changesSince, dayInWords, EvidenceError, findingById } from '@wrightonic/core';
import type { Diagnosis, DiagnosisRequest } from '@wrightonic/core';
import { conflict, ProblemError, wrongField } from '../problems';
import { athleteRecord, profileOf } from '../athlete/athletes';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { renewGlance } from './glance';
import { currentDiagnosis } from './judged';
import { judgementOn } from '../common/standing';

/** The judgement as it stands, not stored. */
export async function diagnosisOf(ctx: Context, athleteId: string, id = ''): Promise<DiagnosisRecord> {
  const athlete = await athleteRecord(ctx, athleteId);
  const { observed, rulings, request, result } = await currentDiagnosis(ctx, athleteId, athlete);
  return {
    id,
    on: ctx.today,
    catalogueVersion: CATALOGUE_VERSION,
    evidence: observed.map(({ authorId, ...shown }) => ({ ...shown, own: authorId === ctx.user.id })),
    result,
    request,
    rulings,
    changes: await changesOf(ctx, athleteId, request, result),
  };
}

/**
 * What is judged otherwise than before: than the diagnosis kept last, or, where none was kept, than at the end of the last day but
 * one on which something was observed.
 */
async function changesOf(
  ctx: Context,
  athleteId: string,
  request: DiagnosisRequest,
  now: Diagnosis,
): Promise<DiagnosisRecord['changes']> {
  const kept = await ctx.tenant
    .from('diagnoses')
    .where('athlete_id', athleteId)
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .first('on_date', 'shown');
  if (kept) return { since: kept.on_date, list: changesSince(kept.shown.result, now) };
  const days = [...new Set(request.evidence.map((e) => e.on!))].sort();
  const since = days[days.length - 2];
  if (since === undefined) return null;
  const before = await judgementOn(ctx, athleteId, 'before', {
    ...request,
    on: since,
    overrules: [],
    evidence: request.evidence.filter((e) => e.on! <= since),
  });
  return { since, list: changesSince(before, now) };
}

/** Sets the coach's word on a finding; an older word on the same finding ends, and is kept. */
export async function putRuling(ctx: Context, athleteId: string, id: string, given: NewRuling): Promise<DiagnosisRecord> {
  const athlete = await athleteRecord(ctx, athleteId);
  if (!findingById(given.finding).disciplines.includes(athlete.discipline))
    throw wrongField('finding', `“${given.finding}” does not occur in the ${athlete.discipline} delivery`);
  return ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    if (!(await tenant.has('rulings', { id, athlete_id: athleteId }))) {
      await tenant
        .from('rulings')
        .where({ athlete_id: athleteId, finding: given.finding })
        .whereNull('ended_at')
        .update({ ended_at: ctx.now });
      await tenant.insertOnce('rulings', {
        id,
        athlete_id: athleteId,
        finding: given.finding,
        ruling: given.as,
        reason: given.reason,
        author: ctx.user.name,
        on_date: ctx.today,
      });
      await renewGlance(inside, athleteId);
    }
    return diagnosisOf(inside, athleteId);
  });
}

/** Takes the coach's word back. That it stood, and until when, is kept. */
export async function endRuling(ctx: Context, athleteId: string, id: string): Promise<DiagnosisRecord> {
  await athleteRecord(ctx, athleteId);
  return ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    await tenant.from('rulings').where({ id, athlete_id: athleteId }).whereNull('ended_at').update({ ended_at: ctx.now });
    await renewGlance(inside, athleteId);
    return diagnosisOf(inside, athleteId);
  });
}

/** Turns an item that cannot be about this athlete into a refusal of the field. */
function refuseEvidence(error: unknown): never {
  if (error instanceof EvidenceError) throw wrongField(`evidence.${error.field}`, error.message);
  throw error;
}

export async function putObservation(
  ctx: Context,
  athleteId: string,
  id: string,
  given: NewObservation,
): Promise<DiagnosisRecord> {
  const athlete = await athleteRecord(ctx, athleteId);
  if (given.on > ctx.today) throw wrongField('on', `is ${given.on}, which is still to come`);
  const alone = check(diagnosisRequestSchema, { on: ctx.today, athlete: profileOf(athlete), evidence: [given.evidence] });
  if (!alone.ok) throw new ProblemError(422, alone.problem.title, alone.problem.detail, alone.problem.errors);
  return ctx.tenant
    .transaction(async (tenant) => {
      const inside = within(ctx, tenant);
      await tenant.insertOnce('observations', {
        id,
        athlete_id: athleteId,
        on_date: given.on,
        author_id: ctx.user.id,
        author: ctx.user.name,
        evidence: JSON.stringify(given.evidence),
      });
      await renewGlance(inside, athleteId);
      return diagnosisOf(inside, athleteId);
    })
    .catch(refuseEvidence);
}

/** Takes back one’s own look of today. What others saw, and what was seen on other days, stays: a new look stands beside it. */
export async function dropObservation(ctx: Context, athleteId: string, id: string): Promise<DiagnosisRecord> {
  await athleteRecord(ctx, athleteId);
  return ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const row = await tenant.from('observations').where({ id, athlete_id: athleteId }).first('author_id', 'author', 'on_date');
    if (row && (row.author_id !== ctx.user.id || row.on_date !== ctx.today))
      throw conflict(
        'That look stays',
        `${row.author_id === ctx.user.id ? 'You' : row.author} saw it on ${dayInWords(row.on_date)}. Only your own looks of today can be taken back; record what you see now beside it.`,
      );
    await tenant.from('observations').where({ id, athlete_id: athleteId }).delete();
    await renewGlance(inside, athleteId);
    return diagnosisOf(inside, athleteId);
  });
}

/** Keeps what was shown, so that a later catalogue does not change what was decided by. */
export async function keepDiagnosis(ctx: Context, athleteId: string, id: string): Promise<DiagnosisRecord> {
  const shown = await diagnosisOf(ctx, athleteId, id);
  await ctx.tenant.insertOnce('diagnoses', {
    id,
    athlete_id: athleteId,
    on_date: ctx.today,
    catalogue_version: shown.catalogueVersion,
    shown: JSON.stringify({ evidence: shown.evidence, result: shown.result }),
  });
  return shown;
}
