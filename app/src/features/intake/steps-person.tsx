import type { IntakeRecord } from '@wrightonic/contract';
import {
  ageOn,
  dailyPitchLimit,
  highEffortLimit,
  JUMP_NORMS,
  jumpNormsOf,
  LEVELS,
  practiceBudget,
  throwFreeDaysPerWeek,
} from '@wrightonic/core';
import { readHeight, readMass } from '@wrightonic/core';
import { View } from 'react-native';
import { Text, TextInput } from 'react-native-paper';
import { api } from '../../data/api';
import { Action, Caution, Choice } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { Consents } from '../../parts/Consents';
import { MASS_UNIT } from './form';
import type { IntakeForm } from './form';
import { setIntake } from './step';
import type { StepProps } from './step';
import { UNITS } from '../../ui/units';

/** What this age may throw, as soon as the age is known. */
function AgeLimits({ form }: { readonly form: IntakeForm }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { birthDate, discipline } = form.who;
  if (!me || !birthDate || !discipline) return null;
  const age = ageOn(birthDate, me.academy.today);
  if (age < 4 || age > 90) return <Caution>{`That makes ${age} years. Check the year.`}</Caution>;
  return (
    <Text variant="bodySmall" style={{ color: palette.soft }} testID="age-limits">
      {`${age} years old: at most ${practiceBudget(discipline, age)} practice throws a day, ${highEffortLimit(age)} of them hard, ${dailyPitchLimit(discipline, age)} pitches in games, and ${throwFreeDaysPerWeek(age)} throw-free ${throwFreeDaysPerWeek(age) === 1 ? 'day' : 'days'} a week. The league’s rule and clinicians come first.`}
    </Text>
  );
}

export function Who({ form, change }: StepProps) {
  const { who } = form;
  const set = (part: Partial<IntakeForm['who']>) => change({ who: { ...who, ...part } });
  return (
    <>
      <TextInput mode="outlined" label="Name" value={who.name} onChangeText={(name) => set({ name })} testID="new-name" />
      <DateField label="Born" value={who.birthDate} onChange={(birthDate) => set({ birthDate })} testID="new-born" />
      <Row>
        {(['overhand', 'windmill'] as const).map((d) => (
          <Choice
            key={d}
            wide
            label={d === 'overhand' ? 'Overhand' : 'Windmill'}
            chosen={who.discipline === d}
            onPress={() => set({ discipline: d })}
            testID={`new-${d}`}
          />
        ))}
      </Row>
      <Row>
        {(['R', 'L'] as const).map((hand) => (
          <Choice
            key={hand}
            wide
            label={hand === 'R' ? 'Throws right' : 'Throws left'}
            chosen={who.throws === hand}
            onPress={() => set({ throws: hand })}
            testID={`new-${hand}`}
          />
        ))}
      </Row>
      <AgeLimits form={form} />
    </>
  );
}

export function Size({ form, change }: StepProps) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const unit = me?.academy.lengthUnit ?? 'cm';
  const { size } = form;
  const set = (part: Partial<IntakeForm['size']>) => change({ size: { ...size, ...part } });
  const height = readHeight(size.height, unit);
  const mass = readMass(size.mass, MASS_UNIT[unit]);
  return (
    <>
      <Row style={{ flexWrap: 'nowrap' }}>
        <TextInput
          mode="outlined"
          label={unit === 'cm' ? 'Height, cm' : 'Height, 5\'10"'}
          value={size.height}
          onChangeText={(text) => set({ height: text })}
          inputMode={unit === 'cm' ? 'decimal' : 'text'}
          style={{ flex: 1, minWidth: 0 }}
          testID="new-height"
        />
        <TextInput
          mode="outlined"
          label={unit === 'cm' ? 'Weight, kg (or 154 lb)' : 'Weight, lb (or 70 kg)'}
          value={size.mass}
          onChangeText={(text) => set({ mass: text })}
          inputMode="decimal"
          style={{ flex: 1, minWidth: 0 }}
          testID="new-mass"
        />
      </Row>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {height === null && mass === null
          ? 'For scale on film, and for loads; never shown as a rank.'
          : `${height === null ? '' : `${UNITS[unit].height(height)}`}${height !== null && mass !== null ? ', ' : ''}${mass === null ? '' : `${UNITS[unit].mass(mass)}`}`}
      </Text>
      <Row>
        {LEVELS.map((level) => (
          <Choice
            key={level}
            label={level.replace('-', ' ')}
            chosen={size.level === level}
            onPress={() => set({ level })}
            testID={`new-${level}`}
          />
        ))}
      </Row>
      <Row>
        <Text variant="bodyMedium">Jumps are held against those of</Text>
        {JUMP_NORMS.map((norms) => (
          <Choice
            key={norms}
            label={norms}
            chosen={(size.jumpNorms ?? jumpNormsOf({ discipline: form.who.discipline ?? 'overhand' })) === norms}
            onPress={() => set({ jumpNorms: norms })}
            testID={`norms-${norms}`}
          />
        ))}
      </Row>
    </>
  );
}

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
            <TextInput
              mode="outlined"
              label="Guardian’s name"
              value={guardian.name}
              onChangeText={(name) => set(i, { name })}
              style={{ flex: 3, minWidth: 0 }}
              testID={`guardian-name-${i}`}
            />
            <TextInput
              mode="outlined"
              label="Who they are"
              value={guardian.relation}
              onChangeText={(relation) => set(i, { relation })}
              style={{ flex: 2, minWidth: 0 }}
            />
          </Row>
          <Row style={{ flexWrap: 'nowrap' }}>
            <TextInput
              mode="outlined"
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
      <TextInput
        mode="outlined"
        label="Other surgery or injuries, as told"
        value={history.otherSurgery}
        onChangeText={(otherSurgery) => set({ otherSurgery })}
        multiline
      />
      <TextInput
        mode="outlined"
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
