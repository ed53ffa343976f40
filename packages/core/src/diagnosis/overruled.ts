import type { FindingId } from '../findings/ids';
import { findingById } from '../findings/catalogue';
import { round } from '../shared/maths';
import type { Overrule } from '../evidence/evidence';

/** What the evidence would say about a finding on which the coach has spoken. */
export interface Overruled {
  readonly finding: FindingId;
  readonly as: Overrule['as'];
  /** P(present), or for `root` P(root), by the evidence alone. */
  readonly evidenceSays: number;
  /** The evidence speaks clearly against the coach's word. */
  readonly conflict: boolean;
  readonly sentence: string;
}

/** From this P(present) on the evidence contradicts “it is not there”. */
const CONTRADICTS_ABSENT = 0.5;
/** Below this share of what was believed before any evidence, the evidence contradicts “it is there”. */
const CONTRADICTS_PRESENT = 0.5;

interface Both {
  readonly present: number;
  readonly root: number;
}

/**
 * Holds the coach's word against the evidence. The word stands either way; a conflict is said.
 * @param without beliefs by the evidence alone
 * @param before beliefs before any evidence
 */
export function holdAgainst({ finding, as }: Overrule, without: Both, before: Both): Overruled {
  const says = as === 'root' ? without.root : without.present;
  const conflict =
    as === 'absent'
      ? without.present >= CONTRADICTS_ABSENT
      : says < CONTRADICTS_PRESENT * (as === 'root' ? before.root : before.present);
  const word = as === 'absent' ? 'not there' : as === 'present' ? 'there' : 'the root';
  const number = `${Math.round(100 * says)} %`;
  const sentence = conflict
    ? `The coach says it is ${word}; the evidence by itself puts it at ${number}. The word stands; look again.`
    : `The coach says it is ${word} (by the evidence alone: ${number}).`;
  return { finding, as, evidenceSays: round(says), conflict, sentence };
}

/** Two words on one finding cannot both hold: the place of the second, or -1. */
export function contradiction(overrules: readonly Overrule[]): number {
  return overrules.findIndex((o, i) => overrules.findIndex((other) => other.finding === o.finding) !== i);
}

export const overruleFault = (overrules: readonly Overrule[], inPlay: ReadonlySet<FindingId>): [number, string] | null => {
  const foreign = overrules.findIndex((o) => !inPlay.has(o.finding));
  if (foreign >= 0) return [foreign, `“${overrules[foreign]!.finding}” does not occur in this delivery`];
  const twice = contradiction(overrules);
  if (twice >= 0)
    return [twice, `“${findingById(overrules[twice]!.finding).title}” has been ruled on twice; keep one of the two`];
  return null;
};
