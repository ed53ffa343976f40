import { jointsAt, translated } from './body';
import type { JointPositions, Proportions, Vector } from './body';
import type { Discipline } from './links';
import type { Pose, Support } from './pose';
import { POSES } from './poses';
import type { PoseId } from './poses';

const WINDMILL_FOR: Partial<Record<PoseId, PoseId>> = {
  'overhand-set': 'windmill-set',
  'overhand-lift': 'windmill-load',
  'overhand-move': 'windmill-push',
  'overhand-sit': 'windmill-sit',
  'overhand-land': 'windmill-land',
  'overhand-turn': 'windmill-square-turn',
  'stride-low': 'windmill-stride-low',
  'stride-long': 'windmill-stride-long',
  'land-bent': 'windmill-land-bent',
  'land-braced': 'windmill-braced',
  'land-tall': 'windmill-land',
  'land-short-arm': 'windmill-nine',
  'stand-front-leg': 'windmill-tall',
  'land-tall-wall': 'windmill-braced',
  'land-closed': 'windmill-land',
  'overhand-release': 'windmill-whip',
  'overhand-finish': 'windmill-finish',
};

/** The pose as this discipline strikes it. */
export const poseFor = (id: PoseId, discipline: Discipline): PoseId =>
  discipline === 'windmill' ? (WINDMILL_FOR[id] ?? id) : id;

const poseOf = (given: PoseId | Pose): Pose => (typeof given === 'string' ? POSES[given] : given);

/** Where the middle of the hips is for a pose to stand where it should, metres. */
function originOf({ angles, standsOn, at, airborne }: Pose, size: Proportions, heightM: number): Vector {
  const joints = jointsAt(angles, size);
  const lowest = Math.min(...Object.values(joints).map((p) => p[2]));
  const ankle = standsOn === null ? 0 : joints[`${standsOn}-ankle`][0];
  return [at * heightM - ankle, 0, airborne * heightM - lowest];
}

const lerp = (a: number, b: number, t: number): number => a + (b - a) * t;

function lerpAll<T extends object>(a: T, b: T, t: number): T {
  return Object.fromEntries(
    Object.entries(a).map(([key, value]: [string, unknown]) => {
      const other = (b as Record<string, unknown>)[key];
      return [key, typeof value === 'number' ? lerp(value, other as number, t) : lerpAll(value as object, other as object, t)];
    }),
  ) as T;
}

/** Eases like a body: starts and ends at rest. */
const ease = (t: number): number => t * t * (3 - 2 * t);

/** How far along a movement its loop is: two thirds forward with a rest at the end, one third back. @param t 0 to 1 */
export function thereAndBack(t: number): number {
  const whole = ((t % 1) + 1) % 1;
  return whole < 0.6 ? whole / 0.6 : whole < 0.72 ? 1 : 1 - ease((whole - 0.72) / 0.28);
}

export interface FigureFrame {
  readonly joints: JointPositions;
  readonly support: Support;
}

/**
 * A figure part-way through a sequence of poses that goes there, rests, and comes back without a jump.
 * @param t position in the loop, 0 to 1
 */
export function figureAt(poses: readonly (PoseId | Pose)[], t: number, size: Proportions, heightM: number): FigureFrame {
  const spans = poses.length - 1;
  const along = spans === 0 ? 0 : thereAndBack(t);
  const at = Math.min(along * spans, spans);
  const i = Math.min(Math.floor(at), Math.max(0, spans - 1));
  const from = poseOf(poses[i]!);
  const to = poseOf(poses[Math.min(i + 1, spans)]!);
  const local = ease(at - i);
  const a = originOf(from, size, heightM);
  const b = originOf(to, size, heightM);
  const origin: Vector = [lerp(a[0], b[0], local), lerp(a[1], b[1], local), lerp(a[2], b[2], local)];
  const joints = translated(jointsAt(lerpAll(from.angles, to.angles, local), size), origin);
  // Between two poses nothing may sink into the ground.
  const lowest = Math.min(...Object.values(joints).map((p) => p[2]));
  return { joints: lowest < 0 ? translated(joints, [0, 0, -lowest]) : joints, support: local < 0.5 ? from.support : to.support };
}
