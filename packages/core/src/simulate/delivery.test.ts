import { measureById } from '../delivery/measures';
import { JOINTS } from '../delivery/body';
import { measureThrow } from '../measure/measure';
import { SIGNS } from '../findings/signs';
import { cameraFor, metresPerPixel, project } from './camera';
import { markedJointsAt, simulateDelivery } from './delivery';
import { SIMULATED_FAULTS } from './faults';
import type { DeliveryRequest, Faults } from './faults';
import { filmDelivery } from './film';

const request = (discipline: 'overhand' | 'windmill', faults: Faults = {}): DeliveryRequest => ({
  discipline,
  heightM: 1.8,
  age: 17,
  faults,
});
const truthOf = (r: DeliveryRequest) => {
  const delivery = simulateDelivery(r);
  const { measures } = measureThrow(
    filmDelivery(delivery, r, { view: '3d', throws: 'R', fps: 480, markSd: 0, seed: 1, exact: true }),
  );
  return (measure: string, event: string): number => measures.find((m) => m.measure === measure && m.event === event)!.value!;
};

describe.each(['overhand', 'windmill'] as const)('a %s delivery', (discipline) => {
  const delivery = simulateDelivery(request(discipline));
  const distance = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((x, i) => x - b[i]!));

  it('keeps its bones, stays above the ground, and never jumps', () => {
    const bones = [
      ['drive-hip', 'drive-knee'],
      ['drive-knee', 'drive-ankle'],
      ['lead-hip', 'lead-knee'],
      ['lead-knee', 'lead-ankle'],
      ['throwing-shoulder', 'throwing-elbow'],
      ['throwing-elbow', 'throwing-wrist'],
    ] as const;
    const first = delivery.jointsAt(0);
    let before = first;
    for (let t = 0.004; t < delivery.duration; t += 0.004) {
      const now = delivery.jointsAt(t);
      for (const [a, b] of bones) expect(distance(now[a], now[b])).toBeCloseTo(distance(first[a], first[b]), 6);
      for (const joint of JOINTS) {
        expect(now[joint][2]).toBeGreaterThan(-0.03);
        // The hand is fastest: under 45 m/s. A jump would be a metre.
        expect(distance(now[joint], before[joint])).toBeLessThan(45 * 0.004);
      }
      before = now;
    }
  });

  it('has its events in the order of the field', () => {
    const order = ['set', 'first-move', 'mid-move', 'heel-off', 'contact', 'foot-flat', 'release', 'finish'] as const;
    const times = order.map((e) => delivery.events[e]!);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    if (discipline === 'windmill') expect(delivery.events['arm-12-oclock']!).toBeLessThan(delivery.events['arm-9-oclock']!);
  });

  it('without faults lies in the bands, where there are bands', () => {
    const truth = truthOf(request(discipline));
    for (const id of new Set(SIGNS.map((s) => s.measure)))
      for (const band of measureById(id).bands[discipline] ?? []) {
        const value = truth(id, band.event);
        if (value === null || Number.isNaN(value)) continue;
        if (band.low !== undefined) expect([id, band.event, value >= band.low - 4]).toEqual([id, band.event, true]);
        if (band.high !== undefined) expect([id, band.event, value <= band.high + 4]).toEqual([id, band.event, true]);
      }
  });

  it('meets the published anchors of the turn and of the elbow', () => {
    if (discipline === 'windmill') return;
    const truth = truthOf(request(discipline));
    expect(truth('elbow-flexion', 'release')).toBeGreaterThan(20);
    expect(truth('elbow-flexion', 'release')).toBeLessThan(35);
    const [contact, release] = [delivery.events.contact!, delivery.events.release!];
    const turning = (a: 'drive-hip' | 'throwing-shoulder', b: 'lead-hip' | 'glove-shoulder') => {
      const at = (t: number) => {
        const j = delivery.jointsAt(t);
        return Math.atan2(j[b][1] - j[a][1], j[b][0] - j[a][0]);
      };
      let [best, when] = [0, 0];
      for (let t = contact - 0.15; t < release + 0.05; t += 0.001) {
        const speed = (at(t + 0.002) - at(t - 0.002)) / 0.004;
        if (Math.abs(speed) < 100 && speed > best) [best, when] = [speed, t];
      }
      return (when - contact) / (release - contact);
    };
    const pelvis = turning('drive-hip', 'lead-hip');
    expect(pelvis).toBeGreaterThan(0.2);
    expect(pelvis).toBeLessThan(0.45);
    expect(turning('throwing-shoulder', 'glove-shoulder')).toBeGreaterThan(pelvis + 0.1);
  });

  it('is faster or slower by its tempo alone', () => {
    const slow = simulateDelivery({ ...request(discipline), tempo: 1.2 });
    expect(slow.duration).toBeCloseTo(1.2 * delivery.duration, 9);
    expect(slow.events.contact! / delivery.events.contact!).toBeCloseTo(1.2, 6);
  });
});

