import { libraryOf } from '../drills/library';
import { counterFor } from '../drills/cheats';
import type { Drill, Place, Rung } from '../drills/types';
import type { FindingId } from '../findings/ids';
import { findingById } from '../findings/catalogue';
import { HARD_EFFORT } from '../load/tables';
import { clamp } from '../shared/maths';
import type { Context } from './choose';
import { FLAGGED_EFFORT } from './ledger';
import type { PlanItem, PlanRequest, Role } from './types';

/** Seconds that reps take. Provenance `house`; the runner’s own times correct it. */
const PACE = { dry: 6, afterHold: 3, catch: 12, drill: 25, mound: 35, betweenSets: 30, setUp: 60 } as const;
/** Effort while the focus is flagged for health, percent. */
export const FLAGGED_FOCUS_EFFORT = 70;
/** A cheat seen this often in the last reps of a drill puts its counter into the next item. */
const CHEAT_SHARE = 0.2;
const HOME_DISTANCE_M = 6;

const CATCHING = new Set(['warm-throws', 'catch', 'game']);

function secondsPerRep(drill: Drill, place: Place): number {
  if (drill.throws === 'none') return drill.dose.holdS === undefined ? PACE.dry : drill.dose.holdS + PACE.afterHold;
  if (drill.part !== null && CATCHING.has(drill.part)) return PACE.catch;
  return drill.part !== null && place === 'mound' ? PACE.mound : PACE.drill;
}

/** Minutes that sets of a drill take, set-up and the time between sets included. */
export function minutesFor(drill: Drill, sets: number, reps: number, place: Place): number {
  const seconds = PACE.setUp + sets * reps * secondsPerRep(drill, place) + (sets - 1) * PACE.betweenSets;
  return Math.max(1, Math.round(seconds / 60));
}

/** Pitching distance, metres. */
export function fullDistance(discipline: string, age: number): number {
  if (discipline === 'windmill') return age < 11 ? 10.7 : age < 13 ? 12.2 : 13.1;
  return age < 13 ? 14 : 18.4;
}

/** Percent of full effort that an item may reach today. */
export function effortCeiling(drill: Drill, focus: FindingId | null, context: Context): number {
  const flags = context.request.flags.length > 0 ? FLAGGED_EFFORT : 100;
  const focusFlag = focus !== null && drill.part === null && findingById(focus).healthFlag ? FLAGGED_FOCUS_EFFORT : 100;
  const calm = context.allowance.highEffort > 0 ? 100 : HARD_EFFORT - 1;
  return Math.min(drill.effort[1], context.allowance.highestEffort, flags, focusFlag, calm);
}

/** An effort that is told: a multiple of five, and below hard where hard is closed. */
export const calmTop = (percent: number): number => 5 * Math.floor(percent / 5);

/** The effort of an item: a range that rises over the sessions with the drill. */
function effortOf(
  drill: Drill,
  focus: FindingId | null,
  context: Context,
  given?: readonly [number, number],
): readonly [number, number] {
  if (drill.throws === 'none') return [0, 0];
  if (given) return given;
  const ceiling = calmTop(effortCeiling(drill, focus, context));
  const low = drill.effort[0];
  if (drill.part !== null) return [low, ceiling];
  const times = context.used.get(drill.id) ?? 0;
  const top = Math.min(ceiling, 5 * Math.ceil((low + ((drill.effort[1] - low) * (times + 2)) / 4) / 5));
  return [Math.min(clamp(low + 5 * times, low, drill.effort[1] - 10), Math.max(low, top - 5)), Math.max(low, top)];
}

/** The one cue of a focus for this athlete. */
export function sessionCue(finding: FindingId, context: Context): string {
  const cue = libraryOf(context.request).words.cue(finding, context.request.athlete.discipline);
  return context.schools.method === 'positions' && context.day.age >= 13 ? cue.internal : cue.external;
}

/**
 * Aids of a drill today, and what changed since the last time. They come off one at a time; where it is not told which are gone, each
 * session that was done is taken for a good one.
 */
