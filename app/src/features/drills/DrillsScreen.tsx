import { may } from '@wrightonic/contract';
import { drillById, DRILLS, drillPoses, findingById, kitName } from '@wrightonic/core';
import type { Discipline, Drill } from '@wrightonic/core';
import { useMemo, useState } from 'react';
import { FlatList, Pressable, ScrollView, View } from 'react-native';
import { Searchbar, Text } from 'react-native-paper';
import { api } from '../../state/api';
import { Blank, Choice } from '../../ui/controls';
import { Row, useWide } from '../../ui/layout';
import { Mannequin } from '../../ui/Mannequin';
import { printPage } from '../../ui/print';
import { SPACE, usePalette } from '../../ui/theme';
import { OwnWordsForm } from './OwnWordsForm';
import { useLibrary } from './use-library';
import { filtersSet, matches, NO_FILTER, passes } from './filter';
import type { DrillFilter } from './filter';
import { Filters } from './Filters';

/** All of a drill: moving figure, steps, what good looks like, cheats and what stops them. */
function DrillDetail({ drill, discipline }: { readonly drill: Drill; readonly discipline: Discipline }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const [writing, setWriting] = useState(false);
  if (writing) return <OwnWordsForm drill={drill.id} onDone={() => setWriting(false)} />;
  return (
    <View style={{ gap: SPACE.s, paddingBottom: SPACE.m }}>
      <Mannequin
        poses={drillPoses(drill, discipline)}
        aids={drill.equipment}
        throws="R"
        moving
        height={260}
        label={`Figure: ${drill.name}`}
      />
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
      {drill.aids.map((aid) => (
        <Text key={aid.kit} variant="bodySmall">{`Without the ${kitName(aid.kit)}: ${aid.without}.`}</Text>
      ))}
      {drill.cautions.map((c) => (
        <Text key={c} variant="bodySmall" style={{ color: palette.clay }}>{`Caution: ${c}`}</Text>
      ))}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {[
          drill.treats.length > 0
            ? `Treats ${drill.treats.map((t) => findingById(t.finding).title.toLowerCase()).join('; ')}.`
            : '',
          drill.strain === 'none'
            ? ''
            : drill.strain === 'jump'
              ? 'Jumps: not the day before a game.'
              : 'Heavy for the legs: not the day before a game.',
          `Ages from ${drill.minAge}.`,
          drill.regressTo ? `Easier: “${drillById(drill.regressTo).name}”.` : '',
          drill.progressTo ? `Harder: “${drillById(drill.progressTo).name}”.` : '',
        ].join(' ')}
      </Text>
      <Row>
        {me && may(me.role, 'changeSettings') ? (
          <Choice label="Our own words" chosen={false} onPress={() => setWriting(true)} testID="own-words" />
        ) : null}
        <Choice label="Print the card" chosen={false} onPress={printPage} />
      </Row>
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
      {open && !apart ? <DrillDetail drill={drill} discipline={discipline} /> : null}
    </View>
  );
}

/** The library: search by name or by what it treats, filter by rung. */
export function DrillsScreen() {
  const palette = usePalette();
  const wide = useWide();
  const { drill } = useLibrary();
  const [search, setSearch] = useState('');
  const [discipline, setDiscipline] = useState<Discipline>('overhand');
  const [filter, setFilter] = useState<DrillFilter>(NO_FILTER);
  const [filtering, setFiltering] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const shown = useMemo(
    () =>
      DRILLS.map((d) => drill(d.id)).filter(
        (d) => d.disciplines.includes(discipline) && matches(d, search.trim().toLowerCase()) && passes(d, filter),
      ),
    [search, discipline, filter, drill],
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
          <Row>
            <Choice
              label={set === 0 ? 'Filters' : `Filters: ${set} set`}
              chosen={filtering}
              onPress={() => setFiltering(!filtering)}
              testID="drill-filters"
            />
            {set > 0 ? <Choice label="Clear" chosen={false} onPress={() => setFilter(NO_FILTER)} /> : null}
            <Text variant="bodySmall" style={{ color: palette.soft }}>{`${shown.length} of ${DRILLS.length}`}</Text>
          </Row>
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
            <DrillDetail drill={beside} discipline={discipline} />
          </>
        ) : null}
      </ScrollView>
    </View>
  );
}
