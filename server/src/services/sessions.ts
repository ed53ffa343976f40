import type { DrillTally, EntryResult, LogAnswer, LogEntry, NewSession, RungMove, SessionRecord } from '@wrightonic/contract';
import { armPain, gateSettings, hasDrill, judgeGate, practiceBudget, ageOn, stopsThrowing } from '@wrightonic/core';
import type { FindingId, IsoDate, RepRow, Rung, Workload } from '@wrightonic/core';
import { notFound, wrongField } from '../problems';
import { athleteRecord, fociOf, renewGlance, toAssignment, toMove } from './athletes';
import type { AssignmentRow } from './athletes';
import { within } from './context';
import type { Context } from './context';
import { loadOf, toPain, workloadOf } from './load';
import type { PainRow } from './load';
import { replanRest } from './plans';

interface SessionRow {
  id: string;
  assignment_id: string | null;
  on_date: IsoDate;
  finished_at: Date | null;
}

async function sessionRow(ctx: Context, athleteId: string, id: string, lock = false): Promise<SessionRow> {
  const query = ctx.tenant.from('work_sessions').where({ id, athlete_id: athleteId }).first();
  const row = (await (lock ? query.forUpdate() : query)) as SessionRow | undefined;
  if (!row) throw notFound('session');
  return row;
}

/** Why only dry work is left, or null. */
function dryOnly({ today }: Workload): string | null {
  if (today.locked) return today.locked.reason;
  return today.throwsLeft <= 0 ? 'Today’s throws are used up: dry work only.' : null;
}

export async function sessionOf(ctx: Context, athleteId: string, id: string): Promise<SessionRecord> {
  const athlete = await athleteRecord(ctx, athleteId);
  const row = await sessionRow(ctx, athleteId, id);
  const [tallies, assignment, load, verdicts] = await Promise.all([
    ctx.tenant
      .from('reps')
      .where({ session_id: id, undone: false })
      .groupBy('drill')
      .select('drill')
      .count({ reps: '*' })
      .sum({ good: ctx.tenant.raw("judged = 'good'") })
      .sum({ close: ctx.tenant.raw("judged = 'close'") })
      .sum({ off: ctx.tenant.raw("judged = 'off'") }) as unknown as Promise<DrillTally[]>,
    row.assignment_id
      ? (ctx.tenant.from('assignments').where('id', row.assignment_id).first() as Promise<AssignmentRow | undefined>)
      : Promise.resolve(undefined),
    loadOf(ctx, athleteId),
    ctx.tenant.from('verdicts').where('session_id', id).orderBy('created_at') as unknown as Promise<
      Parameters<typeof toMove>[0][]
    >,
  ]);
  const state = workloadOf(ctx, athlete, load);
  return {
    id,
    on: row.on_date,
    assignment: assignment ? toAssignment(assignment) : null,
    finished: row.finished_at !== null,
    dryOnly: dryOnly(state),
    tallies: tallies.map((t) => ({
      drill: t.drill,
      reps: Number(t.reps),
      good: Number(t.good),
      close: Number(t.close),
      off: Number(t.off),
    })),
    workload: state,
    verdicts: verdicts.map(toMove),
  };
}

export async function putSession(ctx: Context, athleteId: string, id: string, given: NewSession): Promise<SessionRecord> {
  await athleteRecord(ctx, athleteId);
  if (given.on > ctx.today) throw wrongField('on', `is ${given.on}, which is still to come`);
  const known = await ctx.tenant.has('work_sessions', { id });
  if (!known)
    await ctx.tenant.transaction(async (tenant) => {
      const inside = within(ctx, tenant);
      if (given.assignment && !(await tenant.has('assignments', { id: given.assignment, athlete_id: athleteId })))
        throw wrongField('assignment', 'is not an assigned session of this athlete');
      await tenant.insertOnce('work_sessions', { id, athlete_id: athleteId, assignment_id: given.assignment, on_date: given.on });
      await tenant.insertOnce(
        'pain_reports',
        given.painBefore
          .filter((p) => p.score > 0 || (p.signs?.length ?? 0) > 0)
          .map((p) => ({
            id: ctx.newId(),
            athlete_id: athleteId,
            session_id: id,
            on_date: given.on,
            at: ctx.now,
            moment: 'before',
            site: p.site,
            score: p.score,
            signs: JSON.stringify(p.signs ?? []),
          })),
      );
      await renewGlance(inside, athleteId);
    });
  return sessionOf(ctx, athleteId, id);
}

/** What a throw of this session is refused for, if anything. Throws are counted as they are let through. */
interface Guard {
  readonly refusal: (at: Date, effort: number) => string | null;
  readonly painReported: (at: Date, reason: string) => void;
}

