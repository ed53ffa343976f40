/**
 * A delivery of a made-up athlete: the jointed body moved through the phases, with true joints, events and measures at any time.
 * Key positions come from the figure's poses; faults change angles or when they are reached. Times are of the field's usual
 * order (`house`).
 */
import { JOINTS, jointsAt, proportionsFor } from '../delivery/body';
import type { BodyAngles, Joint, JointPositions, Proportions, Vector } from '../delivery/body';
import type { Discipline } from '../delivery/links';
import type { DeliveryEvent } from '../delivery/measures';
import { POSES } from '../delivery/poses';
import type { PoseId } from '../delivery/poses';
import type { Pose } from '../delivery/pose';
import type { FindingId } from '../findings/ids';
import { MARKED_JOINTS } from '../measure/types';
import type { MarkedJoint } from '../measure/types';
import { ARM_CLOCK, windmillArm } from './windmill-arm';

/** Faults that the simulator can show, each from 0 (not there) to 1 (plain). */
export const SIMULATED_FAULTS = {
  overhand: [
    'late-hips',
    'turn-together',
    'fly-open',
    'stall',
    'short-stride',
    'stride-offline',
    'knee-caves',
    'no-brace',
    'early-hands',
    'early-arm',
    'late-arm',
    'low-elbow',
    'long-lever',
    'lean-back',
    'chest-behind',
    'glove-pull',
    'swing-open',
    'early-peel',
  ],
  windmill: ['short-stride', 'stride-offline', 'knee-caves', 'straight-whip', 'locked-landing', 'sunk-landing', 'fold-and-lift'],
} as const satisfies Record<Discipline, readonly FindingId[]>;
export type SimulatedFault = (typeof SIMULATED_FAULTS)[Discipline][number];
export type Faults = Partial<Record<SimulatedFault, number>>;

export interface DeliveryRequest {
  readonly discipline: Discipline;
  readonly heightM: number;
  readonly age: number;
  readonly faults?: Faults;
  /** Share by which everything is slower (1.1) or faster (0.9). */
  readonly tempo?: number;
}

export interface Delivery {
  /** Seconds from the set to the end. */
  readonly duration: number;
  /** True instants, seconds from the set. */
  readonly events: Readonly<Partial<Record<Exclude<DeliveryEvent, 'max'>, number>>>;
  /** Joints of the figure at a time, in the delivery's axes: x target, y glove side, z up, the drive ankle at the origin at set. */
  readonly jointsAt: (seconds: number) => JointPositions;
}

/** Key positions of the upper body and when they are reached, seconds from the set. */
const SCRIPTS: Record<Discipline, readonly (readonly [pose: PoseId, at: number])[]> = {
  overhand: [
    ['overhand-set', 0],
    ['overhand-lift', 0.6],
    ['overhand-move', 0.9],
    ['overhand-land', 1.14],
    ['overhand-turn', 1.225],
    ['overhand-release', 1.29],
    ['overhand-finish', 1.62],
  ],
  windmill: [
    ['windmill-set', 0],
    ['windmill-load', 0.5],
    ['windmill-push', 0.8],
    ['windmill-land', 0.94],
    ['windmill-whip', 1.055],
    ['windmill-finish', 1.4],
  ],
};
/** Index of the key positions that the faults speak of. */
const KEYS: Record<
  Discipline,
  { readonly lift: number; readonly move: number; readonly land: number; readonly release: number }
> = {
  overhand: { lift: 1, move: 2, land: 3, release: 5 },
  windmill: { lift: 1, move: 2, land: 3, release: 4 },
};

type UpperPart = 'pelvis' | 'trunk' | 'throwingArm' | 'gloveArm';
const UPPER: readonly UpperPart[] = ['pelvis', 'trunk', 'throwingArm', 'gloveArm'];
type Channel = `${UpperPart}.${string}`;

/**
 * Where a moving body differs from the figure on paper: hips that wait for the landing, and a glove that comes to the chest.
 */
