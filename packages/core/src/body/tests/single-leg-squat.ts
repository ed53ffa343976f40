import { pose } from '../../delivery/pose';
import { standing } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const singleLegSquat = bodyTest({
  id: 'single-leg-squat',
  name: 'One-leg squat to box',
  term: 'single-leg squat',
  position: 'standing',
  readBy: 'steps',
  unit: 'score',
  sides: LEGS,
  pass: 3,
  watch: 2,
  readingSd: 0.5,
  counts: 'best',
  range: { low: 0, high: 3 },
  how: 'Slow, to a knee-high box. 3 clean, 2 wobble, 1 falls the last part, 0 cannot.',
  speaksOf: bothSides('single-leg-strength'),
  firstSide: 'drive',
  minutes: 1,
  provenance: 'convention',
  poses: [
    standing({ flexion: 10, knee: 12 }, { flexion: 30, knee: 10 }, { support: 'box' }),
    pose({
      pelvis: { rotation: 60, forward: 26 },
      trunk: { rotation: 60, forward: 34 },
      drive: { flexion: 82, knee: 88 },
      lead: { flexion: 64, knee: 10 },
      throwing: { elevation: 78, plane: 86, elbow: 6 },
      glove: { elevation: 78, plane: 86, elbow: 6 },
      support: 'box',
    }),
  ],
});
