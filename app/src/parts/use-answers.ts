import type { ObservationRecord } from '@wrightonic/contract';
import type { Finding, FindingId } from '@wrightonic/core';
import { useMemo } from 'react';
import { useObservations } from './use-observations';

export type Answer = 'yes' | 'no' | 'unsure';

export interface Look {
  readonly finding: Finding;
  /** What was seen last, by whomever. */
  readonly answer: Answer | null;
  /** One's own look of today, which may be taken back. */
  readonly own: { readonly id: string; readonly answer: Answer } | null;
}

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

/** The judgement of an athlete, what the eye has answered so far, and a way to answer. */
export function useAnswers(athlete: string, today: string) {
  const { diagnosis, error, refused, observe, takeBack } = useObservations(athlete);
  const answers = useMemo(() => newestAnswers(diagnosis?.evidence ?? []), [diagnosis]);
  const mine = useMemo(() => ownToday(diagnosis?.evidence ?? [], today), [diagnosis, today]);
  const lookAt = (finding: Finding): Look => {
    const record = answers.get(finding.id);
    const answer = record?.evidence.kind === 'eye' ? record.evidence.answer : null;
    return { finding, answer, own: mine.get(finding.id) ?? null };
  };
  /** Agreeing adds a look; the same tap again takes back one's own of today; another answer takes its place. */
  const answer = (look: Look, given: Answer) => {
    if (look.own?.answer !== given) observe({ on: today, evidence: { kind: 'eye', finding: look.finding.id, answer: given } });
    if (look.own) takeBack(look.own.id);
  };
  return { diagnosis, error, refused, lookAt, answer };
}
