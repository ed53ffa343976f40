import { piecesOf } from '../src/http/pieces';

const rows = (many: number) =>
  Array.from({ length: many }, (_, n) => ({ id: n, words: 'a “b” \n c', at: new Date(n), none: null }));

describe('an export in pieces', () => {
  it.each([
    [{}],
    [{ athletes: [] }],
    [{ athletes: rows(1), reps: rows(50), clips: [], readings: rows(51), 'odd "name"': rows(101) }],
  ])('is what it would be in one', (tables) => {
    const whole = { format: 'wrightonic-athlete' as const, version: 1 as const, on: '2026-05-04', tables };
    const pieces = [...piecesOf(whole)];
    expect(pieces.join('')).toBe(JSON.stringify(whole));
    expect(Math.max(...pieces.map((p) => p.length))).toBeLessThan(6000);
  });
});