const IN_MOTION: Record<Discipline, readonly (readonly [channel: Channel, key: number, angle: number])[]> = {
  overhand: [
    ['pelvis.rotation', 2, -15],
    ['pelvis.rotation', 3, 50],
    ['gloveArm.elevation', 4, 46],
    ['gloveArm.plane', 4, 62],
    ['gloveArm.elevation', 5, 34],
    ['gloveArm.plane', 5, 96],
    ['trunk.forward', 5, 38],
  ],
  windmill: [],
};

/** One angle over time: its values at the key positions, and how much earlier (−) or later it reaches them, seconds. */
interface Track {
  readonly values: number[];
  readonly shifts: number[];
}

function tracksOf(discipline: Discipline): Map<Channel, Track> {
  const poses: readonly Pose[] = SCRIPTS[discipline].map(([id]) => POSES[id]);
  const tracks = new Map<Channel, Track>();
  for (const part of UPPER)
    for (const angle of Object.keys(poses[0]!.angles[part]))
      tracks.set(`${part}.${angle}`, {
        values: poses.map((pose) => (pose.angles[part] as unknown as Record<string, number>)[angle]!),
        shifts: poses.map(() => 0),
      });
  for (const [channel, key, angle] of IN_MOTION[discipline]) tracks.get(channel)!.values[key] = angle;
  return tracks;
}

type HowMuch = (fault: SimulatedFault) => number;

/** What the faults do to the upper body: changes of angles at key positions, and of when they are reached. */
function applyFaults(discipline: Discipline, how: HowMuch, tracks: Map<Channel, Track>): void {
  const { move, land, release } = KEYS[discipline];
  const add = (channel: Channel, keys: readonly number[], by: number) => {
    for (const key of keys) tracks.get(channel)!.values[key]! += by;
  };
  const shift = (channel: Channel, keys: readonly number[], by: number) => {
    for (const key of keys) tracks.get(channel)!.shifts[key]! += by;
  };
  const arms = (side: 'throwingArm' | 'gloveArm') =>
    (['elevation', 'plane', 'rotation', 'elbow'] as const).map((a): Channel => `${side}.${a}`);
  // The hips lead: the pelvis is a little ahead of its key positions, unless it is late.
  if (discipline === 'overhand') shift('pelvis.rotation', [land, land + 1], -0.02 + 0.06 * how('late-hips'));
  add('pelvis.rotation', [land], -30 * how('late-hips'));
  add('trunk.rotation', [land], 32 * how('turn-together') + 34 * how('fly-open'));
  shift('trunk.rotation', [land], -0.03 * how('fly-open'));
  for (const channel of [...arms('throwingArm'), ...arms('gloveArm')]) shift(channel, [move], -0.13 * how('early-hands'));
  // The arm is at its fastest about when the ball leaves the hand: it reaches the far position a little after.
  if (discipline === 'overhand')
    for (const channel of arms('throwingArm')) {
      shift(channel, [land + 1], 0.03);
      shift(channel, [release], 0.05);
    }
  for (const channel of arms('throwingArm')) shift(channel, [land], -0.09 * how('early-arm') + 0.06 * how('late-arm'));
  add('throwingArm.elevation', [land], -32 * how('late-arm') - 26 * how('low-elbow'));
  add('throwingArm.elevation', range(land + 1, release), -24 * how('low-elbow'));
  add('throwingArm.elbow', [land], -48 * how('long-lever'));
  add('trunk.forward', [land], -22 * how('lean-back'));
  add('trunk.forward', [release], -26 * how('chest-behind'));
  add('gloveArm.plane', range(land + 1, release), -70 * how('glove-pull'));
  add('gloveArm.elevation', range(land + 1, release), 30 * how('glove-pull'));
  add('throwingArm.elbow', range(move, release), -24 * how('straight-whip'));
  add('trunk.forward', [land, release], 18 * how('fold-and-lift'));
}

const range = (from: number, to: number): number[] => Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);

