import type {
  AthleteChange,
  AthleteOverview,
  AthleteRecord,
  AthleteWork,
  AssignmentRecord,
  FocusRecord,
  IntakeRecord,
  MeasuredOn,
  RulingRecord,
  RungMove,
  StandingClearance,
} from '@wrightonic/contract';
import {
  ageOn,
  chainOf,
  diagnose,
  findingById,
  flagsOf,
  fromMph,
  measureById,
  presence,
  SPARED_UNDER,
  toMph,
  trend,
  visibilityOf,
  weighLook,
  wordsForAthlete,
} from '@wrightonic/core';
import type {
  AthleteProfile,
  AthleteWords,
  DatedEvidence,
  Diagnosis,
  DiagnosisRequest,
  FindingId,
  IsoDate,
  LinkState,
  PlanSession,
  Rung,
  WorkDone,
} from '@wrightonic/core';
import { EMPTY_INTAKE } from '@wrightonic/contract';
import { notFound, wrongField } from '../problems';
import { bodyHistories } from './body';
import { sessionFor } from './told';
import { within } from './context';
import type { Context } from './context';
import { evidenceOf, lookedAt } from './evidence';
import type { Observed } from './evidence';
import { eyesOf, renewAgreements } from './eyes';
import { correctDiscipline } from './discipline';
import { consentsOf, isMinor } from './intake';
import { loadOf, workloadOf } from './load';
import type { Load } from './load';
import type { FocusLogRow } from './log/rows';
import { replan } from './plans';
import { keepWords } from './roster';
import { speedsOf } from './speeds';
import { timelineOf } from './timeline';

interface AthleteDbRow {
  id: string;
  name: string;
  discipline: AthleteProfile['discipline'];
  throws: AthleteProfile['throws'];
  birth_date: IsoDate;
  height_m: number;
  mass_kg: number;
  level: AthleteProfile['level'];
  season: AthleteRecord['season'];
  availability: AthleteRecord['availability'];
  equipment: AthleteRecord['equipment'];
  partner: number;
  schools: AthleteRecord['schools'];
  chain: LinkState[];
  focus: FindingId | null;
  lock_until: string | null;
  flags: FindingId[];
  archived: number;
  intake: IntakeRecord | null;
  intake_next: IntakeRecord['next'];
}

const toRecord = (row: AthleteDbRow): AthleteRecord => ({
  name: row.name,
  discipline: row.discipline,
  throws: row.throws,
  birthDate: row.birth_date,
  heightM: row.height_m,
  massKg: row.mass_kg,
  level: row.level,
  season: row.season,
  availability: row.availability,
  equipment: row.equipment,
  partner: Boolean(row.partner),
  schools: row.schools,
});

export const profileOf = (athlete: AthleteRecord): AthleteProfile => ({
  discipline: athlete.discipline,
  throws: athlete.throws,
  birthDate: athlete.birthDate,
  heightM: athlete.heightM,
  massKg: athlete.massKg,
  level: athlete.level,
});

async function rowOf(ctx: Context, id: string): Promise<AthleteDbRow> {
  const row = (await ctx.tenant.from('athletes').where('id', id).first()) as AthleteDbRow | undefined;
  if (!row) throw notFound('athlete');
  return row;
}

/** The athlete, held until the end of the transaction: of two who write about the same athlete one waits. */
export async function holdAthlete(ctx: Context, id: string): Promise<AthleteRecord> {
  const row = await ctx.tenant.hold<AthleteDbRow>(id);
  if (!row) throw notFound('athlete');
  return toRecord(row);
}

/** @throws ProblemError 404 when the academy has no such athlete */
export const athleteRecord = async (ctx: Context, id: string): Promise<AthleteRecord> => toRecord(await rowOf(ctx, id));

const UNSEEN: readonly LinkState[] = ['unseen', 'unseen', 'unseen', 'unseen', 'unseen', 'unseen'];

/** Columns of somebody of whom no more is known than who they are. */
export const BLANK_ATHLETE = {
  season: 'off',
  availability: '[]',
  equipment: '[]',
  partner: false,
  schools: '{}',
  chain: JSON.stringify(UNSEEN),
} as const;
/** What stands while nobody has looked. */
export const blankFlags = () => ({ flags: '[]', care: false, focus: null, lock_until: null, lock_from: null });

/** Weighted balls are locked under this age, whatever the academy allows. */
export const WEIGHTED_BALLS_FROM = 16;

