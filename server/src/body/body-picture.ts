/** The body check as it stands, values over time, and what limits what. */
import type { BodyCheckRecord, BodyHistory, BodyNoteRow, BodyPicture, BodyReadingRow, BodyValue } from '@wrightonic/contract';
import { bandFor, BODY_TESTS, bodyInsight, bodyTestById, valueOf } from '@wrightonic/core';
import type { TestStep } from '@wrightonic/core';
import { notFound } from '../problems';
import { athleteRecord, profileOf } from '../athlete/athletes';
import { judgedOf } from '../judgement/judged';
import type { Context } from '../common/context';
import type { BodyCheckDbRow, BodyNoteDbRow, BodyReadingDbRow } from '../db/tables';

const toReading = (row: BodyReadingDbRow): BodyReadingRow => ({
  id: row.id,
  check: row.check_id,
  test: row.test,
  side: row.side,
  value: row.value,
  readBy: row.read_by,
  moment: row.moment,
});

const toNote = (row: BodyNoteDbRow): BodyNoteRow => ({
  id: row.id,
  check: row.check_id,
  test: row.test,
  side: row.side,
  note: row.note,
  pain: row.pain,
});

export async function checkRow(ctx: Context, athlete: string, id: string): Promise<BodyCheckDbRow> {
  const row = await ctx.tenant.from('body_checks').where({ id, athlete_id: athlete }).first();
  if (!row) throw notFound('body check');
  return row;
}

async function readingsOf(ctx: Context, athlete: string): Promise<BodyReadingDbRow[]> {
  return await ctx.tenant.from('body_readings').where('athlete_id', athlete).orderBy(['on_date', 'created_at', 'id']);
}

/** Values of each test and side over time: the readings of one check are one value. */
export async function bodyHistories(ctx: Context, id: string): Promise<BodyHistory[]> {
  const athlete = profileOf(await athleteRecord(ctx, id));
  const found = new Map<string, TestStep & { checks: Map<string, BodyReadingDbRow[]> }>();
  for (const row of await readingsOf(ctx, id)) {
    if (row.moment !== 'first') continue;
    const key = `${row.test}:${row.side}`;
    const entry = found.get(key) ?? { test: row.test, side: row.side, checks: new Map<string, BodyReadingDbRow[]>() };
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
  const newest = await ctx.tenant
    .from('body_checks')
    .where('athlete_id', id)
    .orderBy('on_date', 'desc')
    .orderBy('created_at', 'desc')
    .first();
  const [histories, judged, readings, notes] = await Promise.all([
    bodyHistories(ctx, id),
    judgedOf(ctx, id, athlete),
    newest ? ctx.tenant.from('body_readings').where('check_id', newest.id).orderBy(['created_at', 'id']) : [],
    newest ? ctx.tenant.from('body_notes').where('check_id', newest.id).orderBy(['created_at', 'id']) : [],
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
