/** What an instructor would say of sixteen made-up athletes, written down before the model was asked. */
import type { FindingId } from '../findings/ids';
import type { AthleteProfile } from '../athlete/athlete';
import type { Schools } from '../athlete/schools';
import { THROWER } from '../testing/athletes';
import { diagnose } from './diagnose';
import type { DatedEvidence } from '../evidence/evidence';

interface Vignette {
  readonly who?: Partial<AthleteProfile>;
  readonly schools?: Partial<Schools>;
  readonly seen: readonly DatedEvidence[];
  /** The first root is one of these; empty where nothing may stand out. */
  readonly first: readonly FindingId[];
  readonly neverFirst?: readonly FindingId[];
  readonly mostly?: 'body' | 'timing' | 'cue';
  readonly eases?: readonly FindingId[];
  readonly flags?: readonly FindingId[];
  readonly leave?: readonly string[];
}

const eye = (finding: FindingId, answer: 'yes' | 'no' = 'yes'): DatedEvidence => ({ kind: 'eye', finding, answer });
const test = (id: string, side: string, value: number, unit: string, readings = 1) =>
  ({ kind: 'screen', test: id, side, value, unit, readings }) as DatedEvidence;
const measure = (id: string, event: string, value: number, unit: string, sd: number) =>
  ({ kind: 'measure', measure: id, event, value, unit, sd }) as DatedEvidence;

const OVERHAND: Readonly<Record<string, Vignette>> = {
  'a stiff ankle stands behind the knee-led load': {
    seen: [
      eye('knee-led-load'),
      test('knee-to-wall', 'drive', 4, 'cm', 2),
      test('single-leg-squat', 'drive', 3, 'score'),
      { kind: 'slow', finding: 'knee-led-load', canDoSlowly: 'no' },
    ],
    first: ['ankle'],
    mostly: 'body',
    eases: ['knee-led-load'],
  },
  'balance was taught as a stop, and the hips wait behind': {
    seen: [eye('stuck-back'), eye('stall'), { kind: 'history', event: 'balance-drilled' }],
    first: ['balance-overtaught'],
    mostly: 'cue',
    eases: ['stuck-back', 'stall'],
  },
  'hands that part early bring the arm up early': {
    seen: [eye('early-hands'), measure('hand-up-lead', 'contact', 140, 'ms', 12), eye('push-arm')],
    first: ['early-hands'],
    mostly: 'timing',
    eases: ['early-arm'],
  },
  'a fast glove in hips that stopped is a consequence': {
    seen: [
      eye('glove-pull'),
      measure('hip-travel-dip', 'mid-move', 55, '%', 6),
      measure('pelvis-rotation', 'contact', 22, 'deg', 6),
    ],
    first: ['stall', 'stuck-back', 'hip-lead-overdone', 'shin-vertical'],
    neverFirst: ['glove-pull', 'late-hips'],
    eases: ['glove-pull'],
  },
  'clean in the drill and gone on the mound': {
    seen: [
      eye('idle-drive-leg'),
      { kind: 'transfer', finding: 'idle-drive-leg', cleanInDrill: 'yes', cleanOnMound: 'no' },
      test('single-leg-squat', 'drive', 3, 'score'),
    ],
    first: ['drill-not-transferred'],
    mostly: 'cue',
  },
  'a weak hip lets the front knee fall in, heavily': {
    seen: [
      eye('knee-caves'),
      test('abductor-hold', 'lead', 11, 's', 2),
      test('hip-internal-rotation', 'lead', 45, 'deg'),
      measure('lead-knee-in-out', 'contact', -24, '%shank', 4),
    ],
    first: ['abductor-strength'],
    mostly: 'body',
    flags: ['knee-caves'],
  },
  'a free body and a clean throw': {
    seen: [
      test('hip-internal-rotation', 'drive', 46, 'deg'),
      test('trunk-rotation', 'to-throwing', 52, 'deg'),
      ...(['stall', 'late-hips', 'fly-open', 'glove-pull', 'no-brace', 'early-arm'] as const).map((f) => eye(f, 'no')),
    ],
    first: [],
  },
  'a sore arm dragged behind a chest that the leg has opened': {
    seen: [eye('swing-open'), eye('fly-open'), eye('arm-drag'), { kind: 'history', event: 'arm-pain' }],
    first: ['swing-open', 'early-tip', 'stall', 'hip-abduction', 'open-lift'],
    neverFirst: ['arm-drag', 'fly-open'],
    flags: ['arm-drag'],
  },
};

