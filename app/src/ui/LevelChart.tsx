import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import Svg from 'react-native-svg';
import { at, ChartFrame, shortDay } from './ChartFrame';
import { NUMBER_FONT, usePalette } from './theme';

interface LevelPoint {
  readonly date: string;
  readonly level: number;
  readonly low: number;
  readonly high: number;
}

/** Level over time with its credible band; the last value is written at its end. */
export function LevelChart({
  points,
  unit,
  sentence,
  height = 170,
  dots = [],
}: {
  readonly points: readonly LevelPoint[];
  readonly unit: string;
  readonly sentence: string;
  readonly height?: number;
  readonly dots?: readonly { date: string; value: number }[];
}) {
  const palette = usePalette();
  const rows = points.map((p) => [shortDay(p.date), p.level.toFixed(1), `${p.low.toFixed(1)}–${p.high.toFixed(1)}`]);
  return (
    <ChartFrame sentence={sentence} columns={['Day', `Level, ${unit}`, 'Band']} rows={rows} height={height}>
      {(width) => {
        const right = 46;
        const x = scaleUtc()
          .domain([at(points[0]!.date), at(points[points.length - 1]!.date)])
          .range([30, width - right]);
        const values = [...points.flatMap((p) => [p.low, p.high]), ...dots.map((d) => d.value)];
        const y = scaleLinear()
          .domain([Math.min(...values), Math.max(...values)])
          .nice(4)
          .range([height - 22, 10]);
        const band =
          area<LevelPoint>()
            .x((p) => x(at(p.date)))
            .y0((p) => y(p.low))
            .y1((p) => y(p.high))
            .curve(curveMonotoneX)([...points]) ?? '';
        const middle =
          line<LevelPoint>()
            .x((p) => x(at(p.date)))
            .y((p) => y(p.level))
            .curve(curveMonotoneX)([...points]) ?? '';
        const last = points[points.length - 1]!;
        return (
          <Svg width={width} height={height}>
            {y.ticks(4).map((tick) => (
              <G key={tick}>
                <Line x1={30} x2={width - right} y1={y(tick)} y2={y(tick)} stroke={palette.line} strokeWidth={0.8} />
                <SvgText x={24} y={y(tick) + 4} fontSize={12} fontFamily={NUMBER_FONT} textAnchor="end" fill={palette.soft}>
                  {tick}
                </SvgText>
              </G>
            ))}
            <Path d={band} fill={palette.spruceWash} />
            {dots.map((d, i) => (
              <Circle key={i} cx={x(at(d.date))} cy={y(d.value)} r={2} fill="none" stroke={palette.soft} strokeWidth={0.9} />
            ))}
            <Path d={middle} fill="none" stroke={palette.spruce} strokeWidth={2.6} />
            <Circle cx={x(at(last.date))} cy={y(last.level)} r={4.5} fill={palette.spruce} />
            <SvgText
              x={x(at(last.date)) + 8}
              y={y(last.level) + 5}
              fontSize={17}
              fontFamily={NUMBER_FONT}
              fontWeight="600"
              fill={palette.ink}
            >
              {last.level.toFixed(1)}
            </SvgText>
            <SvgText x={30} y={height - 4} fontSize={12} fontFamily={NUMBER_FONT} fill={palette.soft}>
              {shortDay(points[0]!.date)}
            </SvgText>
            <SvgText x={width - right} y={height - 4} fontSize={12} fontFamily={NUMBER_FONT} textAnchor="end" fill={palette.soft}>
              {shortDay(last.date)}
            </SvgText>
          </Svg>
        );
      }}
    </ChartFrame>
  );
}
