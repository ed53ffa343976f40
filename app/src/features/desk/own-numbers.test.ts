import { settableNumbers } from '@wrightonic/core';
import type { SettableNumber } from '@wrightonic/core';
import { isOwn, ownOf, withOwn } from './own-numbers';

describe('an academy’s own number', () => {
  const all = settableNumbers();
  const other = (n: SettableNumber) => n.standard + 0.01;

  it('is set, read and taken back, and touches no other', () => {
    for (const n of all) {
      expect(ownOf({}, n)).toBeUndefined();
      const set = withOwn({}, n, other(n));
      expect(ownOf(set, n)).toBe(other(n));
      expect(all.filter((m) => isOwn(set, m))).toEqual([n]);
      const back = withOwn(set, n, undefined);
      expect(all.filter((m) => isOwn(back, m))).toEqual([]);
    }
  });

  it('keeps both ends of a test where one of them goes back', () => {
    const [pass, watch] = ['pass', 'watch'].map((part) => all.find((n) => n.key === 'hip-internal-rotation' && n.part === part)!);
    const both = withOwn(withOwn({}, pass!, 44), watch!, 33);
    const one = withOwn(both, pass!, undefined);
    expect(ownOf(one, watch!)).toBe(33);
    expect(ownOf(one, pass!)).toBe(pass!.standard);
    expect(isOwn(one, pass!)).toBe(false);
  });
});