describe('faults', () => {
  const MOVES: readonly (readonly [keyof Faults, string, string, 'up' | 'down', 'overhand' | 'windmill'])[] = [
    ['late-hips', 'pelvis-rotation', 'contact', 'down', 'overhand'],
    ['late-hips', 'pelvis-start-lead', 'contact', 'down', 'overhand'],
    ['turn-together', 'hip-shoulder-separation', 'contact', 'down', 'overhand'],
    ['fly-open', 'trunk-rotation', 'contact', 'up', 'overhand'],
    ['stall', 'hip-travel-dip', 'mid-move', 'up', 'overhand'],
    ['short-stride', 'stride-length', 'contact', 'down', 'overhand'],
    ['stride-offline', 'stride-direction', 'contact', 'down', 'overhand'],
    ['knee-caves', 'lead-knee-in-out', 'contact', 'down', 'overhand'],
    ['no-brace', 'lead-knee-extension', 'release', 'down', 'overhand'],
    ['early-hands', 'hand-break-lead', 'contact', 'up', 'overhand'],
    ['early-arm', 'hand-up-lead', 'contact', 'up', 'overhand'],
    ['late-arm', 'hand-up-lead', 'contact', 'down', 'overhand'],
    ['low-elbow', 'elbow-height', 'contact', 'down', 'overhand'],
    ['long-lever', 'elbow-flexion', 'contact', 'down', 'overhand'],
    ['lean-back', 'trunk-tilt-forward', 'contact', 'down', 'overhand'],
    ['chest-behind', 'chest-past-knee', 'release', 'down', 'overhand'],
    ['glove-pull', 'glove-travel-side', 'release', 'up', 'overhand'],
    ['swing-open', 'lead-shin-angle', 'mid-move', 'up', 'overhand'],
    ['early-peel', 'heel-peel-lead', 'heel-off', 'up', 'overhand'],
    ['shin-vertical', 'drive-shin-angle', 'toe-off', 'down', 'overhand'],
    ['knee-led-load', 'drive-knee-over-toe', 'deepest-load', 'up', 'overhand'],
    ['jump-off', 'hip-path-rise', 'toe-off', 'up', 'overhand'],
    ['early-tip', 'pelvis-tilt', 'mid-move', 'down', 'overhand'],
    ['stuck-back', 'pelvis-tilt', 'mid-move', 'up', 'overhand'],
    ['arm-drag', 'elbow-behind', 'trunk-square', 'up', 'overhand'],
    ['locked-landing', 'lead-knee-flexion', 'contact', 'down', 'overhand'],
    ['no-brace', 'lead-knee-extension', 'release', 'down', 'windmill'],
    ['early-extension', 'hip-path-rise', 'toe-off', 'up', 'windmill'],
    ['idle-drive-leg', 'push-off-spread', 'toe-off', 'up', 'windmill'],
    ['early-close', 'pelvis-rotation', 'release', 'up', 'windmill'],
    ['shoulder-finish', 'finish-spread', 'finish', 'up', 'windmill'],
    ['short-stride', 'stride-length', 'contact', 'down', 'windmill'],
    ['stride-offline', 'stride-direction', 'contact', 'down', 'windmill'],
    ['knee-caves', 'lead-knee-in-out', 'contact', 'down', 'windmill'],
    ['straight-whip', 'elbow-flexion', 'arm-9-oclock', 'down', 'windmill'],
    ['locked-landing', 'lead-knee-flexion', 'contact', 'down', 'windmill'],
    ['sunk-landing', 'lead-knee-flexion', 'contact', 'up', 'windmill'],
    ['fold-and-lift', 'trunk-turn-back', 'release', 'up', 'windmill'],
  ];
  it.each(MOVES)('%s moves %s at %s %s, and more with more of it', (fault, measure, event, way, discipline) => {
    const [none, half, full] = [0, 0.5, 1].map((much) => truthOf(request(discipline, { [fault]: much }))(measure, event));
    const sign = way === 'up' ? 1 : -1;
    expect(sign * (half! - none!)).toBeGreaterThan(0);
    expect(sign * (full! - half!)).toBeGreaterThan(0);
  });
  it('are all tried', () => {
    const tried = new Set(MOVES.map(([fault]) => fault));
    expect(SIMULATED_FAULTS.overhand.filter((f) => !tried.has(f))).toEqual([]);
    expect(SIMULATED_FAULTS.windmill.filter((f) => !tried.has(f))).toEqual([]);
  });
});

