import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { NUMBER_FONT, SPACE, TARGET, usePalette } from './theme';

const at = (date: string): Date => new Date(`${date}T00:00:00Z`);
export const shortDay = (date: string): string =>
  at(date).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

interface FrameProps {
  /** One sentence that reads the chart. */
  readonly sentence: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly height: number;
  readonly children: (width: number) => React.ReactNode;
}

/** Every chart: a sentence above, the drawing, and the same as a table on demand. */
export function ChartFrame({ sentence, columns, rows, height, children }: FrameProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const [table, setTable] = useState(false);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="titleMedium">{sentence}</Text>
      {table ? (
        <View role="table" aria-label={sentence} style={{ borderTopWidth: 1, borderColor: palette.line }}>
          {[columns, ...rows].map((row, r) => (
            <View
              key={r}
              role="row"
              style={{ flexDirection: 'row', borderBottomWidth: 1, borderColor: palette.line, paddingVertical: 4 }}
            >
              {row.map((cell, c) => (
                <Text
                  key={c}
                  role={r === 0 ? 'columnheader' : 'cell'}
                  style={{
                    flex: 1,
                    fontFamily: NUMBER_FONT,
                    fontWeight: r === 0 ? '600' : '500',
                    fontSize: 15,
                    fontVariant: ['tabular-nums'],
                  }}
                >
                  {cell}
                </Text>
              ))}
            </View>
          ))}
        </View>
      ) : (
        <View role="img" aria-label={sentence} style={{ height }} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
          {width > 0 ? children(width) : null}
        </View>
      )}
      <Pressable
        role="button"
        onPress={() => setTable(!table)}
        style={{ minHeight: TARGET, justifyContent: 'center', alignSelf: 'flex-start' }}
      >
        <Text variant="bodySmall" style={{ color: palette.spruce, fontWeight: '600' }}>
          {table ? 'Show the chart' : 'Show as a table'}
        </Text>
      </Pressable>
    </View>
  );
}

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
