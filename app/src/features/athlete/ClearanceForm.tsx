import type { Me } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { clockIn } from '../../state/clock';
import { newId } from '../../state/ids';
import { Action, Caution } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

const whole = (text: string): number | undefined => (/^\d+$/.test(text.trim()) ? Number(text) : undefined);

/** A licensed clinician's clearance, as the signed-in adult records it. Nothing is judged here. */
function Form({ athlete, me, onDone }: { readonly athlete: string; readonly me: Me; readonly onDone: () => void }) {
  const palette = usePalette();
  const [put, { isLoading, error }] = api.usePutClearanceMutation();
  const [id] = useState(newId);
  const [by, setBy] = useState('');
  const [date, setDate] = useState<string>(me.academy.today);
  const [at, setAt] = useState(() => clockIn(me.academy.timeZone));
  const [limits, setLimits] = useState('');
  const [until, setUntil] = useState('');
  const [mostThrows, setMostThrows] = useState('');
  const [highestEffort, setHighestEffort] = useState('');
  const save = async () => {
    const numbers = { mostThrows: whole(mostThrows), highestEffort: whole(highestEffort) };
    const body = {
      date,
      by,
      ...(at.trim() ? { at: at.trim() } : {}),
      ...(limits ? { limits } : {}),
      ...(until ? { until } : {}),
      ...(numbers.mostThrows === undefined ? {} : { mostThrows: numbers.mostThrows }),
      ...(numbers.highestEffort === undefined ? {} : { highestEffort: numbers.highestEffort }),
    };
    const answer = await put({ athlete, id, body });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`Recorded under your name, ${me.name}. Type the clinician’s limits as they were given; the numbers are kept to, the words are shown.`}
      </Text>
      <TextInput mode="outlined" label="Clinician’s name" value={by} onChangeText={setBy} testID="clearance-by" />
      <Row style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
        <View style={{ flex: 2 }}>
          <DateField label="Given on" value={date} onChange={setDate} testID="clearance-date" />
        </View>
        <TextInput
          mode="outlined"
          label="at"
          value={at}
          onChangeText={setAt}
          placeholder="14:05"
          style={{ flex: 1, minWidth: 84 }}
          testID="clearance-at"
        />
      </Row>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        What was reported before this time is cleared; what is reported after it locks again.
      </Text>
      <TextInput
        mode="outlined"
        label="Limits, word for word"
        value={limits}
        onChangeText={setLimits}
        multiline
        testID="clearance-limits"
      />
      <Row style={{ flexWrap: 'nowrap' }}>
        <TextInput
          mode="outlined"
          label="Most throws a day"
          value={mostThrows}
          onChangeText={setMostThrows}
          inputMode="numeric"
          style={{ flex: 1, minWidth: 0 }}
          testID="clearance-throws"
        />
        <TextInput
          mode="outlined"
          label="Highest effort, %"
          value={highestEffort}
          onChangeText={setHighestEffort}
          inputMode="numeric"
          style={{ flex: 1, minWidth: 0 }}
          testID="clearance-effort"
        />
      </Row>
      <DateField label="Last day on which it holds (may stay empty)" value={until} onChange={setUntil} testID="clearance-until" />
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          label="Record the clearance"
          onPress={() => void save()}
          busy={isLoading}
          disabled={!by.trim() || !date}
          testID="save-clearance"
        />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}

export function ClearanceForm({ athlete, onDone }: { readonly athlete: string; readonly onDone: () => void }) {
  const { data: me } = api.useMeQuery();
  return me ? <Form athlete={athlete} me={me} onDone={onDone} /> : null;
}
