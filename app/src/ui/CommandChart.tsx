import { commandSentence, missText } from '@wrightonic/core';
import type { Command } from '@wrightonic/core';
import Svg, { Circle, Ellipse, G, Line, Text as SvgText } from 'react-native-svg';
import { ChartFrame, shortDay } from './ChartFrame';
import { NUMBER_FONT, usePalette } from './theme';
import { useUnits } from './units';

const HEIGHT = 240;
/** Least half width of what is shown, cm. */
const LEAST_CM = 30;

/** Misses about the target, as the pitcher sees them, with the ring that holds half of them. */
export function CommandChart({ command }: { readonly command: Command }) {
  const palette = usePalette();
  const units = useUnits();
  const { ellipse, misses, byDay } = command;
  const rows = byDay.map((d) => [
    shortDay(d.on),
    String(d.throws),
    `${Math.round(100 * d.strikes.value)} %`,
    missText(d.miss.value, units),
  ]);
  return (
    <ChartFrame
      sentence={commandSentence(command, units)}
      columns={['Day', 'Throws', 'Strikes', 'Usual miss']}
      rows={rows}
      height={HEIGHT}
    >
      {(width) => {
        const far = Math.max(LEAST_CM, ...misses.flatMap((m) => [Math.abs(m.x), Math.abs(m.y)]));
        const scale = (HEIGHT / 2 - 8) / far;
        const [cx, cy] = [width / 2, HEIGHT / 2];
        const step = far > 60 ? 40 : 20;
        const rings = Array.from({ length: Math.floor(far / step) }, (_, i) => (i + 1) * step);
        return (
          <Svg width={width} height={HEIGHT}>
            {rings.map((r) => (
              <G key={r}>
                <Circle cx={cx} cy={cy} r={r * scale} fill="none" stroke={palette.line} strokeWidth={0.8} />
                <SvgText x={cx + 3} y={cy - r * scale + 12} fontSize={12} fontFamily={NUMBER_FONT} fill={palette.soft}>
                  {units.text(r, 'cm')}
                </SvgText>
              </G>
            ))}
            <Line x1={cx - far * scale} x2={cx + far * scale} y1={cy} y2={cy} stroke={palette.line} strokeWidth={0.8} />
            <Line x1={cx} x2={cx} y1={cy - far * scale} y2={cy + far * scale} stroke={palette.line} strokeWidth={0.8} />
            {ellipse ? (
              <Ellipse
                cx={cx + ellipse.centre.x * scale}
                cy={cy - ellipse.centre.y * scale}
                rx={ellipse.long * scale}
                ry={ellipse.short * scale}
                rotation={-ellipse.turnDeg}
                originX={cx + ellipse.centre.x * scale}
                originY={cy - ellipse.centre.y * scale}
                fill={palette.spruceWash}
                fillOpacity={0.6}
                stroke={palette.spruce}
                strokeWidth={2}
              />
            ) : null}
            {misses.map((m, i) => (
              <Circle
                key={i}
                cx={cx + m.x * scale}
                cy={cy - m.y * scale}
                r={3}
                fill={m.strike ? palette.spruce : palette.paper}
                stroke={m.strike ? palette.spruce : palette.clay}
                strokeWidth={1.3}
              />
            ))}
          </Svg>
        );
      }}
    </ChartFrame>
  );
}
