import { addDays, aidsOff, DRILLS, hasDrill, libraryFrom, STUCK_AFTER } from '@wrightonic/core';
import type { IsoDate, Library, PlanRequest } from '@wrightonic/core';
import type { NewPlan } from '@wrightonic/contract';
import { conflict } from '../problems';
import { athleteRecord, profileOf } from '../athlete/athletes';
import { currentDiagnosis, schoolsOf } from '../judgement/judged';
import { fociOf } from '../work/foci';
import type { RepDbRow } from '../db/tables';
import type { Context } from '../common/context';
import { intakeOf } from '../athlete/intake-record';
import { libraryAnswer, plannedWith } from '../library/library';
import { helpedHere } from '../effects/effects';
import { loadOf, ruledBy } from '../load/load';
import { aidsFrom } from '../library/aids';

/** What a plan is asked for; `until` where it ends before its weeks do, `began` where it goes on with another. */
export type Asked = NewPlan & Pick<PlanRequest, 'until' | 'began' | 'asItStands'>;

const REMEMBERED_DAYS = 28;
/** Reps of a drill that its cheats are read from. */
const LAST_REPS = 10;
const TEST_DRILLS = DRILLS.filter((d) => d.part === 'test').map((d) => d.id);

/** What is asked of a rep. */
type RepRow = Pick<RepDbRow, 'drill' | 'session_id' | 'judged' | 'cheat' | 'rung' | 'focus_id' | 'at' | 'aids'>;

/** What the last weeks' reps say of each drill: how often it was done, which aids are gone, which cheats were seen. */
async function drillMemory(
  ctx: Context,
  athleteId: string,
  stuck: ReadonlySet<string>,
  library: Library,
): Promise<Required<Pick<PlanRequest, 'recentDrills' | 'cheats'>>> {
  const rows = await ctx.tenant
    .from('reps')
    .where({ athlete_id: athleteId, undone: false, gone: false })
    .where('on_date', '>', addDays(ctx.today, -REMEMBERED_DAYS))
    .orderBy('at', 'desc')
    .orderBy('id', 'desc')
    .select('drill', 'session_id', 'judged', 'cheat', 'rung', 'focus_id', 'at', 'aids');
  const down = await stepsDown(ctx, athleteId);
  const since = (row: RepRow): boolean => new Date(row.at).getTime() > (down.get(row.focus_id ?? '') ?? 0);
  const byDrill = new Map<string, RepRow[]>();
  for (const row of rows) {
    const known = byDrill.get(row.drill);
    if (known) known.push(row);
    else byDrill.set(row.drill, [row]);
  }
  const drills = [...byDrill].filter(([drill]) => hasDrill(drill)).sort(([a], [b]) => (a < b ? -1 : 1));
  return {
    recentDrills: drills.map(([drill, reps]) => ({
      drill,
      sessions: new Set(reps.map((r) => r.session_id)).size,
      aidsGone: aidsOff(
        library.drill(drill),
        reps
          .filter(since)
          .reverse()
          .map((r) => ({ session: r.session_id, good: r.judged === 'good', aids: aidsFrom(r.aids) })),
      ),
      stuck: reps.some((r) => stuck.has(stuckKey(r.focus_id, r.rung))),
    })),
    cheats: drills.flatMap(([drill, reps]) => {
      const last = reps.slice(0, LAST_REPS);
      return [...new Set(last.flatMap((r) => r.cheat ?? []))]
        .sort()
        .map((cheat) => ({ drill, cheat, reps: last.length, seen: last.filter((r) => r.cheat === cheat).length }));
    }),
  };
}

/** When each focus last went down a rung, by the gate or by hand. */
async function stepsDown(ctx: Context, athleteId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await ctx.tenant
    .from('verdicts')
    .where('athlete_id', athleteId)
    .whereRaw('to_rung < from_rung')
    .groupBy('focus_id')
    .select<{ focus_id: string; at: Date | string }[]>('focus_id', ctx.tenant.raw('max(at) as at'));
  return new Map(rows.map((row) => [row.focus_id, new Date(row.at).getTime()]));
}

