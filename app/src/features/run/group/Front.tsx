import { kitName } from '@wrightonic/core';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useLibrary } from '../../../data/use-library';
import { Choice, Figure } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import { useWordsFor } from '../../../ui/use-words';
import type { Line } from './line';
import { drillsOf } from './turn';
import type { Group, Member } from './use-group';

/** Whoever is in front: name, what they do, with which support, and the one cue in large. */
export function Front({ member }: { readonly member: Member }) {
  const palette = usePalette();
  const { drill: look } = useLibrary();
  const inWords = useWordsFor(member.overview.age);
  const { item, state } = member;
  if (!item) return null;
  const drill = look(item.drill, item.words);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="headlineMedium" role="heading" aria-level={1} numberOfLines={1} testID="front">
        {member.name}
      </Text>
      <Text variant="bodyMedium" style={{ color: palette.soft }}>
        {`${drill.name} · rung ${item.rung}${member.effort > 0 ? ` · ${member.effort} %` : ''}${item.aids.length > 0 ? ` · with ${item.aids.map(kitName).join(', ')}` : ''}`}
      </Text>
      <Text variant="titleLarge" style={{ fontSize: 24, lineHeight: 29 }} testID="group-cue">
        {inWords(item.cue)}
      </Text>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={`${member.tally.reps}/${member.wanted}`} label="reps" />
        <Figure
          value={String(member.tally.good)}
          label={`good, ${member.tally.close} close, ${member.tally.off} off`}
          tone="spruce"
        />
        {drill.throws === 'none' ? null : (
          <Figure value={String(state.throwsLeft)} label="throws left" tone={state.throwsLeft <= 5 ? 'clay' : undefined} />
        )}
      </Row>
    </View>
  );
}

/** What somebody has planned for today. */
export const itemsOf = (m: Member) => (m.state.record?.assignment ?? m.overview.today ?? m.overview.next)?.session.items ?? [];

/** One drill for all, each their own, or a round of stations. */
export function DrillChoice({
  group,
  line,
  onDrill,
  onOther,
  onStations,
}: {
  readonly group: Group;
  readonly line: Line;
  readonly onDrill: (drill: string | null) => void;
  readonly onOther: () => void;
  readonly onStations: () => void;
}) {
  const { drill } = useLibrary();
  const planned = drillsOf(group.members.map(itemsOf));
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      contentContainerStyle={{ gap: SPACE.xs }}
      style={{ flexGrow: 0 }}
    >
      <Choice label="Each their own work" chosen={line.drill === null} onPress={() => onDrill(null)} testID="own-work" />
      {group.members.length > 1 ? <Choice label="Stations" chosen={false} onPress={onStations} testID="stations" /> : null}
      {planned.slice(0, 12).map((row) => (
        <Choice
          key={row.drill}
          label={`${drill(row.drill).name}, ${row.athletes}`}
          chosen={line.drill === row.drill}
          onPress={() => onDrill(row.drill)}
          testID={`all-do-${row.drill}`}
        />
      ))}
      {line.drill !== null && !planned.some((row) => row.drill === line.drill) ? (
        <Choice label={drill(line.drill).name} chosen onPress={onOther} />
      ) : null}
      <Choice label="Another drill" chosen={false} onPress={onOther} testID="other-drill" />
    </ScrollView>
  );
}
