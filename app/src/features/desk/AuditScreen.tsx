import { ROLE_NAMES } from '@wrightonic/contract';
import type { AuditEntry } from '@wrightonic/contract';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { FlatList, Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { problemOf, api } from '../../data/api';
import { Action, Blank, Loading } from '../../ui/controls';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

function Line({ entry }: { readonly entry: AuditEntry }) {
  const palette = usePalette();
  const router = useRouter();
  const { athlete } = entry;
  return (
    <View
      style={{ paddingVertical: SPACE.s, borderBottomWidth: 1, borderColor: palette.line, flexDirection: 'row', gap: SPACE.m }}
    >
      <Text variant="bodySmall" style={{ width: 92, color: palette.soft, fontVariant: ['tabular-nums'] }}>
        {`${weekDay(entry.on)}\n${new Date(entry.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`}
      </Text>
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant="bodyMedium">{`${entry.who} ${entry.did}`}</Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {ROLE_NAMES[entry.role]}
        </Text>
        {athlete ? (
          <Pressable
            role="link"
            onPress={() => router.push(`/athletes/${athlete.id}`)}
            style={{ minHeight: 32, justifyContent: 'center' }}
          >
            <Text variant="bodySmall" style={{ color: palette.spruce, textDecorationLine: 'underline' }}>
              {athlete.name}
            </Text>
          </Pressable>
        ) : null}
      </View>
    </View>
  );
}

/** Who did what to whom, newest first. */
export function AuditScreen() {
  const palette = usePalette();
  const { athlete } = useLocalSearchParams<{ athlete?: string }>();
  const { data, error, isLoading, hasNextPage, isFetching, fetchNextPage, refetch } = api.useAuditPagesInfiniteQuery(
    athlete ? { athlete } : {},
    { refetchOnMountOrArgChange: true },
  );
  if (isLoading) return <Loading />;
  const entries = data?.pages.flatMap((page) => page.entries) ?? [];
  return (
    <FlatList
      style={{ flex: 1, backgroundColor: palette.paper }}
      contentContainerStyle={{ padding: SPACE.l, maxWidth: 760, width: '100%', alignSelf: 'center' }}
      data={entries}
      keyExtractor={(entry) => entry.id}
      renderItem={({ item }) => <Line entry={item} />}
      onEndReached={() => (hasNextPage && !isFetching ? void fetchNextPage() : undefined)}
      ListHeaderComponent={
        <View style={{ paddingBottom: SPACE.m }}>
          <Text variant="headlineSmall" role="heading" aria-level={1}>
            Who did what
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {athlete && entries[0]?.athlete ? `About ${entries[0].athlete.name}. ` : ''}
            Looks at a page are not recorded; changes and everything taken out are.
          </Text>
        </View>
      }
      ListEmptyComponent={
        error ? (
          <Blank title={problemOf(error).title} action={<Action label="Try again" onPress={() => void refetch()} />}>
            {problemOf(error).detail}
          </Blank>
        ) : (
          <Blank title="Nothing yet">Every change will have a line here.</Blank>
        )
      }
    />
  );
}
