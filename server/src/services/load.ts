import type { AthleteRecord } from '@wrightonic/contract';
import { addDays, ageOn, strictestLeague, workload } from '@wrightonic/core';
import type { Clearance, IsoDate, LeagueRule, LoadRow, PainReport, PainSign, PainSite, Workload } from '@wrightonic/core';
import type { Context } from './context';
import { profileOf } from './athletes';

export interface Load {
  readonly log: readonly LoadRow[];
  readonly clearances: readonly Clearance[];
}

const DAYS_BACK = 400;
/** Throws from this effort on count as load; from HIGH on they are hard. */
const COUNTS_FROM = 50;
const HIGH = 90;

interface DayRow {
  on_date: IsoDate;
  throws: number;
  high: number;
}
interface OutingRow {
  on_date: IsoDate;
  pitches: number;
  throws: number;
  high_effort: number;
  innings: number;
}
export interface PainRow {
  on_date: IsoDate;
  at: Date;
  site: PainSite;
  score: number;
  signs: PainSign[];
}
export const toPain = (row: PainRow): PainReport => ({ site: row.site, score: row.score, signs: row.signs });

/** All throwing and pain of the last year: logged reps, outside throwing, reports. Reps are added up by the database. */
export async function loadOf(ctx: Context, athlete: string): Promise<Load> {
  const from = addDays(ctx.today, -DAYS_BACK);
  const own = (table: string) => ctx.tenant.from(table).where('athlete_id', athlete).whereBetween('on_date', [from, ctx.today]);
  const [days, outings, pains, clearances] = await Promise.all([
    own('reps')
      .where({ is_throw: true, undone: false })
      .where('effort', '>=', COUNTS_FROM)
      .groupBy('on_date')
      .select('on_date')
      .count({ throws: '*' })
      .sum({ high: ctx.tenant.raw(`effort >= ${HIGH}`) }) as unknown as Promise<DayRow[]>,
    own('outings').select('on_date', 'pitches', 'throws', 'high_effort', 'innings') as unknown as Promise<OutingRow[]>,
    own('pain_reports').orderBy('at') as unknown as Promise<PainRow[]>,
    own('clearances').orderBy('on_date') as unknown as Promise<
      { on_date: IsoDate; by_clinician: string; limits: string | null; until_date: IsoDate | null }[]
    >,
  ]);
  const log: LoadRow[] = [
    ...days.map((d) => ({ date: d.on_date, throws: Number(d.throws), highEffort: Number(d.high) })),
    ...outings.map((o) => ({
      date: o.on_date,
      pitches: o.pitches,
      throws: Math.max(o.throws, o.pitches),
      highEffort: o.high_effort,
      innings: o.innings,
    })),
    ...pains.map((p) => ({ date: p.on_date, throws: 0, highEffort: 0, pain: [toPain(p)] })),
  ];
  return {
    log,
    clearances: clearances.map((c) => ({
      date: c.on_date,
      by: c.by_clinician,
      ...(c.limits === null ? {} : { limits: c.limits }),
      ...(c.until_date === null ? {} : { until: c.until_date }),
    })),
  };
}

/** The league's written rule for an athlete of this age. */
export function leagueFor(ctx: Context, athlete: AthleteRecord): LeagueRule {
  const age = ageOn(athlete.birthDate, ctx.today);
  const row = ctx.academy.leagueAges.filter((l) => l.from <= age).sort((a, b) => b.from - a.from)[0];
  return strictestLeague([ctx.academy.league, ...(row ? [row.rule] : [])]);
}

export function workloadOf(ctx: Context, athlete: AthleteRecord, load: Load): Workload {
  return workload({
    on: ctx.today,
    athlete: profileOf(athlete),
    season: athlete.season,
    leagueDailyLimit: ctx.academy.leagueDailyLimit,
    league: leagueFor(ctx, athlete),
    ...load,
  });
}