/** A smooth curve through points: cubic pieces with slopes from the neighbours, at rest at both ends. */
function curve(times: readonly number[], values: readonly number[]): (t: number) => number {
  const n = times.length;
  const slope = values.map((_, i) =>
    i === 0 || i === n - 1 ? 0 : (values[i + 1]! - values[i - 1]!) / (times[i + 1]! - times[i - 1]!),
  );
  return (t) => {
    if (t <= times[0]!) return values[0]!;
    if (t >= times[n - 1]!) return values[n - 1]!;
    let i = 0;
    while (t > times[i + 1]!) i++;
    const h = times[i + 1]! - times[i]!;
    const s = (t - times[i]!) / h;
    const [a, b, c, d] = [2 * s ** 3 - 3 * s ** 2 + 1, s ** 3 - 2 * s ** 2 + s, -2 * s ** 3 + 3 * s ** 2, s ** 3 - s ** 2];
    return a * values[i]! + b * h * slope[i]! + c * values[i + 1]! + d * h * slope[i + 1]!;
  };
}

type AnglesAt = (t: number) => BodyAngles;
const NO_LEG = { flexion: 0, abduction: 0, rotation: 0, knee: 0, ankle: 0 };

function upperBody(request: DeliveryRequest, how: HowMuch): { at: AnglesAt; keyTimes: number[] } {
  const { discipline, tempo = 1 } = request;
  const keyTimes = SCRIPTS[discipline].map(([, t]) => t * tempo);
  const tracks = tracksOf(discipline);
  applyFaults(discipline, how, tracks);
  const curves = UPPER.map((part) => {
    const angles = [...tracks]
      .filter(([c]) => c.startsWith(`${part}.`))
      .map(([channel, track]) => {
        const times = keyTimes.map((t, i) => t + track.shifts[i]! * tempo);
        // Shifts never change the order of positions.
        for (let i = 1; i < times.length; i++) times[i] = Math.max(times[i]!, times[i - 1]! + 0.02);
        return [channel.split('.')[1]!, curve(times, track.values)] as const;
      });
    return [part, angles] as const;
  });
  const at = (t: number): BodyAngles =>
    ({
      driveLeg: NO_LEG,
      leadLeg: NO_LEG,
      ...Object.fromEntries(
        curves.map(([part, angles]) => [part, Object.fromEntries(angles.map(([angle, value]) => [angle, value(t)]))]),
      ),
    }) as unknown as BodyAngles;
  return { at, keyTimes };
}

/** How the legs go: all lengths as shares of height, times in seconds at the usual tempo. */
interface LegScript {
  readonly lift: number;
  readonly land: number;
  readonly release: number;
  readonly end: number;
  /** Forward speed of the hips, heights a second, over time. */
  readonly speed: readonly (readonly [t: number, v: number])[];
  /** Height of the hips over the ground until they come down to the landing. */
  readonly stand: number;
  readonly stride: number;
  /** Lead knee, degrees, at landing, release and end. */
  readonly knee: readonly [land: number, release: number, end: number];
  readonly footAngle: number;
  /** Heel of the drive foot comes up so long before landing. */
  readonly peel: number;
  /** Lead ankle at set and on its way, (x, y, z) from the middle of the hips down to the ground. */
  readonly leadAtSet: Vector;
  readonly leadOnTheWay: readonly (readonly [t: number, from: Vector])[];
}

const LEGS: Record<Discipline, LegScript> = {
  overhand: {
    lift: 0.6,
    land: 1.12,
    release: 1.29,
    end: 1.62,
    speed: [
      [0, 0],
      [0.35, 0.01],
      [0.6, 0.24],
      [0.8, 0.6],
      [1.0, 1.0],
      [1.12, 1.05],
      [1.29, 0.42],
      [1.62, 0.06],
    ],
    stand: 0.515,
    stride: 0.81,
    knee: [44, 34, 22],
    footAngle: 12,
    peel: 0.03,
    leadAtSet: [0.1, 0, 0],
    leadOnTheWay: [
      [0.6, [0.05, -0.13, 0.3]],
      [0.86, [0.2, -0.05, 0.14]],
    ],
  },
  windmill: {
    lift: 0.5,
    land: 0.94,
    release: 1.055,
    end: 1.4,
    speed: [
      [0, 0],
      [0.3, 0.05],
      [0.5, 0.45],
      [0.7, 1.1],
      [0.86, 1.5],
      [0.94, 1.3],
      [1.055, 0.55],
      [1.4, 0.1],
    ],
    stand: 0.51,
    stride: 0.86,
    knee: [24, 16, 12],
    footAngle: 38,
    peel: 0.05,
    leadAtSet: [-0.16, 0.08, 0.02],
    leadOnTheWay: [
      [0.5, [-0.1, 0.09, 0.06]],
      [0.74, [0.2, 0.08, 0.14]],
    ],
  },
};

