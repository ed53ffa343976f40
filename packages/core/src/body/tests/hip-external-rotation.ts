import { BENT, supine } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const hipExternalRotation = bodyTest({
  id: 'hip-external-rotation',
  name: 'Hip turning out',
  term: 'hip external rotation at 90° flexion, supine',
  position: 'supine',
  readBy: 'tilt',
  unit: 'deg',
  sides: LEGS,
  pass: 40,
  watch: 30,
  readingSd: 3,
  counts: 'mean',
  range: { low: 0, high: 90 },
  how: 'Same position; turn the foot in across the body.',
  speaksOf: bothSides('hip-er'),
  firstSide: 'drive',
  minutes: 1,
  provenance: 'published',
  poses: [supine(BENT), supine({ ...BENT, rotation: -38 })],
});
