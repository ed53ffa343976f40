import type { Build, JointPositions } from '../delivery/body';
import type { Discipline } from '../delivery/links';
import type { DeliveryEvent } from '../delivery/measures';
import type { FindingId } from '../findings/ids';

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
    'shin-vertical',
    'knee-led-load',
    'jump-off',
    'early-tip',
    'stuck-back',
    'arm-drag',
    'locked-landing',
  ],
  windmill: [
    'short-stride',
    'stride-offline',
    'knee-caves',
    'straight-whip',
    'locked-landing',
    'sunk-landing',
    'fold-and-lift',
    'no-brace',
    'early-extension',
    'idle-drive-leg',
    'early-close',
    'shoulder-finish',
  ],
} as const satisfies Record<Discipline, readonly FindingId[]>;
export type SimulatedFault = (typeof SIMULATED_FAULTS)[Discipline][number];
export type Faults = Partial<Record<SimulatedFault, number>>;

export interface DeliveryRequest {
  readonly discipline: Discipline;
  readonly heightM: number;
  readonly age: number;
  /** Left out: the usual proportions of that age. */
  readonly build?: Build;
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

export type HowMuch = (fault: SimulatedFault) => number;
