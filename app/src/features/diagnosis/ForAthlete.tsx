import type { AthleteOverview, DiagnosisRecord, Me } from '@wrightonic/contract';
import { SPARED_UNDER, wordsForAthlete } from '@wrightonic/core';
import type { FindingId } from '@wrightonic/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { SPACE, usePalette } from '../../ui/theme';

interface Props {
  readonly record: DiagnosisRecord;
  readonly overview: AthleteOverview;
  readonly me: Me;
  /** What the coach is about to choose; null: what is worked on, or what is suggested. */
  readonly focus: FindingId | null;
}

/** The judgement as it is told to athlete and family: short, plain, no body talk. */
export function ForAthlete({ record, overview, me, focus }: Props) {
  const palette = usePalette();
  const told = useMemo(() => {
    const { result, request, evidence } = record;
    const fine = evidence.flatMap(({ evidence: e }) => (e.kind === 'eye' && e.answer === 'no' ? [e.finding] : []));
    return wordsForAthlete({
      diagnosis: result,
      focus: focus ?? overview.foci[0]?.finding ?? null,
      method: request.schools?.method ?? 'mixed',
      words: overview.age < SPARED_UNDER ? me.academy.words : [],
      fine: fine.sort((a, b) => (result.posterior[a] ?? 0) - (result.posterior[b] ?? 0)),
    });
  }, [record, overview, me, focus]);
  return (
    <View style={{ gap: SPACE.s, backgroundColor: palette.brassWash, padding: SPACE.m }} testID="for-athlete">
      {[told.keep, told.next, told.why, told.ease].map((text) =>
        text ? (
          <Text key={text} variant="bodyLarge">
            {text}
          </Text>
        ) : null,
      )}
    </View>
  );
}
