import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { newId } from '../../state/ids';
import { Action, Caution } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Row } from '../../ui/layout';
import { SPACE } from '../../ui/theme';

const whole = (text: string): number => (text.trim() === '' ? 0 : Number(text));

/** Throwing done elsewhere: it counts in rest and budget. */
export function OutingForm({ athlete, onDone }: { readonly athlete: string; readonly onDone: () => void }) {
  const { data: me } = api.useMeQuery();
  const [put, { isLoading, error }] = api.usePutOutingMutation();
  const [id] = useState(newId);
  const [on, setOn] = useState<string>(me?.academy.today ?? '');
  const [pitches, setPitches] = useState('');
  const [throws, setThrows] = useState('');
  const [innings, setInnings] = useState('');
  const save = async () => {
    const body = {
      on,
      pitches: whole(pitches),
      throws: Math.max(whole(throws), whole(pitches)),
      highEffort: 0,
      innings: Number(innings) || 0,
    };
    const answer = await put({ athlete, id, body });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <DateField label="Day" value={on} onChange={setOn} />
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
          testID="outing-throws"
        />
        <TextInput
          mode="outlined"
          label="Innings"
          value={innings}
          onChangeText={setInnings}
          inputMode="decimal"
          style={{ flex: 1, maxWidth: 110 }}
        />
      </Row>
      <Text variant="bodySmall">Games, catching, other lessons: all throws at half effort and more.</Text>
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action label="Save it" onPress={() => void save()} busy={isLoading} disabled={!on} testID="save-outing" />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}
