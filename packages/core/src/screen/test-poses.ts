import type { TestSide } from '../delivery/sides';
import { pose } from '../delivery/pose';
import type { Pose } from '../delivery/pose';
import type { TestId } from './tests';

const ARMS_DOWN = { elevation: 10, plane: 0, elbow: 6 } as const;
const CROSSED = { elevation: 40, plane: 70, elbow: 110 } as const;
const STRAIGHT = { flexion: 0, knee: 2, abduction: 2 } as const;
const BENT = { flexion: 90, knee: 90, abduction: 0 } as const;
const ON_BACK = { pelvis: { rotation: 90, forward: -88 }, trunk: { rotation: 90, forward: -88 } } as const;
const FACE_DOWN = { pelvis: { rotation: 90, forward: 88 }, trunk: { rotation: 90, forward: 88 } } as const;
const SEATED_LEGS = { flexion: 88, knee: 88, abduction: 2 } as const;

const supine = (drive: object, lead: object = STRAIGHT): Pose =>
  pose({ ...ON_BACK, drive, lead, throwing: ARMS_DOWN, glove: ARMS_DOWN, standsOn: null });
const standing = (drive: object, lead: object, more: object = {}): Pose =>
  pose({ pelvis: { rotation: 60 }, trunk: { rotation: 60 }, drive, lead, throwing: ARMS_DOWN, glove: ARMS_DOWN, ...more });
const seated = (rotation: number, forward: number): Pose =>
  pose({
    pelvis: { rotation: 60, forward: forward / 2 },
    trunk: { rotation: 60 + rotation, forward },
    drive: SEATED_LEGS,
    lead: SEATED_LEGS,
    throwing: CROSSED,
    glove: CROSSED,
    standsOn: null,
    support: 'ground',
  });
/** On the drive side: the lead leg is on top. */
const onSide = (lead: object, propped: boolean): Pose =>
  pose({
    pelvis: { rotation: 0, side: propped ? -72 : -88 },
    trunk: { rotation: 0, side: propped ? -72 : -86 },
    drive: { flexion: 2, abduction: 0, knee: 2 },
    lead,
    throwing: propped ? { elevation: 70, plane: 0, elbow: 90 } : { elevation: 150, plane: 20, elbow: 60 },
    glove: propped ? { elevation: 90, plane: 0, elbow: 4 } : { elevation: 14, plane: 30, elbow: 30 },
    standsOn: null,
  });

/** Start and end position of each test, done on the drive side, the lead leg on top, or towards the throwing side. */
const POSES_BY_TEST: Record<TestId, readonly [from: Pose, to: Pose]> = {
  'hip-internal-rotation': [supine(BENT), supine({ ...BENT, rotation: 38 })],
  'hip-external-rotation': [supine(BENT), supine({ ...BENT, rotation: -38 })],
  'hip-abduction': [supine(STRAIGHT), supine({ ...STRAIGHT, abduction: 42 })],
  'hip-flexion': [supine(STRAIGHT), supine({ flexion: 116, knee: 128 })],
  'hip-extension': [
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
  'trunk-rotation': [seated(0, 0), seated(-46, 0)],
  'trunk-rotation-slouched': [seated(0, 28), seated(-34, 28)],
  'knee-to-wall': [
    standing({ flexion: 34, knee: 44, ankle: -8 }, { flexion: -12, knee: 8 }, { support: 'wall' }),
    standing({ flexion: 46, knee: 76, ankle: -26 }, { flexion: -16, knee: 12 }, { support: 'wall' }),
  ],
  'abductor-hold': [onSide({ flexion: 0, knee: 2 }, false), onSide({ flexion: 0, abduction: 30, knee: 2 }, false)],
  'abductor-force': [onSide({ flexion: 0, knee: 2 }, false), onSide({ flexion: 0, abduction: 18, knee: 2 }, false)],
  'hip-flexor-hold': [
    standing({ flexion: 60, knee: 70 }, STRAIGHT, { standsOn: 'lead' }),
    standing({ flexion: 104, knee: 100 }, STRAIGHT, { standsOn: 'lead' }),
  ],
  'side-plank': [onSide({ flexion: 2, knee: 2 }, false), onSide({ flexion: 2, knee: 2 }, true)],
  'single-leg-balance': [
    standing(STRAIGHT, { flexion: 40, knee: 50 }),
    standing({ flexion: 4, knee: 8 }, { flexion: 84, knee: 80 }),
  ],
  'single-leg-squat': [
    standing({ flexion: 10, knee: 12 }, { flexion: 30, knee: 10 }, { support: 'box' }),
    pose({
      pelvis: { rotation: 60, forward: 26 },
      trunk: { rotation: 60, forward: 34 },
      drive: { flexion: 82, knee: 88 },
      lead: { flexion: 64, knee: 10 },
      throwing: { elevation: 78, plane: 86, elbow: 6 },
      glove: { elevation: 78, plane: 86, elbow: 6 },
      support: 'box',
    }),
  ],
  'vertical-jump': [
    standing({ flexion: 66, knee: 76 }, { flexion: 66, knee: 76 }),
    standing(
      { flexion: 4, knee: 8, ankle: 36 },
      { flexion: 4, knee: 8, ankle: 36 },
      {
        airborne: 0.16,
        throwing: { elevation: 160, plane: 60, elbow: 6 },
        glove: { elevation: 160, plane: 60, elbow: 6 },
      },
    ),
  ],
  'broad-jump': [
    standing({ flexion: 66, knee: 76 }, { flexion: 66, knee: 76 }),
    standing({ flexion: 52, knee: 30 }, { flexion: 52, knee: 30 }, { airborne: 0.1, at: 0.5 }),
  ],
  'squat-strength': [
    standing({ flexion: 8, knee: 8 }, { flexion: 8, knee: 8 }),
    standing({ flexion: 88, knee: 96, abduction: 10 }, { flexion: 88, knee: 96, abduction: 10 }),
  ],
};

/** The same position with the sides changed round. */
function otherSide({ angles, ...rest }: Pose): Pose {
  return {
    ...rest,
    standsOn: rest.standsOn === 'drive' ? 'lead' : rest.standsOn === 'lead' ? 'drive' : null,
    angles: {
      pelvis: { ...angles.pelvis, side: -angles.pelvis.side },
      trunk: { ...angles.trunk, side: -angles.trunk.side, rotation: 2 * angles.pelvis.rotation - angles.trunk.rotation },
      driveLeg: angles.leadLeg,
      leadLeg: angles.driveLeg,
      throwingArm: angles.gloveArm,
      gloveArm: angles.throwingArm,
    },
  };
}

/** Side that the poses above show: the leg on top counts for a lift, the arm below for a plank. */
const SHOWN: Partial<Record<TestId, TestSide>> = { 'abductor-hold': 'lead', 'abductor-force': 'lead' };

/** Start and end position of a test on one side, for the figure. */
export function testPoses(test: TestId, side: TestSide): readonly [Pose, Pose] {
  const [from, to] = POSES_BY_TEST[test];
  const shown = SHOWN[test] ?? (test.startsWith('trunk-rotation') ? 'to-throwing' : 'drive');
  return side === shown || side === 'none' ? [from, to] : [otherSide(from), otherSide(to)];
}
