import { DISCIPLINES } from '../delivery/links';
import { drawFilmTrial, FILM_FAULTS, filmedThrows } from '../simulate/film-trial';
import { measureThrow } from './measure';
import { VIEWS } from './types';
import type { MeasureRequest, View } from './types';
import { clipFaults } from './wrong-clip';

const SEED = 71_300;
const film = (seed: number, discipline: (typeof DISCIPLINES)[number], view: View, fault?: string): MeasureRequest =>
  filmedThrows(drawFilmTrial(seed, { discipline, view, faults: fault ? { [fault]: 1 } : {} }))[0]!;
const seeds = [0, 1, 2].map((n) => SEED + n);
const kinds = (request: MeasureRequest) => clipFaults(request).map((f) => f.kind);
const SWAPPED: Partial<Record<View, View>> = {
  'side-open': 'side-closed',
  'side-closed': 'side-open',
  front: 'rear',
  rear: 'front',
};

describe.each(DISCIPLINES)('a clip of a throw, %s', (discipline) => {
  it.each(VIEWS)('is believed from %s, clean or at fault', (view) => {
    // Every fault from some view, every view with some faults.
    const faults = FILM_FAULTS[discipline].filter((_, i) => i % 3 === VIEWS.indexOf(view) % 3);
    for (const fault of [undefined, ...faults])
      expect([fault, kinds(film(SEED + (fault?.length ?? 0), discipline, view, fault))]).toEqual([fault, []]);
  });

  it.each(Object.keys(SWAPPED) as View[])(
    'is not believed when it was filmed from the other end than %s, and one tap mends it',
    (view) => {
      for (const seed of seeds) {
        const right = film(seed, discipline, view);
        const wrong = { ...right, view: SWAPPED[view]! };
        const [fault] = clipFaults(wrong);
        expect(fault?.mends).toEqual([{ change: 'view', to: view }]);
        expect(measureThrow(wrong).measures.some((m) => m.valid)).toBe(false);
        expect(clipFaults({ ...wrong, view: (fault!.mends[0] as { to: View }).to })).toEqual([]);
        // Left for right looks the same.
        expect(kinds({ ...right, throws: right.throws === 'R' ? 'L' : 'R' })).toEqual(kinds(wrong));
      }
    },
  );

  it('is not believed from the side when it was from an end, nor the other way round', () => {
    for (const seed of seeds) {
      expect(kinds({ ...film(seed, discipline, 'side-open'), view: 'front' })).toContain('view');
      expect(kinds({ ...film(seed, discipline, 'front'), view: 'side-open' })).toContain('view');
      expect(kinds({ ...film(seed, discipline, 'side-open'), view: 'top' }).length).toBeGreaterThan(0);
    }
  });

  it.each([0.25, 4])('is not believed at %s times its rate; the true one is near what is offered', (times) => {
    for (const seed of seeds) {
      const right = film(seed, discipline, 'side-open');
      const fault = clipFaults({ ...right, fps: right.fps * times }).find((f) => f.kind === 'rate')!;
      const offered = (fault.mends[0] as { to: number }).to;
      expect(Math.abs(Math.log2(offered / right.fps))).toBeLessThanOrEqual(1);
    }
  });

  it('is not believed with one leg taken for the other, wholly or from the middle of the stride on', () => {
    const exchanged: Readonly<Record<string, string>> = Object.fromEntries(
      ['hip', 'knee', 'ankle', 'heel', 'toe'].flatMap((part) => [
        [`drive-${part}`, `lead-${part}`],
        [`lead-${part}`, `drive-${part}`],
      ]),
    );
    for (const view of ['side-open', 'side-closed', '3d'] as const)
      for (const seed of seeds) {
        const right = film(seed, discipline, view);
        const from = (share: number) => right.events.contact!.frame * share;
        for (const share of [0, 0.9]) {
          const frames = right.frames.map((f) =>
            f.frame < from(share)
              ? f
              : {
                  ...f,
                  joints: Object.fromEntries(Object.entries(f.joints).map(([joint, at]) => [exchanged[joint] ?? joint, at])),
                },
          );
          expect([view, seed, share, kinds({ ...right, frames })]).toEqual([view, seed, share, ['legs']]);
          expect(measureThrow({ ...right, frames }).measures.some((m) => m.valid)).toBe(false);
        }
      }
  });

  it('tells nothing of a front knee at release whose foot has gone where the back one was', () => {
    for (const seed of seeds) {
      const right = film(seed, discipline, 'side-open');
      const { contact, release } = right.events;
      const middle = (contact!.frame + release!.frame) / 2;
      const legs = ['hip', 'knee', 'ankle'].map((part) => [`drive-${part}`, `lead-${part}`] as const);
      const frames = right.frames.map((f) => {
        if (f.frame < middle) return f;
        const joints: Record<string, unknown> = { ...f.joints };
        for (const [drive, lead] of legs) [joints[drive], joints[lead]] = [joints[lead], joints[drive]];
        return { ...f, joints };
      }) as MeasureRequest['frames'];
      const { measures } = measureThrow({ ...right, frames });
      const ofKnee = measures.filter((m) => m.measure.startsWith('lead-knee') && m.event === 'release');
      expect(ofKnee.length).toBeGreaterThan(0);
      for (const m of ofKnee) expect([m.valid, m.why]).toEqual([false, expect.stringContaining('not where it landed')]);
      // What does not hang on it is told as before.
      const stride = (of: MeasureRequest) => measureThrow(of).measures.find((m) => m.measure === 'stride-length')!.value;
      expect(stride({ ...right, frames })).toBe(stride(right));
    }
  });

  it('is not believed with its events turned round', () => {
    const right = film(SEED, discipline, 'side-open');
    const { contact, release } = right.events;
    expect(kinds({ ...right, events: { ...right.events, contact: release!, release: contact! } })).toContain('order');
  });

  it.each([0.6, 1.5])('is not believed with a scale %s times its own, which is mended exactly', (times) => {
    const right = film(SEED, discipline, 'side-open');
    const { metresPerUnit } = right.scale!;
    const [fault] = clipFaults({ ...right, scale: { metresPerUnit: times * metresPerUnit } });
    expect(fault?.kind).toBe('scale');
    expect((fault!.mends[0] as { to: number }).to / metresPerUnit).toBeGreaterThan(0.93);
    expect((fault!.mends[0] as { to: number }).to / metresPerUnit).toBeLessThan(1.07);
  });

  it('is none with a lift held and played to and fro, whatever was marked on it', () => {
    // A windmill's arm is fast from its first swing on; only from the side is it plain that nobody went anywhere.
    for (const view of discipline === 'overhand' ? VIEWS : (['side-open', 'side-closed', '3d'] as const)) {
      const right = film(SEED, discipline, view);
      const lift = right.frames.slice(0, right.frames.length >> 2);
      const played = right.frames.map(({ frame }) => ({
        frame,
        joints: lift[Math.abs((frame % (2 * lift.length - 2)) - (lift.length - 1))]!.joints,
      }));
      const { faults, measures } = measureThrow({ ...right, frames: played });
      const said = faults.map((f) => f.kind);
      if (discipline === 'overhand') expect([view, said]).toEqual([view, ['no-throw']]);
      else expect([view, said.length > 0]).toEqual([view, true]);
      expect(measures.some((m) => m.valid)).toBe(false);
    }
  });

  it('is not believed when the feet leave the picture', () => {
    const right = film(SEED, discipline, 'side-open');
    const cut = right.frames.map(({ frame, joints }) => ({
      frame,
      joints: Object.fromEntries(
        Object.entries(joints).map(([joint, p]) => [joint, joint.endsWith('ankle') ? { ...p!, y: Math.min(p!.y, 540) } : p]),
      ),
    }));
    const lowest = Math.max(...right.frames.map((f) => f.joints['drive-ankle']?.y ?? 0));
    expect(lowest).toBeGreaterThan(540);
    expect(kinds({ ...right, frames: cut, frame: { width: 1920, height: 540 } })).toContain('cut-off');
    expect(kinds({ ...right, frame: { width: 1920, height: 1080 } })).toEqual([]);
  });

  it('with little marked is taken as it is: what cannot be told is not held against it', () => {
    const { frames, ...right } = film(SEED, discipline, 'side-open');
    const { contact, release } = right.events;
    const few = frames.filter(({ frame }) => [contact!.frame, release!.frame].includes(frame));
    expect(clipFaults({ ...right, frames: few, scale: null })).toEqual([]);
  });
});
