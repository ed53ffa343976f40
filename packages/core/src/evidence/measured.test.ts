import { measureById } from '../delivery/measures';
import type { Discipline } from '../delivery/links';
import { SIGNS } from '../findings/signs';
import { signLikelihood } from './measured';

const disciplinesOf = (given: readonly Discipline[] | undefined): readonly Discipline[] => given ?? ['overhand', 'windmill'];

describe('a sign and the band of its measure', () => {
  it('agree: nothing inside a band speaks for a fault', () => {
    let tried = 0;
    for (const sign of SIGNS)
      for (const discipline of disciplinesOf(sign.disciplines))
        for (const band of measureById(sign.measure).bands[discipline] ?? []) {
          if (sign.events && !sign.events.includes(band.event)) continue;
          const { unit, typicalSd } = measureById(sign.measure);
          for (const [youth, low, high] of [
            [false, band.low, band.high],
            [true, band.youthLow ?? band.low, band.youthHigh ?? band.high],
          ] as const)
            for (const value of [low, high]) {
              if (value === undefined) continue;
              tried++;
              const item = { kind: 'measure', measure: sign.measure, event: band.event, value, unit } as const;
              const [absent, present] = signLikelihood(sign, item, youth, typicalSd);
              expect([sign.finding, sign.measure, discipline, value, present <= absent * (1 + 1e-9)]).toEqual([
                sign.finding,
                sign.measure,
                discipline,
                value,
                true,
              ]);
            }
        }
    expect(tried).toBeGreaterThan(40);
  });

  it('speaks for its finding where it shows in some only, and never rules it out', () => {
    for (const sign of SIGNS.filter((s) => s.shows !== undefined)) {
      const towards = sign.side === 'below' ? -1 : 1;
      const at = (beyond: number) =>
        signLikelihood(
          sign,
          {
            kind: 'measure',
            measure: sign.measure,
            event: sign.events?.[0] ?? 'contact',
            value: sign.at + towards * beyond,
            unit: measureById(sign.measure).unit,
            sd: 1,
          },
          false,
          1,
        );
      const [absent, present] = at(3 * sign.spread);
      expect(present).toBeGreaterThan(5 * absent);
      const [far, hardly] = at(-5 * sign.spread);
      expect(hardly / far).toBeGreaterThanOrEqual(1 - sign.shows! - 1e-9);
    }
  });
});
