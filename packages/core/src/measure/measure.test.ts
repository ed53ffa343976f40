import fc from 'fast-check';
import { measureThrow, combineThrows, dayValues, changeIsReal } from './measure';
import type { MarkedFrame, MeasureRequest } from './types';
import { VIEWS } from './types';
import { filmDelivery } from '../simulate/film';
import { simulateDelivery } from '../simulate/delivery';
import { MEASURE_IDS } from '../delivery/measures';
import { FORMULAS } from './formulas';
import { Throw } from './throw';

type Points = MarkedFrame['joints'];
const frame = (n: number, joints: Record<string, readonly number[]>): MarkedFrame => ({
  frame: n,
  joints: Object.fromEntries(Object.entries(joints).map(([j, [x, y, z]]) => [j, { x, y, z, sd: 0 }])) as Points,
});
/** Marks of one position, worked out by hand beforehand. */
const WORKED: MeasureRequest = {
  discipline: 'overhand',
  throws: 'R',
  fps: 240,
  view: '3d',
  heightM: 1.8,
  scale: null,
  events: { set: { frame: 0 }, contact: { frame: 120 }, release: { frame: 158 }, 'toe-off': { frame: 119 } },
  frames: [
    frame(0, { 'drive-ankle': [-0.7, 0, 0.1] }),
    frame(119, { 'drive-ankle': [0, 0, 0], 'drive-knee': [0.26, 0, 0.3] }),
    frame(120, {
      'drive-hip': [0, -0.1, 0.9],
      'lead-hip': [0.12, 0.1, 0.83],
      'throwing-shoulder': [-0.1, -0.04, 1.4],
      'glove-shoulder': [0.26, 0.03, 1.4],
      'lead-knee': [0.62, -0.02, 0.5],
      'lead-ankle': [0.75, -0.05, 0.1],
      'lead-heel': [0.7, -0.03, 0],
      'lead-toe': [0.94, -0.09, 0],
    }),
  ],
};
const find = (request: MeasureRequest, measure: string, event: string) =>
  measureThrow(request).measures.find((m) => m.measure === measure && m.event === event)!;

describe('measures of a worked position', () => {
  it.each([
    ['pelvis-rotation', 'contact', 59.0],
    ['trunk-rotation', 'contact', 11.0],
    ['hip-shoulder-separation', 'contact', 48.0],
    ['stride-length', 'contact', 80.6],
    ['stride-direction', 'contact', 1.97],
    ['lead-knee-flexion', 'contact', 38.9],
    ['drive-shin-angle', 'toe-off', 40.9],
    ['lead-foot-angle', 'contact', 14.0],
    ['contact-to-release', 'release', 158.3],
  ])('%s at %s is %d for either hand', (measure, event, value) => {
    for (const throws of ['R', 'L'] as const) {
      const found = find({ ...WORKED, throws }, measure, event);
      expect(found.valid).toBe(true);
      expect(Math.abs(found.value! - value)).toBeLessThanOrEqual(measure === 'stride-direction' ? 0.006 : 0.06);
    }
  });

  it('times carry the error of both frames', () => {
    expect(find(WORKED, 'contact-to-release', 'release').sd).toBe(1.7);
    expect(find({ ...WORKED, fps: 60 }, 'contact-to-release', 'release').sd).toBe(6.8);
  });

  it('what is not marked is named, and the rest stands', () => {
    expect(find(WORKED, 'elbow-flexion', 'contact')).toMatchObject({ valid: false, value: null, sd: null });
    expect(find(WORKED, 'elbow-flexion', 'contact').why).toContain('throwing elbow is not marked');
    expect(find({ ...WORKED, events: { set: { frame: 0 } } }, 'stride-length', 'contact').why).toContain(
      '“contact” is not marked',
    );
  });
});

const REQUEST = { discipline: 'overhand', heightM: 1.8, age: 17 } as const;
const delivery = simulateDelivery(REQUEST);
const exact = (view: (typeof VIEWS)[number], throws: 'R' | 'L' = 'R', fps = 240) =>
  filmDelivery(delivery, REQUEST, { view, throws, fps, markSd: 0, seed: 1, exact: true });

