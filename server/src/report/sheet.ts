/** Two dates of an athlete side by side, in the words of athlete and family. */
import type { ReportSheet, SheetPicture, SheetQuery } from '@wrightonic/contract';
import { addDays, ageOn, dayInWords, fromMph, sheetOf, spared, SPARED_UNDER, SPEED_NEAR_DAYS, toMph } from '@wrightonic/core';
import type { Trend } from '@wrightonic/core';
import { athleteRecord, profileOf } from '../athlete/athletes';
import { consentsOf, isGiven } from '../athlete/consents';
import type { Context } from '../common/context';
import { speedsOf } from '../devices/speeds';
import { academyLibrary, academyWords } from '../library/library';
import { comingOf } from '../plan/days';
import { wrongField } from '../problems';
import { measuredOf } from '../work/course';
import { fociOf } from '../work/foci';

/** Things that come next on a sheet. */
const NEXT = 3;

/** What the speeds between two dates come to, in the academy's unit; null where there are none. */
async function trendBetween(ctx: Context, athlete: string, { from, to }: SheetQuery): Promise<Trend | null> {
  const { speedUnit } = ctx.academy;
  const record = await athleteRecord(ctx, athlete);
  const readings = (await speedsOf(ctx, athlete, record.discipline))
    .filter((r) => r.date >= addDays(from, -SPEED_NEAR_DAYS) && r.date <= addDays(to, SPEED_NEAR_DAYS))
    .map((r) => ({ ...r, speed: r.unit === speedUnit ? r.speed : fromMph(toMph(r), speedUnit), unit: speedUnit }));
  if (readings.length === 0) return null;
  return ctx.think.trend({ on: to, athlete: profileOf(record), readings });
}

export async function reportSheet(
  ctx: Context,
  athleteId: string,
  { from, to }: SheetQuery,
  pictures: readonly SheetPicture[] = [],
): Promise<ReportSheet> {
  const athlete = await athleteRecord(ctx, athleteId);
  if (from >= to) throw wrongField('to', `is ${to}, which is not after ${from}`);
  if (to > ctx.today) throw wrongField('to', `is ${to}, which is still to come`);
  const [values, trend, foci, words, library, coming, consents] = await Promise.all([
    measuredOf(ctx, athleteId),
    trendBetween(ctx, athleteId, { from, to }),
    fociOf(ctx, athleteId),
    academyWords(ctx),
    academyLibrary(ctx),
    comingOf(ctx, athleteId),
    consentsOf(ctx, athleteId),
  ]);
  const age = ageOn(athlete.birthDate, ctx.today);
  const say = (phrase: string) => spared(phrase, age < SPARED_UNDER ? ctx.academy.words : []);
  const active = foci.filter((f) => f.ended_at === null);
  const work = coming.today && !coming.today.done ? coming.today : coming.next;
  const drills = (work?.session.items ?? []).filter((item) => item.role === 'main').map((item) => library.drill(item.drill).name);
  return {
    academy: ctx.academy.name,
    athlete: athlete.name,
    discipline: athlete.discipline,
    lengthUnit: ctx.academy.lengthUnit,
    sheet: sheetOf({
      discipline: athlete.discipline,
      age: ageOn(athlete.birthDate, to),
      from,
      to,
      values,
      trend,
    }),
    focus: active.map((f) => ({ says: say(words.forAthlete(f.finding)), state: f.course, rung: f.rung })),
    next: [
      ...active.map((f) => say(words.forAthlete(f.finding))),
      ...(work
        ? [
            `Next work on ${dayInWords(work.on)}, ${work.session.minutes} minutes${drills.length > 0 ? `: ${drills.slice(0, 2).join(', ')}` : ''}.`,
          ]
        : []),
      ...active.flatMap((f) =>
        f.watch_from !== null && f.watch_from <= addDays(ctx.today, 7) ? ['Film the full delivery again.'] : [],
      ),
    ].slice(0, NEXT),
    pictures: isGiven(consents, 'film') ? pictures : [],
  };
}
