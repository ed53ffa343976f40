import { useRef, useState } from 'react';
import type { PointerEvent, WheelEvent } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { NUMBER_FONT, TEXT_FONT, usePalette } from '../../../ui/theme';

/** Something on the tape. */
export interface Peg {
  readonly frame: number;
  readonly name: string;
  /** 1 SD, frames, when it was suggested; null when a hand placed it. */
  readonly sd: number | null;
}

interface Props {
  readonly frames: number;
  readonly frame: number;
  readonly onFrame: (frame: number) => void;
  readonly fps: number;
  readonly pegs: readonly Peg[];
  /** Frame from which milliseconds are counted. */
  readonly zero: number | null;
  readonly from: number;
  readonly to: number;
}

const HEIGHT = 84;
const STEP = 9;
const LINE = 50;
const TAP = 5;

/** Width of a letter of a peg's name, pixels, about. */
const LETTER = 6.6;

/**
 * Which names are written, and in which of two rows: those nearest to the pointer first, each where it has room; the pegs of the
 * others stand without a name until the tape is drawn to them.
 */
export function namesOnTape(pegs: readonly Peg[], frame: number, step: number): Map<string, 0 | 1> {
  const taken: [number, number][][] = [[], []];
  const rows = new Map<string, 0 | 1>();
  for (const peg of [...pegs].sort((a, b) => Math.abs(a.frame - frame) - Math.abs(b.frame - frame))) {
    const from = peg.frame * step;
    const to = from + peg.name.length * LETTER + 10;
    const row = ([1, 0] as const).find((r) => taken[r]!.every(([a, b]) => to <= a || from >= b));
    if (row === undefined) continue;
    taken[row]!.push([from, to]);
    rows.set(peg.name, row);
  }
  return rows;
}

/** A measuring tape of frames under a fixed pointer: drawn with the thumb it steps the clip, and pegs show the events. */
export function Tape({ frames, frame, onFrame, fps, pegs, zero, from, to }: Props) {
  const palette = usePalette();
  const [width, setWidth] = useState(360);
  const drag = useRef<{ x: number; frame: number; moved: boolean } | null>(null);
  const middle = width / 2;
  const clamp = (f: number) => Math.max(from, Math.min(to, Math.round(f)));
  const x = (f: number) => middle + (f - frame) * STEP;
  const reach = Math.ceil(middle / STEP) + 1;
  const first = Math.max(0, frame - reach);
  const ticks = Array.from({ length: Math.min(frames, frame + reach + 1) - first }, (_, i) => first + i);
  // A number about every 70 pixels, on a round count of milliseconds.
  const msPerFrame = 1000 / fps;
  const every = [5, 10, 20, 25, 50, 100, 200].find((ms) => (ms / msPerFrame) * STEP >= 64) ?? 500;
  const origin = zero ?? 0;
  const numbers: { at: number; ms: number }[] = [];
  const low = Math.ceil(((first - origin) * msPerFrame) / every) * every;
  for (let ms = low; ms <= (frame + reach - origin) * msPerFrame; ms += every) {
    const at = origin + ms / msPerFrame;
    if (at >= 0 && at <= frames - 1) numbers.push({ at, ms });
  }
  const near = pegs.filter((p) => Math.abs(p.frame - frame) <= reach + 12);
  const rows = namesOnTape(near, frame, STEP);
  const begin = (event: PointerEvent) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, frame, moved: false };
  };
  const move = (event: PointerEvent) => {
    if (!drag.current) return;
    const dx = event.clientX - drag.current.x;
    if (Math.abs(dx) > TAP) drag.current.moved = true;
    if (drag.current.moved) onFrame(clamp(drag.current.frame - dx / STEP));
  };
  const end = (event: PointerEvent) => {
    if (drag.current && !drag.current.moved) {
      const box = event.currentTarget.getBoundingClientRect();
      onFrame(clamp(frame + (event.clientX - box.left - middle) / STEP));
    }
    drag.current = null;
  };
  return (
    <View onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
      <div
        role="slider"
        aria-label="Frame"
        aria-valuemin={from}
        aria-valuemax={to}
        aria-valuenow={frame}
        tabIndex={0}
        data-testid="tape"
        style={{ touchAction: 'pan-y', cursor: 'ew-resize', height: HEIGHT, userSelect: 'none' }}
        onPointerDown={begin}
        onPointerMove={move}
        onPointerUp={end}
        onPointerCancel={() => (drag.current = null)}
        onWheel={(event: WheelEvent) => onFrame(clamp(frame + Math.sign(event.deltaY || event.deltaX)))}
      >
        <Svg width={width} height={HEIGHT}>
          <Rect x={0} y={LINE - 26} width={width} height={44} fill={palette.brassWash} />
          <Line x1={0} x2={width} y1={LINE + 18} y2={LINE + 18} stroke={palette.brass} strokeWidth={1} />
          {ticks.map((f) => (
            <Line
              key={f}
              x1={x(f)}
              x2={x(f)}
              y1={LINE + 18}
              y2={LINE + (f % 5 === 0 ? 6 : 11)}
              stroke={f < from || f > to ? palette.line : palette.ink}
              strokeWidth={f % 5 === 0 ? 1.4 : 0.8}
            />
          ))}
          {numbers.map(({ at, ms }) => (
            <SvgText
              key={ms}
              x={x(at)}
              y={LINE + 2}
              fontSize={13}
              fontFamily={NUMBER_FONT}
              fill={palette.soft}
              textAnchor="middle"
            >
              {zero !== null && ms > 0 ? `+${ms}` : ms}
            </SvgText>
          ))}
          {near.map((peg) => {
            const row = rows.get(peg.name);
            return (
              <G key={peg.name}>
                {peg.sd ? (
                  <Rect
                    x={x(peg.frame - peg.sd)}
                    y={LINE + 13}
                    width={2 * peg.sd * STEP}
                    height={5}
                    fill={palette.spruce}
                    opacity={0.35}
                  />
                ) : null}
                <Line
                  x1={x(peg.frame)}
                  x2={x(peg.frame)}
                  y1={row === 0 ? 2 : row === 1 ? 14 : 26}
                  y2={LINE + 18}
                  stroke={palette.spruce}
                  strokeWidth={2}
                />
                {row === undefined ? null : (
                  <SvgText
                    x={x(peg.frame) + 4}
                    y={row === 0 ? 10 : 22}
                    fontSize={13}
                    fontFamily={TEXT_FONT}
                    fontWeight="600"
                    fill={palette.spruce}
                    textAnchor="start"
                  >
                    {peg.name}
                  </SvgText>
                )}
              </G>
            );
          })}
          <Path d={`M ${middle - 7} ${HEIGHT} L ${middle + 7} ${HEIGHT} L ${middle} ${LINE + 19} Z`} fill={palette.clay} />
          <Line x1={middle} x2={middle} y1={LINE - 26} y2={LINE + 19} stroke={palette.clay} strokeWidth={1.5} />
        </Svg>
      </div>
    </View>
  );
}
