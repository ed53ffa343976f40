import { changeIsReal, FULL_EFFORT, measureById, spokenEvent } from '@wrightonic/core';
import type { MeasureHistory, Units } from '@wrightonic/core';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { Circle, G, Line, Rect, Text as SvgText } from 'react-native-svg';
import Svg from 'react-native-svg';
import { at, ChartFrame, shortDay } from './ChartFrame';
import { NUMBER_FONT, usePalette } from './theme';
import { useUnits } from './units';

/** Standard errors to each side of a value: 90 % of the truths lie within. */
const WITHIN = 1.64;

/** What became of a measure, in one sentence. */
export function historySentence({ measure, event, unit, values }: MeasureHistory, units: Units): string {
  const [first, last] = [values[0]!, values[values.length - 1]!];
  const name = `${measureById(measure).name}, ${spokenEvent(event)}`;
  if (first === last) return `${name}: ${units.measured(last.value, unit)} on ${shortDay(last.on)}`;
  // The day that lies furthest from both ends tells of a way there and back.
  const far = [...values].sort((a, b) => Math.abs(b.value - first.value) - Math.abs(a.value - first.value))[0]!;
  if (far !== last && changeIsReal(first, far) && changeIsReal(far, last))
    return `${name}: ${units.number(first.value, unit)} to ${units.number(far.value, unit)} on ${shortDay(far.on)}, and ${units.measured(last.value, unit)} on ${shortDay(last.on)}`;
  const moved = changeIsReal(first, last) ? 'a real change' : 'no more than it varies by';
  return `${name}: ${units.number(first.value, unit)} to ${units.measured(last.value, unit)}, ${moved}`;
}

interface Props {
  readonly history: MeasureHistory;
  /** Day on which the work on it began. */
  readonly since?: string;
  readonly height?: number;
}

/** A measure over time: each day with its error, its band behind, filled where the throws were at game effort. */
export function MeasureChart({ history, since, height = 140 }: Props) {
  const palette = usePalette();
  const units = useUnits();
  const { unit, values, band } = history;
  const n = (value: number) => String(units.number(value, unit));
  const rows = values.map((v) => [
    shortDay(v.on),
    n(v.value),
    `± ${units.amount(WITHIN * v.sd, unit)}`,
    v.effort ? `${v.effort[0] === v.effort[1] ? v.effort[0] : v.effort.join('–')} %` : 'not noted',
  ]);
  return (
    <ChartFrame
      sentence={historySentence(history, units)}
      columns={['Day', units.name(unit), 'Error', 'Effort']}
      rows={rows}
      height={height}
    >
      {(width) => {
        const [left, right] = [34, width - 14];
        const days = values.map((v) => at(v.on).getTime());
        const [from, to] = [Math.min(...days), Math.max(...days)];
        // One day alone stands in the middle.
        const pad = from === to ? 86_400_000 : 0;
        const x = scaleUtc()
          .domain([from - pad, to + pad])
          .range([left + 12, right]);
        const low = values.map((v) => v.value - WITHIN * v.sd);
        const high = values.map((v) => v.value + WITHIN * v.sd);
        const ends = [
          ...low,
          ...high,
          ...(band?.low === undefined ? [] : [band.low]),
          ...(band?.high === undefined ? [] : [band.high]),
        ];
        const y = scaleLinear()
          .domain([Math.min(...ends), Math.max(...ends)])
          .nice(3)
          .range([height - 22, 10]);
        const [bottom, top] = y.range() as [number, number];
        const bandTop = band?.high === undefined ? top : y(band.high);
        const bandBottom = band?.low === undefined ? bottom : y(band.low);
        return (
          <Svg width={width} height={height}>
            {band ? (
              <Rect x={left} y={bandTop} width={right - left} height={bandBottom - bandTop} fill={palette.spruceWash} />
            ) : null}
            {y.ticks(3).map((tick) => (
              <G key={tick}>
                <Line x1={left} x2={right} y1={y(tick)} y2={y(tick)} stroke={palette.line} strokeWidth={0.8} />
                <SvgText x={left - 6} y={y(tick) + 4} fontSize={12} fontFamily={NUMBER_FONT} textAnchor="end" fill={palette.soft}>
                  {n(tick)}
                </SvgText>
              </G>
            ))}
            {since !== undefined && at(since).getTime() > from && at(since).getTime() < to ? (
              <Line
                x1={x(at(since))}
                x2={x(at(since))}
                y1={top}
                y2={bottom}
                stroke={palette.brass}
                strokeWidth={1.4}
                strokeDasharray="4 3"
              />
            ) : null}
            {values.map((v) => (
              <G key={v.on}>
                <Line
                  x1={x(at(v.on))}
                  x2={x(at(v.on))}
                  y1={y(v.value - WITHIN * v.sd)}
                  y2={y(v.value + WITHIN * v.sd)}
                  stroke={palette.ink}
                  strokeWidth={1.4}
                />
                <Circle
                  cx={x(at(v.on))}
                  cy={y(v.value)}
                  r={4.5}
                  fill={v.effort && v.effort[0] >= FULL_EFFORT ? palette.spruce : palette.paper}
                  stroke={palette.spruce}
                  strokeWidth={1.8}
                />
              </G>
            ))}
            <SvgText x={left + 6} y={height - 4} fontSize={12} fontFamily={NUMBER_FONT} fill={palette.soft}>
              {shortDay(values[0]!.on)}
            </SvgText>
            {from === to ? null : (
              <SvgText x={right} y={height - 4} fontSize={12} fontFamily={NUMBER_FONT} textAnchor="end" fill={palette.soft}>
                {shortDay(values[values.length - 1]!.on)}
              </SvgText>
            )}
          </Svg>
        );
      }}
    </ChartFrame>
  );
}
