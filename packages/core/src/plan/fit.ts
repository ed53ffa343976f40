import { drillById, hasDrill } from '../drills/catalogue';
import { RUNG_NAMES } from '../drills/types';
import type { Drill, Rung } from '../drills/types';
import { graphFor } from '../diagnosis/model';
import { HARD_EFFORT } from '../load/tables';
import { ageOn, daysBetween } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { clamp, sum } from '../shared/maths';
import { resolveSchools } from '../shared/schools';
import { chooseAtOrBelow, chooseDrill, mayDo } from './choose';
import type { Choice, ChoiceContext } from './choose';
import { openLedger } from './ledger';
import type { Allowance } from './ledger';
import type { Plan, PlanItem, PlanRequest, PlanSession, Role, SessionOutline } from './types';

/** Chooses drills and doses for all outlined sessions under the hard rules. Another solver of the same task goes in its place. */
export type Fit = (request: PlanRequest, outlines: readonly SessionOutline[]) => Pick<Plan, 'sessions' | 'violations'>;

const FEWEST_THROWS = 5;
const TASTE_THROWS = 5;
/** Ceiling for full throws while high effort is closed or a health flag stands. */
const CALM_EFFORT = 85;

/** Minutes that so many reps take, set-up and walking included. Provenance `house`. */
export function minutesFor(drill: Drill, sets: number, reps: number): number {
  const perRep = drill.throws === 'none' ? 7 + (drill.dose.holdS ?? 0) : 28;
  return Math.ceil(1 + sets * (0.5 + (reps * perRep) / 60));
}

/** Pitching distance, metres. */
export function fullDistance(discipline: string, age: number): number {
  if (discipline === 'windmill') return age < 11 ? 10.7 : age < 13 ? 12.2 : 13.1;
  return age < 13 ? 14 : 18.4;
}

const rungWords: Record<Role, (rung: Rung, main: Rung) => string> = {
  prepare: () => 'makes room before anything is thrown',
  warm: (rung) => `one rung below, ${RUNG_NAMES[rung].toLowerCase()}, to warm the pattern`,
  main: (rung, main) =>
    rung === main
      ? `the gate stands at this rung, ${RUNG_NAMES[rung].toLowerCase()}`
      : `as high as this place and kit allow, ${RUNG_NAMES[rung].toLowerCase()}`,
  taste: () => 'a short taste of what comes next, to see whether it carries over',
  test: () => 'measured in the full delivery: a drill is judged there',
  pinned: () => 'pinned by the coach',
};

interface Room {
  minutes: number;
  throws: number;
  highEffort: number;
  /** Percent of full effort, at most. */
  readonly highestEffort: number;
}

/** Builds one item within the room left, or null when even the smallest dose does not fit. */
function buildItem(
  choice: Choice,
  role: Role,
  focus: SessionOutline['focus'][number],
  room: Room,
  context: ChoiceContext,
): PlanItem | null {
  const { drill, rung } = choice;
  const throwing = drill.throws !== 'none';
  let { sets, reps } = drill.dose;
  if (role === 'taste' && throwing) [sets, reps] = [1, Math.min(reps, TASTE_THROWS)];
  const ceiling = Math.min(room.highestEffort, room.highEffort <= 0 ? CALM_EFFORT : 100);
  if (throwing && drill.effort[0] > ceiling) return null;
  const effort: [number, number] = [drill.effort[0], throwing ? Math.min(drill.effort[1], ceiling) : drill.effort[1]];
  const hard = effort[1] >= HARD_EFFORT;
  const most = throwing ? Math.min(room.throws, hard ? room.highEffort : Infinity) : Infinity;
  while (sets > 1 && (sets * reps > most || minutesFor(drill, sets, reps) > room.minutes)) sets--;
  const fewest = throwing ? FEWEST_THROWS : Math.min(4, reps);
  while (reps > fewest && (sets * reps > most || minutesFor(drill, sets, reps) > room.minutes)) reps--;
  const minutes = minutesFor(drill, sets, reps);
  if (minutes > room.minutes || sets * reps > most) return null;
  const times = context.used.get(drill.id) ?? 0;
  const removed = times > 0 ? drill.supports.slice(times - 1, times) : [];
  return {
    drill: drill.id,
    rung,
    sets,
    reps,
    ...(drill.dose.holdS === undefined ? {} : { holdS: drill.dose.holdS }),
    effort,
    ...(throwing ? { distanceM: drill.distanceM ?? fullDistance(context.request.athlete.discipline, context.age) } : {}),
    throws: throwing ? sets * reps : 0,
    minutes,
    cue: context.schools.method === 'positions' ? drill.cue.internal : drill.cue.external,
    success: drill.success,
    constraints: { add: times === 0 ? [...drill.supports] : [], remove: [...removed] },
    why: `${[rungWords[role](rung, focus.main), ...choice.terms].map((t, i) => (i === 0 ? t[0]!.toUpperCase() + t.slice(1) : t)).join('; ')}.`,
    role,
    focus: focus.finding,
  };
}

