import { jointsAt, mirrored, proportionsFor } from './body';
import { figureAt } from './figure';
import { POSES } from './poses';
import type { PoseId } from './poses';

const distance = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((x, i) => x - b[i]!));
const size = proportionsFor(1.8, 17);

describe('the jointed body', () => {
  it('keeps every segment’s length in every pose', () => {
    for (const id of Object.keys(POSES) as PoseId[]) {
      const joints = jointsAt(POSES[id].angles, size);
      for (const side of ['drive', 'lead'] as const) {
        expect(distance(joints[`${side}-hip`], joints[`${side}-knee`])).toBeCloseTo(size.thigh, 9);
        expect(distance(joints[`${side}-knee`], joints[`${side}-ankle`])).toBeCloseTo(size.shank, 9);
      }
      for (const side of ['throwing', 'glove'] as const) {
        expect(distance(joints[`${side}-shoulder`], joints[`${side}-elbow`])).toBeCloseTo(size.upperArm, 9);
        expect(distance(joints[`${side}-elbow`], joints[`${side}-wrist`])).toBeCloseTo(size.forearm, 9);
      }
      expect(distance(joints['throwing-shoulder'], joints['glove-shoulder'])).toBeCloseTo(size.shoulderWidth, 9);
    }
  });

  it('reads back the pelvis rotation by the definition of the measure', () => {
    for (const id of ['overhand-land', 'windmill-whip', 'overhand-set'] as const) {
      const joints = jointsAt(POSES[id].angles, size);
      const [dx, dy] = [0, 1].map((i) => joints['lead-hip'][i]! - joints['drive-hip'][i]!) as [number, number];
      expect((Math.atan2(dy, dx) * 180) / Math.PI).toBeCloseTo(POSES[id].angles.pelvis.rotation, 6);
    }
  });

  it('stands on the ground through every drill, and loops without a jump', () => {
    const poses: PoseId[] = ['overhand-lift', 'overhand-move', 'overhand-land', 'overhand-release'];
    let before = figureAt(poses, 0.999, size, 1.8).joints;
    for (let step = 0; step <= 200; step++) {
      const { joints } = figureAt(poses, step / 200, size, 1.8);
      expect(Math.min(...Object.values(joints).map((p) => p[2]))).toBeGreaterThan(-1e-9);
      expect(distance(joints['throwing-wrist'], before['throwing-wrist'])).toBeLessThan(0.25);
      before = joints;
    }
  });

  it('mirrors for the other hand', () => {
    const right = jointsAt(POSES['overhand-land'].angles, size);
    const left = mirrored(right);
    expect(left['throwing-wrist'][1]).toBeCloseTo(-right['throwing-wrist'][1], 12);
    expect(left['throwing-wrist'][0]).toBeCloseTo(right['throwing-wrist'][0], 12);
  });

  it('gives children bigger heads and shorter legs', () => {
    const child = proportionsFor(1.3, 8);
    const adult = proportionsFor(1.3, 20);
    expect(child.headRadius).toBeGreaterThan(adult.headRadius);
    expect(child.thigh).toBeLessThan(adult.thigh);
  });
});
