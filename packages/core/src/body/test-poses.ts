import type { Pose } from '../delivery/pose';
import type { TestSide } from '../delivery/sides';
import { bodyTestById } from './catalogue';
import type { TestId } from './catalogue';

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

/** Start and end position of a test on one side, for the figure. */
export function testPoses(test: TestId, side: TestSide): readonly [Pose, Pose] {
  const { poses, shows } = bodyTestById(test);
  const [from, to] = poses;
  return side === shows || side === 'none' ? [from, to] : [otherSide(from), otherSide(to)];
}
