import type { Discipline } from '../../delivery/links';
import type { FindingId } from '../../findings/ids';
import { house, PERCENT, SILENT } from '../kind';
import type { EvidenceKind } from '../kind';

export const MISS_PATTERNS = ['high', 'arm-side-high', 'inside-outside', 'middle', 'none'] as const;
export type MissPattern = (typeof MISS_PATTERNS)[number];
export const MISS_WORDS: Readonly<Record<MissPattern, string>> = {
  high: 'high',
  'arm-side-high': 'arm side and high',
  'inside-outside': 'inside and outside',
  middle: 'to the middle',
  none: 'no pattern',
};

/** Where the misses go. */
export interface MissEvidence {
  readonly kind: 'miss';
  readonly pattern: MissPattern;
}

const MISS = { weight: 0.5, leak: 0.12 } as const;

const CAUSES: Readonly<Record<Discipline, Partial<Record<MissPattern, readonly FindingId[]>>>> = {
  overhand: {
    high: ['fly-open', 'chest-behind'],
    'arm-side-high': ['fly-open', 'late-arm'],
    'inside-outside': ['glove-pull'],
    middle: ['early-peel', 'fly-open'],
  },
  windmill: { high: ['fold-and-lift'], 'inside-outside': ['shoulder-finish', 'off-line-arm'] },
};

export const MISS_KIND: EvidenceKind<MissEvidence> = {
  kind: 'miss',
  halfLifeDays: 60,
  lingers: true,
  thingsOf: (item) => [`miss:${item.pattern}`],
  says({ pattern }, { situation }) {
    const causes = CAUSES[situation.athlete.discipline];
    const findings =
      pattern === 'none' ? [...new Set(Object.values(causes).flatMap((list) => list ?? []))] : (causes[pattern] ?? []);
    if (findings.length === 0) return SILENT;
    return {
      on: [],
      about: [`miss:${pattern}`],
      observation: {
        id: `miss:${pattern}`,
        leak: MISS.leak,
        causes: findings.map((finding) => ({ finding, weight: MISS.weight })),
        // "No pattern" is a weaker statement than a pattern that was counted.
        likelihood: pattern === 'none' ? [1, 0.3] : [0.02, 1],
      },
    };
  },
  numbers: () => [
    house('A finding behind it brings this miss about', 100 * MISS.weight, PERCENT),
    house('This miss of itself', 100 * MISS.leak, PERCENT),
  ],
  whySilent: (_, { situation }) => `This miss says nothing particular in the ${situation.athlete.discipline} delivery.`,
  words: (item) => `Misses: ${MISS_WORDS[item.pattern]}`,
};
