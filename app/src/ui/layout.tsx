import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { ViewStyle } from 'react-native';
import { Text } from 'react-native-paper';
import { SPACE, usePalette, WIDE } from './theme';

export const useWide = (): boolean => useWindowDimensions().width >= WIDE;

interface ScreenProps {
  readonly children: ReactNode;
  /** What stays under the thumb at the bottom. */
  readonly footer?: ReactNode;
  readonly width?: number;
}

/** One screen's scrolling column, with the main action pinned below it. */
export function Screen({ children, footer, width = 1120 }: ScreenProps) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <View style={[styles.fill, { backgroundColor: palette.paper }]}>
      <ScrollView style={styles.fill} contentContainerStyle={[styles.scroll, { maxWidth: width }]}>
        {children}
      </ScrollView>
      {footer ? (
        <View style={[styles.footer, { borderColor: palette.line, backgroundColor: palette.paper }]}>
          <View style={[styles.footerInner, { maxWidth: width }]}>
            <View style={wide ? styles.footerWide : styles.footerPhone}>{footer}</View>
          </View>
        </View>
      ) : null}
    </View>
  );
}

/** Panes side by side on a wide screen, one under the other on a phone. */
export function Panes({ children, weights }: { readonly children: readonly ReactNode[]; readonly weights?: readonly number[] }) {
  const wide = useWide();
  return (
    <View style={wide ? styles.panes : styles.stack}>
      {children.map((child, i) => (
        <View key={i} style={wide ? { flex: weights?.[i] ?? 1, gap: SPACE.xl, minWidth: 0 } : { gap: SPACE.xl }}>
          {child}
        </View>
      ))}
    </View>
  );
}

/** A titled part of a screen: a rule above, no box. */
export function Section({
  title,
  children,
  note,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly note?: string;
}) {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={[styles.sectionHead, { borderColor: palette.ink }]}>
        <Text variant="labelLarge" role="heading" aria-level={2}>
          {title}
        </Text>
        {note ? (
          <Text variant="bodySmall" style={{ color: palette.soft, flexShrink: 1, textAlign: 'right' }}>
            {note}
          </Text>
        ) : null}
      </View>
      {children}
    </View>
  );
}

export function Row({ children, style }: { readonly children: ReactNode; readonly style?: ViewStyle }) {
  return <View style={[styles.row, style]}>{children}</View>;
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  scroll: { padding: SPACE.l, paddingBottom: SPACE.xxl, gap: SPACE.xl, width: '100%', alignSelf: 'center' },
  footer: { borderTopWidth: 1, paddingHorizontal: SPACE.l, paddingVertical: SPACE.m },
  footerInner: { width: '100%', alignSelf: 'center' },
  footerPhone: { gap: SPACE.s },
  // A desk has no thumb: the action stands at the end of the line of reading.
  footerWide: { gap: SPACE.s, width: 440, maxWidth: '100%', alignSelf: 'flex-end' },
  panes: { flexDirection: 'row', gap: SPACE.xxl, alignItems: 'flex-start' },
  stack: { gap: SPACE.xl },
  sectionHead: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    borderTopWidth: 1.5,
    paddingTop: SPACE.s,
    gap: SPACE.m,
  },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, flexWrap: 'wrap' },
});