export async function putAthlete(ctx: Context, id: string, given: AthleteChange): Promise<AthleteOverview> {
  const age = ageOn(given.birthDate, ctx.today);
  if (age < 4 || age > 90) throw wrongField('birthDate', `makes the athlete ${age} years old; check the year`);
  if (given.equipment.includes('weighted-ball') && (!ctx.academy.weightedBalls || age < WEIGHTED_BALLS_FROM))
    throw wrongField(
      'equipment',
      ctx.academy.weightedBalls
        ? `weighted balls are locked under ${WEIGHTED_BALLS_FROM}`
        : 'weighted balls are off in this academy; an owner can allow them in Desk',
    );
  const { heightM, massKg, birthDate, availability, equipment, schools, setForeignAside = false, ...same } = given;
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const known = await tenant.hold<AthleteDbRow>(id);
    const intake =
      known && known.discipline !== given.discipline
        ? await correctDiscipline(inside, id, known.discipline, given.discipline, known.intake, setForeignAside)
        : known?.intake;
    await tenant.upsert('athletes', {
      ...same,
      id,
      birth_date: birthDate,
      height_m: heightM,
      mass_kg: massKg,
      availability: JSON.stringify(availability),
      equipment: JSON.stringify(equipment),
      schools: JSON.stringify(schools),
      ...(known
        ? { intake: intake ? JSON.stringify(intake) : null }
        : {
            chain: JSON.stringify(UNSEEN),
            ...blankFlags(),
            intake: JSON.stringify(EMPTY_INTAKE),
            intake_next: EMPTY_INTAKE.next,
          }),
    });
    await keepWords(tenant, id, given.name);
    await renewGlance(inside, id);
    // Age, days, place, kit and season are what a plan is made of.
    if (known) await replan(inside, id);
  });
  return overview(ctx, id);
}

interface FocusRow extends FocusLogRow {
  state: FocusRecord['state'];
  why: string | null;
}

export const toFocus = (row: FocusRow): FocusRecord => ({
  id: row.id,
  finding: row.finding,
  rung: row.rung,
  state: row.state,
  startedOn: row.started_on,
  rungSince: row.rung_since,
});

export const fociOf = async (ctx: Context, athlete: string): Promise<FocusRow[]> =>
  (await ctx.tenant.from('foci').where('athlete_id', athlete).orderBy('created_at', 'desc').orderBy('id', 'desc')) as FocusRow[];

/** The athlete's schools over the academy's. */
export const schoolsOf = (ctx: Context, athlete: AthleteRecord) => ({ ...ctx.academy.schools, ...athlete.schools });

/** Everything that the judgement rests on. */
export interface Judged {
  readonly observed: readonly Observed[];
  readonly rulings: readonly RulingRecord[];
  readonly request: DiagnosisRequest;
}

interface RulingRow {
  id: string;
  finding: FindingId;
  ruling: RulingRecord['as'];
  reason: string;
  author: string;
  on_date: IsoDate;
}

/** The coach's words that stand, oldest first. */
export async function rulingsOf(ctx: Context, athlete: string): Promise<RulingRecord[]> {
  const rows = (await ctx.tenant
    .from('rulings')
    .where('athlete_id', athlete)
    .whereNull('ended_at')
    .orderBy(['created_at', 'id'])) as RulingRow[];
  return rows.map(({ id, finding, ruling, reason, author, on_date: on }) => ({
    id,
    finding,
    as: ruling,
    reason,
    by: author,
    on,
  }));
}

/** Good reps on each finding that was worked on, by day. */
async function workDone(ctx: Context, athlete: string): Promise<WorkDone[]> {
  const rows = (await ctx.tenant
    .from('reps')
    .join('foci', 'foci.id', 'reps.focus_id')
    .where({ 'reps.athlete_id': athlete, 'reps.judged': 'good', 'reps.undone': false, 'reps.gone': false })
    .groupBy('foci.finding', 'reps.on_date')
    .select({ finding: 'foci.finding', on: 'reps.on_date' })
    .count({ reps: '*' })) as unknown as { finding: FindingId; on: IsoDate; reps: number | string }[];
  return rows.map(({ finding, on, reps }) => ({ finding, on, reps: Number(reps) }));
}

