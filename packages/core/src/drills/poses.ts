import { poseFor } from '../delivery/figure';
import type { PoseId } from '../delivery/poses';
import type { Discipline } from '../delivery/links';
import type { Drill } from './types';

/** The drill's pose sequence as this discipline strikes it. */
export const drillPoses = (drill: Drill, discipline: Discipline): PoseId[] => drill.poses.map((id) => poseFor(id, discipline));
