import fc from 'fast-check';
import { FINDINGS } from '../findings/catalogue';
import type { FindingId } from '../findings/ids';
import { drawFindings, lookAt } from '../simulate/athlete';
import { randomFrom } from '../shared/random';
import type { AthleteProfile } from '../athlete/athlete';
import { actedByEnumeration } from '../testing/enumeration';
import { isBehind } from '../findings/paths';
import { LEAKS } from '../findings/leaks';
import { diagnose, glanceOf } from './diagnose';
import { EvidenceError } from '../evidence/evidence';
import type { DatedEvidence, Evidence } from '../evidence/evidence';
import { buildModel, graphFor } from './model';
import { buildNetwork } from './network';
import { beliefs } from './roots';

const on = '2026-04-18';
const overhand: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.8,
  massKg: 74,
  level: 'high-school',
};
const windmill: AthleteProfile = { ...overhand, discipline: 'windmill' };
const eye = (finding: FindingId, answer: 'yes' | 'no' | 'unsure' = 'yes'): Evidence => ({ kind: 'eye', finding, answer });
const hip = (side: 'drive' | 'lead', value: number): Evidence => ({
  kind: 'screen',
  test: 'hip-internal-rotation',
  side,
  value,
  unit: 'deg',
});
const judge = (evidence: readonly DatedEvidence[], athlete = overhand) => diagnose({ on, athlete, evidence });
const rootOf = (evidence: readonly DatedEvidence[], finding: FindingId) =>
  judge(evidence).roots.find((r) => r.finding === finding)?.probability ?? 0;

