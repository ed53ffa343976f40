import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { may, mayAtAge } from '@wrightonic/contract';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Caution, Figure, Loading } from '../../ui/controls';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { useWordsFor } from '../../ui/use-words';
import { longDay, weekDay } from '../../ui/words';
import { OutingForm } from '../../parts/OutingForm';
import { ClearanceForm } from '../../parts/ClearanceForm';
import { ClearanceLine } from '../../parts/ClearanceLine';
import { LeadDrill } from '../../parts/LeadDrill';
import { SessionItems } from '../../parts/SessionItems';
import { ChildChoice } from '../../parts/ChildChoice';
import { CampToday } from './CampToday';
import { DayCalendar } from './DayCalendar';
import { useVocabulary } from '../../ui/vocabulary';

/** At home with a net: what, how many, one cue, and whether the arm may throw. */
export function MyDayScreen({ id }: { readonly id: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const [form, setForm] = useState<'outing' | 'clearance' | null>(null);
  const { data, error, isLoading } = api.useAthleteQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const { data: plan } = api.usePlanQuery({ athlete: id });
  const [saw] = api.useSawWorkMutation();
  const shown = data !== undefined && (data.today !== null || data.next !== null);
  useEffect(() => {
    if (shown) void saw({ athlete: id });
  }, [shown, id, saw]);
  const inWords = useWordsFor(data?.age ?? 99);
  if (isLoading || !me) return <Loading />;
  if (!data)
    return (
      <Screen>
        <Caution>{problemOf(error).detail}</Caution>
      </Screen>
    );
  const { today, workload, athlete } = data;
  const focus = data.foci[0];
  const done = new Set(data.timeline.filter((line) => line.kind === 'session').map((line) => line.on));
  const planned = new Set(plan?.assigned ? plan.plan.sessions.map((session) => session.date) : []);
  return (
    <Screen
      width={760}
      footer={
        today && !today.done ? <Action label="Start" onPress={() => router.push('/my-run')} testID="start-work" /> : undefined
      }
    >
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          {longDay(me.academy.today)}
        </Text>
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          {athlete.name}
        </Text>
      </View>
      <ChildChoice />
      {workload.today.locked ? (
        <Caution testID="locked">{`${workload.today.locked.reason} Tell your coach${data.minor ? ' and a parent or guardian' : ''}.`}</Caution>
      ) : null}
      <CampToday id={id} me={me} />
      <ClearanceLine clearance={data.clearance} today={workload.today} />
      {focus ? (
        <Section title="What we are working on">
          <Text variant="titleMedium">{inWords(say.forAthlete(focus.finding))}</Text>
        </Section>
      ) : null}
      <Panes weights={[3, 2]}>
        <Section title="Today" note={today ? (today.done ? 'done' : `${today.session.minutes} min`) : undefined}>
          {(today?.notes ?? []).map((note, i) => (
            <Text key={i} variant="bodyMedium" testID="work-note">{`“${note}”`}</Text>
          ))}
          {today && !today.done ? (
            <LeadDrill
              session={today.session}
              discipline={athlete.discipline}
              throws={athlete.throws}
              heightM={athlete.heightM}
              age={data.age}
            />
          ) : null}
          {today ? (
            <SessionItems
              told="athlete"
              session={today.session}
              discipline={athlete.discipline}
              throws={athlete.throws}
              age={data.age}
            />
          ) : (
            <Blank title="A day off">
              {data.next ? `Next work: ${weekDay(data.next.on)}.` : 'Your coach has not planned anything yet.'}
            </Blank>
          )}
        </Section>
        <View style={{ gap: SPACE.xl }}>
          <DayCalendar today={me.academy.today} done={done} planned={planned} />
          <Section title="Arm">
            <Row style={{ gap: SPACE.xl }}>
              <Figure
                value={String(workload.today.throwsLeft)}
                label="throws left today"
                tone={workload.today.throwsLeft === 0 ? 'clay' : undefined}
              />
              <Figure value={String(workload.week.throws)} label="in seven days" />
            </Row>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              Anything that hurts is reported before the first throw.
            </Text>
            {form === 'outing' ? <OutingForm athlete={id} onDone={() => setForm(null)} /> : null}
            {form === 'clearance' ? <ClearanceForm athlete={id} onDone={() => setForm(null)} /> : null}
            {form === null ? (
              <Row>
                <Action kind="quiet" label="Add a game or outside throws" onPress={() => setForm('outing')} testID="add-outing" />
                {workload.today.locked?.until === 'clearance' && mayAtAge(me.role, 'recordClearance', data.age) ? (
                  <Action
                    kind="quiet"
                    label="Record a clearance"
                    onPress={() => setForm('clearance')}
                    testID="record-clearance"
                  />
                ) : null}
                {may(me.role, 'giveConsent') ? (
                  <Action
                    kind="plain"
                    label="Contacts and consent"
                    onPress={() => router.push(`/athletes/${id}/family`)}
                    testID="open-family"
                  />
                ) : null}
              </Row>
            ) : null}
          </Section>
        </View>
      </Panes>
    </Screen>
  );
}
