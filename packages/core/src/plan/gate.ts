import type { IsoDate } from '../shared/dates';
import { betaCdf } from '../shared/distributions';
import { round } from '../shared/maths';
import { counterFor } from '../drills/cheats';
import { GATE_DEFAULTS } from './gate-settings';
import type { GateSettings } from './gate-settings';

/** Reps of one drill on one day, since the athlete last arrived at this rung. */
export interface RepRow {
  readonly date: IsoDate;
  readonly drill?: string;
  readonly reps: number;
  readonly good: number;
  readonly close: number;
  readonly off: number;
  /** How often each cheat was seen. */
  readonly cheats: Readonly<Record<string, number>>;
  /** Arm pain score of the session, 0–10. */
  readonly pain: number;
  /** Kit used as a support. */
  readonly aids?: readonly string[];
  /** The first five reps: how many were good, and whether a cue was given. */
  readonly firstFive?: { readonly good: number; readonly cued: boolean };
  /** Who saw it; null where it is known that nobody did. */
  readonly seen?: 'coach' | 'clip' | null;
  /** Logged by an athlete or a guardian, with no coach there. */
  readonly alone?: boolean;
}

export type GateVerdict = 'advance' | 'hold' | 'regress';

export interface GateResult {
  readonly verdict: GateVerdict;
  readonly probability: { readonly atLeast70: number; readonly below50: number };
  /** The cheat whose counter comes first, or null. */
  readonly counter: string | null;
  /** What to do about it, from the drill's own list. */
  readonly counterAction: string | null;
  readonly reason: string;
  /** Reps and sessions that were counted. */
  readonly counted: { readonly reps: number; readonly sessions: number };
}

const percent = (p: number): string => `${Math.round(100 * p)} %`;

/** The rows that the gate reads: those of the last sessions, and the pain that decides. */
interface Window {
  readonly rows: readonly RepRow[];
  readonly dates: readonly IsoDate[];
  /** Worst pain since the newest session began. */
  readonly pain: number;
}

/** A day without reps is no session and hides nothing: its pain and the pain of the session before it still count. */
function windowOf(log: readonly RepRow[], sessionsCounted: number): Window {
  const worked = log.filter((row) => row.reps > 0);
  const dates = [...new Set(worked.map((row) => row.date))].sort().slice(-sessionsCounted);
  const newest = dates[dates.length - 1];
  return {
    rows: worked.filter((row) => dates.includes(row.date)),
    dates,
    pain: Math.max(0, ...log.filter((row) => newest === undefined || row.date >= newest).map((row) => row.pain)),
  };
}

/**
 * The five rules of the gate, in their order, on the exact posterior Beta(1 + good + close/2, 1 + off + close/2) of the true
 * success rate over the last sessions. Reps logged alone count by their own weight.
 * @param log rows since the athlete last arrived at this rung, in any order; rows of one date are one session
 * @param rung the rung stood on; at rung 0 there is nothing to go back to
 */
export function judgeGate(log: readonly RepRow[], settings: GateSettings = GATE_DEFAULTS, rung?: number): GateResult {
  const { rows, dates, pain } = windowOf(log, settings.sessionsCounted);
  const weight = (row: RepRow) => (row.alone ? settings.aloneWeight : 1);
  const total = (pick: (row: RepRow) => number) => rows.reduce((n, row) => n + weight(row) * pick(row), 0);
  const reps = total((row) => row.reps);
  const a = 1 + total((row) => row.good + row.close / 2);
  const b = 1 + total((row) => row.off + row.close / 2);
  const ready = 1 - betaCdf(settings.advanceRate, a, b);
  const tooHard = betaCdf(settings.regressRate, a, b);
  const counted = { reps: rows.reduce((n, row) => n + row.reps, 0), sessions: dates.length };
  const result = (verdict: GateVerdict, reason: string, cheat: string | null = null, drill?: string): GateResult => ({
    verdict,
    probability: { atLeast70: round(ready), below50: round(tooHard) },
    counter: cheat,
    counterAction: cheat === null ? null : counterFor(cheat, drill),
    reason,
    counted,
  });

  if (pain >= 1)
    return result(
      'regress',
      `Pain of ${pain} was reported in the newest session: one rung down, and no throwing while it hurts.`,
    );
  if (reps >= settings.minimumReps && tooHard >= settings.confidence) {
    const chance = `${percent(tooHard)} sure that fewer than ${percent(settings.regressRate)} come off`;
    return rung === 0
      ? result('hold', `${chance}, and there is no lower rung: stay and make it easier.`)
      : result('regress', `${chance}: one rung down.`);
  }
  const worst = commonestCheat(rows);
  if (worst && counted.reps > 0 && worst.count / counted.reps >= settings.cheatShare)
    return result(
      'hold',
      `“${worst.cheat}” was seen in ${percent(worst.count / counted.reps)} of ${counted.reps} reps: add its counter before anything else changes.`,
      worst.cheat,
      worst.drill,
    );
  if (reps >= settings.minimumReps && dates.length >= settings.minimumSessions && ready >= settings.confidence) {
    const missing = whatIsMissing(rows, dates[dates.length - 1]!, settings, rung);
    if (missing)
      return result('hold', `${percent(ready)} sure that at least ${percent(settings.advanceRate)} come off, but ${missing}`);
    return result(
      'advance',
      `${percent(ready)} sure that at least ${percent(settings.advanceRate)} come off, over ${dates.length} sessions: one rung up.`,
    );
  }
  const alone = rows.some((row) => row.alone) && settings.aloneWeight < 1;
  return result(
    'hold',
    whyHold(reps, dates.length, ready, settings) + (alone ? ` Reps logged alone count ${settings.aloneWeight}.` : ''),
  );
}

