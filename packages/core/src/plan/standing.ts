import { drillsAt, standingRungs } from '../drills/ladders';
import { libraryOf } from '../drills/library';
import type { Rung } from '../drills/types';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { couldDo } from './choose';
import { PLACE_TOP } from './places';
import type { Day } from './places';
import type { PlanRequest, PlanSession } from './types';

/** Where a focus is expected to stand while its plan goes on. */
export interface Standing {
  readonly finding: FindingId;
  rung: Rung;
  /** Days with direct reps on this rung, and the reps. */
  days: number;
  reps: number;
  /** The last of them was without an aid. */
  free: boolean;
  /** Sessions planned for it in all. */
  sessions: number;
  /** Rungs that can be worked on here. */
  readonly open: readonly Rung[];
}

/** Sessions that a rung usually takes: two days at least, three once balls fly. Provenance `house`. */
const EXPECTED: Record<Rung, number> = { 0: 2, 1: 2, 2: 2, 3: 3, 4: 3, 5: 3, 6: 3, 7: 3, 8: Infinity };
/** Direct reps that the gate needs before it speaks. */
const GATE_REPS = 10;

/** Rungs on which this athlete can be worked with, given places, kit and partner: those that the ladder skips are none. */
export function openRungs(finding: FindingId, request: PlanRequest, days: readonly Day[]): Rung[] {
  const library = libraryOf(request);
  const ladder = library.ladder(finding, request.athlete.discipline);
  const own = standingRungs(ladder).filter((rung) =>
    drillsAt(ladder, rung).some((id) =>
      couldDo(
        library.drill(id),
        request,
        days.filter((d) => PLACE_TOP[d.place] >= rung),
      ),
    ),
  );
  const { kind, healthFlag } = findingById(finding);
  if (kind === 'limit' || healthFlag || !days.some((d) => d.place === 'mound')) return own;
  return [...own, 7, 8];
}

/** The rung that a focus is taken up on: the one given, or the nearest that its ladder does not skip. */
export function startStanding(finding: FindingId, rung: Rung, request: PlanRequest, days: readonly Day[]): Standing {
  const ladder: Rung[] = [...standingRungs(libraryOf(request).ladder(finding, request.athlete.discipline)), 7, 8];
  const below = ladder.filter((r) => r <= rung).pop();
  return {
    finding,
    rung: below ?? ladder[0]!,
    days: 0,
    reps: 0,
    free: true,
    sessions: 0,
    open: openRungs(finding, request, days),
  };
}

/** What a planned session brings a focus: direct reps on its rung, and the step up that is expected when the gate has what it needs. */
export function afterSession(standing: Standing, session: PlanSession): void {
  const items = session.items.filter(
    (i) => i.focus === standing.finding && i.rung === standing.rung && (i.role === 'main' || i.role === 'prepare'),
  );
  if (session.items.some((i) => i.focus === standing.finding)) standing.sessions++;
  if (items.length === 0) return;
  standing.days++;
  standing.reps += items.reduce((n, i) => n + i.sets * i.reps, 0);
  standing.free = items.every((i) => i.aids.length === 0);
  if (standing.days < EXPECTED[standing.rung] || standing.reps < GATE_REPS || !standing.free) return;
  const next = standing.open.find((r) => r > standing.rung);
  if (next === undefined) return;
  Object.assign(standing, { rung: next, days: 0, reps: 0, free: true });
}