describe('geometry', () => {
  // Independent: the law of cosines on side lengths, and directions by spherical angles, neither of which the formulas use.
  const byCosines = (a: readonly number[], b: readonly number[], c: readonly number[]) => {
    const far = (p: readonly number[], q: readonly number[]) => Math.sqrt(p.reduce((sum, x, i) => sum + (x - q[i]!) ** 2, 0));
    const [ab, bc, ac] = [far(a, b), far(b, c), far(a, c)];
    return 180 - (Math.acos((ab ** 2 + bc ** 2 - ac ** 2) / (2 * ab * bc)) * 180) / Math.PI;
  };
  it('agrees with the law of cosines and with the angles that the simulator was given, to 1e-9', () => {
    const contact = delivery.events.contact!;
    const j = delivery.jointsAt(contact);
    // One frame at the very instant, so that nothing is read between frames.
    const still: MeasureRequest = {
      ...exact('3d'),
      fps: 1 / contact,
      events: { contact: { frame: 1 }, set: { frame: 1 }, release: { frame: 1 } },
      frames: [frame(1, Object.fromEntries(Object.entries(j).filter(([name]) => !name.endsWith('hand'))))],
    };
    const value = (m: string, e: string) => {
      // Rounded for output; here the unrounded formula is wanted.
      const formula = FORMULAS.find((f) => f.measure === m && f.events.includes(e as never))!;
      return formula.at(new Throw(still), e as never);
    };
    expect(value('lead-knee-flexion', 'contact')).toBeCloseTo(byCosines(j['lead-hip'], j['lead-knee'], j['lead-ankle']), 9);
    expect(value('elbow-flexion', 'contact')).toBeCloseTo(
      byCosines(j['throwing-shoulder'], j['throwing-elbow'], j['throwing-wrist']),
      9,
    );
    const bearing = (from: readonly number[], to: readonly number[]) => {
      const far = Math.hypot(to[0]! - from[0]!, to[1]! - from[1]!);
      const angle = (Math.acos((to[0]! - from[0]!) / far) * 180) / Math.PI;
      return to[1]! >= from[1]! ? angle : -angle;
    };
    expect(value('pelvis-rotation', 'contact')).toBeCloseTo(bearing(j['drive-hip'], j['lead-hip']), 9);
    expect(value('hip-shoulder-separation', 'contact')).toBeCloseTo(
      bearing(j['drive-hip'], j['lead-hip']) - bearing(j['throwing-shoulder'], j['glove-shoulder']),
      9,
    );
  });

  it.each(VIEWS)('gives a mirrored left-hander the same numbers from %s', (view) => {
    const right = measureThrow(exact(view, 'R')).measures;
    const left = measureThrow(exact(view, 'L')).measures;
    left.forEach((m, i) => {
      expect({ ...m, value: null, sd: null }).toEqual({ ...right[i]!, value: null, sd: null });
      if (m.value !== null) expect(m.value).toBeCloseTo(right[i]!.value!, 3);
    });
  });

  it('is the same from the open and the closed side', () => {
    const open = measureThrow(exact('side-open')).measures;
    const closed = measureThrow(exact('side-closed')).measures;
    const of = (list: typeof open, m: string, e: string) => list.find((x) => x.measure === m && x.event === e)!.value!;
    for (const [m, e] of [
      ['stride-length', 'contact'],
      ['hip-travel-dip', 'mid-move'],
      ['chest-past-knee', 'release'],
    ] as const)
      expect(Math.abs(of(open, m, e) - of(closed, m, e))).toBeLessThan(3);
  });
});

describe('a view', () => {
  it('that cannot show a measure refuses it and says from where to film', () => {
    const found = find(exact('side-open'), 'pelvis-rotation', 'contact');
    expect(found).toMatchObject({ valid: false, value: null });
    expect(found.why).toContain('film it from above');
    const foot = find(exact('front'), 'lead-foot-angle', 'contact');
    expect(foot.valid).toBe(true);
    expect(foot.sd).toBeGreaterThanOrEqual(10);
    expect(foot.why).toContain('only estimated');
  });

  it('without a scale gives ratios and angles, no lengths', () => {
    const noScale = { ...exact('side-open'), scale: null };
    expect(find(noScale, 'stride-length', 'contact').why).toContain('need a scale');
    expect(find(noScale, 'lead-knee-flexion', 'contact').value).toBeCloseTo(
      find(exact('side-open'), 'lead-knee-flexion', 'contact').value!,
      3,
    );
    expect(find(noScale, 'hip-travel-dip', 'mid-move').valid).toBe(true);
  });

  it('every measure can be taken from some view', () => {
    const taken = new Set(FORMULAS.map((f) => f.measure));
    expect(MEASURE_IDS.filter((id) => !taken.has(id))).toEqual([]);
  });
});

