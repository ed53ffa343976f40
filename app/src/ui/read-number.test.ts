import * as fc from 'fast-check';
import { readNumber, readWhole } from './read-number';

it.each([
  ['', undefined],
  ['   ', undefined],
  ['4', 4],
  [' 4,5 ', 4.5],
  ['4.', 4],
  ['.5', 0.5],
  [',5', 0.5],
  ['-3', -3],
  ['−3,25', -3.25],
  ['+2', 2],
  ['4o', null],
  ['1e3', null],
  ['0x10', null],
  ['Infinity', null],
  ['4.5.6', null],
  ['4 5', null],
  ['-', null],
  ['.', null],
  ['five', null],
])('reads “%s” as %s', (text, value) => expect(readNumber(text)).toBe(value));

it.each([
  ['', undefined],
  ['30', 30],
  [' 007 ', 7],
  ['30.0', null],
  ['-1', null],
  ['thirty', null],
  ['30%', null],
  ['1234567890', null],
])('reads “%s” as a count of %s', (text, value) => expect(readWhole(text)).toBe(value));

it('reads back every number that can be shown, with a point or a comma', () => {
  fc.assert(
    fc.property(fc.integer({ min: -1_000_000, max: 1_000_000 }), fc.integer({ min: 0, max: 4 }), (n, digits) => {
      const text = (n / 1000).toFixed(digits);
      expect(readNumber(text)).toBe(Number(text));
      expect(readNumber(text.replace('.', ','))).toBe(Number(text));
    }),
  );
});

it('never makes a number of what holds a letter', () => {
  fc.assert(
    fc.property(fc.string(), fc.constantFrom('a', 'e', 'x', 'I', 'O', '%', '/'), fc.string(), (before, letter, after) => {
      expect(readNumber(before + letter + after)).toBeNull();
      expect(readWhole(before + letter + after)).toBeNull();
    }),
  );
});
