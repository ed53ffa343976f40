import type { BeliefHistory } from '@wrightonic/core';
import { scaleLinear, scalePoint } from 'd3-scale';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { ChartFrame, shortDay } from '../../ui/ChartFrame';
import { NUMBER_FONT, usePalette } from '../../ui/theme';
import { percent } from '../../ui/words';
import { useVocabulary } from '../../ui/vocabulary';

const HEIGHT = 190;
const LEFT = 40;
const BOTTOM = 26;
/** Line patterns, so that no line is told from another by colour alone. */
const DASHES = [undefined, '7 4', '2 4', '10 3 2 3', '4 8'] as const;

/** How the belief in the likeliest roots moved from session to session. */
export function BeliefChart({ history }: { readonly history: BeliefHistory }) {
  const say = useVocabulary();
  const palette = usePalette();
  const { days, findings } = history;
  const last = days[days.length - 1]!;
  const first = days[0]!;
  const lead = findings[0]!;
  const sentence =
    days.length === 1
      ? `So far one day of looking: ${say.title(lead).toLowerCase()} stands at ${percent(last.roots[0]!)}.`
      : `${say.title(lead)}: ${percent(first.roots[0]!)} on ${shortDay(first.on)}, ${percent(last.roots[0]!)} on ${shortDay(last.on)}.`;
  const inks = [palette.spruce, palette.clay, palette.brass, palette.ink, palette.soft];
  return (
    <ChartFrame
      sentence={sentence}
      columns={['Day', ...findings.map(say.title)]}
      rows={days.map((d) => [shortDay(d.on), ...d.roots.map(percent)])}
      height={HEIGHT + 18 * findings.length}
    >
      {(width) => {
        const x = scalePoint<number>()
          .domain(days.map((_, i) => i))
          .range([LEFT + 8, width - 12])
          .padding(days.length === 1 ? 0.5 : 0);
        const y = scaleLinear()
          .domain([0, 1])
          .range([HEIGHT - BOTTOM, 8]);
        const every = Math.max(1, Math.ceil(days.length / Math.max(2, Math.floor(width / 80))));
        return (
          <Svg width={width} height={HEIGHT + 18 * findings.length}>
            {[0, 0.35, 0.7, 1].map((tick) => (
              <G key={tick}>
                <Line
                  x1={LEFT}
                  x2={width - 8}
                  y1={y(tick)}
                  y2={y(tick)}
                  stroke={palette.line}
                  strokeWidth={tick === 0.35 ? 1.6 : 0.8}
                />
                <SvgText x={LEFT - 6} y={y(tick) + 4} fontSize={12} fontFamily={NUMBER_FONT} textAnchor="end" fill={palette.soft}>
                  {percent(tick)}
                </SvgText>
              </G>
            ))}
            {days.map((d, i) =>
              i % every === 0 || i === days.length - 1 ? (
                <SvgText
                  key={d.on}
                  x={x(i)}
                  y={HEIGHT - 6}
                  fontSize={12}
                  fontFamily={NUMBER_FONT}
                  textAnchor="middle"
                  fill={palette.soft}
                >
                  {shortDay(d.on)}
                </SvgText>
              ) : null,
            )}
            {findings.map((finding, f) => {
              const points = days.map((d, i) => [x(i)!, y(d.roots[f]!)] as const);
              const path = points.map(([px, py], i) => `${i === 0 ? 'M' : 'L'}${px.toFixed(1)} ${py.toFixed(1)}`).join(' ');
              const keyY = HEIGHT + 18 * f + 6;
              return (
                <G key={finding}>
                  <Path d={path} stroke={inks[f]} strokeWidth={f === 0 ? 2.6 : 1.8} strokeDasharray={DASHES[f]} fill="none" />
                  {points.map(([px, py], i) =>
                    f % 2 === 0 ? (
                      <Circle key={i} cx={px} cy={py} r={f === 0 ? 4 : 3} fill={inks[f]} />
                    ) : (
                      <Rect
                        key={i}
                        x={px - 3}
                        y={py - 3}
                        width={6}
                        height={6}
                        fill={palette.paper}
                        stroke={inks[f]}
                        strokeWidth={1.6}
                      />
                    ),
                  )}
                  <Line
                    x1={2}
                    x2={30}
                    y1={keyY}
                    y2={keyY}
                    stroke={inks[f]}
                    strokeWidth={f === 0 ? 2.6 : 1.8}
                    strokeDasharray={DASHES[f]}
                  />
                  <SvgText x={LEFT} y={keyY + 4} fontSize={13} fontFamily={NUMBER_FONT} fill={palette.ink}>
                    {say.title(finding)}
                  </SvgText>
                </G>
              );
            })}
          </Svg>
        );
      }}
    </ChartFrame>
  );
}
