import { scaleLinear } from 'd3-scale';
import { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import Svg from 'react-native-svg';
import { ChartFrame, shortDay } from './ChartFrame';
import { NUMBER_FONT, usePalette } from './theme';

/** Throws of each week, games set on top in outline. */
export function LoadChart({
  weeks,
  sentence,
  height = 120,
}: {
  readonly weeks: readonly { from: string; throws: number; pitches: number }[];
  readonly sentence: string;
  readonly height?: number;
}) {
  const palette = usePalette();
  const rows = weeks.map((w) => [shortDay(w.from), String(w.throws), String(w.pitches)]);
  return (
    <ChartFrame sentence={sentence} columns={['Week from', 'Throws', 'Of these in games']} rows={rows} height={height}>
      {(width) => {
        const y = scaleLinear()
          .domain([0, Math.max(10, ...weeks.map((w) => w.throws))])
          .nice(3)
          .range([height - 20, 10]);
        const slot = (width - 40) / weeks.length;
        return (
          <Svg width={width} height={height}>
            {y.ticks(3).map((tick) => (
              <G key={tick}>
                <Line x1={32} x2={width} y1={y(tick)} y2={y(tick)} stroke={palette.line} strokeWidth={0.8} />
                <SvgText x={26} y={y(tick) + 4} fontSize={12} fontFamily={NUMBER_FONT} textAnchor="end" fill={palette.soft}>
                  {tick}
                </SvgText>
              </G>
            ))}
            {weeks.map((w, i) => (
              <G key={w.from}>
                <Rect
                  x={38 + i * slot}
                  y={y(w.throws)}
                  width={Math.max(2, slot - 6)}
                  height={y(0) - y(w.throws)}
                  fill={palette.limb}
                  stroke={palette.ink}
                  strokeWidth={1}
                />
                <Rect
                  x={38 + i * slot}
                  y={y(w.pitches)}
                  width={Math.max(2, slot - 6)}
                  height={y(0) - y(w.pitches)}
                  fill={palette.ink}
                />
                {i % 3 === 0 ? (
                  <SvgText x={38 + i * slot} y={height - 4} fontSize={11} fontFamily={NUMBER_FONT} fill={palette.soft}>
                    {shortDay(w.from)}
                  </SvgText>
                ) : null}
              </G>
            ))}
          </Svg>
        );
      }}
    </ChartFrame>
  );
}
