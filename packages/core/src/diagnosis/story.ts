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

/**
 * How much a finding was worked on after it was last seen, as far as older looks count for less by it.
 * @param since day from which on; what was last observed of the finding itself counts when it is later
 * @returns good reps
 */
export function workedOnSince(request: DiagnosisRequest, finding: FindingId, since: IsoDate): number {
  const [newest] = speaksOf(request, finding, since, 1);
  const after = newest ? (newest.on ?? request.on) : since;
  return (request.work ?? []).filter((w) => w.finding === finding && w.on > after).reduce((sum, w) => sum + w.reps, 0);
}
