import type { Diagnosis, FindingId } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Section } from '../ui/layout';
import { usePalette } from '../ui/theme';
import { useVocabulary } from '../ui/vocabulary';

const STYLE_TITLES: Record<string, string> = {
  'high-leg-kick': 'High leg kick',
  'hands-overhead': 'Hands overhead',
  'hands-still': 'Still hands',
  'finish-off-line': 'Finish off line',
  'rubber-side': 'Side of the rubber',
};

/** What nobody should “fix”, each with the reason; nothing where there is nothing. */
export function LeaveAlone({ items }: { readonly items: Diagnosis['leaveAlone'] }) {
  const say = useVocabulary();
  const palette = usePalette();
  if (items.length === 0) return null;
  return (
    <Section title="Leave alone">
      {items.map((l) => (
        <View key={l.item}>
          <Text variant="bodyMedium">{STYLE_TITLES[l.item] ?? say.title(l.item as FindingId)}</Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {say.sentence(l.why)}
          </Text>
        </View>
      ))}
    </Section>
  );
}
