import { isStrike, zoneFor } from './command';
import { plateCells, plateFrame } from './plate';

const zone = zoneFor(1.8);

it('covers its frame without a gap, as the pitcher sees it', () => {
  const rows = plateCells(zone, 'R');
  const { left, right, top, bottom } = plateFrame(zone);
  expect(rows.map((r) => r.length)).toEqual([5, 5, 5, 5, 5]);
  for (const row of rows) expect(row.reduce((sum, c) => sum + c.width, 0)).toBeCloseTo(right - left);
  expect(rows.reduce((sum, [c]) => sum + c!.height, 0)).toBeCloseTo(top - bottom);
  expect(rows[0]![0]!.spot.x).toBeLessThan(rows[0]![4]!.spot.x);
  expect(rows[0]![0]!.spot.y).toBeGreaterThan(rows[4]![0]!.spot.y);
});

it('takes a tap in the middle of a cell for a strike just where the cell is of the zone', () => {
  for (const cell of plateCells(zone, 'R').flat()) expect(isStrike({ actual: cell.spot, zone }, 3.7)).toBe(cell.inside);
});

it('names the sides by the arm, and each cell otherwise', () => {
  const [right, left] = [plateCells(zone, 'R'), plateCells(zone, 'L')];
  expect(right[1]![3]!.label).toBe('high, arm side');
  expect(left[1]![1]!.label).toBe('high, arm side');
  expect(right[4]![0]!.label).toBe('below the zone, wide on the glove side');
  expect(new Set(right.flat().map((c) => c.label)).size).toBe(25);
});

it('stays above the ground for the smallest', () => {
  expect(plateFrame(zoneFor(0.8)).bottom).toBe(0);
  for (const cell of plateCells(zoneFor(0.8), 'L').flat()) expect(cell.height).toBeGreaterThanOrEqual(0);
});
