import type { FindingId } from '../findings/ids';
import { addDays } from '../shared/dates';
import { comparisonsIn } from './agreement';
import { changesSince } from './changes';
import { diagnose } from './diagnose';
import { EvidenceError } from '../evidence/evidence';
import type { DatedEvidence } from '../evidence/evidence';
import { EYE, EYE_PRIOR_LOOKS, eyeFrom, weighLook } from '../eyes/eye';
import { faded, HALF_LIFE_REPS } from '../evidence/fading';
import { HALF_LIFE_DAYS, stillHolds } from '../evidence/registry';
import { beliefHistory } from './history';
import type { DiagnosisRequest } from './request';
import { traceOf } from './trace';
import { THROWER } from '../testing/athletes';

const on = '2026-05-04';
const athlete = THROWER;
const eye = (finding: FindingId, answer: 'yes' | 'no' | 'unsure' = 'yes', origin: Partial<DatedEvidence> = {}): DatedEvidence =>
  ({ kind: 'eye', finding, answer, ...origin }) as DatedEvidence;
const hip = (value: number, origin: Partial<DatedEvidence> = {}): DatedEvidence =>
  ({ kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value, unit: 'deg', ...origin }) as DatedEvidence;
const judge = (evidence: readonly DatedEvidence[], more: Partial<DiagnosisRequest> = {}) =>
  diagnose({ on, athlete, evidence, ...more });

describe('evidence that grows old', () => {
  it('holds by half after a half-life, of days or of good reps on the finding', () => {
    const then = addDays(on, -HALF_LIFE_DAYS.eye);
    expect(stillHolds('eye', then, on, 'stall', {})).toBeCloseTo(0.5, 9);
    expect(stillHolds('eye', on, on, 'stall', { work: [{ finding: 'stall', on, reps: 400 }] })).toBe(1);
    const since = [{ finding: 'stall' as const, on, reps: HALF_LIFE_REPS }];
    expect(stillHolds('eye', addDays(on, -1), on, 'stall', { work: since })).toBeCloseTo(
      0.5 * 0.5 ** (1 / HALF_LIFE_DAYS.eye),
      9,
    );
    expect(stillHolds('eye', addDays(on, -1), on, 'late-hips', { work: since })).toBeGreaterThan(0.99);
    expect(stillHolds('eye', undefined, on, 'stall', { work: since })).toBe(1);
  });

  it('says nothing at all in the end, and never more than it said', () => {
    const [absent, present] = faded([0.1, 0.9], 1e-9);
    expect(absent / present).toBeCloseTo(1, 6);
    const half = faded([0.1, 0.9], 0.5);
    expect(half[1] / half[0]).toBeLessThan(9);
    expect(half[1] / half[0]).toBeGreaterThan(1);
  });

  it('is believed less in the diagnosis', () => {
    const present = (days: number) => judge([eye('stall', 'yes', { on: addDays(on, -days) })]).posterior.stall!;
    expect(present(0)).toBeGreaterThan(present(120));
    expect(present(120)).toBeGreaterThan(present(900));
    const worked = judge([eye('stall', 'yes', { on: addDays(on, -10) })], { work: [{ finding: 'stall', on, reps: 800 }] });
    expect(worked.posterior.stall!).toBeLessThan(present(10));
  });

  it('counts the newest by its day, wherever it stands in the list', () => {
    const newer = hip(48, { on });
    const older = hip(18, { on: addDays(on, -30) });
    expect(judge([newer, older]).posterior).toEqual(judge([older, newer]).posterior);
  });

  it('refuses what is still to come, with its place', () => {
    try {
      judge([eye('stall'), eye('stall', 'no', { on: addDays(on, 1) })]);
      throw new Error('was taken');
    } catch (error) {
      expect(error).toBeInstanceOf(EvidenceError);
      expect(error).toMatchObject({ index: 1, field: 'on', list: 'evidence' });
    }
  });
});

