import type { CampRecord } from '@wrightonic/contract';
import fc from 'fast-check';
import type { Operation } from '../../data/operations';
import { refusedArrival, withArrivals } from './arrivals';

const CAMP = { id: 'c1', arrivals: [{ day: 0, athlete: 'a' }] } as unknown as CampRecord;
let seq = 0;
const tap = (athlete: string, here: boolean, more: Partial<Operation> = {}): Operation => ({
  seq: seq++,
  user: 'u',
  athlete,
  session: 'c1',
  work: { kind: 'arrive', body: { day: 0, athlete, here } },
  status: 'waiting',
  reason: null,
  ...more,
});
const here = (operations: readonly Operation[], user = 'u') =>
  withArrivals(CAMP, operations, user)
    .arrivals.map((a) => a.athlete)
    .sort();

it('shows what waits on this device as done, the last tap on a name', () => {
  expect(here([])).toEqual(['a']);
  expect(here([tap('b', true)])).toEqual(['a', 'b']);
  expect(here([tap('b', true), tap('b', false), tap('a', false)])).toEqual([]);
  expect(here([tap('b', false), tap('b', true), tap('b', true)])).toEqual(['a', 'b']);
});

it('counts neither what was sent or refused, nor another’s, nor another camp’s', () => {
  expect(here([tap('b', true, { status: 'sent' }), tap('c', true, { status: 'refused' })])).toEqual(['a']);
  expect(here([tap('b', true, { session: 'c2' })])).toEqual(['a']);
  expect(here([tap('b', true)], 'another')).toEqual(['a']);
});

it('says why the newest was not taken, until one is', () => {
  const refused = tap('b', true, { status: 'refused', reason: 'is not at this camp' });
  expect(refusedArrival([refused], 'c1', 'u')).toBe('is not at this camp');
  expect(refusedArrival([refused, tap('a', true)], 'c1', 'u')).toBeNull();
  expect(refusedArrival([], 'c1', 'u')).toBeNull();
});

it('comes to what a list of taps comes to, whatever they are, and doubles nobody', () => {
  const taps = fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.boolean()), { maxLength: 12 });
  fc.assert(
    fc.property(taps, (done) => {
      const expected = new Map([['a', true], ...done]);
      const shown = here(done.map(([athlete, is]) => tap(athlete, is)));
      expect(shown).toEqual(['a', 'b', 'c'].filter((athlete) => expected.get(athlete)));
    }),
  );
});
