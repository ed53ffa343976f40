import type { CourseState } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { SPACE, usePalette } from './theme';

export const COURSE_WORDS: Readonly<Record<CourseState, string>> = {
  working: 'In work',
  holding: 'Holding',
  done: 'Ready to be called owned',
  owned: 'Owned',
  relapsed: 'Back again',
  stuck: 'Stuck',
};

interface Props {
  readonly state: CourseState;
  readonly reason: string;
  /** Why a clip is wanted. */
  readonly watch: string | null;
}

/** Where a focus stands by its measures, with the reason. */
export function CourseLine({ state, reason, watch }: Props) {
  const palette = usePalette();
  return (
    <View
      style={{
        gap: 2,
        borderLeftWidth: 3,
        borderColor: state === 'relapsed' || state === 'stuck' ? palette.clay : palette.spruce,
        paddingLeft: SPACE.m,
      }}
      testID="course"
    >
      <Text variant="bodyMedium">
        {/* What is owned says so itself. */}
        {state === 'owned' ? null : <Text style={{ fontWeight: '600' }}>{`${COURSE_WORDS[state]}. `}</Text>}
        {reason}
      </Text>
      {watch ? (
        <Text variant="bodySmall" style={{ color: palette.brass }}>
          {`Film the full delivery: ${watch}.`}
        </Text>
      ) : null}
    </View>
  );
}
