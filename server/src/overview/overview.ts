import type {
  AthleteOverview,
  AthleteRecord,
  AthleteWork,
  AssignmentRecord,
  FocusRecord,
  MeasuredOn,
  StandingClearance,
} from '@wrightonic/contract';
import {
  addDays,
  ageOn,
  fromMph,
  FULL_EFFORT,
  measureById,
  SPARED_UNDER,
  speaksOf,
  workedOnSince,
  spurtOf,
  toMph,
  wordsForAthlete,
} from '@wrightonic/core';
import type { AthleteWords, Diagnosis, DiagnosisRequest, FindingId, IsoDate, TrendReading, Vocabulary } from '@wrightonic/core';
import { EMPTY_INTAKE, may } from '@wrightonic/contract';
import { bodyHistories } from '../body/body-picture';
import type { Context } from '../common/context';
import type { Observed } from '../judgement/evidence';
import { consentsOf, isGiven, isMinor } from '../athlete/consents';
import { loadOf, workloadOf } from '../load/load';
import type { Load } from '../load/load';
import { repDaysOf } from '../work/rep-days';
import { trendOn } from '../common/standing';
import { speedsOf } from '../devices/speeds';
import { timelineOf } from './timeline';
import { toRecord, profileOf, rowOf, athleteRecord } from '../athlete/athletes';
import { toFocus, fociOf } from '../work/foci';
import { currentDiagnosis } from '../judgement/judged';
import { movesOf } from '../work/moves';
import { academyWords } from '../library/library';
import type { AthleteDbRow } from '../db/tables';
import { comingOf } from '../plan/days';

/** An athlete's day: the record, the foci in work and what is assigned today. */
export async function workOf(
  ctx: Context,
  id: string,
): Promise<{ athlete: AthleteRecord; foci: FocusRecord[]; today: AssignmentRecord | null }> {
  const [athlete, foci, { today }] = await Promise.all([athleteRecord(ctx, id), fociOf(ctx, id), comingOf(ctx, id)]);
  return { athlete, foci: foci.filter((f) => f.ended_at === null).map((f) => toFocus(f, ctx.today)), today };
}

/** Everything that the athlete page shows without scrolling, and its timeline. */
export async function overview(ctx: Context, id: string): Promise<AthleteOverview> {
  const row = await rowOf(ctx, id);
  const athlete = toRecord(row);
  // Each is read once, and whoever needs another's rows waits for them alone.
  const foci = fociOf(ctx, id);
  const repDays = repDaysOf(ctx, id, foci);
  const speeds = speedsOf(ctx, id, athlete.discipline);
  const [all, load, moves, { today, next }, timeline, histories, { result, observed, request }, consents, speed, vocabulary] =
    await Promise.all([
      foci,
      loadOf(ctx, id),
      movesOf(ctx, id, 6),
      comingOf(ctx, id),
      timelineOf(ctx, id, repDays),
      bodyHistories(ctx, id),
      currentDiagnosis(ctx, id, athlete, { repDays, speeds }),
      consentsOf(ctx, id),
      speeds.then((readings) => speedOf(ctx, id, athlete, readings)),
      academyWords(ctx),
    ]);
  const active = all.filter((f) => f.ended_at === null);
  await rememberChance(ctx, row, active[0] ? (result.posterior[active[0].finding] ?? null) : null);
  return {
    id,
    athlete,
    age: ageOn(athlete.birthDate, ctx.today),
    chain: row.chain,
    foci: active.map((row) => (may(ctx.user.role, 'judge') ? storyOf(row, result, request) : toFocus(row, ctx.today))),
    owned: all.flatMap((f) => (f.state === 'owned' && f.course !== null ? [toFocus(f, ctx.today)] : [])),
    why: may(ctx.user.role, 'judge') ? (active[0]?.why ?? null) : null,
    today,
    next,
    workload: workloadOf(ctx, athlete, load),
    moves,
    timeline,
    speed,
    flags: result.flags,
    spurt: spurtOf(request.sizes ?? [], ctx.today),
    archived: Boolean(row.archived),
    intakeNext: row.intake_next,
    minor: isMinor(athlete.birthDate, ctx.today),
    clearance: standingClearance(load.clearances, ctx.today),
    measured: newestMeasures(observed),
    explain: row.intake?.explain ?? EMPTY_INTAKE.explain,
    told: observed.length === 0 ? null : toldOf(ctx, row, active[0]?.finding ?? null, request, result, vocabulary),
    filmConsent: isGiven(consents, 'film'),
    body: histories.flatMap(({ test, side, values }) => values.slice(-1).map((value) => ({ test, side, ...value }))),
  };
}

