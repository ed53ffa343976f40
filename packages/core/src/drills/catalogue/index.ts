import type { Drill } from '../types';
import { ARM } from './arm';
import { DAY_WORK } from './day-work';
import { LANDING } from './landing';
import { BASE_AND_LIFT } from './lift';
import { LIMIT_WORK } from './limits';
import { LOWER_HALF_DRY } from './lower-half-dry';
import { LOWER_HALF_THROWS } from './lower-half-throws';
import { MOVE } from './move';
import { PREPARATION } from './preparation';
import { STRIDE } from './stride';
import { THOUGHTS } from './thoughts';
import { TRUNK } from './trunk';
import { TRUNK_AND_ARM } from './trunk-and-arm';
import { WHOLE_WORK } from './whole-work';
import { WINDMILL } from './windmill';
import { WINDMILL_CIRCLE } from './windmill-circle';
import { WINDMILL_CLOSE } from './windmill-close';
import { WINDMILL_LEGS } from './windmill-legs';

export const DRILLS: readonly Drill[] = [
  ...PREPARATION,
  ...LIMIT_WORK,
  ...THOUGHTS,
  ...LOWER_HALF_DRY,
  ...BASE_AND_LIFT,
  ...MOVE,
  ...STRIDE,
  ...LANDING,
  ...LOWER_HALF_THROWS,
  ...TRUNK_AND_ARM,
  ...TRUNK,
  ...ARM,
  ...WINDMILL,
  ...WINDMILL_LEGS,
  ...WINDMILL_CIRCLE,
  ...WINDMILL_CLOSE,
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
