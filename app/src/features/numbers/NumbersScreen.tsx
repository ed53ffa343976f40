import { may } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { LoadCalendar } from '../../ui/LoadCalendar';
import { LoadChart } from '../../ui/LoadChart';
import { Action, Caution, Loading } from '../../ui/controls';
import { Panes, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { CommandPart } from './CommandPart';
import { CoursePart } from './CoursePart';
import { MeasuresPart } from './MeasuresPart';
import { SpeedPart } from './SpeedPart';

/** End of the month: is it real, is it done, did the gate move, how much was thrown. */
export function NumbersScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data, error, isLoading } = api.useProgressQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  if (isLoading || !me) return <Loading />;
  if (!data)
    return (
      <Screen>
        <Caution>{problemOf(error).detail}</Caution>
      </Screen>
    );
  const { focus, week } = data;
  return (
    <Screen
      footer={
        <Action
          label="Then and now"
          onPress={() => router.push(may(me.role, 'seeRoster') ? `/athletes/${id}/sheet` : '/my-sheet')}
          testID="open-sheet"
        />
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Numbers
      </Text>
      <Panes weights={[3, 2]}>
        <View style={{ gap: SPACE.xl }}>
          <SpeedPart data={data} unit={me.academy.speedUnit} />
          {data.command ? <CommandPart command={data.command} speedUnit={me.academy.speedUnit} /> : null}
          <MeasuresPart data={data} />
        </View>
        <View style={{ gap: SPACE.xl }}>
          {focus.length === 0 ? (
            <Section title="Focus">
              <Text style={{ color: palette.soft }}>No focus is being worked on.</Text>
            </Section>
          ) : null}
          {focus.map((f) => (
            <CoursePart key={f.focus.id} athlete={id} part={f} soFar={data.easedSoFar ?? null} role={me.role} />
          ))}
          <Section title="Load">
            <LoadChart weeks={week} sentence={`${week[week.length - 1]!.throws} throws in the last seven days`} />
            {data.calendar ? (
              <>
                <LoadCalendar weeks={data.calendar} today={me.academy.today} />
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  Throws of each day. Filled: a game. Strong frame: hard, or a game to come. Dotted: no game, the last one asks
                  for rest. Crossed out: throwing was locked. Corner: the arm hurt.
                </Text>
              </>
            ) : null}
          </Section>
        </View>
      </Panes>
    </Screen>
  );
}
