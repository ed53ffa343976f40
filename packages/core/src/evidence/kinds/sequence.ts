import type { FindingId } from '../../findings/ids';
import { densities } from '../densities';
import { house } from '../kind';
import type { EvidenceKind, Saying } from '../kind';
import { power } from '../likelihood';
import type { Likelihood } from '../likelihood';

export const SEGMENTS = ['pelvis', 'trunk', 'glove-arm', 'upper-arm', 'forearm'] as const;
export type Segment = (typeof SEGMENTS)[number];

/** When, and how fast, the segments turned fastest. */
export interface SequenceEvidence {
  readonly kind: 'sequence';
  readonly peaksMs: Partial<Record<Segment, number>>;
  readonly peaksDegPerS?: Partial<Record<Segment, number>>;
}

/** Means and SD of what a sequence shows when a finding is there and when it is not. Provenance `house`. */
const SEQUENCE = {
  together: { presentMean: 3, absentMean: 37, sd: 12 },
  spun: { presentMean: 40, absentMean: -5, sd: 16 },
  slowPelvis: { presentMean: 400, absentMean: 600, sd: 90 },
} as const;

function pointsAt(item: SequenceEvidence): Saying['on'] {
  const { pelvis, trunk, 'glove-arm': glove } = item.peaksMs;
  const on: { finding: FindingId; likelihood: Likelihood }[] = [];
  const pelvisSpeed = item.peaksDegPerS?.pelvis;
  /** 1 for a pelvis below 80 % of the usual range's lower end (500 deg/s), falling to 0 at the lower end. */
  const lowPelvis = pelvisSpeed === undefined ? 0.5 : Math.min(1, Math.max(0, (500 - pelvisSpeed) / 100));
  if (pelvis !== undefined && trunk !== undefined)
    on.push({
      finding: 'turn-together',
      likelihood: densities(trunk - pelvis, SEQUENCE.together),
    });
  if (glove !== undefined && trunk !== undefined) {
    const spun = densities(trunk - glove, SEQUENCE.spun);
    on.push({ finding: 'glove-pull', likelihood: power(spun, trunk - glove > 15 ? 0.3 + 0.7 * lowPelvis : 0.7) });
  }
  if (pelvisSpeed !== undefined) {
    const slow = densities(pelvisSpeed, SEQUENCE.slowPelvis);
    on.push({ finding: 'late-hips', likelihood: power(slow, 0.4) });
    on.push({ finding: 'idle-drive-leg', likelihood: power(slow, 0.3) });
  }
  return on;
}

export const SEQUENCE_KIND: EvidenceKind<SequenceEvidence> = {
  kind: 'sequence',
  halfLifeDays: 120,
  ofTheBody: true,
  thingsOf: () => ['sequence'],
  says(item, { situation }) {
    const on = pointsAt(item).filter((c) => situation.inPlay.has(c.finding));
    return { on, about: on.map((c) => c.finding) };
  },
  numbers: () => [
    house('Trunk after pelvis, when they turn together', SEQUENCE.together.presentMean, 'ms'),
    house('Trunk after pelvis, when they do not', SEQUENCE.together.absentMean, 'ms'),
    house('Glove before trunk, when it starts the turn', SEQUENCE.spun.presentMean, 'ms'),
    house('Glove before trunk, when it moves along', SEQUENCE.spun.absentMean, 'ms'),
    house('Pelvis speed, when the hips are late', SEQUENCE.slowPelvis.presentMean, 'deg/s'),
    house('Pelvis speed, when they are not', SEQUENCE.slowPelvis.absentMean, 'deg/s'),
  ],
  words: () => 'Body-speed sequence',
};
