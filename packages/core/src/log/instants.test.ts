import { instantOf, isFromFuture } from './instants';

describe('instants', () => {
  const [start, noon, later] = [0, 43_200_000, 50_000_000];

  it('are the earlier of device and receipt, and never before the session’s day', () => {
    expect(instantOf(noon, later, start)).toBe(noon);
    expect(instantOf(later, noon, start)).toBe(noon);
    expect(instantOf(-5000, noon, start)).toBe(start);
  });

  it('of a clock more than two minutes ahead cannot be', () => {
    expect([isFromFuture(noon + 120_000, noon), isFromFuture(noon + 120_001, noon)]).toEqual([false, true]);
  });
});
