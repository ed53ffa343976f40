import type { Need, TodayRow } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { ChainStrip } from '../../ui/ChainStrip';
import { Action, Blank, Caution, LinkRow, Loading } from '../../ui/controls';
import { Panes, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { longDay } from '../../ui/words';
import { CampsNow } from './CampsNow';

function Lesson({ row }: { readonly row: TodayRow }) {
  const palette = usePalette();
  const router = useRouter();
  return (
    <LinkRow onPress={() => router.push(`/athletes/${row.athlete.id}`)}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s }}>
        <Text variant="titleMedium" numberOfLines={1} style={{ flexShrink: 1 }}>
          {row.athlete.name}
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {row.assignment.done ? 'done' : row.athlete.locked ? 'dry only' : ''}
        </Text>
      </View>
      <ChainStrip chain={row.athlete.chain} discipline={row.athlete.discipline} />
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {row.line}
      </Text>
    </LinkRow>
  );
}

const NEED_WORDS: Record<Need['kind'], string> = {
  pain: 'Pain',
  move: 'Gate',
  relapsed: 'Back again',
  stuck: 'Stuck',
  done: 'Done?',
  watch: 'Film',
  'no-focus': 'New',
  'no-plan': 'Plan',
  intake: 'Intake',
};

/** What is decided on an athlete’s numbers. */
const ON_NUMBERS: ReadonlySet<Need['kind']> = new Set(['relapsed', 'stuck', 'done', 'watch']);

/** Lessons of later today that are shown at once: what needs the coach stands below them. */
const LATER_SHOWN = 5;

/** Walking to the cage: who is next, what today is, what needs you. */
export function TodayScreen() {
  const palette = usePalette();
  const router = useRouter();
  const [allLater, setAllLater] = useState(false);
  const { data, error, isLoading, refetch } = api.useTodayQuery(undefined, { refetchOnMountOrArgChange: true });
  if (isLoading) return <Loading />;
  if (!data)
    return (
      <Screen>
        <Blank title={problemOf(error).title} action={<Action label="Try again" onPress={() => void refetch()} />}>
          {problemOf(error).detail}
        </Blank>
      </Screen>
    );
  const { tomorrow = [] } = data;
  const next = data.rows.find((r) => !r.assignment.done);
  const rest = data.rows.filter((r) => r !== next);
  return (
    <Screen
      footer={
        next ? (
          <Action
            label={`Start with ${next.athlete.name}`}
            onPress={() => router.push(`/athletes/${next.athlete.id}/run`)}
            testID="start-lesson"
          />
        ) : undefined
      }
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', gap: SPACE.s }}>
        <Text variant="headlineSmall" role="heading" aria-level={1} style={{ flexShrink: 1 }}>
          {longDay(data.today)}
        </Text>
        <Action kind="quiet" label="Run a group" onPress={() => router.push('/group-run')} testID="run-group" />
      </View>
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.xl }}>
          <Section title="Next lesson">
            {next ? (
              <>
                <Lesson row={next} />
                {next.athlete.locked ? <Caution>Throwing is locked: legs only, until it is cleared.</Caution> : null}
              </>
            ) : (
              <Blank
                title={data.rows.length > 0 ? 'All of today’s work is done' : 'No lesson is planned for today'}
                action={<Action kind="quiet" label="Open the athletes" onPress={() => router.push('/athletes')} />}
              >
                Work is planned on an athlete’s page, under Plan.
              </Blank>
            )}
          </Section>
          <CampsNow today={data.today} />
          <LinkRow onPress={() => router.push('/week')} testID="open-week">
            <Text variant="bodyMedium">The week</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              Who moved, who is stuck, who was not seen; by group
            </Text>
          </LinkRow>
          <LinkRow onPress={() => router.push('/hand-outs')} testID="open-hand-outs">
            <Text variant="bodyMedium">Handed out</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              Drills or plans for here or home: who has seen and done them
            </Text>
          </LinkRow>
          {rest.length > 0 ? (
            <Section title="Later today" note={`${rest.length}`}>
              {(allLater ? rest : rest.slice(0, LATER_SHOWN)).map((row) => (
                <Lesson key={row.assignment.id} row={row} />
              ))}
              {!allLater && rest.length > LATER_SHOWN ? (
                <Action kind="plain" label={`Show all ${rest.length}`} onPress={() => setAllLater(true)} testID="all-later" />
              ) : null}
            </Section>
          ) : null}
          {tomorrow.length > 0 ? (
            <Section title="Tomorrow" note={`${tomorrow.length}`}>
              <Text variant="bodyMedium" style={{ color: palette.soft }} testID="tomorrow">
                {tomorrow.map((a) => a.name).join(', ')}
              </Text>
            </Section>
          ) : null}
        </View>
        <Section title="Needs you" note={data.more.length > 0 ? 'the first of each kind; the roster’s filter has all' : ''}>
          {data.needs.length === 0 ? <Text style={{ color: palette.soft }}>Nothing waits for you.</Text> : null}
          {data.needs.slice(0, 30).map((need, i) => (
            <LinkRow
              key={`${need.athlete}-${i}`}
              onPress={() => router.push(`/athletes/${need.athlete}${ON_NUMBERS.has(need.kind) ? '/numbers' : ''}`)}
            >
              <Text variant="bodyMedium">
                <Text style={{ fontWeight: '600' }}>{need.name}</Text>
                <Text
                  style={{ color: need.kind === 'pain' || need.kind === 'relapsed' ? palette.clay : palette.soft }}
                >{`  ${NEED_WORDS[need.kind]}`}</Text>
              </Text>
              <Text variant="bodySmall" style={{ color: palette.soft }}>
                {need.text}
              </Text>
            </LinkRow>
          ))}
        </Section>
      </Panes>
    </Screen>
  );
}
