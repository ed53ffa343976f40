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
import { SECOND_WAYS } from './second-ways';
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
  ...SECOND_WAYS,
  ...DAY_WORK,
  ...WHOLE_WORK,
];

const BY_ID = new Map(DRILLS.map((drill) => [drill.id, drill]));

/** An academy’s copy of a drill names its original before this sign, and itself after it. */
const COPY_SIGN = '~';
const COPY = /^[a-z0-9-]+~[a-z0-9]{1,20}$/;

export const isCopy = (id: string): boolean => COPY.test(id);
export const copyId = (drill: string, own: string): string => `${baseOf(drill)}${COPY_SIGN}${own}`;
/** The drill of the catalogue that an id names or is a copy of. */
export const baseOf = (id: string): string => (isCopy(id) ? id.slice(0, id.indexOf(COPY_SIGN)) : id);

/** Whether an id is of the catalogue, or of a copy of one of its drills. */
export const hasDrill = (id: string): boolean => BY_ID.has(baseOf(id));

/**
 * A drill as the catalogue has it; for a copy its original, under the copy’s id: what both load and strain is the same.
 * @throws RangeError for an unknown id
 */
export function drillById(id: string): Drill {
  const drill = BY_ID.get(baseOf(id));
  if (!drill) throw new RangeError(`unknown drill “${id}”`);
  return drill.id === id ? drill : { ...drill, id };
}
