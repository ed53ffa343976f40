import { drillsAt } from '../drills/ladders';
import { libraryOf } from '../drills/library';
import type { HelpedDrill } from '../drills/library';
import { ALWAYS_THERE, isLegWork, kitName } from '../drills/types';
import type { Drill, GeneralPart, Rung } from '../drills/types';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { HARD_EFFORT } from '../load/tables';
import type { Schools } from '../athlete/schools';
import type { Allowance } from './ledger';
import { PLACE_TOP, whyNoThrows } from './places';
import type { Day } from './places';
import type { PlanRequest } from './types';

/** From this probability on a finding stands in an athlete. */
export const STANDS = 0.35;
/** Terms of a drill’s score. Provenance `house`. */
const WEIGHTS = {
  school: 0.15,
  settled: 0.25,
  stale: -0.6,
  stuck: -1,
  again: -0.25,
  aid: -0.02,
  /** At most so much for or against a drill by what it did in this academy: as much as one answer of a school. */
  helped: 0.15,
  kept: 0.6,
  first: 0.4,
} as const;
/** A drill stays two to five sessions. */
export const STAYS = { least: 2, most: 5 } as const;

export interface Context {
  readonly request: PlanRequest;
  readonly schools: Schools;
  readonly day: Day;
  readonly allowance: Allowance;
  /** Throws are planned for this day. */
  readonly throwing: boolean;
  /** Sessions each drill has been used in. */
  readonly used: ReadonlyMap<string, number>;
  /** Drills of the last session at this place. */
  readonly before: ReadonlySet<string>;
  /** Drills that the plan as it stands holds on this day. */
  readonly kept: ReadonlySet<string>;
}

/** Whether a finding stands in this athlete by the judgement, as a flag or as a focus. */
export function standsIn(request: PlanRequest, finding: FindingId): boolean {
  const { judgement } = request;
  if (judgement?.cleared?.includes(finding)) return false;
  return (
    request.flags.includes(finding) ||
    request.focus.some((f) => f.finding === finding) ||
    (judgement?.present?.[finding] ?? 0) >= STANDS
  );
}

/** Why a drill may not be done by this athlete anywhere; null when it may. */
function whyNotEver(drill: Drill, request: PlanRequest, age: number): string | null {
  if (!drill.disciplines.includes(request.athlete.discipline)) return 'it belongs to the other discipline';
  if (request.library?.never.includes(drill.id)) return 'the academy leaves it out';
  if (drill.partner && !request.partner) return 'it needs a partner';
  if (age < drill.minAge) return `it is for ages from ${drill.minAge}`;
  if (age > drill.maxAge) return `it is for ages up to ${drill.maxAge}`;
  const against = drill.notWhile.find((finding) => standsIn(request, finding));
  return against ? `it is not for now, while “${findingById(against).title.toLowerCase()}” is likely` : null;
}

/** Why a drill may not be done on a day; null when it may: discipline, place, kit, partner, age, what is likely, load and pain. */
export function whyNot(drill: Drill, { request, day, allowance, throwing }: Context): string | null {
  const ever = whyNotEver(drill, request, day.age);
  if (ever) return ever;
  if (!drill.place.includes(day.place)) return `it is not done at the ${day.place}`;
  const missing = drill.equipment.filter((kit) => !day.equipment.includes(kit) && !ALWAYS_THERE.includes(kit));
  if (missing.length > 0) return `it needs ${missing.map(kitName).join(' and ')}`;
  if (drill.throws !== 'none') {
    if (!throwing) return whyNoThrows(day, request) ?? allowance.because ?? 'there is no room for throws';
    if (allowance.catchOnly && drill.part !== 'warm-throws' && drill.part !== 'catch' && drill.part !== 'game')
      return 'only easy catch is open today';
    if (drill.effort[0] > allowance.highestEffort) return 'its effort is above what is allowed';
    if (drill.effort[0] >= HARD_EFFORT && allowance.highEffort === 0) return 'there is no room for hard throws';
  }
  if (isLegWork(drill) && allowance.legsClosed) return 'leg work is closed after pain';
  if (drill.strain !== 'none' && allowance.strainClosed) return 'jumps and heavy leg work wait until after the game';
  if (allowance.armClosed && (drill.armSwing || drill.area === 'arm-action')) return 'the arm rests today';
  return null;
}

