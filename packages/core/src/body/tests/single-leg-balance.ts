import { STRAIGHT, standing } from '../positions';
import { bodyTest, LEGS } from '../test';

export const singleLegBalance = bodyTest({
  id: 'single-leg-balance',
  name: 'One-leg balance',
  term: 'single-leg stance',
  position: 'standing',
  readBy: 'timer',
  unit: 's',
  sides: LEGS,
  pass: 20,
  watch: 10,
  readingSd: 4,
  counts: 'best',
  range: { low: 0, high: 300 },
  how: 'Eyes open, knee up at throwing posture; time until the foot moves.',
  speaksOf: { drive: 'balance-loss', lead: 'no-brace' },
  firstSide: 'drive',
  minutes: 1,
  provenance: 'house',
  poses: [standing(STRAIGHT, { flexion: 40, knee: 50 }), standing({ flexion: 4, knee: 8 }, { flexion: 84, knee: 80 })],
});
