import type { AthleteWork } from '@wrightonic/contract';
import { drillById, hasDrill, isLegWork, taughtItem } from '@wrightonic/core';
import type { Drill, PlanItem } from '@wrightonic/core';
import { doseOf, effortsOf } from '../dose';
import { tallyOf } from '../run-state';
import type { RunState, Tally } from '../run-state';

/** Where one of a group stands: what they do next, how, and why they are passed over. */
export interface Turn {
  readonly id: string;
  readonly name: string;
  readonly item: PlanItem | null;
  readonly tally: Tally;
  readonly wanted: number;
  /** Percent of full effort that is asked for; 0 without a ball. */
  readonly effort: number;
  /** Why they do not go now, or null. */
  readonly passed: string | null;
}

const NOTHING: Tally = { good: 0, close: 0, off: 0, reps: 0 };

/** Why a drill that is not planned for somebody is not for them at all, or null. */
function notFor(drill: Drill, overview: AthleteWork): string | null {
  if (!drill.disciplines.includes(overview.athlete.discipline))
    return `${drill.name} is no drill of the ${overview.athlete.discipline} delivery.`;
  if (overview.age < drill.minAge) return `${drill.name} is from ${drill.minAge} on; ${overview.age} is too young.`;
  if (overview.age > drill.maxAge) return `${drill.name} is for up to ${drill.maxAge}.`;
  return null;
}

/**
 * @param items today's items of the athlete, in order; empty without a plan
 * @param drill one drill for all, or null when each does their own work
 * @param look how drills are found, the academy's own among them
 */
export function turnOf(
  overview: AthleteWork,
  state: RunState,
  items: readonly PlanItem[],
  drill: string | null,
  look: (id: string) => Drill = drillById,
): Turn {
  const { id } = overview;
  const { name } = overview.athlete;
  const isThrow = (item: PlanItem) => look(item.drill).throws !== 'none';
  const wantedOf = (item: PlanItem) => doseOf(item, isThrow(item), state.dose.share);
  const shut = (item: PlanItem) => (isThrow(item) ? state.dryOnly : isLegWork(look(item.drill)) ? state.legsClosed : null);
  const open = items.filter((item) => tallyOf(state.reps, item.drill).reps < wantedOf(item));
  const item =
    drill === null
      ? // What is closed to them is passed over for the next thing that is not.
        (open.find((i) => shut(i) === null) ?? open[0] ?? null)
      : (items.find((i) => i.drill === drill) ?? (hasDrill(drill) ? taughtItem(look(drill)) : null));
  if (item === null)
    return {
      id,
      name,
      item,
      tally: NOTHING,
      wanted: 0,
      effort: 0,
      passed: items.length === 0 ? 'Nothing is planned.' : 'The day’s work is done.',
    };
  const planned = items.some((i) => i.drill === item.drill);
  const tally = tallyOf(state.reps, item.drill);
  const wanted = wantedOf(item);
  const done = tally.reps >= wanted ? `Their ${wanted} reps are done.` : null;
  return {
    id,
    name,
    item,
    tally,
    wanted,
    effort: isThrow(item) ? effortsOf(item.effort, state.highestEffort)[0]! : 0,
    passed: (planned ? null : notFor(look(item.drill), overview)) ?? shut(item) ?? done,
  };
}

/** Drills that a line may do together: those planned today, the one that most have first. */
export function drillsOf(itemsOf: readonly (readonly PlanItem[])[]): { readonly drill: string; readonly athletes: number }[] {
  const counts = new Map<string, number>();
  for (const items of itemsOf)
    for (const drill of new Set(items.map((i) => i.drill))) counts.set(drill, (counts.get(drill) ?? 0) + 1);
  return [...counts].map(([drill, athletes]) => ({ drill, athletes })).sort((a, b) => b.athletes - a.athletes);
}
