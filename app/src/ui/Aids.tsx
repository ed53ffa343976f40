import type { Equipment, Joint } from '@wrightonic/core';
import { Circle, Line, Path, Rect } from 'react-native-svg';
import type { Palette } from './theme';

type Point = readonly [x: number, y: number];

interface AidProps {
  readonly kit: Equipment;
  /** Where a point of the room is drawn: toward the target, to the glove side, up; metres from the drive foot. */
  readonly place: (x: number, y: number, z: number) => Point;
  readonly at: (joint: Joint) => Point;
  readonly heightM: number;
  readonly palette: Palette;
}

const join = (points: readonly Point[]): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'} ${x.toFixed(1)} ${y.toFixed(1)}`).join(' ');

/** A piece of kit where it stands or hangs in a drill. */
export function Aid({ kit, place, at, heightM: h, palette }: AidProps) {
  const line = {
    stroke: palette.brass,
    strokeWidth: 2.5,
    fill: 'none',
    strokeLinejoin: 'round',
    strokeLinecap: 'round',
  } as const;
  const solid = { ...line, fill: palette.brassWash };
  const stretched = (from: Joint, to: Point, waves: number) => {
    const [x1, y1] = at(from);
    const points = Array.from({ length: 2 * waves + 1 }, (_, i): Point => {
      const t = i / (2 * waves);
      return [x1 + (to[0] - x1) * t, y1 + (to[1] - y1) * t + (i % 2 === 0 ? 0 : 3)];
    });
    return <Path d={join(points)} {...line} />;
  };
  switch (kit) {
    case 'tape':
      return <Path d={join([place(-0.15, 0, 0), place(0.95 * h, 0, 0)])} {...line} strokeWidth={3.5} strokeDasharray="9 5" />;
    case 'cone':
      return <Path d={`${join([place(0.3 * h, 0.3, 0), place(0.36 * h, 0.3, 0.3), place(0.42 * h, 0.3, 0)])} Z`} {...solid} />;
    case 'hurdle':
      return (
        <Path
          d={`${join([place(0.4 * h, -0.2, 0), place(0.4 * h, -0.2, 0.3), place(0.4 * h, 0.3, 0.3), place(0.4 * h, 0.3, 0)])}`}
          {...line}
        />
      );
    case 'bag':
      return (
        <Path
          d={`${join([place(0.16 * h, -0.3, 0), place(0.16 * h, -0.3, 0.6), place(0.26 * h, -0.3, 0.6), place(0.26 * h, -0.3, 0)])} Z`}
          {...solid}
        />
      );
    case 'slope-board':
      return <Path d={`${join([place(-0.18 * h, 0, 0), place(-0.18 * h, 0, 0.14), place(0.2 * h, 0, 0.01)])} Z`} {...solid} />;
    case 'box':
      return (
        <Path
          d={`${join([place(-0.28 * h, 0, 0), place(-0.28 * h, 0, 0.4), place(-0.05 * h, 0, 0.4), place(-0.05 * h, 0, 0)])} Z`}
          {...line}
        />
      );
    case 'mat':
      return (
        <Path
          d={`${join([place(0.4 * h, -0.3, 0), place(1.05 * h, -0.3, 0), place(1.05 * h, 0.4, 0), place(0.4 * h, 0.4, 0)])} Z`}
          {...solid}
        />
      );
    case 'string':
      return <Path d={join([place(-0.3 * h, 0, 1.02 * h), place(1.1 * h, 0, 1.0 * h)])} {...line} strokeDasharray="3 4" />;
    case 'mirror': {
      const [x, y] = place(-0.42 * h, 0, 1.05 * h);
      const [, y2] = place(-0.42 * h, 0, 0.15 * h);
      return <Rect x={x - 8} y={y} width={16} height={y2 - y} rx={4} {...line} />;
    }
    case 'net': {
      const cells = [0, 1, 2, 3, 4];
      return (
        <>
          {cells.map((i) => (
            <Path
              key={`v${i}`}
              d={join([place(1.02 * h, -0.4 + 0.2 * i, 0), place(1.02 * h, -0.4 + 0.2 * i, 0.8 * h)])}
              {...line}
              strokeWidth={1}
            />
          ))}
          {cells.map((i) => (
            <Path
              key={`h${i}`}
              d={join([place(1.02 * h, -0.4, 0.2 * h * i), place(1.02 * h, 0.4, 0.2 * h * i)])}
              {...line}
              strokeWidth={1}
            />
          ))}
        </>
      );
    }
    case 'strap':
      return <Path d={join([at('drive-hip'), place(-0.55 * h, 0, 0.62 * h)])} {...line} strokeWidth={4} strokeDasharray="2 6" />;
    case 'belt-cord':
      return stretched('drive-hip', place(-0.6 * h, 0, 0.5 * h), 6);
    case 'band':
      return stretched('lead-knee', place(0.55 * h, -0.7, 0.28 * h), 4);
    case 'towel': {
      const [x, y] = at('throwing-hand');
      return <Path d={`M ${x} ${y} q 5 8 0 16 q -4 7 2 13`} {...line} strokeWidth={4} />;
    }
    case 'radar': {
      const [x, y] = place(-0.45 * h, 0, 0.5 * h);
      const [fx, fy] = place(-0.45 * h, 0, 0);
      return (
        <>
          <Line x1={x} y1={y} x2={fx} y2={fy} {...line} />
          <Circle cx={x} cy={y} r={6} {...solid} />
        </>
      );
    }
    default:
      return null;
  }
}
