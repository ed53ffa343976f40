import type { AthleteWords } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { SPACE, usePalette } from './theme';

/** What is told to athlete and family: short, plain, no body talk. */
export function TellAthlete({
  words,
  headed = false,
}: {
  readonly words: AthleteWords;
  /** What is next stands above as a heading already. */
  readonly headed?: boolean;
}) {
  const palette = usePalette();
  const { keep, next, how, why, ease } = words;
  return (
    <View style={{ gap: SPACE.s, backgroundColor: palette.brassWash, padding: SPACE.m }} testID="for-athlete">
      {[keep, headed ? null : next, how, why, ease].map((text) =>
        text ? (
          <Text key={text} variant="bodyLarge">
            {text}
          </Text>
        ) : null,
      )}
    </View>
  );
}
