/** Never the same session twice running at one place. */
import { drillById } from '../drills/catalogue';
import { generalFor } from './choose';
import { itemOf, redose } from './dose';
import type { Draft } from './draft';
import type { PlanItem, PlanSession } from './types';

const shape = (items: readonly PlanItem[]): string =>
  items
    .filter((i) => drillById(i.drill).part !== 'pulse')
    .map((i) => [i.drill, i.sets, i.reps, i.effort.join('-'), i.aids.join()].join('|'))
    .sort()
    .join('\n');

/** Whether a session holds the same as another, but for what raises the pulse. */
export const sameAs = (items: readonly PlanItem[], last: PlanSession): boolean => shape(items) === shape(last.items);

/**
 * Never the same as the last session at this place: another dose where nothing else differs.
 * @param dryOnly the throws stay as they are
 */
export function differ(draft: Draft, last: PlanSession | null, dryOnly = false): void {
  if (!last || !sameAs(draft.items, last)) return;
  if (dryOnly && swapGeneral(draft)) return;
  for (const item of draft.items.filter((i) => i.role === 'main' || i.role === 'arm-work' || i.role === 'prepare')) {
    if (drillById(item.drill).part === 'pulse' || (dryOnly && item.throws > 0)) continue;
    if (draft.grow(item, item.sets + 1)) return;
    if (item.throws === 0 && draft.grow(item, item.sets, item.reps + 2)) return;
    if (item.sets > 1 && draft.grow(item, item.sets - 1)) return;
    if (item.reps > 6 && draft.grow(item, item.sets, item.reps - 2)) return;
  }
  if (dryOnly) trade(draft);
}

/** Another drill of the same part for the arm’s own work or the whole throws, as many throws as before. */
function swapGeneral(draft: Draft): boolean {
  for (const item of draft.items.filter((i) => i.role === 'arm-work' || i.role === 'carry-over')) {
    const { part } = drillById(item.drill);
    const other =
      part === null ? undefined : generalFor(part, draft.context).find((d) => !draft.has(d.id) && d.rungs.includes(item.rung));
    if (!other || other.effort[0] > item.effort[1]) continue;
    const { role, focus, rung, sets, reps, why } = item;
    const effort = [Math.max(item.effort[0], other.effort[0]), item.effort[1]] as const;
    const carried = role === 'carry-over' ? { cue: item.cue, success: item.success } : {};
    const wanted = { drill: other, role, focus, rung, sets, reps, why, effort, ...carried };
    draft.items[draft.items.indexOf(item)] = itemOf(
      carried.cue === undefined || item.distanceM === undefined ? wanted : { ...wanted, distanceM: item.distanceM },
      draft.context,
    );
    return true;
  }
  return false;
}

/** A set less of the drill and one more of the whole throws, or the other way round. */
function trade(draft: Draft): void {
  const main = draft.items.find((i) => i.role === 'main' && i.throws > 0);
  const whole = draft.items.find((i) => i.role === 'carry-over');
  if (!main || !whole || main.reps !== whole.reps) return;
  const { request, day } = draft.context;
  const [less, more] = main.sets > 1 ? [main, whole] : [whole, main];
  if (less.sets < 2) return;
  draft.items[draft.items.indexOf(less)] = redose(less, request, less.sets - 1, less.reps, day.place);
  draft.items[draft.items.indexOf(more)] = redose(more, request, more.sets + 1, more.reps, day.place);
}
