import type { FindingId } from '../../findings/ids';
import { effortGain, spikeGap } from '../../progress/spread';
import type { SpeedReading } from '../../progress/spread';
import { densities } from '../densities';
import { house, PERCENT } from '../kind';
import type { EvidenceKind } from '../kind';
import { ratio } from '../likelihood';
import type { Likelihood } from '../likelihood';

/** Speeds with the effort of each throw. */
export interface VelocityEvidence {
  readonly kind: 'velocity';
  readonly readings: readonly SpeedReading[];
}

const SPIKE = { weight: 0.45, leak: 0.05 } as const;

export const VELOCITY_KIND: EvidenceKind<VelocityEvidence> = {
  kind: 'velocity',
  halfLifeDays: 60,
  lingers: true,
  thingsOf: () => ['velocity'],
  says(item) {
    const on: { finding: FindingId; likelihood: Likelihood }[] = [];
    const gain = effortGain(item.readings);
    if (gain)
      on.push({
        finding: 'wasted-effort',
        likelihood: densities(gain.percent, { presentMean: 0, absentMean: 8, sd: Math.hypot(2.2, gain.sd) }),
      });
    if (!spikeGap(item.readings)?.outlying) return { on, about: on.map((c) => c.finding) };
    on.push({ finding: 'low-power', likelihood: ratio(0.4) });
    const id = 'velocity:spike';
    return {
      on,
      about: [...on.map((c) => c.finding), id],
      observation: {
        id,
        leak: SPIKE.leak,
        causes: (['early-peel', 'fly-open'] as const).map((finding) => ({ finding, weight: SPIKE.weight })),
        likelihood: [0.02, 1],
      },
    };
  },
  numbers: () => [
    house('A finding behind it brings an outlying throw about', 100 * SPIKE.weight, PERCENT),
    house('An outlying throw of itself', 100 * SPIKE.leak, PERCENT),
  ],
  words: (item) => `${item.readings.length} speed readings`,
};
