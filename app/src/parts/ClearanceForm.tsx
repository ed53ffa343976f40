import type { Me } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../data/api';
import { clockIn } from '../data/clock';
import { newId } from '../data/ids';
import { Action, Caution } from '../ui/controls';
import { DateField } from '../ui/DateField';
import { Row } from '../ui/layout';
import { readWhole } from '../ui/read-number';
import { SPACE, usePalette } from '../ui/theme';
import { Field } from '../ui/Field';

interface LimitProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly testID: string;
}

/** One of the clearance's numbers; may stay empty. */
function LimitField({ label, value, onChange, testID }: LimitProps) {
  return (
    <Field
      label={label}
      value={value}
      onChangeText={onChange}
      error={readWhole(value.replace('%', '')) === null}
      inputMode="numeric"
      style={{ flex: 1, minWidth: 0 }}
      testID={testID}
    />
  );
}

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
  const [untilUnread, setUntilUnread] = useState(false);
  const [throws, effort] = [readWhole(mostThrows), readWhole(highestEffort.replace('%', ''))];
  const unread = throws === null || effort === null;
  const save = async () => {
    if (throws === null || effort === null) return;
    const body = {
      date,
      by,
      ...(at.trim() ? { at: at.trim() } : {}),
      ...(limits ? { limits } : {}),
      ...(until ? { until } : {}),
      ...(throws === undefined ? {} : { mostThrows: throws }),
      ...(effort === undefined ? {} : { highestEffort: effort }),
    };
    const answer = await put({ athlete, id, body });
    if (answer.data) onDone();
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`Recorded under your name, ${me.name}. Type the clinician’s limits as they were given; the numbers are kept to, the words are shown.`}
      </Text>
      <Field label="Clinician’s name" value={by} onChangeText={setBy} testID="clearance-by" />
      <Row style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
        <View style={{ flex: 2 }}>
          <DateField label="Given on" value={date} onChange={setDate} testID="clearance-date" />
        </View>
        <Field
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
      <Field label="Limits, word for word" value={limits} onChangeText={setLimits} multiline testID="clearance-limits" />
      <Row style={{ flexWrap: 'nowrap' }}>
        <LimitField label="Most throws a day" value={mostThrows} onChange={setMostThrows} testID="clearance-throws" />
        <LimitField label="Highest effort, %" value={highestEffort} onChange={setHighestEffort} testID="clearance-effort" />
      </Row>
      {unread ? (
        <Text variant="bodySmall" style={{ color: palette.clay }} testID="limits-unread">
          Write a whole number, such as 30, or leave it empty: what cannot be read cannot be kept to.
        </Text>
      ) : null}
      <DateField
        label="Last day on which it holds (may stay empty)"
        value={until}
        onChange={setUntil}
        onUnread={setUntilUnread}
        testID="clearance-until"
      />
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          label="Record the clearance"
          onPress={() => void save()}
          busy={isLoading}
          disabled={!by.trim() || !date || unread || untilUnread}
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
