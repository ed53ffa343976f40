import type { Vocabulary } from '@wrightonic/core';
import type { AthleteRow } from '@wrightonic/contract';
import { memo } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { ChainStrip } from '../ui/ChainStrip';
import { LinkRow } from '../ui/controls';
import { SPACE, usePalette } from '../ui/theme';
import { useVocabulary } from '../ui/vocabulary';
import { chanceText } from '../ui/words';

function stateOf(row: AthleteRow, say: Vocabulary): string {
  if (row.locked) return 'Throwing is locked';
  const focus = row.focus
    ? `${say.title(row.focus)}${row.focusChance === null ? '' : `, ${chanceText(row.focusChance)} now`}`
    : row.intakeOpen
      ? 'Intake not finished'
      : 'No focus yet';
  return row.care ? `${focus} · take care` : focus;
}

/** One athlete of a list: who, where the delivery breaks, and what stands. */
export const AthleteLine = memo(function AthleteLine({
  row,
  onOpen,
}: {
  readonly row: AthleteRow;
  readonly onOpen: (id: string) => void;
}) {
  const palette = usePalette();
  const say = useVocabulary();
  return (
    <LinkRow onPress={() => onOpen(row.id)} testID={`athlete-${row.name}`}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s, alignItems: 'baseline' }}>
        <Text variant="titleMedium" numberOfLines={1} style={{ flexShrink: 1 }}>
          {row.name}
        </Text>
        <Text variant="bodySmall" numberOfLines={1} style={{ color: palette.soft, flexShrink: 0 }}>
          {`${row.age} · ${row.discipline} · ${row.throws === 'R' ? 'right' : 'left'}`}
        </Text>
      </View>
      <ChainStrip chain={row.chain} discipline={row.discipline} />
      <Text variant="bodySmall" numberOfLines={1} style={{ color: row.locked ? palette.clay : palette.soft }}>
        {stateOf(row, say)}
      </Text>
    </LinkRow>
  );
});
