import { figureAt, mirrored, proportionsFor } from '@wrightonic/core';
import type { BodyPart, Equipment, Hand, Joint, JointPositions, Pose, PoseId } from '@wrightonic/core';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { Aid } from './Aids';
import { usePalette } from './theme';
import type { Palette } from './theme';

interface Props {
  /** Poses that the figure goes through; or `movement`, joints by the place in the loop. */
  readonly poses?: readonly (PoseId | Pose)[];
  readonly movement?: (t: number) => JointPositions;
  readonly throws: Hand;
  readonly heightM?: number;
  readonly age?: number;
  /** Moves when true and when the viewer has not asked for less motion. */
  readonly moving?: boolean;
  readonly height?: number;
  /** Kit that is drawn with the figure. */
  readonly aids?: readonly Equipment[];
  /** The part of the body in question: drawn heavier. */
  readonly stress?: BodyPart | null;
  /** What it shows; empty where it only goes with words that say so already. */
  readonly label: string;
}

const SECONDS_PER_LOOP = 4.2;
const FRAME_MS = 40;
/** Camera: seen from the open side, a little from the front and from above. */
const AZIMUTH = (-62 * Math.PI) / 180;
const ELEVATION = (8 * Math.PI) / 180;

type Point = readonly [x: number, y: number];

const prefersLessMotion = (): boolean =>
  typeof window !== 'undefined' && Boolean(window.matchMedia?.('(prefers-reduced-motion: reduce)').matches);

function useLoop(moving: boolean): number {
  const [t, setT] = useState(0);
  useEffect(() => {
    if (!moving || prefersLessMotion()) return undefined;
    const from = performance.now();
    const timer = setInterval(() => setT(((performance.now() - from) / 1000 / SECONDS_PER_LOOP) % 1), FRAME_MS);
    return () => clearInterval(timer);
  }, [moving]);
  return moving && !prefersLessMotion() ? t : 0.6;
}

/** Tapered limb: thicker at the near joint. */
function limb([x1, y1]: Point, [x2, y2]: Point, w1: number, w2: number): string {
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  const nx = -(y2 - y1) / length;
  const ny = (x2 - x1) / length;
  const p = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
  return `M ${p(x1 + nx * w1, y1 + ny * w1)} L ${p(x2 + nx * w2, y2 + ny * w2)} A ${w2} ${w2} 0 0 1 ${p(x2 - nx * w2, y2 - ny * w2)} L ${p(x1 - nx * w1, y1 - ny * w1)} A ${w1} ${w1} 0 0 1 ${p(x1 + nx * w1, y1 + ny * w1)} Z`;
}

const LIMBS: readonly { from: Joint; to: Joint; thick: number; thin: number; throwing: boolean; part: BodyPart }[] = [
  { from: 'drive-hip', to: 'drive-knee', thick: 0.048, thin: 0.034, throwing: true, part: 'drive-leg' },
  { from: 'drive-knee', to: 'drive-ankle', thick: 0.033, thin: 0.019, throwing: true, part: 'drive-leg' },
  { from: 'drive-heel', to: 'drive-toe', thick: 0.016, thin: 0.012, throwing: true, part: 'drive-leg' },
  { from: 'lead-hip', to: 'lead-knee', thick: 0.048, thin: 0.034, throwing: false, part: 'lead-leg' },
  { from: 'lead-knee', to: 'lead-ankle', thick: 0.033, thin: 0.019, throwing: false, part: 'lead-leg' },
  { from: 'lead-heel', to: 'lead-toe', thick: 0.016, thin: 0.012, throwing: false, part: 'lead-leg' },
  { from: 'throwing-shoulder', to: 'throwing-elbow', thick: 0.027, thin: 0.02, throwing: true, part: 'throwing-arm' },
  { from: 'throwing-elbow', to: 'throwing-hand', thick: 0.02, thin: 0.013, throwing: true, part: 'throwing-arm' },
  { from: 'glove-shoulder', to: 'glove-elbow', thick: 0.027, thin: 0.02, throwing: false, part: 'glove-arm' },
  { from: 'glove-elbow', to: 'glove-hand', thick: 0.02, thin: 0.013, throwing: false, part: 'glove-arm' },
];

interface Projected {
  readonly at: (joint: Joint) => Point;
  readonly depth: (joint: Joint) => number;
  /** Where a point of the room is drawn. */
  readonly place: (x: number, y: number, z: number) => Point;
}

function project(joints: JointPositions, throws: Hand, scale: number, originX: number, groundY: number): Projected {
  const body = throws === 'L' ? mirrored(joints) : joints;
  const side = throws === 'L' ? -1 : 1;
  // A left-hander is looked at from the other side, so that the target is on the left and the chest is seen.
  const depth = (joint: Joint) => Math.cos(AZIMUTH) * body[joint][0] + Math.sin(AZIMUTH) * body[joint][1] * side;
  const seen = (x: number, y: number, z: number): Point => {
    const across = (-Math.sin(AZIMUTH) * x + Math.cos(AZIMUTH) * y * side) * side;
    const away = Math.cos(AZIMUTH) * x + Math.sin(AZIMUTH) * y * side;
    return [originX + across * scale, groundY - (z * Math.cos(ELEVATION) - away * Math.sin(ELEVATION)) * scale];
  };
  return {
    depth,
    at: (joint) => seen(...body[joint]),
    place: (x, y, z) => seen(x, y * side, z),
  };
}