describe('the judgement', () => {
  it('tells body from timing in the same picture', () => {
    const picture = [eye('turn-together'), eye('late-hips')];
    const body = judge([...picture, hip('drive', 23), { kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' }]);
    expect(body.roots[0]).toMatchObject({ finding: 'drive-hip-ir', kind: 'limit' });
    expect(body.split.body).toBeGreaterThan(0.6);
    const timing = judge([...picture, hip('drive', 46), { kind: 'slow', finding: 'late-hips', canDoSlowly: 'yes' }]);
    expect(timing.roots[0]!.finding).not.toBe('drive-hip-ir');
    expect(timing.split.timing).toBeGreaterThan(timing.split.body);
  });

  it('does not name a consequence while its cause stands', () => {
    const { roots, expectedToEase, leaveAlone } = judge([eye('stall'), eye('late-hips'), eye('glove-pull')]);
    expect(roots[0]!.finding).toBe('stall');
    expect(expectedToEase.map((e) => e.finding)).toContain('glove-pull');
    expect(leaveAlone.map((l) => l.item)).toContain('glove-pull');
  });

  it('lets a measured value beat an eye', () => {
    const seen = judge([eye('turn-together')]).posterior['turn-together']!;
    const measured = judge([
      eye('turn-together'),
      { kind: 'measure', measure: 'hip-shoulder-separation', event: 'contact', value: 48, unit: 'deg', sd: 4 },
    ]);
    expect(seen).toBeGreaterThan(0.3);
    expect(measured.posterior['turn-together']!).toBeLessThan(0.1);
  });

  it('widens a measure by its own error', () => {
    const value = (sd: number) =>
      judge([{ kind: 'measure', measure: 'hip-travel-dip', event: 'mid-move', value: 42, unit: '%', sd }]).posterior.stall!;
    expect(value(2)).toBeGreaterThan(value(20));
  });

  it('takes the newest of two looks, and little of the older', () => {
    const earlier = { on: '2026-04-11' };
    expect(rootOf([{ ...eye('stall', 'no'), ...earlier }, eye('stall')], 'stall')).toBeGreaterThan(0.12);
    expect(judge([{ ...eye('stall'), ...earlier }, eye('stall', 'no')]).posterior.stall!).toBeLessThan(0.1);
    expect(judge([eye('stall', 'unsure')]).roots).toEqual([]);
  });

  it('reads the worse of two sides, and lets one free side say less than two', () => {
    const hold = (side: 'drive' | 'lead', value: number): Evidence => ({
      kind: 'screen',
      test: 'abductor-hold',
      side,
      value,
      unit: 's',
    });
    const present = (evidence: Evidence[]) => judge(evidence).posterior['abductor-strength']!;
    expect(present([hold('lead', 12), hold('drive', 40)])).toBeGreaterThan(0.67);
    expect(present([hold('lead', 40)])).toBeGreaterThan(present([hold('lead', 40), hold('drive', 40)]));
  });

  it('raises flags from what is likely, and never makes a flagged consequence the focus', () => {
    const result = judge([eye('locked-landing'), eye('shoulder-finish')], windmill);
    expect(result.flags).toContain('locked-landing');
    const both = judge([eye('swing-open'), eye('fly-open'), eye('arm-drag'), eye('stall')]);
    expect(both.focus.arm).not.toBe('arm-drag');
  });

  it('leaves style alone when results are fine, and not when they are poor', () => {
    const style: Evidence = { kind: 'style', item: 'hands-overhead' };
    const fine: Evidence = { kind: 'outcome', strikes: 'good', movement: 'good', velocity: 'good' };
    expect(judge([style, fine]).leaveAlone.map((l) => l.item)).toEqual(['hands-overhead']);
    expect(judge([style, { kind: 'outcome', strikes: 'poor' }]).leaveAlone).toEqual([]);
    expect(judge([{ kind: 'style', item: 'finish-off-line' }, hip('lead', 20)]).leaveAlone).toEqual([]);
  });

  it('follows the order of repair', () => {
    const lever: Evidence = { kind: 'measure', measure: 'elbow-flexion', event: 'contact', value: 48, unit: 'deg' };
    const evidence = [eye('long-lever'), lever, eye('low-elbow', 'no'), hip('drive', 22), eye('late-hips'), eye('turn-together')];
    const focus = (repairOrder: 'first-link' | 'biggest-leak' | 'body-first') =>
      diagnose({ on, athlete: overhand, schools: { repairOrder }, evidence }).focus;
    expect(focus('body-first').lowerHalf).toBe('drive-hip-ir');
    expect(focus('biggest-leak').arm).toBe('long-lever');
  });

  it('makes transfer a cue where the drill is clean and the mound is not', () => {
    const result = judge([{ kind: 'transfer', finding: 'turn-together', cleanInDrill: 'yes', cleanOnMound: 'no' }]);
    expect(result.roots[0]!.finding).toBe('drill-not-transferred');
    expect(result.split.cue).toBeGreaterThan(0.5);
  });

  it('takes nobody for flagged of whom nothing was seen', () => {
    for (const discipline of ['overhand', 'windmill'] as const)
      for (const [birthDate, level] of [
        ['2017-02-11', 'beginner'],
        ['2012-02-11', 'youth'],
        ['2009-02-11', 'high-school'],
        ['2004-02-11', 'college'],
      ] as const) {
        const { posterior, flags } = judge([], { ...overhand, discipline, birthDate, level });
        for (const f of FINDINGS) if (f.healthFlag) expect([f.id, (posterior[f.id] ?? 0) <= 0.2]).toEqual([f.id, true]);
        expect(flags).toEqual([]);
      }
  });

  it('says nothing when nothing was seen', () => {
    const { roots, split, focus, nextChecks } = judge([]);
    expect(roots).toEqual([]);
    expect(split).toEqual({ body: 0, timing: 0, cue: 0 });
    expect(focus).toEqual({ lowerHalf: null, arm: null, open: null, why: { lowerHalf: null, arm: null } });
    expect(nextChecks.length).toBeGreaterThan(0);
  });

  it('weighs each item by leaving it out, items on one finding together', () => {
    const evidence = [eye('stall'), eye('late-hips'), eye('glove-pull')];
    const stall = judge(evidence).roots[0]!;
    const odds = (p: number) => Math.log(p / (1 - p));
    const without = rootOf(evidence.slice(0, 1), 'stall');
    const alone = judge([eye('stall'), eye('late-hips')]).roots.find((r) => r.finding === 'stall')!;
    const gloveWeight = [...stall.because, ...stall.against].find((p) => p.evidence === 2)!.weight;
    expect(gloveWeight).toBeCloseTo(odds(stall.probability) - odds(alone.probability), 1);
    expect(without).toBeLessThan(stall.probability);
  });

  it('refuses what cannot be about this athlete, with its place', () => {
    const wrong = () => judge([eye('stall'), eye('straight-whip')]);
    expect(wrong).toThrow(EvidenceError);
    try {
      wrong();
    } catch (error) {
      expect(error).toMatchObject({ index: 1, field: 'finding' });
    }
  });

  it('gives the same answer for either hand and any order of different items', () => {
    const evidence = [eye('stall'), hip('drive', 33), eye('late-hips')];
    const left = diagnose({ on, athlete: { ...overhand, throws: 'L' }, evidence });
    expect(left.posterior).toEqual(judge(evidence).posterior);
    expect(judge([...evidence].reverse()).posterior).toEqual(judge(evidence).posterior);
  });
});

describe('limits as roots', () => {
  it('must have done something: exact against enumeration', () => {
    // A sub-network small enough to enumerate: limit → two findings, one look, one slow try that asks about the limit itself.
    const nodes = [
      { id: 'limit', leak: 0.08, parents: [] },
      { id: 'a', leak: 0.06, parents: [{ node: 0, weight: 0.6 }] },
      {
        id: 'b',
        leak: 0.06,
        parents: [
          { node: 0, weight: 0.35 },
          { node: 1, weight: 0.35 },
        ],
      },
    ];
    const likelihoods = new Map([
      [1, [0.12, 0.85] as const],
      [0, [0.2, 0.9] as const],
    ]);
    const { network } = buildModel(situation(), []);
    const model = {
      ...buildModel(situation(), []),
      network: buildNetwork(nodes),
      findings: [{ kind: 'limit' }, { kind: 'habit' }, { kind: 'habit' }] as never,
      count: 3,
      observationIndex: new Map<string, number>(),
      silence: Float64Array.of(0.4 * 0.65, 0.65, 1),
    };
    expect(network.nodes.length).toBeGreaterThan(50);
    expect(beliefs(model, likelihoods).root[0]).toBeCloseTo(actedByEnumeration(nodes, likelihoods, 0), 9);
  });

  const situation = () => {
    const { ids, limitsBehind } = graphFor('overhand');
    return {
      athlete: overhand,
      on,
      schools: {
        driveLeg: 'sit',
        lift: 'moving',
        backFoot: 'heel-long',
        method: 'mixed',
        repairOrder: 'biggest-leak',
        separation: 'hips',
        windmillFinish: 'half-closed',
      } as const,
      inPlay: ids,
      limitsBehind,
    };
  };
});

describe('the model on its own cases', () => {
  it('finds the root as often as it says it does', () => {
    const random = randomFrom(31);
    const bins = new Map<number, { said: number; true: number; n: number }>();
    let hits = 0;
    let said = 0;
    const cases = 150;
    for (let n = 0; n < cases; n++) {
      const { present, roots } = drawFindings(random, overhand, on, []);
      const truth = { present, roots, speedMph: 70, repairMph: 0, learning: 0, flatEffort: false, spike: false };
      const looks = FINDINGS.filter((f) => f.disciplines.includes('overhand') && f.kind === 'habit').map((f) =>
        lookAt(random, truth, f.id),
      );
      const result = judge(looks);
      const top = result.roots[0];
      if (top) said += top.probability;
      if (top && roots.has(top.finding)) hits++;
      for (const root of result.roots) {
        const bin = Math.min(4, Math.floor(root.probability * 5));
        const known = bins.get(bin) ?? { said: 0, true: 0, n: 0 };
        bins.set(bin, {
          said: known.said + root.probability,
          true: known.true + (roots.has(root.finding) ? 1 : 0),
          n: known.n + 1,
        });
      }
    }
    // No method beats the exact posterior on its own cases: it must be right as often as it claims.
    expect(Math.abs(said - hits) / cases).toBeLessThan(0.09);
    expect(hits).toBeGreaterThan(5);
    for (const { said: claimed, true: right, n } of bins.values())
      if (n >= 20) expect(Math.abs(claimed / n - right / n)).toBeLessThan(0.2);
  });

  it('agrees with its own glance', () => {
    const evidence = [eye('early-peel'), eye('fly-open')];
    const { posterior, flags } = judge(evidence);
    const before = judge([]).posterior;
    expect(glanceOf({ on, athlete: overhand, evidence })).toEqual({ posterior, flags, before });
  });

  it('never makes an untested limit the first guess from one look', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FINDINGS.filter((f) => f.kind === 'habit' && f.disciplines.includes('overhand')).map((f) => f.id)),
        (finding) => {
          const first = judge([eye(finding)]).roots[0];
          return first === undefined || FINDINGS.find((f) => f.id === first.finding)!.kind !== 'limit';
        },
      ),
    );
    expect(LEAKS.limit).toBeLessThan(0.1);
  });

  it('knows which cause is behind which finding', () => {
    expect(isBehind('stuck-back', 'glove-pull')).toBe(true);
    expect(isBehind('glove-pull', 'stuck-back')).toBe(false);
  });
});
