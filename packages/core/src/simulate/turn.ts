/** How pelvis and trunk turn and lean through a delivery, beyond the figure's key positions. */
import type { Discipline } from '../delivery/links';
import type { HowMuch } from './faults';
import { curve } from './curve';

type Points = readonly (readonly [seconds: number, degrees: number])[];

const through = (points: Points, landing: number, tempo: number): ((t: number) => number) =>
  curve(
    points.map(([t]) => landing + t * tempo),
    points.map(([, angle]) => angle),
  );

/**
 * Turn of the pelvis in an overhand delivery, by seconds from contact: under way at contact, fastest a third of the way to the
 * release (the order of the published sequences; numbers `house`). Late hips have hardly begun when the foot is down.
 */
const pelvisTurn = (late: number): Points => [
  [-1.12, 0],
  [-0.52, -18],
  [-0.22, -14],
  [-0.11 + 0.09 * late, 10 - 4 * late],
  [0, 45 - 36 * late],
  [0.03, 58 - 45 * late],
  [0.065, 79 - 46 * late],
  [0.15, 97 - 15 * late],
  [0.5, 108],
];

/** Turn of the trunk: closed at contact, fastest after the pelvis. */
const trunkTurn = (together: number, open: number): Points => [
  [-1.12, 0],
  [-0.52, -18],
  [-0.22, -12],
  [-0.05, -6 + 34 * together + 44 * open],
  [0, -2 + 44 * together + 54 * open],
  [0.04, 16 + 40 * together + 46 * open],
  [0.082, 36 + 26 * together + 22 * open],
  [0.124, 68 + 8 * together + 8 * open],
  [0.165, 102],
  [0.5, 122],
];

export interface Turns {
  /** Degrees; null where the figure's key positions say it. */
  readonly pelvis: ((t: number) => number) | null;
  readonly trunk: ((t: number) => number) | null;
  /** Lean of the trunk to the target beyond the key positions, degrees. */
  readonly lean: (t: number) => number;
}

/**
 * Turns and lean of a delivery.
 * @param landing seconds of the contact; the tempo is in it already
 */
export function turnsOf(discipline: Discipline, how: HowMuch, landing: number, tempo: number): Turns {
  const lean = (points: Points) => through(points, landing, tempo);
  if (discipline === 'windmill') {
    const [fold, idle] = [how('fold-and-lift'), how('idle-drive-leg')];
    return {
      pelvis: null,
      trunk: null,
      lean: lean([
        [-0.3, 0],
        [-0.1, 46 * idle],
        [0, 20 * fold - 6 * idle],
        [0.05, 36 * fold],
        [0.115, 20 * fold],
        [0.4, 0],
      ]),
    };
  }
  const [back, behind] = [how('lean-back'), how('chest-behind')];
  return {
    pelvis: through(pelvisTurn(how('late-hips')), landing, tempo),
    trunk: through(trunkTurn(how('turn-together'), how('fly-open')), landing, tempo),
    lean: lean([
      [-0.4, 0],
      [0, -24 * back],
      [0.09, -8 * back - 8 * behind],
      [0.15, -24 * behind],
      [0.5, 0],
    ]),
  };
}