async function openGuard(ctx: Context, athleteId: string, session: SessionRow): Promise<Guard> {
  const athlete = await athleteRecord(ctx, athleteId);
  const onDay = { ...ctx, today: session.on_date };
  const load = await loadOf(onDay, athleteId);
  const isToday = (date: IsoDate) => date === session.on_date;
  const withoutTodaysPain = { ...load, log: load.log.map((row) => (isToday(row.date) ? { ...row, pain: [] } : row)) };
  const standing = workloadOf(onDay, athlete, withoutTodaysPain).today.locked;
  const now = workloadOf(onDay, athlete, load).today;
  const pains = (await ctx.tenant
    .from('pain_reports')
    .where({ athlete_id: athleteId, on_date: session.on_date })
    .orderBy('at')) as PainRow[];
  const first = pains.find((p) => stopsThrowing(toPain(p)) || p.signs.length > 0);
  let painAt = first ? first.at : null;
  let painReason = now.locked?.reason ?? 'Pain was reported.';
  let left = workloadOf(onDay, athlete, withoutTodaysPain).today;
  const budget = practiceBudget(athlete.discipline, ageOn(athlete.birthDate, session.on_date));
  return {
    refusal: (at, effort) => {
      if (standing) return standing.reason;
      if (painAt && at > painAt) return painReason;
      if (left.throwsLeft <= 0) return `Today’s ${budget} throws are used up.`;
      if (effort >= 90 && left.highEffortLeft <= 0) return 'Today’s hard throws are used up: stay under 90 %.';
      left = { ...left, throwsLeft: left.throwsLeft - 1, highEffortLeft: left.highEffortLeft - (effort >= 90 ? 1 : 0) };
      return null;
    },
    painReported: (at, reason) => {
      if (painAt === null || at < painAt) {
        painAt = at;
        painReason = reason;
      }
    },
  };
}

/** Stores a batch of taps. What is there already stays as it is; a throw against a lock or budget is kept, but refused. */
export async function logEntries(
  ctx: Context,
  athleteId: string,
  sessionId: string,
  entries: readonly LogEntry[],
): Promise<LogAnswer> {
  const unknown = entries.findIndex((e) => e.type === 'rep' && !hasDrill(e.drill));
  if (unknown >= 0) {
    const entry = entries[unknown] as Extract<LogEntry, { type: 'rep' }>;
    throw wrongField(`entries[${unknown}].drill`, `“${entry.drill}” is not a drill of the catalogue`);
  }
  const results = await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const session = await sessionRow(inside, athleteId, sessionId, true);
    const inOrder = entries.map((e) => ({ entry: e, at: new Date(e.at) })).sort((a, b) => a.at.getTime() - b.at.getTime());
    const ids = inOrder.map(({ entry }) => entry.id);
    const known = new Map(
      ((await tenant.from('reps').whereIn('id', ids).select('id', 'refused')) as { id: string; refused: string | null }[]).map(
        (r) => [r.id, r.refused],
      ),
    );
    const foci = new Set((await fociOf(inside, athleteId)).map((f) => f.id));
    const guard = await openGuard(inside, athleteId, session);
    const base = { athlete_id: athleteId, session_id: sessionId, on_date: session.on_date };
    const answers = new Map<string, EntryResult>();
    let painful = false;
    // Pain first: whatever was thrown after it is to be refused, in whichever order the taps arrive.
    for (const { entry, at } of inOrder)
      if (entry.type === 'pain' && (stopsThrowing(entry.pain) || (entry.pain.signs?.length ?? 0) > 0))
        guard.painReported(at, `No more throwing today: ${entry.pain.site} pain of ${entry.pain.score} was reported.`);
    const reps: Record<string, unknown>[] = [];
    for (const { entry, at } of inOrder) {
      if (entry.type !== 'rep') continue;
      const refused = known.has(entry.id) ? known.get(entry.id)! : entry.isThrow ? guard.refusal(at, entry.effort) : null;
      if (!known.has(entry.id))
        reps.push({
          ...base,
          id: entry.id,
          focus_id: entry.focus !== null && foci.has(entry.focus) ? entry.focus : null,
          at,
          drill: entry.drill,
          rung: entry.rung,
          judged: entry.judged,
          effort: entry.effort,
          is_throw: entry.isThrow,
          refused,
        });
      answers.set(entry.id, { id: entry.id, status: refused === null ? 'stored' : 'refused', reason: refused });
    }
    await tenant.insertOnce('reps', reps);
    for (const { entry, at } of inOrder) {
      if (entry.type === 'rep') continue;
      if (entry.type === 'cheat')
        await tenant.from('reps').where({ id: entry.rep, athlete_id: athleteId }).update({ cheat: entry.cheat });
      if (entry.type === 'undo') {
        await tenant.from('reps').where({ id: entry.rep, athlete_id: athleteId }).update({ undone: true });
        await tenant.from('readings').where({ id: entry.rep, athlete_id: athleteId }).update({ undone: true });
      }
      if (entry.type === 'pain') {
        painful = true;
        const { site, score, signs } = entry.pain;
        await tenant.insertOnce('pain_reports', {
          ...base,
          id: entry.id,
          at,
          moment: entry.moment,
          site,
          score,
          signs: JSON.stringify(signs ?? []),
        });
      }
      if (entry.type === 'reading')
        await tenant.insertOnce('readings', {
          ...base,
          id: entry.id,
          at,
          speed: entry.speed,
          unit: entry.unit,
          effort: entry.effort,
          gun: entry.gun,
          setting: entry.setting,
        });
      answers.set(entry.id, { id: entry.id, status: 'stored', reason: null });
    }
    if (painful) await renewGlance(inside, athleteId);
    return entries.map((e) => answers.get(e.id)!);
  });
  return { results, session: await sessionOf(ctx, athleteId, sessionId) };
}

