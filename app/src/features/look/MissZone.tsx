import { MISS_WORDS, MISSES_WANTED, missPattern } from '@wrightonic/core';
import type { Hand, Landing, MissPattern } from '@wrightonic/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { Action } from '../../ui/controls';
import { Row } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';

const SIZE = 280;
/** Half a zone's width and height on the picture: as much again is left around it. */
const HALF = SIZE / 4;

/** Tap where each throw went, as the pitcher sees the plate; from five on the pattern is read. */
export function MissZone({
  throws,
  known,
  onPattern,
}: {
  readonly throws: Hand;
  readonly known: MissPattern | null;
  readonly onPattern: (pattern: MissPattern) => void;
}) {
  const palette = usePalette();
  const [landings, setLandings] = useState<readonly Landing[]>([]);
  const pattern = missPattern(landings, throws);
  const place = (event: { nativeEvent: { locationX?: number; locationY?: number; offsetX?: number; offsetY?: number } }) => {
    const { locationX, locationY, offsetX, offsetY } = event.nativeEvent;
    const [x, y] = [offsetX ?? locationX ?? SIZE / 2, offsetY ?? locationY ?? SIZE / 2];
    setLandings([...landings, { x: (x - SIZE / 2) / HALF, y: (SIZE / 2 - y) / HALF }]);
  };
  const left = MISSES_WANTED - landings.length;
  return (
    <View style={{ gap: SPACE.s, paddingVertical: SPACE.m, borderBottomWidth: 1, borderColor: palette.line }}>
      <Text variant="bodyMedium">Where did they go? Tap each throw, as the pitcher sees the plate.</Text>
      <Pressable
        onPress={place}
        role="button"
        aria-label={`Zone as the pitcher sees it, ${landings.length} throws tapped`}
        style={{ width: SIZE, height: SIZE, alignSelf: 'center' }}
        testID="miss-zone"
      >
        <Svg width={SIZE} height={SIZE} pointerEvents="none">
          <Rect width={SIZE} height={SIZE} rx={8} fill={palette.sheet} stroke={palette.line} />
          <Rect x={HALF} y={HALF} width={2 * HALF} height={2 * HALF} fill="none" stroke={palette.ink} strokeWidth={2} />
          <Line x1={SIZE / 2} y1={HALF} x2={SIZE / 2} y2={3 * HALF} stroke={palette.line} />
          <Line x1={HALF} y1={SIZE / 2} x2={3 * HALF} y2={SIZE / 2} stroke={palette.line} />
          {landings.map(({ x, y }, i) => (
            <Circle key={i} cx={SIZE / 2 + x * HALF} cy={SIZE / 2 - y * HALF} r={7} fill={palette.clay} />
          ))}
        </Svg>
      </Pressable>
      <Text variant="bodySmall" style={{ color: palette.soft }} testID="miss-read">
        {pattern
          ? `Reads as: ${MISS_WORDS[pattern]}.`
          : landings.length > 0
            ? `${left} more ${left === 1 ? 'throw' : 'throws'} to read a pattern.`
            : known
              ? `Read last: ${MISS_WORDS[known]}.`
              : 'Five throws or more.'}
      </Text>
      {landings.length > 0 ? (
        <Row>
          <Action
            kind="quiet"
            label="Keep the pattern"
            disabled={pattern === null}
            onPress={() => {
              onPattern(pattern!);
              setLandings([]);
            }}
            testID="keep-misses"
          />
          <Action kind="plain" label="Take back one" onPress={() => setLandings(landings.slice(0, -1))} />
        </Row>
      ) : null}
    </View>
  );
}
