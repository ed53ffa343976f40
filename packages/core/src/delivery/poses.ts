import type { Discipline, Link } from './links';
import { jointsAt, translated } from './body';
import type { ArmAngles, BodyAngles, JointPositions, LegAngles, Proportions, SegmentAngles, Vector } from './body';

/** What holds the body up or guides it, drawn with the figure. */
export type Support = 'wall' | 'strap' | 'box' | 'ground';

export interface Pose {
  readonly angles: BodyAngles;
  /** Foot whose ankle stands at x = at · height; without one the body lies or sits and its lowest point touches the ground. */
  readonly standsOn: 'drive' | 'lead' | null;
  readonly at: number;
  /** Height of the lowest point above the ground, share of height. */
  readonly airborne: number;
  readonly support: Support;
}

const LEG: LegAngles = { flexion: 8, abduction: 4, rotation: 0, knee: 10, ankle: 0 };
const ARM: ArmAngles = { elevation: 12, plane: 20, rotation: 0, elbow: 20 };
const UPRIGHT: SegmentAngles = { rotation: 0, forward: 0, side: 0 };
/** Hands together in front of the chest. */
const GATHERED: ArmAngles = { elevation: 28, plane: 42, rotation: 12, elbow: 118 };

interface Given {
  pelvis?: Partial<SegmentAngles>;
  trunk?: Partial<SegmentAngles>;
  drive?: Partial<LegAngles>;
  lead?: Partial<LegAngles>;
  throwing?: Partial<ArmAngles>;
  glove?: Partial<ArmAngles>;
  standsOn?: 'drive' | 'lead' | null;
  at?: number;
  airborne?: number;
  support?: Support;
}

const pose = (given: Given): Pose => ({
  angles: {
    pelvis: { ...UPRIGHT, ...given.pelvis },
    trunk: { ...UPRIGHT, ...given.trunk },
    driveLeg: { ...LEG, ...given.drive },
    leadLeg: { ...LEG, ...given.lead },
    throwingArm: { ...ARM, ...given.throwing },
    gloveArm: { ...ARM, ...given.glove },
  },
  standsOn: given.standsOn === undefined ? 'drive' : given.standsOn,
  at: given.at ?? 0,
  airborne: given.airborne ?? 0,
  support: given.support ?? 'ground',
});

const square = { rotation: 90 } as const;

