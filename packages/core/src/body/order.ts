import type { TestSide } from '../delivery/sides';
import { BODY_TESTS, bodyTestById } from './catalogue';
import type { BodyTest, TestId } from './catalogue';

/** One test on one side. */
export interface TestStep {
  readonly test: TestId;
  readonly side: TestSide;
}

export const POSITIONS = ['supine', 'on-drive-side', 'on-lead-side', 'prone', 'seated', 'standing'] as const;
export type Position = (typeof POSITIONS)[number];

export const POSITION_NAMES: Record<Position, string> = {
  supine: 'on the back',
  'on-drive-side': 'on the drive side',
  'on-lead-side': 'on the lead side',
  prone: 'face down',
  seated: 'seated',
  standing: 'standing',
};

/** How the athlete lies for a test on one side. A leg is lifted from above; a plank stands on its own side. */
export function positionOf({ test, side }: TestStep): Position {
  const { position, lyingOn } = bodyTestById(test);
  if (position !== 'side') return position;
  const below = lyingOn === 'own side' ? side : side === 'drive' ? 'lead' : 'drive';
  return below === 'drive' ? 'on-drive-side' : 'on-lead-side';
}

/** Quarter turns of the body from the back over one side to the face; sitting and standing up cost more. Provenance `house`. */
const ROLL: Partial<Record<Position, number>> = { 'on-lead-side': -1, supine: 0, 'on-drive-side': 1, prone: 2 };
const SIT_UP = 1.5;
const STAND_UP = 2.5;

/** Effort of going from one position into another: quarter turns, and getting up or down. */
export function turnCost(from: Position, to: Position): number {
  if (from === to) return 0;
  const a = ROLL[from];
  const b = ROLL[to];
  if (a !== undefined && b !== undefined) return Math.min(Math.abs(a - b), 4 - Math.abs(a - b));
  const up = (p: Position) => (p === 'standing' ? STAND_UP : p === 'seated' ? SIT_UP : 0);
  // Down to the back or up from it is the easy way; from the side or the face there is a roll first.
  const roll = Math.abs(a ?? b ?? 0) * 0.5;
  return Math.abs(up(from) - up(to)) + roll;
}

function permutations<T>(items: readonly T[]): T[][] {
  if (items.length <= 1) return [[...items]];
  return items.flatMap((item, i) => permutations([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]));
}

const catalogueRank = new Map(BODY_TESTS.map((test, i) => [test.id, i]));

/**
 * The order in which the athlete turns over least: each position is taken up once, positions in the cheapest sequence (all are
 * tried: at most 720), tests within a position in catalogue order, both sides of a test together. A turn of the trunk is taken
 * tall before slouched, side by side.
 * @param start the position the athlete is in, when the check is picked up in the middle
 */
export function inTurningOrder(steps: readonly TestStep[], start: Position = 'standing'): TestStep[] {
  const byPosition = new Map<Position, TestStep[]>();
  for (const step of steps) byPosition.set(positionOf(step), [...(byPosition.get(positionOf(step)) ?? []), step]);
  const present = POSITIONS.filter((p) => byPosition.has(p));
  const routes = permutations(present).map((route) => ({
    route,
    cost: route.reduce((total, p, i) => total + turnCost(i === 0 ? start : route[i - 1]!, p), 0),
  }));
  // Standing work tires: of equal routes the one that stands last is taken.
  const best = routes.reduce<(typeof routes)[number] | null>((a, b) => {
    if (a === null || b.cost < a.cost) return b;
    return b.cost === a.cost && b.route.indexOf('standing') > a.route.indexOf('standing') ? b : a;
  }, null);
  const sideRank = (test: BodyTest, side: TestSide) => (side === test.firstSide ? 0 : 1);
  return (best?.route ?? []).flatMap((position) =>
    byPosition
      .get(position)!
      .slice()
      .sort(
        (a, b) =>
          catalogueRank.get(a.test)! - catalogueRank.get(b.test)! ||
          sideRank(bodyTestById(a.test), a.side) - sideRank(bodyTestById(b.test), b.side),
      ),
  );
}

/** Turning over that an order asks for. */
export function turningOver(steps: readonly TestStep[], start: Position = 'standing'): number {
  return steps.reduce((total, step, i) => total + turnCost(i === 0 ? start : positionOf(steps[i - 1]!), positionOf(step)), 0);
}
