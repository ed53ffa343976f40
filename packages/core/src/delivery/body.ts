/**
 * The jointed body: joint angles → joint positions, with proportions by height and age. All figures are this body.
 *
 * Frame (metres): x to the target, y to the glove side, z up; written for a right-hander, whose glove side is his left. A
 * left-hander is the same body mirrored in y, so stored angles mean the same for either hand.
 * Segment lengths: R. Drillis and R. Contini (1966), as shares of standing height; child proportions `house`.
 */
import { clamp } from '../shared/maths';

export type Vector = readonly [x: number, y: number, z: number];

/** A vector by its axes. */
export const vectorOf = (at: (axis: 0 | 1 | 2) => number): Vector => [at(0), at(1), at(2)];

/** Angles in degrees. Flexion forward, abduction away from the midline, rotation inward positive. */
export interface LegAngles {
  readonly flexion: number;
  readonly abduction: number;
  readonly rotation: number;
  readonly knee: number;
  /** Plantar flexion; 0 with the foot at a right angle to the shin. */
  readonly ankle: number;
}

/** Angles in degrees. Elevation 0 hanging, 90 level; plane 0 out to the side, 90 forward, −90 back. */
export interface ArmAngles {
  readonly elevation: number;
  readonly plane: number;
  /** Turn of the forearm about the upper arm: 0 bends forward, 90 up (laid back). */
  readonly rotation: number;
  readonly elbow: number;
}

export interface SegmentAngles {
  /** Turn to the target: 0 side-on, 90 square. */
  readonly rotation: number;
  readonly forward: number;
  /** Lead or glove side higher: positive. */
  readonly side: number;
}

export interface BodyAngles {
  readonly pelvis: SegmentAngles;
  readonly trunk: SegmentAngles;
  readonly driveLeg: LegAngles;
  readonly leadLeg: LegAngles;
  readonly throwingArm: ArmAngles;
  readonly gloveArm: ArmAngles;
}

export const JOINTS = [
  'head',
  'neck',
  'throwing-shoulder',
  'glove-shoulder',
  'throwing-elbow',
  'glove-elbow',
  'throwing-wrist',
  'glove-wrist',
  'throwing-hand',
  'glove-hand',
  'drive-hip',
  'lead-hip',
  'drive-knee',
  'lead-knee',
  'drive-ankle',
  'lead-ankle',
  'drive-heel',
  'lead-heel',
  'drive-toe',
  'lead-toe',
] as const;
export type Joint = (typeof JOINTS)[number];
export type JointPositions = Readonly<Record<Joint, Vector>>;

export interface Proportions {
  readonly thigh: number;
  readonly shank: number;
  readonly foot: number;
  readonly footHeight: number;
  readonly trunk: number;
  readonly hipWidth: number;
  readonly shoulderWidth: number;
  readonly upperArm: number;
  readonly forearm: number;
  readonly hand: number;
  readonly neck: number;
  readonly headRadius: number;
}

/** How a body of one height differs from the usual one, as shares: 0.04 is four per cent more. */
export interface Build {
  /** Longer legs take their length from the trunk. */
  readonly legs: number;
  readonly shoulders: number;
  readonly hips: number;
}
const USUAL_BUILD: Build = { legs: 0, shoulders: 0, hips: 0 };
/** Thigh and shank, shares of height. */
const LEG_SHARE = 0.245 + 0.246;

/** Segment lengths in metres. The young have bigger heads and shorter legs. */
export function proportionsFor(heightM: number, ageYears: number, build: Build = USUAL_BUILD): Proportions {
  const youth = clamp((16 - ageYears) / 10, 0, 1);
  const legs = heightM * (1 - 0.05 * youth) * (1 + build.legs);
  return {
    thigh: 0.245 * legs,
    shank: 0.246 * legs,
    foot: 0.13 * heightM,
    footHeight: 0.039 * heightM,
    trunk: (0.288 - LEG_SHARE * build.legs) * heightM,
    hipWidth: 0.105 * heightM * (1 + build.hips),
    shoulderWidth: 0.22 * heightM * (1 + build.shoulders),
    upperArm: 0.186 * heightM,
    forearm: 0.146 * heightM,
    hand: 0.06 * heightM,
    neck: 0.05 * heightM,
    headRadius: 0.062 * heightM * (1 + 0.22 * youth),
  };
}

const RAD = Math.PI / 180;
const add = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const scale = (v: Vector, k: number): Vector => [v[0] * k, v[1] * k, v[2] * k];
const mix = (a: Vector, ka: number, b: Vector, kb: number): Vector => add(scale(a, ka), scale(b, kb));
const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
/** `from` turned toward the perpendicular `to` by an angle. */
const turn = (from: Vector, to: Vector, degrees: number): Vector =>
  mix(from, Math.cos(degrees * RAD), to, Math.sin(degrees * RAD));

interface Frame {
  /** Toward the lead or glove side. */
  readonly lead: Vector;
  readonly front: Vector;
  readonly up: Vector;
}

