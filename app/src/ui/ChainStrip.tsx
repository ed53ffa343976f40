import { linkName, LINKS } from '@wrightonic/core';
import type { Discipline, Link, LinkState } from '@wrightonic/core';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import { TARGET, usePalette } from './theme';

export const STATE_WORDS: Record<LinkState, string> = {
  unseen: 'not looked at',
  clear: 'nothing seen',
  open: 'open',
  working: 'being worked on',
  holding: 'holding',
  owned: 'owned',
  relapsed: 'slipped back',
  'left-alone': 'left alone',
};

/** How full a link is drawn. */
const FILL: Record<LinkState, number> = {
  unseen: 0,
  clear: 0,
  open: 0,
  working: 0.5,
  holding: 0.78,
  owned: 1,
  relapsed: 1,
  'left-alone': 0,
};
const W = 52;
const H = 24;
const GAP = 8;

interface Props {
  readonly chain: readonly LinkState[];
  readonly discipline: Discipline;
  /** Labels under the links; without them the strip is a 24 px row. */
  readonly labels?: boolean;
  readonly selected?: Link | null;
  readonly onSelect?: (link: Link) => void;
}

function LinkShape({ state, x }: { readonly state: LinkState; readonly x: number }) {
  const palette = usePalette();
  const stroke = state === 'unseen' ? palette.soft : palette.ink;
  const inset = 3;
  const fillHeight = (H - 2 * inset) * FILL[state];
  const tone = state === 'relapsed' ? palette.clay : state === 'owned' ? palette.spruce : palette.brass;
  return (
    <G x={x}>
      {FILL[state] > 0 ? (
        <Rect
          x={inset}
          y={H - inset - fillHeight}
          width={W - 2 * inset}
          height={fillHeight}
          rx={Math.min(8, fillHeight / 2)}
          fill={tone}
        />
      ) : null}
      {state === 'open' ? (
        // A broken link: two halves that do not meet.
        <Path
          d={`M ${W / 2 - 5} 1.5 H 12 A 10.5 10.5 0 0 0 12 ${H - 1.5} H ${W / 2 - 9} M ${W / 2 + 9} 1.5 H ${W - 12} A 10.5 10.5 0 0 1 ${W - 12} ${H - 1.5} H ${W / 2 + 5}`}
          fill="none"
          stroke={palette.clay}
          strokeWidth={3}
        />
      ) : (
        <Rect
          x={1}
          y={1}
          width={W - 2}
          height={H - 2}
          rx={11}
          fill="none"
          stroke={stroke}
          strokeWidth={state === 'unseen' ? 1.2 : 1.8}
          strokeDasharray={state === 'unseen' ? '3 4' : undefined}
        />
      )}
      {state === 'relapsed' ? (
        <Path
          d={`M ${W / 2 + 4} 0 L ${W / 2 - 3} ${H / 2} L ${W / 2 + 3} ${H / 2} L ${W / 2 - 4} ${H}`}
          fill="none"
          stroke={palette.paper}
          strokeWidth={3}
        />
      ) : null}
      {state === 'left-alone' ? (
        <Line x1={W / 2 - 8} x2={W / 2 + 8} y1={H / 2} y2={H / 2} stroke={palette.ink} strokeWidth={2.4} strokeLinecap="round" />
      ) : null}
    </G>
  );
}

/** The six links of a delivery with the state of each, by shape and fill before colour. */
export function ChainStrip({ chain, discipline, labels, selected, onSelect }: Props) {
  const palette = usePalette();
  const width = 6 * W + 5 * GAP;
  const spoken = LINKS.map((link, i) => `${linkName(link, discipline)} ${STATE_WORDS[chain[i] ?? 'unseen']}`).join(', ');
  const drawing = (
    <Svg
      width="100%"
      height={H}
      viewBox={`0 0 ${width} ${H}`}
      preserveAspectRatio={labels ? 'none' : 'xMinYMid meet'}
      aria-hidden
    >
      {LINKS.map((link, i) => (
        <G key={link}>
          {i < 5 ? (
            <Line x1={i * (W + GAP) + W} x2={(i + 1) * (W + GAP)} y1={H / 2} y2={H / 2} stroke={palette.ink} strokeWidth={2} />
          ) : null}
          <LinkShape state={chain[i] ?? 'unseen'} x={i * (W + GAP)} />
        </G>
      ))}
    </Svg>
  );
  if (!labels)
    return (
      <View role="img" aria-label={`Chain: ${spoken}`} style={{ width: 176, maxWidth: '100%', height: 24 }}>
        {drawing}
      </View>
    );
  return (
    <View role="group" aria-label={`Chain: ${spoken}`} style={{ maxWidth: 600 }}>
      {drawing}
      <View style={{ flexDirection: 'row' }}>
        {LINKS.map((link, i) => {
          const words = STATE_WORDS[chain[i] ?? 'unseen'];
          return (
            <Pressable
              key={link}
              role="button"
              aria-pressed={selected === link}
              disabled={!onSelect}
              onPress={() => onSelect?.(link)}
              style={{
                flex: 1,
                minHeight: TARGET,
                paddingTop: 4,
                alignItems: 'center',
                borderBottomWidth: 3,
                borderColor: selected === link ? palette.spruce : 'transparent',
              }}
            >
              <Text variant="bodySmall" style={{ fontWeight: '600' }}>
                {linkName(link, discipline)}
              </Text>
              <Text style={{ fontSize: 11, lineHeight: 13, color: palette.soft, textAlign: 'center' }}>{words}</Text>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
