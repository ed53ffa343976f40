import type { AthleteRecord, FocusRecord, IntakeRecord, RulingRecord, RungMove } from '@wrightonic/contract';
import { chainOf, findingById, glanceOf, lookedAt, visibilityOf, weighLook } from '@wrightonic/core';
import type {
  AthleteProfile,
  DatedEvidence,
  Diagnosis,
  DiagnosisRequest,
  FindingId,
  IsoDate,
  LinkState,
  Rung,
  TrendReading,
} from '@wrightonic/core';
import { notFound } from '../problems';
import type { Context } from './context';
import { evidenceOf } from './evidence';
import type { Observed } from './evidence';
import { eyesOf, renewAgreements } from './eyes';
import { loadOf, workloadOf } from './load';
import { repDaysOf } from './rep-days';
import type { RepDays } from './rep-days';
import { sizesOf } from './sizes';
import { speedsOf } from './speeds';
import { judgementOn } from './standing';
import type { FocusLogRow } from './log/rows';

export interface AthleteDbRow {
  id: string;
  name: string;
  discipline: AthleteProfile['discipline'];
  throws: AthleteProfile['throws'];
  birth_date: IsoDate;
  height_m: number;
  mass_kg: number;
  level: AthleteProfile['level'];
  jump_norms: AthleteProfile['jumpNorms'] | null;
  season: AthleteRecord['season'];
  availability: AthleteRecord['availability'];
  equipment: AthleteRecord['equipment'];
  partner: number;
  schools: AthleteRecord['schools'];
  chain: LinkState[];
  focus: FindingId | null;
  focus_chance: number | null;
  focus_chance_on: IsoDate | null;
  lock_until: string | null;
  flags: FindingId[];
  archived: number;
  intake: IntakeRecord | null;
  intake_next: IntakeRecord['next'];
}

export const toRecord = (row: AthleteDbRow): AthleteRecord => ({
  name: row.name,
  discipline: row.discipline,
  throws: row.throws,
  birthDate: row.birth_date,
  heightM: row.height_m,
  massKg: row.mass_kg,
  level: row.level,
  ...(row.jump_norms ? { jumpNorms: row.jump_norms } : {}),
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
  ...(athlete.jumpNorms ? { jumpNorms: athlete.jumpNorms } : {}),
});

export async function rowOf(ctx: Context, id: string): Promise<AthleteDbRow> {
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

export const UNSEEN: readonly LinkState[] = ['unseen', 'unseen', 'unseen', 'unseen', 'unseen', 'unseen'];

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

interface FocusRow extends FocusLogRow {
  state: FocusRecord['state'];
  why: string | null;
  chance_then: number | null;
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
  /** Speed readings, oldest first. */
  readonly speeds: readonly TrendReading[];
  readonly repDays: RepDays;
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

/**
 * What the judgement is asked: everything observed, each look by its own eye, the coach's words, the academy's numbers.
 * @param reps the athlete’s reps by day, where somebody is reading them already
 */
export async function judgedOf(
  ctx: Context,
  id: string,
  athlete: AthleteRecord,
  reps: Promise<RepDays> = repDaysOf(ctx, id),
): Promise<Judged> {
  const coming = speedsOf(ctx, id);
  const [observed, speeds, rulings, repDays, sizes] = await Promise.all([
    evidenceOf(ctx, id, coming),
    coming,
    rulingsOf(ctx, id),
    reps,
    sizesOf(ctx, id),
  ]);
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
    speeds,
    repDays,
    request: {
      on: ctx.today,
      athlete: profileOf(athlete),
      schools: schoolsOf(ctx, athlete),
      numbers: ctx.academy.numbers,
      evidence,
      overrules: rulings.map(({ finding, as }) => ({ finding, as })),
      work: repDays.work,
      sizes,
    },
  };
}

/** The judgement over everything observed so far. */
export async function currentDiagnosis(
  ctx: Context,
  id: string,
  athlete: AthleteRecord,
  reps?: Promise<RepDays>,
): Promise<Judged & { readonly result: Diagnosis }> {
  const judged = await judgedOf(ctx, id, athlete, reps);
  return { ...judged, result: await judgementOn(ctx, id, 'now', judged.request) };
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
  const { posterior: present, before, flags } = glanceOf(request);
  const focus = foci.find((f) => f.ended_at === null);
  const chain = chainOf(athlete.discipline, lookedAt(request.evidence), present, before, foci);
  const { locked, lockComesBack } = workloadOf(ctx, athlete, await loadOf(ctx, id)).today;
  await ctx.tenant
    .from('athletes')
    .where('id', id)
    .update({
      chain: JSON.stringify(chain),
      focus: focus?.finding ?? null,
      focus_chance: focus ? (present[focus.finding] ?? null) : null,
      focus_chance_on: ctx.today,
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
