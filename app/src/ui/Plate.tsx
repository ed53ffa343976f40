import { plateCells, plateFrame } from '@wrightonic/core';
import type { Hand, Spot } from '@wrightonic/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { tappedAt } from '../boundary';
import { usePalette } from './theme';

interface Props {
  readonly zone: readonly [low: number, high: number];
  readonly throws: Hand;
  readonly target: Spot | null;
  readonly last: Spot | null;
  readonly onTap: (spot: Spot) => void;
}

const HEIGHT = 300;

/** The plate as the pitcher sees it, to be tapped: each part is a button with its words, and the tap is read to the centimetre. */
export function Plate({ zone, throws, target, last, onTap }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const { left, right, top, bottom } = plateFrame(zone);
  const at = ({ x, y }: Spot) => ({
    x: ((x - left) / (right - left)) * width,
    y: ((top - y) / (top - bottom)) * HEIGHT,
  });
  const aimed = target && at(target);
  const went = last && at(last);
  return (
    <View style={{ height: HEIGHT }} onLayout={(e) => setWidth(e.nativeEvent.layout.width)} testID="plate">
      {plateCells(zone, throws).map((row) => (
        <View key={row[0]!.label} style={{ flexDirection: 'row', flex: Math.max(1, row[0]!.height) }}>
          {row.map((cell) => (
            <Pressable
              key={cell.label}
              role="button"
              aria-label={cell.label}
              testID={`plate-${cell.label}`}
              onPress={(event) => {
                const tap = tappedAt(event);
                // By key, or by a screen reader, it is the middle of the part.
                onTap(
                  tap === null
                    ? cell.spot
                    : {
                        x: Math.round(cell.spot.x + (tap.x - 0.5) * cell.width),
                        y: Math.round(cell.spot.y + (0.5 - tap.y) * cell.height),
                      },
                );
              }}
              style={({ pressed }) => ({
                flex: cell.width,
                borderWidth: cell.inside ? 1 : 0.5,
                borderColor: cell.inside ? palette.ink : palette.line,
                backgroundColor: pressed ? palette.brassWash : cell.inside ? palette.spruceWash : palette.sheet,
              })}
            />
          ))}
        </View>
      ))}
      {width > 0 ? (
        <View style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}>
          <Svg width={width} height={HEIGHT}>
            {aimed ? (
              <>
                <Circle cx={aimed.x} cy={aimed.y} r={15} fill="none" stroke={palette.ink} strokeWidth={2.4} />
                <Line x1={aimed.x - 20} x2={aimed.x + 20} y1={aimed.y} y2={aimed.y} stroke={palette.ink} strokeWidth={1.6} />
                <Line x1={aimed.x} x2={aimed.x} y1={aimed.y - 20} y2={aimed.y + 20} stroke={palette.ink} strokeWidth={1.6} />
              </>
            ) : null}
            {went ? <Circle cx={went.x} cy={went.y} r={8} fill={palette.clay} stroke={palette.onClay} strokeWidth={1.6} /> : null}
          </Svg>
        </View>
      ) : null}
    </View>
  );
}
