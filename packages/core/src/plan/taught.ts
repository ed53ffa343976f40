import type { Drill } from '../drills/types';
import type { PlanItem } from './types';

/**
 * A drill as it is done by somebody whose plan does not have it today, shown to a whole group: its own usual dose on its lowest
 * rung, at the lowest effort, with every support that it knows.
 */
export function taughtItem(drill: Drill): PlanItem {
  const { sets, reps, holdS } = drill.dose;
  return {
    drill: drill.id,
    role: 'pinned',
    focus: null,
    rung: drill.rungs[0]!,
    sets,
    reps,
    ...(holdS === undefined ? {} : { holdS }),
    effort: [drill.effort[0], drill.effort[0]],
    ...(drill.distanceM === undefined ? {} : { distanceM: drill.distanceM }),
    throws: drill.throws === 'none' ? 0 : sets * reps,
    minutes: 0,
    cue: drill.cue.external,
    success: drill.success,
    aids: drill.aids.map((aid) => aid.kit),
    constraints: { add: [], remove: [] },
    why: 'Taught to the group today.',
  };
}
