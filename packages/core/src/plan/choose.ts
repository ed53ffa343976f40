import { DRILLS } from '../drills/catalogue';
import { isLegWork } from '../drills/types';
import type { Drill, Place, Rung } from '../drills/types';
import { ARROWS } from '../findings/arrows';
import { findingById } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { HARD_EFFORT } from '../load/tables';
import type { Schools } from '../shared/schools';
import type { PlanRequest } from './types';

/** Terms of a drill's score. Provenance `house`. */
const WEIGHTS = { cause: 0.5, consequence: 0.4, general: 0.6, school: 0.15, settled: 0.15, stale: -0.35 } as const;
/** A drill stays for two to four sessions. */
const STAYS_UP_TO = 4;

export interface Choice {
  readonly drill: Drill;
  readonly rung: Rung;
  readonly score: number;
  /** The terms that made the choice, strongest first, in words. */
  readonly terms: readonly string[];
}

export interface ChoiceContext {
  readonly request: PlanRequest;
  readonly schools: Schools;
  readonly age: number;
  readonly place: Place;
  readonly canThrow: boolean;
  /** High effort is open today. */
  readonly hardOpen: boolean;
  /** Percent of full effort, at most. */
  readonly highestEffort: number;
  /** Pain has closed leg work. */
  readonly legsClosed: boolean;
  /** Sessions each drill has been used in. */
  readonly used: ReadonlyMap<string, number>;
  readonly inSession: ReadonlySet<string>;
}

/** Whether the drill may be done at all here: discipline, place, kit, partner, age, what is likely, and whether balls may fly. */
export function mayDo(drill: Drill, context: ChoiceContext): string | null {
  const { request, age, place } = context;
  if (!drill.disciplines.includes(request.athlete.discipline)) return 'it belongs to the other discipline';
  if (!drill.place.includes(place)) return `it is not done at the ${place}`;
  const missing = drill.equipment.filter((kit) => !request.equipment.includes(kit));
  if (missing.length > 0) return `it needs ${missing.join(' and ')}`;
  if (drill.partner && !request.partner) return 'it needs a partner';
  if (age < drill.minAge) return `it is for ages from ${drill.minAge}`;
  const against = drill.notWhile.find(
    (finding) => request.flags.includes(finding) || request.focus.some((f) => f.finding === finding),
  );
  if (against) return `it is not for now, while “${findingById(against).title.toLowerCase()}” is likely`;
  if (drill.throws !== 'none' && !context.canThrow) return 'there is no room for throws';
  if (drill.effort[0] >= HARD_EFFORT && !context.hardOpen) return 'there is no room for hard throws';
  if (drill.throws !== 'none' && drill.effort[0] > context.highestEffort) return 'its effort is above what is allowed';
  if (isLegWork(drill) && context.legsClosed) return 'leg work is closed after pain';
  return null;
}

const arrowBetween = (cause: FindingId, consequence: FindingId): boolean =>
  ARROWS.some((a) => a.cause === cause && a.consequence === consequence);

/** How much a drill treats a finding: itself, a cause behind it, or what follows from it. */
export function treatmentOf(drill: Drill, finding: FindingId): { weight: number; words: string } | null {
  let best: { weight: number; words: string } | null = null;
  const offer = (weight: number, words: string) => {
    if (weight > 0 && (!best || weight > best.weight)) best = { weight, words };
  };
  for (const treated of drill.treats) {
    if (treated.finding === finding) offer(treated.weight, `works on the focus itself (${treated.weight})`);
    else if (arrowBetween(treated.finding, finding))
      offer(WEIGHTS.cause * treated.weight, `works on a cause behind it, “${findingById(treated.finding).title.toLowerCase()}”`);
    else if (arrowBetween(finding, treated.finding))
      offer(WEIGHTS.consequence * treated.weight, `works where it shows, “${findingById(treated.finding).title.toLowerCase()}”`);
  }
  return best;
}

function schoolTerms(drill: Drill, schools: Schools): { score: number; words: string | null } {
  let score = 0;
  let words: string | null = null;
  for (const [question, answers] of Object.entries(drill.schools)) {
    const mine = schools[question as keyof Schools];
    if ((answers as readonly string[]).includes(mine)) {
      score += WEIGHTS.school;
      words = `fits the “${mine}” school`;
    } else score -= WEIGHTS.school;
  }
  return { score, words };
}

/** The best drill on a rung for a finding, or null. */
export function chooseDrill(finding: FindingId, rung: Rung, context: ChoiceContext): Choice | null {
  let best: Choice | null = null;
  for (const drill of DRILLS) {
    if (!drill.rungs.includes(rung) || context.inSession.has(drill.id) || mayDo(drill, context) !== null) continue;
    const treatment = treatmentOf(drill, finding);
    const treat =
      treatment ??
      (drill.general && rung >= 6 ? { weight: WEIGHTS.general, words: 'carries the focus into the full delivery' } : null);
    if (!treat) continue;
    const times = context.used.get(drill.id) ?? 0;
    const settled = times > 0 && times < STAYS_UP_TO;
    const school = schoolTerms(drill, context.schools);
    const score = treat.weight + school.score + (settled ? WEIGHTS.settled : times >= STAYS_UP_TO ? WEIGHTS.stale : 0);
    const terms = [
      treat.words,
      ...(school.words ? [school.words] : []),
      ...(settled ? [`session ${times + 1} with it, so it can settle`] : times === 0 ? ['new at this rung'] : []),
    ];
    if (!best || score > best.score + 1e-9 || (Math.abs(score - best.score) <= 1e-9 && drill.id < best.drill.id))
      best = { drill, rung, score, terms };
  }
  return best;
}

/** The best drill at or below a rung: where place or kit does not reach the rung, the work goes on lower. */
export function chooseAtOrBelow(finding: FindingId, rung: Rung, context: ChoiceContext): Choice | null {
  for (let r = rung; r >= 0; r--) {
    const choice = chooseDrill(finding, r as Rung, context);
    if (choice) return choice;
  }
  return null;
}