/** All poses, in degrees, for either discipline: positions of a delivery and of the drills. */
export const POSES = {
  'overhand-set': pose({ pelvis: { rotation: -5 }, trunk: { rotation: -5 }, throwing: GATHERED, glove: GATHERED }),
  'overhand-lift': pose({
    pelvis: { rotation: -18, side: 4 },
    trunk: { rotation: -18 },
    drive: { knee: 14, flexion: 8 },
    lead: { flexion: 98, abduction: -4, knee: 92, ankle: 20 },
    throwing: GATHERED,
    glove: GATHERED,
  }),
  'overhand-move': pose({
    pelvis: { rotation: -6, side: 6 },
    trunk: { rotation: -10, side: 2 },
    drive: { flexion: 30, abduction: 24, knee: 46, rotation: 8 },
    lead: { flexion: 32, abduction: 34, knee: 40, ankle: 10 },
    throwing: { elevation: 48, plane: -8, rotation: -40, elbow: 44 },
    glove: { elevation: 58, plane: 18, rotation: 0, elbow: 50 },
    at: 0,
  }),
  'overhand-sit': pose({
    pelvis: { rotation: -8, forward: 16 },
    trunk: { rotation: -12, forward: 20, side: 4 },
    drive: { flexion: 62, abduction: 18, knee: 66, rotation: 6 },
    lead: { flexion: 44, abduction: 36, knee: 40 },
    throwing: { elevation: 46, plane: -6, rotation: -30, elbow: 50 },
    glove: { elevation: 56, plane: 20, elbow: 60 },
  }),
  'overhand-land': pose({
    pelvis: { rotation: 48 },
    trunk: { rotation: 4, forward: 2, side: 4 },
    drive: { flexion: -14, abduction: 36, knee: 34, rotation: 12, ankle: 42 },
    lead: { flexion: 46, abduction: 34, knee: 44, ankle: 2, rotation: -8 },
    throwing: { elevation: 88, plane: -14, rotation: 62, elbow: 92 },
    glove: { elevation: 84, plane: 14, rotation: 10, elbow: 34 },
    standsOn: 'lead',
    at: 0.8,
  }),
  'overhand-turn': pose({
    pelvis: { rotation: 78 },
    trunk: { rotation: 64, forward: 2, side: -6 },
    drive: { flexion: -26, abduction: 26, knee: 40, ankle: 52 },
    lead: { flexion: 52, abduction: 8, knee: 46 },
    throwing: { elevation: 94, plane: 2, rotation: 148, elbow: 96 },
    glove: { elevation: 50, plane: 20, rotation: -10, elbow: 100 },
    standsOn: 'lead',
    at: 0.8,
  }),
  'overhand-release': pose({
    pelvis: { rotation: 92, forward: 10 },
    trunk: { rotation: 98, forward: 32, side: 18 },
    drive: { flexion: -38, abduction: 10, knee: 58, ankle: 58 },
    lead: { flexion: 46, abduction: 2, knee: 26 },
    throwing: { elevation: 100, plane: 34, rotation: 62, elbow: 26 },
    glove: { elevation: 30, plane: 30, rotation: 0, elbow: 118 },
    standsOn: 'lead',
    at: 0.8,
  }),
  'overhand-finish': pose({
    pelvis: { rotation: 108, forward: 30 },
    trunk: { rotation: 122, forward: 62, side: 8 },
    drive: { flexion: -30, abduction: 18, knee: 76, ankle: 40 },
    lead: { flexion: 52, abduction: 0, knee: 14 },
    throwing: { elevation: 62, plane: 118, rotation: 0, elbow: 18 },
    glove: { elevation: 20, plane: 0, elbow: 90 },
    standsOn: 'lead',
    at: 0.8,
  }),
  'windmill-set': pose({
    pelvis: square,
    trunk: { rotation: 90, forward: 6 },
    drive: { flexion: 10, knee: 12 },
    lead: { flexion: -14, knee: 14, ankle: 30 },
    throwing: { ...GATHERED, elevation: 22 },
    glove: { ...GATHERED, elevation: 22 },
  }),
  'windmill-load': pose({
    pelvis: { rotation: 88, forward: 24 },
    trunk: { rotation: 86, forward: 38 },
    drive: { flexion: 52, knee: 52 },
    lead: { flexion: 2, knee: 34, ankle: 34 },
    throwing: { elevation: 50, plane: -86, rotation: 0, elbow: 10 },
    glove: { elevation: 40, plane: 88, elbow: 20 },
  }),
  'windmill-push': pose({
    pelvis: { rotation: 68, forward: 6 },
    trunk: { rotation: 52, forward: 8 },
    drive: { flexion: -24, abduction: 10, knee: 12, ankle: 46 },
    lead: { flexion: 62, abduction: 18, knee: 40, ankle: 10 },
    throwing: { elevation: 168, plane: 70, rotation: 0, elbow: 12 },
    glove: { elevation: 92, plane: 62, elbow: 12 },
    at: 0,
  }),
  'windmill-land': pose({
    pelvis: { rotation: 22 },
    trunk: { rotation: 10, side: 4 },
    drive: { flexion: 2, abduction: 40, knee: 26, rotation: 10, ankle: 42 },
    lead: { flexion: 26, abduction: 40, knee: 24, ankle: 8, rotation: -14 },
    throwing: { elevation: 118, plane: 0, rotation: -20, elbow: 22 },
    glove: { elevation: 76, plane: 8, elbow: 14 },
    standsOn: 'lead',
    at: 0.82,
  }),
  'windmill-whip': pose({
    pelvis: { rotation: 46, forward: 2 },
    trunk: { rotation: 42, forward: 4, side: 2 },
    drive: { flexion: 6, abduction: 26, knee: 46, rotation: 16, ankle: 48 },
    lead: { flexion: 22, abduction: 18, knee: 16, rotation: -8 },
    throwing: { elevation: 20, plane: -30, rotation: -10, elbow: 32 },
    glove: { elevation: 40, plane: 30, elbow: 40 },
    standsOn: 'lead',
    at: 0.82,
  }),
  'windmill-finish': pose({
    pelvis: { rotation: 66 },
    trunk: { rotation: 66, forward: 4 },
    drive: { flexion: 14, abduction: 4, knee: 40, rotation: 8, ankle: 40 },
    lead: { flexion: 10, abduction: 4, knee: 6 },
    throwing: { elevation: 66, plane: 88, rotation: 30, elbow: 84 },
    glove: { elevation: 26, plane: 40, elbow: 70 },
    standsOn: 'lead',
    at: 0.82,
  }),
  'windmill-kneel-top': pose({
    pelvis: { rotation: 30 },
    trunk: { rotation: 16 },
    drive: { flexion: 4, abduction: 4, knee: 92, ankle: 60 },
    lead: { flexion: 82, abduction: 20, knee: 84 },
    throwing: { elevation: 160, plane: 20, elbow: 10 },
    glove: { elevation: 80, plane: 20, elbow: 12 },
    standsOn: 'lead',
    at: 0.35,
  }),
  'windmill-kneel-release': pose({
    pelvis: { rotation: 48 },
    trunk: { rotation: 44 },
    drive: { flexion: 4, abduction: 4, knee: 92, ankle: 60 },
    lead: { flexion: 82, abduction: 10, knee: 84 },
    throwing: { elevation: 18, plane: -10, elbow: 26 },
    glove: { elevation: 40, plane: 40, elbow: 50 },
    standsOn: 'lead',
    at: 0.35,
  }),
  'stand-tall': pose({ pelvis: { rotation: 60 }, trunk: { rotation: 60 } }),
  'reach-up': pose({
    pelvis: { rotation: 60 },
    trunk: { rotation: 60 },
    throwing: { elevation: 168, plane: 40, elbow: 8 },
    glove: { elevation: 168, plane: 40, elbow: 8 },
    support: 'wall',
  }),
  'single-leg-stand': pose({
    pelvis: { rotation: 50 },
    trunk: { rotation: 50 },
    lead: { flexion: 88, knee: 88 },
    throwing: { elevation: 40, elbow: 30 },
    glove: { elevation: 40, elbow: 30 },
  }),
  'single-leg-reach': pose({
    pelvis: { rotation: 50 },
    trunk: { rotation: 50, forward: 8 },
    drive: { knee: 24, flexion: 18 },
    lead: { flexion: 34, abduction: -16, knee: 10 },
    throwing: { elevation: 50, elbow: 20 },
    glove: { elevation: 50, elbow: 20 },
  }),
  'single-leg-hinge': pose({
    pelvis: { rotation: 70, forward: 62 },
    trunk: { rotation: 70, forward: 74 },
    drive: { flexion: 66, knee: 18 },
    lead: { flexion: -4, knee: 12 },
    throwing: { elevation: 66, plane: 84, elbow: 8 },
    glove: { elevation: 40, plane: 60, elbow: 30 },
  }),
  'single-leg-squat': pose({
    pelvis: { rotation: 70, forward: 20 },
    trunk: { rotation: 70, forward: 32 },
    drive: { flexion: 78, knee: 84 },
    lead: { flexion: 62, knee: 16 },
    throwing: { elevation: 70, plane: 84, elbow: 6 },
    glove: { elevation: 70, plane: 84, elbow: 6 },
    support: 'box',
  }),
  'squat-load': pose({
    pelvis: { rotation: 65, forward: 22 },
    trunk: { rotation: 65, forward: 36 },
    drive: { flexion: 70, knee: 74, abduction: 6 },
    lead: { flexion: 70, knee: 74, abduction: 6 },
    throwing: { elevation: 40, plane: -70, elbow: 10 },
    glove: { elevation: 40, plane: -70, elbow: 10 },
  }),
  'squat-wide': pose({
    pelvis: { rotation: 65, forward: 14 },
    trunk: { rotation: 65, forward: 26 },
    drive: { flexion: 46, knee: 50, abduction: 18 },
    lead: { flexion: 46, knee: 50, abduction: 24 },
    throwing: { elevation: 30, plane: 40, elbow: 90 },
    glove: { elevation: 30, plane: 40, elbow: 90 },
  }),
  'jump-flight': pose({
    pelvis: { rotation: 65, forward: 4 },
    trunk: { rotation: 65, forward: 8 },
    drive: { flexion: 6, knee: 12, ankle: 40 },
    lead: { flexion: 6, knee: 12, ankle: 40 },
    throwing: { elevation: 150, plane: 70, elbow: 10 },
    glove: { elevation: 150, plane: 70, elbow: 10 },
    airborne: 0.14,
  }),
  'lunge-high': pose({
    pelvis: { rotation: 70 },
    trunk: { rotation: 70, forward: 4 },
    drive: { flexion: -16, knee: 30, ankle: 30 },
    lead: { flexion: 44, knee: 40 },
    standsOn: 'lead',
    at: 0.35,
    throwing: { elevation: 22, plane: 10, elbow: 70 },
    glove: { elevation: 22, plane: 10, elbow: 70 },
  }),
  'lunge-low': pose({
    pelvis: { rotation: 70 },
    trunk: { rotation: 70, forward: 6 },
    drive: { flexion: -14, knee: 78, ankle: 40 },
    lead: { flexion: 80, knee: 86 },
    standsOn: 'lead',
    at: 0.35,
    throwing: { elevation: 22, plane: 10, elbow: 70 },
    glove: { elevation: 22, plane: 10, elbow: 70 },
  }),
  'half-kneel': pose({
    pelvis: { rotation: 70 },
    trunk: { rotation: 70 },
    drive: { flexion: -6, knee: 88, ankle: 60 },
    lead: { flexion: 88, knee: 90 },
    standsOn: 'lead',
    at: 0.35,
  }),
  'half-kneel-reach': pose({
    pelvis: { rotation: 70 },
    trunk: { rotation: 70, side: -10 },
    drive: { flexion: -20, knee: 96, ankle: 60 },
    lead: { flexion: 78, knee: 96 },
    standsOn: 'lead',
    at: 0.35,
    throwing: { elevation: 166, plane: 30, elbow: 8 },
  }),
  'wall-lean': pose({
    pelvis: { rotation: 80, forward: 18 },
    trunk: { rotation: 80, forward: 20 },
    drive: { flexion: 4, knee: 8, ankle: -4 },
    lead: { flexion: 50, knee: 50 },
    throwing: { elevation: 74, plane: 86, elbow: 16 },
    glove: { elevation: 74, plane: 86, elbow: 16 },
    support: 'wall',
  }),
  'wall-lean-long': pose({
    pelvis: { rotation: 80, forward: 26 },
    trunk: { rotation: 80, forward: 28 },
    drive: { flexion: 2, knee: 2, ankle: 6 },
    lead: { flexion: 58, knee: 56 },
    throwing: { elevation: 78, plane: 86, elbow: 6 },
    glove: { elevation: 78, plane: 86, elbow: 6 },
    support: 'wall',
  }),
  'wall-hip-fall': pose({
    pelvis: { rotation: -10, side: 10 },
    trunk: { rotation: -14, side: -6 },
    drive: { flexion: 12, abduction: 20, knee: 18 },
    lead: { flexion: 70, abduction: 6, knee: 80 },
    throwing: GATHERED,
    glove: GATHERED,
    support: 'wall',
  }),
  'strap-lean': pose({
    pelvis: { rotation: -10, side: 6 },
    trunk: { rotation: -14 },
    drive: { flexion: 14, abduction: 16, knee: 22 },
    lead: { flexion: 78, abduction: 2, knee: 84 },
    throwing: GATHERED,
    glove: GATHERED,
    support: 'strap',
  }),
  'walk-step': pose({
    pelvis: { rotation: 70 },
    trunk: { rotation: 64, forward: 4 },
    drive: { flexion: -10, knee: 20, ankle: 30 },
    lead: { flexion: 34, knee: 26 },
    throwing: { ...GATHERED },
    glove: { ...GATHERED },
    at: -0.2,
  }),
  'seated-tall': pose({
    pelvis: { rotation: 70 },
    trunk: { rotation: 70 },
    drive: { flexion: 88, knee: 88 },
    lead: { flexion: 88, knee: 88 },
    throwing: { elevation: 40, plane: 40, elbow: 130 },
    glove: { elevation: 40, plane: 40, elbow: 130 },
    support: 'box',
  }),
  'seated-turned': pose({
    pelvis: { rotation: 70 },
    trunk: { rotation: 20 },
    drive: { flexion: 88, knee: 88 },
    lead: { flexion: 88, knee: 88 },
    throwing: { elevation: 40, plane: 40, elbow: 130 },
    glove: { elevation: 40, plane: 40, elbow: 130 },
    support: 'box',
  }),
  'seated-90-90': pose({
    pelvis: { rotation: 75 },
    trunk: { rotation: 75, forward: 4 },
    drive: { flexion: 40, abduction: 60, knee: 90, rotation: 60 },
    lead: { flexion: 84, abduction: 20, knee: 90, rotation: -70 },
    standsOn: null,
    throwing: { elevation: 30, plane: 0, elbow: 6 },
    glove: { elevation: 30, plane: 20, elbow: 30 },
  }),
  'seated-90-90-turned': pose({
    pelvis: { rotation: 50 },
    trunk: { rotation: 44, forward: 4 },
    drive: { flexion: 40, abduction: 60, knee: 90, rotation: 70 },
    lead: { flexion: 84, abduction: 20, knee: 90, rotation: -70 },
    standsOn: null,
    throwing: { elevation: 30, plane: 0, elbow: 6 },
    glove: { elevation: 30, plane: 20, elbow: 30 },
  }),
  'all-fours': pose({
    pelvis: { rotation: 90, forward: 84 },
    trunk: { rotation: 90, forward: 84 },
    drive: { flexion: 88, knee: 88, ankle: 60 },
    lead: { flexion: 78, abduction: 56, knee: 4 },
    throwing: { elevation: 84, plane: 90, elbow: 4 },
    glove: { elevation: 84, plane: 90, elbow: 4 },
    standsOn: null,
  }),
  'all-fours-back': pose({
    pelvis: { rotation: 90, forward: 78 },
    trunk: { rotation: 90, forward: 88 },
    drive: { flexion: 114, knee: 122, ankle: 60 },
    lead: { flexion: 88, abduction: 58, knee: 4 },
    throwing: { elevation: 122, plane: 90, elbow: 4 },
    glove: { elevation: 122, plane: 90, elbow: 4 },
    standsOn: null,
  }),
  'side-plank': pose({
    pelvis: { rotation: 0, side: -72 },
    trunk: { rotation: 0, side: -72 },
    drive: { flexion: 2, abduction: 0, knee: 2 },
    lead: { flexion: 2, abduction: 0, knee: 2 },
    throwing: { elevation: 70, plane: 0, elbow: 90 },
    glove: { elevation: 90, plane: 0, elbow: 4 },
    standsOn: null,
  }),
  'side-plank-march': pose({
    pelvis: { rotation: 0, side: -72 },
    trunk: { rotation: 0, side: -72 },
    drive: { flexion: 2, abduction: 0, knee: 2 },
    lead: { flexion: 74, abduction: 0, knee: 80 },
    throwing: { elevation: 70, plane: 0, elbow: 90 },
    glove: { elevation: 90, plane: 0, elbow: 4 },
    standsOn: null,
  }),
} as const satisfies Record<string, Pose>;

