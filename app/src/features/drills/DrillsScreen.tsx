import { drillById, DRILLS, drillPoses, findingById, RUNG_NAMES, RUNGS } from '@wrightonic/core';
import type { Discipline, Drill, Rung } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { FlatList, Pressable, ScrollView, View } from 'react-native';
import { Searchbar, Text } from 'react-native-paper';
import { Blank, Choice } from '../../ui/controls';
import { Row, useWide } from '../../ui/layout';
import { Mannequin } from '../../ui/Mannequin';
import { SPACE, usePalette } from '../../ui/theme';

const matches = (drill: Drill, words: string): boolean =>
  words === '' ||
  drill.name.toLowerCase().includes(words) ||
  drill.treats.some((t) => t.finding.includes(words) || findingById(t.finding).title.toLowerCase().includes(words));

/** All of a drill: moving figure, steps, what good looks like, cheats and what stops them. */
function DrillDetail({ drill, discipline }: { readonly drill: Drill; readonly discipline: Discipline }) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.s, paddingBottom: SPACE.m }}>
      <Mannequin poses={drillPoses(drill, discipline)} throws="R" moving height={190} label={`Figure: ${drill.name}`} />
      <Text variant="bodyMedium">{drill.setup}</Text>
      {drill.steps.map((step, i) => (
        <Text key={step} variant="bodyMedium">{`${i + 1}. ${step}`}</Text>
      ))}
      <Text variant="bodyMedium">
        <Text style={{ fontWeight: '600' }}>Good looks like: </Text>
        {drill.success}.
      </Text>
      <Text variant="bodyMedium">
        <Text style={{ fontWeight: '600' }}>Cue: </Text>
        {`“${drill.cue.external}”, or “${drill.cue.internal}”. You should feel: ${drill.feel.toLowerCase()}.`}
      </Text>
      {drill.cheats.map((c) => (
        <Text key={c.cheat} variant="bodySmall">{`${c.label}: ${c.counter}.`}</Text>
      ))}
      {drill.cautions.map((c) => (
        <Text key={c} variant="bodySmall" style={{ color: palette.clay }}>{`Caution: ${c}`}</Text>
      ))}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {[
          `Treats ${drill.treats.map((t) => findingById(t.finding).title.toLowerCase()).join('; ')}.`,
          `Ages from ${drill.minAge}.`,
          drill.regressTo ? `Easier: ${drillById(drill.regressTo).name}.` : '',
          drill.progressTo ? `Harder: ${drillById(drill.progressTo).name}.` : '',
        ].join(' ')}
      </Text>
    </View>
  );
}

interface CardProps {
  readonly drill: Drill;
  readonly discipline: Discipline;
  readonly open: boolean;
  /** The detail stands in its own pane. */
  readonly apart: boolean;
  readonly onToggle: () => void;
}

function DrillCard({ drill, discipline, open, apart, onToggle }: CardProps) {
  const palette = usePalette();
  return (
    <View
      style={{
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingVertical: SPACE.s,
        backgroundColor: open && apart ? palette.spruceWash : 'transparent',
      }}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={drill.name}
        onPress={onToggle}
        style={{ minHeight: 52, justifyContent: 'center', paddingHorizontal: apart ? SPACE.s : 0 }}
      >
        <Text variant="titleMedium">{drill.name}</Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`rung ${drill.rungs.join(', ')} · ${drill.throws === 'none' ? 'dry' : 'ball'} · ${drill.place.join(', ')}${drill.equipment.length > 0 ? ` · ${drill.equipment.join(', ')}` : ''}`}
        </Text>
      </Pressable>
      {open && !apart ? <DrillDetail drill={drill} discipline={discipline} /> : null}
    </View>
  );
}

/** The library: search by name or by what it treats, filter by rung. */
export function DrillsScreen() {
  const palette = usePalette();
  const wide = useWide();
  const [search, setSearch] = useState('');
  const [discipline, setDiscipline] = useState<Discipline>('overhand');
  const [rung, setRung] = useState<Rung | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  const shown = useMemo(
    () =>
      DRILLS.filter(
        (d) =>
          d.disciplines.includes(discipline) &&
          (rung === null || d.rungs.includes(rung)) &&
          matches(d, search.trim().toLowerCase()),
      ),
    [search, discipline, rung],
  );
  const beside = wide ? (shown.find((d) => d.id === open) ?? shown[0]) : undefined;
  const list = (
    <FlatList
      style={{ flex: 1, backgroundColor: palette.paper }}
      contentContainerStyle={{ padding: SPACE.l, maxWidth: 860, width: '100%', alignSelf: 'center' }}
      data={shown}
      keyExtractor={(d) => d.id}
      renderItem={({ item }) => (
        <DrillCard
          drill={item}
          discipline={discipline}
          open={(beside?.id ?? open) === item.id}
          apart={wide}
          onToggle={() => setOpen(open === item.id ? null : item.id)}
        />
      )}
      ListHeaderComponent={
        <View style={{ gap: SPACE.m, paddingBottom: SPACE.s }}>
          <Text variant="headlineSmall" role="heading" aria-level={1}>
            Drills
          </Text>
          <Searchbar
            placeholder="A drill, or what it should mend"
            value={search}
            onChangeText={setSearch}
            aria-label="Search drills"
            style={{ backgroundColor: palette.sheet, borderWidth: 1, borderColor: palette.line }}
            elevation={0}
          />
          <Row>
            <Choice label="Overhand" chosen={discipline === 'overhand'} onPress={() => setDiscipline('overhand')} />
            <Choice label="Windmill" chosen={discipline === 'windmill'} onPress={() => setDiscipline('windmill')} />
          </Row>
          <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={{ gap: SPACE.s }}>
            {RUNGS.map((r) => (
              <Choice
                key={r}
                label={`${r} ${RUNG_NAMES[r]}`}
                chosen={rung === r}
                onPress={() => setRung(rung === r ? null : r)}
              />
            ))}
          </ScrollView>
        </View>
      }
      ListEmptyComponent={<Blank title="No drill fits">Try another word, or clear the rung.</Blank>}
    />
  );
  if (!wide) return list;
  return (
    <View style={{ flex: 1, flexDirection: 'row', backgroundColor: palette.paper }}>
      {list}
      <ScrollView
        style={{ flex: 1, borderLeftWidth: 1, borderColor: palette.line }}
        contentContainerStyle={{ padding: SPACE.xl }}
      >
        {beside ? (
          <>
            <Text variant="headlineSmall" role="heading" aria-level={2}>
              {beside.name}
            </Text>
            <DrillDetail drill={beside} discipline={discipline} />
          </>
        ) : null}
      </ScrollView>
    </View>
  );
}