export function aidsToday(drill: Drill, context: Context): { aids: string[]; add: string[]; remove: string[] } {
  const recent = context.request.recentDrills?.find((r) => r.drill === drill.id);
  const times = context.used.get(drill.id) ?? 0;
  const since = recent?.aidsGone === undefined ? times : times - recent.sessions;
  const left = drill.aids.map((a) => a.kit).filter((kit) => recent?.aidsGone?.includes(kit) !== true);
  const aids = left.slice(since);
  const removed = since > 0 ? left.slice(since - 1, since) : [];
  const without = removed.map((kit) => drill.aids.find((a) => a.kit === kit)!.without);
  return { aids, add: times === 0 ? aids : [], remove: removed.length > 0 ? [`${removed[0]}: ${without[0]}`] : [] };
}

/** Counters for the cheats that were seen lately in a drill. */
export const countersFor = (drill: Drill, context: Context): string[] =>
  (context.request.cheats ?? [])
    .filter((c) => c.drill === drill.id && c.reps > 0 && c.seen / c.reps >= CHEAT_SHARE)
    .flatMap((c) => counterFor(c.cheat, drill.id) ?? []);

export interface Wanted {
  readonly drill: Drill;
  readonly role: Role;
  readonly focus: FindingId | null;
  readonly rung: Rung;
  readonly sets: number;
  readonly reps: number;
  readonly why: string;
  readonly effort?: readonly [number, number];
  /** Whole throws carry this cue though the drill has its own. */
  readonly cue?: string;
  readonly distanceM?: number;
  readonly success?: string;
}

/** An item in full. */
export function itemOf(wanted: Wanted, context: Context): PlanItem {
  const { drill, role, focus, rung, sets, reps } = wanted;
  const throwing = drill.throws !== 'none';
  const { aids, add, remove } = aidsToday(drill, context);
  const full = wanted.distanceM ?? drill.distanceM ?? fullDistance(context.request.athlete.discipline, context.day.age);
  const cue = wanted.cue ?? (focus === null ? drill.cue.external : sessionCue(focus, context));
  return {
    drill: drill.id,
    role,
    focus,
    rung,
    sets,
    reps,
    ...(drill.dose.holdS === undefined ? {} : { holdS: drill.dose.holdS }),
    effort: effortOf(drill, focus, context, wanted.effort),
    ...(throwing ? { distanceM: distanceAt(context.day.place, full) } : {}),
    throws: throwing ? sets * reps : 0,
    minutes: minutesFor(drill, sets, reps, context.day.place),
    cue,
    success: wanted.success ?? drill.success,
    aids,
    constraints: { add: [...add, ...countersFor(drill, context)], remove },
    why: wanted.why,
    ...(context.request.library?.own ? { words: libraryOf(context.request).version(drill.id) } : {}),
  };
}

/** How far a drill is thrown at a place, metres. */
const distanceAt = (place: Place, metres: number): number => (place === 'home' ? Math.min(HOME_DISTANCE_M, metres) : metres);

/** The same item at the place of another day. */
export function itemAt(item: PlanItem, from: Place, context: Context): PlanItem {
  const drill = libraryOf(context.request).drill(item.drill);
  const { place, age } = context.day;
  const moved = redose(item, context.request, item.sets, item.reps, place);
  if (item.distanceM === undefined || from === place) return moved;
  const full = from === 'home' ? (drill.distanceM ?? fullDistance(context.request.athlete.discipline, age)) : item.distanceM;
  return { ...moved, distanceM: distanceAt(place, full) };
}

/** The same item with another dose. */
export function redose(item: PlanItem, request: PlanRequest, sets: number, reps: number, place: Place): PlanItem {
  const drill = libraryOf(request).drill(item.drill);
  return {
    ...item,
    sets,
    reps,
    throws: drill.throws === 'none' ? 0 : sets * reps,
    minutes: minutesFor(drill, sets, reps, place),
  };
}