/** What the judgement is asked: everything observed, each look by its own eye, the coach's words, the academy's numbers. */
export async function judgedOf(ctx: Context, id: string, athlete: AthleteRecord): Promise<Judged> {
  const [observed, rulings, work] = await Promise.all([evidenceOf(ctx, id), rulingsOf(ctx, id), workDone(ctx, id)]);
  const authors = [...new Set(observed.flatMap((o) => (o.evidence.kind === 'eye' && o.authorId ? [o.authorId] : [])))];
  const eyeOf = await eyesOf(ctx, authors);
  const evidence = observed.map(({ on, by, evidence: item, authorId }): DatedEvidence => {
    const eye = item.kind === 'eye' ? eyeOf(authorId, visibilityOf(findingById(item.finding))) : undefined;
    const weighs = eye && item.kind === 'eye' && item.answer !== 'unsure' ? weighLook(item.answer, eye) : undefined;
    // Where the academy has moved to another time zone, its day may lie before the day on which something was seen.
    return { ...item, on: on > ctx.today ? ctx.today : on, by, ...(weighs === undefined ? {} : { weighs }) };
  });
  return {
    observed,
    rulings,
    request: {
      on: ctx.today,
      athlete: profileOf(athlete),
      schools: schoolsOf(ctx, athlete),
      numbers: ctx.academy.numbers,
      evidence,
      overrules: rulings.map(({ finding, as }) => ({ finding, as })),
      work,
    },
  };
}

/** The judgement over everything observed so far; never stored by itself. */
export async function currentDiagnosis(
  ctx: Context,
  id: string,
  athlete: AthleteRecord,
): Promise<Judged & { readonly result: Diagnosis }> {
  const judged = await judgedOf(ctx, id, athlete);
  return { ...judged, result: diagnose(judged.request) };
}

/** Renews what the roster shows of an athlete: chain, focus, lock. To be called in the transaction that changed them. */
export async function renewGlance(ctx: Context, id: string): Promise<void> {
  const athlete = await athleteRecord(ctx, id);
  const foci = await fociOf(ctx, id);
  const { observed, request } = await judgedOf(ctx, id, athlete);
  await renewAgreements(
    ctx,
    id,
    request,
    observed.map((o) => ({ id: o.id, author: o.authorId })),
  );
  const present = presence(request);
  const chain = chainOf(athlete.discipline, lookedAt(request.evidence), present, foci);
  const { locked, lockComesBack } = workloadOf(ctx, athlete, await loadOf(ctx, id)).today;
  // What stands before anybody has looked is the same for all; it is no flag of this athlete.
  const flags = request.evidence.length === 0 ? [] : flagsOf(present);
  await ctx.tenant
    .from('athletes')
    .where('id', id)
    .update({
      chain: JSON.stringify(chain),
      focus: foci.find((f) => f.ended_at === null)?.finding ?? null,
      lock_until: locked?.until ?? null,
      lock_from: lockComesBack,
      flags: JSON.stringify(flags),
      care: flags.length > 0,
    });
}

interface VerdictRow {
  id: string;
  on_date: IsoDate;
  finding: FindingId;
  focus_id: string;
  from_rung: Rung;
  to_rung: Rung;
  verdict: RungMove['verdict'];
  reason: string;
  by_whom: RungMove['by'];
  was_verdict: RungMove['verdict'] | null;
  was_to: Rung | null;
  revised_on: IsoDate | null;
}

export const toMove = (row: VerdictRow): RungMove => ({
  id: row.id,
  on: row.on_date,
  finding: row.finding,
  focus: row.focus_id,
  from: row.from_rung,
  to: row.to_rung,
  verdict: row.verdict,
  reason: row.reason,
  by: row.by_whom,
  revised:
    row.revised_on === null || row.was_verdict === null || row.was_to === null
      ? null
      : { was: row.was_verdict, to: row.was_to, on: row.revised_on },
});

export const movesOf = async (ctx: Context, athlete: string, most = 30): Promise<RungMove[]> =>
  ((await ctx.tenant.from('verdicts').where('athlete_id', athlete).orderBy('at', 'desc').limit(most)) as VerdictRow[]).map(
    toMove,
  );

export interface AssignmentRow {
  id: string;
  athlete_id: string;
  on_date: IsoDate;
  session: PlanSession;
  done: number;
}

export const toAssignment = (ctx: Context, row: AssignmentRow): AssignmentRecord => ({
  id: row.id,
  on: row.on_date,
  session: sessionFor(ctx, row.session),
  done: Boolean(row.done),
});

/** An athlete's day: the record, the foci in work and what is assigned today. */
export async function workOf(
  ctx: Context,
  id: string,
): Promise<{ athlete: AthleteRecord; foci: FocusRecord[]; today: AssignmentRecord | null }> {
  const [athlete, foci, today] = await Promise.all([
    athleteRecord(ctx, id),
    fociOf(ctx, id),
    ctx.tenant.from('assignments').where({ athlete_id: id, on_date: ctx.today }).first() as Promise<AssignmentRow | undefined>,
  ]);
  return { athlete, foci: foci.filter((f) => f.ended_at === null).map(toFocus), today: today ? toAssignment(ctx, today) : null };
}

