/** Work handed out by hand for one day: drills, each in the athlete's own dose, at a place. */
import { libraryOf } from '../drills/library';
import type { Drill, Place } from '../drills/types';
import { dayInWords, weekdayOf } from '../shared/dates';
import type { IsoDate } from '../shared/dates';
import { whyNot } from './choose';
import type { Context } from './choose';
import { itemOf } from './dose';
import { Draft } from './draft';
import { openLedger } from './ledger';
import { contextOn } from './on-day';
import { whyNoThrows } from './places';
import { warmUp } from './prepare';
import { cuesOf, inOrder } from './session';
import { totalsOf } from './totals';
import type { PlanItem, PlanRequest, PlanSession } from './types';
import { newToday } from './words';

export interface HandOutWanted {
  readonly date: IsoDate;
  readonly place: Place;
  /** Ids of drills of the catalogue or the academy’s own. */
  readonly drills: readonly string[];
}

export interface HandedOut {
  /** What comes of it for this athlete; null where nothing of it may be done. */
  readonly session: PlanSession | null;
  /** Drills that are left out, each with its reason. */
  readonly left: readonly { readonly drill: string; readonly why: string }[];
}

/** Minutes that there are for work handed out, where the athlete has told of none at that place. Provenance `house`. */
const MINUTES = 45;
/** Throws of a drill that is handed out by itself, in sets. */
const THROWN = { sets: 2, reps: 5 } as const;

/** The request with time on one day at one place, whatever else there is on that day of the week. */
function withTimeOn(request: PlanRequest, date: IsoDate, place: Place): PlanRequest {
  const weekday = weekdayOf(date);
  const own = request.availability.filter((slot) => slot.place === place);
  const slot = own.find((s) => s.weekday === weekday) ?? own[0];
  return {
    ...request,
    availability: [
      ...request.availability.filter((s) => s.weekday !== weekday),
      { minutes: MINUTES, place, ...(slot?.equipment ? { equipment: slot.equipment } : {}), weekday },
    ],
  };
}

/** How a drill is dosed, from all of it down to the least that is worth handing out. */
function dosesOf(drill: Drill): readonly (readonly [sets: number, reps: number])[] {
  const throwing = drill.throws !== 'none';
  const sets = throwing ? THROWN.sets : drill.dose.sets;
  const reps = throwing ? Math.min(THROWN.reps, drill.dose.reps) : drill.dose.reps;
  return Array.from({ length: sets }, (_, n) => [sets - n, reps] as const);
}

function itemIn(draft: Draft, drill: Drill, context: Context): PlanItem | null {
  const focus = context.request.focus.find((f) => drill.treats.some((t) => t.finding === f.finding)) ?? null;
  const rung = focus && drill.rungs.includes(focus.rung) ? focus.rung : drill.rungs[0]!;
  for (const [sets, reps] of dosesOf(drill)) {
    const wanted = {
      drill,
      role: 'pinned',
      focus: focus?.finding ?? null,
      rung,
      sets,
      reps,
      why: 'Handed out by the coach.',
    } as const;
    const item = itemOf(wanted, context);
    if (draft.add(item)) return item;
  }
  return null;
}

/**
 * What handed-out drills come to for one athlete on one day. Locks, budgets, rest, place, kit, partner and age hold as in a plan; what
 * stands in the plan for that day counts first. The first throw is warmed up for.
 * @param standing sessions that are planned already, in the order of their days
 */
export function handOut(request: PlanRequest, standing: readonly PlanSession[], wanted: HandOutWanted): HandedOut {
  const { date, place } = wanted;
  const asked = withTimeOn(request, date, place);
  const ledger = openLedger(asked);
  for (const s of standing) if (s.date <= date) ledger.book(s.date, s.throws, s.highEffort);
  const day = contextOn(asked, ledger, standing, date);
  const library = libraryOf(asked);
  const drills = [...new Set(wanted.drills)];
  if (!day) return { session: null, left: drills.map((drill) => ({ drill, why: `${dayInWords(date)} is a game day` })) };
  const room = whyNoThrows(day.day, asked) === null ? day.allowance.throws : 0;
  const context: Context = { ...day, throwing: room > 0 };
  const draft = new Draft(context, room);
  const left: { drill: string; why: string }[] = [];
  const planned = new Set(standing.filter((s) => s.date === date).flatMap((s) => s.items.map((i) => i.drill)));
  for (const id of drills) {
    const drill = library.has(id) ? library.drill(id) : undefined;
    const why = !drill
      ? 'it is no drill of the catalogue, and none of your own'
      : planned.has(id)
        ? 'it stands in that day’s session already'
        : whyNot(drill, context);
    if (why !== null || !drill) left.push({ drill: id, why: why ?? '' });
    else if (
      drill.throws !== 'none' &&
      drill.part !== 'warm-throws' &&
      !draft.items.some((i) => i.throws > 0) &&
      !warmed(draft, context, room)
    )
      left.push({ drill: id, why: day.allowance.because ?? 'there is no room for a warm-up and throws after it' });
    else if (!itemIn(draft, drill, context))
      left.push({
        drill: id,
        why: drill.throws === 'none' ? `${day.day.useful} minutes hold no more` : 'there is no room for its throws',
      });
  }
  // A warm-up that nothing is thrown after is no work.
  const thrown = draft.items.some((i) => i.throws > 0 && drills.includes(i.drill));
  const items = inOrder(thrown ? draft.items : draft.items.filter((i) => i.role !== 'warm-throws'));
  if (items.length === 0) return { session: null, left };
  return {
    session: {
      date,
      place,
      ...totalsOf(items),
      testDay: false,
      cues: cuesOf(items),
      new: newToday(items, context.used, false, asked),
      note: null,
      items,
    },
    left,
  };
}

const warmed = (draft: Draft, context: Context, throws: number): boolean =>
  warmUp(draft, {
    context,
    throws,
    why: null,
    foci: [],
    testDue: false,
    noTest: false,
    retest: null,
    pinned: [],
    last: null,
  }) !== null;

/** The work of one day: the sessions of it as one, in the order in which it is done; a drill that stands in two is done once. */
export function joined(sessions: readonly [PlanSession, ...PlanSession[]]): PlanSession {
  const [first, ...more] = sessions;
  if (more.length === 0) return first;
  const items = sessions.flatMap((s) => s.items).filter((item, i, all) => all.findIndex((o) => o.drill === item.drill) === i);
  return {
    ...first,
    ...totalsOf(items),
    testDay: sessions.some((s) => s.testDay),
    cues: Object.assign({}, ...[...sessions].reverse().map((s) => s.cues)) as PlanSession['cues'],
    new: sessions.find((s) => s.new !== null)?.new ?? null,
    items: inOrder(items),
  };
}
