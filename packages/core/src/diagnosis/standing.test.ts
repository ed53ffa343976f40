import fc from 'fast-check';
import { MEASURES } from '../delivery/measures';
import { addDays } from '../shared/dates';
import type { AthleteProfile } from '../athlete/athlete';
import { BODY_TESTS } from '../body/catalogue';
import { THROWER } from '../testing/athletes';
import { diagnose } from './diagnose';
import type { Diagnosis } from './diagnosis';
import { HISTORY_EVENTS } from '../evidence/kinds/history';
import { MISS_PATTERNS } from '../evidence/kinds/miss';
import { STYLE_ITEMS } from '../evidence/kinds/style';
import type { DatedEvidence } from '../evidence/evidence';
import { graphFindings } from './model';
import { standingOf } from '../evidence/standing';

const on = '2026-04-18';
const ago = (days: number) => addDays(on, -days);
const WINDMILL: AthleteProfile = { ...THROWER, discipline: 'windmill' };
const judge = (evidence: readonly DatedEvidence[], athlete = THROWER) => diagnose({ on, athlete, evidence });
const eye = (finding: DatedEvidence & { kind: 'eye' } extends { finding: infer F } ? F : never, more: object = {}) =>
  ({ kind: 'eye', finding, answer: 'yes', ...more }) as DatedEvidence;
const hip = (side: 'drive' | 'lead', value: number, more: object = {}) =>
  ({ kind: 'screen', test: 'hip-internal-rotation', side, value, unit: 'deg', ...more }) as DatedEvidence;
const test = (id: string, side: string, value: number, unit: string, more: object = {}) =>
  ({ kind: 'screen', test: id, side, value, unit, ...more }) as DatedEvidence;
const p = (d: Diagnosis, finding: string) => d.posterior[finding as keyof Diagnosis['posterior']]!;

describe('the newest of a thing', () => {
  it('is the newest by day, wherever it stands in the list, and undated is of today', () => {
    const [old, middle, today] = [hip('drive', 22, { on: ago(90) }), hip('drive', 24, { on: ago(40) }), hip('drive', 46)];
    const one = judge([today]).posterior;
    for (const list of [
      [old, middle, today],
      [today, middle, old],
      [middle, today, old],
    ])
      expect(judge(list).posterior).toEqual(one);
    expect(judge([old, { ...today, on }]).posterior).toEqual(one);
  });

  it('of one day is an equal share of all', () => {
    const { weight, isNewest } = standingOf([eye('stall'), eye('stall', { answer: 'no' }), eye('stall', { on: ago(5) })], on);
    expect([0, 1, 2].map((i) => weight(i))).toEqual([0.5, 0.5, 0.2]);
    expect([0, 1, 2].map(isNewest)).toEqual([true, true, false]);
  });
});

