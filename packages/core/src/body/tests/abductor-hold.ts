import { onSide } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const abductorHold = bodyTest({
  id: 'abductor-hold',
  name: 'Side-lying leg hold',
  term: 'side-lying hip abductor endurance',
  position: 'side',
  readBy: 'timer',
  unit: 's',
  sides: LEGS,
  pass: 30,
  watch: 20,
  readingSd: 3,
  counts: 'mean',
  range: { low: 0, high: 300 },
  how: 'On the side, top leg lifted in line; time until it sinks.',
  speaksOf: bothSides('abductor-strength'),
  firstSide: 'lead',
  minutes: 1,
  provenance: 'house',
  poses: [onSide({ flexion: 0, knee: 2 }, false), onSide({ flexion: 0, abduction: 30, knee: 2 }, false)],
  shows: 'lead',
});
