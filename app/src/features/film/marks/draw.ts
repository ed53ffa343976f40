import { DRAWING_POINTS } from '@wrightonic/contract';
import type { Drawing, DrawingKind } from '@wrightonic/contract';
import type { At } from './paint';

/** A way of the finger that is shorter than this, in pixels of the clip, is a touch. */
const STILL = 3;
/** Points of a drawn path lie at least so far apart. */
const SPACED = 4;

const tenths = ([x, y]: At): At => [Math.round(10 * x) / 10, Math.round(10 * y) / 10];

/** The points that a way of the finger gives to a kind of drawing. */
export function drawingPoints(kind: DrawingKind, stroke: readonly At[]): At[] {
  const [first, last] = [stroke[0], stroke[stroke.length - 1]];
  if (!first || !last) return [];
  if (kind === 'note' || kind === 'angle') return [tenths(last)];
  if (kind !== 'path') return [tenths(first), tenths(last)];
  const points: At[] = [];
  for (const at of stroke) {
    const before = points[points.length - 1];
    if (!before || Math.hypot(at[0] - before[0], at[1] - before[1]) >= SPACED) points.push(tenths(at));
  }
  // A long way is thinned evenly, its ends kept.
  const most = DRAWING_POINTS.path[1];
  const by = Math.max(1, (points.length - 1) / (most - 1));
  return points.length <= most ? points : Array.from({ length: most }, (_, i) => points[Math.round(i * by)]!);
}

/** A drawing of a frame, not yet named. */
export const drawingFrom = (kind: DrawingKind, points: readonly At[], note: string, frame: number): Drawing => ({
  id: '',
  kind,
  points,
  text: kind === 'note' ? note.trim() : '',
  from: frame,
  to: frame,
});

/** Whether there is enough of it to be kept: a touch is no line. */
export function isDrawn({ kind, points, text }: Drawing): boolean {
  const [least] = DRAWING_POINTS[kind];
  if (points.length < least) return false;
  const [a, b] = points;
  if (kind === 'note') return points.length === 1 && text !== '';
  return kind === 'angle' || (a !== undefined && b !== undefined && Math.hypot(b[0] - a[0], b[1] - a[1]) >= STILL);
}
