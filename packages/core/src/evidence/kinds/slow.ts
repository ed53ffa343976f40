import { findingById } from '../../findings/catalogue';
import type { FindingId } from '../../findings/ids';
import { house, PERCENT, SILENT } from '../kind';
import type { EvidenceKind, Observation } from '../kind';
import type { Likelihood } from '../likelihood';
import type { Situation } from '../situation';

/** A try in slow: what cannot be done slowly either has a limit of the body behind it. */
export interface SlowEvidence {
  readonly kind: 'slow';
  readonly finding: FindingId;
  readonly canDoSlowly: 'yes' | 'no';
}

export const SLOW = { cannotIfLimited: 0.8, cannotOtherwise: 0.1 } as const;

export function slowObservation(finding: FindingId, situation: Situation): Omit<Observation, 'likelihood'> {
  return {
    id: `slow:${finding}`,
    leak: 0,
    causes: situation.limitsBehind(finding).map((limit) => ({ finding: limit, weight: 1 })),
  };
}

export const slowLikelihood = (canDoSlowly: 'yes' | 'no'): Likelihood =>
  canDoSlowly === 'no' ? [SLOW.cannotOtherwise, SLOW.cannotIfLimited] : [1 - SLOW.cannotOtherwise, 1 - SLOW.cannotIfLimited];

export const SLOW_KIND: EvidenceKind<SlowEvidence> = {
  kind: 'slow',
  halfLifeDays: 120,
  thingsOf: (item) => [`slow:${item.finding}`],
  tries: (item) => item.finding,
  says(item, { situation, requireHere }) {
    requireHere(situation.inPlay.has(item.finding), 'finding', item.finding);
    const observation = slowObservation(item.finding, situation);
    if (observation.causes.length === 0) return SILENT;
    return { on: [], about: [observation.id], observation: { ...observation, likelihood: slowLikelihood(item.canDoSlowly) } };
  },
  numbers: () => [
    house('Cannot do it slowly, if a limit stands behind it', 100 * SLOW.cannotIfLimited, PERCENT),
    house('Cannot do it slowly otherwise', 100 * SLOW.cannotOtherwise, PERCENT),
  ],
  whySilent: (item) =>
    `No limit of the body stands behind “${findingById(item.finding).title.toLowerCase()}”, so a slow try tells nothing.`,
  words: (item, say) => `Slow try, ${say.title(item.finding).toLowerCase()}: ${item.canDoSlowly === 'yes' ? 'can' : 'cannot'}`,
};
