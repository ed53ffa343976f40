import fc from 'fast-check';
import { fromShown, shownUnit, toShown } from './units';

describe('the academy’s own units', () => {
  it('shows knee to wall in inches and a jump in centimetres where the academy reads so', () => {
    expect(toShown(11.43, 'cm', 'in')).toBeCloseTo(4.5, 9);
    expect(toShown(20, 'in', 'cm')).toBeCloseTo(50.8, 9);
    expect(shownUnit('in', 'cm')).toBe('cm');
  });

  it('leaves what is no length as it is', () => {
    for (const unit of ['deg', 's', '%height', '%BW', 'score', 'xBW', 'ms'])
      for (const length of ['cm', 'in'] as const) {
        expect(toShown(7, unit, length)).toBe(7);
        expect(fromShown(7, unit, length)).toBe(7);
        expect(shownUnit(unit, length)).toBe(unit);
      }
  });

  it('keeps what was entered: back and forth is the same to a hundredth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -100, max: 400, noNaN: true }),
        fc.constantFrom('cm', 'in', 'deg'),
        fc.constantFrom('cm' as const, 'in' as const),
        (value, unit, length) => Math.abs(fromShown(toShown(value, unit, length), unit, length) - value) <= 0.0051,
      ),
    );
  });
});