describe('what is said again', () => {
  const many = (n: number, item: (i: number) => DatedEvidence) => Array.from({ length: n }, (_, i) => item(i));

  it('by one eye weighs little, however often', () => {
    const looks = (n: number) => p(judge(many(n, (i) => eye('stall', { on: ago(i), by: 'a' }))), 'stall');
    expect(looks(2)).toBeGreaterThan(looks(1));
    expect(looks(40) - looks(3)).toBeLessThan(0.05);
  });

  it('by another eye counts in full', () => {
    const two = p(judge([eye('stall', { by: 'a' }), eye('stall', { by: 'b' })]), 'stall');
    expect(two).toBeGreaterThan(p(judge(many(40, (i) => eye('stall', { on: ago(i), by: 'a' }))), 'stall'));
  });

  it('as something told, tried or come out counts once and a little', () => {
    const told: DatedEvidence = { kind: 'history', event: 'told-to-push' };
    expect(judge([told, told, told]).posterior).toEqual(judge([told]).posterior);
    expect(judge(many(9, (i) => ({ ...told, on: ago(i) }))).posterior).toEqual(judge([told]).posterior);
    const tried = (finding: string, days = 0) =>
      ({ kind: 'transfer', finding, cleanInDrill: 'yes', cleanOnMound: 'no', on: ago(days) }) as DatedEvidence;
    const all = graphFindings('overhand').filter((f) => f.kind === 'habit');
    const transfer = (n: number) => p(judge(all.slice(0, n).map((f) => tried(f.id))), 'drill-not-transferred');
    expect(transfer(1)).toBeGreaterThan(0.25);
    expect(transfer(12)).toBeLessThan(0.85);
    const poor = (n: number) =>
      judge(many(n, (i) => ({ kind: 'outcome', strikes: 'poor', on: ago(i) }))).posterior['glove-pull']!;
    expect(poor(30)).toBeLessThan(1.6 * poor(1));
    const same = (n: number) => judge(many(n, (i) => tried('stall', i))).posterior['drill-not-transferred']!;
    expect(same(10)).toBe(same(1));
  });

  it('as a miss of one day, too', () => {
    const miss: DatedEvidence = { kind: 'miss', pattern: 'high' };
    expect(judge([miss, miss]).posterior).toEqual(judge([miss]).posterior);
    expect(p(judge(many(30, (i) => ({ ...miss, on: ago(i) }))), 'fly-open')).toBeLessThan(1.5 * p(judge([miss]), 'fly-open'));
  });
});

describe('two sides of one test', () => {
  const turnOut = (side: 'drive' | 'lead', value: number, days = 0) =>
    test('hip-external-rotation', side, value, 'deg', { on: ago(days) });

  it('fade each by its own day', () => {
    const old = judge([turnOut('drive', 22, 240), turnOut('lead', 46)]);
    const both = judge([turnOut('drive', 22), turnOut('lead', 46)]);
    const alone = judge([turnOut('drive', 22, 240)]);
    expect(p(both, 'hip-er')).toBeGreaterThan(0.6);
    // The worse reading is not lost behind the newer side, nor does it stay as fresh as that.
    expect(p(old, 'hip-er')).toBeLessThan(p(both, 'hip-er') - 0.2);
    expect(p(old, 'hip-er')).toBeGreaterThan(p(judge([turnOut('lead', 46)]), 'hip-er'));
    expect(p(old, 'hip-er')).toBeLessThanOrEqual(p(alone, 'hip-er'));
  });

  it('speak for the side that stands clearly behind', () => {
    const even = p(judge([hip('drive', 36), hip('lead', 38)]), 'drive-hip-ir');
    const uneven = p(judge([hip('drive', 36), hip('lead', 50)]), 'drive-hip-ir');
    expect(uneven).toBeGreaterThan(1.2 * even);
    expect(p(judge([hip('drive', 50), hip('lead', 36)]), 'drive-hip-ir')).toBe(p(judge([hip('drive', 50)]), 'drive-hip-ir'));
  });

  it('hold the slouched turn against the tall one of its day', () => {
    const tall = (value: number, days: number) => test('trunk-rotation', 'to-glove', value, 'deg', { on: ago(days) });
    const slouched = test('trunk-rotation-slouched', 'to-glove', 34, 'deg', { on: ago(30) });
    const paired = p(judge([slouched, tall(52, 30)]), 'slouch');
    expect(paired).toBeGreaterThan(p(judge([tall(52, 30)]), 'slouch'));
    expect(p(judge([slouched, tall(52, 30), tall(36, 0)]), 'slouch')).toBeGreaterThan(p(judge([tall(36, 0)]), 'slouch'));
    expect(
      judge([slouched, tall(52, 3)])
        .notes.map((n) => n.note)
        .join(),
    ).toMatch(/tall one of the same day/);
  });
});

