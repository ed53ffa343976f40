import { ACADEMY_CSV, BUNDLE_KB, pathOf } from '@wrightonic/contract';
import type { BundleTaken } from '@wrightonic/contract';
import { useState } from 'react';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { useAppDispatch } from '../../data/store';
import { Action, Caution, Choice } from '../../ui/controls';
import { chooseFile, saveFrom } from '../../ui/files';
import { Row, Screen, Section } from '../../ui/layout';
import { usePalette } from '../../ui/theme';

/** Tables that a desk asks for most, before all the others. */
const OFTEN = ['athletes', 'reps', 'readings', 'observations', 'pain_reports', 'outings'] as const;

const nameOf = (table: string): string => table.replace(/_/g, ' ');

/** Everything out as files, and a bundle in. */
export function FilesScreen() {
  const palette = usePalette();
  const dispatch = useAppDispatch();
  const [clips, setClips] = useState(false);
  const [all, setAll] = useState(false);
  const [busy, setBusy] = useState(false);
  const [taken, setTaken] = useState<BundleTaken | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const takeIn = async () => {
    const file = await chooseFile('application/json,.json');
    if (!file) return;
    setTaken(null);
    if (file.size > BUNDLE_KB * 1024) {
      setProblem(`The file is larger than ${BUNDLE_KB / 1024} MB. Take it out without clips, or bring athletes in one by one.`);
      return;
    }
    setProblem(null);
    setBusy(true);
    try {
      const answer = await fetch(`/api${pathOf('takeBundle')}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: await file.arrayBuffer(),
      });
      const body: unknown = await answer.json();
      if (!answer.ok) setProblem(problemOf({ status: answer.status, data: body }).detail);
      else {
        setTaken(body as BundleTaken);
        dispatch(api.util.resetApiState());
      }
    } catch {
      setProblem('The server cannot be reached. Nothing was taken in; try again with a connection.');
    } finally {
      setBusy(false);
    }
  };
  const tables = all ? ACADEMY_CSV : OFTEN;
  return (
    <Screen width={720}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Files
      </Text>
      <Section title="The whole academy" note="one file that can be taken in again">
        <Text variant="bodyMedium">
          Every record in one JSON file, for keeping or for moving to another server. People go along by name and role, without
          what they sign in with.
        </Text>
        <Row>
          <Choice label="With the clips" chosen={clips} onPress={() => setClips(!clips)} testID="with-clips" />
          <Action
            kind="quiet"
            label="Save the bundle"
            onPress={() => saveFrom(`/api${pathOf('academyBundle')}?clips=${clips ? 'yes' : 'no'}`)}
            testID="save-bundle"
          />
        </Row>
      </Section>
      <Section title="Take a bundle in">
        <Text variant="bodyMedium">
          An academy’s bundle goes into one that has no athletes yet, an athlete’s into any. All of it is taken in, or nothing.
        </Text>
        <Row>
          <Action kind="quiet" label="Choose the file" busy={busy} onPress={() => void takeIn()} testID="take-bundle" />
        </Row>
        {problem ? <Caution testID="bundle-problem">{problem}</Caution> : null}
        {taken ? (
          <Text variant="bodyMedium" testID="bundle-taken">
            {`Taken in: ${taken.athletes.length === 1 ? taken.athletes[0]!.name : `${taken.athletes.length} athletes`}, ${taken.rows} rows, ${taken.files === 1 ? 'one clip' : `${taken.files} clips`}.`}
          </Text>
        ) : null}
      </Section>
      <Section title="Tables" note="CSV for a spreadsheet">
        <Row>
          {tables.map((table) => (
            <Action
              key={table}
              kind="plain"
              label={nameOf(table)}
              onPress={() => saveFrom(`/api${pathOf('academyCsv')}?table=${table}`)}
              testID={`csv-${table}`}
            />
          ))}
          {all ? null : (
            <Action kind="quiet" label={`All ${ACADEMY_CSV.length} tables`} onPress={() => setAll(true)} testID="all-tables" />
          )}
        </Row>
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          What each column holds stands in the program’s docs, under formats.
        </Text>
      </Section>
    </Screen>
  );
}
