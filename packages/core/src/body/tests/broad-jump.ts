import { standing } from '../positions';
import { bodyTest } from '../test';

export const broadJump = bodyTest({
  id: 'broad-jump',
  name: 'Broad jump',
  term: 'standing long jump',
  position: 'standing',
  readBy: 'keypad',
  unit: '%height',
  sides: ['none'],
  pass: 105,
  watch: 95,
  /** Grown women jump 95 and 85 (`house`). The young are read by 85 %: for their own trend, never a rank. */
  bandOf: (own, { norms, young }) => {
    const { pass, watch } = norms === 'women' ? { pass: 95, watch: 85 } : own;
    const scale = young ? 0.85 : 1;
    return { pass: pass * scale, watch: watch * scale };
  },
  readingSd: 3,
  counts: 'best',
  range: {
    low: 0,
    high: 200,
    young: [
      { under: 9, high: 140 },
      { under: 12, high: 150 },
      { under: 15, high: 170 },
    ],
  },
  how: 'Best of three, toe line to heel, stick the landing.',
  speaksOf: { none: 'low-power' },
  firstSide: 'none',
  minutes: 2,
  provenance: 'published',
  poses: [
    standing({ flexion: 66, knee: 76 }, { flexion: 66, knee: 76 }),
    standing({ flexion: 52, knee: 30 }, { flexion: 52, knee: 30 }, { airborne: 0.1, at: 0.5 }),
  ],
});
