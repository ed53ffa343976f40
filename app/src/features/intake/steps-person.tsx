import {
  JUMP_NORMS,
  LEVELS,
  UNITS,
  ageOn,
  dailyPitchLimit,
  highEffortLimit,
  jumpNormsOf,
  practiceBudget,
  readHeight,
  readMass,
  throwFreeDaysPerWeek,
} from '@wrightonic/core';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { DateField } from '../../ui/DateField';
import { Caution, Choice } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { usePalette } from '../../ui/theme';
import { MASS_UNIT } from './form';
import type { IntakeForm } from './form';
import type { StepProps } from './step';
import { Field } from '../../ui/Field';

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
      <Field label="Name" value={who.name} onChangeText={(name) => set({ name })} testID="new-name" />
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
        <Field
          label={unit === 'cm' ? 'Height, cm' : 'Height, 5\'10"'}
          value={size.height}
          onChangeText={(text) => set({ height: text })}
          inputMode={unit === 'cm' ? 'decimal' : 'text'}
          style={{ flex: 1, minWidth: 0 }}
          testID="new-height"
        />
        <Field
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
