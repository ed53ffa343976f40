import { mayAtAge } from '@wrightonic/contract';
import type { AthleteOverview, Role } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { ClearanceForm } from '../../parts/ClearanceForm';
import { OutingForm } from '../../parts/OutingForm';
import { Action, Caution, Figure } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { weekDay } from '../../ui/words';
import { AgeRule } from './AgeRule';

export function ArmPart({ data, role }: { readonly data: AthleteOverview; readonly role: Role }) {
  const units = useUnits();
  const { today, week, warnings } = data.workload;
  const [form, setForm] = useState<'outing' | 'clearance' | null>(null);
  return (
    <View style={{ gap: SPACE.m }}>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={String(today.throwsLeft)} label="throws left" tone={today.throwsLeft === 0 ? 'clay' : undefined} />
        <Figure value={String(today.pitchesLeft)} label="pitches left" />
        <Figure
          value={today.restUntil ? weekDay(today.restUntil) : 'none'}
          label={today.restUntil ? 'pitching again from' : 'rest owed'}
        />
        <Figure
          value={String(week.throws)}
          label={week.mean === null ? 'throws in 7 days' : `in 7 days, usual ${Math.round(week.mean)}`}
        />
      </Row>
      {warnings.slice(0, 4).map((w) => (
        <Text key={w.rule + w.detail} variant="bodySmall">
          {`• ${w.detail}`}
        </Text>
      ))}
      <AgeRule data={data} />
      {data.spurt ? (
        <Caution testID="spurt">{`Grown ${units.text(data.spurt.cm, 'cm')} since ${weekDay(data.spurt.since)}: test the body anew and throw less for a while. Older measures and tests count less.`}</Caution>
      ) : null}
      {form === null ? (
        <Row>
          <Action kind="quiet" label="Add a game or outside throws" onPress={() => setForm('outing')} />
          {today.locked?.until === 'clearance' && mayAtAge(role, 'recordClearance', data.age) ? (
            <Action kind="quiet" label="Record a clearance" onPress={() => setForm('clearance')} testID="record-clearance" />
          ) : null}
        </Row>
      ) : null}
      {form === 'outing' ? <OutingForm athlete={data.id} onDone={() => setForm(null)} /> : null}
      {form === 'clearance' ? <ClearanceForm athlete={data.id} onDone={() => setForm(null)} /> : null}
    </View>
  );
}
