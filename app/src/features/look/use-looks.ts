import type { DiagnosisRecord, ObservationRecord } from '@wrightonic/contract';
import { FINDINGS } from '@wrightonic/core';
import type { Discipline, Finding, FindingId, Link } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { api } from '../../state/api';
import { newId } from '../../state/ids';

export type Answer = 'yes' | 'no' | 'unsure';

/** What is asked about thoughts comes after the six links. */
export type LookPage = Link | 'ask';

export interface Look {
  readonly finding: Finding;
  readonly answer: Answer | null;
  readonly observation: string | null;
}

/** What is shown at once; the rest is one tap away. */
export const LOOKS_AT_ONCE = 7;

const newestAnswers = (evidence: readonly ObservationRecord[]): Map<FindingId, ObservationRecord> => {
  const found = new Map<FindingId, ObservationRecord>();
  for (const item of evidence) if (item.evidence.kind === 'eye') found.set(item.evidence.finding, item);
  return found;
};

/** How much an answer would tell: what has been answered comes last. */
function orderOf(finding: Finding, diagnosis: DiagnosisRecord): number {
  const rank = diagnosis.result.lookNext.indexOf(finding.id);
  return rank < 0 ? Infinity : rank;
}

/** The looks of one page, those that would tell most first, and a way to answer them. */
export function useLooks(athlete: string, discipline: Discipline, page: LookPage, today: string) {
  const { data: diagnosis, error } = api.useDiagnosisQuery(athlete);
  const [put, putState] = api.usePutObservationMutation();
  const [drop] = api.useDropObservationMutation();
  const answers = useMemo(() => newestAnswers(diagnosis?.evidence ?? []), [diagnosis]);
  // The order is that of arriving on the page: rows must not jump under the thumb.
  const [arrived, setArrived] = useState<{ page: LookPage; order: readonly Finding[] } | null>(null);
  if (diagnosis && arrived?.page !== page) {
    const here = FINDINGS.filter(
      (f) => f.disciplines.includes(discipline) && (page === 'ask' ? f.kind === 'cue' : f.phase === page),
    );
    setArrived({ page, order: here.sort((a, b) => Math.sign(orderOf(a, diagnosis) - orderOf(b, diagnosis)) || 0) });
  }
  const order = arrived?.page === page ? arrived.order : [];
  const looks = order.map((finding): Look => {
    const record = answers.get(finding.id);
    const answer = record?.evidence.kind === 'eye' ? record.evidence.answer : null;
    return { finding, answer, observation: record?.id ?? null };
  });
  const answer = (look: Look, given: Answer) => {
    if (look.answer === given && look.observation) void drop({ athlete, id: look.observation });
    else
      void put({ athlete, id: newId(), body: { on: today, evidence: { kind: 'eye', finding: look.finding.id, answer: given } } });
  };
  return { diagnosis, error: error ?? putState.error, looks, answer };
}
