import { standing } from '../positions';
import { bodyTest } from '../test';

export const squatStrength = bodyTest({
  id: 'squat-strength',
  name: 'Squat or hinge strength',
  term: 'relative back squat strength',
  position: 'standing',
  readBy: 'keypad',
  unit: 'xBW',
  sides: ['none'],
  pass: 1.75,
  watch: 1.25,
  readingSd: 0.08,
  counts: 'best',
  range: { low: 0, high: 4 },
  how: 'A recent safe top set as a multiple of body weight. Adults only.',
  speaksOf: { none: 'low-power' },
  firstSide: 'none',
  minutes: 2,
  adultsOnly: true,
  onRequest: true,
  provenance: 'house',
  poses: [
    standing({ flexion: 8, knee: 8 }, { flexion: 8, knee: 8 }),
    standing({ flexion: 88, knee: 96, abduction: 10 }, { flexion: 88, knee: 96, abduction: 10 }),
  ],
});
