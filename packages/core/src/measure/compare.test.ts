import { measureBand, compareThrows, outside } from './compare';
import type { MeasuredValue } from './types';

const value = (measure: MeasuredValue['measure'], event: MeasuredValue['event'], v: number | null, sd = 2): MeasuredValue => ({
  measure,
  event,
  unit: 'deg',
  value: v,
  sd: v === null ? null : sd,
  valid: v !== null,
  ...(v === null ? { why: 'cannot be read from the front; film it from the side' } : {}),
});
const one = (before: number, after: number, sd = 2) =>
  compareThrows(
    [value('lead-knee-flexion', 'release', before, sd)],
    [value('lead-knee-flexion', 'release', after, sd)],
    'overhand',
    17,
  ).values[0]!;

describe('two throws compared', () => {
  it('carry the throw-to-throw spread: what one careful reading could tell, one throw cannot', () => {
    // Both readings to 2°, and the usual 4° from throw to throw: SD of the change √(2·(4+16)) = 6.3, real beyond 10.4.
    expect(one(50, 41)).toMatchObject({ way: 'same', change: -9, changeSd: 6.32 });
    expect(one(50, 38)).toMatchObject({ way: 'better', change: -12 });
  });

  it('use the athlete’s own spread where it is known', () => {
    const found = compareThrows(
      [value('lead-knee-flexion', 'release', 50)],
      [value('lead-knee-flexion', 'release', 41)],
      'overhand',
      17,
      { 'lead-knee-flexion': 1 },
    );
    expect(found.values[0]!.way).toBe('better');
  });

  it('say what got worse, and what moved without a band or within it', () => {
    expect(one(40, 60).way).toBe('worse');
    expect(one(28, 44).way).toBe('moved');
    const bandless = compareThrows(
      [value('drive-shin-angle', 'peak-knee', 5)],
      [value('drive-shin-angle', 'peak-knee', 30)],
      'overhand',
      17,
    );
    expect(bandless.values[0]).toMatchObject({ way: 'moved', band: null });
  });

  it('past the other end of the band is no gain', () => {
    expect(one(50, 10).way).toBe('worse');
  });

  it('name what only one of the clips shows, and drop what neither does', () => {
    const found = compareThrows(
      [value('lead-knee-flexion', 'release', null), value('elbow-height', 'release', null)],
      [value('lead-knee-flexion', 'release', 30), value('elbow-height', 'release', null)],
      'overhand',
      17,
    );
    expect(found.values).toEqual([]);
    expect(found.unlike).toEqual([
      expect.objectContaining({
        measure: 'lead-knee-flexion',
        why: expect.stringContaining('earlier clip: cannot be read') as string,
      }),
    ]);
  });
});

describe('the band of a measure', () => {
  it('is the youth one below fifteen', () => {
    expect(measureBand('stride-length', 'contact', 'overhand', 12)).toEqual({ low: 65, high: 85 });
    expect(measureBand('stride-length', 'contact', 'overhand', 16)).toEqual({ low: 75, high: 90 });
    expect(measureBand('drive-hip-drop', 'contact', 'overhand', 16)).toBeNull();
  });
  it('open at an end has no outside there', () => {
    expect(outside(100, { low: 0 })).toBe(0);
    expect(outside(-3, { low: 0 })).toBe(3);
    expect(outside(7, { low: 0, high: 5 })).toBe(2);
  });
});
