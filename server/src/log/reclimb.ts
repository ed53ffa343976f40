/** Verdicts and rungs as they follow from the log, worked out anew and kept. */
import { climbOf, gateNow, gateSettings } from '@wrightonic/core';
import type { ClimbLog, ClimbState, GateMove, GateResult, IsoDate, JudgedEntry, LoggedFocus } from '@wrightonic/core';
import type { Context } from '../common/context';
import { academyLibrary } from '../library/library';
import { fociLog, painsOf, toLoggedSession, toRep } from './rows';
import type { FocusDbRow, RepDbRow, VerdictDbRow } from '../db/tables';

/** A rep, and what the last judging made of it. */
const toJudged = (row: RepDbRow): JudgedEntry => ({
  rep: toRep(row),
  judged: {
    id: row.id,
    isThrow: Boolean(row.is_throw),
    effort: row.effort,
    gone: Boolean(row.gone),
    undone: Boolean(row.undone),
    refused: row.refused,
    cheat: row.cheat,
  },
});

const reasonOf = ({ gate }: GateMove): string =>
  (gate.counterAction ? `${gate.reason} Counter: ${gate.counterAction}.` : gate.reason).slice(0, 500);

/** Entries and sessions of the foci, from the day on which the first of them began. */
async function climbLogOf(ctx: Context, athlete: string, foci: readonly FocusDbRow[]): Promise<ClimbLog> {
  const from = foci.map((f) => f.started_on).reduce((a, b) => (a < b ? a : b));
  const sessions = await ctx.tenant.from('work_sessions').where('athlete_id', athlete).where('on_date', '>=', from);
  const reps = await ctx.tenant.from('reps').where('athlete_id', athlete).where('on_date', '>=', from).orderBy(['at', 'id']);
  return {
    sessions: sessions.map((row) => toLoggedSession(row, ctx.today)),
    reps: reps.map(toJudged),
    pains: (await painsOf(ctx, athlete)).filter((p) => p.date >= from),
    library: await academyLibrary(ctx),
  };
}

/** Foci whose verdicts may change by what was entered on a day or later. */
const openSince = async (ctx: Context, athlete: string, from: IsoDate): Promise<FocusDbRow[]> =>
  await ctx.tenant
    .from('foci')
    .where('athlete_id', athlete)
    .where((q) => void q.whereNull('ended_at').orWhere('ended_at', '>=', `${from} 00:00:00`));

/**
 * Works out anew where every focus stands and keeps it: new verdicts are added, changed ones say what they were. To be called in the
 * transaction that changed the log, with the athlete held and the days judged.
 * @returns whether a focus stands elsewhere now
 */
export async function reclimb(ctx: Context, athlete: string, from: IsoDate): Promise<boolean> {
  const rows = await openSince(ctx, athlete, from);
  if (rows.length === 0) return false;
  const foci = await fociLog(ctx, rows);
  const log = await climbLogOf(ctx, athlete, rows);
  const settings = gateSettings(ctx.academy.numbers);
  let moved = false;
  for (const [i, focus] of foci.entries()) {
    const state = climbOf(focus, log, settings);
    await keepVerdicts(ctx, athlete, focus, state);
    moved = (await keepRung(ctx, rows[i]!, state)) || moved;
  }
  return moved;
}

async function keepVerdicts(
  ctx: Context,
  athlete: string,
  focus: Pick<LoggedFocus, 'id' | 'finding'>,
  { moves }: ClimbState,
): Promise<void> {
  const kept = await ctx.tenant.from('verdicts').where({ focus_id: focus.id, by_whom: 'gate' });
  const newest = moves[moves.length - 1];
  for (const move of moves) {
    const known = kept.find((row) => row.session_id === move.session);
    const now = {
      on_date: move.date,
      at: new Date(move.at),
      from_rung: move.from,
      to_rung: move.to,
      verdict: move.gate.verdict,
      reason: reasonOf(move),
    };
    if (!known)
      await ctx.tenant.insertOnce('verdicts', {
        ...now,
        id: ctx.newId(),
        athlete_id: athlete,
        focus_id: focus.id,
        session_id: move.session,
        finding: focus.finding,
        by_whom: 'gate',
        // One that comes between older ones was brought by late entries.
        ...(move === newest || kept.length === 0
          ? {}
          : { was_verdict: 'hold' as const, was_to: move.from, revised_on: ctx.today }),
      });
    else if (
      known.verdict !== now.verdict ||
      known.to_rung !== now.to_rung ||
      known.from_rung !== now.from_rung ||
      known.reason !== now.reason ||
      known.at.getTime() !== now.at.getTime()
    )
      await ctx.tenant
        .from('verdicts')
        .where('id', known.id)
        .update({ ...now, ...revision(ctx, known, now) });
  }
  const gone = kept.filter((row) => !moves.some((move) => move.session === row.session_id));
  for (const row of gone)
    await ctx.tenant
      .from('verdicts')
      .where('id', row.id)
      .update({
        ...revision(ctx, row, { verdict: 'hold', to_rung: row.from_rung }),
        verdict: 'hold',
        to_rung: row.from_rung,
        reason: 'The reps that this verdict rested on were taken away.',
      });
}

/** What a verdict was before late entries changed it; nothing where it says again what it said first. */
function revision(ctx: Context, was: VerdictDbRow, now: { verdict: string; to_rung: number }): Record<string, unknown> {
  const first = { verdict: was.was_verdict ?? was.verdict, to: was.was_to ?? was.to_rung };
  return first.verdict === now.verdict && first.to === now.to_rung
    ? { was_verdict: null, was_to: null, revised_on: null }
    : { was_verdict: first.verdict, was_to: first.to, revised_on: ctx.today };
}

async function keepRung(ctx: Context, row: FocusDbRow, { rung, since }: ClimbState): Promise<boolean> {
  const at = new Date(since.at);
  const moved = row.rung !== rung;
  if (!moved && row.rung_since_at.getTime() === at.getTime()) return false;
  await ctx.tenant
    .from('foci')
    .where('id', row.id)
    .update({
      rung,
      rung_since: since.date,
      rung_since_at: at,
      ...(row.ended_at === null ? { state: rung >= 6 ? 'holding' : 'working' } : {}),
    });
  return moved && row.ended_at === null;
}

/** What the gate would say of each focus now. */
export async function gatesOf(ctx: Context, athlete: string, rows: readonly FocusDbRow[]): Promise<Map<string, GateResult>> {
  if (rows.length === 0) return new Map();
  const foci = await fociLog(ctx, rows);
  const log = await climbLogOf(ctx, athlete, rows);
  const settings = gateSettings(ctx.academy.numbers);
  return new Map(foci.map((focus) => [focus.id, gateNow(focus, log, settings)]));
}
