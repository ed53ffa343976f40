import type { IntakeRecord } from '@wrightonic/contract';
import { ageOn } from '@wrightonic/core';
import { View } from 'react-native';

import { api } from '../../data/api';
import { Consents } from '../../parts/Consents';
import { Action, Caution } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE } from '../../ui/theme';
import { setIntake } from './step';
import type { StepProps } from './step';
import { Field } from '../../ui/Field';

export function Family(props: StepProps) {
  const { id, form } = props;
  const { data: me } = api.useMeQuery();
  const { guardians } = form.intake;
  const minor = Boolean(me && form.who.birthDate && ageOn(form.who.birthDate, me.academy.today) < 18);
  const set = (i: number, part: Partial<IntakeRecord['guardians'][number]>) =>
    setIntake(props, { guardians: guardians.map((g, j) => (i === j ? { ...g, ...part } : g)) });
  return (
    <>
      {minor && guardians.every((g) => !g.contact.trim()) ? (
        <Caution>Under 18: write down at least one guardian who can be reached.</Caution>
      ) : null}
      {guardians.map((guardian, i) => (
        <View key={i} style={{ gap: SPACE.s }}>
          <Row style={{ flexWrap: 'nowrap' }}>
            <Field
              label="Guardian’s name"
              value={guardian.name}
              onChangeText={(name) => set(i, { name })}
              style={{ flex: 3, minWidth: 0 }}
              testID={`guardian-name-${i}`}
            />
            <Field
              label="Who they are"
              value={guardian.relation}
              onChangeText={(relation) => set(i, { relation })}
              style={{ flex: 2, minWidth: 0 }}
            />
          </Row>
          <Row style={{ flexWrap: 'nowrap' }}>
            <Field
              label="Phone or e-mail"
              value={guardian.contact}
              onChangeText={(contact) => set(i, { contact })}
              style={{ flex: 1, minWidth: 0 }}
              testID={`guardian-contact-${i}`}
            />
            <Action
              kind="plain"
              label="Remove"
              onPress={() => setIntake(props, { guardians: guardians.filter((_, j) => j !== i) })}
            />
          </Row>
        </View>
      ))}
      <Row>
        <Action
          kind="quiet"
          label={guardians.length === 0 ? 'Add a guardian' : 'Add another'}
          onPress={() => setIntake(props, { guardians: [...guardians, { name: '', relation: '', contact: '' }] })}
          testID="add-guardian"
        />
      </Row>
      <Section title="Consent">
        <Consents id={id} athleteName={form.who.name} />
      </Section>
    </>
  );
}