describe('a limit that was read twice', () => {
  const limits = [
    hip('drive', 22),
    test('hip-external-rotation', 'lead', 20, 'deg'),
    test('knee-to-wall', 'drive', 4, 'cm'),
    test('abductor-hold', 'lead', 12, 's'),
    test('single-leg-squat', 'drive', 1, 'score'),
  ];

  it('is a fact, whatever else was seen', () => {
    for (const [i, finding] of ['drive-hip-ir', 'hip-er', 'ankle', 'abductor-strength', 'single-leg-strength'].entries()) {
      const against = graphFindings('overhand')
        .filter((f) => f.kind === 'habit')
        .flatMap((f): DatedEvidence[] => [
          { kind: 'eye', finding: f.id, answer: 'no' },
          { kind: 'slow', finding: f.id, canDoSlowly: 'yes' },
        ]);
      expect(p(judge([limits[i]!, limits[i]!, ...against]), finding)).toBeGreaterThanOrEqual(0.9);
      expect(p(judge([{ ...limits[i]!, readings: 2 } as DatedEvidence, ...against]), finding)).toBeGreaterThanOrEqual(0.9);
      expect(p(judge([limits[i]!]), finding)).toBeLessThan(0.95);
    }
  });

  it('is no root while nothing hangs on it', () => {
    const { roots, posterior } = judge([test('knee-to-wall', 'drive', 4, 'cm', { readings: 2 })]);
    expect(posterior.ankle).toBeGreaterThan(0.9);
    expect(roots.find((r) => r.finding === 'ankle')?.probability ?? 0).toBeLessThan(0.6);
  });

  it('needs both readings to be limits', () => {
    expect(p(judge([hip('drive', 29), hip('drive', 37)]), 'drive-hip-ir')).toBeLessThan(0.7);
  });
});

/** Random evidence of every kind for a discipline. */
function anyEvidence(discipline: 'overhand' | 'windmill') {
  const findings = graphFindings(discipline).map((f) => f.id);
  const yesNo = fc.constantFrom('yes' as const, 'no' as const);
  const goodPoor = fc.option(fc.constantFrom('good' as const, 'poor' as const), { nil: undefined });
  const onDay = fc.constantFrom(undefined, ago(0), ago(3), ago(30), ago(200));
  const item = fc.oneof(
    fc.record({
      kind: fc.constant('eye' as const),
      finding: fc.constantFrom(...findings),
      answer: fc.constantFrom('yes' as const, 'no' as const, 'unsure' as const),
      by: fc.constantFrom('a', 'b'),
    }),
    fc
      .tuple(
        fc.constantFrom(...BODY_TESTS.filter((t) => t.unit !== 'score')),
        fc.nat({ max: 1 }),
        fc.double({ min: 0.5, max: 1.3, noNaN: true }),
      )
      .map(([t, side, share]) => ({
        kind: 'screen' as const,
        test: t.id,
        side: t.sides[Math.min(side, t.sides.length - 1)]!,
        value: Math.round(t.pass * share * 10) / 10,
        unit: t.unit,
      })),
    fc
      .tuple(
        fc.constantFrom(...MEASURES.filter((m) => (m.bands[discipline] ?? []).length > 0)),
        fc.double({ min: -1, max: 2, noNaN: true }),
      )
      .map(([m, share]) => {
        const band = m.bands[discipline]![0]!;
        const [low, high] = [band.low ?? band.high! - 20, band.high ?? band.low! + 20];
        return {
          kind: 'measure' as const,
          measure: m.id,
          event: band.event,
          value: Math.round((low + share * (high - low)) * 10) / 10,
          unit: m.unit,
          sd: m.typicalSd,
        };
      }),
    fc
      .tuple(fc.integer({ min: -90, max: -20 }), fc.integer({ min: -60, max: 0 }), fc.integer({ min: 300, max: 700 }))
      .map(([pelvis, trunk, speed]) => ({
        kind: 'sequence' as const,
        peaksMs: { pelvis, trunk, 'glove-arm': trunk - 10 },
        peaksDegPerS: { pelvis: speed },
      })),
    fc.record({ kind: fc.constant('miss' as const), pattern: fc.constantFrom(...MISS_PATTERNS) }),
    fc.record({ kind: fc.constant('slow' as const), finding: fc.constantFrom(...findings), canDoSlowly: yesNo }),
    fc.record({
      kind: fc.constant('transfer' as const),
      finding: fc.constantFrom(...findings),
      cleanInDrill: yesNo,
      cleanOnMound: yesNo,
    }),
    fc.record({ kind: fc.constant('history' as const), event: fc.constantFrom(...HISTORY_EVENTS) }),
    fc
      .record({ strikes: goodPoor, movement: goodPoor, velocity: goodPoor })
      .map((o) => ({ kind: 'outcome' as const, ...Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined)) })),
    fc.record({ kind: fc.constant('style' as const), item: fc.constantFrom(...STYLE_ITEMS) }),
    fc
      .array(fc.record({ speed: fc.integer({ min: 50, max: 70 }), effort: fc.constantFrom(80, 100) }), { maxLength: 8 })
      .map((readings) => ({
        kind: 'velocity' as const,
        readings: readings.map((r) => ({ ...r, unit: 'mph' as const })),
      })),
  );
  return fc.array(
    fc.tuple(item, onDay).map(([what, day]) => (day === undefined ? what : { ...what, on: day }) as DatedEvidence),
    { maxLength: 9 },
  );
}