describe('two eyes', () => {
  it('count as two, and the same eye twice as little more than one', () => {
    const odds = (evidence: DatedEvidence[]) => {
      const p = judge(evidence).posterior.stall!;
      return p / (1 - p);
    };
    const one = odds([eye('stall', 'yes', { by: 'a' })]);
    const sameTwice = odds([eye('stall', 'yes', { by: 'a' }), eye('stall', 'yes', { by: 'a' })]);
    const both = odds([eye('stall', 'yes', { by: 'a' }), eye('stall', 'yes', { by: 'b' })]);
    expect(sameTwice).toBeLessThan(2 * one);
    expect(both).toBeGreaterThan(4 * one);
  });

  it('are trusted as they have earned it', () => {
    const trust = (sensitivity: number, specificity: number) =>
      judge([eye('stall', 'yes', { weighs: weighLook('yes', { sensitivity, specificity }) })]).posterior.stall!;
    expect(trust(0.95, 0.97)).toBeGreaterThan(trust(0.85, 0.88));
    expect(trust(0.6, 0.55)).toBeLessThan(trust(0.75, 0.8));
  });

  it('tell what they saw in steps that do not tell how well they see', () => {
    const said = (sensitivity: number, specificity: number) =>
      (['yes', 'no'] as const).map((answer) => weighLook(answer, { sensitivity, specificity }));
    // Eyes far apart say the same two numbers.
    expect(said(0.8, 0.9)).toEqual(said(0.84, 0.88));
    expect(said(0.8, 0.9)[0]! % 0.5).toBe(0);
    expect(weighLook('no', EYE.clear)).toBeLessThan(0);
  });

  it('start as the usual eye and move with what was measured', () => {
    expect(eyeFrom([], 'clear')).toMatchObject({ ...EYE.clear, there: 0, notThere: 0 });
    const missed = [{ visibility: 'clear', saw: 'no', measured: 'present', count: 10 }] as const;
    expect(eyeFrom(missed, 'clear').sensitivity).toBeCloseTo(
      (EYE_PRIOR_LOOKS * EYE.clear.sensitivity) / (EYE_PRIOR_LOOKS + 10),
      9,
    );
    expect(eyeFrom(missed, 'clear').specificity).toBe(EYE.clear.specificity);
    expect(eyeFrom(missed, 'hard').sensitivity).toBe(EYE.hard.sensitivity);
  });

  it('are held against a clear measure of the same weeks, and against nothing else', () => {
    const separation = (value: number, day: string): DatedEvidence => ({
      kind: 'measure',
      measure: 'hip-shoulder-separation',
      event: 'contact',
      value,
      unit: 'deg',
      sd: 3,
      on: day,
    });
    const compare = (evidence: DatedEvidence[]) => comparisonsIn({ on, athlete, evidence });
    const look = eye('turn-together', 'yes', { on });
    expect(compare([look, separation(2, on)])).toEqual([{ look: 0, visibility: 'clear', saw: 'yes', measured: 'present' }]);
    expect(compare([look, separation(60, addDays(on, -13))])).toMatchObject([{ measured: 'absent' }]);
    expect(compare([look, separation(60, addDays(on, -15))])).toEqual([]);
    // At the threshold a measure decides nothing.
    expect(compare([look, separation(30, on)])).toEqual([]);
    expect(compare([eye('turn-together', 'unsure', { on }), separation(2, on)])).toEqual([]);
  });
});

