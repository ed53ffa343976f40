import { drillPoses, findingById, kitName } from '@wrightonic/core';
import type { Discipline, Drill } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { FlatList, Pressable, ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Blank, Choice, LinkRow } from '../../ui/controls';
import { Row, useWide } from '../../ui/layout';
import { Mannequin } from '../../ui/Mannequin';
import { SPACE, usePalette } from '../../ui/theme';
import { DrillDetail } from './DrillDetail';
import { useLibrary } from '../../data/use-library';
import { filtersSet, matches, NO_FILTER, passes } from './filter';
import type { DrillFilter } from './filter';
import { Filters } from './Filters';
import { useVocabulary } from '../../ui/vocabulary';
import { Field } from '../../ui/Field';

interface CardProps {
  readonly drill: Drill;
  readonly discipline: Discipline;
  readonly open: boolean;
  /** The detail stands in its own pane. */
  readonly apart: boolean;
  readonly onToggle: () => void;
  readonly onShow: (drill: string) => void;
}

function DrillCard({ drill, discipline, open, apart, onToggle, onShow }: CardProps) {
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
        onPress={onToggle}
        style={{
          minHeight: 64,
          flexDirection: 'row',
          alignItems: 'center',
          gap: SPACE.s,
          paddingHorizontal: apart ? SPACE.s : 0,
        }}
      >
        <View style={{ width: 84 }}>
          <Mannequin poses={drillPoses(drill, discipline)} aids={drill.equipment} throws="R" height={62} label="" />
        </View>
        <View style={{ flex: 1 }}>
          <Text variant="titleMedium">{drill.name}</Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {`rung ${drill.rungs.join(', ')} · ${drill.throws === 'none' ? 'dry' : 'ball'} · ${drill.place.join(', ')}${drill.equipment.length > 0 ? ` · ${drill.equipment.map(kitName).join(', ')}` : ''}`}
          </Text>
        </View>
      </Pressable>
      {open && !apart ? <DrillDetail drill={drill} discipline={discipline} onShow={onShow} /> : null}
    </View>
  );
}

/** The library: search by name or by what it treats, filter by rung. */
export function DrillsScreen() {
  const say = useVocabulary();
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const { library } = useLibrary();
  const [search, setSearch] = useState('');
  const [discipline, setDiscipline] = useState<Discipline>('overhand');
  const [filter, setFilter] = useState<DrillFilter>(NO_FILTER);
  const [filtering, setFiltering] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const shown = useMemo(
    () =>
      library.drills.filter(
        (d) => d.disciplines.includes(discipline) && matches(d, search.trim().toLowerCase()) && passes(d, filter, library),
      ),
    [search, discipline, filter, library],
  );
  const set = filtersSet(filter);
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
          onShow={setOpen}
        />
      )}
      ListHeaderComponent={
        <View style={{ gap: SPACE.m, paddingBottom: SPACE.s }}>
          <Text variant="headlineSmall" role="heading" aria-level={1}>
            Drills
          </Text>
          <Field inputMode="search" label="A drill, or what it should mend" value={search} onChangeText={setSearch} />
          <Row>
            <Choice label="Overhand" chosen={discipline === 'overhand'} onPress={() => setDiscipline('overhand')} />
            <Choice label="Windmill" chosen={discipline === 'windmill'} onPress={() => setDiscipline('windmill')} />
          </Row>
          <Row>
            <Choice
              label={set === 0 ? 'Filters' : `Filters: ${set} set`}
              chosen={filtering}
              onPress={() => setFiltering(!filtering)}
              testID="drill-filters"
            />
            {set > 0 ? <Choice label="Clear" chosen={false} onPress={() => setFilter(NO_FILTER)} /> : null}
            <Text variant="bodySmall" style={{ color: palette.soft }}>{`${shown.length} of ${library.drills.length}`}</Text>
          </Row>
          {filter.finding !== null && findingById(filter.finding).disciplines.includes(discipline) ? (
            <LinkRow
              onPress={() => router.push(`/drills/ladder?finding=${filter.finding}&discipline=${discipline}`)}
              testID="to-ladder"
            >
              <Text variant="bodyLarge">{`Ladder of “${say.title(filter.finding).toLowerCase()}”`}</Text>
            </LinkRow>
          ) : null}
          {filtering ? <Filters filter={filter} discipline={discipline} onChange={setFilter} /> : null}
        </View>
      }
      ListEmptyComponent={<Blank title="No drill fits">Try another word, or clear the filters.</Blank>}
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
            <DrillDetail key={beside.id} drill={beside} discipline={discipline} onShow={setOpen} />
          </>
        ) : null}
      </ScrollView>
    </View>
  );
}
