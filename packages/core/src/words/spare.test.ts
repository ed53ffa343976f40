import fc from 'fast-check';
import { spareWords } from './spare';

const WORDS = [
  { avoid: 'push', say: 'let the hip go' },
  { avoid: 'balance and stop', say: 'slow is fine, never stopped' },
  { avoid: 'balance', say: 'stand easy' },
];

describe('words to avoid', () => {
  it('are replaced whole, in any case, the longest phrase first', () => {
    expect(spareWords('Push late, and push again.', WORDS)).toBe('Let the hip go late, and let the hip go again.');
    expect(spareWords('Balance and stop, then balance.', WORDS)).toBe('Slow is fine, never stopped, then stand easy.');
    expect(spareWords('The pusher pushed.', WORDS)).toBe('The pusher pushed.');
  });
  it('leave the rest alone, and are not replaced within what was put in', () => {
    expect(
      spareWords('a.b', [
        { avoid: '.', say: 'x' },
        { avoid: '', say: 'y' },
      ]),
    ).toBe('a.b');
    expect(
      spareWords('go', [
        { avoid: 'go', say: 'stop' },
        { avoid: 'stop', say: 'go' },
      ]),
    ).toBe('stop');
    fc.assert(fc.property(fc.string(), (text) => expect(spareWords(text, [])).toBe(text)));
  });
});
