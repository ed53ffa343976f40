import type { AthleteRow } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { FlatList, View } from 'react-native';
import { Searchbar, Text } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { ChainStrip } from '../../ui/ChainStrip';
import { Action, Blank, Choice, LinkRow, Loading } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { titleOf } from '../../ui/words';

function AthleteLine({ row }: { readonly row: AthleteRow }) {
  const palette = usePalette();
  const router = useRouter();
  return (
    <LinkRow label={row.name} onPress={() => router.push(`/athletes/${row.id}`)} testID={`athlete-${row.name}`}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s, alignItems: 'baseline' }}>
        <Text variant="titleMedium" numberOfLines={1} style={{ flexShrink: 1 }}>
          {row.name}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {`${row.age} · ${row.discipline} · ${row.throws === 'R' ? 'right' : 'left'}`}
        </Text>
      </View>
      <ChainStrip chain={row.chain} discipline={row.discipline} />
      <Text variant="bodySmall" numberOfLines={1} style={{ color: row.locked ? palette.clay : palette.soft }}>
        {row.locked ? 'Throwing is locked' : row.focus ? titleOf(row.focus) : 'No focus yet'}
      </Text>
    </LinkRow>
  );
}

/** The roster: where each delivery breaks, at a glance. */
export function AthletesScreen() {
  const palette = usePalette();
  const router = useRouter();
  const { data, error, isLoading, refetch } = api.useAthletesQuery();
  const [search, setSearch] = useState('');
  const [discipline, setDiscipline] = useState<'overhand' | 'windmill' | null>(null);
  const shown = useMemo(
    () =>
      (data ?? []).filter(
        (row) => (!discipline || row.discipline === discipline) && row.name.toLowerCase().includes(search.trim().toLowerCase()),
      ),
    [data, search, discipline],
  );
  if (isLoading) return <Loading />;
  const head = (
    <View style={{ gap: SPACE.m, paddingBottom: SPACE.s }}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Athletes
      </Text>
      <Searchbar
        placeholder="Search by name"
        value={search}
        onChangeText={setSearch}
        aria-label="Search by name"
        style={{ backgroundColor: palette.sheet, borderWidth: 1, borderColor: palette.line }}
        elevation={0}
      />
      <Row>
        <Choice
          label="Overhand"
          chosen={discipline === 'overhand'}
          onPress={() => setDiscipline(discipline === 'overhand' ? null : 'overhand')}
        />
        <Choice
          label="Windmill"
          chosen={discipline === 'windmill'}
          onPress={() => setDiscipline(discipline === 'windmill' ? null : 'windmill')}
        />
        <View style={{ flex: 1 }} />
        <Action kind="quiet" label="Add" onPress={() => router.push('/athletes/new')} />
      </Row>
    </View>
  );
  return (
    <FlatList
      style={{ flex: 1, backgroundColor: palette.paper }}
      contentContainerStyle={{ padding: SPACE.l, maxWidth: 860, width: '100%', alignSelf: 'center' }}
      data={shown}
      keyExtractor={(row) => row.id}
      renderItem={({ item }) => <AthleteLine row={item} />}
      initialNumToRender={12}
      ListHeaderComponent={head}
      ListEmptyComponent={
        data ? (
          <Blank title={data.length === 0 ? 'No athletes yet' : 'Nobody by that name'}>
            {data.length === 0 ? 'Add the first one above.' : 'Try fewer letters, or clear the filters.'}
          </Blank>
        ) : (
          <Blank title={problemOf(error).title} action={<Action label="Try again" onPress={() => void refetch()} />}>
            {problemOf(error).detail}
          </Blank>
        )
      }
    />
  );
}
