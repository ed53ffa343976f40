import type { BodyPicture, NewBodyCheck, NewBodyNote, NewBodyReading } from '@wrightonic/contract';
import { bodyTestById, readingFault, valueOf } from '@wrightonic/core';
import type { Evidence, TestStep } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import { conflict, wrongField } from '../problems';
import { athleteRecord, holdAthlete, profileOf } from '../athlete/athletes';
import { renewGlance } from '../judgement/glance';
import { bodyOf, checkRow } from '../body/body-picture';
import type { Context } from '../common/context';
import { followFrom } from '../log/follow';
import type { BodyCheckDbRow } from '../db/tables';

export async function putBodyCheck(ctx: Context, athleteId: string, id: string, given: NewBodyCheck): Promise<BodyPicture> {
  await athleteRecord(ctx, athleteId);
  if (given.on > ctx.today) throw wrongField('on', `is ${given.on}, which is still to come`);
  given.steps.forEach(({ test, side }, i) => {
    if (!bodyTestById(test).sides.includes(side))
      throw wrongField(`steps[${i}].side`, `${test} is done on ${bodyTestById(test).sides.join(' or ')}, not on “${side}”`);
  });
  await ctx.tenant.upsert('body_checks', {
    id,
    athlete_id: athleteId,
    on_date: given.on,
    kind: given.kind,
    steps: JSON.stringify(given.steps),
  });
  return bodyOf(ctx, athleteId);
}

/** The observation that a value of one test and side is: one per check, made anew with every reading. */
const observationId = (check: string, { test, side }: TestStep): string => uuidv5(`${test}:${side}`, check);

async function renewObservation(ctx: Context, athleteId: string, check: BodyCheckDbRow, step: TestStep): Promise<void> {
  const rows = await ctx.tenant
    .from('body_readings')
    .where({ check_id: check.id, test: step.test, side: step.side, moment: 'first' });
  const id = observationId(check.id, step);
  if (rows.length === 0) {
    await ctx.tenant.from('observations').where({ id, athlete_id: athleteId }).delete();
  } else {
    const test = bodyTestById(step.test);
    const { value } = valueOf(
      test,
      rows.map((r) => r.value),
      test,
    );
    const evidence: Evidence = {
      kind: 'screen',
      test: step.test,
      side: step.side,
      value,
      unit: test.unit,
      readings: rows.length,
    };
    await ctx.tenant.upsert('observations', {
      id,
      athlete_id: athleteId,
      on_date: check.on_date,
      author: ctx.user.name,
      author_id: ctx.user.id,
      source: 'body',
      evidence: JSON.stringify(evidence),
    });
  }
  await renewGlance(ctx, athleteId);
}

export async function putBodyReading(ctx: Context, athleteId: string, id: string, given: NewBodyReading): Promise<BodyPicture> {
  const athlete = profileOf(await athleteRecord(ctx, athleteId));
  const check = await checkRow(ctx, athleteId, given.check);
  const fault = readingFault(given.test, given.side, given.value, athlete, check.on_date);
  if (fault) throw wrongField('value', fault);
  const stopped = await ctx.tenant
    .from('body_notes')
    .where({ check_id: check.id, test: given.test, side: given.side })
    .whereNotNull('pain')
    .first('id');
  if (stopped && !(await ctx.tenant.has('body_readings', { id })))
    throw conflict('The test was ended', 'It hurt on this side, so no more readings are taken of it today.');
  await ctx.tenant.upsert('body_readings', {
    id,
    athlete_id: athleteId,
    check_id: given.check,
    on_date: check.on_date,
    test: given.test,
    side: given.side,
    value: given.value,
    read_by: given.readBy,
    moment: given.moment,
  });
  await renewObservation(ctx, athleteId, check, given);
  return bodyOf(ctx, athleteId);
}

export async function dropBodyReading(ctx: Context, athleteId: string, id: string): Promise<BodyPicture> {
  await athleteRecord(ctx, athleteId);
  const row = await ctx.tenant.from('body_readings').where({ id, athlete_id: athleteId }).first();
  if (row) {
    await ctx.tenant.from('body_readings').where('id', id).delete();
    await renewObservation(ctx, athleteId, await checkRow(ctx, athleteId, row.check_id), row);
  }
  return bodyOf(ctx, athleteId);
}

/** A word on a test. Pain is a pain report like any other, so that its locks hold everywhere. */
export async function putBodyNote(ctx: Context, athleteId: string, id: string, given: NewBodyNote): Promise<BodyPicture> {
  const athlete = await holdAthlete(ctx, athleteId);
  const check = await checkRow(ctx, athleteId, given.check);
  const known = await ctx.tenant.has('body_notes', { id });
  await ctx.tenant.upsert('body_notes', {
    id,
    athlete_id: athleteId,
    check_id: given.check,
    on_date: check.on_date,
    test: given.test,
    side: given.side,
    note: given.note,
    pain: given.pain === null ? null : JSON.stringify(given.pain),
  });
  if (given.pain && !known) {
    await ctx.tenant.insertOnce('pain_reports', {
      id: uuidv5('pain', id),
      athlete_id: athleteId,
      session_id: null,
      on_date: check.on_date,
      at: ctx.now,
      device_at: ctx.now,
      received_at: ctx.now,
      author_id: ctx.user.id,
      moment: 'during',
      site: given.pain.site,
      score: given.pain.score,
      signs: JSON.stringify(given.pain.signs ?? []),
    });
    await followFrom(ctx, athleteId, athlete, check.on_date);
  }
  return bodyOf(ctx, athleteId);
}

export async function finishBodyCheck(ctx: Context, athleteId: string, id: string): Promise<BodyPicture> {
  const check = await checkRow(ctx, athleteId, id);
  if (!check.finished_at) await ctx.tenant.from('body_checks').where('id', id).update({ finished_at: ctx.now });
  return bodyOf(ctx, athleteId);
}