/** The roster shows the number that was last seen here: one and the same on both pages. */
async function rememberChance(ctx: Context, row: AthleteDbRow, chance: number | null): Promise<void> {
  if (row.focus_chance_on === ctx.today && row.focus_chance === chance) return;
  await ctx.tenant.from('athletes').where('id', row.id).update({ focus_chance: chance, focus_chance_on: ctx.today });
}

/** A focus with its number then and now, and what moved it: the same on every page. */
const storyOf = (row: Parameters<typeof toFocus>[0], result: Diagnosis, request: DiagnosisRequest): FocusRecord => ({
  ...toFocus(row, request.on),
  then: row.chance_then,
  now: result.posterior[row.finding] ?? 0,
  since: speaksOf(request, row.finding, row.started_on),
  worked: workedOnSince(request, row.finding, row.started_on),
});

/** What the speeds come to, in the academy's unit; null where there are none. */
async function speedOf(
  ctx: Context,
  id: string,
  athlete: AthleteRecord,
  readings: readonly TrendReading[],
): Promise<AthleteOverview['speed']> {
  const newest = readings[readings.length - 1];
  if (!newest) return null;
  const { sentence, series } = await trendOn(ctx, id, { on: ctx.today, athlete: profileOf(athlete), readings });
  const inUnit = (value: number) =>
    Math.round(10 * fromMph(toMph({ speed: value, unit: newest.unit }), ctx.academy.speedUnit)) / 10;
  return {
    sentence,
    series: series.map((p) => ({ date: p.date, level: inUnit(p.level), low: inUnit(p.low), high: inUnit(p.high) })),
  };
}

/** What the judgement comes to in words for athlete and family. */
function toldOf(
  ctx: Context,
  row: AthleteDbRow,
  focus: FindingId | null,
  { evidence, schools }: DiagnosisRequest,
  diagnosis: Diagnosis,
  vocabulary: Vocabulary,
): AthleteWords {
  return wordsForAthlete({
    diagnosis,
    evidence,
    focus,
    method: schools?.method ?? 'mixed',
    explain: row.intake?.explain ?? EMPTY_INTAKE.explain,
    vocabulary,
    avoid: ageOn(row.birth_date, ctx.today) < SPARED_UNDER ? ctx.academy.words : [],
  });
}

function newestMeasures(evidence: readonly Observed[]): MeasuredOn[] {
  const newest = new Map<string, MeasuredOn>();
  for (const { on, evidence: item } of evidence) {
    if (item.kind !== 'measure') continue;
    const key = `${item.measure}:${item.event}`;
    if ((newest.get(key)?.on ?? '') > on) continue;
    const { measure, event, value, unit } = item;
    newest.set(key, { on, measure, event, value, unit, sd: item.sd ?? measureById(measure).typicalSd });
  }
  return [...newest.values()].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
}

/** The newest clearance, while it holds. */
function standingClearance(clearances: Load['clearances'], today: IsoDate): StandingClearance | null {
  const newest = clearances[clearances.length - 1];
  return newest && (newest.until === undefined || newest.until >= today) ? newest : null;
}

/** Days of an athlete's own speeds, and how many of them. */
const OWN_SPEEDS = { days: 56, most: 30 } as const;

async function ownSpeeds(ctx: Context, id: string): Promise<number[]> {
  const rows = await ctx.tenant
    .from('readings')
    .where({ athlete_id: id, undone: false, gone: false })
    .where('on_date', '>', addDays(ctx.today, -OWN_SPEEDS.days))
    .where('effort', '>=', FULL_EFFORT)
    .orderBy([
      { column: 'on_date', order: 'desc' },
      { column: 'at', order: 'desc' },
    ])
    .limit(OWN_SPEEDS.most)
    .select('speed', 'unit');
  return rows.map(toMph);
}

const lastThrow = ({ log }: Load, today: IsoDate): IsoDate | null =>
  log.reduce<IsoDate | null>((last, { date, throws }) => (throws > 0 && date < today && date > (last ?? '') ? date : last), null);

/** What whoever runs a session needs to know, and no more. */
export async function athleteWork(ctx: Context, id: string): Promise<AthleteWork> {
  const row = await rowOf(ctx, id);
  const athlete = toRecord(row);
  const [foci, load, { today, next }, speeds] = await Promise.all([
    fociOf(ctx, id),
    loadOf(ctx, id),
    comingOf(ctx, id),
    ownSpeeds(ctx, id),
  ]);
  return {
    id,
    athlete: { ...profileOf(athlete), name: athlete.name },
    age: ageOn(athlete.birthDate, ctx.today),
    foci: foci.filter((f) => f.ended_at === null).map((f) => toFocus(f, ctx.today)),
    today,
    next,
    workload: workloadOf(ctx, athlete, load),
    flags: row.flags,
    clearance: standingClearance(load.clearances, ctx.today),
    lastThrow: lastThrow(load, ctx.today),
    speeds,
  };
}