const CLOSED_IN = 1;
const INCH = 0.0254;

const STEP = 0.002;
const RAD = Math.PI / 180;

/** First time at which a test holds after `from`, by steps and then by halving. */
function firstTime(from: number, to: number, holds: (t: number) => boolean): number | null {
  for (let t = from; t <= to; t += STEP)
    if (holds(t)) {
      let [low, high] = [t - STEP, t];
      for (let n = 0; n < 30; n++) {
        const middle = (low + high) / 2;
        if (holds(middle)) high = middle;
        else low = middle;
      }
      return high;
    }
  return null;
}

/** Time of the greatest value, by steps and then by thirds. */
function timeOfMost(from: number, to: number, value: (t: number) => number): number {
  let best = from;
  for (let t = from; t <= to; t += STEP) if (value(t) > value(best)) best = t;
  let [low, high] = [best - STEP, best + STEP];
  for (let n = 0; n < 60; n++) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (value(a) < value(b)) low = a;
    else high = b;
  }
  return (low + high) / 2;
}

/** The knee between a hip and an ankle: two bones of fixed length, bent toward a direction. An ankle out of reach is drawn in. */
function bend(hip: Vector, ankle: Vector, thigh: number, shank: number, toward: Vector): { knee: Vector; ankle: Vector } {
  const reach: Vector = [ankle[0] - hip[0], ankle[1] - hip[1], ankle[2] - hip[2]];
  const far = Math.hypot(...reach);
  const d = Math.min(far, (thigh + shank) * 0.9995);
  const u: Vector = [reach[0] / far, reach[1] / far, reach[2] / far];
  const along = (thigh ** 2 - shank ** 2 + d ** 2) / (2 * d);
  const across = Math.sqrt(Math.max(0, thigh ** 2 - along ** 2));
  const share = toward[0] * u[0] + toward[1] * u[1] + toward[2] * u[2];
  const side: Vector = [toward[0] - share * u[0], toward[1] - share * u[1], toward[2] - share * u[2]];
  const size = Math.hypot(...side) || 1;
  const point = (by: number): Vector => [hip[0] + by * u[0], hip[1] + by * u[1], hip[2] + by * u[2]];
  const onLine = point(along);
  return {
    knee: [onLine[0] + (across * side[0]) / size, onLine[1] + (across * side[1]) / size, onLine[2] + (across * side[2]) / size],
    ankle: point(d),
  };
}

/** Heel and toe of a foot whose ankle is at a place, turned by an angle from the target to the throwing side, heel up by a pitch. */
function foot(ankle: Vector, turn: number, pitch: number, size: Proportions): { heel: Vector; toe: Vector } {
  const [r, p] = [turn * RAD, pitch * RAD];
  const ahead: Vector = [Math.cos(r) * Math.cos(p), -Math.sin(r) * Math.cos(p), -Math.sin(p)];
  const down: Vector = [-Math.cos(r) * Math.sin(p), Math.sin(r) * Math.sin(p), -Math.cos(p)];
  const at = (by: number): Vector =>
    [0, 1, 2].map((a) => ankle[a]! + size.footHeight * down[a]! + by * size.foot * ahead[a]!) as unknown as Vector;
  return { heel: at(-0.28), toe: at(0.72) };
}

