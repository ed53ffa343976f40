import type { FindingId, MapNode } from '@wrightonic/core';
import { linkHorizontal } from 'd3-shape';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';
import Icon from '../../ui/icons';
import { NUMBER_FONT, usePalette } from '../../ui/theme';
import type { Palette } from '../../ui/theme';
import { TELLING } from './layout';
import type { Laid, NodeSize, Route } from './layout';
import { useVocabulary } from '../../ui/vocabulary';
import { Spoken } from '../../ui/Spoken';

export const STATE_WORDS: Record<MapNode['state'], string> = {
  seen: 'seen',
  likely: 'likely by inference',
  'ruled-out': 'ruled out',
  open: 'open',
};

/** A state by its shape and line: filled and square, round and drawn, broken and struck, faint. */
function boxStyle(state: MapNode['state'], palette: Palette) {
  switch (state) {
    case 'seen':
      return { backgroundColor: palette.spruce, borderColor: palette.spruce, borderWidth: 2, borderRadius: 4 };
    case 'likely':
      return { backgroundColor: palette.sheet, borderColor: palette.spruce, borderWidth: 2.5, borderRadius: 24 };
    case 'ruled-out':
      return {
        backgroundColor: palette.paper,
        borderColor: palette.soft,
        borderWidth: 1.5,
        borderStyle: 'dashed' as const,
        borderRadius: 4,
      };
    case 'open':
      return { backgroundColor: palette.paper, borderColor: palette.line, borderWidth: 1, borderRadius: 4 };
  }
}

const curve = linkHorizontal<Route, Route['from']>()
  .source((r) => r.from)
  .target((r) => r.to)
  .x((p) => p.x)
  .y((p) => p.y);

function Box({
  node,
  x,
  y,
  size,
  chosen,
  onPress,
}: {
  readonly node: MapNode;
  readonly x: number;
  readonly y: number;
  readonly size: NodeSize;
  readonly chosen: boolean;
  readonly onPress: () => void;
}) {
  const say = useVocabulary();
  const palette = usePalette();
  const { state, finding, present, kind, ruled } = node;
  const ink = state === 'seen' ? palette.onSpruce : state === 'likely' ? palette.ink : palette.soft;
  const title = say.title(finding);
  const shown = kind === 'habit' ? title : `${kind === 'limit' ? 'Body: ' : 'Thought: '}${title.toLowerCase()}`;
  return (
    <Pressable
      role="button"
      aria-pressed={chosen}
      onPress={onPress}
      testID={`node-${finding}`}
      style={[
        styles.box,
        { left: x - size.width / 2, top: y - size.height / 2, width: size.width, height: size.height },
        boxStyle(state, palette),
        chosen ? { outlineColor: palette.brass, outlineWidth: 3, outlineStyle: 'solid', outlineOffset: 2 } : null,
      ]}
    >
      {ruled ? <Icon name="check" size={14} color={ink} /> : null}
      <Text
        numberOfLines={size.lines}
        style={[
          styles.title,
          size.small ? styles.small : null,
          { color: ink, textDecorationLine: state === 'ruled-out' ? 'line-through' : 'none' },
        ]}
      >
        {shown}
      </Text>
      <Text style={[styles.number, { color: ink }]}>{Math.round(100 * present)}</Text>
      <Spoken>{`per cent, ${STATE_WORDS[state]}`}</Spoken>
    </Pressable>
  );
}

function Arrow({ route, lit }: { readonly route: Route; readonly lit: boolean }) {
  const palette = usePalette();
  const { influence, cause, consequence } = route.arrow;
  const told = influence >= TELLING;
  return (
    <Path
      key={`${cause}>${consequence}`}
      d={curve(route) ?? ''}
      stroke={lit ? palette.brass : told ? palette.ink : palette.line}
      strokeWidth={told ? 1 + 9 * influence : 0.8}
      strokeDasharray={told ? undefined : '2 4'}
      strokeOpacity={told || lit ? 0.85 : 0.6}
      fill="none"
    />
  );
}

/** The map of causes: causes left, consequences right, thickness by influence. */
export function MapDrawing({
  laid,
  chosen,
  onChoose,
}: {
  readonly laid: Laid;
  readonly chosen: FindingId | null;
  readonly onChoose: (finding: FindingId) => void;
}) {
  const touches = (route: Route) => chosen !== null && (route.arrow.cause === chosen || route.arrow.consequence === chosen);
  const ordered = [...laid.routes].sort(
    (a, b) => Number(touches(a)) - Number(touches(b)) || a.arrow.influence - b.arrow.influence,
  );
  return (
    <View style={{ width: laid.width, height: laid.height }}>
      <Svg width={laid.width} height={laid.height} style={StyleSheet.absoluteFill}>
        {ordered.map((route) => (
          <Arrow key={`${route.arrow.cause}>${route.arrow.consequence}`} route={route} lit={touches(route)} />
        ))}
      </Svg>
      {laid.nodes.map(({ node, x, y }) => (
        <Box
          key={node.finding}
          size={laid.node}
          node={node}
          x={x}
          y={y}
          chosen={chosen === node.finding}
          onPress={() => onChoose(node.finding)}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    position: 'absolute',
    flexDirection: 'row',
    alignItems: 'center',
    paddingHorizontal: 7,
    gap: 4,
  },
  title: { flex: 1, fontFamily: NUMBER_FONT, fontSize: 13.5, lineHeight: 15, fontWeight: '500' },
  small: { fontSize: 12, lineHeight: 13 },
  number: { fontFamily: NUMBER_FONT, fontSize: 17, fontWeight: '600', fontVariant: ['tabular-nums'] },
});
