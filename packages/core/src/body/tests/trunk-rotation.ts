import { seated } from '../positions';
import { bodyTest } from '../test';

export const trunkRotation = bodyTest({
  id: 'trunk-rotation',
  name: 'Seated turn, tall',
  term: 'seated thoracic rotation',
  position: 'seated',
  readBy: 'tilt',
  unit: 'deg',
  sides: ['to-throwing', 'to-glove'],
  pass: 45,
  watch: 35,
  readingSd: 3,
  counts: 'mean',
  range: { low: 0, high: 95 },
  how: 'Seated tall, thighs squeezed so the hips are locked, stick across the chest; turn.',
  speaksOf: { 'to-throwing': 'thoracic-rotation', 'to-glove': 'thoracic-rotation' },
  firstSide: 'to-throwing',
  minutes: 1,
  provenance: 'published',
  poses: [seated(0, 0), seated(-46, 0)],
  shows: 'to-throwing',
});
