/** Findings of the lower half, trunk and glove side, and arm action: habits of movement. */
export const HABIT_IDS = [
  'unstable-base',
  'balance-loss',
  'open-lift',
  'stuck-back',
  'stall',
  'early-tip',
  'shin-vertical',
  'swing-open',
  'knee-led-load',
  'knee-outside',
  'knee-turns-alone',
  'idle-drive-leg',
  'idle-stride-leg',
  'early-extension',
  'jump-off',
  'early-peel',
  'short-stride',
  'stride-offline',
  'knee-caves',
  'no-brace',
  'locked-landing',
  'sunk-landing',
  'early-close',
  'replant',
  'late-hips',
  'turn-together',
  'fly-open',
  'glove-pull',
  'glove-drift',
  'lean-back',
  'chest-behind',
  'fold-and-lift',
  'shoulder-finish',
  'idle-glove',
  'slouch',
  'early-hands',
  'early-arm',
  'late-arm',
  'hand-under',
  'lazy-arm',
  'low-elbow',
  'long-lever',
  'arm-drag',
  'push-arm',
  'straight-whip',
  'off-line-arm',
  'pull-up-finish',
  'arm-only',
] as const;

/** What the body does not allow. */
export const LIMIT_IDS = [
  'drive-hip-ir',
  'lead-hip-ir',
  'hip-er',
  'hip-abduction',
  'hip-extension',
  'thoracic-rotation',
  'ankle',
  'abductor-strength',
  'hip-flexor-strength',
  'trunk-stability',
  'single-leg-strength',
  'low-power',
] as const;

/** A misread instruction or thought. */
export const CUE_IDS = [
  'push-misread',
  'balance-overtaught',
  'hip-lead-overdone',
  'sit-avoided',
  'drill-not-transferred',
  'wasted-effort',
  'fear-of-falling',
  'pull-up-taught',
  'snap-misread',
  'slam-taught',
] as const;

export const FINDING_IDS = [...HABIT_IDS, ...LIMIT_IDS, ...CUE_IDS] as const;

export type FindingId = (typeof FINDING_IDS)[number];
export type HabitId = (typeof HABIT_IDS)[number];
export type LimitId = (typeof LIMIT_IDS)[number];
export type CueId = (typeof CUE_IDS)[number];
export type FindingKind = 'habit' | 'limit' | 'cue';
