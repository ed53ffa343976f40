/** Where each focus stands by its measures: worked out when something changes, and kept with the focus. */
import type { AthleteRecord, FilmSetup } from '@wrightonic/contract';
import { ageOn, courseOf, daysOf } from '@wrightonic/core';
import type { Course, CourseValue, FindingId, IsoDate } from '@wrightonic/core';
import type { Context } from '../common/context';
import { dayIn } from '../common/time';
import type { FocusDbRow } from '../db/tables';
import type { Load } from '../load/load';

type Effort = CourseValue['effort'];

/** Efforts of several throws together; unknown as soon as one of them is. */
const together = (a: Effort, b: Effort): Effort => a && b && [Math.min(a[0], b[0]), Math.max(a[1], b[1])];

/** What was measured of an athlete on film, each day's mean with the effort of its throws. */
export async function measuredOf(ctx: Context, athlete: string): Promise<CourseValue[]> {
  const rows = await ctx.tenant
    .from('observations')
    .where('observations.athlete_id', athlete)
    .where('observations.source', 'film')
    .join('clip_measures', 'clip_measures.observation_id', 'observations.id')
    .join('clips', 'clips.id', 'clip_measures.clip_id')
    .orderBy(['observations.on_date', 'observations.id'])
    .select<{ id: string; on: IsoDate; evidence: unknown; setup: FilmSetup }[]>(
      'observations.id',
      'observations.on_date as on',
      'observations.evidence',
      'clips.setup',
    );
  const values = new Map<string, CourseValue>();
  for (const { id, on, evidence, setup } of rows) {
    const item = evidence as { kind: string } & Omit<CourseValue, 'on' | 'effort'>;
    if (item.kind !== 'measure') continue;
    const effort: Effort = setup.effort ? [setup.effort, setup.effort] : null;
    const known = values.get(id);
    const { measure, event, value, sd } = item;
    values.set(id, { on, measure, event, value, sd, effort: known ? together(known.effort, effort) : effort });
  }
  return [...values.values()];
}

/** Verdicts of each focus since its rung moved last. */
async function withoutMove(ctx: Context, foci: readonly FocusDbRow[]): Promise<ReadonlyMap<string, number>> {
  const ids = foci.filter((f) => f.ended_at === null).map((f) => f.id);
  if (ids.length === 0) return new Map();
  const rows = await ctx.tenant
    .from('verdicts')
    .whereIn('focus_id', ids)
    .orderBy('at', 'desc')
    .select('focus_id', 'from_rung', 'to_rung');
  return new Map(
    ids.map((id) => {
      const own = rows.filter((r) => r.focus_id === id);
      const moved = own.findIndex((r) => r.from_rung !== r.to_rung);
      return [id, moved < 0 ? own.length : moved];
    }),
  );
}

/** Foci whose course is followed: those in work, and of each finding the newest that was owned. */
const followed = (foci: readonly FocusDbRow[]): FocusDbRow[] => {
  const taken = new Set(foci.filter((f) => f.ended_at === null).map((f) => f.finding));
  return foci.filter((focus) => {
    if (focus.ended_at === null) return true;
    if (focus.state !== 'owned' || taken.has(focus.finding)) return false;
    taken.add(focus.finding);
    return true;
  });
};

/**
 * The courses of an athlete's foci, by the focus.
 * @param foci newest first
 * @param measured what was measured, where somebody is reading it already
 */
export async function coursesOf(
  ctx: Context,
  athleteId: string,
  athlete: AthleteRecord,
  foci: readonly FocusDbRow[],
  load: Load,
  flags: readonly FindingId[],
  measured?: Promise<readonly CourseValue[]>,
): Promise<ReadonlyMap<string, Course>> {
  const mine = followed(foci);
  if (mine.length === 0) return new Map();
  const [values, still] = await Promise.all([measured ?? measuredOf(ctx, athleteId), withoutMove(ctx, mine)]);
  const thrownOn = daysOf(load.log).flatMap((d) => (d.throws + d.pitches > 0 ? [d.date] : []));
  return new Map(
    mine.map((focus) => [
      focus.id,
      courseOf({
        finding: focus.finding,
        discipline: athlete.discipline,
        age: ageOn(athlete.birthDate, ctx.today),
        flagged: flags.length > 0,
        numbers: ctx.academy.numbers,
        startedOn: focus.started_on,
        ownedOn: focus.ended_at === null ? null : dayIn(ctx.academy.timeZone, focus.ended_at),
        values,
        verdictsWithoutMove: still.get(focus.id) ?? 0,
        thrownOn,
        today: ctx.today,
      }),
    ]),
  );
}

/** Keeps the courses with their foci, where they have changed. */
export async function keepCourses(
  ctx: Context,
  foci: readonly FocusDbRow[],
  courses: ReadonlyMap<string, Course>,
): Promise<void> {
  for (const focus of foci) {
    const course = courses.get(focus.id);
    const now = {
      course: course?.state ?? null,
      course_why: course?.reason.slice(0, 500) ?? null,
      watch_from: course?.watch?.from ?? null,
      watch_why: course?.watch?.why ?? null,
    };
    if ((Object.keys(now) as (keyof typeof now)[]).every((key) => now[key] === focus[key])) continue;
    // What was asked for has come, or something else is to be asked for.
    const asked = now.watch_from === focus.watch_from ? {} : { asked_at: null };
    await ctx.tenant
      .from('foci')
      .where('id', focus.id)
      .update({ ...now, ...asked });
  }
}
