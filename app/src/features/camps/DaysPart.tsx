import { CAMP_MOST } from '@wrightonic/contract';
import { clockOf, rotationTimes } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { DateField } from '../../ui/DateField';
import { Field } from '../../ui/Field';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { nextDay } from './form';
import type { DayForm } from './form';
import { NumberField } from './NumberField';

function Day({
  day,
  n,
  onChange,
  onDrop,
}: {
  readonly day: DayForm;
  readonly n: number;
  readonly onChange: (day: DayForm) => void;
  readonly onDrop: (() => void) | null;
}) {
  const palette = usePalette();
  const [pause] = day.breaks;
  const isTime = /^\d\d:\d\d$/.test(day.start);
  const last = isTime ? rotationTimes(day).at(-1) : undefined;
  const breaks = (after: number | null, minutes: number | null) =>
    after === null || minutes === null || after === 0 || minutes === 0 ? [] : [{ after, minutes }];
  const half = { flex: 1, minWidth: 130 } as const;
  return (
    <View style={{ gap: SPACE.s }}>
      <DateField label={`Day ${n + 1}`} value={day.date} onChange={(date) => onChange({ ...day, date })} testID={`day-${n}`} />
      <Row>
        <View style={half}>
          <Field
            label="Begins, HH:MM"
            value={day.start}
            onChangeText={(start) => onChange({ ...day, start })}
            testID={`start-${n}`}
          />
        </View>
        <View style={half}>
          <NumberField
            label="Rotations"
            value={day.rotations}
            onChange={(rotations) => rotations !== null && rotations > 0 && onChange({ ...day, rotations })}
            testID={`rotations-${n}`}
          />
        </View>
        <View style={half}>
          <NumberField
            label="Minutes each"
            value={day.minutes}
            onChange={(minutes) => minutes !== null && minutes > 0 && onChange({ ...day, minutes })}
            testID={`minutes-${n}`}
          />
        </View>
        <View style={half}>
          <NumberField
            label="Break after rotation"
            value={pause?.after ?? null}
            onChange={(after) => onChange({ ...day, breaks: breaks(after, pause?.minutes ?? 15) })}
            testID={`break-${n}`}
          />
        </View>
        <View style={half}>
          <NumberField
            label="Minutes of the break"
            value={pause?.minutes ?? null}
            onChange={(minutes) => onChange({ ...day, breaks: breaks(pause?.after ?? null, minutes) })}
            testID={`break-minutes-${n}`}
          />
        </View>
      </Row>
      <Text variant="bodySmall" style={{ color: last ? palette.soft : palette.clay }}>
        {last ? `Ends at ${clockOf(last.to)}.` : 'Write the time like 09:00.'}
      </Text>
      {onDrop ? (
        <Row>
          <Action kind="plain" label={`Leave day ${n + 1} out`} onPress={onDrop} />
        </Row>
      ) : null}
    </View>
  );
}

/** When it is. */
export function DaysPart({
  days,
  onChange,
}: {
  readonly days: readonly DayForm[];
  readonly onChange: (days: readonly DayForm[]) => void;
}) {
  return (
    <Section title="When" note={`${days.length} of ${CAMP_MOST.days} days at most`}>
      {days.map((day, n) => (
        <Day
          key={n}
          day={day}
          n={n}
          onChange={(changed) => onChange(days.map((d, k) => (k === n ? changed : d)))}
          onDrop={days.length > 1 && n === days.length - 1 ? () => onChange(days.slice(0, -1)) : null}
        />
      ))}
      {days.length < CAMP_MOST.days ? (
        <Row>
          <Action kind="quiet" label="One day more" onPress={() => onChange([...days, nextDay(days)])} testID="day-more" />
        </Row>
      ) : null}
    </Section>
  );
}