function frameOf({ rotation, forward, side }: SegmentAngles): Frame {
  const r = rotation * RAD;
  const lead: Vector = [Math.cos(r), Math.sin(r), 0];
  const front: Vector = [Math.sin(r), -Math.cos(r), 0];
  const up: Vector = [0, 0, 1];
  // Lean forward about the lead axis, then raise the lead side about the front axis.
  const leantUp = turn(up, front, forward);
  const leantFront = turn(front, scale(up, -1), forward);
  return { lead: turn(lead, leantUp, side), front: leantFront, up: turn(leantUp, scale(lead, -1), side) };
}

function leg(hip: Vector, frame: Frame, outward: Vector, angles: LegAngles, size: Proportions) {
  const down = scale(frame.up, -1);
  const swung = turn(down, frame.front, angles.flexion);
  const forward = turn(frame.front, frame.up, angles.flexion);
  const thigh = turn(swung, outward, angles.abduction);
  let inward = cross(thigh, forward);
  if (dot(inward, outward) > 0) inward = scale(inward, -1);
  const kneeFront = turn(forward, inward, angles.rotation);
  const shank = turn(thigh, scale(kneeFront, -1), angles.knee);
  const level = turn(kneeFront, thigh, angles.knee);
  const footDirection = turn(level, shank, angles.ankle);
  const sole = turn(shank, scale(level, -1), angles.ankle);
  const knee = add(hip, scale(thigh, size.thigh));
  const ankle = add(knee, scale(shank, size.shank));
  const under = add(ankle, scale(sole, size.footHeight));
  return {
    knee,
    ankle,
    heel: add(under, scale(footDirection, -0.28 * size.foot)),
    toe: add(under, scale(footDirection, 0.72 * size.foot)),
  };
}

function arm(shoulder: Vector, frame: Frame, outward: Vector, angles: ArmAngles, size: Proportions) {
  const outwardPlane = turn(outward, frame.front, angles.plane);
  const across = turn(frame.front, scale(outward, -1), angles.plane);
  const upper = turn(scale(frame.up, -1), outwardPlane, angles.elevation);
  const raise = turn(outwardPlane, frame.up, angles.elevation);
  const bend = turn(across, raise, angles.rotation);
  const fore = turn(upper, bend, angles.elbow);
  const elbow = add(shoulder, scale(upper, size.upperArm));
  const wrist = add(elbow, scale(fore, size.forearm));
  return { elbow, wrist, hand: add(wrist, scale(fore, size.hand)) };
}

/** Joint positions with the middle of the hips at the origin, metres. */
export function jointsAt(angles: BodyAngles, size: Proportions): JointPositions {
  const pelvis = frameOf(angles.pelvis);
  const trunk = frameOf(angles.trunk);
  const driveHip = scale(pelvis.lead, -size.hipWidth / 2);
  const leadHip = scale(pelvis.lead, size.hipWidth / 2);
  const neck = scale(trunk.up, size.trunk);
  const throwingShoulder = add(neck, scale(trunk.lead, -size.shoulderWidth / 2));
  const gloveShoulder = add(neck, scale(trunk.lead, size.shoulderWidth / 2));
  const drive = leg(driveHip, pelvis, scale(pelvis.lead, -1), angles.driveLeg, size);
  const lead = leg(leadHip, pelvis, pelvis.lead, angles.leadLeg, size);
  const throwing = arm(throwingShoulder, trunk, scale(trunk.lead, -1), angles.throwingArm, size);
  const glove = arm(gloveShoulder, trunk, trunk.lead, angles.gloveArm, size);
  return {
    head: add(neck, scale(trunk.up, size.neck + size.headRadius)),
    neck,
    'throwing-shoulder': throwingShoulder,
    'glove-shoulder': gloveShoulder,
    'throwing-elbow': throwing.elbow,
    'glove-elbow': glove.elbow,
    'throwing-wrist': throwing.wrist,
    'glove-wrist': glove.wrist,
    'throwing-hand': throwing.hand,
    'glove-hand': glove.hand,
    'drive-hip': driveHip,
    'lead-hip': leadHip,
    'drive-knee': drive.knee,
    'lead-knee': lead.knee,
    'drive-ankle': drive.ankle,
    'lead-ankle': lead.ankle,
    'drive-heel': drive.heel,
    'lead-heel': lead.heel,
    'drive-toe': drive.toe,
    'lead-toe': lead.toe,
  };
}

/** The same joints moved. */
export function translated(joints: JointPositions, by: Vector): JointPositions {
  return Object.fromEntries(Object.entries(joints).map(([joint, at]) => [joint, add(at, by)])) as Record<Joint, Vector>;
}

/** The same joints for the other hand. */
export function mirrored(joints: JointPositions): JointPositions {
  const other = ([x, y, z]: Vector): Vector => [x, -y, z];
  return Object.fromEntries(Object.entries(joints).map(([joint, at]) => [joint, other(at)])) as Record<Joint, Vector>;
}