describe('the error of a value', () => {
  it('grows with the marks’ error and with slower film, and is wider in a plane than in space', () => {
    const sd = (
      markSd: number,
      fps = 240,
      view: (typeof VIEWS)[number] = 'side-open',
      event: 'contact' | 'release' = 'contact',
    ) => find(filmDelivery(delivery, REQUEST, { view, throws: 'R', fps, markSd, seed: 3 }), 'lead-knee-flexion', event).sd!;
    expect(sd(4)).toBeGreaterThan(sd(1));
    // The knee straightens fast when the ball leaves: a frame more or less tells.
    expect(sd(2, 30, 'side-open', 'release')).toBeGreaterThan(sd(2, 240, 'side-open', 'release'));
    expect(sd(2)).toBeGreaterThan(sd(0.005, 240, '3d'));
  });

  it('is the spread that noise really makes', () => {
    const values = Array.from({ length: 40 }, (_, seed) =>
      find(
        filmDelivery(delivery, REQUEST, { view: '3d', throws: 'R', fps: 60, markSd: 0.01, seed: 100 + seed }),
        'lead-knee-flexion',
        'contact',
      ),
    );
    const mean = values.reduce((a, v) => a + v.value!, 0) / values.length;
    const spread = Math.sqrt(values.reduce((a, v) => a + (v.value! - mean) ** 2, 0) / (values.length - 1));
    const stated = values.reduce((a, v) => a + v.sd!, 0) / values.length;
    expect(spread / stated).toBeGreaterThan(0.7);
    expect(spread / stated).toBeLessThan(1.3);
  });
});

describe('a joint that is straight', () => {
  const filmed = (faults: object, discipline: 'overhand' | 'windmill') => {
    const request = { discipline, heightM: 1.7, age: 16, faults } as const;
    const delivery = simulateDelivery(request);
    return (seed: number, markSd = 3) =>
      measureThrow(filmDelivery(delivery, request, { view: 'side-open', throws: 'R', fps: 240, markSd, seed })).measures;
  };
  const exact = (faults: object, discipline: 'overhand' | 'windmill') => {
    const request = { discipline, heightM: 1.7, age: 16, faults } as const;
    return measureThrow(
      filmDelivery(simulateDelivery(request), request, { view: '3d', throws: 'R', fps: 480, markSd: 0, seed: 1, exact: true }),
    ).measures;
  };
  it.each([
    ['windmill', 'locked-landing', 'lead-knee-flexion', 'contact'],
    ['overhand', 'locked-landing', 'lead-knee-flexion', 'contact'],
    ['windmill', 'straight-whip', 'elbow-flexion', 'arm-9-oclock'],
  ] as const)('%s, %s: errors of rough marks cancel over many throws', (discipline, fault, measure, event) => {
    const film = filmed({ [fault]: 1 }, discipline);
    const clean = filmed({}, discipline);
    const of = (measures: ReturnType<typeof film>) => measures.find((m) => m.measure === measure && m.event === event)!.value!;
    const truth = of(exact({ [fault]: 1 }, discipline));
    const perfect = of(film(1, 0));
    // In space a bend has no side.
    expect(Math.abs(Math.abs(perfect) - truth)).toBeLessThan(1);
    const values = Array.from({ length: 32 }, (_, n) => of(film(9_000 + n)));
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    // Without a sign the mean of such errors would be three degrees of bend.
    expect(Math.abs(mean - perfect)).toBeLessThan(1.5);
    expect(Math.min(...values)).toBeLessThan(0);
    // A clean joint is never taken for one that is bent the other way.
    for (let n = 0; n < 4; n++) expect(of(clean(9_100 + n))).toBeGreaterThan(5);
  });
});

describe('several throws', () => {
  it('are their mean, with error and spread over n', () => {
    const three = combineThrows('lead-knee-flexion', [
      { value: 40, sd: 3 },
      { value: 44, sd: 3 },
      { value: 42, sd: 3 },
    ]);
    expect(three).toMatchObject({ value: 42, throws: 3 });
    // Four throws' worth of the usual spread of 4° and the jitter, and what these three show: (4·(16 + 9) + 8) / 6 each.
    expect(three.sd).toBeCloseTo(Math.sqrt(18 / 3), 2);
    const one = combineThrows('lead-knee-flexion', [{ value: 40, sd: 3 }]);
    expect(one.sd).toBeCloseTo(5, 6);
    expect(one.moreThrows).toBe(1);
    expect(combineThrows('lead-knee-flexion', [{ value: 40, sd: 3 }], 0).moreThrows).toBe(0);
    expect(() => combineThrows('lead-knee-flexion', [])).toThrow(RangeError);
  });
  it('average out what differs from throw to throw, and not what they share', () => {
    const of = (n: number, shared: number) =>
      combineThrows(
        'lead-knee-flexion',
        Array.from({ length: n }, () => ({ value: 40, sd: Math.hypot(3, shared), shared })),
      ).sd;
    for (const n of [1, 3, 8, 40]) expect(of(n, 5) ** 2 - of(n, 0) ** 2).toBeCloseTo(25, 1);
    expect(of(400, 5)).toBeCloseTo(5, 1);
    expect(of(400, 0)).toBeLessThan(0.2);
  });
  it('of a day come to one value of each measure and event that can be told, from the throws that show it', () => {
    const told = (value: number | null) =>
      ({
        measure: 'lead-knee-flexion',
        event: 'contact',
        value,
        unit: 'deg',
        sd: value === null ? null : 3,
        valid: value !== null,
      }) as const;
    const other = { ...told(20), event: 'release' } as const;
    const day = dayValues([[told(40), other], [told(null)], [told(44)]]);
    expect(day.map(({ event, value, throws, of }) => [event, value, throws, of])).toEqual([
      ['contact', 42, 2, [0, 2]],
      ['release', 20, 1, [0]],
    ]);
    expect(day[0]!.sd).toBe(
      combineThrows('lead-knee-flexion', [
        { value: 40, sd: 3 },
        { value: 44, sd: 3 },
      ]).sd,
    );
    expect(dayValues([])).toEqual([]);
  });
  it('have changed when the difference is beyond both errors', () => {
    expect(changeIsReal({ value: 40, sd: 3 }, { value: 47, sd: 3 })).toBe(true);
    expect(changeIsReal({ value: 40, sd: 3 }, { value: 46, sd: 3 })).toBe(false);
  });
});

