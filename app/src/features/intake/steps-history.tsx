import type { IntakeRecord } from '@wrightonic/contract';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Caution, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE } from '../../ui/theme';
import { setIntake } from './step';
import type { StepProps } from './step';
import { Field } from '../../ui/Field';

export function History(props: StepProps) {
  const { history } = props.form.intake;
  const set = (part: Partial<IntakeRecord['history']>) => setIntake(props, { history: { ...history, ...part } });
  const ask = (key: 'armPain' | 'elbowSurgery' | 'timeAway', question: string) => (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodyMedium">{question}</Text>
      <Row>
        <Choice wide label="Yes" chosen={history[key]} onPress={() => set({ [key]: true })} testID={`${key}-yes`} />
        <Choice wide label="No" chosen={!history[key]} onPress={() => set({ [key]: false })} testID={`${key}-no`} />
      </Row>
    </View>
  );
  return (
    <>
      {ask('armPain', 'Has the arm hurt from throwing before?')}
      {ask('elbowSurgery', 'Was the elbow operated on?')}
      {ask('timeAway', 'Has there been a long time away from throwing?')}
      <Field
        label="Other surgery or injuries, as told"
        value={history.otherSurgery}
        onChangeText={(otherSurgery) => set({ otherSurgery })}
        multiline
      />
      <Field
        label="A clinician’s limits, word for word"
        value={history.clinicianLimits}
        onChangeText={(clinicianLimits) => set({ clinicianLimits })}
        multiline
        testID="clinician-limits"
      />
      <View style={{ gap: SPACE.xs }}>
        <Text variant="bodyMedium">Months without pitching in games, of the last twelve?</Text>
        <Row>
          {[0, 1, 2, 3, 4, 5, 6].map((months) => (
            <Choice
              key={months}
              label={months === 6 ? '6+' : String(months)}
              chosen={history.monthsOff === months}
              onPress={() => set({ monthsOff: history.monthsOff === months ? null : months })}
            />
          ))}
        </Row>
        {history.monthsOff !== null && history.monthsOff < 4 ? (
          <Caution>
            About four months a year off competitive pitching are advised at 18 and under, two or three of them in a row without
            overhand throwing.
          </Caution>
        ) : null}
      </View>
    </>
  );
}