interface GateCountRow {
  session_date: IsoDate;
  drill: string;
  judged: 'good' | 'close' | 'off';
  cheat: string | null;
  n: number;
}

/** Reps of a focus on its present rung since it got there, as the gate counts them. */
export async function gateRows(
  ctx: Context,
  focus: { id: string; rung: Rung; rung_since_at: Date },
  painOn: (date: IsoDate) => number,
): Promise<RepRow[]> {
  const rows = (await ctx.tenant
    .from('reps')
    .where({ focus_id: focus.id, rung: focus.rung, undone: false })
    .whereNull('refused')
    .where('at', '>', focus.rung_since_at)
    .groupBy('on_date', 'drill', 'judged', 'cheat')
    .select('on_date as session_date', 'drill', 'judged', 'cheat')
    .count({ n: '*' })) as unknown as GateCountRow[];
  const byDrill = new Map<
    string,
    { date: IsoDate; drill: string; good: number; close: number; off: number; cheats: Record<string, number> }
  >();
  for (const row of rows) {
    const key = `${row.session_date}|${row.drill}`;
    const tally = byDrill.get(key) ?? { date: row.session_date, drill: row.drill, good: 0, close: 0, off: 0, cheats: {} };
    tally[row.judged] += Number(row.n);
    if (row.cheat) tally.cheats[row.cheat] = (tally.cheats[row.cheat] ?? 0) + Number(row.n);
    byDrill.set(key, tally);
  }
  return [...byDrill.values()].map((t) => ({ ...t, reps: t.good + t.close + t.off, pain: painOn(t.date) }));
}

export async function armPainByDay(ctx: Context, athleteId: string): Promise<(date: IsoDate) => number> {
  const rows = (await ctx.tenant.from('pain_reports').where('athlete_id', athleteId)) as PainRow[];
  return (date) => armPain(rows.filter((r) => r.on_date === date).map(toPain));
}

const STEP: Record<RungMove['verdict'], number> = { advance: 1, hold: 0, regress: -1 };

/** Ends the session. Each focus that was worked on at its rung gets the gate's verdict and moves by it; the plan follows. */
export async function finishSession(ctx: Context, athleteId: string, id: string): Promise<SessionRecord> {
  await athleteRecord(ctx, athleteId);
  await ctx.tenant.transaction(async (tenant) => {
    const inside = within(ctx, tenant);
    const session = await sessionRow(inside, athleteId, id, true);
    if (session.finished_at) return;
    const painOn = await armPainByDay(inside, athleteId);
    let judged = false;
    const active = (await fociOf(inside, athleteId)).filter((f) => f.ended_at === null) as unknown as {
      id: string;
      finding: FindingId;
      rung: Rung;
      rung_since_at: Date;
    }[];
    for (const focus of active) {
      const worked = await tenant.has('reps', { session_id: id, focus_id: focus.id, undone: false });
      const rows = await gateRows(inside, focus, painOn);
      const onTheDay = rows.some((r) => r.date === session.on_date);
      const hurts = worked && painOn(session.on_date) >= 1;
      if (!onTheDay && !hurts) continue;
      // Pain before the first rep on the rung still counts: the day is entered as a session without reps.
      const log = onTheDay
        ? rows
        : [...rows, { date: session.on_date, reps: 0, good: 0, close: 0, off: 0, cheats: {}, pain: painOn(session.on_date) }];
      const gate = judgeGate(log, gateSettings(ctx.academy.numbers), focus.rung);
      const to = Math.min(8, Math.max(0, focus.rung + STEP[gate.verdict])) as Rung;
      await tenant.insertOnce('verdicts', {
        id: ctx.newId(),
        athlete_id: athleteId,
        focus_id: focus.id,
        session_id: id,
        on_date: session.on_date,
        finding: focus.finding,
        from_rung: focus.rung,
        to_rung: to,
        verdict: gate.verdict,
        reason: (gate.counterAction ? `${gate.reason} Counter: ${gate.counterAction}.` : gate.reason).slice(0, 500),
        by_whom: 'gate',
      });
      judged = true;
      if (to !== focus.rung) {
        await tenant
          .from('foci')
          .where('id', focus.id)
          .update({ rung: to, state: to >= 6 ? 'holding' : 'working', rung_since: session.on_date, rung_since_at: ctx.now });
      }
    }
    await tenant.from('work_sessions').where('id', id).update({ finished_at: ctx.now });
    if (session.assignment_id) await tenant.from('assignments').where('id', session.assignment_id).update({ done: true });
    if (judged) await replanRest(inside, athleteId);
    await renewGlance(inside, athleteId);
  });
  return sessionOf(ctx, athleteId, id);
}
