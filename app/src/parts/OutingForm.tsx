import { OUTING_KINDS } from '@wrightonic/contract';
import type { OutingKind } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../data/api';
import { newId } from '../data/ids';
import { Action, Caution, Choice } from '../ui/controls';
import { DateField } from '../ui/DateField';
import { Row } from '../ui/layout';
import { readNumber, readWhole } from '../ui/read-number';
import { SPACE } from '../ui/theme';
import { Field } from '../ui/Field';

const KIND_NAMES: Record<OutingKind, string> = { game: 'Game', catch: 'Catch', lesson: 'Other lesson', other: 'Something else' };

const COUNT_NAMES = {
  pitches: 'Pitches in games',
  throws: 'All throws',
  innings: 'Innings',
  breakingPitches: 'Breaking pitches',
} as const;

function Count({
  label,
  value,
  wrong,
  onChange,
  testID,
}: {
  readonly label: string;
  readonly value: string;
  readonly wrong: boolean;
  readonly onChange: (text: string) => void;
  readonly testID: string;
}) {
  return (
    <Field
      label={label}
      value={value}
      onChangeText={onChange}
      error={wrong}
      inputMode="decimal"
      style={{ flex: 1, minWidth: 120 }}
      testID={testID}
    />
  );
}

/** Throwing done elsewhere: it counts in rest and budget. */
export function OutingForm({ athlete, onDone }: { readonly athlete: string; readonly onDone: () => void }) {
  const { data: me } = api.useMeQuery();
  const [put, { isLoading, error }] = api.usePutOutingMutation();
  const [id] = useState(newId);
  const [on, setOn] = useState<string>(me?.academy.today ?? '');
  const [pitches, setPitches] = useState('');
  const [throws, setThrows] = useState('');
  const [innings, setInnings] = useState('');
  const [kind, setKind] = useState<OutingKind>('game');
  const [caught, setCaught] = useState(false);
  const [breaking, setBreaking] = useState('');
  const game = kind === 'game';
  // Pitches and innings are asked of games alone; what was typed before another kind was chosen does not count.
  const counts = {
    pitches: game ? readWhole(pitches) : 0,
    throws: readWhole(throws),
    innings: game ? readNumber(innings) : 0,
    breakingPitches: readWhole(breaking),
  };
  const isWrong = (field: keyof typeof counts): boolean => counts[field] === null || (counts[field] ?? 0) < 0;
  const wrong = (Object.keys(COUNT_NAMES) as (keyof typeof counts)[]).filter(isWrong);
  const save = async () => {
    const pitched = counts.pitches ?? 0;
    const body = {
      on,
      pitches: pitched,
      throws: Math.max(counts.throws ?? 0, pitched),
      highEffort: 0,
      innings: counts.innings ?? 0,
      kind,
      caught,
      breakingPitches: counts.breakingPitches ?? 0,
    };
    const answer = await put({ athlete, id, body });
    if (answer.data) onDone();
  };
  const field = (of: keyof typeof counts) => ({
    label: COUNT_NAMES[of],
    wrong: isWrong(of),
    testID: `outing-${of === 'breakingPitches' ? 'breaking' : of}`,
  });
  return (
    <View style={{ gap: SPACE.s }}>
      <DateField label="Day" value={on} onChange={setOn} />
      <Row>
        {OUTING_KINDS.map((of) => (
          <Choice key={of} label={KIND_NAMES[of]} chosen={kind === of} onPress={() => setKind(of)} testID={`outing-${of}`} />
        ))}
      </Row>
      <Row>
        {game ? <Count {...field('pitches')} value={pitches} onChange={setPitches} /> : null}
        <Count {...field('throws')} value={throws} onChange={setThrows} />
        {game ? <Count {...field('innings')} value={innings} onChange={setInnings} /> : null}
        <Count {...field('breakingPitches')} value={breaking} onChange={setBreaking} />
      </Row>
      <Row>
        <Choice label="Caught that day, too" chosen={caught} onPress={() => setCaught(!caught)} testID="outing-caught" />
      </Row>
      <Text variant="bodySmall">Games, catching, other lessons: all throws at half effort and more.</Text>
      {wrong.length > 0 ? (
        <Caution testID="outing-unread">
          {`${wrong.map((of) => COUNT_NAMES[of]).join(', ')}: write a number, such as 40, or leave it empty. What cannot be read cannot be counted.`}
        </Caution>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
      <Row>
        <Action
          label="Save it"
          onPress={() => void save()}
          busy={isLoading}
          disabled={!on || wrong.length > 0}
          testID="save-outing"
        />
        <Action kind="plain" label="Leave it" onPress={onDone} />
      </Row>
    </View>
  );
}
