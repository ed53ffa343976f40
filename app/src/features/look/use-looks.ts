import type { DiagnosisRecord, ObservationRecord } from '@wrightonic/contract';
import { FINDINGS } from '@wrightonic/core';
import type { Discipline, Finding, FindingId, Link } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { useObservations } from '../../parts/use-observations';

export type Answer = 'yes' | 'no' | 'unsure';

/** What is asked, and how it comes out, come after the six links. */
export type LookPage = Link | 'ask' | 'results';

export interface Look {
  readonly finding: Finding;
  /** What was seen last, by whomever. */
  readonly answer: Answer | null;
  /** One's own look of today, which may be taken back. */
  readonly own: { readonly id: string; readonly answer: Answer } | null;
}

/** What is shown at once; the rest is one tap away. */
export const LOOKS_AT_ONCE = 7;

const newestAnswers = (evidence: readonly ObservationRecord[]): Map<FindingId, ObservationRecord> => {
  const found = new Map<FindingId, ObservationRecord>();
  for (const item of evidence) if (item.evidence.kind === 'eye') found.set(item.evidence.finding, item);
  return found;
};

/** One's own look of today on each finding: the only ones that can be taken back. */
function ownToday(evidence: readonly ObservationRecord[], today: string): Map<FindingId, Look['own']> {
  const found = new Map<FindingId, Look['own']>();
  for (const { id, own, on, evidence: item } of evidence)
    if (item.kind === 'eye' && own && on === today) found.set(item.finding, { id, answer: item.answer });
  return found;
}

/** How much an answer would tell: what has been answered comes last. */
function orderOf(finding: Finding, diagnosis: DiagnosisRecord): number {
  const rank = diagnosis.result.lookNext.indexOf(finding.id);
  return rank < 0 ? Infinity : rank;
}

/** The looks of one page, those that would tell most first, and a way to answer them. */
export function useLooks(athlete: string, discipline: Discipline, page: LookPage, today: string) {
  const { diagnosis, error, refused, observe, takeBack } = useObservations(athlete);
  const answers = useMemo(() => newestAnswers(diagnosis?.evidence ?? []), [diagnosis]);
  const mine = useMemo(() => ownToday(diagnosis?.evidence ?? [], today), [diagnosis, today]);
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
    return { finding, answer, own: mine.get(finding.id) ?? null };
  });
  /** Agreeing adds a look; the same tap again takes back one's own of today; another answer takes its place. */
  const answer = (look: Look, given: Answer) => {
    if (look.own?.answer !== given) observe({ on: today, evidence: { kind: 'eye', finding: look.finding.id, answer: given } });
    if (look.own) takeBack(look.own.id);
  };
  return { diagnosis, error, refused, looks, answer };
}
