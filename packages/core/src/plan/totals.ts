import { HARD_EFFORT } from '../load/tables';
import { sum } from '../shared/maths';
import type { PlanItem, PlanSession, Role } from './types';

const UNCOUNTED: ReadonlySet<Role> = new Set(['prepare', 'warm-throws', 'test']);

/** Whether an item takes one of the few places that attention has in a session. */
export const takesAPlace = (item: PlanItem): boolean => !UNCOUNTED.has(item.role);

/** Throws at ≥ 90 % that an item may hold. */
export const hardThrows = (item: PlanItem): number => (item.effort[1] >= HARD_EFFORT ? item.throws : 0);

/** Minutes, throws and hard throws of a session’s items. */
export const totalsOf = (items: readonly PlanItem[]): Pick<PlanSession, 'minutes' | 'throws' | 'highEffort'> => ({
  minutes: sum(items.map((i) => i.minutes)),
  throws: sum(items.map((i) => i.throws)),
  highEffort: sum(items.map(hardThrows)),
});
