import { STRAIGHT, standing } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const hipFlexorHold = bodyTest({
  id: 'hip-flexor-hold',
  name: 'High-knee hold',
  term: 'standing hip flexor endurance',
  position: 'standing',
  readBy: 'timer',
  unit: 's',
  sides: LEGS,
  pass: 20,
  watch: 10,
  readingSd: 2.5,
  counts: 'mean',
  range: { low: 0, high: 300 },
  how: 'Standing tall, knee above the hip; time until it sinks.',
  speaksOf: bothSides('hip-flexor-strength'),
  firstSide: 'lead',
  minutes: 1,
  provenance: 'house',
  poses: [
    standing({ flexion: 60, knee: 70 }, STRAIGHT, { standsOn: 'lead' }),
    standing({ flexion: 104, knee: 100 }, STRAIGHT, { standsOn: 'lead' }),
  ],
});
