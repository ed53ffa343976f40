/** How much of the next seven days changes when a plan is made anew after one missed session, one game or one lock, and why. */
import { addDays, makePlan, randomFrom } from '@wrightonic/core';
import { makePlanRequest, PLAN_KINDS } from '@wrightonic/core/simulate';
import type { Plan, PlanRequest, PlanSession, Rung } from '@wrightonic/core';

const SEED = Number(process.env.ACCURACY_SEED ?? 310_000);
const ATHLETES = Number(process.env.ACCURACY_REPLANS ?? 200);
const EVENTS = ['missed session', 'game', 'lock'] as const;
type Event = (typeof EVENTS)[number];

const DONE_DAYS = 8;

/** The highest rung that a plan works a focus on in the week from a day. */
function expectedRung(plan: Plan, finding: string, from: string): Rung | null {
  const rungs = plan.sessions
    .filter((s) => s.date >= from && s.date < addDays(from, 3))
    .flatMap((s) => s.items.filter((i) => i.focus === finding && i.role === 'main').map((i) => i.rung));
  return rungs.length === 0 ? null : (Math.max(...rungs) as Rung);
}

/** The request on a later day: what was planned up to then was done, but for one session. */
function later(request: PlanRequest, plan: Plan, event: Event): { asked: PlanRequest; from: string } | null {
  const today = addDays(request.on, DONE_DAYS);
  const done = plan.sessions.filter((s) => s.date < today);
  const missed = event === 'missed session' ? done[done.length - 1] : undefined;
  if (event === 'missed session' && !missed) return null;
  const counted = done.filter((s) => s !== missed);
  const uses = new Map<string, number>();
  for (const item of counted.flatMap((s) => s.items)) uses.set(item.drill, (uses.get(item.drill) ?? 0) + 1);
  const weeks = request.weeks - 1;
  return {
    from: today,
    asked: {
      ...request,
      on: today,
      weeks,
      until: addDays(request.on, 7 * request.weeks - 1),
      began: request.on,
      recentLoad: [...request.recentLoad, ...counted.map(({ date, throws, highEffort }) => ({ date, throws, highEffort }))],
      games: [...request.games, ...(event === 'game' ? [{ date: addDays(today, 3), pitches: 45 }] : [])],
      pain: [...request.pain, ...(event === 'lock' ? [{ date: addDays(today, -1), site: 'elbow' as const, score: 4 }] : [])],
      recentDrills: [...uses].map(([drill, sessions]) => ({ drill, sessions })),
      asItStands: plan.sessions
        .filter((s) => s.date >= today)
        .map(({ date, items }) => ({ date, drills: items.map((i) => i.drill) })),
      ...(counted.some((s) => s.testDay) ? { lastTest: counted.filter((s) => s.testDay).pop()!.date } : {}),
      // The rung that the first plan expects on that day: nothing but the event differs.
      focus: request.focus.map((f) => ({ ...f, rung: expectedRung(plan, f.finding, today) ?? f.rung })),
    },
  };
}

const keys = (sessions: readonly PlanSession[], from: string, to: string): Set<string> =>
  new Set(sessions.filter((s) => s.date >= from && s.date < to).flatMap((s) => s.items.map((i) => `${s.date} ${i.drill}`)));

/** What a session holds; in which order is no change of an item. */
const drillsOf = ({ items }: PlanSession): string =>
  items
    .map((i) => i.drill)
    .sort()
    .join();

for (const event of EVENTS) {
  const changed: number[] = [];
  let items = 0;
  let unexplained = 0;
  for (let n = 0; n < ATHLETES; n++) {
    const { request } = makePlanRequest(randomFrom(SEED + 5000 + n), PLAN_KINDS[n % PLAN_KINDS.length]!);
    const before = makePlan(request);
    const found = later(request, before, event);
    if (!found) continue;
    const after = makePlan(found.asked);
    const to = addDays(found.from, 7);
    const [a, b] = [keys(before.sessions, found.from, to), keys(after.sessions, found.from, to)];
    const gone = [...a].filter((key) => !b.has(key)).length;
    const come = [...b].filter((key) => !a.has(key)).length;
    changed.push(Math.max(gone, come));
    items += a.size;
    // A session that changed says why: a note, a new thing, or that it is gone because of the event.
    for (const s of after.sessions.filter((x) => x.date >= found.from && x.date < to)) {
      const old = before.sessions.find((x) => x.date === s.date);
      const same = old && drillsOf(old) === drillsOf(s);
      if (!same && s.note === null && s.new === null) unexplained++;
    }
  }
  const sorted = changed.sort((x, y) => x - y);
  console.log(
    `${event.padEnd(16)} ${sorted.length} athletes, ${(items / sorted.length).toFixed(1)} items in the next seven days; changed: ${sorted[sorted.length >> 1]} in the middle, ${sorted[Math.floor(0.9 * sorted.length)]} in nine of ten, ${sorted[sorted.length - 1]} at most; ${unexplained} sessions changed without a word.`,
  );
}
