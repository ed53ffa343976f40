import { pathOf } from '@wrightonic/contract';
import type { CampRecord, Me } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { useLibrary } from '../../data/use-library';
import { PageProblem } from '../../parts/PageProblem';
import { Action, Blank, Caution, Choice, Figure, Loading } from '../../ui/controls';
import { saveFrom } from '../../ui/files';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';
import { focusVisits } from '../../parts/camp-board';
import { Grid } from './Grid';
import { useCampNow } from '../../parts/use-camp-now';
import { mayRun, useCamp } from './use-camp';
import { daysText, STATE_WORDS } from './words';

/** What a schedule comes to: how near it is to the best there could be. */
function Worth({ camp }: { readonly camp: CampRecord }) {
  const { drill: look } = useLibrary();
  if (camp.worth === null) return null;
  const { score, bound } = camp.worth;
  const gap = bound > 0 ? Math.max(0, (bound - score) / bound) : 0;
  const { atDrills, forFocus } = focusVisits(camp, (drill) => look(drill).treats.map((t) => t.finding));
  return (
    <Row style={{ gap: SPACE.xl }}>
      <Figure value={`${forFocus} of ${atDrills}`} label="drill visits for a focus" />
      <Figure value={`${(100 * gap).toFixed(1)} %`} label="at most below the best" />
    </Row>
  );
}

function Steps({ camp, me }: { readonly camp: CampRecord; readonly me: Me }) {
  const router = useRouter();
  const [schedule, scheduling] = api.useScheduleCampMutation();
  const [publish, publishing] = api.usePublishCampMutation();
  const { day, moment } = useCampNow(me, camp);
  const error = scheduling.error ?? publishing.error;
  const begun = camp.days[0]!.date < me.academy.today || (day !== null && moment?.state !== 'before');
  return (
    <>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {camp.visits.length === 0 || !begun ? (
        <Action
          kind={camp.visits.length === 0 ? 'main' : 'quiet'}
          label={camp.visits.length === 0 ? 'Make the schedule' : 'Make it anew'}
          busy={scheduling.isLoading}
          onPress={() => void schedule({ id: camp.id })}
          testID="camp-schedule"
        />
      ) : null}
      {camp.state === 'scheduled' ? (
        <Action
          label="Publish to the stations"
          busy={publishing.isLoading}
          onPress={() => void publish({ id: camp.id })}
          testID="camp-publish"
        />
      ) : null}
      {camp.state === 'published' && day !== null ? (
        <Action label="Open the board" onPress={() => router.push(`/camps/${camp.id}/board`)} testID="camp-board" />
      ) : null}
      {camp.state === 'over' ? (
        <Action label="Reports" onPress={() => router.push(`/camps/${camp.id}/reports`)} testID="camp-reports" />
      ) : null}
    </>
  );
}

function Papers({ camp }: { readonly camp: CampRecord }) {
  const save = (of: string) => () => saveFrom(`/api${pathOf('campPaper', { id: camp.id })}?of=${of}`);
  return (
    <Section title="On paper" note="PDF">
      <Row>
        <Action kind="plain" label="Run sheets of the stations" onPress={save('stations')} testID="paper-stations" />
        <Action kind="plain" label="Run sheets of the coaches" onPress={save('coaches')} testID="paper-coaches" />
        <Action kind="plain" label="Where each athlete goes" onPress={save('athletes')} testID="paper-athletes" />
        <Action kind="plain" label="Reports" onPress={save('reports')} testID="paper-reports" />
      </Row>
    </Section>
  );
}

/** One camp: what is to know, who is where when, and the next step. */
export function CampScreen({ id }: { readonly id: string }) {
  const { data: me } = api.useMeQuery();
  const { data: camp, error, isLoading } = useCamp(id);
  if (isLoading || !me) return <Loading />;
  return camp ? <Camp camp={camp} me={me} /> : <PageProblem error={error} />;
}

function Camp({ camp, me }: { readonly camp: CampRecord; readonly me: Me }) {
  const palette = usePalette();
  const router = useRouter();
  const [picked, setPicked] = useState<number | null>(null);
  const { day: today } = useCampNow(me, camp);
  const { id } = camp;
  const runs = mayRun(me);
  const day = Math.min(picked ?? today ?? 0, camp.days.length - 1);
  return (
    <Screen footer={runs ? <Steps camp={camp} me={me} /> : undefined}>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          {camp.name}
        </Text>
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          {[
            daysText(camp.days[0]!.date, camp.days.at(-1)!.date),
            ...(camp.place === null ? [] : [camp.place]),
            `${camp.athletes.length} athletes`,
            STATE_WORDS[camp.state],
          ].join(' · ')}
        </Text>
      </View>
      {camp.infeasible ? (
        <Caution testID="camp-infeasible">{`${camp.infeasible.reason} ${camp.infeasible.relax.join(' ')}`}</Caution>
      ) : null}
      {camp.broken.map((text) => (
        <Caution key={text} testID="camp-broken">{`${text} Plan the rest anew on the board.`}</Caution>
      ))}
      {runs ? (
        <Row>
          {camp.state === 'over' ? null : (
            <Action kind="quiet" label="Change it" onPress={() => router.push(`/camps/${id}/build`)} testID="camp-build" />
          )}
          {camp.state === 'over' || camp.athletes.length === 0 ? null : (
            <Action
              kind="plain"
              label="A first look at each"
              onPress={() => router.push(`/camps/${id}/look`)}
              testID="camp-look"
            />
          )}
          {camp.state === 'published' ? (
            <Action
              kind="plain"
              label="Reports so far"
              onPress={() => router.push(`/camps/${id}/reports`)}
              testID="camp-reports-now"
            />
          ) : null}
        </Row>
      ) : null}
      <Worth camp={camp} />
      {camp.cautions.length > 0 ? (
        <Section title="To know before">
          {camp.cautions.map((text) => (
            <Text key={text} variant="bodyMedium">
              {text}
            </Text>
          ))}
        </Section>
      ) : null}
      <Section title="Who is where">
        {camp.days.length > 1 ? (
          <Row>
            {camp.days.map((d, n) => (
              <Choice
                key={d.date}
                label={weekDay(d.date)}
                chosen={n === day}
                onPress={() => setPicked(n)}
                testID={`camp-day-${n}`}
              />
            ))}
          </Row>
        ) : null}
        {camp.visits.length === 0 ? (
          <Blank title="No schedule yet">
            {camp.athletes.length === 0 || camp.stations.length === 0
              ? 'Add stations and athletes first.'
              : 'Make the schedule; it takes some seconds.'}
          </Blank>
        ) : (
          <Grid camp={camp} day={day} />
        )}
      </Section>
      {runs && camp.visits.length > 0 ? <Papers camp={camp} /> : null}
    </Screen>
  );
}
