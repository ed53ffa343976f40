/** The focus: chosen from a judgement, moved by the coach’s own word. */
import type { AthleteOverview, FocusChange, NewFocus } from '@wrightonic/contract';
import { findingById, focusSlot, howSure } from '@wrightonic/core';
import { conflict, notFound, wrongField } from '../problems';
import { athleteRecord, holdAthlete } from '../athlete/athletes';
import { within } from '../common/context';
import type { Context } from '../common/context';
import { easedSince, expectedOf } from './eased';
import { fociOf } from '../work/foci';
import { renewGlance } from '../judgement/glance';
import { currentDiagnosis } from '../judgement/judged';
import { reclimb } from '../log/reclimb';
import { overview } from '../overview/overview';
import { replan } from '../plan/replan';

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
    const known = await tenant.from('foci').where('id', id).first('athlete_id');
    if (known && known.athlete_id !== athleteId) throw notFound('focus');
    if (known) return;
    const { result } = await currentDiagnosis(inside, athleteId, athlete);
    const root = result.roots.find((r) => r.finding === given.finding);
    const eases =
      result.roots[0]?.finding === given.finding
        ? result.expectedToEase.slice(0, 3).map((e) => findingById(e.finding).title.toLowerCase())
        : [];
    const expected = eases.length > 0 ? expectedOf(result) : [];
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
      expects: JSON.stringify(expected),
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
    if (focus.ended_at !== null && !(change.ask && focus.state === 'owned' && !change.rung && !change.end))
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
    if (change.ask) await tenant.from('foci').where('id', id).update({ asked_at: ctx.now });
    if (change.end) {
      const athlete = await athleteRecord(inside, athleteId);
      const { result, request } = await currentDiagnosis(inside, athleteId, athlete);
      const outcome = easedSince(focus, result, request);
      await tenant
        .from('foci')
        .where('id', id)
        .update({ state: change.end, ended_at: ctx.now, outcome: JSON.stringify(outcome) });
    }
    await reclimb(inside, athleteId, ctx.today);
    await renewGlance(inside, athleteId);
    await replan(inside, athleteId);
  });
  return overview(ctx, athleteId);
}