/** Whether this athlete could do the drill on one of the days they have. */
export const couldDo = (drill: Drill, request: PlanRequest, days: readonly Day[]): boolean =>
  days.some(
    (day) =>
      whyNotEver(drill, request, day.age) === null &&
      drill.place.includes(day.place) &&
      drill.equipment.every((kit) => day.equipment.includes(kit) || ALWAYS_THERE.includes(kit)) &&
      (drill.throws === 'none' || whyNoThrows(day, request) === null),
  );

function schoolScore(drill: Drill, schools: Schools): number {
  let score = 0;
  for (const [question, answers] of Object.entries(drill.schools))
    score += (answers as readonly string[]).includes(schools[question as keyof Schools]) ? WEIGHTS.school : -WEIGHTS.school;
  return score;
}

/** What the academy has seen of a drill for a finding; undefined where that is nothing. */
export const helpedBy = (drill: Drill, finding: FindingId, { library, athlete }: PlanRequest): HelpedDrill | undefined =>
  library?.helped?.find((h) => h.drill === drill.id && h.finding === finding && h.discipline === athlete.discipline);

/** How well a drill suits a finding: its weight, the school and what it did in this academy, or in an academy’s own ladder its place there, 1 for the first. */
function suits(drill: Drill, finding: FindingId, { request, schools }: Context): number {
  const { ordered, rungs } = libraryOf(request).ladder(finding, request.athlete.discipline);
  const weight = drill.treats.find((t) => t.finding === finding)?.weight ?? 0;
  if (!ordered) {
    const helped = WEIGHTS.helped * (2 * (helpedBy(drill, finding, request)?.better ?? 0.5) - 1);
    return weight + schoolScore(drill, schools) + helped;
  }
  const places = rungs.flatMap((r) =>
    'drills' in r && r.drills.includes(drill.id) ? [r.drills.indexOf(drill.id) / r.drills.length] : [],
  );
  return places.length === 0 ? weight : 1 - Math.min(...places);
}

/** How well a drill serves a finding today: its weight, the school, and whether it should settle or has had its time. */
export function scoreOf(drill: Drill, finding: FindingId, context: Context): number {
  const times = context.used.get(drill.id) ?? 0;
  const recent = context.request.recentDrills?.find((r) => r.drill === drill.id);
  // Where all have had their time, they take turns.
  const time = times === 0 ? 0 : times < STAYS.most ? WEIGHTS.settled : WEIGHTS.stale * Math.floor(times / STAYS.most);
  const again = times >= STAYS.least && context.before.has(drill.id) ? WEIGHTS.again : 0;
  return (
    suits(drill, finding, context) +
    time +
    again +
    (recent?.stuck ? WEIGHTS.stuck : 0) +
    (context.kept.has(drill.id) ? WEIGHTS.kept : 0) +
    (context.request.library?.first.includes(drill.id) ? WEIGHTS.first : 0) +
    WEIGHTS.aid * drill.aids.length
  );
}

/** The drills, best first; equals in the order of their ids. */
const ranked = (drills: readonly Drill[], finding: FindingId, context: Context): Drill[] => {
  const score = new Map(drills.map((d) => [d.id, scoreOf(d, finding, context)]));
  return [...drills].sort((a, b) => score.get(b.id)! - score.get(a.id)! || (a.id < b.id ? -1 : 1));
};

/** Direct drills of a finding on a rung that may be done on a day, best first. */
export function directOn(finding: FindingId, rung: Rung, context: Context): Drill[] {
  if (rung > PLACE_TOP[context.day.place]) return [];
  const library = libraryOf(context.request);
  const ids = drillsAt(library.ladder(finding, context.request.athlete.discipline), rung);
  return ranked(
    ids.map(library.drill).filter((d) => whyNot(d, context) === null),
    finding,
    context,
  );
}

/** The highest rung up to one on which there is direct work for the day; null when there is none. */
export function workRung(finding: FindingId, upTo: Rung, context: Context): Rung | null {
  for (let rung = Math.min(upTo, 6); rung >= 0; rung--)
    if (directOn(finding, rung as Rung, context).length > 0) return rung as Rung;
  return null;
}

/** General drills of a part that may be done on a day, those used least first, then in the order of the catalogue. */
export function generalFor(part: GeneralPart, context: Context): Drill[] {
  const fitting = libraryOf(context.request).drills.filter((d) => d.part === part && whyNot(d, context) === null);
  const turn = (d: Drill) =>
    (context.used.get(d.id) ?? 0) + (context.before.has(d.id) ? 0.5 : 0) - (context.kept.has(d.id) ? 100 : 0);
  return [...fitting].sort((a, b) => turn(a) - turn(b));
}
