import { scaleLinear } from 'd3-scale';
import { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import Svg from 'react-native-svg';
import { ChartFrame, shortDay } from './ChartFrame';
import { NUMBER_FONT, usePalette } from './theme';

interface RepDay {
  readonly on: string;
  readonly reps: number;
  readonly good: number;
  readonly close: number;
  readonly off: number;
}

/** Reps of each session: good filled, close hatched by a half tone, off as outline; the line is the share the gate wants. */
export function RepsChart({
  days,
  sentence,
  gate,
  height = 150,
}: {
  readonly days: readonly RepDay[];
  readonly sentence: string;
  readonly gate: number;
  readonly height?: number;
}) {
  const palette = usePalette();
  const rows = days.map((d) => [shortDay(d.on), String(d.good), String(d.close), String(d.off)]);
  return (
    <ChartFrame sentence={sentence} columns={['Day', 'Good', 'Close', 'Off']} rows={rows} height={height}>
      {(width) => {
        const shown = days.slice(-12);
        const right = 52;
        const slot = (width - 40 - right) / Math.max(shown.length, 6);
        const bar = Math.min(30, slot - 8);
        const y = scaleLinear()
          .domain([0, 1])
          .range([height - 22, 12]);
        return (
          <Svg width={width} height={height}>
            {[0, 0.5, 1].map((tick) => (
              <G key={tick}>
                <Line x1={32} x2={width} y1={y(tick)} y2={y(tick)} stroke={palette.line} strokeWidth={0.8} />
                <SvgText x={26} y={y(tick) + 4} fontSize={12} fontFamily={NUMBER_FONT} textAnchor="end" fill={palette.soft}>
                  {`${100 * tick}`}
                </SvgText>
              </G>
            ))}
            {shown.map((d, i) => {
              const left = 38 + i * slot;
              const good = d.good / d.reps;
              const close = d.close / d.reps;
              return (
                <G key={d.on}>
                  <Rect x={left} y={y(1)} width={bar} height={y(0) - y(1)} fill="none" stroke={palette.soft} strokeWidth={1} />
                  <Rect
                    x={left}
                    y={y(good + close)}
                    width={bar}
                    height={y(good) - y(good + close)}
                    fill={palette.brassWash}
                    stroke={palette.brass}
                    strokeWidth={1}
                  />
                  <Rect x={left} y={y(good)} width={bar} height={y(0) - y(good)} fill={palette.spruce} />
                  <SvgText
                    x={left + bar / 2}
                    y={height - 6}
                    fontSize={11}
                    fontFamily={NUMBER_FONT}
                    textAnchor="middle"
                    fill={palette.soft}
                  >
                    {shown.length > 7 && i % 2 === 1 ? '' : shortDay(d.on)}
                  </SvgText>
                </G>
              );
            })}
            <Line
              x1={32}
              x2={width - right}
              y1={y(gate)}
              y2={y(gate)}
              stroke={palette.clay}
              strokeWidth={1.6}
              strokeDasharray="6 4"
            />
            <SvgText x={width - right + 4} y={y(gate) + 4} fontSize={12} fontFamily={NUMBER_FONT} fill={palette.clay}>
              {`gate ${Math.round(100 * gate)} %`}
            </SvgText>
          </Svg>
        );
      }}
    </ChartFrame>
  );
}