describe('the camera', () => {
  it('sees the target on the right from the open side for a right-hander, on the left for a left-hander', () => {
    for (const [view, throws, right] of [
      ['side-open', 'R', true],
      ['side-open', 'L', false],
      ['side-closed', 'R', false],
      ['side-closed', 'L', true],
    ] as const) {
      const camera = cameraFor(view, throws, 1.8);
      const [near, far] = [project(camera, [0, 0, 1]), project(camera, [1, 0, 1])];
      expect([view, throws, far.x > near.x]).toEqual([view, throws, right]);
    }
    const front = cameraFor('front', 'R', 1.8);
    expect(project(front, [0, 0.3, 1]).x).toBeGreaterThan(project(front, [0, 0, 1]).x);
    const top = cameraFor('top', 'R', 1.8);
    expect(project(top, [1, 0, 0.9]).y).toBeLessThan(project(top, [0, 0, 0.9]).y);
    expect(project(top, [0, 0.5, 0.9]).x).toBeLessThan(project(top, [0, 0, 0.9]).x);
  });

  it('has the scale that it states where it looks', () => {
    const camera = cameraFor('side-open', 'R', 1.8);
    const [a, b] = [
      project(camera, camera.lookAt),
      project(camera, [camera.lookAt[0] + 0.5, camera.lookAt[1], camera.lookAt[2]]),
    ];
    expect((b.x - a.x) * metresPerPixel(camera)).toBeCloseTo(0.5, 2);
  });

  it('has the whole athlete in the frame, from the set to the finish, at least half the frame high', () => {
    for (const view of ['side-open', 'side-closed', 'front', 'rear'] as const) {
      const r = request('overhand');
      const d = simulateDelivery(r);
      const camera = cameraFor(view, 'R', 1.8);
      for (let t = 0; t <= d.duration; t += 0.05)
        for (const at of Object.values(markedJointsAt(d, t))) {
          const seen = project(camera, at);
          expect([view, seen.x > 0 && seen.x < camera.width && seen.y > 0 && seen.y < camera.height]).toEqual([view, true]);
        }
      const j = markedJointsAt(d, 0);
      expect(project(camera, j['lead-heel']).y - project(camera, j.head).y).toBeGreaterThan(0.45 * camera.height);
    }
  });
});
