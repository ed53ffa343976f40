import { UNITS } from '@wrightonic/core';

describe('values as an academy reads them', () => {
  const [metric, imperial] = [UNITS.cm, UNITS.in];

  it('turns a length and names its unit, whatever it is kept in', () => {
    expect(metric.text(11.43, 'cm')).toBe('11.43 cm');
    expect(imperial.text(11.43, 'cm')).toBe('4.5 in');
    expect(metric.text(20, 'in')).toBe('50.8 cm');
    expect(imperial.name('cm')).toBe('in');
    expect(imperial.text(34, 'deg')).toBe('34°');
    expect(imperial.text(3, 'score')).toBe('3');
  });

  it('keeps what was typed, and shows it again as it was typed', () => {
    for (const typed of [3, 4.5, 11.2, 20])
      for (const unit of ['cm', 'in'] as const)
        for (const units of [metric, imperial]) expect(units.shown(units.kept(typed, unit), unit)).toBe(typed);
  });

  it('says a measured value no finer than it can be read, its error in the same unit', () => {
    expect(metric.measured(-2, 'in')).toBe('-5.1 cm');
    expect(metric.amount(1, 'in')).toBe('2.5');
    expect(imperial.measured(-2.04, 'in')).toBe('-2 in');
    expect(metric.measured(33.6, 'deg')).toBe('34°');
    expect(metric.amount(-3.26, 'deg', 1)).toBe('3.3');
  });

  it('says bands, heights, masses and distances', () => {
    expect(metric.band({ low: -2, high: 4 }, 'in')).toBe('band -5.1 to 10.2 cm');
    expect(metric.band({ low: 40 }, 'deg')).toBe('40° or more');
    expect(metric.band({ high: 20 }, 'deg')).toBe('20° or less');
    expect(metric.band(null, 'deg')).toBe('no band');
    expect([metric.height(1.778), imperial.height(1.778)]).toEqual(['178 cm', '5\'10"']);
    expect([metric.mass(69.9), imperial.mass(69.9)]).toEqual(['70 kg', '154 lb']);
    expect([metric.distance(12), imperial.distance(12.2)]).toEqual(['12 m', '40 ft']);
    expect([metric.long(1.83), imperial.long(1.8288)]).toEqual(['1.83 m', '6.0 ft']);
    expect([metric.metres(2), imperial.metres(10)]).toEqual([2, 3.048]);
  });
});
