import type { AthleteOverview, DiagnosisRecord, Me } from '@wrightonic/contract';
import { SPARED_UNDER, wordsForAthlete } from '@wrightonic/core';
import type { FindingId } from '@wrightonic/core';
import { useMemo } from 'react';
import { TellAthlete } from '../../ui/TellAthlete';
import { useVocabulary } from '../../ui/vocabulary';

interface Props {
  readonly record: DiagnosisRecord;
  readonly overview: AthleteOverview;
  readonly me: Me;
  /** What the coach is about to choose; null: what is worked on, or what is suggested. */
  readonly focus: FindingId | null;
}

/** The judgement as it would be told to athlete and family with this focus. */
export function ForAthlete({ record, overview, me, focus }: Props) {
  const say = useVocabulary();
  const words = useMemo(
    () =>
      wordsForAthlete({
        diagnosis: record.result,
        evidence: record.request.evidence,
        focus: focus ?? overview.foci[0]?.finding ?? null,
        method: record.request.schools?.method ?? 'mixed',
        explain: overview.explain,
        vocabulary: say,
        avoid: overview.age < SPARED_UNDER ? me.academy.words : [],
      }),
    [record, overview, me, focus, say],
  );
  return <TellAthlete words={words} />;
}
