import type { IsoDate, WorkDone } from '@wrightonic/core';
import type { Context } from '../common/context';
import type { FocusDbRow } from '../db/tables';

/** What was done, by day: counted from an index alone, however many reps there are. */
export interface RepDays {
  /** All reps and the good ones of each day, newest first. */
  readonly days: readonly { readonly on: IsoDate; readonly reps: number; readonly good: number }[];
  /** Good reps on each finding that was worked on, by day. */
  readonly work: readonly WorkDone[];
}

/** @param coming the athlete’s foci, where somebody is reading them already */
export async function repDaysOf(
  ctx: Context,
  athlete: string,
  coming: PromiseLike<readonly Pick<FocusDbRow, 'id' | 'finding'>[]> = ctx.tenant
    .from('foci')
    .where('athlete_id', athlete)
    .select('id', 'finding'),
): Promise<RepDays> {
  const [rows, foci] = await Promise.all([
    ctx.tenant
      .from('reps')
      .where({ athlete_id: athlete, undone: false, gone: false })
      .groupBy('on_date', 'judged', 'focus_id')
      .select('on_date', 'judged', 'focus_id')
      .count({ reps: '*' }),
    coming,
  ]);
  const findingOf = new Map(foci.map((f) => [f.id, f.finding]));
  const days = new Map<IsoDate, { reps: number; good: number }>();
  const work = new Map<string, WorkDone>();
  for (const { on_date: on, focus_id: focus, judged, reps } of rows) {
    const [count, good] = [Number(reps), judged === 'good'];
    const day = days.get(on) ?? { reps: 0, good: 0 };
    days.set(on, { reps: day.reps + count, good: day.good + (good ? count : 0) });
    const finding = focus === null ? undefined : findingOf.get(focus);
    if (!good || finding === undefined) continue;
    const key = `${on} ${finding}`;
    work.set(key, { finding, on, reps: (work.get(key)?.reps ?? 0) + count });
  }
  return {
    days: [...days].map(([on, counts]) => ({ on, ...counts })).sort((a, b) => (a.on < b.on ? 1 : -1)),
    work: [...work].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, done]) => done),
  };
}
