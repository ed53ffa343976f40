import fc from 'fast-check';
import { inFront, joins, leaves, MOST_IN_LINE, nextUp, oneLater, toTheEnd, toTheFront } from './line';
import type { Line } from './line';

const line = (text: string): Line => ({ athletes: [...text], drill: null });
const order = ({ athletes }: Line): string => athletes.join('');
const NOBODY: ReadonlySet<string> = new Set();

describe('a line', () => {
  it('goes round: whoever has gone is last', () => {
    let now = line('abc');
    const gone: (string | null)[] = [];
    for (let n = 0; n < 7; n++) {
      const id = inFront(now, NOBODY)!;
      gone.push(id);
      now = toTheEnd(now, id);
    }
    expect(gone.join('')).toBe('abcabca');
  });

  it('passes over whoever is at a limit, and lets them in again', () => {
    expect(inFront(line('abc'), new Set(['a']))).toBe('b');
    expect(nextUp(line('abc'), new Set(['a']))).toBe('c');
    expect(inFront(line('abc'), new Set(['a', 'b', 'c']))).toBeNull();
    expect(nextUp(line('a'), NOBODY)).toBeNull();
  });

  it('lets one go now, later, out, and in late', () => {
    expect(order(toTheFront(line('abcd'), 'c'))).toBe('cabd');
    expect(order(oneLater(line('abcd'), 'b'))).toBe('acbd');
    expect(order(oneLater(line('abcd'), 'd'))).toBe('abcd');
    expect(order(leaves(line('abcd'), 'a'))).toBe('bcd');
    expect(order(joins(line('ab'), 'x'))).toBe('abx');
    expect(order(joins(line('ab'), 'a'))).toBe('ab');
    expect(order(joins(line('abcdefghijkl'), 'x'))).toHaveLength(MOST_IN_LINE);
  });

  it('never loses or doubles anybody, whatever is done', () => {
    const steps = fc.array(fc.tuple(fc.constantFrom(toTheEnd, toTheFront, oneLater), fc.constantFrom(...'abcdefgz')));
    fc.assert(
      fc.property(steps, (done) => {
        const after = done.reduce((now, [step, id]) => step(now, id), line('abcdefg'));
        expect([...after.athletes].sort().join('')).toBe('abcdefg');
      }),
    );
  });

  it('gives everybody the same number of turns, to one', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.integer({ min: 0, max: 100 }), (n, taps) => {
        let now: Line = { athletes: Array.from({ length: n }, (_, i) => String(i)), drill: null };
        const turns = new Map<string, number>();
        for (let tap = 0; tap < taps; tap++) {
          const id = inFront(now, NOBODY)!;
          turns.set(id, (turns.get(id) ?? 0) + 1);
          now = toTheEnd(now, id);
        }
        const counts = now.athletes.map((id) => turns.get(id) ?? 0);
        expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
      }),
    );
  });
});