describe('the coach’s word', () => {
  const evidence = [eye('stall'), eye('late-hips'), eye('glove-pull')];

  it('stands above the evidence, and a conflict is said', () => {
    const { posterior, roots, overruled } = judge(evidence, { overrules: [{ finding: 'late-hips', as: 'absent' }] });
    expect(posterior['late-hips']!).toBeLessThan(1e-4);
    expect(roots.map((r) => r.finding)).not.toContain('late-hips');
    expect(overruled).toMatchObject([{ finding: 'late-hips', as: 'absent', conflict: true }]);
    expect(overruled[0]!.evidenceSays).toBeCloseTo(judge(evidence).posterior['late-hips']!, 3);
  });

  it('is no conflict where nothing speaks against it', () => {
    const { posterior, overruled } = judge(evidence, { overrules: [{ finding: 'stuck-back', as: 'present' }] });
    expect(posterior['stuck-back']!).toBeGreaterThan(0.999);
    expect(overruled[0]!.conflict).toBe(false);
  });

  it('makes a root first, makes it the focus, and takes the need for a cause away', () => {
    const free = judge(evidence);
    const { roots, focus, focusBy } = judge(evidence, { overrules: [{ finding: 'late-hips', as: 'root' }] });
    expect(roots[0]).toMatchObject({ finding: 'late-hips', probability: 1, byWord: true });
    expect(focus.lowerHalf).toBe('late-hips');
    expect(Object.values(focusBy).map((f) => f.lowerHalf)).toEqual(['late-hips', 'late-hips', 'late-hips']);
    const drive = (d: typeof free) => d.roots.find((r) => r.finding === 'drive-hip-ir')?.probability ?? 0;
    expect(drive(judge(evidence, { overrules: [{ finding: 'late-hips', as: 'root' }] }))).toBeLessThanOrEqual(drive(free));
  });

  it('is not undone by what is seen later', () => {
    const later = [...evidence, eye('late-hips'), eye('turn-together')];
    expect(judge(later, { overrules: [{ finding: 'late-hips', as: 'absent' }] }).posterior['late-hips']!).toBeLessThan(1e-3);
  });

  it.each([
    [[{ finding: 'straight-whip', as: 'absent' }], 0],
    [
      [
        { finding: 'stall', as: 'absent' },
        { finding: 'stall', as: 'root' },
      ],
      1,
    ],
  ] as const)('refuses a word that cannot hold: %j', (overrules, index) => {
    expect(() => judge(evidence, { overrules })).toThrow(EvidenceError);
    try {
      judge(evidence, { overrules });
    } catch (error) {
      expect(error).toMatchObject({ index, list: 'overrules', field: 'finding' });
    }
  });
});

describe('what a careful person would say of the evidence', () => {
  const notes = (evidence: DatedEvidence[], who = athlete) =>
    diagnose({ on, athlete: who, evidence })
      .notes.map((n) => n.note)
      .join(' ');

  it('names contradictions, and which side counts', () => {
    expect(notes([eye('stall', 'yes'), eye('stall', 'no')])).toMatch(/Both yes and no/);
    expect(notes([eye('stall', 'yes', { by: 'a' }), eye('stall', 'no', { by: 'b' })])).toMatch(/Two eyes disagree/);
    expect(
      notes([
        eye('turn-together'),
        { kind: 'measure', measure: 'hip-shoulder-separation', event: 'contact', value: 58, unit: 'deg', sd: 3 },
      ]),
    ).toMatch(/the measure counts more/);
    expect(notes([{ kind: 'transfer', finding: 'stall', cleanInDrill: 'no', cleanOnMound: 'yes' }])).toMatch(/wrong way round/);
  });

  it('names what tells nothing here, and what is out of date', () => {
    expect(notes([{ kind: 'slow', finding: 'early-hands', canDoSlowly: 'no' }])).toMatch(/No limit of the body/);
    expect(notes([hip(40, { on: addDays(on, -600) })])).toMatch(/So long ago/);
    expect(notes([hip(30, { on: addDays(on, -9) }), hip(40)])).toMatch(/older reading/);
    expect(
      notes([{ kind: 'measure', measure: 'hand-up-lead', event: 'contact', value: 20, unit: 'ms' }], {
        ...athlete,
        discipline: 'windmill',
      }),
    ).toMatch(/No finding hangs on/);
    expect(notes([eye('stall'), hip(40)])).toBe('');
  });
});

