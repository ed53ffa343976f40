import type { ArmAngles, BodyAngles, LegAngles, SegmentAngles } from './body';

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
export const GATHERED: ArmAngles = { elevation: 28, plane: 42, rotation: 12, elbow: 118 };

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

/** A pose with everything unsaid at rest. */
export const pose = (given: Given): Pose => ({
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

/** A pose that differs from another in what is said. */
export const vary = (base: Pose, given: Given): Pose => ({
  angles: {
    pelvis: { ...base.angles.pelvis, ...given.pelvis },
    trunk: { ...base.angles.trunk, ...given.trunk },
    driveLeg: { ...base.angles.driveLeg, ...given.drive },
    leadLeg: { ...base.angles.leadLeg, ...given.lead },
    throwingArm: { ...base.angles.throwingArm, ...given.throwing },
    gloveArm: { ...base.angles.gloveArm, ...given.glove },
  },
  standsOn: given.standsOn === undefined ? base.standsOn : given.standsOn,
  at: given.at ?? base.at,
  airborne: given.airborne ?? base.airborne,
  support: given.support ?? base.support,
});
