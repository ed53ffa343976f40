import type { CampRecord, Me, NamedId, NewCamp } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { PageProblem } from '../../parts/PageProblem';
import { Action, Caution, Loading } from '../../ui/controls';
import { Field } from '../../ui/Field';
import { Panes, Row, Screen, Section } from '../../ui/layout';
import { ComersPart } from './ComersPart';
import { DaysPart } from './DaysPart';
import { emptyCamp, formOf, lacks } from './form';
import { NumberField } from './NumberField';
import { StationsPart } from './StationsPart';

function Form({
  id,
  me,
  kept,
  coaches,
}: {
  readonly id: string;
  readonly me: Me;
  readonly kept: CampRecord | null;
  readonly coaches: readonly NamedId[];
}) {
  const router = useRouter();
  const [put, putting] = api.usePutCampMutation();
  const [drop, dropping] = api.useDropCampMutation();
  const [camp, setCamp] = useState<NewCamp>(() => (kept ? formOf(kept) : emptyCamp(me.academy.today)));
  const change = (to: Partial<NewCamp>) => setCamp({ ...camp, ...to });
  const missing = lacks(camp);
  const save = async () => {
    if ((await put({ id, body: { ...camp, name: camp.name.trim() } })).data) router.replace(`/camps/${id}`);
  };
  const leave = async () => {
    if (kept === null || (await drop({ id })).data) router.replace('/camps');
  };
  const error = putting.error ?? dropping.error;
  return (
    <Screen
      footer={
        <>
          {error ? (
            <Caution>
              {[
                problemOf(error).detail,
                ...problemOf(error)
                  .errors.slice(0, 3)
                  .map((e) => e.message),
              ]
                .filter((t, n, all) => all.indexOf(t) === n)
                .join(' ')}
            </Caution>
          ) : null}
          <Action
            label={missing ?? 'Keep the camp'}
            disabled={missing !== null}
            busy={putting.isLoading}
            onPress={() => void save()}
            testID="camp-save"
          />
        </>
      }
    >
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        {kept ? `Change ${kept.name}` : 'Build a camp'}
      </Text>
      {kept && kept.visits.length > 0 ? (
        <Text variant="bodyMedium">
          Places that still are there are kept. Make the schedule anew afterwards, or plan the rest anew once the camp runs.
        </Text>
      ) : null}
      <Panes>
        <>
          <Section title="What">
            <Field label="Name of the camp" value={camp.name} onChangeText={(name) => change({ name })} testID="camp-name" />
            <Field
              label="Place"
              value={camp.place ?? ''}
              onChangeText={(place) => change({ place: place === '' ? null : place })}
              testID="camp-place"
            />
            <NumberField
              label="Erase visitors after, days"
              value={camp.forgetAfterDays}
              onChange={(days) => days !== null && days > 0 && change({ forgetAfterDays: days })}
              testID="camp-forget"
            />
          </Section>
          <DaysPart days={camp.days} onChange={(days) => change({ days })} />
        </>
        <>
          <StationsPart stations={camp.stations} coaches={coaches} onChange={(stations) => change({ stations })} />
          <ComersPart
            camp={camp}
            known={(kept?.athletes ?? []).map(({ athlete, name }) => ({ id: athlete, name }))}
            onChange={setCamp}
          />
        </>
      </Panes>
      <Row>
        <Action
          kind="plain"
          label={kept ? 'Drop the camp' : 'Leave it'}
          busy={dropping.isLoading}
          onPress={() => void leave()}
          testID="camp-drop"
        />
      </Row>
    </Screen>
  );
}

/** In the address of a camp that is not there yet. */
const NEW = 'new';

/** Builds a camp, or changes one. */
export function BuildScreen({ id }: { readonly id: string }) {
  const isNew = id === NEW;
  const [made] = useState(newId);
  const { data: me } = api.useMeQuery();
  const { data: kept, error } = api.useCampQuery({ id }, { skip: isNew, refetchOnMountOrArgChange: true });
  const { data: people } = api.usePeopleQuery();
  if (error && !kept) return <PageProblem error={error} />;
  if (!me || !people || (!kept && !isNew)) return <Loading />;
  const coaches = people.people.filter((p) => p.role === 'owner' || p.role === 'instructor' || p.role === 'station');
  return (
    <Form
      id={isNew ? made : id}
      me={me}
      kept={kept ?? null}
      coaches={coaches.map(({ id: person, name }) => ({ id: person, name }))}
    />
  );
}