/** A focus on one rung. */
const stuckKey = (focus: string | null, rung: number): string => `${focus ?? ''}|${rung}`;

/** Foci that have worked on their rung for some sessions and did not move. */
async function stuckOn(ctx: Context, athleteId: string, foci: readonly { id: string; rung: number }[]): Promise<Set<string>> {
  const rows = await ctx.tenant
    .from('reps')
    .where({ athlete_id: athleteId, undone: false, gone: false })
    .whereIn(
      'focus_id',
      foci.map((f) => f.id),
    )
    .where('on_date', '>', addDays(ctx.today, -REMEMBERED_DAYS))
    .groupBy('focus_id', 'rung')
    .select('focus_id', 'rung')
    .countDistinct({ sessions: 'session_id' });
  return new Set(
    rows
      .filter((row) => Number(row.sessions) >= STUCK_AFTER && foci.some((f) => f.id === row.focus_id && f.rung === row.rung))
      .map((row) => stuckKey(row.focus_id, row.rung)),
  );
}

/** Day of the last test that was thrown. */
async function lastTestOf(ctx: Context, athleteId: string): Promise<IsoDate | null> {
  const row = await ctx.tenant
    .from('reps')
    .where({ athlete_id: athleteId, undone: false, gone: false })
    .whereIn('drill', TEST_DRILLS)
    .first<{ last: IsoDate | null } | undefined>(ctx.tenant.raw('max(on_date) as last'));
  return row?.last ?? null;
}

/**
 * The planner’s input from the athlete’s state on a day.
 * @throws ProblemError 409 without a focus
 */
export async function planRequest(ctx: Context, athleteId: string, on: IsoDate, given: Asked): Promise<PlanRequest> {
  const request = await stateRequest(ctx, athleteId, on, given);
  if (request.focus.length === 0)
    throw conflict('There is no focus', 'Choose a focus from “What is it?” first; a plan is made for a focus.');
  return request;
}

/** The same of an athlete who need not have a focus yet. */
export async function stateRequest(ctx: Context, athleteId: string, on: IsoDate, given: Asked): Promise<PlanRequest> {
  const athlete = await athleteRecord(ctx, athleteId);
  const [foci, load, lastTest, own, helped, { intake }, { result }] = await Promise.all([
    fociOf(ctx, athleteId),
    loadOf(ctx, athleteId),
    lastTestOf(ctx, athleteId),
    libraryAnswer(ctx),
    helpedHere(ctx),
    intakeOf(ctx, athleteId),
    currentDiagnosis(ctx, athleteId, athlete),
  ]);
  const active = foci.filter((f) => f.ended_at === null).slice(0, 2);
  const memory = await drillMemory(
    ctx,
    athleteId,
    await stuckOn(ctx, athleteId, active),
    libraryFrom(own.drills, own.ladders, own.findings),
  );
  return {
    on,
    schools: schoolsOf(ctx, athlete),
    focus: active.map((f) => ({ finding: f.finding, rung: f.rung })),
    judgement: { present: result.posterior },
    ...memory,
    weeks: given.weeks,
    ...(given.until === undefined ? {} : { until: given.until }),
    ...(given.began === undefined ? {} : { began: given.began }),
    ...(given.asItStands === undefined ? {} : { asItStands: given.asItStands }),
    availability: athlete.availability,
    equipment: athlete.equipment,
    partner: athlete.partner,
    season: athlete.season,
    games: [...given.games, ...intake.games.filter((g) => g.date >= on && !given.games.some((other) => other.date === g.date))],
    recentLoad: load.log.map(({ date, pitches, throws, highEffort }) => ({
      date,
      throws,
      highEffort,
      ...(pitches === undefined ? {} : { pitches }),
    })),
    pain: load.log.flatMap((row) => (row.pain ?? []).map((p) => ({ date: row.date, ...p }))),
    clearances: load.clearances,
    ...ruledBy(ctx, athlete),
    athlete: profileOf(athlete),
    flags: result.flags,
    pinned: given.pinned,
    library: plannedWith(own, helped),
    ...(lastTest === null ? {} : { lastTest }),
  };
}
