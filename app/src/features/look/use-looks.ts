import type { DiagnosisRecord } from '@wrightonic/contract';
import { FINDINGS } from '@wrightonic/core';
import type { Discipline, Finding, Link } from '@wrightonic/core';
import { useState } from 'react';
import { useAnswers } from '../../parts/use-answers';

/** What is asked, and how it comes out, come after the six links. */
export type LookPage = Link | 'ask' | 'results';

/** What is shown at once; the rest is one tap away. */
export const LOOKS_AT_ONCE = 7;

/** How much an answer would tell: what has been answered comes last. */
function orderOf(finding: Finding, diagnosis: DiagnosisRecord): number {
  const rank = diagnosis.result.lookNext.indexOf(finding.id);
  return rank < 0 ? Infinity : rank;
}

/** The looks of one page, those that would tell most first, and a way to answer them. */
export function useLooks(athlete: string, discipline: Discipline, page: LookPage, today: string) {
  const { lookAt, ...answers } = useAnswers(athlete, today);
  const { diagnosis } = answers;
  // The order is that of arriving on the page: rows must not jump under the thumb.
  const [arrived, setArrived] = useState<{ page: LookPage; order: readonly Finding[] } | null>(null);
  if (diagnosis && arrived?.page !== page) {
    const here = FINDINGS.filter(
      (f) => f.disciplines.includes(discipline) && (page === 'ask' ? f.kind === 'cue' : f.phase === page),
    );
    setArrived({ page, order: here.sort((a, b) => Math.sign(orderOf(a, diagnosis) - orderOf(b, diagnosis)) || 0) });
  }
  const order = arrived?.page === page ? arrived.order : [];
  return { ...answers, looks: order.map(lookAt) };
}
