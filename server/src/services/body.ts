import type {
  BodyCheckRecord,
  BodyHistory,
  BodyNoteRow,
  BodyPicture,
  BodyReadingRow,
  BodyValue,
  NewBodyCheck,
  NewBodyNote,
  NewBodyReading,
} from '@wrightonic/contract';
import { bandFor, BODY_TESTS, bodyInsight, bodyTestById, readingFault, valueOf } from '@wrightonic/core';
import type { Evidence, IsoDate, PainReport, TestId, TestSide, TestStep } from '@wrightonic/core';
import { v5 as uuidv5 } from 'uuid';
import { conflict, notFound, wrongField } from '../problems';
import { athleteRecord, judgedOf, profileOf, renewGlance, holdAthlete } from './athletes';
import { followFrom } from './log/follow';
import type { Context } from './context';

interface CheckDbRow {
  id: string;
  on_date: IsoDate;
  kind: NewBodyCheck['kind'];
  steps: TestStep[];
  finished_at: Date | null;
}
interface ReadingDbRow {
  id: string;
  check_id: string;
  on_date: IsoDate;
  test: TestId;
  side: TestSide;
  value: number;
  read_by: BodyReadingRow['readBy'];
  moment: BodyReadingRow['moment'];
}
interface NoteDbRow {
  id: string;
  check_id: string;
  test: TestId;
  side: TestSide;
  note: string;
  pain: PainReport | null;
}

const toReading = (row: ReadingDbRow): BodyReadingRow => ({
  id: row.id,
  check: row.check_id,
  test: row.test,
  side: row.side,
  value: row.value,
  readBy: row.read_by,
  moment: row.moment,
});
const toNote = (row: NoteDbRow): BodyNoteRow => ({
  id: row.id,
  check: row.check_id,
  test: row.test,
  side: row.side,
  note: row.note,
  pain: row.pain,
});

async function checkRow(ctx: Context, athlete: string, id: string): Promise<CheckDbRow> {
  const row = (await ctx.tenant.from('body_checks').where({ id, athlete_id: athlete }).first()) as CheckDbRow | undefined;
  if (!row) throw notFound('body check');
  return row;
}

async function readingsOf(ctx: Context, athlete: string): Promise<ReadingDbRow[]> {
  return (await ctx.tenant
    .from('body_readings')
    .where('athlete_id', athlete)
    .orderBy(['on_date', 'created_at', 'id'])) as ReadingDbRow[];
}

/** Values of each test and side over time: the readings of one check are one value. */
export async function bodyHistories(ctx: Context, id: string): Promise<BodyHistory[]> {
  const athlete = profileOf(await athleteRecord(ctx, id));
  const found = new Map<string, TestStep & { checks: Map<string, ReadingDbRow[]> }>();
  for (const row of await readingsOf(ctx, id)) {
    if (row.moment !== 'first') continue;
    const key = `${row.test}:${row.side}`;
    const entry = found.get(key) ?? { test: row.test, side: row.side, checks: new Map<string, ReadingDbRow[]>() };
    entry.checks.set(row.check_id, [...(entry.checks.get(row.check_id) ?? []), row]);
    found.set(key, entry);
  }
  const rank = new Map(BODY_TESTS.map((test, i) => [test.id, i]));
  return [...found.values()]
    .map(({ test, side, checks }) => ({
      test,
      side,
      values: [...checks.values()].map((rows): BodyValue => {
        const on = rows[0]!.on_date;
        const band = bandFor(bodyTestById(test), athlete, on, ctx.academy.numbers.tests);
        const { value, sd, count, grade } = valueOf(
          bodyTestById(test),
          rows.map((r) => r.value),
          band,
        );
        return { on, value, sd, count, grade };
      }),
    }))
    .sort((a, b) => rank.get(a.test)! - rank.get(b.test)!);
}

export async function bodyOf(ctx: Context, id: string): Promise<BodyPicture> {
  const athlete = await athleteRecord(ctx, id);
  const newest = (await ctx.tenant
    .from('body_checks')
    .where('athlete_id', id)
    .orderBy('on_date', 'desc')
    .orderBy('created_at', 'desc')
    .first()) as CheckDbRow | undefined;
  const [histories, judged, readings, notes] = await Promise.all([
    bodyHistories(ctx, id),
    judgedOf(ctx, id, athlete),
    newest
      ? (ctx.tenant.from('body_readings').where('check_id', newest.id).orderBy(['created_at', 'id']) as unknown as Promise<
          ReadingDbRow[]
        >)
      : [],
    newest
      ? (ctx.tenant.from('body_notes').where('check_id', newest.id).orderBy(['created_at', 'id']) as unknown as Promise<
          NoteDbRow[]
        >)
      : [],
  ]);
  const check: BodyCheckRecord | null = newest
    ? {
        id: newest.id,
        on: newest.on_date,
        kind: newest.kind,
        steps: newest.steps,
        finished: newest.finished_at !== null,
        readings: readings.map(toReading),
        notes: notes.map(toNote),
      }
    : null;
  return {
    check,
    histories,
    anythingSeen: judged.observed.length > 0,
    insight: bodyInsight(judged.request),
  };
}

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

async function renewObservation(ctx: Context, athleteId: string, check: CheckDbRow, step: TestStep): Promise<void> {
  const rows = (await ctx.tenant
    .from('body_readings')
    .where({ check_id: check.id, test: step.test, side: step.side, moment: 'first' })) as ReadingDbRow[];
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
  const stopped = (await ctx.tenant
    .from('body_notes')
    .where({ check_id: check.id, test: given.test, side: given.side })
    .whereNotNull('pain')
    .first('id')) as object | undefined;
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
  const row = (await ctx.tenant.from('body_readings').where({ id, athlete_id: athleteId }).first()) as ReadingDbRow | undefined;
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
