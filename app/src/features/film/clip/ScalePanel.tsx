import type { ClipMarks, ClipScale } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action, Choice } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { readNumber } from '../../../ui/read-number';
import { SPACE, usePalette } from '../../../ui/theme';
import { useUnits } from '../../../ui/units';
import type { At } from '../marks/paint';
import { Field } from '../../../ui/Field';

/** Width of a pitching rubber: 24 inches. */
export const RUBBER_M = 0.6096;
export type ScaleKind = ClipScale['by'];

/** A scale that is being set: what it goes by, and the first of its two ends. */
export interface ScaleWork {
  readonly by: ScaleKind;
  readonly metres: number;
  readonly first: At | null;
}

const KINDS: readonly (readonly [ScaleKind, string, string])[] = [
  [
    'height',
    'Height',
    'On a frame where the athlete stands upright: touch the top of the head, then the ground between the heels.',
  ],
  ['rubber', 'Rubber', 'Touch both ends of the rubber. From the side it points at the camera; use the front or the rear.'],
  ['tape', 'Taped', 'Touch both ends of a length you measured, as far from the camera as the athlete is.'],
];
const NAMES: Record<ScaleKind, string> = { height: 'the athlete’s height', rubber: 'the rubber', tape: 'a taped length' };
const SHARE: Record<ScaleKind, number> = { height: 3, rubber: 4, tape: 1 };

/** A taped length lies between. */
const [SHORTEST_M, LONGEST_M] = [0.1, 30];

interface Props {
  readonly marks: ClipMarks;
  readonly heightM: number;
  readonly work: ScaleWork | null;
  readonly onWork: (work: ScaleWork | null) => void;
  readonly onChange: (next: ClipMarks) => void;
}

/** The scale of a clip: two points a known length apart. */
export function ScalePanel({ marks, heightM, work, onWork, onChange }: Props) {
  const palette = usePalette();
  const units = useUnits();
  const [text, setText] = useState(units.length === 'cm' ? '2.0' : '6');
  const { scale } = marks;
  const metresFor = (by: ScaleKind): number =>
    by === 'height' ? heightM : by === 'rubber' ? RUBBER_M : units.metres(readNumber(text) ?? NaN);
  const metres = work ? metresFor(work.by) : 0;
  const good = metres >= SHORTEST_M && metres <= LONGEST_M;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="bodySmall" style={{ color: palette.soft }} testID="scale-now">
        {scale
          ? `Lengths go by ${NAMES[scale.by]}, ${scale.by === 'height' ? units.height(scale.metres) : units.long(scale.metres)}, right to about ${SHARE[scale.by]} %.`
          : 'No scale yet: angles and times can be told, lengths cannot.'}
      </Text>
      <Row>
        {KINDS.map(([by, name]) => (
          <Choice
            key={by}
            label={name}
            chosen={work?.by === by}
            onPress={() => onWork(work?.by === by ? null : { by, metres: metresFor(by), first: null })}
            testID={`scale-${by}`}
          />
        ))}
        {scale && !work ? <Action kind="plain" label="No scale" onPress={() => onChange({ ...marks, scale: null })} /> : null}
      </Row>
      {work?.by === 'tape' ? (
        <Field
          label={`Length, ${units.longUnit}`}
          inputMode="decimal"
          value={text}
          onChangeText={(now) => {
            setText(now);
            onWork({ ...work, metres: units.metres(readNumber(now) ?? NaN) });
          }}
          error={!good}
        />
      ) : null}
      {work ? (
        <Text variant="bodyMedium">
          {!good
            ? `The length must be between ${units.long(SHORTEST_M)} and ${units.long(LONGEST_M)}.`
            : work.first
              ? 'Now the other end.'
              : KINDS.find(([by]) => by === work.by)![2]}
        </Text>
      ) : null}
    </View>
  );
}