function Support({
  kind,
  at,
  palette,
  scale,
  side,
}: {
  readonly kind: string;
  readonly at: Projected['at'];
  readonly palette: Palette;
  readonly scale: number;
  readonly side: number;
}) {
  const [hipX, hipY] = at('lead-hip');
  if (kind === 'wall') {
    const x = hipX + side * 0.3 * scale;
    return (
      <Path
        d={`M ${x} ${hipY - 0.9 * scale} V ${hipY + 0.9 * scale}`}
        stroke={palette.soft}
        strokeWidth={5}
        strokeDasharray="10 5"
      />
    );
  }
  if (kind === 'strap')
    return (
      <Line
        x1={hipX}
        y1={hipY}
        x2={hipX - side * 0.75 * scale}
        y2={hipY - 0.08 * scale}
        stroke={palette.brass}
        strokeWidth={4}
        strokeDasharray="2 5"
        strokeLinecap="round"
      />
    );
  if (kind === 'box') {
    const [x, y] = at('drive-hip');
    return (
      <Path
        d={`M ${x - 0.18 * scale} ${y + 0.06 * scale} h ${0.34 * scale} v ${0.42 * scale} h ${-0.34 * scale} z`}
        fill="none"
        stroke={palette.soft}
        strokeWidth={2}
      />
    );
  }
  return null;
}

/**
 * The figure: a jointed body in ink line with soft filled limbs on paper. The throwing side has the heavier line and holds the
 * ball. All figures of the product are this one.
 */
export function Mannequin({
  poses = [],
  movement,
  throws,
  heightM = 1.75,
  age = 16,
  moving = false,
  height = 190,
  aids = [],
  stress = null,
  label,
}: Props) {
  const palette = usePalette();
  const t = useLoop(moving && (movement !== undefined || poses.length > 1));
  const size = useMemo(() => proportionsFor(heightM, age), [heightM, age]);
  const { joints, support } = movement
    ? ({ joints: movement(t), support: 'ground' } as const)
    : figureAt(poses, t, size, heightM);
  const width = height * 1.32;
  const scale = (height * 0.8) / Math.max(1.45, heightM * 1.12);
  const side = throws === 'L' ? -1 : 1;
  const seen = (body: typeof joints) => project(body, throws, scale, width / 2 - side * 0.34 * scale * 1.05, height - 14);
  const { at, depth, place } = seen(joints);
  // A wall stands where it is met, and stays there through the whole movement.
  const met = useMemo(
    () => poses.map((pose) => figureAt([pose], 0, size, heightM)).find((frame) => frame.support === 'wall'),
    [poses, size, heightM],
  );
  const order = [...LIMBS].sort((a, b) => depth(b.from) + depth(b.to) - depth(a.from) - depth(a.to));
  const px = (share: number) => share * heightM * scale;
  const [headX, headY] = at('head');
  const [ballX, ballY] = at('throwing-hand');
  const corners: Joint[] = ['throwing-shoulder', 'glove-shoulder', 'lead-hip', 'drive-hip'];
  const torso = `M ${corners
    .map((j) =>
      at(j)
        .map((n) => n.toFixed(1))
        .join(' '),
    )
    .join(' L ')} Z`;
  const torsoDepth = corners.reduce((sum, j) => sum + depth(j), 0) / 4;
  const behind = order.filter((l) => (depth(l.from) + depth(l.to)) / 2 >= torsoDepth);
  const before = order.filter((l) => !behind.includes(l));
  const draw = (l: (typeof LIMBS)[number]) => (
    <Path
      key={`${l.from}-${l.to}`}
      d={limb(at(l.from), at(l.to), px(l.thick), px(l.thin))}
      fill={palette.limb}
      stroke={palette.ink}
      strokeWidth={l.part === stress ? 4.6 : l.throwing ? 2.4 : 1.2}
      strokeLinejoin="round"
    />
  );
  return (
    <View
      {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      style={{ width: '100%', alignItems: 'center' }}
    >
      <Svg width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
        <Line x1={8} x2={width - 8} y1={height - 12} y2={height - 12} stroke={palette.line} strokeWidth={2} />
        <Support
          kind={met ? 'wall' : aids.includes(support as Equipment) ? 'ground' : support}
          at={met ? seen(met.joints).at : at}
          palette={palette}
          scale={scale}
          side={side}
        />
        {aids.map((kit) => (
          <Aid key={kit} kit={kit} place={place} at={at} heightM={heightM} palette={palette} />
        ))}
        {behind.map(draw)}
        <Path d={torso} fill={palette.limb} stroke={palette.ink} strokeWidth={px(0.05)} strokeLinejoin="round" />
        <Path
          d={torso}
          fill={palette.limb}
          stroke={palette.limb}
          strokeWidth={px(0.05) - (stress === 'trunk' ? 8 : 3.2)}
          strokeLinejoin="round"
        />
        <G>
          <Line x1={at('neck')[0]} y1={at('neck')[1]} x2={headX} y2={headY} stroke={palette.ink} strokeWidth={px(0.03)} />
          <Circle cx={headX} cy={headY} r={size.headRadius * scale} fill={palette.limb} stroke={palette.ink} strokeWidth={1.6} />
        </G>
        {before.map(draw)}
        <Circle cx={ballX} cy={ballY} r={px(0.024)} fill={palette.sheet} stroke={palette.ink} strokeWidth={1.6} />
      </Svg>
    </View>
  );
}
