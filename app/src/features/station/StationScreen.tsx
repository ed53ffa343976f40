import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Loading } from '../../ui/controls';
import { Screen } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { longDay } from '../../ui/words';
import { AthleteLine } from '../../parts/AthleteLine';
import { CampNow } from '../../parts/CampNow';

/** The athletes in front of a station coach: tap one, log reps. Nothing is decided here. */
export function StationScreen() {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading, hasNextPage, isFetching, fetchNextPage, refetch } = api.useRosterPagesInfiniteQuery(
    {},
    { refetchOnMountOrArgChange: true },
  );
  const { data: groups = [] } = api.useGroupsQuery();
  const { data: camps = [] } = api.useCampsQuery(undefined, { refetchOnMountOrArgChange: true });
  if (isLoading || !me) return <Loading />;
  const rows = data?.pages.flatMap((page) => page.rows) ?? [];
  return (
    <Screen
      width={760}
      footer={
        rows.length > 1 ? <Action label="Run a group" onPress={() => router.push('/group-run')} testID="run-group" /> : undefined
      }
    >
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          My station
        </Text>
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          {`${longDay(me.academy.today)}${groups.length > 0 ? ` · ${groups.map((g) => g.name).join(', ')}` : ''}`}
        </Text>
      </View>
      {error ? (
        <Blank title={problemOf(error).title} action={<Action label="Try again" onPress={() => void refetch()} />}>
          {problemOf(error).detail}
        </Blank>
      ) : null}
      {camps
        .filter((camp) => camp.from <= me.academy.today && camp.to >= me.academy.today)
        .map((camp) => (
          <CampNow key={camp.id} row={camp} me={me} />
        ))}
      {!error && rows.length === 0 ? (
        <Blank title="Nobody is in your groups">An owner of the academy puts athletes into the groups that you were given.</Blank>
      ) : null}
      <View>
        {rows.map((row) => (
          <AthleteLine key={row.id} row={row} onOpen={(id) => router.push(`/athletes/${id}/run`)} />
        ))}
      </View>
      {hasNextPage ? <Action kind="quiet" label="More" busy={isFetching} onPress={() => void fetchNextPage()} /> : null}
    </Screen>
  );
}
