import type { Drill } from '../types';
import { LIMIT_WORK } from './limits';
import { LOWER_HALF_DRY } from './lower-half-dry';
import { BASE_AND_LIFT, LANDING, MOVE } from './lower-half-more';
import { LOWER_HALF_THROWS } from './lower-half-throws';
import { PREPARATION } from './preparation';
import { DAY_WORK, WHOLE_WORK } from './shared';
import { THOUGHTS } from './thoughts';
import { TRUNK_AND_ARM } from './trunk-and-arm';
import { ARM_MORE, TRUNK_MORE } from './trunk-and-arm-more';
import { WINDMILL } from './windmill';
import { WINDMILL_MORE } from './windmill-more';

export const DRILLS: readonly Drill[] = [
  ...PREPARATION,
  ...LIMIT_WORK,
  ...THOUGHTS,
  ...LOWER_HALF_DRY,
  ...BASE_AND_LIFT,
  ...MOVE,
  ...LANDING,
  ...LOWER_HALF_THROWS,
  ...TRUNK_AND_ARM,
  ...TRUNK_MORE,
  ...ARM_MORE,
  ...WINDMILL,
  ...WINDMILL_MORE,
  ...DAY_WORK,
  ...WHOLE_WORK,
];

const BY_ID = new Map(DRILLS.map((drill) => [drill.id, drill]));

export const hasDrill = (id: string): boolean => BY_ID.has(id);

/** @throws RangeError for an unknown id */
export function drillById(id: string): Drill {
  const drill = BY_ID.get(id);
  if (!drill) throw new RangeError(`unknown drill “${id}”`);
  return drill;
}