/** All that a judgement says, with the items named by what they are and not by where they stood. */
function whatItSays(d: Diagnosis, evidence: readonly DatedEvidence[]) {
  const named = (i: number) => JSON.stringify(evidence[i]);
  const pulls = (list: readonly { evidence: number; weight: number }[]) =>
    list.map((l) => `${l.weight} ${named(l.evidence)}`).sort();
  return {
    ...d,
    roots: d.roots.map((r) => ({
      ...r,
      because: pulls(r.because),
      against: pulls(r.against),
      cleared: r.cleared.map((c) => ({ ...c, evidence: c.evidence.map(named).sort() })),
    })),
    notes: d.notes.map((n) => `${n.note} ${n.evidence.map(named).sort().join(' ')}`).sort(),
  };
}

describe.each([
  ['overhand', THROWER],
  ['windmill', WINDMILL],
] as const)('any evidence, %s', (discipline, athlete) => {
  const runs = { numRuns: 40 };

  it('says the same in any order', () => {
    fc.assert(
      fc.property(
        anyEvidence(discipline).chain((list) =>
          fc.tuple(fc.constant(list), fc.shuffledSubarray(list, { minLength: list.length })),
        ),
        ([list, other]) => {
          expect(whatItSays(judge(other, athlete), other)).toEqual(whatItSays(judge(list, athlete), list));
        },
      ),
      runs,
    );
  });

  it('says the same when it is given twice, but for tests, which are then read twice', () => {
    fc.assert(
      fc.property(anyEvidence(discipline), (list) => {
        const kept = list.filter(
          (item) =>
            item.kind !== 'screen' &&
            !(item.kind === 'eye' && list.some((o) => o !== item && o.kind === 'eye' && o.finding === item.finding)),
        );
        const [one, two] = [judge(kept, athlete), judge([...kept, ...kept], athlete)];
        for (const [finding, value] of Object.entries(one.posterior)) expect(p(two, finding)).toBeCloseTo(value, 3);
      }),
      runs,
    );
  });

  it('says the same of the other hand, and nothing more for what nobody could tell', () => {
    fc.assert(
      fc.property(anyEvidence(discipline), fc.constantFrom(...graphFindings(discipline).map((f) => f.id)), (list, finding) => {
        const one = judge(list, athlete);
        expect(judge(list, { ...athlete, throws: 'L' })).toEqual(one);
        const unsure: DatedEvidence = { kind: 'eye', finding, answer: 'unsure', by: 'c' };
        expect(judge([...list, unsure], athlete).posterior).toEqual(one.posterior);
      }),
      runs,
    );
  });
});
