import type { Evidence } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { readNumber } from '../../ui/read-number';
import { SPACE, usePalette } from '../../ui/theme';
import { Field } from '../../ui/Field';

type Sequence = Extract<Evidence, { kind: 'sequence' }>;
type Part = keyof Sequence['peaksMs'];

const PARTS: readonly (readonly [Part, string])[] = [
  ['pelvis', 'Pelvis'],
  ['trunk', 'Trunk'],
  ['glove-arm', 'Glove arm'],
  ['upper-arm', 'Upper arm'],
  ['forearm', 'Forearm'],
];
/** Peaks lie within so many ms of release, and turn at most so fast. */
const MOST_MS = 1000;
const MOST_DEG_PER_S = 9000;

const numberIn = (text: string, most: number): number | null => {
  const value = readNumber(text);
  return typeof value === 'number' && Math.abs(value) <= most ? value : null;
};

/** Peaks of body speed as sensors tell them: when each part turns fastest, before release, and how fast the pelvis does. */
export function SensorPeaks({
  known,
  onPeaks,
}: {
  readonly known: Sequence | null;
  readonly onPeaks: (peaks: Sequence) => void;
}) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const [times, setTimes] = useState<Partial<Record<Part, string>>>({});
  const [pelvis, setPelvis] = useState('');
  const typed = PARTS.filter(([part]) => (times[part] ?? '').trim() !== '');
  const peaksMs = Object.fromEntries(
    typed.flatMap(([part]) => {
      const before = numberIn(times[part] ?? '', MOST_MS);
      return before === null ? [] : [[part, -before]];
    }),
  ) as Sequence['peaksMs'];
  const speed = pelvis.trim() === '' ? undefined : numberIn(pelvis, MOST_DEG_PER_S);
  const wrong = Object.keys(peaksMs).length < typed.length || speed === null || (speed !== undefined && speed <= 0);
  const keep = () => {
    onPeaks({ kind: 'sequence', peaksMs, ...(speed ? { peaksDegPerS: { pelvis: speed } } : {}) });
    setOpen(false);
  };
  return (
    <Section title="Body-speed sequence" note="where sensors or 3D tell it">
      {known ? (
        <Text variant="bodySmall">
          {`Kept: ${PARTS.flatMap(([part, name]) => (known.peaksMs[part] === undefined ? [] : [`${name.toLowerCase()} ${-known.peaksMs[part]} ms before release`])).join(', ')}.`}
        </Text>
      ) : null}
      {open ? (
        <View style={{ gap: SPACE.s }}>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            Milliseconds before release at which each part turns fastest; after release with a minus.
          </Text>
          <Row>
            {PARTS.map(([part, name]) => (
              <Field
                key={part}
                dense
                label={name}
                value={times[part] ?? ''}
                onChangeText={(text) => setTimes({ ...times, [part]: text })}
                inputMode="numeric"
                style={{ width: 108 }}
                testID={`peak-${part}`}
              />
            ))}
            <Field
              dense
              label="Pelvis, °/s"
              value={pelvis}
              onChangeText={setPelvis}
              inputMode="numeric"
              style={{ width: 108 }}
              testID="peak-speed"
            />
          </Row>
          {wrong ? (
            <Text variant="bodySmall" style={{ color: palette.clay }} testID="peaks-wrong">
              {`Times are numbers up to ${MOST_MS} ms, the speed a number up to ${MOST_DEG_PER_S}° a second.`}
            </Text>
          ) : null}
          <Row>
            <Action label="Keep it" disabled={wrong || Object.keys(peaksMs).length === 0} onPress={keep} testID="keep-peaks" />
            <Action kind="plain" label="Not now" onPress={() => setOpen(false)} />
          </Row>
        </View>
      ) : (
        <Row>
          <Action
            kind="quiet"
            label={known ? 'Read again' : 'Enter the peaks'}
            onPress={() => setOpen(true)}
            testID="enter-peaks"
          />
        </Row>
      )}
    </Section>
  );
}
