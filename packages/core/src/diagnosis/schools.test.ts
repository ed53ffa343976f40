import { CATALOGUE_WORDS } from '../findings/vocabulary';
import type { FindingId } from '../findings/ids';
import type { AthleteProfile } from '../athlete/athlete';
import type { Schools } from '../athlete/schools';
import { SCHOOL_OPTIONS } from '../athlete/schools';
import { THROWER } from '../testing/athletes';
import { wordsForAthlete } from './athlete-words';
import { diagnose } from './diagnose';
import type { DatedEvidence, Evidence } from '../evidence/evidence';

const on = '2026-04-18';
const WINDMILL: AthleteProfile = { ...THROWER, discipline: 'windmill' };
const judge = (evidence: readonly DatedEvidence[], schools: Partial<Schools> = {}, athlete = THROWER) =>
  diagnose({ on, athlete, schools, evidence });
const eye = (finding: FindingId): Evidence => ({ kind: 'eye', finding, answer: 'yes' });
const left = (evidence: readonly DatedEvidence[], schools: Partial<Schools>, athlete = THROWER) =>
  judge(evidence, schools, athlete).leaveAlone.map((l) => l.item);

/** What each answer to each question changes; a question without an entry here would not be worth asking. */
const CHANGES: { readonly [Q in keyof typeof SCHOOL_OPTIONS]: () => void } = {
  driveLeg: () => {
    const idle: Evidence[] = [eye('idle-drive-leg'), { kind: 'slow', finding: 'idle-drive-leg', canDoSlowly: 'yes' }];
    expect(left(idle, { driveLeg: 'fall' })).toContain('idle-drive-leg');
    for (const driveLeg of ['push', 'sit'] as const) expect(left(idle, { driveLeg })).not.toContain('idle-drive-leg');
    const strong: Evidence[] = [
      eye('idle-drive-leg'),
      { kind: 'glance', detail: 'rear-foot', answer: 'on-toe' },
      { kind: 'measure', measure: 'stride-length', event: 'contact', value: 60, unit: '%height', sd: 2 },
    ];
    const focus = (driveLeg: Schools['driveLeg']) => {
      const { lowerHalf, open } = judge(strong, { driveLeg }).focus;
      return [lowerHalf, open?.finding];
    };
    expect(focus('fall')).not.toContain('idle-drive-leg');
    // In the windmill the leg has to push whatever the overhand school says.
    expect(left(idle, { driveLeg: 'fall' }, WINDMILL)).not.toContain('idle-drive-leg');
    // An upright shin counts for more where the leg is to push.
    const two: Evidence[] = [
      { kind: 'measure', measure: 'drive-shin-angle', event: 'toe-off', value: 5, unit: 'deg', sd: 3 },
      { kind: 'measure', measure: 'drive-knee-over-toe', event: 'deepest-load', value: 27, unit: '%shank', sd: 4 },
    ];
    const chosen = (driveLeg: Schools['driveLeg']) => judge(two, { driveLeg }).focus.lowerHalf;
    expect([chosen('push'), chosen('sit')]).toEqual(['shin-vertical', 'knee-led-load']);
  },
  lift: () => {
    const stands = (lift: Schools['lift']) => judge([eye('stuck-back')], { lift }).posterior['stuck-back']!;
    expect(stands('pause')).toBeLessThan(stands('moving') - 0.05);
    const drilled = (lift: Schools['lift']) =>
      judge([{ kind: 'history', event: 'balance-drilled' }], { lift }).posterior['balance-overtaught']!;
    expect(drilled('pause')).toBeLessThan(drilled('moving') - 0.05);
  },
  backFoot: () => {
    const onToe: Evidence = { kind: 'glance', detail: 'rear-foot', answer: 'on-toe' };
    const peel = (backFoot: Schools['backFoot'], item: Evidence) => judge([item], { backFoot }).posterior['early-peel']!;
    expect(peel('heel-long', onToe)).toBeGreaterThan(2 * peel('inside-edge', onToe));
    const film: Evidence = { kind: 'measure', measure: 'heel-peel-lead', event: 'contact', value: 95, unit: 'ms', sd: 6 };
    expect(peel('heel-long', film)).toBeGreaterThan(2 * peel('inside-edge', film));
    const heel: Evidence = { kind: 'glance', detail: 'rear-foot', answer: 'heel-down' };
    const late = (backFoot: Schools['backFoot']) => judge([heel], { backFoot }).posterior['late-hips']!;
    expect(late('inside-edge')).toBeGreaterThan(1.5 * late('heel-long'));
    expect(left([eye('early-peel')], { backFoot: 'inside-edge' })).toContain('early-peel');
    expect(left([eye('early-peel')], { backFoot: 'heel-long' })).not.toContain('early-peel');
  },
  method: () => {
    const diagnosis = judge([eye('stall')]);
    const how = SCHOOL_OPTIONS.method.map(
      (method) =>
        wordsForAthlete({
          diagnosis,
          evidence: [eye('stall')],
          focus: 'stall',
          method,
          explain: 'image',
          vocabulary: CATALOGUE_WORDS,
          avoid: [],
        }).how,
    );
    expect(new Set(how).size).toBe(SCHOOL_OPTIONS.method.length);
  },
  repairOrder: () => {
    const tip: Evidence = { kind: 'measure', measure: 'pelvis-tilt', event: 'mid-move', value: -20, unit: 'deg', sd: 3 };
    const body: Evidence[] = [
      tip,
      { kind: 'screen', test: 'knee-to-wall', side: 'drive', value: 4, unit: 'cm', readings: 2 },
      { kind: 'measure', measure: 'drive-knee-over-toe', event: 'deepest-load', value: 20, unit: '%shank', sd: 4 },
      { kind: 'measure', measure: 'heel-peel-lead', event: 'contact', value: 150, unit: 'ms', sd: 6 },
    ];
    const { focusBy } = judge(body);
    for (const order of SCHOOL_OPTIONS.repairOrder) expect(judge(body, { repairOrder: order }).focus).toEqual(focusBy[order]);
    expect([focusBy['body-first'].lowerHalf, focusBy['biggest-leak'].lowerHalf]).toEqual(['ankle', 'early-tip']);
    const legs: Evidence[] = [
      tip,
      { kind: 'measure', measure: 'drive-shin-angle', event: 'toe-off', value: 15, unit: 'deg', sd: 3 },
    ];
    const by = judge(legs, { driveLeg: 'push' }).focusBy;
    expect([by['first-link'].lowerHalf, by['biggest-leak'].lowerHalf]).toEqual(['early-tip', 'shin-vertical']);
  },
  separation: () => {
    const evidence: Evidence[] = [
      { kind: 'measure', measure: 'hand-up-lead', event: 'contact', value: -90, unit: 'ms', sd: 5 },
      { kind: 'measure', measure: 'elbow-flexion', event: 'contact', value: 25, unit: 'deg', sd: 4 },
      eye('low-elbow'),
      { kind: 'eye', finding: 'hand-under', answer: 'no' },
    ];
    const arm = (separation: Schools['separation']) => judge(evidence, { separation }).focus.arm;
    expect(arm('hands')).toBe('lazy-arm');
    const why = (separation: Schools['separation']) => judge(evidence, { separation }).roots.map((r) => r.finding);
    // Ranking only: what is believed is the same in both.
    expect(why('hands')).toEqual(why('hips'));
    expect(arm('hips')).toBe('long-lever');
  },
  windmillFinish: () => {
    const film: Evidence = { kind: 'measure', measure: 'pelvis-rotation', event: 'release', value: 88, unit: 'deg', sd: 4 };
    const closes = (windmillFinish: Schools['windmillFinish']) =>
      judge([film], { windmillFinish }, WINDMILL).posterior['early-close']!;
    expect(closes('half-closed')).toBeGreaterThan(3 * closes('close'));
    expect(left([eye('early-close')], { windmillFinish: 'close' }, WINDMILL)).toContain('early-close');
    expect(left([eye('early-close')], { windmillFinish: 'half-closed' }, WINDMILL)).not.toContain('early-close');
  },
};

