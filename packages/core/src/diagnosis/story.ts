import type { FindingId } from '../findings/ids';
import type { IsoDate } from '../shared/dates';
import type { DatedEvidence } from '../evidence/evidence';
import { contributionsOf } from './likelihoods';
import { situationOf } from './request';
import type { DiagnosisRequest } from './request';

const descending = (a: string, b: string): number => (a < b ? 1 : a > b ? -1 : 0);

/**
 * What speaks of a finding straight on, for or against it: what was observed on a day or later, the newest first.
 * @param since day from which on; undated evidence is of the request's own day
 * @returns at most `most` items; those of one day in an order that hangs on what they say, not on the list
 */
export function speaksOf(request: DiagnosisRequest, finding: FindingId, since: IsoDate, most = 2): readonly DatedEvidence[] {
  const dayOf = (item: DatedEvidence): IsoDate => item.on ?? request.on;
  const contributions = contributionsOf(request.evidence, situationOf(request));
  return request.evidence
    .filter((item, i) => dayOf(item) >= since && contributions[i]!.on.some((o) => o.finding === finding))
    .sort((a, b) => descending(dayOf(a), dayOf(b)) || descending(JSON.stringify(b), JSON.stringify(a)))
    .slice(0, most);
}