const WINDMILL: Readonly<Record<string, Vignette>> = {
  'told to finish high, lifts the arm': {
    seen: [eye('pull-up-finish'), { kind: 'told', thought: 'finish-up' }],
    first: ['pull-up-taught'],
    mostly: 'cue',
    eases: ['pull-up-finish'],
    flags: ['pull-up-finish'],
  },
  'told to slam the door, shuts before the arm': {
    seen: [{ kind: 'told', thought: 'turn-slam' }, measure('pelvis-rotation', 'release', 96, 'deg', 6), eye('shoulder-finish')],
    first: ['slam-taught'],
    eases: ['early-close'],
  },
  'the same hips where the school wants them shut': {
    schools: { windmillFinish: 'close' },
    seen: [measure('pelvis-rotation', 'release', 84, 'deg', 6), eye('early-close')],
    first: [],
    leave: ['early-close'],
  },
  'waits for the snap with a stiff arm': {
    seen: [{ kind: 'told', thought: 'turn-wrist' }, measure('elbow-flexion', 'arm-9-oclock', 4, 'deg', 4)],
    first: ['snap-misread'],
    eases: ['straight-whip'],
  },
  'a slack tether, and the trunk brings the foot': {
    seen: [{ kind: 'glance', detail: 'tether', answer: 'slack' }, eye('shoulder-finish'), eye('fold-and-lift')],
    first: ['idle-drive-leg'],
    eases: ['fold-and-lift', 'shoulder-finish'],
  },
  'lands deep on a leg that cannot carry it': {
    seen: [measure('lead-knee-flexion', 'contact', 60, 'deg', 3), test('single-leg-squat', 'lead', 1, 'score', 2)],
    first: ['single-leg-strength'],
    mostly: 'body',
    eases: ['sunk-landing'],
  },
  'ten years old, afraid of the landing, and stiff in it': {
    who: { birthDate: '2016-01-20', heightM: 1.4, massKg: 34, level: 'youth' },
    seen: [eye('locked-landing'), { kind: 'told', thought: 'land-careful' }],
    first: ['fear-of-falling', 'locked-landing'],
    flags: ['locked-landing'],
  },
  'strikes, movement and speed are fine, with the hands over the head': {
    seen: [
      { kind: 'outcome', strikes: 'good', movement: 'good', velocity: 'good' },
      { kind: 'style', item: 'hands-overhead' },
      eye('short-stride', 'no'),
    ],
    first: [],
    leave: ['hands-overhead'],
  },
};

/** Below this nothing stands out. */
const STANDS_OUT = 0.2;

describe.each([
  ['overhand', OVERHAND],
  ['windmill', WINDMILL],
] as const)('%s', (discipline, vignettes) => {
  it.each(Object.entries(vignettes))('%s', (_, { who, schools, seen, ...said }) => {
    const { roots, split, expectedToEase, flags, leaveAlone } = diagnose({
      on: '2026-04-18',
      athlete: { ...THROWER, discipline, ...who },
      ...(schools ? { schools } : {}),
      evidence: seen,
    });
    const first = roots[0];
    if (said.first.length === 0) expect(first?.probability ?? 0).toBeLessThan(STANDS_OUT);
    else expect(said.first).toContain(first?.finding);
    for (const finding of said.neverFirst ?? []) expect(first?.finding).not.toBe(finding);
    if (said.mostly) expect(Object.entries(split).sort(([, a], [, b]) => b - a)[0]![0]).toBe(said.mostly);
    for (const finding of said.eases ?? []) expect(expectedToEase.map((e) => e.finding)).toContain(finding);
    for (const finding of said.flags ?? []) expect(flags).toContain(finding);
    for (const item of said.leave ?? []) expect(leaveAlone.map((l) => l.item)).toContain(item);
  });
});
