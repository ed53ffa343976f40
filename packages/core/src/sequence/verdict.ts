/** What a sequence shows, each word tied to a number. Thresholds: `house`, from usual ranges of throwers. */
import type { Segment } from '../evidence/kinds/sequence';
import { round } from '../shared/maths';
import type { Peak, Said, ThrowSequence } from './types';

/** Peaks nearer than this are together, ms. */
export const TOGETHER_MS = 15;
/** A pelvis below this is slow: 80 % of the lower end of the usual range, deg/s. Youth turns as fast within 15 %. */
export const SLOW_PELVIS = 400;
/** Share of its forward speed that the pelvis of a good thrower has lost by release. */
const PELVIS_LOST = 0.5;

/** Whether the glove arm did: it turned before the pelvis did, or it peaks clearly before the trunk while the pelvis is slow. */
export function startedByGlove(peaks: Partial<Record<Segment, Peak>>): boolean {
  const { 'glove-arm': glove, pelvis, trunk } = peaks;
  if (!glove || !pelvis) return false;
  if (glove.onsetMs !== null && pelvis.onsetMs !== null && glove.onsetMs < pelvis.onsetMs) return true;
  return trunk !== undefined && trunk.timeMs - glove.timeMs > TOGETHER_MS && pelvis.value < SLOW_PELVIS;
}

const ms = (value: number): number => round(value, 1);

/** The numbers are those of the throw, rounded as they are shown. */
export function verdictOf({ peaks, gapsMs, shutOff, startedBy }: Omit<ThrowSequence, 'verdict'>, linear: boolean): Said[] {
  const said: Said[] = [];
  const { pelvis, trunk, 'glove-arm': glove, 'upper-arm': upper, forearm } = peaks;
  const turn = gapsMs['pelvis-trunk'];
  if (turn !== undefined && turn < TOGETHER_MS) {
    const gap = ms(turn);
    said.push({
      finding: 'turn-together',
      sentence:
        gap < 0
          ? `The trunk peaks ${-gap} ms before the pelvis: there is no turn of the hips to pass on.`
          : `Pelvis and trunk peak ${gap} ms apart; less than ${TOGETHER_MS} ms is together.`,
      numbers: { gapMs: gap },
    });
  }
  if (startedBy === 'glove-arm' && glove && pelvis) {
    const early = glove.onsetMs !== null && pelvis.onsetMs !== null && glove.onsetMs < pelvis.onsetMs;
    const lead = early ? ms(pelvis.onsetMs - glove.onsetMs) : ms((trunk?.timeMs ?? 0) - glove.timeMs);
    said.push({
      finding: 'glove-pull',
      sentence: early
        ? `The glove arm begins to turn ${lead} ms before the pelvis: it starts the turn.`
        : `The glove arm peaks ${lead} ms before the trunk while the pelvis turns at ${ms(pelvis.value)} deg/s: it starts the turn.`,
      numbers: { leadMs: lead, pelvisDegPerS: ms(pelvis.value) },
    });
  }
  if (pelvis && pelvis.value < SLOW_PELVIS)
    said.push({
      finding: 'late-hips',
      sentence: `The pelvis turns at ${ms(pelvis.value)} deg/s at most; below ${SLOW_PELVIS} is slow at any age.`,
      numbers: { pelvisDegPerS: ms(pelvis.value) },
    });
  if (trunk && upper && upper.timeMs < trunk.timeMs) {
    const lead = ms(trunk.timeMs - upper.timeMs);
    said.push({
      finding: 'arm-only',
      sentence: `The upper arm peaks ${lead} ms before the trunk: the arm goes by itself.`,
      numbers: { leadMs: lead },
    });
  }
  if (upper && forearm && forearm.timeMs < upper.timeMs) {
    const lead = ms(upper.timeMs - forearm.timeMs);
    said.push({
      finding: 'push-arm',
      sentence: `The forearm peaks ${lead} ms before the upper arm: the ball is pushed.`,
      numbers: { leadMs: lead },
    });
  }
  if (linear && shutOff.pelvis !== undefined && shutOff.pelvis < PELVIS_LOST) {
    const lost = round(100 * shutOff.pelvis, 0);
    said.push({
      finding: 'no-brace',
      sentence: `The hips have lost ${lost} % of their forward speed by release; with a good brace it is ${100 * PELVIS_LOST} % or more.`,
      numbers: { lostPercent: lost },
    });
  }
  return said;
}
