import { GATE_DEFAULTS, passProbability, RUNG_NAMES, RUNGS } from '@wrightonic/core';
import type { FocusRecord } from '@wrightonic/contract';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Line, Rect, Text as SvgText } from 'react-native-svg';
import { NUMBER_FONT, usePalette } from '../../ui/theme';
import { percent } from '../../ui/words';

/** The nine rungs as a climb, where the focus stands, and what has to happen to go up. */
export function Climb({ focus }: { readonly focus: FocusRecord }) {
  const palette = usePalette();
  const rates = useMemo(() => ({ near: passProbability(0.65), ready: passProbability(0.8) }), []);
  const width = 340;
  const step = width / 9;
  return (
    <View style={{ gap: 4 }}>
      <Svg
        width="100%"
        height={104}
        viewBox={`0 0 ${width} 104`}
        role="img"
        aria-label={`Rung ${focus.rung} of 8: ${RUNG_NAMES[focus.rung]}`}
      >
        {RUNGS.map((rung) => {
          const y = 88 - rung * 8.6;
          const on = rung === focus.rung;
          return (
            <Rect
              key={rung}
              x={rung * step + 2}
              y={y}
              width={step - 4}
              height={96 - y}
              fill={on ? palette.spruce : rung < focus.rung ? palette.spruceWash : 'none'}
              stroke={palette.ink}
              strokeWidth={on ? 2 : 1}
              strokeDasharray={rung > focus.rung ? '3 3' : undefined}
            />
          );
        })}
        {RUNGS.map((rung) => (
          <SvgText
            key={rung}
            x={rung * step + step / 2}
            y={88 - rung * 8.6 - 4}
            fontSize={13}
            fontFamily={NUMBER_FONT}
            fontWeight="600"
            textAnchor="middle"
            fill={palette.ink}
          >
            {rung}
          </SvgText>
        ))}
        <Line x1={0} x2={width} y1={97} y2={97} stroke={palette.ink} strokeWidth={1.5} />
      </Svg>
      <Text
        variant="bodyMedium"
        style={{ fontWeight: '600' }}
      >{`Rung ${focus.rung}: ${RUNG_NAMES[focus.rung].toLowerCase()}`}</Text>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {`Up when it is ${percent(GATE_DEFAULTS.confidence)} sure that at least ${percent(GATE_DEFAULTS.advanceRate)} of reps come off, over two days. Within six sessions of ten that lets through ${percent(rates.ready)} of athletes who truly manage 80 %, and ${percent(rates.near)} of those at 65 %.`}
      </Text>
    </View>
  );
}
