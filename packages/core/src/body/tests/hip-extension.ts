import { pose } from '../../delivery/pose';
import { ARMS_DOWN, FACE_DOWN, STRAIGHT } from '../positions';
import { bodyTest, bothSides, LEGS } from '../test';

export const hipExtension = bodyTest({
  id: 'hip-extension',
  name: 'Thigh behind the body',
  term: 'hip extension, prone',
  position: 'prone',
  readBy: 'tilt',
  unit: 'deg',
  sides: LEGS,
  pass: 15,
  watch: 8,
  readingSd: 3,
  counts: 'mean',
  range: { low: -20, high: 45 },
  how: 'Face down, pelvis held; lift the straight leg.',
  speaksOf: bothSides('hip-extension'),
  firstSide: 'drive',
  minutes: 1,
  provenance: 'published',
  poses: [
    pose({ ...FACE_DOWN, drive: STRAIGHT, lead: STRAIGHT, throwing: ARMS_DOWN, glove: ARMS_DOWN, standsOn: null }),
    pose({
      ...FACE_DOWN,
      drive: { flexion: -18, knee: 2 },
      lead: STRAIGHT,
      throwing: ARMS_DOWN,
      glove: ARMS_DOWN,
      standsOn: null,
    }),
  ],
});