/** A session's items in the order in which room is given to them; they are done in the order of rungs. */
function fillSession(
  outline: SessionOutline,
  request: PlanRequest,
  allowance: Allowance,
  used: Map<string, number>,
  pinned: readonly string[],
) {
  const age = ageOn(request.athlete.birthDate, outline.date);
  const schools = resolveSchools(request.schools, request.athlete.discipline, age);
  const { throws, highEffort, highestEffort } = allowance;
  const room: Room = { minutes: outline.minutes, throws, highEffort, highestEffort };
  const inSession = new Set<string>();
  const items: PlanItem[] = [];
  const refused: { drill: string; why: string }[] = [];
  const context = (): ChoiceContext => ({
    request,
    schools,
    age,
    place: outline.place,
    used,
    inSession,
    canThrow: room.throws >= FEWEST_THROWS,
    hardOpen: room.highEffort >= FEWEST_THROWS,
    highestEffort: room.highestEffort,
    legsClosed: allowance.legsClosed,
  });
  const place = (choice: Choice | null, role: Role, focus: SessionOutline['focus'][number]): boolean => {
    const item = choice && buildItem(choice, role, focus, room, context());
    if (!choice || !item) return false;
    items.push(item);
    inSession.add(item.drill);
    room.minutes -= item.minutes;
    room.throws -= item.throws;
    if (item.effort[1] >= HARD_EFFORT) room.highEffort -= item.throws;
    return true;
  };

  const first = outline.focus[0];
  for (const id of pinned) {
    const why = !first ? 'there is no focus' : hasDrill(id) ? mayDo(drillById(id), context()) : 'no such drill';
    const drill = why === null ? drillById(id) : null;
    const rung = drill?.rungs.reduce((a, b) => (Math.abs(b - first!.main) < Math.abs(a - first!.main) ? b : a));
    const placed = drill && first && place({ drill, rung: rung!, score: 0, terms: [] }, 'pinned', first);
    if (!placed) refused.push({ drill: id, why: why ?? 'it does not fit into the minutes or throws left' });
  }
  // A locked arm still has legs: dry work goes on at the rungs that need no ball.
  const reach = (main: Rung) => (context().canThrow ? main : (Math.min(main, 2) as Rung));
  const placeTop: Rung = outline.place === 'mound' ? 8 : 6;
  if (outline.testDay && first && context().canThrow) {
    const bullpen = drillById('measured-bullpen');
    if (mayDo(bullpen, context()) === null)
      place({ drill: bullpen, rung: clamp(first.main, 6, placeTop) as Rung, score: 1, terms: [] }, 'test', first);
  }
  for (const focus of outline.focus) {
    const rung = reach(Math.min(focus.main, placeTop) as Rung);
    place(chooseAtOrBelow(focus.finding, rung, context()), 'main', focus);
  }
  for (const focus of outline.focus) {
    const below = Math.max(0, reach(focus.main) - 1) as Rung;
    if (focus.main > 0) place(chooseAtOrBelow(focus.finding, below, context()), 'warm', focus);
  }
  const { limitsBehind } = graphFor(request.athlete.discipline);
  for (const focus of outline.focus) {
    const behind = [focus.finding, ...limitsBehind(focus.finding)].flatMap((f) => chooseDrill(f, 0, context()) ?? []);
    const best = behind.reduce<Choice | null>((a, b) => (a === null || b.score > a.score + 1e-9 ? b : a), null);
    place(best, focus.main === 0 ? 'main' : 'prepare', focus);
  }
  for (const focus of outline.focus) place(chooseDrill(focus.finding, reach(focus.main), context()), 'main', focus);
  for (const focus of outline.focus) {
    const next = (focus.main >= 5 ? Math.max(6, focus.main + 1) : focus.main + 1) as Rung;
    if (next <= placeTop && room.throws >= TASTE_THROWS && !outline.testDay)
      place(chooseDrill(focus.finding, next, context()), 'taste', focus);
  }
  const order: Record<Role, number> = { prepare: 0, warm: 1, pinned: 2, main: 3, taste: 4, test: 5 };
  items.sort((a, b) => order[a.role] - order[b.role] || a.rung - b.rung);
  return { items, refused };
}

/** Throws below which a session is not worth a ball; a share is never cut below it. `house` */
const WORTH_THROWING = 12;

/** The week's room shared out over its sessions, so that the first of them does not throw it all. */
function fairShare(allowance: Allowance, date: IsoDate, outlines: readonly SessionOutline[]): Allowance {
  const inWeek = outlines.filter((o) => o.date >= date && daysBetween(date, o.date) < 7).length;
  const share = Math.max(WORTH_THROWING, Math.ceil(allowance.throws / inWeek));
  return { ...allowance, throws: Math.min(allowance.throws, share), highEffort: Math.min(allowance.highEffort, share) };
}

/** One pass over the sessions in date order, each item the best that still fits. */
export const fitInOrder: Fit = (request, outlines) => {
  const ledger = openLedger(request);
  const used = new Map((request.recentDrills ?? []).map((r) => [r.drill, r.sessions]));
  const sessions: PlanSession[] = [];
  const violations: { rule: string; detail: string }[] = [];
  for (const outline of outlines) {
    const allowance = fairShare(ledger.allowance(outline.date), outline.date, outlines);
    const pinned = request.pinned.filter((p) => p.date === outline.date).map((p) => p.drill);
    const { items, refused } = fillSession(outline, request, allowance, used, pinned);
    for (const { drill, why } of refused)
      violations.push({ rule: 'pinned', detail: `${drill} on ${outline.date} was left out: ${why}.` });
    if (items.length === 0) continue;
    const throws = sum(items.map((i) => i.throws));
    const highEffort = sum(items.filter((i) => i.effort[1] >= HARD_EFFORT).map((i) => i.throws));
    ledger.book(outline.date, throws, highEffort);
    for (const item of items) used.set(item.drill, (used.get(item.drill) ?? 0) + 1);
    sessions.push({
      date: outline.date,
      place: outline.place,
      minutes: sum(items.map((i) => i.minutes)),
      throws,
      highEffort,
      testDay: items.some((i) => i.role === 'test'),
      items,
      note: throws === 0 || allowance.because ? allowance.because : null,
    });
  }
  const days = new Set(outlines.map((o) => o.date));
  for (const p of request.pinned)
    if (!days.has(p.date))
      violations.push({ rule: 'pinned', detail: `${p.drill} on ${p.date} was left out: there is no session on that day.` });
  return { sessions, violations };
};
