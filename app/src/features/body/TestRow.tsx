import type { BodyHistory } from '@wrightonic/contract';
import { asymmetryOf, bodyTestById } from '@wrightonic/core';
import type { AthleteProfile, TestId, TestSide } from '@wrightonic/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { GradeMark } from '../../ui/GradeMark';
import { LevelChart } from '../../ui/LevelChart';
import { Row } from '../../ui/layout';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { sideName } from '../../ui/words';
import { sentenceOf } from './BodyScreen';

export const BAND_SDS = 1.64;

function Sides({ histories, throws }: { readonly histories: readonly BodyHistory[]; readonly throws: AthleteProfile['throws'] }) {
  const palette = usePalette();
  const units = useUnits();
  return (
    <Row style={{ gap: SPACE.l, flexWrap: 'nowrap' }}>
      {histories.map(({ test, side, values }) => {
        const newest = values[values.length - 1]!;
        return (
          <Row key={side} style={{ flexWrap: 'nowrap', gap: SPACE.xs }}>
            <GradeMark grade={newest.grade} />
            <Text
              style={{ fontFamily: NUMBER_FONT, fontSize: 20, lineHeight: 24, fontWeight: '600', fontVariant: ['tabular-nums'] }}
            >
              {units.text(newest.value, bodyTestById(test).unit)}
            </Text>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              {sideName(side, throws)}
            </Text>
          </Row>
        );
      })}
    </Row>
  );
}

export function TestRow({
  test,
  histories,
  athlete,
}: {
  readonly test: TestId;
  readonly histories: readonly BodyHistory[];
  readonly athlete: AthleteProfile;
}) {
  const palette = usePalette();
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const body = bodyTestById(test);
  const newest = new Map<TestSide, number>(histories.map((h) => [h.side, h.values[h.values.length - 1]!.value]));
  const uneven = asymmetryOf(body, newest);
  return (
    <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        testID={`test-${test}`}
        style={{ minHeight: TARGET + 8, justifyContent: 'center', paddingVertical: SPACE.xs, gap: 2 }}
      >
        <Text variant="bodyMedium">{body.name}</Text>
        <Sides histories={histories} throws={athlete.throws} />
        {uneven ? (
          <Text variant="bodySmall" style={{ color: palette.brass }}>
            {`Sides differ by ${units.text(Math.abs(uneven.difference), body.unit)}, less on the ${sideName(uneven.weaker, athlete.throws)}`}
          </Text>
        ) : null}
      </Pressable>
      {open
        ? histories.map((h) => (
            <View key={h.side} style={{ gap: SPACE.xs, paddingBottom: SPACE.m }}>
              {h.values.length > 1 ? (
                <LevelChart
                  points={h.values.map((v) => ({
                    date: v.on,
                    level: units.shown(v.value, body.unit),
                    low: units.shown(v.value - BAND_SDS * v.sd, body.unit),
                    high: units.shown(v.value + BAND_SDS * v.sd, body.unit),
                  }))}
                  unit={units.name(body.unit)}
                  sentence={sentenceOf(h, athlete, units)}
                  height={110}
                />
              ) : (
                <Text variant="bodySmall">{sentenceOf(h, athlete, units)}</Text>
              )}
            </View>
          ))
        : null}
    </View>
  );
}
