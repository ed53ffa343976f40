import { BENT, supine } from '../positions';
import { bodyTest, LEGS } from '../test';

export const hipInternalRotation = bodyTest({
  id: 'hip-internal-rotation',
  name: 'Hip turning in',
  term: 'hip internal rotation at 90° flexion, supine',
  position: 'supine',
  readBy: 'tilt',
  unit: 'deg',
  sides: LEGS,
  pass: 40,
  watch: 30,
  readingSd: 3,
  counts: 'mean',
  range: { low: 0, high: 80 },
  how: 'On the back, hip and knee at 90°, the other leg flat. Turn the foot out; judge by the knee, not the foot.',
  speaksOf: { drive: 'drive-hip-ir', lead: 'lead-hip-ir' },
  firstSide: 'drive',
  minutes: 1,
  provenance: 'published',
  poses: [supine(BENT), supine({ ...BENT, rotation: 38 })],
});
