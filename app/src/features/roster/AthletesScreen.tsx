import { may } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { FlatList, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank } from '../../ui/controls';
import { Row, useWide } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useDrafts } from '../../data/use-drafts';
import { AthleteLine } from '../../parts/AthleteLine';
import { Filters, filterWords } from './Filters';
import type { Asked } from './Filters';
import { useVocabulary } from '../../ui/vocabulary';
import { Field } from '../../ui/Field';

/** What the list needs of an intake that was begun. */
interface Begun {
  readonly known: boolean;
  readonly who: { readonly name: string };
}

/** The roster: where each delivery breaks, at a glance, for ten athletes or for thousands. */
export function AthletesScreen() {
  const say = useVocabulary();
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const [search, setSearch] = useState('');
  const [asked, setAsked] = useState<Asked>({});
  const [filtering, setFiltering] = useState(false);
  const words = useDeferredValue(search.trim());
  const query = useMemo<Asked>(() => (words ? { ...asked, search: words } : asked), [asked, words]);
  const { data, error, isFetching, hasNextPage, fetchNextPage, refetch } = api.useRosterPagesInfiniteQuery(query, {
    refetchOnMountOrArgChange: true,
  });
  const { data: groups = [] } = api.useGroupsQuery();
  const unfinished = useDrafts<Begun>();
  const rows = useMemo(
    // Two words of one name may both fit the search, on different pages.
    () => [...new Map((data?.pages ?? []).flatMap((page) => page.rows).map((row) => [row.id, row])).values()],
    [data],
  );
  const open = useCallback((id: string) => router.push(`/athletes/${id}`), [router]);
  const narrowed = filterWords(asked, groups.find((g) => g.id === asked.group)?.name, say);
  const anything = narrowed !== '' || words !== '';
  const filters = <Filters asked={asked} onChange={setAsked} />;
  const head = (
    <View style={{ gap: SPACE.m, paddingBottom: SPACE.s }}>
      <Row style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Athletes
        </Text>
        {me && may(me.role, 'changeAthlete') ? (
          <Action kind="quiet" label="Add" onPress={() => router.push('/athletes/new')} testID="add" />
        ) : null}
      </Row>
      <Field inputMode="search" label="Search by name" value={search} onChangeText={setSearch} />
      {wide ? null : (
        <Row style={{ flexWrap: 'nowrap', justifyContent: 'space-between' }}>
          <Text variant="bodySmall" numberOfLines={1} style={{ color: palette.soft, flexShrink: 1 }}>
            {narrowed || 'All, by name'}
          </Text>
          {narrowed ? <Action kind="plain" label="Clear" onPress={() => setAsked({})} /> : null}
          <Action kind="quiet" label={filtering ? 'Done' : 'Filter'} onPress={() => setFiltering(!filtering)} testID="filter" />
        </Row>
      )}
      {!wide && filtering ? filters : null}
      {unfinished.map((draft) => (
        <Row key={draft.id} style={{ justifyContent: 'space-between' }}>
          <Text
            variant="bodyMedium"
            style={{ flexShrink: 1 }}
          >{`${draft.form.who.name || 'Somebody new'}: begun on this device`}</Text>
          <Action kind="quiet" label="Go on" onPress={() => router.push(`/athletes/new?id=${draft.id}`)} />
        </Row>
      ))}
    </View>
  );
  const list = (
    <FlatList
      style={{ flex: 1, backgroundColor: palette.paper }}
      contentContainerStyle={{ padding: SPACE.l, maxWidth: 860, width: '100%', alignSelf: 'center' }}
      data={rows}
      keyExtractor={(row) => row.id}
      renderItem={({ item }) => <AthleteLine row={item} onOpen={open} />}
      initialNumToRender={10}
      windowSize={7}
      onEndReachedThreshold={2}
      onEndReached={() => (hasNextPage && !isFetching ? void fetchNextPage() : undefined)}
      keyboardShouldPersistTaps="handled"
      ListHeaderComponent={head}
      ListEmptyComponent={
        error ? (
          <Blank title={problemOf(error).title} action={<Action label="Try again" onPress={() => void refetch()} />}>
            {problemOf(error).detail}
          </Blank>
        ) : isFetching ? null : (
          <Blank
            title={anything ? 'Nobody fits' : 'No athletes yet'}
            action={
              anything ? (
                <Action
                  kind="quiet"
                  label="Show everybody"
                  onPress={() => {
                    setAsked({});
                    setSearch('');
                  }}
                />
              ) : undefined
            }
          >
            {anything ? 'Try fewer letters, or clear the filters.' : 'Add the first one above, or bring in a list from Desk.'}
          </Blank>
        )
      }
    />
  );
  if (!wide) return list;
  return (
    <View style={{ flex: 1, flexDirection: 'row', backgroundColor: palette.paper }}>
      {list}
      <View style={{ width: 380, borderLeftWidth: 1, borderColor: palette.line, padding: SPACE.l, gap: SPACE.m }}>
        <Row style={{ justifyContent: 'space-between' }}>
          <Text variant="labelLarge">Narrow the list</Text>
          {narrowed ? <Action kind="plain" label="Clear" onPress={() => setAsked({})} /> : null}
        </Row>
        {filters}
      </View>
    </View>
  );
}
