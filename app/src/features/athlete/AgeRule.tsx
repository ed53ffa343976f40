import type { AthleteOverview } from '@wrightonic/contract';
import { dailyPitchLimit, highEffortLimit, practiceBudget } from '@wrightonic/core';
import { Text } from 'react-native-paper';
import { usePalette } from '../../ui/theme';

/** The limits that this athlete's age sets, always in sight of the numbers that they make. */
export function AgeRule({ data }: { readonly data: AthleteOverview }) {
  const palette = usePalette();
  const { athlete, age, workload } = data;
  const { readAs } = workload.ageRule;
  return (
    <Text variant="bodySmall" style={{ color: palette.soft }}>
      {`At ${age}${readAs ? ` (${readAs})` : ''}: ${practiceBudget(athlete.discipline, age)} practice throws a day, ${highEffortLimit(age)} of them hard, ${dailyPitchLimit(athlete.discipline, age)} pitches in games. League rules and clinicians come first.`}
    </Text>
  );
}