/** What going up still wants where the reps alone are good enough, for rows that tell; null when nothing. */
function whatIsMissing(
  rows: readonly RepRow[],
  newest: IsoDate,
  settings: GateSettings,
  rung: number | undefined,
): string | null {
  const last = rows.filter((row) => row.date === newest);
  const aid = last.flatMap((row) => row.aids ?? [])[0];
  if (settings.aidFree > 0 && aid !== undefined) return `the newest session still used an aid (${aid}): once more without it.`;
  if (settings.firstFiveGood > 0)
    for (const { firstFive } of last) {
      if (firstFive?.cued) return 'the first five reps of the newest session had a cue: once more without one.';
      if (firstFive && firstFive.good < settings.firstFiveGood)
        return `only ${firstFive.good} of the first five reps of the newest session were good; ${settings.firstFiveGood} are wanted.`;
    }
  const tells = rows.some((row) => row.seen !== undefined);
  if (tells && rung !== undefined && rung >= settings.seenFromRung && !rows.some((row) => row.seen))
    return `from rung ${settings.seenFromRung} on one of the sessions must be seen by a coach or on a clip.`;
  return null;
}

function whyHold(reps: number, sessions: number, ready: number, settings: GateSettings): string {
  if (reps < settings.minimumReps) return `Only ${round(reps, 1)} of the ${settings.minimumReps} reps that a verdict needs.`;
  if (ready >= settings.confidence)
    return `${percent(ready)} sure already, but on ${sessions === 1 ? 'one day' : `${sessions} days`} only: once more on another day.`;
  return `${percent(ready)} sure that at least ${percent(settings.advanceRate)} come off; ${percent(settings.confidence)} is needed.`;
}

function commonestCheat(rows: readonly RepRow[]): { cheat: string; count: number; drill?: string } | null {
  const counts = new Map<string, { count: number; drill?: string }>();
  for (const row of rows)
    for (const [cheat, count] of Object.entries(row.cheats)) {
      const known = counts.get(cheat);
      const drill = known?.drill ?? row.drill;
      counts.set(cheat, { count: (known?.count ?? 0) + count, ...(drill === undefined ? {} : { drill }) });
    }
  const ordered = [...counts].sort(([x, a], [y, b]) => b.count - a.count || (x < y ? -1 : 1));
  return ordered[0] ? { cheat: ordered[0][0], ...ordered[0][1] } : null;
}

/**
 * Probability that an athlete with this true success rate is let through within so many sessions, when looked at after each:
 * exact, over all outcomes of independent reps that are good or off. Going back ends the count.
 */
export function passProbability(
  trueRate: number,
  sessions = 6,
  repsPerSession = 10,
  settings: GateSettings = GATE_DEFAULTS,
): number {
  const chance = binomial(trueRate, repsPerSession);
  const verdicts = new Map<string, GateVerdict>();
  const verdictOf = (goods: readonly number[]): GateVerdict => {
    const total = goods.reduce((x, y) => x + y, 0);
    const key = `${goods.length}:${total}`;
    let verdict = verdicts.get(key);
    if (!verdict) {
      const rows = goods.map((good, i): RepRow => {
        const date = `2000-01-${String(i + 1).padStart(2, '0')}`;
        return { date, reps: repsPerSession, good, close: 0, off: repsPerSession - good, cheats: {}, pain: 0 };
      });
      verdict = judgeGate(rows, settings).verdict;
      verdicts.set(key, verdict); // only totals count
    }
    return verdict;
  };
  let passed = 0;
  let standing = new Map<string, number>([['', 1]]);
  for (let session = 0; session < sessions; session++) {
    const next = new Map<string, number>();
    for (const [key, weight] of standing) {
      const past = key === '' ? [] : key.split(',').map(Number);
      chance.forEach((p, good) => {
        const window = [...past, good].slice(-settings.sessionsCounted);
        const verdict = verdictOf(window);
        if (verdict === 'advance') passed += weight * p;
        else if (verdict === 'hold') {
          const kept = window.slice(-(settings.sessionsCounted - 1)).join();
          next.set(kept, (next.get(kept) ?? 0) + weight * p);
        }
      });
    }
    standing = next;
  }
  return passed;
}

function binomial(rate: number, n: number): number[] {
  const chances = [1];
  for (let i = 0; i < n; i++) {
    for (let k = chances.length; k >= 0; k--) chances[k] = (chances[k] ?? 0) * (1 - rate) + (k > 0 ? chances[k - 1]! * rate : 0);
  }
  return chances;
}
