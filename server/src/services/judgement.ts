import type { AthleteOverview, DiagnosisRecord, FocusChange, NewFocus, NewObservation, NewRuling } from '@wrightonic/contract';
import { check, diagnosisRequestSchema } from '@wrightonic/contract';

import { CATALOGUE_VERSION, changesSince, dayInWords, EvidenceError, findingById, focusSlot, howSure } from '@wrightonic/core';
import type { Diagnosis, DiagnosisRequest, IsoDate, Judged } from '@wrightonic/core';
import { conflict, notFound, ProblemError, wrongField } from '../problems';
import { athleteRecord, currentDiagnosis, fociOf, holdAthlete, profileOf, renewGlance } from './athletes';
import { overview } from './overview';
import { within } from './context';
import { reclimb } from './log/reclimb';
import { replan } from './plans';
import { judgementOn } from './standing';
import type { Context } from './context';

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
  const kept = (await ctx.tenant
    .from('diagnoses')
    .where('athlete_id', athleteId)
    .orderBy('created_at', 'desc')
    .orderBy('id', 'desc')
    .first('on_date', 'shown')) as { on_date: IsoDate; shown: { result: Judged } } | undefined;
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
    const row = (await tenant
      .from('observations')
      .where({ id, athlete_id: athleteId })
      .first('author_id', 'author', 'on_date')) as { author_id: string | null; author: string; on_date: IsoDate } | undefined;
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

/** “Likely the cause”, “Possibly the cause”: how sure, as the start of a reason. */
const causeWords = (probability: number): string =>
  `${howSure(probability).replace('Possible', 'Possibly').replace('Could well be', 'May well be')} the cause`;

/** Makes a finding the focus. At most one lower-half and one arm-action focus stand at a time: the new one takes the old one's place. */
export async function putFocus(ctx: Context, athleteId: string, id: string, given: NewFocus): Promise<AthleteOverview> {
  const athlete = await athleteRecord(ctx, athleteId);
  const finding = findingById(given.finding);
  if (!finding.disciplines.includes(athlete.discipline))
    throw wrongField('finding', `“${given.finding}” does not occur in the ${athlete.discipline} delivery`);
  if (given.diagnosis !== null && !(await ctx.tenant.has('diagnoses', { id: given.diagnosis, athlete_id: athleteId })))
    throw wrongField('diagnosis', 'is not a kept diagnosis of this athlete; keep it first');
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    await holdAthlete(inside, athleteId);
    const known = (await tenant.from('foci').where('id', id).first('athlete_id')) as { athlete_id: string } | undefined;
    if (known && known.athlete_id !== athleteId) throw notFound('focus');
    if (known) return;
    const { result } = await currentDiagnosis(inside, athleteId, athlete);
    const root = result.roots.find((r) => r.finding === given.finding);
    const eases =
      result.roots[0]?.finding === given.finding
        ? result.expectedToEase.slice(0, 3).map((e) => findingById(e.finding).title.toLowerCase())
        : [];
    const why = root
      ? `${causeWords(root.probability)} (${Math.round(100 * root.probability)} %)${eases.length > 0 ? `; should ease: ${eases.join(', ')}` : ''}.`
      : 'By the coach’s own word.';
    await tenant
      .from('foci')
      .where({ athlete_id: athleteId, slot: focusSlot(given.finding) })
      .whereNull('ended_at')
      .update({ ended_at: ctx.now, state: 'left-alone' });
    await tenant.insertOnce('foci', {
      id,
      athlete_id: athleteId,
      diagnosis_id: given.diagnosis,
      finding: given.finding,
      slot: focusSlot(given.finding),
      rung: given.rung,
      state: given.rung >= 6 ? 'holding' : 'working',
      started_on: ctx.today,
      started_rung: given.rung,
      started_at: ctx.now,
      rung_since: ctx.today,
      rung_since_at: ctx.now,
      why: why.slice(0, 500),
      chance_then: result.posterior[given.finding] ?? null,
    });
    await renewGlance(inside, athleteId);
    await replan(inside, athleteId);
  });
  return overview(ctx, athleteId);
}

/** The coach's own word: another rung, or the end of a focus. Kept beside the gate's verdicts. */
export async function changeFocus(ctx: Context, athleteId: string, id: string, change: FocusChange): Promise<AthleteOverview> {
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    await holdAthlete(inside, athleteId);
    const focus = (await fociOf(inside, athleteId)).find((f) => f.id === id);
    if (!focus) throw notFound('focus');
    if (focus.ended_at !== null)
      throw conflict('The focus has ended', 'This focus was ended already; choose a new one from the diagnosis.');
    const rung = change.rung ?? focus.rung;
    if (rung !== focus.rung)
      await tenant.insertOnce('verdicts', {
        id: ctx.newId(),
        athlete_id: athleteId,
        focus_id: id,
        session_id: null,
        on_date: ctx.today,
        at: ctx.now,
        finding: focus.finding,
        from_rung: focus.rung,
        to_rung: rung,
        verdict: rung > focus.rung ? 'advance' : 'regress',
        reason: `The coach’s word: ${change.reason}`.slice(0, 500),
        by_whom: 'coach',
      });
    if (change.end) await tenant.from('foci').where('id', id).update({ state: change.end, ended_at: ctx.now });
    await reclimb(inside, athleteId, ctx.today);
    await renewGlance(inside, athleteId);
    await replan(inside, athleteId);
  });
  return overview(ctx, athleteId);
}