it('never throws, whatever is marked', () => {
  const point = fc.record({
    x: fc.double({ noNaN: true, min: -1e4, max: 1e4 }),
    y: fc.double({ noNaN: true, min: -1e4, max: 1e4 }),
  });
  fc.assert(
    fc.property(
      fc.constantFrom(...VIEWS),
      fc.array(fc.record({ hip: point, knee: point, ankle: point }), { maxLength: 8 }),
      (view, rows) => {
        const frames = rows.map(({ hip, knee, ankle }, i) => ({
          frame: i,
          joints: { 'lead-hip': hip, 'lead-knee': knee, 'lead-ankle': ankle },
        }));
        const { measures } = measureThrow({ ...WORKED, view, frames, events: { contact: { frame: 2 }, release: { frame: 6 } } });
        for (const m of measures) expect(m.valid ? Number.isFinite(m.value) : m.why!.length > 5).toBe(true);
      },
    ),
  );
});

describe('marks about a moment', () => {
  const request = { discipline: 'overhand', heightM: 1.7, age: 16 } as const;
  const delivery = simulateDelivery(request);
  const knee = (markSd: number, seed: number, fps: number, thin = 1) => {
    const film = filmDelivery(delivery, request, { view: 'side-open', throws: 'R', fps, markSd, seed });
    const contact = film.events.contact!.frame;
    const frames = film.frames.filter((f) => (f.frame - contact) % thin === 0);
    return find({ ...film, frames }, 'lead-knee-flexion', 'contact');
  };
  const spread = (values: readonly number[]) => {
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    return Math.sqrt(values.reduce((a, v) => a + (v - mean) ** 2, 0) / (values.length - 1));
  };

  it('are read together: the error is less than that of one mark, as it says, and nothing is moved by it', () => {
    const many = Array.from({ length: 60 }, (_, n) => knee(2, 700 + n, 240).value!);
    const lone = Array.from({ length: 60 }, (_, n) => knee(2, 700 + n, 240, 6).value!);
    // A parabola through five marks has 0.70 of the error of its middle one.
    expect(spread(many) / spread(lone)).toBeGreaterThan(0.5);
    expect(spread(many) / spread(lone)).toBeLessThan(0.85);
    expect(knee(2, 700, 240).sd!).toBeLessThan(knee(2, 700, 240, 6).sd!);
    // The foot strikes: a parabola rounds that off by half a degree.
    expect(Math.abs(knee(0, 1, 240).value! - knee(0, 1, 240, 6).value!)).toBeLessThan(1);
  });

  it('are the same in any order, and one that comes twice counts once', () => {
    const film = filmDelivery(delivery, request, { view: 'side-open', throws: 'R', fps: 240, markSd: 2, seed: 8 });
    const told = (frames: MeasureRequest['frames']) => find({ ...film, frames }, 'lead-knee-flexion', 'contact');
    const once = told(film.frames);
    expect(told([...film.frames].reverse())).toEqual(once);
    expect(told(film.frames.flatMap((f) => [f, f]))).toEqual(once);
    // Two frames beside the moment are no curve, however often they come.
    const contact = film.events.contact!.frame;
    const beside = film.frames.filter((f) => Math.abs(f.frame - contact) === 1);
    expect(told([...beside, ...beside])).toEqual(told(beside));
    expect(told(beside).valid).toBe(true);
  });

  it('are taken one by one where a camera is too slow for more of them', () => {
    const film = filmDelivery(delivery, request, { view: 'side-open', throws: 'R', fps: 60, markSd: 2, seed: 5 });
    const contact = film.events.contact!.frame;
    const alone = { ...film, frames: film.frames.filter((f) => (f.frame - contact) % 3 === 0) };
    expect(find(film, 'lead-knee-flexion', 'contact').value).toBe(find(alone, 'lead-knee-flexion', 'contact').value);
  });
});
