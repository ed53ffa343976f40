import { STRAIGHT, supine } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const hipAbduction = bodyTest({
  id: 'hip-abduction',
  name: 'Leg out to the side',
  term: 'hip abduction, supine',
  position: 'supine',
  readBy: 'tilt',
  unit: 'deg',
  sides: LEGS,
  pass: 40,
  watch: 30,
  readingSd: 3,
  counts: 'mean',
  range: { low: 0, high: 85 },
  how: 'On the back, pelvis level; draw the straight leg out until the pelvis follows.',
  speaksOf: bothSides('hip-abduction'),
  firstSide: 'lead',
  minutes: 1,
  provenance: 'published',
  poses: [supine(STRAIGHT), supine({ ...STRAIGHT, abduction: 42 })],
});