export type PoseId = keyof typeof POSES;

const LINK_POSES: Record<Discipline, Record<Link, PoseId>> = {
  overhand: {
    set: 'overhand-set',
    lift: 'overhand-lift',
    move: 'overhand-move',
    land: 'overhand-land',
    turn: 'overhand-release',
    finish: 'overhand-finish',
  },
  windmill: {
    set: 'windmill-set',
    lift: 'windmill-load',
    move: 'windmill-push',
    land: 'windmill-land',
    turn: 'windmill-whip',
    finish: 'windmill-finish',
  },
};

export const linkPose = (link: Link, discipline: Discipline): PoseId => LINK_POSES[discipline][link];

const WINDMILL_FOR: Partial<Record<PoseId, PoseId>> = {
  'overhand-set': 'windmill-set',
  'overhand-lift': 'windmill-load',
  'overhand-move': 'windmill-push',
  'overhand-sit': 'windmill-load',
  'overhand-land': 'windmill-land',
  'overhand-turn': 'windmill-whip',
  'overhand-release': 'windmill-whip',
  'overhand-finish': 'windmill-finish',
};

/** The pose as this discipline strikes it. */
export const poseFor = (id: PoseId, discipline: Discipline): PoseId =>
  discipline === 'windmill' ? (WINDMILL_FOR[id] ?? id) : id;

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

