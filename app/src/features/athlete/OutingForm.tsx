import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';
import { Action, Caution } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE } from '../../ui/theme';

const whole = (text: string): number => (text.trim() === '' ? 0 : Number(text));

/** Throwing done elsewhere: it counts in rest and budget. */
export function OutingForm({ athlete, onDone }: { readonly athlete: string; readonly onDone: () => void }) {
  const { data: me } = api.useMeQuery();
  const [put, { isLoading, error }] = api.usePutOutingMutation();
  const [id] = useState(newId);
  const [on, setOn] = useState(me?.academy.today ?? '');
  const [pitches, setPitches] = useState('');
  const [throws, setThrows] = useState('');
  const save = async () => {
    const body = { on, pitches: whole(pitches), throws: Math.max(whole(throws), whole(pitches)), highEffort: 0, innings: 0 };
    const answer = await put({ athlete, id, body });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <TextInput mode="outlined" label="Day (YYYY-MM-DD)" value={on} onChangeText={setOn} />
      <Row>
        <TextInput
          mode="outlined"
          label="Pitches in games"
          value={pitches}
          onChangeText={setPitches}
          inputMode="numeric"
          style={{ flex: 1 }}
          testID="outing-pitches"
        />
        <TextInput
          mode="outlined"
          label="All throws"
          value={throws}
          onChangeText={setThrows}
          inputMode="numeric"
          style={{ flex: 1 }}
        />
      </Row>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action label="Save it" onPress={() => void save()} busy={isLoading} />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}
