import { standing } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const kneeToWall = bodyTest({
  id: 'knee-to-wall',
  name: 'Knee to wall',
  term: 'weight-bearing ankle dorsiflexion',
  position: 'standing',
  readBy: 'keypad',
  unit: 'cm',
  sides: LEGS,
  pass: 10,
  watch: 7,
  readingSd: 0.8,
  counts: 'mean',
  range: { low: 0, high: 25 },
  how: 'Heel down, knee to the wall; measure big toe to wall at the last touch.',
  speaksOf: bothSides('ankle'),
  firstSide: 'drive',
  minutes: 1,
  provenance: 'published',
  poses: [
    standing({ flexion: 34, knee: 44, ankle: -8 }, { flexion: -12, knee: 8 }, { support: 'wall' }),
    standing({ flexion: 46, knee: 76, ankle: -26 }, { flexion: -16, knee: 12 }, { support: 'wall' }),
  ],
});
