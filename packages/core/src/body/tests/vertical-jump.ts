import { standing } from '../positions';
import { bodyTest } from '../test';

export const verticalJump = bodyTest({
  id: 'vertical-jump',
  name: 'Standing jump',
  term: 'countermovement jump',
  position: 'standing',
  readBy: 'keypad',
  unit: 'in',
  sides: ['none'],
  pass: 28,
  watch: 24,
  /** Grown women jump 20 and 16 (`house`). The young are read by height and by three quarters: for their own trend, never a rank. */
  bandOf: (own, { norms, young, heightM }) => {
    const { pass, watch } = norms === 'women' ? { pass: 20, watch: 16 } : own;
    const scale = young ? 0.75 * (heightM / 1.83) : 1;
    return { pass: pass * scale, watch: watch * scale };
  },
  readingSd: 1,
  counts: 'best',
  range: {
    low: 0,
    high: 48,
    young: [
      { under: 9, high: 18 },
      { under: 12, high: 26 },
      { under: 15, high: 34 },
    ],
  },
  how: 'Best of three, both feet, arms free.',
  speaksOf: { none: 'low-power' },
  firstSide: 'none',
  minutes: 2,
  provenance: 'published',
  poses: [
    standing({ flexion: 66, knee: 76 }, { flexion: 66, knee: 76 }),
    standing(
      { flexion: 4, knee: 8, ankle: 36 },
      { flexion: 4, knee: 8, ankle: 36 },
      {
        airborne: 0.16,
        throwing: { elevation: 160, plane: 60, elbow: 6 },
        glove: { elevation: 160, plane: 60, elbow: 6 },
      },
    ),
  ],
});
