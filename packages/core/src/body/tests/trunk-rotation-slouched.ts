import { seated } from '../positions';
import { bodyTest } from '../test';

export const trunkRotationSlouched = bodyTest({
  id: 'trunk-rotation-slouched',
  name: 'Seated turn, slouched',
  term: 'seated thoracic rotation, slumped',
  position: 'seated',
  readBy: 'tilt',
  unit: 'deg',
  sides: ['to-throwing', 'to-glove'],
  pass: 35,
  watch: 25,
  readingSd: 4,
  counts: 'mean',
  range: { low: 0, high: 95 },
  how: 'The same, slouched on purpose. Ten degrees less than tall is a posture finding.',
  speaksOf: { 'to-throwing': 'slouch', 'to-glove': 'slouch' },
  firstSide: 'to-throwing',
  minutes: 1,
  provenance: 'house',
  poses: [seated(0, 28), seated(-34, 28)],
  shows: 'to-throwing',
});
