import { onSide } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const sidePlank = bodyTest({
  id: 'side-plank',
  name: 'Side plank',
  term: 'side bridge endurance',
  position: 'side',
  lyingOn: 'own side',
  readBy: 'timer',
  unit: 's',
  sides: LEGS,
  pass: 45,
  watch: 25,
  /** Shorter under twelve. */
  bandOf: (own, { age }) => (age < 12 ? { pass: 25, watch: 12 } : own),
  readingSd: 4,
  counts: 'mean',
  range: { low: 0, high: 300 },
  how: 'Elbow under the shoulder, body in line; time until it sags.',
  speaksOf: bothSides('trunk-stability'),
  firstSide: 'drive',
  minutes: 1,
  provenance: 'house',
  poses: [onSide({ flexion: 2, knee: 2 }, false), onSide({ flexion: 2, knee: 2 }, true)],
});
