import type { Me } from '@wrightonic/contract';
import { bodyTestById, findingById, measureById, settableNumbers, SIGNS, signId } from '@wrightonic/core';
import type { AcademyNumbers, GateSettings, SettableNumber, TestId } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api, problemOf } from '../../state/api';
import { peopleApi } from '../../state/people-api';
import { Action, Caution, Choice } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { settingsOf } from './SettingsScreen';

const GATE_WORDS: Record<keyof GateSettings, string> = {
  advanceRate: 'Success rate that advances',
  regressRate: 'Success rate that steps back',
  confidence: 'How sure either must be',
  minimumReps: 'Fewest reps',
  minimumSessions: 'Fewest sessions',
  sessionsCounted: 'Sessions counted',
  cheatShare: 'Share of one cheat that holds',
};
const SIGN_BY_ID = new Map(SIGNS.map((sign) => [signId(sign), sign]));

function wordsFor({ group, key, part }: SettableNumber): { name: string; unit: string } {
  if (group === 'tests') {
    const test = bodyTestById(key as TestId);
    return { name: `${test.name}: ${part === 'pass' ? 'free from' : 'a limit below'}`, unit: test.unit };
  }
  if (group === 'gate') return { name: GATE_WORDS[key as keyof GateSettings], unit: '' };
  const sign = SIGN_BY_ID.get(key)!;
  const measure = measureById(sign.measure);
  return {
    name: `${measure.name}: ${sign.side === 'below' ? 'below' : sign.side === 'above' ? 'above' : 'outside from'}, it speaks for “${findingById(sign.finding).title.toLowerCase()}”`,
    unit: measure.unit,
  };
}

function ownOf(numbers: AcademyNumbers, { group, key, part }: SettableNumber): number | undefined {
  if (group === 'tests') return numbers.tests?.[key as TestId]?.[part!];
  return group === 'signs' ? numbers.signs?.[key] : numbers.gate?.[key as keyof GateSettings];
}

/** The numbers with one of them set, or back to the standard. */
function withOwn(numbers: AcademyNumbers, setting: SettableNumber, value: number | undefined): AcademyNumbers {
  const { group, key, part } = setting;
  const { [key as never]: old, ...rest } = (numbers[group] ?? {}) as Record<string, unknown>;
  if (group !== 'tests') return { ...numbers, [group]: value === undefined ? rest : { ...rest, [key]: value } };
  const test = bodyTestById(key as TestId);
  const band = { pass: test.pass, watch: test.watch, ...(old as object | undefined), [part!]: value ?? test[part!] };
  const standard = band.pass === test.pass && band.watch === test.watch;
  return { ...numbers, tests: standard ? rest : { ...rest, [key]: band } };
}

function NumberRow({
  setting,
  numbers,
  onChange,
}: {
  readonly setting: SettableNumber;
  readonly numbers: AcademyNumbers;
  readonly onChange: (numbers: AcademyNumbers) => void;
}) {
  const palette = usePalette();
  const own = ownOf(numbers, setting);
  const changed = own !== undefined && own !== setting.standard;
  const [text, setText] = useState(String(own ?? setting.standard));
  const { name, unit } = wordsFor(setting);
  const set = (written: string) => {
    setText(written);
    const value = Number(written.replace(',', '.'));
    if (written.trim() !== '' && Number.isFinite(value)) onChange(withOwn(numbers, setting, value));
  };
  const back = () => {
    setText(String(setting.standard));
    onChange(withOwn(numbers, setting, undefined));
  };
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.s,
        borderBottomWidth: 1,
        borderColor: palette.line,
        minHeight: 58,
      }}
    >
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant="bodyMedium">{name}</Text>
        <Text variant="bodySmall" style={{ color: changed ? palette.brass : palette.soft }}>
          {changed ? `Yours; the standard is ${setting.standard} (${setting.provenance})` : `Standard (${setting.provenance})`}
        </Text>
      </View>
      {changed ? (
        <Action kind="plain" label="Standard" onPress={back} testID={`standard-${setting.key}-${setting.part ?? ''}`} />
      ) : null}
      <TextInput
        mode="outlined"
        dense
        aria-label={name}
        value={text}
        onChangeText={set}
        inputMode="decimal"
        style={{ width: 116 }}
        right={unit ? <TextInput.Affix text={unit} /> : undefined}
        testID={`number-${setting.key}-${setting.part ?? ''}`}
      />
    </View>
  );
}

const GROUPS: Record<SettableNumber['group'], string> = {
  tests: 'Body tests',
  signs: 'Measured signs',
  gate: 'The gate',
};

function Form({ me }: { readonly me: Me }) {
  const [save, { isLoading, error, isSuccess }] = peopleApi.useSaveSettingsMutation();
  const [numbers, setNumbers] = useState(me.academy.numbers);
  const [group, setGroup] = useState<SettableNumber['group']>('tests');
  const settings = settableNumbers().filter((n) => n.group === group);
  const changed = settableNumbers().filter((n) => {
    const own = ownOf(numbers, n);
    return own !== undefined && own !== n.standard;
  }).length;
  return (
    <Screen
      width={860}
      footer={
        <>
          {error ? <Caution>{problemOf(error).detail}</Caution> : null}
          <Action
            label={isSuccess ? 'Saved. Save again' : 'Save the numbers'}
            onPress={() => void save({ ...settingsOf(me), numbers })}
            busy={isLoading}
            testID="save-numbers"
          />
        </>
      }
    >
      <View style={{ gap: SPACE.s }}>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Bands and thresholds
        </Text>
        <Text variant="bodyMedium">
          {`Each is a starting value with where it comes from. ${changed === 0 ? 'All are as they came.' : `${changed} ${changed === 1 ? 'is' : 'are'} your own.`} A change counts at once in every diagnosis and verdict.`}
        </Text>
        <Row>
          {(Object.keys(GROUPS) as SettableNumber['group'][]).map((g) => (
            <Choice key={g} label={GROUPS[g]} chosen={group === g} onPress={() => setGroup(g)} />
          ))}
        </Row>
      </View>
      <Section title={GROUPS[group]}>
        {settings.map((setting) => (
          <NumberRow key={`${setting.key}-${setting.part}`} setting={setting} numbers={numbers} onChange={setNumbers} />
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
