/** The plate as it is tapped: the strike zone in nine parts and a ring around it, as the pitcher sees it. */
import type { Hand } from '../delivery/sides';
import { PLATE_HALF_CM } from './command';
import type { Spot } from './command';

/** Width of the ring around the zone, cm. */
export const RING_CM = 24;

export interface PlateCell {
  /** Its middle. */
  readonly spot: Spot;
  readonly width: number;
  readonly height: number;
  readonly label: string;
  readonly inside: boolean;
}

/** What a plate picture covers, cm. */
export interface PlateFrame {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export const plateFrame = ([low, high]: readonly [low: number, high: number]): PlateFrame => ({
  left: -PLATE_HALF_CM - RING_CM,
  right: PLATE_HALF_CM + RING_CM,
  top: high + RING_CM,
  bottom: Math.max(0, low - RING_CM),
});

const ROWS = ['above the zone', 'high', 'middle height', 'low', 'below the zone'] as const;

/** Rows from the top, cells from the pitcher's left, each with its words for somebody who throws with this hand. */
export function plateCells(zone: readonly [low: number, high: number], throws: Hand): readonly (readonly PlateCell[])[] {
  const [low, high] = zone;
  const { left, right, top, bottom } = plateFrame(zone);
  const third = (2 * PLATE_HALF_CM) / 3;
  const xs = [left, -PLATE_HALF_CM, -PLATE_HALF_CM + third, PLATE_HALF_CM - third, PLATE_HALF_CM, right];
  const ys = [top, high, high - (high - low) / 3, low + (high - low) / 3, low, bottom];
  const sides = ['wide on the glove side', 'glove side', 'middle', 'arm side', 'wide on the arm side'];
  const columns = throws === 'R' ? sides : [...sides].reverse();
  return ROWS.map((row, r) =>
    columns.map((column, c) => ({
      spot: { x: (xs[c]! + xs[c + 1]!) / 2, y: (ys[r]! + ys[r + 1]!) / 2 },
      width: xs[c + 1]! - xs[c]!,
      height: ys[r]! - ys[r + 1]!,
      label: `${row}, ${column}`,
      inside: r > 0 && r < 4 && c > 0 && c < 4,
    })),
  );
}
