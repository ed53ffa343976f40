/**
 * A delivery of a made-up athlete: the jointed body moved through the phases, with true joints, events and measures at any time.
 * Key positions come from the figure's poses; faults change angles or when they are reached. Times are of the field's usual
 * order (`house`).
 */
import { JOINTS, jointsAt, proportionsFor } from '../delivery/body';
import type { Joint, JointPositions, Proportions, Vector } from '../delivery/body';
import { MARKED_JOINTS } from '../measure/types';
import type { MarkedJoint } from '../measure/types';
import { eventsOf } from './delivery-events';
import type { Delivery, DeliveryRequest, HowMuch } from './faults';
import { bend, CLOSED_IN, DRIVE_FOOT, foot, INCH, LEGS, RAD } from './legs';
import { curve } from './curve';
import { upperBody } from './upper-body';
import { ARM_CLOCK, windmillArm } from './windmill-arm';

/** Seconds between the points at which the way of the hips is added up. */
const STEP = 0.002;

/** Makes a delivery. Everything about it can be asked at any time; the same request gives the same delivery. */
export function simulateDelivery(request: DeliveryRequest): Delivery {
  const { discipline, heightM, tempo = 1, faults = {} } = request;
  const how: HowMuch = (fault) => faults[fault] ?? 0;
  const size: Proportions = proportionsFor(heightM, request.age, request.build);
  const { at: anglesAt, keyTimes } = upperBody(request, how);
  const legs = LEGS[discipline];
  const [land, release, end] = [legs.land * tempo, legs.release * tempo, legs.end * tempo];
  const h = heightM;

  // The way of the hips: speed over time, added up once.
  const slow = 1 - 0.18 * how('short-stride');
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
    const early = 0.45 * stall * bump(middle - 2 * width);
    return Math.max(0.02, speed(t) * (1 - 0.85 * stall * bump(middle)) + early + 0.3 * stall * bump(middle + 2.2 * width));
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
  const landing: Vector = [
    h * legs.stride * (1 - (discipline === 'windmill' ? 0.28 : 0.32) * how('short-stride')),
    -closed,
    ground,
  ];
  const hipsY = curve([0, 0.5 * land, land, end], [0, 0, -0.5 * closed, -0.8 * closed]);
  const offset = (t: number) => jointsAt(anglesAt(t), size);
  /** Height of the hips at which the lead knee has an angle, over the landed foot. */
  const heightFor = (t: number, knee: number): number => {
    const hip = offset(t)['lead-hip'];
    const straight = Math.sqrt(size.thigh ** 2 + size.shank ** 2 + 2 * size.thigh * size.shank * Math.cos(knee * RAD));
    const [dx, dy] = [landing[0] - hipsX(t) - hip[0], landing[1] - hipsY(t) - hip[1]];
    return ground + Math.sqrt(Math.max(0.01, straight ** 2 - dx ** 2 - dy ** 2)) - hip[2];
  };
  const atLanding = legs.knee[0] - (legs.knee[0] - 1) * how('locked-landing') + 40 * how('sunk-landing');
  const atRelease =
    legs.knee[1] +
    38 * how('no-brace') -
    (legs.knee[1] - 3) * how('locked-landing') +
    30 * how('sunk-landing') +
    (discipline === 'windmill' ? 24 : 12) * how('knee-caves');
  const soon = 0.02 * tempo;
  /** The lead knee while its foot stands. */
  const standing: readonly (readonly [t: number, knee: number])[] = [
    [land, atLanding],
    [land + 0.3 * soon, atLanding + 0.05 * (atRelease - atLanding)],
    [land + soon, atLanding + 0.2 * (atRelease - atLanding)],
    [0.5 * (land + release), 0.5 * (atLanding + atRelease)],
    [release, atRelease],
    [end, legs.knee[2]],
  ];
  const overTheFoot = curve(
    [0, 0.55 * land, 0.8 * land, ...standing.map(([t]) => t)],
    [
      h * legs.stand,
      h * (legs.stand + 0.004 - 0.6 * legs.sit),
      h * legs.stand - 0.3 * (h * legs.stand - heightFor(land, atLanding)) - h * legs.sit,
      ...standing.map(([t, knee]) => heightFor(t, knee)),
    ],
  );
  // A knee that is nearly straight bends by degrees where the hip is a millimetre low: a locked one is followed exactly.
  const locked = how('locked-landing');
  const kneeStanding = curve(
    standing.map(([t]) => t),
    standing.map(([, knee]) => knee),
  );
  const hipsZ = (t: number): number =>
    locked === 0 || t < land ? overTheFoot(t) : (1 - locked) * overTheFoot(t) + locked * heightFor(t, kneeStanding(t));

  // The load sinks toward the toes, and a push that goes up lifts the hips before they are out.
  const loading = (t: number): number => Math.exp(-0.5 * ((t - (legs.lift + 2 * legs.land) * (tempo / 3)) / (0.12 * tempo)) ** 2);
  const pushed = discipline === 'windmill' ? legs.land - 0.062 : legs.land - 0.02;
  const up = (discipline === 'windmill' ? 0.055 : 0.06) * (how('jump-off') + how('early-extension'));
  const lifted = (t: number): number => up * h * Math.exp(-0.5 * ((t - (pushed + 0.03) * tempo) / (0.03 * tempo)) ** 2);
  const rootAt = (t: number): Vector => [
    hipsX(t),
    hipsY(t) - 0.17 * h * how('knee-led-load') * loading(t),
    hipsZ(t) + lifted(t) - 0.085 * h * how('knee-led-load') * loading(t),
  ];

  // The lead foot on its way, and the drive foot that stays and is drawn after.
  const wayTimes = [0, 0.3 * land, ...legs.leadOnTheWay.map(([t]) => t * tempo), land];
  const onWay = legs.leadOnTheWay.map(([t, from], i): Vector => {
    const reaching = i === legs.leadOnTheWay.length - 1 ? 1.25 * how('swing-open') : 0;
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
  // A push that goes up lets the ground go before the hips are out.
  const gone = 0.13 * how('shin-vertical');
  const peel = land - (legs.peel + 0.11 * how('early-peel') + gone) * tempo;
  const way = DRIVE_FOOT[discipline];
  const arrives = 0.24 * how('shoulder-finish') * tempo;
  const idle = 0.07 * how('idle-drive-leg') * tempo;
  const driveTimes = [peel - idle, ...way.map(({ at }) => at(land, release, end, tempo))].map((t, i, all) =>
    i === all.length - 1 ? Math.min(t + arrives, end) : i === 1 ? t - idle - gone * tempo : t,
  );
  const driveWay = ([0, 1, 2] as const).map((axis) =>
    curve(driveTimes, [
      axis === 2 ? ground : 0,
      ...way.map(
        ({ to, lags = 0 }) => h * (to[axis] - (axis === 0 ? lags * how('shoulder-finish') : 0)) + (axis === 2 ? ground : 0),
      ),
    ]),
  );
  const drivePitch = curve(driveTimes, [discipline === 'windmill' ? 3 : 0, ...way.map(({ pitch }) => pitch)]);
  const driveTurn = curve(driveTimes, [discipline === 'overhand' ? 78 : 24, ...way.map(({ turn }) => turn)]);
  const leadTurn = curve(
    [0, 0.6 * land, land, end],
    discipline === 'overhand' ? [60, 46, legs.footAngle, legs.footAngle] : [0, 10, legs.footAngle, legs.footAngle],
  );
  const leadPitch = curve(
    [0, 0.36 * land, 0.56 * land, 0.9 * land, land, land + 0.03 * tempo, end],
    [0, 0, 22, -4, discipline === 'overhand' ? -6 : 3, 0, 0],
  );
  const caves = 5 * how('knee-caves');
  const caving = curve([0, land, land + 0.1 * tempo, end], [0, 0, caves, 0.85 * caves]);

  const clock =
    discipline === 'windmill'
      ? curve(
          ARM_CLOCK.map(([at]) => at * tempo),
          ARM_CLOCK.map(([, angle]) => angle),
        )
      : null;

  const joints = (t: number): JointPositions => {
    const root = rootAt(t);
    const angles = anglesAt(t);
    const hung = jointsAt(angles, size);
    const moved = (joint: Joint): Vector => [hung[joint][0] + root[0], hung[joint][1] + root[1], hung[joint][2] + root[2]];
    const turn = angles.pelvis.rotation * RAD;
    const front: Vector = [Math.sin(turn), -Math.cos(turn), 0.15];
    const drive = bend(moved('drive-hip'), [driveWay[0]!(t), driveWay[1]!(t), driveWay[2]!(t)], size.thigh, size.shank, [
      front[0] + 0.45 - 1.6 * how('shin-vertical'),
      front[1] - 4 * how('knee-led-load') * loading(t),
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
    const all = {} as Record<Joint, Vector>;
    for (const joint of JOINTS) all[joint] = moved(joint);
    return Object.assign(all, arm && { 'throwing-elbow': arm.elbow, 'throwing-wrist': arm.wrist, 'throwing-hand': arm.hand }, {
      'drive-knee': drive.knee,
      'drive-ankle': drive.ankle,
      'drive-heel': driveFoot.heel,
      'drive-toe': driveFoot.toe,
      'lead-knee': lead.knee,
      'lead-ankle': lead.ankle,
      'lead-heel': leadFoot.heel,
      'lead-toe': leadFoot.toe,
    });
  };
  return { duration: end, events: eventsOf(discipline, joints, { land, release, end, peel }, keyTimes), jointsAt: joints };
}

/** Joints by which a delivery is measured; the ball lies in the hand until it is released. */
export function markedJointsAt(delivery: Delivery, seconds: number): Readonly<Record<MarkedJoint, Vector>> {
  const joints = delivery.jointsAt(seconds);
  return Object.fromEntries(
    MARKED_JOINTS.map((joint) => [joint, joint === 'ball' ? joints['throwing-hand'] : joints[joint as Joint]]),
  ) as Record<MarkedJoint, Vector>;
}