/** Today's session, if any, and the next. */
const comingOf = (ctx: Context, id: string): Promise<AssignmentRow[]> =>
  ctx.tenant
    .from('assignments')
    .where('athlete_id', id)
    .where('on_date', '>=', ctx.today)
    .orderBy('on_date')
    .limit(2) as unknown as Promise<AssignmentRow[]>;

/** Everything that the athlete page shows without scrolling, and its timeline. */
export async function overview(ctx: Context, id: string): Promise<AthleteOverview> {
  const row = await rowOf(ctx, id);
  const athlete = toRecord(row);
  const [foci, load, moves, coming, timeline, speeds, histories, { result, observed, request }, consents] = await Promise.all([
    fociOf(ctx, id),
    loadOf(ctx, id),
    movesOf(ctx, id, 6),
    comingOf(ctx, id),
    timelineOf(ctx, id),
    speedsOf(ctx, id),
    bodyHistories(ctx, id),
    currentDiagnosis(ctx, id, athlete),
    consentsOf(ctx, id),
  ]);
  const active = foci.filter((f) => f.ended_at === null);
  const today = coming.find((a) => a.on_date === ctx.today);
  const next = coming.find((a) => a.on_date > ctx.today);
  const speed = speeds.length === 0 ? null : trend({ on: ctx.today, athlete: profileOf(athlete), readings: speeds });
  const inUnit = (value: number) =>
    Math.round(10 * fromMph(toMph({ speed: value, unit: speeds[speeds.length - 1]!.unit }), ctx.academy.speedUnit)) / 10;
  return {
    id,
    athlete,
    age: ageOn(athlete.birthDate, ctx.today),
    chain: row.chain,
    foci: active.map(toFocus),
    why: active[0]?.why ?? null,
    today: today ? toAssignment(ctx, today) : null,
    next: next ? toAssignment(ctx, next) : null,
    workload: workloadOf(ctx, athlete, load),
    moves,
    timeline,
    speed: speed && {
      sentence: speed.sentence,
      series: speed.series.map((p) => ({ date: p.date, level: inUnit(p.level), low: inUnit(p.low), high: inUnit(p.high) })),
    },
    flags: result.flags,
    archived: Boolean(row.archived),
    intakeNext: row.intake_next,
    minor: isMinor(athlete.birthDate, ctx.today),
    clearance: standingClearance(load.clearances, ctx.today),
    measured: newestMeasures(observed),
    explain: row.intake?.explain ?? EMPTY_INTAKE.explain,
    told: observed.length === 0 ? null : toldOf(ctx, row, active[0]?.finding ?? null, request, result),
    filmConsent: consents.some((c) => c.kind === 'film' && c.given),
    body: histories.flatMap(({ test, side, values }) => values.slice(-1).map((value) => ({ test, side, ...value }))),
  };
}

/** What the judgement comes to in words for athlete and family. */
function toldOf(
  ctx: Context,
  row: AthleteDbRow,
  focus: FindingId | null,
  { evidence, schools }: DiagnosisRequest,
  diagnosis: Diagnosis,
): AthleteWords {
  return wordsForAthlete({
    diagnosis,
    evidence,
    focus,
    method: schools?.method ?? 'mixed',
    explain: row.intake?.explain ?? EMPTY_INTAKE.explain,
    words: ageOn(row.birth_date, ctx.today) < SPARED_UNDER ? ctx.academy.words : [],
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

/** What whoever runs a session needs to know, and no more. */
export async function athleteWork(ctx: Context, id: string): Promise<AthleteWork> {
  const row = await rowOf(ctx, id);
  const athlete = toRecord(row);
  const [foci, load, coming] = await Promise.all([fociOf(ctx, id), loadOf(ctx, id), comingOf(ctx, id)]);
  const today = coming.find((a) => a.on_date === ctx.today);
  const next = coming.find((a) => a.on_date > ctx.today);
  return {
    id,
    athlete: { ...profileOf(athlete), name: athlete.name },
    age: ageOn(athlete.birthDate, ctx.today),
    foci: foci.filter((f) => f.ended_at === null).map(toFocus),
    today: today ? toAssignment(ctx, today) : null,
    next: next ? toAssignment(ctx, next) : null,
    workload: workloadOf(ctx, athlete, load),
    flags: row.flags,
    clearance: standingClearance(load.clearances, ctx.today),
  };
}
