import { timesBehind, timesEach } from '../kind';
import type { EvidenceKind } from '../kind';
import { thoughtById } from '../thoughts';
import type { ThoughtId } from '../thoughts';

/** What the athlete thinks of, or was told before. */
export interface ToldEvidence {
  readonly kind: 'told';
  readonly thought: ThoughtId;
}

export const TOLD_KIND: EvidenceKind<ToldEvidence> = {
  kind: 'told',
  halfLifeDays: 365,
  hearsay: 'told',
  thingsOf: (item) => [`told:${item.thought}`],
  says(item, { situation, requireHere }) {
    const thought = thoughtById(item.thought);
    requireHere(thought.disciplines.includes(situation.athlete.discipline), 'thought', item.thought);
    return timesEach(thought.points, situation);
  },
  numbers: (item, situation) => timesBehind(thoughtById(item.thought).points, situation),
  words: (item) => `Thinks of: ${thoughtById(item.thought).text.toLowerCase()}`,
};
