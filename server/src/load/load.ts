import type { AthleteRecord } from '@wrightonic/contract';
import { addDays, openAccount, workload } from '@wrightonic/core';
import type { Clearance, IsoDate, LeagueRule, LoadAccount, LoadRow, PainReport, RuledAthlete, Workload } from '@wrightonic/core';
import { profileOf } from '../athlete/athletes';
import type { Context } from '../common/context';
import type { ClearanceDbRow, PainDbRow } from '../db/tables';

export interface Load {
  /** Days of logged throws, as they were judged last. */
  readonly logged: readonly LoadRow[];
  /** Outings and pain. */
  readonly beside: readonly LoadRow[];
  /** Both together. */
  readonly log: readonly LoadRow[];
  /** Oldest first. */
  readonly clearances: readonly RecordedClearance[];
}

export interface RecordedClearance extends Clearance {
  readonly recordedBy: string;
}

/** Days of throwing that rules look back on. Pain and clearances count however old they are. */
const DAYS_BACK = 400;

/** What only outings have. */
const OF_OUTINGS = ['pitches', 'innings', 'caught', 'breaking_pitches'] as const;

/** A day of the log, or an outing: only outings have pitches. */
interface ThrowsRow {
  on_date: IsoDate;
  throws: number;
  high_effort: number;
  pitches: number | null;
  innings: number | null;
  caught: number | null;
  breaking_pitches: number | null;
}
export const toPain = (row: Pick<PainDbRow, 'site' | 'score' | 'signs' | 'at'>): PainReport => ({
  site: row.site,
  score: row.score,
  signs: row.signs,
  at: row.at.toISOString(),
});

const toClearance = (row: ClearanceDbRow): RecordedClearance => ({
  date: row.on_date,
  by: row.by_clinician,
  recordedBy: row.recorded_by,
  ...(row.at === null ? {} : { at: row.at.toISOString() }),
  ...(row.limits === null ? {} : { limits: row.limits }),
  ...(row.until_date === null ? {} : { until: row.until_date }),
  ...(row.most_throws === null ? {} : { mostThrows: row.most_throws }),
  ...(row.highest_effort === null ? {} : { highestEffort: row.highest_effort }),
});

/**
 * All throwing of the last year and all pain: logged days, outside throwing, reports, clearances.
 * @param has whether there are any reports and clearances, where that is known: what is not there is not asked for
 */
export async function loadOf(
  ctx: Context,
  athlete: string,
  has: { readonly pains: boolean; readonly clearances: boolean } = { pains: true, clearances: true },
): Promise<Load> {
  const from = addDays(ctx.today, -DAYS_BACK);
  const own = <N extends 'pain_reports' | 'clearances'>(table: N) =>
    ctx.tenant.from(table).where('athlete_id', athlete).where('on_date', '<=', ctx.today);
  // Asked for with every tap: one question instead of two.
  const thrownOn = ctx.tenant
    .fromAny('load_days')
    .where('athlete_id', athlete)
    .whereBetween('on_date', [from, ctx.today])
    .select<ThrowsRow[]>('on_date', 'throws', 'high_effort', ...OF_OUTINGS.map((column) => ctx.tenant.raw(`null as ${column}`)))
    .unionAll([
      ctx.tenant
        .fromAny('outings')
        .where({ athlete_id: athlete, removed: false })
        .whereBetween('on_date', [from, ctx.today])
        .select('on_date', 'throws', 'high_effort', ...OF_OUTINGS),
    ]);
  const [thrown, pains, clearances] = await Promise.all([
    thrownOn,
    has.pains ? own('pain_reports').orderBy(['at', 'id']).select('on_date', 'at', 'site', 'score', 'signs') : [],
    has.clearances ? own('clearances').orderBy(['on_date', 'created_at', 'id']) : [],
  ]);
  const logged = thrown.flatMap((d) =>
    d.pitches === null ? [{ date: d.on_date, throws: d.throws, highEffort: d.high_effort }] : [],
  );
  const beside = [
    ...thrown.flatMap(({ pitches, ...o }) =>
      pitches === null
        ? []
        : [
            {
              date: o.on_date,
              pitches,
              throws: Math.max(o.throws, pitches),
              highEffort: o.high_effort,
              innings: o.innings ?? 0,
              ...(o.caught ? { caught: true } : {}),
              ...(o.breaking_pitches ? { breakingPitches: o.breaking_pitches } : {}),
            },
          ],
    ),
    ...pains.map((p) => ({ date: p.on_date, throws: 0, highEffort: 0, pain: [toPain(p)] })),
  ];
  return loadFrom(logged, beside, clearances.map(toClearance));
}

export const loadFrom = (
  logged: readonly LoadRow[],
  beside: readonly LoadRow[],
  clearances: readonly RecordedClearance[],
): Load => ({ logged, beside, log: [...logged, ...beside], clearances });

/** The league's written rule, for every age and by age. */
export const leagueOf = (ctx: Context): LeagueRule => ({
  ...ctx.academy.league,
  ages: [...(ctx.academy.league.ages ?? []), ...ctx.academy.leagueAges],
});

/** By what rules an athlete's load is read. */
export const ruledBy = (ctx: Context, athlete: AthleteRecord): RuledAthlete => ({
  athlete: profileOf(athlete),
  leagueDailyLimit: ctx.academy.leagueDailyLimit,
  league: leagueOf(ctx),
});

/** The load by days. */
export const accountOf = (
  ctx: Context,
  athlete: AthleteRecord,
  { log, clearances }: Pick<Load, 'log' | 'clearances'>,
): LoadAccount => openAccount({ ...ruledBy(ctx, athlete), log, clearances });

export function workloadOf(
  ctx: Context,
  athlete: AthleteRecord,
  { log, clearances }: Pick<Load, 'log' | 'clearances'>,
): Workload {
  return workload({
    on: ctx.today,
    at: ctx.now.toISOString(),
    season: athlete.season,
    ...ruledBy(ctx, athlete),
    athlete: profileOf(athlete),
    log,
    clearances,
  });
}
