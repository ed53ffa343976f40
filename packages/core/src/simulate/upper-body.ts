/** Trunk and arms through the delivery: key positions from the figure's poses, changed or moved in time by faults. */
import type { ArmAngles, BodyAngles, SegmentAngles } from '../delivery/body';
import type { Discipline } from '../delivery/links';
import { POSES } from '../delivery/poses';
import type { PoseId } from '../delivery/poses';
import type { Pose } from '../delivery/pose';
import type { DeliveryRequest, HowMuch } from './faults';
import { curve } from './curve';
import { LEGS, RAD } from './legs';
import { turnsOf } from './turn';

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
    ['windmill-finish', 1.22],
  ],
};
/** Index of the key positions that the faults speak of. */
export const KEYS: Record<
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
    ['pelvis.side', 2, 3],
    ['trunk.side', 3, -3],
    ['gloveArm.elevation', 4, 46],
    ['gloveArm.plane', 4, 62],
    ['gloveArm.elevation', 5, 34],
    ['gloveArm.plane', 5, 96],
    ['throwingArm.elbow', 5, 8],
    ['throwingArm.elevation', 3, 99],
    ['throwingArm.elbow', 3, 100],
    ['throwingArm.rotation', 2, -100],
    ['throwingArm.rotation', 3, 110],
    ['trunk.forward', 4, 14],
    ['trunk.forward', 5, 44],
  ],
  windmill: [
    ['trunk.side', 3, -9],
    ['trunk.forward', 4, 11],
    ['gloveArm.elevation', 3, 84],
    ['gloveArm.elbow', 3, 8],
    ['gloveArm.elevation', 4, 24],
    ['gloveArm.elbow', 4, 112],
    ['gloveArm.elevation', 5, 22],
    ['gloveArm.elbow', 5, 112],
    ['gloveArm.plane', 5, 30],
    ['pelvis.rotation', 5, 58],
    ['trunk.rotation', 5, 54],
  ],
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
        values: poses.map((pose) => new Map<string, number>(Object.entries(pose.angles[part])).get(angle) ?? 0),
        shifts: poses.map(() => 0),
      });
  for (const [channel, key, angle] of IN_MOTION[discipline]) tracks.get(channel)!.values[key] = angle;
  return tracks;
}

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
  for (const channel of [...arms('throwingArm'), ...arms('gloveArm')]) shift(channel, [move], -0.13 * how('early-hands'));
  if (discipline === 'overhand') {
    shift('throwingArm.rotation', [move], 0.055);
    shift('trunk.forward', [release], -0.012);
    for (const channel of arms('throwingArm')) {
      // The arm is at its fastest about when the ball leaves the hand; the elbow is nearly straight then, the shoulder turns on.
      const [turn, away] = ARM_SHIFTS[channel.split('.')[1]!] ?? ARM_SHIFTS.other!;
      shift(channel, [land + 1], turn);
      shift(channel, [release], away);
    }
  } else for (const channel of arms('gloveArm')) shift(channel, [release], 0.04);
  const rises = (channel: Channel) => (discipline === 'windmill' ? 0 : channel.endsWith('rotation') ? 0.02 : 0.062);
  for (const channel of arms('throwingArm'))
    shift(channel, [land], rises(channel) - 0.14 * how('early-arm') + 0.06 * how('late-arm'));
  add('throwingArm.elevation', [land], -32 * how('late-arm') - 34 * how('low-elbow'));
  add('throwingArm.elevation', range(land + 1, release), -30 * how('low-elbow'));
  add('throwingArm.elbow', [land], -60 * how('long-lever'));
  add('gloveArm.plane', range(land + 1, release), -70 * how('glove-pull'));
  add('gloveArm.elevation', range(land + 1, release), 30 * how('glove-pull'));
  add('throwingArm.elbow', range(move, release), -24 * how('straight-whip'));
  add('pelvis.side', [move], 28 * how('stuck-back') - 30 * how('early-tip'));
  add('throwingArm.plane', [land + 1], -130 * how('arm-drag'));
  add('throwingArm.plane', [release], -60 * how('arm-drag'));
  add('pelvis.rotation', [release], 44 * how('early-close'));
}

const range = (from: number, to: number): number[] => Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);

/** How much later the throwing arm is at its turned and its far position than the figure, seconds. */
const ARM_SHIFTS: Record<string, readonly [turn: number, release: number]> = {
  elbow: [0.008, -0.014],
  rotation: [0.043, 0.05],
  other: [0.036, 0.036],
};

type AnglesAt = (t: number) => BodyAngles;
const NO_LEG = { flexion: 0, abduction: 0, rotation: 0, knee: 0, ankle: 0 };

export function upperBody(request: DeliveryRequest, how: HowMuch): { at: AnglesAt; keyTimes: number[] } {
  const { discipline, tempo = 1 } = request;
  const keyTimes = SCRIPTS[discipline].map(([, t]) => t * tempo);
  const tracks = tracksOf(discipline);
  applyFaults(discipline, how, tracks);
  const curves = new Map(
    [...tracks].map(([channel, track]) => {
      const times = keyTimes.map((t, i) => t + track.shifts[i]! * tempo);
      // Shifts never change the order of positions.
      for (let i = 1; i < times.length; i++) times[i] = Math.max(times[i]!, times[i - 1]! + 0.02);
      return [channel, curve(times, track.values)] as const;
    }),
  );
  const of = (channel: Channel): ((t: number) => number) => curves.get(channel) ?? (() => 0);
  const segment = (part: 'pelvis' | 'trunk') => {
    const [rotation, forward, side] = [of(`${part}.rotation`), of(`${part}.forward`), of(`${part}.side`)];
    return (t: number): SegmentAngles => ({ rotation: rotation(t), forward: forward(t), side: side(t) });
  };
  const arm = (part: 'throwingArm' | 'gloveArm') => {
    const [elevation, plane] = [of(`${part}.elevation`), of(`${part}.plane`)];
    const [rotation, elbow] = [of(`${part}.rotation`), of(`${part}.elbow`)];
    return (t: number): ArmAngles => ({ elevation: elevation(t), plane: plane(t), rotation: rotation(t), elbow: elbow(t) });
  };
  const [pelvisAt, trunkAt, throwingAt, gloveAt] = [segment('pelvis'), segment('trunk'), arm('throwingArm'), arm('gloveArm')];
  const turns = turnsOf(discipline, how, LEGS[discipline].land * tempo, tempo);
  const at = (t: number): BodyAngles => {
    const [pelvis, trunk] = [pelvisAt(t), trunkAt(t)];
    const rotation = turns.trunk?.(t) ?? trunk.rotation;
    const lean = turns.lean(t);
    // Leaning to the target is forward for a chest that faces it, and to the side for one that does not.
    const forward = trunk.forward + lean * Math.sin(rotation * RAD);
    const side = trunk.side - lean * Math.cos(rotation * RAD);
    return {
      driveLeg: NO_LEG,
      leadLeg: NO_LEG,
      throwingArm: throwingAt(t),
      gloveArm: gloveAt(t),
      pelvis: { ...pelvis, rotation: turns.pelvis?.(t) ?? pelvis.rotation },
      trunk: { rotation, forward, side },
    };
  };
  return { at, keyTimes };
}
