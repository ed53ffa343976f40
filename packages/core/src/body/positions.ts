/** Positions in which tests are done, on the drive side. */
import { pose } from '../delivery/pose';
import type { Pose } from '../delivery/pose';

export const ARMS_DOWN = { elevation: 10, plane: 0, elbow: 6 } as const;
const CROSSED = { elevation: 40, plane: 70, elbow: 110 } as const;
export const STRAIGHT = { flexion: 0, knee: 2, abduction: 2 } as const;
export const BENT = { flexion: 90, knee: 90, abduction: 0 } as const;
const ON_BACK = { pelvis: { rotation: 90, forward: -88 }, trunk: { rotation: 90, forward: -88 } } as const;
export const FACE_DOWN = { pelvis: { rotation: 90, forward: 88 }, trunk: { rotation: 90, forward: 88 } } as const;
const SEATED_LEGS = { flexion: 88, knee: 88, abduction: 2 } as const;

export const supine = (drive: object, lead: object = STRAIGHT): Pose =>
  pose({ ...ON_BACK, drive, lead, throwing: ARMS_DOWN, glove: ARMS_DOWN, standsOn: null });
export const standing = (drive: object, lead: object, more: object = {}): Pose =>
  pose({ pelvis: { rotation: 60 }, trunk: { rotation: 60 }, drive, lead, throwing: ARMS_DOWN, glove: ARMS_DOWN, ...more });
export const seated = (rotation: number, forward: number): Pose =>
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
export const onSide = (lead: object, propped: boolean): Pose =>
  pose({
    pelvis: { rotation: 0, side: propped ? -72 : -88 },
    trunk: { rotation: 0, side: propped ? -72 : -86 },
    drive: { flexion: 2, abduction: 0, knee: 2 },
    lead,
    throwing: propped ? { elevation: 70, plane: 0, elbow: 90 } : { elevation: 150, plane: 20, elbow: 60 },
    glove: propped ? { elevation: 90, plane: 0, elbow: 4 } : { elevation: 14, plane: 30, elbow: 30 },
    standsOn: null,
  });
