import { may, pathOf } from '@wrightonic/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Blank, Caution, Loading } from '../../ui/controls';
import { download, saveFrom } from '../../ui/files';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { Field } from '../../ui/Field';

function Erase({ id, name }: { readonly id: string; readonly name: string }) {
  const router = useRouter();
  const { data: preview, error } = api.useErasePreviewQuery({ athlete: id }, { refetchOnMountOrArgChange: true });
  const [erase, erasing] = api.useEraseAthleteMutation();
  const [typed, setTyped] = useState('');
  const go = async () => {
    const answer = await erase({ athlete: id, body: { name: typed } });
    if (!answer.error) router.replace('/athletes');
  };
  if (error) return <Caution>{problemOf(error).detail}</Caution>;
  if (!preview) return <Loading />;
  return (
    <View style={{ gap: SPACE.m }}>
      <Caution testID="erase-what">
        {`Gone for good, with no way back: ${preview.rows.map((r) => `${r.what} ${r.count}`).join(', ') || 'the record itself'}${
          preview.signIns.length > 0 ? `, and the sign-ins ${preview.signIns.join(', ')}` : ''
        }. To keep a copy, export first.`}
      </Caution>
      <Field label={`Type “${name}” to erase`} value={typed} onChangeText={setTyped} testID="erase-name" />
      {erasing.error ? <Caution>{problemOf(erasing.error).detail}</Caution> : null}
      <Action
        label={`Erase ${name} for good`}
        disabled={typed.trim().toLowerCase() !== name.toLowerCase()}
        busy={erasing.isLoading}
        onPress={() => void go()}
        testID="erase"
      />
    </View>
  );
}

/** What becomes of an athlete's record: taken out, put away, erased. */
export function RecordScreen({ id }: { readonly id: string }) {
  const palette = usePalette();
  const router = useRouter();
  const { data: me } = api.useMeQuery();
  const { data, error } = api.useAthleteQuery({ athlete: id });
  const [takeOut, taking] = api.useLazyExportAthleteQuery();
  const [archive, archiving] = api.useArchiveMutation();
  const [erasing, setErasing] = useState(false);
  if (error)
    return (
      <Screen width={640}>
        <Blank title={problemOf(error).title}>{problemOf(error).detail}</Blank>
      </Screen>
    );
  if (!me || !data) return <Loading />;
  const { name } = data.athlete;
  const save = async () => {
    const answer = await takeOut({ athlete: id });
    if (answer.data)
      download(
        `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.json`,
        'application/json',
        JSON.stringify(answer.data, null, 2),
      );
  };
  const problem = taking.error ?? archiving.error;
  return (
    <Screen width={640}>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          The record
        </Text>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          {name}
        </Text>
      </View>
      {problem ? <Caution>{problemOf(problem).detail}</Caution> : null}
      <Section title="Take everything out">
        <Text variant="bodyMedium">
          {may(me.role, 'takeBundles')
            ? 'One file with all that is kept about this athlete; the bundle can be taken in by another academy, clips and all.'
            : 'One file with all that is kept about this athlete, table by table.'}
        </Text>
        <Row>
          <Action kind="quiet" label="Save the file" onPress={() => void save()} busy={taking.isLoading} testID="export" />
          {may(me.role, 'takeBundles') ? (
            <Action
              kind="quiet"
              label="Save the bundle"
              onPress={() => saveFrom(`/api${pathOf('athleteBundle', { athlete: id })}?clips=yes`)}
              testID="athlete-bundle"
            />
          ) : null}
          {may(me.role, 'seeAudit') ? (
            <Action kind="plain" label="Who did what" onPress={() => router.push(`/desk/audit?athlete=${id}`)} />
          ) : null}
        </Row>
      </Section>
      {may(me.role, 'changeAthlete') ? (
        <Section title={data.archived ? 'Bring back' : 'Put away'}>
          <Text variant="bodyMedium">
            {data.archived
              ? 'The athlete is put away: not on the roster, nothing lost.'
              : 'Takes the athlete off the roster and out of today. Nothing is lost, and it can be undone.'}
          </Text>
          <Row>
            <Action
              kind="quiet"
              label={data.archived ? 'Bring back to the roster' : 'Put away'}
              busy={archiving.isLoading}
              onPress={() => void archive({ athlete: id, body: { archived: !data.archived } })}
              testID="archive"
            />
          </Row>
        </Section>
      ) : null}
      {may(me.role, 'eraseAthlete') ? (
        <Section title="Erase">
          {erasing ? (
            <Erase id={id} name={name} />
          ) : (
            <Row>
              <Action kind="quiet" label="See what erasing removes" onPress={() => setErasing(true)} testID="erase-look" />
            </Row>
          )}
        </Section>
      ) : null}
    </Screen>
  );
}
