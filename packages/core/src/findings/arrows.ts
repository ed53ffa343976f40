import type { FindingId } from './ids';

/** How readily a cause brings its consequence about when nothing else does: the noisy-OR weight of an arrow. */
export const STRENGTH = { strong: 0.6, medium: 0.35, weak: 0.15 } as const;
export type Strength = keyof typeof STRENGTH;

export interface Arrow {
  readonly cause: FindingId;
  readonly consequence: FindingId;
  readonly strength: Strength;
}

type CausesOf = Partial<Record<Strength, readonly FindingId[]>>;

/** Every consequence with its causes. Provenance of all weights: `house`, until simulated and real data refine them. */
const CAUSES: Partial<Record<FindingId, CausesOf>> = {
  'balance-loss': { strong: ['unstable-base'], medium: ['hip-flexor-strength', 'trunk-stability', 'single-leg-strength'] },
  'open-lift': { medium: ['hip-flexor-strength', 'balance-loss'] },
  'stuck-back': { strong: ['balance-overtaught', 'fear-of-falling'] },
  stall: { strong: ['stuck-back', 'hip-lead-overdone'], medium: ['shin-vertical', 'sit-avoided'] },
  'early-tip': { medium: ['single-leg-strength'], weak: ['hip-extension', 'drive-hip-ir'] },
  'shin-vertical': { medium: ['sit-avoided'], weak: ['push-misread', 'unstable-base'] },
  'swing-open': { strong: ['stall', 'early-tip'], medium: ['hip-abduction', 'open-lift'], weak: ['stuck-back', 'knee-led-load'] },
  'knee-led-load': { medium: ['single-leg-strength', 'abductor-strength', 'ankle'] },
  'knee-outside': { medium: ['drive-hip-ir'], weak: ['hip-er'] },
  'knee-turns-alone': { medium: ['drive-hip-ir'] },
  'idle-drive-leg': {
    medium: ['single-leg-strength', 'knee-outside', 'early-tip', 'drill-not-transferred'],
    weak: ['low-power'],
  },
  'idle-stride-leg': { medium: ['single-leg-strength'], weak: ['low-power'] },
  'early-extension': { strong: ['push-misread'], medium: ['single-leg-strength'] },
  'jump-off': { strong: ['push-misread'] },
  'early-peel': { medium: ['idle-drive-leg'], weak: ['swing-open', 'hip-extension'] },
  'short-stride': {
    strong: ['early-extension'],
    medium: ['stuck-back', 'stall', 'swing-open', 'shin-vertical', 'jump-off', 'idle-drive-leg', 'idle-stride-leg'],
    weak: ['balance-loss', 'early-tip', 'knee-led-load', 'unstable-base', 'fear-of-falling', 'low-power'],
  },
  'stride-offline': {
    medium: ['swing-open'],
    weak: ['early-tip', 'knee-outside', 'unstable-base', 'balance-loss', 'stuck-back'],
  },
  'knee-caves': {
    strong: ['abductor-strength', 'long-lever'],
    medium: ['hip-abduction', 'low-elbow', 'late-hips', 'swing-open'],
    weak: ['lead-hip-ir'],
  },
  'no-brace': { strong: ['late-hips', 'knee-caves'], medium: ['single-leg-strength', 'lead-hip-ir'] },
  'locked-landing': { weak: ['fear-of-falling'] },
  'sunk-landing': { medium: ['single-leg-strength'] },
  'late-hips': {
    strong: ['stall', 'drive-hip-ir'],
    medium: ['knee-led-load', 'stuck-back'],
    weak: ['unstable-base', 'knee-turns-alone'],
  },
  'turn-together': {
    strong: ['late-hips', 'early-arm'],
    medium: ['stall', 'thoracic-rotation', 'drive-hip-ir', 'slouch', 'knee-turns-alone'],
  },
  'fly-open': { strong: ['swing-open', 'early-peel'], medium: ['glove-pull', 'glove-drift', 'early-arm', 'long-lever'] },
  'glove-pull': { strong: ['stall', 'late-hips'], medium: ['idle-drive-leg', 'knee-led-load'] },
  'glove-drift': { medium: ['trunk-stability'] },
  'lean-back': { strong: ['late-hips'] },
  'chest-behind': { medium: ['trunk-stability', 'turn-together'], weak: ['hip-extension', 'idle-drive-leg'] },
  'fold-and-lift': {
    strong: ['idle-drive-leg'],
    medium: ['locked-landing', 'sunk-landing', 'idle-stride-leg'],
    weak: ['no-brace', 'trunk-stability'],
  },
  'shoulder-finish': { strong: ['idle-drive-leg', 'locked-landing'], medium: ['slam-taught'] },
  'early-close': { strong: ['slam-taught'] },
  slouch: { medium: ['thoracic-rotation'], weak: ['trunk-stability'] },
  'early-arm': { strong: ['early-hands'], medium: ['jump-off'] },
  'late-arm': { medium: ['lazy-arm'], weak: ['hand-under', 'unstable-base'] },
  'low-elbow': { weak: ['hand-under', 'lazy-arm'] },
  'long-lever': { weak: ['lazy-arm'] },
  'arm-drag': { strong: ['fly-open', 'late-arm'], medium: ['glove-pull', 'early-arm'] },
  'push-arm': { strong: ['early-arm'], medium: ['late-hips', 'turn-together', 'arm-drag'] },
  'straight-whip': { medium: ['snap-misread'], weak: ['arm-only'] },
  'off-line-arm': { medium: ['shoulder-finish'] },
  'pull-up-finish': { strong: ['pull-up-taught'], weak: ['fold-and-lift'] },
  'arm-only': { medium: ['idle-drive-leg', 'knee-led-load', 'wasted-effort'], weak: ['late-hips', 'snap-misread'] },
};

const STRENGTHS: readonly Strength[] = ['strong', 'medium', 'weak'];

/** The arrows of the causal graph, cause → consequence. */
export const ARROWS: readonly Arrow[] = Object.entries(CAUSES).flatMap(([consequence, causes]) =>
  STRENGTHS.flatMap((strength) =>
    (causes[strength] ?? []).map((cause) => ({ cause, consequence: consequence as FindingId, strength })),
  ),
);
