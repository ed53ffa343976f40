import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';
import { Action, Caution } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

/** A licensed clinician's clearance, as the signed-in adult records it. Nothing is judged here. */
export function ClearanceForm({ athlete, onDone }: { readonly athlete: string; readonly onDone: () => void }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const [put, { isLoading, error }] = api.usePutClearanceMutation();
  const [id] = useState(newId);
  const [by, setBy] = useState('');
  const [limits, setLimits] = useState('');
  const [until, setUntil] = useState('');
  const save = async () => {
    const body = { date: me?.academy.today ?? '', by, ...(limits ? { limits } : {}), ...(until ? { until } : {}) };
    const answer = await put({ athlete, id, body });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`Recorded under your name, ${me?.name ?? ''}. Type the clinician’s limits as they were given.`}
      </Text>
      <TextInput mode="outlined" label="Clinician’s name" value={by} onChangeText={setBy} testID="clearance-by" />
      <TextInput
        mode="outlined"
        label="Limits, word for word"
        value={limits}
        onChangeText={setLimits}
        multiline
        testID="clearance-limits"
      />
      <DateField label="Last day on which it holds (may stay empty)" value={until} onChange={setUntil} testID="clearance-until" />
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          label="Record the clearance"
          onPress={() => void save()}
          busy={isLoading}
          disabled={!by.trim()}
          testID="save-clearance"
        />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}
