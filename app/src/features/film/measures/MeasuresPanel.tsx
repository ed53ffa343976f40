import type { ClipMarks } from '@wrightonic/contract';
import { MEASURE_TERMS, combineThrows, measureBand, measureById, outside, spoken, spokenEvent } from '@wrightonic/core';
import type { Discipline, MeasuredValue } from '@wrightonic/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Loading } from '../../../ui/controls';
import { BandMark } from '../../../ui/GradeMark';
import { Section } from '../../../ui/layout';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../../ui/theme';
import { useUnits } from '../../../ui/units';

interface Props {
  readonly measures: readonly MeasuredValue[] | null;
  readonly discipline: Discipline;
  readonly age: number;
  readonly marks: ClipMarks;
  readonly onFrame: (frame: number) => void;
}

function MeasureRow({ m, ...props }: Props & { readonly m: MeasuredValue }) {
  const palette = usePalette();
  const units = useUnits();
  const { discipline, age, marks, onFrame } = props;
  const [open, setOpen] = useState(false);
  const { name } = measureById(m.measure);
  const band = measureBand(m.measure, m.event, discipline, age);
  const event = m.event === 'max' ? undefined : marks.events[m.event];
  const one = combineThrows(m.measure, [{ value: m.value!, sd: m.sd! }]);
  return (
    <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => {
          setOpen(!open);
          if (event) onFrame(Math.round(event.frame));
        }}
        testID={`measure-${m.measure}-${m.event}`}
        style={{ minHeight: TARGET + 4, flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}
      >
        {band ? <BandMark off={outside(m.value!, band) / m.sd!} /> : <View style={{ width: 16 }} />}
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text variant="bodyMedium">{name}</Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {`${spokenEvent(m.event)} · ${units.band(band, m.unit)}`}
          </Text>
        </View>
        <View style={{ alignItems: 'flex-end' }}>
          <Text
            style={{ fontFamily: NUMBER_FONT, fontSize: 22, lineHeight: 26, fontWeight: '600', fontVariant: ['tabular-nums'] }}
          >
            {units.measured(m.value!, m.unit)}
          </Text>
          <Text variant="bodySmall" style={{ color: palette.soft, fontFamily: NUMBER_FONT }}>
            {`± ${units.amount(m.sd!, m.unit)}`}
          </Text>
        </View>
      </Pressable>
      {open ? (
        <Text variant="bodySmall" style={{ color: palette.soft, paddingBottom: SPACE.m, paddingLeft: 24 }}>
          {[
            `In the books: ${MEASURE_TERMS[m.measure]}.`,
            m.tracked ? 'Read from tracked joints.' : 'Read from joints set by hand.',
            m.why ? `Only an estimate: ${m.why}.` : '',
            `One throw says ${units.measured(one.value, m.unit)} ± ${units.amount(one.sd, m.unit)} of this athlete, with the usual spread from throw to throw; ${one.moreThrows} more would settle it.`,
          ]
            .filter(Boolean)
            .join(' ')}
        </Text>
      ) : null}
    </View>
  );
}

/** What the marks measure, each with its error, and what they cannot tell, with the reason. */
export function MeasuresPanel(props: Props) {
  const palette = usePalette();
  const [all, setAll] = useState(false);
  const { measures, discipline, age } = props;
  if (!measures) return <Loading label="Measuring" />;
  const told = measures.filter((m) => m.valid && m.value !== null && m.sd !== null);
  const untold = measures.filter((m) => !m.valid);
  const outOfBand = (m: MeasuredValue) => {
    const band = measureBand(m.measure, m.event, discipline, age);
    return band ? outside(m.value!, band) / m.sd! : -1;
  };
  const reasons = new Map<string, string[]>();
  for (const m of untold) {
    const why = m.why ?? 'not measured';
    reasons.set(why, [...(reasons.get(why) ?? []), `${measureById(m.measure).name.toLowerCase()} at ${spoken(m.event)}`]);
  }
  return (
    <View style={{ gap: SPACE.l }}>
      {told.length === 0 ? (
        <Text style={{ color: palette.soft }}>
          Nothing can be read yet. Measures appear as soon as their events and joints are there.
        </Text>
      ) : (
        <View>
          {[...told]
            .sort((a, b) => outOfBand(b) - outOfBand(a))
            .map((m) => (
              <MeasureRow key={`${m.measure}:${m.event}`} m={m} {...props} />
            ))}
        </View>
      )}
      {untold.length > 0 ? (
        all ? (
          <Section title="What this clip cannot tell">
            {[...reasons].map(([why, names]) => (
              <View key={why} style={{ paddingBottom: SPACE.s }}>
                <Text variant="bodyMedium">{why[0]!.toUpperCase() + why.slice(1)}</Text>
                <Text variant="bodySmall" style={{ color: palette.soft }}>
                  {names.join(', ')}
                </Text>
              </View>
            ))}
          </Section>
        ) : (
          <Action
            kind="plain"
            label={`What this clip cannot tell (${untold.length})`}
            onPress={() => setAll(true)}
            testID="untold"
          />
        )
      ) : null}
    </View>
  );
}
