import type { Drill } from '../types';
import { FULL_DELIVERY } from './full-delivery';
import { LOWER_HALF_DRY } from './lower-half-dry';
import { LOWER_HALF_THROWS } from './lower-half-throws';
import { PREPARATION } from './preparation';
import { TRUNK_AND_ARM } from './trunk-and-arm';
import { WINDMILL } from './windmill';

export const DRILLS: readonly Drill[] = [
  ...PREPARATION,
  ...LOWER_HALF_DRY,
  ...LOWER_HALF_THROWS,
  ...TRUNK_AND_ARM,
  ...WINDMILL,
  ...FULL_DELIVERY,
];

const BY_ID = new Map(DRILLS.map((drill) => [drill.id, drill]));

export const hasDrill = (id: string): boolean => BY_ID.has(id);

/** @throws RangeError for an unknown id */
export function drillById(id: string): Drill {
  const drill = BY_ID.get(id);
  if (!drill) throw new RangeError(`unknown drill “${id}”`);
  return drill;
}