/** Makes a delivery. Everything about it can be asked at any time; the same request gives the same delivery. */
export function simulateDelivery(request: DeliveryRequest): Delivery {
  const { discipline, heightM, tempo = 1, faults = {} } = request;
  const how: HowMuch = (fault) => faults[fault] ?? 0;
  const size: Proportions = proportionsFor(heightM, request.age);
  const { at: anglesAt, keyTimes } = upperBody(request, how);
  const legs = LEGS[discipline];
  const [land, release, end] = [legs.land * tempo, legs.release * tempo, legs.end * tempo];
  const h = heightM;

  // The way of the hips: speed over time, added up once.
  const slow = 1 - 0.12 * how('short-stride');
  const speed = curve(
    legs.speed.map(([t]) => t * tempo),
    legs.speed.map(([, v]) => (v * slow) / tempo),
  );
  const stall = how('stall');
  const stalled = (t: number): number => {
    // Travel stops in the middle of the move, and what was lost is hurried after.
    const middle = (0.55 * legs.lift + 0.45 * legs.land) * tempo;
    const width = 0.07 * tempo;
    const bump = (at: number) => Math.exp(-0.5 * ((t - at) / width) ** 2);
    return Math.max(0.02, speed(t) * (1 - 0.75 * stall * bump(middle)) + 0.35 * stall * bump(middle + 2.2 * width));
  };
  const steps = Math.ceil(end / STEP) + 1;
  const travelled = new Float64Array(steps + 1);
  for (let i = 1; i <= steps; i++) travelled[i] = travelled[i - 1]! + h * stalled((i - 0.5) * STEP) * STEP;
  const start = 0.5 * legs.leadAtSet[0] * h;
  const hipsX = (t: number): number => {
    const at = Math.min(Math.max(t, 0) / STEP, steps - 1);
    const i = Math.floor(at);
    return start + travelled[i]! + (at - i) * (travelled[i + 1]! - travelled[i]!);
  };

  const closed = (CLOSED_IN - 9 * how('stride-offline')) * INCH;
  const ground = size.footHeight;
  const landing: Vector = [h * legs.stride * (1 - 0.2 * how('short-stride')), -closed, ground];
  const hipsY = curve([0, 0.5 * land, land, end], [0, 0, -0.5 * closed, -0.8 * closed]);
  const offset = (t: number) => jointsAt(anglesAt(t), size);
  /** Height of the hips at which the lead knee has an angle, over the landed foot. */
  const heightFor = (t: number, knee: number): number => {
    const hip = offset(t)['lead-hip'];
    const straight = Math.sqrt(size.thigh ** 2 + size.shank ** 2 + 2 * size.thigh * size.shank * Math.cos(knee * RAD));
    const [dx, dy] = [landing[0] - hipsX(t) - hip[0], landing[1] - hipsY(t) - hip[1]];
    return ground + Math.sqrt(Math.max(0.01, straight ** 2 - dx ** 2 - dy ** 2)) - hip[2];
  };
  const atLanding = legs.knee[0] - 20 * how('locked-landing') + 32 * how('sunk-landing');
  const atRelease = legs.knee[1] + 28 * how('no-brace') - 10 * how('locked-landing') + 30 * how('sunk-landing');
  const hipsZ = curve(
    [0, 0.55 * land, 0.8 * land, land, 0.5 * (land + release), release, end],
    [
      h * legs.stand,
      h * (legs.stand + 0.004),
      h * legs.stand - 0.3 * (h * legs.stand - heightFor(land, atLanding)),
      heightFor(land, atLanding),
      heightFor(0.5 * (land + release), 0.5 * (atLanding + atRelease)),
      heightFor(release, atRelease),
      heightFor(end, legs.knee[2]),
    ],
  );

  // The lead foot on its way, and the drive foot that stays and is drawn after.
  const wayTimes = [0, 0.3 * land, ...legs.leadOnTheWay.map(([t]) => t * tempo), land];
  const onWay = legs.leadOnTheWay.map(([t, from], i): Vector => {
    const reaching = i === legs.leadOnTheWay.length - 1 ? how('swing-open') : 0;
    return [hipsX(t * tempo) + h * (from[0] + 0.24 * reaching), h * from[1], ground + h * (from[2] - 0.05 * reaching)];
  });
  const atSet: Vector = [
    start + h * 0.5 * legs.leadAtSet[0] + (discipline === 'windmill' ? h * 0.5 * legs.leadAtSet[0] : 0),
    h * legs.leadAtSet[1],
    ground + h * legs.leadAtSet[2],
  ];
  const leadWay = ([0, 1, 2] as const).map((axis) =>
    curve(
      wayTimes,
      [atSet, atSet, ...onWay, landing].map((p) => p[axis]),
    ),
  );
  const peel = land - (legs.peel + 0.11 * how('early-peel')) * tempo;
  const driveTimes = [peel, land + 0.02, release, end];
  const driveWay = [
    curve(driveTimes, [0, 0.03 * h, 0.26 * h, 0.62 * h]),
    curve(driveTimes, [0, 0, 0.02 * h, 0.06 * h]),
    curve(driveTimes, [ground, ground + 0.05 * h, ground + 0.13 * h, ground + 0.16 * h]),
  ];
  const flatPitch = discipline === 'windmill' ? 3 : 0;
  const drivePitch = curve(driveTimes, [flatPitch, 34, 58, 64]);
  const driveTurn = curve(driveTimes, discipline === 'overhand' ? [78, 58, 22, 0] : [24, 38, 30, 10]);
  const leadTurn = curve(
    [0, 0.6 * land, land, end],
    discipline === 'overhand' ? [60, 46, legs.footAngle, legs.footAngle] : [0, 10, legs.footAngle, legs.footAngle],
  );
  const leadPitch = curve(
    [0, 0.36 * land, 0.56 * land, 0.9 * land, land, land + 0.03 * tempo, end],
    [0, 0, 22, -4, discipline === 'overhand' ? -6 : 3, 0, 0],
  );
  const caves = how('knee-caves');
  const caving = curve([0, land, land + 0.1 * tempo, end], [0, 0, 1.3 * caves, 1.1 * caves]);

  const clock =
    discipline === 'windmill'
      ? curve(
          ARM_CLOCK.map(([at]) => at * tempo),
          ARM_CLOCK.map(([, angle]) => angle),
        )
      : null;

  const joints = (t: number): JointPositions => {
    const root: Vector = [hipsX(t), hipsY(t), hipsZ(t)];
    const angles = anglesAt(t);
    const hung = jointsAt(angles, size);
    const moved = (joint: Joint): Vector => [hung[joint][0] + root[0], hung[joint][1] + root[1], hung[joint][2] + root[2]];
    const turn = angles.pelvis.rotation * RAD;
    const front: Vector = [Math.sin(turn), -Math.cos(turn), 0.15];
    const drive = bend(moved('drive-hip'), [driveWay[0]!(t), driveWay[1]!(t), driveWay[2]!(t)], size.thigh, size.shank, [
      front[0] + 0.45,
      front[1],
      0,
    ]);
    const lead = bend(moved('lead-hip'), [leadWay[0]!(t), leadWay[1]!(t), leadWay[2]!(t)], size.thigh, size.shank, [
      front[0] + 0.9,
      front[1] * 0.4 - caving(t),
      front[2],
    ]);
    const driveFoot = foot(drive.ankle, driveTurn(t), drivePitch(t), size);
    const leadFoot = foot(lead.ankle, leadTurn(t), leadPitch(t), size);
    const arm = clock && windmillArm(moved('throwing-shoulder'), clock(t), angles.throwingArm.elbow, size);
    return {
      ...(Object.fromEntries(JOINTS.map((joint) => [joint, moved(joint)])) as Record<Joint, Vector>),
      ...(arm && { 'throwing-elbow': arm.elbow, 'throwing-wrist': arm.wrist, 'throwing-hand': arm.hand }),
      'drive-knee': drive.knee,
      'drive-ankle': drive.ankle,
      'drive-heel': driveFoot.heel,
      'drive-toe': driveFoot.toe,
      'lead-knee': lead.knee,
      'lead-ankle': lead.ankle,
      'lead-heel': leadFoot.heel,
      'lead-toe': leadFoot.toe,
    };
  };
  return { duration: end, events: eventsOf(discipline, joints, { land, release, end, peel }, keyTimes), jointsAt: joints };
}

