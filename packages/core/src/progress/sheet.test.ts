import { addDays } from '../shared/dates';
import { UNITS } from '../words/shown';
import type { CourseValue } from './course';
import { measureHistories } from './histories';
import { sheetOf } from './sheet';
import type { SheetRequest } from './sheet';
import { sheetRow, sheetWords } from './sheet-words';
import { trend } from './trend';
import type { TrendReading } from './trend';

const [FROM, TO] = ['2031-03-03', '2031-06-02'];
const value = (on: string, measure: CourseValue['measure'], event: CourseValue['event'], v: number, sd = 2): CourseValue => ({
  on,
  measure,
  event,
  value: v,
  sd,
  effort: [95, 95],
});
const speeds = (on: string, mph: number): TrendReading[] =>
  [0, 1, 2, 3, 4].map((n) => ({
    date: on,
    speed: mph + 0.2 * n,
    unit: 'mph',
    effort: 100,
    gun: 'A',
    angleDeg: 0,
    setting: 'mound',
  }));
const trendOf = (...readings: TrendReading[]) =>
  trend({
    on: TO,
    athlete: { discipline: 'overhand', throws: 'R', birthDate: '2009-01-10', heightM: 1.8, massKg: 80, level: 'college' },
    readings,
  });
const BOTH = [
  value(FROM, 'stride-length', 'contact', 64),
  value(TO, 'stride-length', 'contact', 84),
  value(FROM, 'stride-direction', 'contact', 1, 1),
  value(TO, 'stride-direction', 'contact', 7, 1),
  value(FROM, 'lead-foot-angle', 'contact', 10, 4),
  value(TO, 'lead-foot-angle', 'contact', 12, 4),
];
const request = (more: Partial<SheetRequest> = {}): SheetRequest => ({
  discipline: 'overhand',
  age: 22,
  from: FROM,
  to: TO,
  values: BOTH,
  trend: null,
  ...more,
});
const named = (measures: readonly { readonly measure: string }[]) => measures.map((m) => m.measure);

describe('then and now', () => {
  it('calls better and worse only what is beyond its error, against the band', () => {
    const sheet = sheetOf(request());
    expect(named(sheet.better)).toEqual(['stride-length']);
    expect(named(sheet.worse)).toEqual(['stride-direction']);
    expect(sheet.measures.find((m) => m.measure === 'lead-foot-angle')?.way).toBe('same');
    expect(sheet.measures[0]!.error).toBeCloseTo(1.64 * Math.hypot(2, 2), 1);
  });

  it('turned round it says the contrary, and in any order the same', () => {
    const back = sheetOf(request({ from: TO, to: FROM }));
    expect(named(back.worse)).toEqual(['stride-length']);
    expect(named(back.better)).toEqual(['stride-direction']);
    expect(sheetOf(request({ values: [...BOTH].reverse() }))).toEqual(sheetOf(request()));
  });

  it('compares what was measured on both days alone', () => {
    const { measures, better, unlike } = sheetOf(request({ values: BOTH.filter((v) => v.on === TO) }));
    expect([measures, better, unlike]).toEqual([[], [], null]);
    const other = BOTH.map((v) => (v.on === TO ? { ...v, on: addDays(TO, 1) } : v));
    expect(sheetOf(request({ values: other })).measures).toEqual([]);
  });

  it('asks whether the gain explains what got worse, and says where it cannot', () => {
    const gain = trendOf(...speeds(FROM, 70), ...speeds(addDays(FROM, 40), 73), ...speeds(TO, 76));
    expect(sheetOf(request({ trend: gain })).why).toContain('may explain it');
    const still = trendOf(...speeds(FROM, 70), ...speeds(addDays(FROM, 40), 70), ...speeds(TO, 70));
    expect(sheetOf(request({ trend: still })).why).toContain('does not explain it');
    expect(sheetOf(request()).why).toContain('not read on both dates');
    expect(sheetOf(request({ values: BOTH.slice(0, 2) })).why).toBeNull();
  });

  it('says when the throws were not alike', () => {
    const at = (from: CourseValue['effort'], to: CourseValue['effort']) =>
      sheetOf(request({ values: BOTH.map((v) => ({ ...v, effort: v.on === FROM ? from : to })) })).unlike;
    expect(at([95, 95], [90, 100])).toBeNull();
    expect(at([60, 60], [95, 95])).toContain('60 % then and 95 % now');
    expect(at(null, [95, 95])).toContain('not noted');
  });

  it('has its numbers in words, in the academy’s units', () => {
    const sheet = sheetOf(request());
    expect(sheetWords(sheet, UNITS.in).better).toEqual(['Stride length, at contact: 64 to 84 % of height (change ± 4.6)']);
    expect(sheetWords({ ...sheet, measures: Array.from({ length: 29 }, () => sheet.measures[0]!) }, UNITS.in).footnote).toContain(
      'Of 29 measures about 3 would',
    );
    expect(sheetWords(sheet, UNITS.in).footnote).not.toContain('chance');
    const row = sheetRow(sheet.worse[0]!, UNITS.cm);
    expect(row[1]).toBe('2.5 cm');
    expect(row[2]).toBe('17.8 cm');
    expect(row[3]).toMatch(/^\+15\.2 ± /);
    expect(sheetWords(sheetOf(request({ values: [] })), UNITS.cm).noWorse).toBe('Nothing was measured on both dates.');
  });
});

it('histories stand by measure and event, those of the foci first, oldest day first', () => {
  const histories = measureHistories([...BOTH].reverse(), 'overhand', 22, ['stride-offline']);
  expect(histories[0]).toMatchObject({ measure: 'stride-direction', unit: 'in', of: ['stride-offline'] });
  expect(histories.map((h) => h.values.map((v) => v.on))).toEqual([
    [FROM, TO],
    [FROM, TO],
    [FROM, TO],
  ]);
  expect(measureHistories([], 'windmill', 12, [])).toEqual([]);
});
