import { STRAIGHT, supine } from '../positions';
import { bodyTest, LEGS } from '../test';

export const hipFlexion = bodyTest({
  id: 'hip-flexion',
  name: 'Knee to chest',
  term: 'passive hip flexion, supine',
  position: 'supine',
  readBy: 'tilt',
  unit: 'deg',
  sides: LEGS,
  pass: 115,
  watch: 105,
  readingSd: 4,
  counts: 'mean',
  range: { low: 60, high: 155 },
  how: 'On the back; bring the knee to the chest until the low back rounds.',
  speaksOf: { drive: 'balance-loss', lead: 'open-lift' },
  firstSide: 'lead',
  minutes: 1,
  provenance: 'published',
  poses: [supine(STRAIGHT), supine({ flexion: 116, knee: 128 })],
});