export interface FigureFrame {
  readonly joints: JointPositions;
  readonly support: Support;
}

/**
 * A figure part-way through a sequence of poses that goes there, rests, and comes back without a jump.
 * @param t position in the loop, 0 to 1
 */
export function figureAt(poses: readonly PoseId[], t: number, size: Proportions, heightM: number): FigureFrame {
  const spans = poses.length - 1;
  const whole = ((t % 1) + 1) % 1;
  // Two thirds forward with a rest at the end, one third back.
  const along = spans === 0 ? 0 : whole < 0.6 ? whole / 0.6 : whole < 0.72 ? 1 : 1 - ease((whole - 0.72) / 0.28);
  const at = Math.min(along * spans, spans);
  const i = Math.min(Math.floor(at), Math.max(0, spans - 1));
  const from: Pose = POSES[poses[i]!];
  const to: Pose = POSES[poses[Math.min(i + 1, spans)]!];
  const local = ease(at - i);
  const a = originOf(from, size, heightM);
  const b = originOf(to, size, heightM);
  const origin: Vector = [lerp(a[0], b[0], local), lerp(a[1], b[1], local), lerp(a[2], b[2], local)];
  const joints = translated(jointsAt(lerpAll(from.angles, to.angles, local), size), origin);
  // Between two poses nothing may sink into the ground.
  const lowest = Math.min(...Object.values(joints).map((p) => p[2]));
  return { joints: lowest < 0 ? translated(joints, [0, 0, -lowest]) : joints, support: local < 0.5 ? from.support : to.support };
}