describe('looking back', () => {
  const first = { on: '2026-03-01', by: 'a' };
  const then = { on: '2026-04-01', by: 'a' };

  it('tells how the belief moved, day by day, as it would have stood', () => {
    const evidence = [eye('late-hips', 'yes', first), eye('turn-together', 'yes', first), hip(20, then)];
    const { findings, days } = beliefHistory({ on, athlete, evidence });
    expect(days.map((d) => [d.on, d.observed])).toEqual([
      ['2026-03-01', 2],
      ['2026-04-01', 1],
      [on, 0],
    ]);
    // Today's belief is the judgement's own.
    expect(days[2]!.roots[0]).toBeCloseTo(judge(evidence).roots[0]!.probability, 3);
    expect(findings[0]).toBe('drive-hip-ir');
    expect(days[1]!.roots[0]!).toBeGreaterThan(days[0]!.roots[0]!);
    const asked = diagnose({ on: '2026-03-01', athlete, evidence: evidence.slice(0, 2) });
    expect(days[0]!.roots[0]).toBeCloseTo(asked.roots.find((r) => r.finding === 'drive-hip-ir')!.probability, 3);
  });

  it('names what is judged otherwise, and nothing when all is as it was', () => {
    const before = judge([eye('late-hips'), eye('turn-together')]);
    const now = judge([eye('late-hips'), eye('turn-together'), hip(18)]);
    expect(changesSince(before, before)).toEqual([]);
    const changes = changesSince(before, now);
    expect(changes[0]).toMatchObject({ kind: 'root', finding: 'drive-hip-ir' });
    expect(changes.some((c) => c.kind === 'focus')).toBe(true);
  });
});

describe('the trace of an item', () => {
  it('names its likelihoods and every number behind them, with where each comes from', () => {
    const trace = traceOf({ on, athlete, evidence: [eye('stall')] }, 0);
    expect(trace.says).toEqual([{ finding: 'stall', ifThere: 0.85, ifNot: 0.12 }]);
    expect(trace.numbers.map((n) => [n.value, n.provenance, n.changed])).toEqual([
      [85, 'house', false],
      [88, 'house', false],
    ]);
    expect(trace.holds).toBe(1);
  });

  it('marks what an academy has set, and the set value changes the result', () => {
    const numbers = { tests: { 'hip-internal-rotation': { pass: 28, watch: 18 } }, model: { 'eye:clear:sensitivity': 0.95 } };
    const request = { on, athlete, evidence: [hip(30), eye('stall')], numbers };
    expect(
      traceOf(request, 0)
        .numbers.filter((n) => n.changed)
        .map((n) => n.value),
    ).toEqual([28, 18]);
    expect(traceOf(request, 1).numbers.map((n) => n.changed)).toEqual([true, false]);
    expect(diagnose(request).posterior.stall!).not.toBe(diagnose({ ...request, numbers: {} }).posterior.stall!);
  });

  it('has numbers for every kind of evidence that says something', () => {
    const evidence: DatedEvidence[] = [
      { kind: 'measure', measure: 'hip-travel-dip', event: 'contact', value: 40, unit: '%' },
      { kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' },
      { kind: 'miss', pattern: 'high' },
      { kind: 'velocity', readings: [{ speed: 70, unit: 'mph', effort: 100 }] },
      { kind: 'history', event: 'told-to-push' },
      { kind: 'sequence', peaksMs: { pelvis: -60, trunk: -58 } },
      { kind: 'transfer', finding: 'turn-together', cleanInDrill: 'yes', cleanOnMound: 'no' },
      { kind: 'outcome', strikes: 'poor' },
    ];
    evidence.forEach((_, i) => expect(traceOf({ on, athlete, evidence }, i).numbers.length).toBeGreaterThan(0));
    expect(() => traceOf({ on, athlete, evidence }, 9)).toThrow(RangeError);
  });
});