interface LegTimes {
  readonly land: number;
  readonly release: number;
  readonly end: number;
  readonly peel: number;
}

function eventsOf(
  discipline: Discipline,
  joints: (t: number) => JointPositions,
  { land, release, end, peel }: LegTimes,
  keyTimes: readonly number[],
): Delivery['events'] {
  const { lift, move } = KEYS[discipline];
  const overhand = discipline === 'overhand';
  const z = (joint: Joint) => (t: number) => joints(t)[joint][2];
  const speedOf = (joint: Joint) => (t: number) => {
    const [a, b] = [joints(t - STEP)[joint], joints(t + STEP)[joint]];
    return Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  };
  const apart = (t: number) => {
    const j = joints(t);
    return Math.hypot(...[0, 1, 2].map((a) => j['throwing-wrist'][a]! - j['glove-wrist'][a]!));
  };
  const together = apart(keyTimes[lift]!);
  const start = joints(0);
  const moved = (t: number) => Math.hypot(...[0, 1, 2].map((a) => joints(t)['lead-knee'][a]! - start['lead-knee'][a]!)) > 0.02;
  const armAt = (clock: (j: JointPositions) => boolean, from: number, to: number) =>
    overhand ? null : firstTime(from, to, (t) => clock(joints(t)));
  const hand = (j: JointPositions): Vector =>
    [0, 1, 2].map((a) => j['throwing-wrist'][a]! - j['throwing-shoulder'][a]!) as unknown as Vector;
  const lifted = overhand ? timeOfMost(0.2, keyTimes[move]!, z('lead-knee')) : keyTimes[lift]!;
  const found: Record<string, number | null> = {
    set: 0,
    'first-move': firstTime(0, land, moved),
    'peak-knee': overhand ? lifted : null,
    'hand-break': overhand ? firstTime(keyTimes[lift]! * 0.7, land, (t) => apart(t) > together + 0.08) : null,
    'mid-move': (lifted + land) / 2,
    'deepest-load': overhand ? (lifted + 2 * land) / 3 : null,
    'hand-up': overhand
      ? firstTime(keyTimes[lift]!, release, (t) => joints(t)['throwing-wrist'][2] >= joints(t)['throwing-shoulder'][2])
      : null,
    'heel-off': peel,
    'toe-off': firstTime(peel, end, (t) => joints(t)['drive-ankle'][0] > 0.02 || z('drive-toe')(t) > 0.03),
    'arm-3-oclock': armAt((j) => hand(j)[0] > 0 && hand(j)[2] >= 0, 0.25, land),
    'arm-12-oclock': armAt((j) => hand(j)[2] > 0 && hand(j)[0] <= 0, keyTimes[lift]!, land),
    'arm-9-oclock': armAt((j) => hand(j)[0] < 0 && hand(j)[2] <= 0, land - 0.05, release),
    contact: land,
    'foot-flat': land + 0.03,
    'trunk-square': firstTime(land - 0.1, end, (t) => trunkTurn(joints(t)) >= 90),
    // The ball leaves the hand where the hand is fastest.
    release: overhand ? timeOfMost(land + 0.04, land + 0.26, speedOf('throwing-hand')) : release,
    finish: end,
  };
  return Object.fromEntries(Object.entries(found).filter((entry): entry is [string, number] => entry[1] !== null));
}

function trunkTurn(j: JointPositions): number {
  const [a, b] = [j['throwing-shoulder'], j['glove-shoulder']];
  return (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
}

/** Joints by which a delivery is measured; the ball lies in the hand until it is released. */
export function markedJointsAt(delivery: Delivery, seconds: number): Readonly<Record<MarkedJoint, Vector>> {
  const joints = delivery.jointsAt(seconds);
  return Object.fromEntries(
    MARKED_JOINTS.map((joint) => [joint, joint === 'ball' ? joints['throwing-hand'] : joints[joint as Joint]]),
  ) as Record<MarkedJoint, Vector>;
}
