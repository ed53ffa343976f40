import { onSide } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const abductorForce = bodyTest({
  id: 'abductor-force',
  name: 'Side-lying leg force',
  term: 'isometric hip abduction strength',
  position: 'side',
  readBy: 'keypad',
  unit: '%BW',
  sides: LEGS,
  pass: 20,
  watch: 15,
  readingSd: 1.5,
  counts: 'best',
  range: { low: 0, high: 60 },
  onRequest: true,
  how: 'On the side, against a gauge at the ankle; best of two pushes.',
  speaksOf: bothSides('abductor-strength'),
  firstSide: 'lead',
  minutes: 1,
  provenance: 'house',
  poses: [onSide({ flexion: 0, knee: 2 }, false), onSide({ flexion: 0, abduction: 18, knee: 2 }, false)],
  shows: 'lead',
});
