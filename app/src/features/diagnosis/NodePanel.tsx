import type { DiagnosisRecord } from '@wrightonic/contract';
import type { CauseMap, FindingId, MapArrow } from '@wrightonic/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Choice } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, TARGET, usePalette } from '../../ui/theme';
import { evidenceText, percent, weekDay } from '../../ui/words';
import { STATE_WORDS } from './MapDrawing';
import { Overrule } from './Rulings';
import type { SupposedAs } from './what-if';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';

interface Props {
  readonly athlete: string;
  readonly map: CauseMap;
  readonly finding: FindingId;
  readonly record: DiagnosisRecord;
  readonly supposed: SupposedAs | null;
  readonly onSuppose: (as: SupposedAs | null) => void;
  readonly onChoose: (finding: FindingId) => void;
}

function Neighbours({
  title,
  arrows,
  end,
  onChoose,
}: {
  readonly title: string;
  readonly arrows: readonly MapArrow[];
  readonly end: 'cause' | 'consequence';
  readonly onChoose: (finding: FindingId) => void;
}) {
  const say = useVocabulary();
  const palette = usePalette();
  if (arrows.length === 0) return null;
  return (
    <Section title={title} note="brought about here · weight">
      {[...arrows]
        .sort((a, b) => b.influence - a.influence)
        .map((arrow) => (
          <Pressable
            key={arrow[end]}
            role="button"
            onPress={() => onChoose(arrow[end])}
            style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center', minHeight: TARGET - 8 }}
          >
            <Text variant="bodyMedium" style={{ flex: 1 }}>
              {say.title(arrow[end])}
            </Text>
            <Text style={{ fontVariant: ['tabular-nums'], fontWeight: '600' }}>{percent(arrow.influence)}</Text>
            <Text
              variant="bodySmall"
              style={{ width: 112, textAlign: 'right', color: arrow.changed ? palette.brass : palette.soft }}
            >
              {`${arrow.weight.toFixed(2)} ${arrow.changed ? '◆ own' : arrow.strength ? `${arrow.strength}, house` : 'this athlete'}`}
            </Text>
          </Pressable>
        ))}
    </Section>
  );
}

/** What is known of one node of the map. */
export function NodePanel({ athlete, map, finding, record, supposed, onSuppose, onChoose }: Props) {
  const say = useVocabulary();
  const units = useUnits();
  const palette = usePalette();
  const [ruling, setRuling] = useState(false);
  const node = map.nodes.find((n) => n.finding === finding)!;
  return (
    <View style={{ gap: SPACE.l }} testID="node-panel">
      <View style={{ gap: 4 }}>
        <Text variant="titleLarge">{say.title(finding)}</Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`There: ${percent(node.present)} (${STATE_WORDS[node.state]}). Of itself: ${percent(node.root)}.`}
        </Text>
        <Text variant="bodyMedium">{say.seen(finding)}</Text>
      </View>
      <View style={{ gap: SPACE.s }}>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          What if it …
        </Text>
        <Row>
          <Choice
            label="were there"
            chosen={supposed === 'present'}
            onPress={() => onSuppose(supposed === 'present' ? null : 'present')}
            testID="suppose-present"
          />
          <Choice
            label="were not"
            chosen={supposed === 'absent'}
            onPress={() => onSuppose(supposed === 'absent' ? null : 'absent')}
            testID="suppose-absent"
          />
          {ruling ? null : <Action kind="plain" label="Overrule" onPress={() => setRuling(true)} testID="overrule" />}
        </Row>
        {ruling ? <Overrule athlete={athlete} finding={finding} onDone={() => setRuling(false)} /> : null}
      </View>
      <Section title="What speaks of it">
        {node.evidence.length === 0 ? (
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            Nothing directly: all that is believed of it comes from its causes and consequences.
          </Text>
        ) : null}
        {node.evidence.map((index) => {
          const item = record.evidence[index];
          return item ? (
            <Text
              key={index}
              variant="bodyMedium"
            >{`${evidenceText(item.evidence, units, say)} (${item.by}, ${weekDay(item.on)})`}</Text>
          ) : null;
        })}
      </Section>
      <Neighbours
        title="What can cause it"
        arrows={map.arrows.filter((a) => a.consequence === finding)}
        end="cause"
        onChoose={onChoose}
      />
      <Neighbours
        title="What it can lead to"
        arrows={map.arrows.filter((a) => a.cause === finding)}
        end="consequence"
        onChoose={onChoose}
      />
    </View>
  );
}
