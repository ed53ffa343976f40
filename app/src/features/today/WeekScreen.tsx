import { WEEK_KINDS } from '@wrightonic/contract';
import type { WeekKind } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Blank, Caution, Choice, LinkRow, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

const KINDS: Readonly<Record<WeekKind, { readonly title: string; readonly none: string; readonly path: string }>> = {
  relapsed: { title: 'Back again', none: 'Nothing that was owned has come back.', path: '/numbers' },
  limit: { title: 'Near a limit', none: 'Nobody is near a limit.', path: '' },
  stuck: { title: 'Stuck', none: 'Nobody is stuck.', path: '/numbers' },
  done: { title: 'Ready to be called owned', none: 'Nothing is ready to be called owned.', path: '/numbers' },
  unseen: { title: 'Not seen', none: 'Everybody with a focus was seen.', path: '' },
  moved: { title: 'Moved up', none: 'Nobody has moved up.', path: '/numbers' },
};

/** End of the week: what became of everybody, by group. Names stand in the order of the alphabet and in no other. */
export function WeekScreen() {
  const palette = usePalette();
  const router = useRouter();
  const [group, setGroup] = useState<string | null>(null);
  const { data: groups = [] } = api.useGroupsQuery();
  const { data, error, isFetching } = api.useWeekQuery(group === null ? {} : { query: { group } }, {
    refetchOnMountOrArgChange: true,
  });
  const part = (kind: WeekKind) => {
    const { title, none, path } = KINDS[kind];
    const lines = data?.lines[kind] ?? [];
    return (
      <Section
        key={kind}
        title={title}
        note={lines.length > 0 ? `${lines.length}${data?.more.includes(kind) ? ' and more' : ''}` : ''}
      >
        {lines.length === 0 ? <Text style={{ color: palette.soft }}>{none}</Text> : null}
        {lines.map((line, i) => (
          <LinkRow
            key={`${line.athlete}-${i}`}
            onPress={() => router.push(`/athletes/${line.athlete}${path}`)}
            testID={`week-${kind}`}
          >
            <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
              {line.name}
            </Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {line.text}
            </Text>
          </LinkRow>
        ))}
      </Section>
    );
  };
  return (
    <Screen>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          The week
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {data
            ? `${weekDay(data.from)} to ${weekDay(data.to)}, ${data.athletes === 1 ? 'one athlete' : `${data.athletes} athletes`}`
            : ''}
        </Text>
      </View>
      {groups.length > 0 ? (
        <ScrollView horizontal showsHorizontalScrollIndicator={false} style={{ flexGrow: 0 }}>
          <Row style={{ flexWrap: 'nowrap', gap: SPACE.s }}>
            <Choice label="All" chosen={group === null} onPress={() => setGroup(null)} testID="week-all" />
            {groups.map((g) => (
              <Choice
                key={g.id}
                label={g.name}
                chosen={g.id === group}
                onPress={() => setGroup(g.id)}
                testID={`week-of-${g.name}`}
              />
            ))}
          </Row>
        </ScrollView>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {!data && isFetching ? <Loading /> : null}
      {data && data.athletes === 0 ? (
        <Blank title="Nobody is in this group">Put athletes into it under Desk, Groups.</Blank>
      ) : null}
      {data && data.athletes > 0 ? (
        <Panes weights={[1, 1]}>
          <View style={{ gap: SPACE.xl }}>{WEEK_KINDS.slice(0, 3).map(part)}</View>
          <View style={{ gap: SPACE.xl }}>{WEEK_KINDS.slice(3).map(part)}</View>
        </Panes>
      ) : null}
    </Screen>
  );
}
