import type { ImportLook, RosterImport } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { newId } from '../../data/ids';
import { Action, Caution } from '../../ui/controls';
import { pickFile } from '../../ui/files';
import { Panes, Screen, Section } from '../../ui/layout';
import { SPACE } from '../../ui/theme';
import { Choices } from './ImportChoices';
import { Preview } from './ImportPreview';
import { Past } from './PastImport';

/** A list of athletes from elsewhere: looked at first, then brought in, and taken back whole. */
export function ImportScreen() {
  const [lookAt, looking] = api.useLookAtImportMutation();
  const [put, putting] = api.usePutImportMutation();
  const { data: past = [] } = api.useImportsQuery();
  const [given, setGiven] = useState<RosterImport | null>(null);
  const [look, setLook] = useState<ImportLook | null>(null);
  const [id, setId] = useState(newId);
  const read = async (next: RosterImport) => {
    setGiven(next);
    const answer = await lookAt({ body: next });
    setLook(answer.data ?? null);
  };
  const choose = async () => {
    const file = await pickFile('.csv,.txt,.tsv,text/csv,text/plain');
    if (!file) return;
    setId(newId());
    await read({ fileName: file.name, file: file.base64 });
  };
  const bring = async () => {
    if (!given || !look) return;
    const answer = await put({ id, body: { ...given, choices: look.choices } });
    if (answer.data) {
      setLook(null);
      setGiven(null);
    }
  };
  const error = looking.error ?? putting.error;
  return (
    <Screen
      footer={
        look ? (
          <Action
            label={look.good.length === 0 ? 'No row can come in yet' : `Bring in ${look.good.length} athletes`}
            disabled={look.good.length === 0}
            busy={putting.isLoading || looking.isLoading}
            onPress={() => void bring()}
            testID="bring-in"
          />
        ) : (
          <Action label="Choose a file" onPress={() => void choose()} busy={looking.isLoading} testID="choose-file" />
        )
      }
    >
      <View style={{ gap: SPACE.xs }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Bring in a list
        </Text>
        <Text variant="bodyMedium">
          A table saved as CSV: the headings first, then one athlete a line. Nothing is kept before you have seen what comes in.
        </Text>
      </View>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      {putting.isSuccess && !look ? (
        <Text variant="bodyMedium" role="status" testID="import-done">
          {`${putting.data.good.length} athletes came in. They can be taken back below.`}
        </Text>
      ) : null}
      {look && given ? (
        <Panes weights={[3, 2]}>
          <Section title="What would come in">
            <Preview look={look} />
          </Section>
          <Section title="Which column is what">
            <Choices look={look} onChange={(choices) => void read({ ...given, choices })} />
            <Action kind="plain" label="Another file" onPress={() => void choose()} />
          </Section>
        </Panes>
      ) : null}
      <Section title="Lists brought in">
        {past.length === 0 ? <Text variant="bodySmall">None so far.</Text> : null}
        {past.map((row) => (
          <Past key={row.id} row={row} />
        ))}
      </Section>
    </Screen>
  );
}