describe('each school of thought changes something', () => {
  it.each(Object.keys(CHANGES) as (keyof typeof CHANGES)[])('%s', (question) => CHANGES[question]());
});

describe('what is left alone', () => {
  it('is never what is worked on', () => {
    for (const finding of ['stall', 'early-peel', 'glove-pull', 'idle-drive-leg'] as const)
      for (const driveLeg of SCHOOL_OPTIONS.driveLeg) {
        const { focus, leaveAlone } = judge(
          [eye(finding), { ...eye(finding), by: 'b' }, { kind: 'outcome', strikes: 'good', velocity: 'good' }],
          { driveLeg },
        );
        for (const f of [focus.lowerHalf, focus.arm, focus.open?.finding])
          if (f) expect(leaveAlone.map((l) => l.item)).not.toContain(f);
      }
  });

  it('follows the newest word on a result', () => {
    const style: Evidence = { kind: 'style', item: 'high-leg-kick' };
    const poor = { kind: 'outcome', strikes: 'poor', on: '2026-03-01' } as const;
    const good = { kind: 'outcome', strikes: 'good', on: '2026-04-01' } as const;
    expect(left([style, poor, good], {})).toContain('high-leg-kick');
    expect(left([style, good, { ...poor, on: '2026-04-10' }], {})).not.toContain('high-leg-kick');
  });
});

describe('what repairing may give', () => {
  const seen: DatedEvidence[] = [
    eye('unstable-base'),
    { ...eye('unstable-base'), by: 'b' },
    { ...eye('unstable-base'), by: 'c' },
  ];
  it('is told in shares of own speed, and to nobody under twelve', () => {
    const grown = judge(seen);
    expect(grown.roots[0]!.worth!.high).toBeGreaterThan(0);
    expect(grown.focus.why.lowerHalf).toMatch(/% of own speed/);
    const child = judge(seen, {}, { ...THROWER, birthDate: '2016-01-20', level: 'youth' });
    expect(child.roots.map((r) => r.worth)).toEqual(child.roots.map(() => null));
    expect(child.focus.lowerHalf).toBe('unstable-base');
    expect(
      Object.values(child.focusBy)
        .map((f) => f.why.lowerHalf)
        .join(),
    ).not.toMatch(/% of own speed|mph/);
  });
});
