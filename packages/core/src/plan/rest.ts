import { drillById } from '../drills/catalogue';
import { HARD_EFFORT } from '../load/tables';
import type { PlanItem } from './types';

/** Seconds between two sets. Provenance `house`. */
const REST_S = { dry: 30, throws: 60, hard: 90 } as const;

/**
 * Rest after a set of an item, seconds: as long as what it asks for wants.
 * @param effort percent of full effort asked for now
 */
export function restAfter({ drill }: Pick<PlanItem, 'drill'>, effort: number): number {
  if (drillById(drill).throws === 'none') return REST_S.dry;
  return effort >= HARD_EFFORT ? REST_S.hard : REST_S.throws;
}
