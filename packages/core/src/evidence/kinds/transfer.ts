import type { FindingId } from '../../findings/ids';
import { house, PERCENT } from '../kind';
import type { EvidenceKind } from '../kind';
import { ratio } from '../likelihood';
import type { Likelihood } from '../likelihood';
import { eyeLikelihood } from './eye';
import { slowLikelihood, slowObservation } from './slow';

type YesNo = 'yes' | 'no';

/** Clean in the drill, and on the mound? */
export interface TransferEvidence {
  readonly kind: 'transfer';
  readonly finding: FindingId;
  readonly cleanInDrill: YesNo;
  readonly cleanOnMound: YesNo;
}

/** Clean in the drill alone speaks for what was not carried over, and puts an arrow from it to the finding. */
const TRANSFER = { onlyInDrill: 8, cleanOnMound: 0.3, arrow: 0.35 } as const;

export const TRANSFER_KIND: EvidenceKind<TransferEvidence> = {
  kind: 'transfer',
  halfLifeDays: 60,
  hearsay: 'tried',
  thingsOf: (item) => [`transfer:${item.finding}`],
  looksAt: (item) => [item.finding],
  tries: (item) => item.finding,
  says(item, { situation, requireHere }) {
    requireHere(situation.inPlay.has(item.finding), 'finding', item.finding);
    const mound = eyeLikelihood(item.finding, item.cleanOnMound === 'yes' ? 'no' : 'yes', situation);
    const on: { finding: FindingId; likelihood: Likelihood }[] = [{ finding: item.finding, likelihood: mound }];
    const slow = slowObservation(item.finding, situation);
    const onlyInDrill = item.cleanInDrill === 'yes' && item.cleanOnMound === 'no';
    if (onlyInDrill) on.push({ finding: 'drill-not-transferred', likelihood: ratio(TRANSFER.onlyInDrill) });
    else if (item.cleanOnMound === 'yes') on.push({ finding: 'drill-not-transferred', likelihood: ratio(TRANSFER.cleanOnMound) });
    return {
      on,
      about: [item.finding, 'drill-not-transferred', `transfer:${item.finding}`],
      // Clean in the drill is a slow try that came off.
      ...(slow.causes.length > 0
        ? { observation: { ...slow, id: `transfer:${item.finding}`, likelihood: slowLikelihood(item.cleanInDrill) } }
        : {}),
      // What was not carried over shows in this very finding.
      ...(onlyInDrill ? { arrow: { cause: 'drill-not-transferred', consequence: item.finding, weight: TRANSFER.arrow } } : {}),
    };
  },
  numbers: () => [
    house('Clean in the drill alone: not carried over is likelier, times', TRANSFER.onlyInDrill),
    house('Clean on the mound: not carried over is likelier, times', TRANSFER.cleanOnMound),
    house('What is not carried over brings the finding about', 100 * TRANSFER.arrow, PERCENT),
  ],
  odd: (item) =>
    item.cleanInDrill === 'no' && item.cleanOnMound === 'yes'
      ? 'Clean on the mound and not in the drill is unusual: check that it was not entered the wrong way round.'
      : null,
  words: (item, say) =>
    `${say.title(item.finding)}: ${item.cleanInDrill === 'yes' ? 'clean' : 'not clean'} in the drill, ${item.cleanOnMound === 'yes' ? 'clean' : 'not clean'} on the mound`,
};
