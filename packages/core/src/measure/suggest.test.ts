import { deliveryFor } from '../simulate/simulate';
import { filmDelivery } from '../simulate/film';
import type { AthleteProfile } from '../athlete/athlete';
import { suggestEvents } from './suggest';
import type { MeasureRequest, View } from './types';

const athlete = (discipline: AthleteProfile['discipline'], throws: 'L' | 'R'): AthleteProfile => ({
  discipline,
  throws,
  birthDate: '2009-01-01',
  heightM: 1.74,
  massKg: 65,
  level: 'high-school',
});

function filmed(discipline: AthleteProfile['discipline'], throws: 'L' | 'R', view: View, fps = 120, seed = 31) {
  const { delivery, request } = deliveryFor({ athlete: athlete(discipline, throws), seed, faults: {} });
  const { events: _, ...film } = filmDelivery(delivery, request, { view, throws, fps, markSd: 2, seed });
  return { film, truth: delivery.events };
}

describe('suggested events', () => {
  it.each([
    ['overhand', 'R'],
    ['overhand', 'L'],
    ['windmill', 'R'],
    ['windmill', 'L'],
  ] as const)('of a %s throw by a %s-hander from the side lie near the true ones', (discipline, throws) => {
    for (const view of ['side-open', 'side-closed'] as const) {
      const { film, truth } = filmed(discipline, throws, view);
      const found = suggestEvents(film);
      for (const [event, seconds] of Object.entries(truth)) {
        // The trunk's turn is not seen from the side; half-way through a windmill's move nobody marks.
        if (event === 'trunk-square' || (discipline === 'windmill' && event === 'mid-move')) continue;
        const at = found[event as keyof typeof found];
        expect([view, event, at !== undefined]).toEqual([view, event, true]);
        const off = Math.abs(at!.frame - seconds * film.fps);
        expect([view, event, off <= 3 * at!.sd! ? 'near' : `${off} frames off, stated ${at!.sd}`]).toEqual([view, event, 'near']);
      }
    }
  });

  it('are the same for a mirrored left-hander', () => {
    const of = (throws: 'L' | 'R') => {
      const { delivery, request } = deliveryFor({ athlete: athlete('overhand', throws), seed: 5, faults: {} });
      const { events: _, ...film } = filmDelivery(delivery, request, { view: 'side-open', throws, fps: 240, markSd: 0, seed: 5 });
      return suggestEvents(film);
    };
    expect(of('L')).toEqual(of('R'));
  });

  it('state wider errors from the front than from the side', () => {
    const side = suggestEvents(filmed('overhand', 'R', 'side-open').film);
    const front = suggestEvents(filmed('overhand', 'R', 'front').film);
    expect(front.contact!.sd!).toBeGreaterThan(2 * side.contact!.sd!);
    expect(front['first-move']).toBeUndefined();
  });

  it('leave out what the tracks do not hold, and say nothing of an empty clip', () => {
    const { film } = filmed('overhand', 'R', 'side-open');
    const frames = film.frames.map(({ frame, joints: { 'drive-heel': _, ...joints } }) => ({ frame, joints }));
    expect(suggestEvents({ ...film, frames })['heel-off']).toBeUndefined();
    expect(suggestEvents({ ...film, frames })['contact']).toBeDefined();
    expect(suggestEvents({ ...film, frames: [] })).toEqual({});
  });

  it('hold without a scale', () => {
    const { film } = filmed('windmill', 'R', 'side-open');
    const bare: Omit<MeasureRequest, 'events'> = { ...film, scale: null };
    expect(Math.abs(suggestEvents(bare).contact!.frame - suggestEvents(film).contact!.frame)).toBeLessThanOrEqual(1);
  });
});
