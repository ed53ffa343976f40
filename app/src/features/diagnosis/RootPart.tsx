import type { Root } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choice } from '../../ui/controls';
import { SPACE, usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';
import { percent } from '../../ui/words';
import { KIND_WORDS } from './WhatScreen';

interface RootPartProps {
  readonly root: Root;
  /** How likely it is there at all. */
  readonly present: number;
  readonly first: boolean;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

export function RootPart({ root, present, first, chosen, onChoose }: RootPartProps) {
  const say = useVocabulary();
  const palette = usePalette();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.m,
        paddingVertical: 6,
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View style={{ flex: 1 }}>
        <Text variant={first ? 'titleLarge' : 'bodyMedium'} testID={first ? 'first-root' : undefined}>
          {first ? say.sentence(root.sentence) : say.title(root.finding)}
        </Text>
        <Text
          variant="bodySmall"
          style={{ color: palette.soft }}
        >{`${root.byWord ? 'the coach’s word' : `${percent(root.probability)} the cause, ${percent(present)} there`} · ${KIND_WORDS[root.kind]}`}</Text>
      </View>
      {first ? null : <Choice label={chosen ? 'Shown' : 'Show why'} chosen={chosen} onPress={onChoose} />}
    </View>
  );
}
