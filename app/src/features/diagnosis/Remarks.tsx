import type { DiagnosisRecord } from '@wrightonic/contract';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { evidenceText, weekDay } from '../../ui/words';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';

const SHOWN = 5;

/** What has been judged otherwise since the last diagnosis; nothing when all is as it was. */
export function Changes({ changes }: { readonly changes: DiagnosisRecord['changes'] }) {
  const say = useVocabulary();
  const palette = usePalette();
  if (!changes || changes.list.length === 0) return null;
  return (
    <View style={{ backgroundColor: palette.brassWash, padding: SPACE.m, gap: 4 }} role="status" testID="changes">
      <Text variant="labelLarge">{`Changed since ${weekDay(changes.since)}`}</Text>
      {changes.list.slice(0, SHOWN).map((c) => (
        <Text key={c.sentence} variant="bodyMedium">
          {say.sentence(c.sentence)}
        </Text>
      ))}
    </View>
  );
}

/** Remarks on the evidence itself. */
export function Notes({ record }: { readonly record: DiagnosisRecord }) {
  const say = useVocabulary();
  const units = useUnits();
  const { notes } = record.result;
  if (notes.length === 0) return null;
  return (
    <Section title="About what was seen">
      {notes.slice(0, SHOWN).map((n) => {
        const items = n.evidence.flatMap((e) =>
          record.evidence[e] ? [evidenceText(record.evidence[e].evidence, units, say)] : [],
        );
        return (
          <Text key={`${n.note}${n.evidence.join()}`} variant="bodySmall">
            {`${say.sentence(n.note)}${items.length > 0 ? ` (${items.join('; ')})` : ''}`}
          </Text>
        );
      })}
      {notes.length > SHOWN ? <Text variant="bodySmall">{`And ${notes.length - SHOWN} more of the kind.`}</Text> : null}
    </Section>
  );
}
