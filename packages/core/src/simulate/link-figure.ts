import { translated } from '../delivery/body';
import type { JointPositions } from '../delivery/body';
import { thereAndBack } from '../delivery/figure';
import type { Discipline, Link } from '../delivery/links';
import type { DeliveryEvent } from '../delivery/measures';
import { simulateDelivery } from './delivery';
import { SIMULATED_FAULTS } from './faults';
import type { SimulatedFault } from './faults';

type Markable = Exclude<DeliveryEvent, 'max'>;
/** From where to where a link goes: events, and how much before or after them, seconds. */
type Stretch = readonly [from: Markable, before: number, to: Markable, after: number];

const STRETCHES: Record<Discipline, Record<Link, Stretch>> = {
  overhand: {
    set: ['set', 0, 'first-move', 0.18],
    lift: ['first-move', 0, 'peak-knee', 0],
    move: ['peak-knee', 0, 'contact', -0.02],
    land: ['contact', 0.14, 'foot-flat', 0],
    turn: ['foot-flat', 0, 'release', 0],
    finish: ['release', 0, 'finish', 0],
  },
  windmill: {
    set: ['set', 0, 'first-move', 0.14],
    lift: ['first-move', 0, 'arm-3-oclock', 0],
    move: ['arm-3-oclock', 0, 'contact', -0.04],
    land: ['contact', 0.12, 'foot-flat', 0],
    turn: ['foot-flat', 0, 'release', 0],
    finish: ['release', 0, 'finish', 0],
  },
};

/**
 * A delivery through one link, clean or with one fault at full strength, there and back without a jump, for the figure to show.
 * @returns joints by the place in the loop, 0 to 1; the hips stand over the origin in the middle of the link
 */
export function linkMovement(
  link: Link,
  discipline: Discipline,
  heightM: number,
  age: number,
  fault?: SimulatedFault,
): (t: number) => JointPositions {
  const delivery = simulateDelivery({ discipline, heightM, age, ...(fault ? { faults: { [fault]: 1 } } : {}) });
  const [from, before, to, after] = STRETCHES[discipline][link];
  const [start, end] = [delivery.events[from]! - before, delivery.events[to]! + after];
  const middle = delivery.jointsAt((start + end) / 2);
  const over = -(middle['drive-hip'][0] + middle['lead-hip'][0]) / 2;
  return (t) => translated(delivery.jointsAt(start + thereAndBack(t) * (end - start)), [over, 0, 0]);
}

/** Its fault shows on the way out, not on its own link. */
const SEEN_ELSEWHERE: ReadonlySet<string> = new Set(['stuck-back']);

/** The fault by which a finding can be shown on its own link; null where there is none. */
export const shownFault = (finding: string, discipline: Discipline): SimulatedFault | null =>
  SIMULATED_FAULTS[discipline].find((fault) => fault === finding && !SEEN_ELSEWHERE.has(fault)) ?? null;
