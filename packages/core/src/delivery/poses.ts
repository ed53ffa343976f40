import { DELIVERY_POSES } from './delivery-poses';
import { DRILL_POSES } from './drill-poses';
import type { Pose } from './pose';

/** All poses, in degrees, for either discipline. */
export const POSES = { ...DELIVERY_POSES, ...DRILL_POSES } satisfies Record<string, Pose>;

export type PoseId = keyof typeof POSES;
