import type { Me } from '@wrightonic/contract';
import { bodyTestById, measureById, settableNumbers, SIGNS, signId } from '@wrightonic/core';
import type { GateSettings, SettableNumber, TestId, Vocabulary } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { Choice } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE } from '../../ui/theme';
import { NumberRow } from './NumberRow';
import { isOwn } from './own-numbers';
import { SaveNumbers } from './SaveNumbers';
import { useVocabulary } from '../../ui/vocabulary';

const GATE_WORDS: Record<keyof GateSettings, string> = {
  advanceRate: 'Success rate that advances',
  regressRate: 'Success rate that steps back',
  confidence: 'How sure either must be',
  minimumReps: 'Fewest reps',
  minimumSessions: 'Fewest sessions',
  sessionsCounted: 'Sessions counted',
  cheatShare: 'Share of one cheat that holds',
  aidFree: 'The newest session must be without an aid (1 yes, 0 no)',
  firstFiveGood: 'Good ones wanted among its first five reps',
  seenFromRung: 'From this rung on a coach or a clip must have seen one (9 for none)',
  aloneWeight: 'What a rep counts that was logged alone',
};
const SIGN_BY_ID = new Map(SIGNS.map((sign) => [signId(sign), sign]));

function wordsFor({ group, key, part }: SettableNumber, say: Vocabulary): { name: string; unit: string } {
  if (group === 'tests') {
    const test = bodyTestById(key as TestId);
    return { name: `${test.name}: ${part === 'pass' ? 'free from' : 'a limit below'}`, unit: test.unit };
  }
  if (group === 'gate') return { name: GATE_WORDS[key as keyof GateSettings], unit: '' };
  const sign = SIGN_BY_ID.get(key)!;
  const measure = measureById(sign.measure);
  return {
    name: `${measure.name}: ${sign.side === 'below' ? 'below' : sign.side === 'above' ? 'above' : 'outside from'}, it speaks for “${say.title(sign.finding).toLowerCase()}”`,
    unit: measure.unit,
  };
}

/** The numbers of the causal model stand with the findings. */
type Group = Exclude<SettableNumber['group'], 'model'>;
const GROUPS: Record<Group, string> = {
  tests: 'Body tests',
  signs: 'Measured signs',
  gate: 'The gate',
};

function Form({ me }: { readonly me: Me }) {
  const say = useVocabulary();
  const [numbers, setNumbers] = useState(me.academy.numbers);
  const [group, setGroup] = useState<Group>('tests');
  const settings = settableNumbers().filter((n) => n.group === group);
  const changed = settableNumbers().filter((n) => n.group in GROUPS && isOwn(numbers, n)).length;
  return (
    <Screen width={860} footer={<SaveNumbers me={me} numbers={numbers} />}>
      <View style={{ gap: SPACE.s }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Bands and thresholds
        </Text>
        <Text variant="bodyMedium">
          {`Each is a starting value with where it comes from. ${changed === 0 ? 'All are as they came.' : `${changed} ${changed === 1 ? 'is' : 'are'} your own.`} A change counts at once in every diagnosis and verdict.`}
        </Text>
        <Row>
          {(Object.keys(GROUPS) as Group[]).map((g) => (
            <Choice key={g} label={GROUPS[g]} chosen={group === g} onPress={() => setGroup(g)} />
          ))}
        </Row>
      </View>
      <Section title={GROUPS[group]}>
        {settings.map((setting) => (
          <NumberRow
            key={`${setting.key}-${setting.part}`}
            setting={setting}
            {...wordsFor(setting, say)}
            numbers={numbers}
            onChange={setNumbers}
          />
        ))}
      </Section>
    </Screen>
  );
}

/** Every threshold that an academy may set, with the way back. */
export function BandsScreen() {
  const { data: me } = api.useMeQuery();
  return me ? <Form key={me.id} me={me} /> : null;
}
