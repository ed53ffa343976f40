import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { ActivityIndicator, Button, Text } from 'react-native-paper';
import Icon from './icons';
import { NUMBER_FONT, RADIUS, SPACE, TARGET, usePalette } from './theme';

interface ActionProps {
  readonly label: string;
  readonly onPress: () => void;
  readonly kind?: 'main' | 'quiet' | 'plain';
  readonly disabled?: boolean;
  readonly busy?: boolean;
  readonly testID?: string;
}

/** A button that says what happens. */
export function Action({ label, onPress, kind = 'main', disabled, busy, testID }: ActionProps) {
  return (
    <Button
      mode={kind === 'main' ? 'contained' : kind === 'quiet' ? 'outlined' : 'text'}
      onPress={onPress}
      disabled={Boolean(disabled) || Boolean(busy)}
      loading={Boolean(busy)}
      testID={testID}
      contentStyle={{ minHeight: TARGET }}
      labelStyle={{ marginVertical: 6 }}
    >
      {label}
    </Button>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly chosen: boolean;
  readonly onPress: () => void;
  readonly testID?: string;
  readonly wide?: boolean;
}

/** One of several answers: chosen is filled and ticked, never by colour alone. */
export function Choice({ label, chosen, onPress, testID, wide }: ChoiceProps) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-pressed={chosen}
      aria-label={label}
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => [
        styles.choice,
        {
          borderColor: chosen ? palette.spruce : palette.line,
          backgroundColor: chosen ? palette.spruce : palette.sheet,
          opacity: pressed ? 0.8 : 1,
        },
        wide ? { flex: 1 } : null,
      ]}
    >
      {chosen ? <Icon name="check" size={18} color={palette.onSpruce} /> : null}
      <Text variant="bodyMedium" style={{ color: chosen ? palette.onSpruce : palette.ink, fontWeight: '600' }}>
        {label}
      </Text>
    </Pressable>
  );
}

/** A row that opens something; its name is what stands in it. */
export function LinkRow({
  children,
  onPress,
  testID,
}: {
  readonly children: ReactNode;
  readonly onPress: () => void;
  readonly testID?: string;
}) {
  const palette = usePalette();
  return (
    <Pressable
      role="link"
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => [
        styles.linkRow,
        { borderColor: palette.line, backgroundColor: pressed ? palette.spruceWash : 'transparent' },
      ]}
    >
      <View style={styles.linkBody}>{children}</View>
      <Icon name="chevron-right" color={palette.soft} />
    </Pressable>
  );
}

/** A confident number with its small label. */
export function Figure({
  value,
  label,
  tone,
}: {
  readonly value: string;
  readonly label: string;
  readonly tone?: 'clay' | 'spruce';
}) {
  const palette = usePalette();
  return (
    <View style={{ minWidth: 64 }}>
      <Text
        style={{
          fontFamily: NUMBER_FONT,
          fontWeight: '600',
          fontSize: 30,
          lineHeight: 34,
          color: tone ? palette[tone] : palette.ink,
          fontVariant: ['tabular-nums'],
        }}
      >
        {value}
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {label}
      </Text>
    </View>
  );
}

/** A caution: octagon and words, on a wash. */
export function Caution({ children, testID }: { readonly children: ReactNode; readonly testID?: string }) {
  const palette = usePalette();
  return (
    <View role="alert" testID={testID} style={[styles.caution, { backgroundColor: palette.clayWash, borderColor: palette.clay }]}>
      <Icon name="alert" color={palette.clay} />
      <Text variant="bodyMedium" style={{ flex: 1, color: palette.ink }}>
        {children}
      </Text>
    </View>
  );
}

export function Loading({ label = 'Fetching' }: { readonly label?: string }) {
  return (
    <View style={styles.centre}>
      <ActivityIndicator aria-label={label} />
    </View>
  );
}

/** Nothing here yet, or it went wrong: what it is, and the next step. */
export function Blank({
  title,
  page = false,
  children,
  action,
}: {
  readonly title: string;
  /** It is all that the page has to say: its title is the page's. */
  readonly page?: boolean;
  readonly children?: ReactNode;
  readonly action?: ReactNode;
}) {
  const palette = usePalette();
  return (
    <View style={styles.blank}>
      <Text variant="titleMedium" {...(page ? { role: 'heading', 'aria-level': 1 } : {})}>
        {title}
      </Text>
      {children ? (
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          {children}
        </Text>
      ) : null}
      {action}
    </View>
  );
}

const styles = StyleSheet.create({
  choice: {
    minHeight: TARGET,
    minWidth: TARGET,
    paddingHorizontal: SPACE.m,
    borderRadius: RADIUS,
    borderWidth: 1.5,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: SPACE.xs,
  },
  linkRow: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: 64,
    paddingVertical: SPACE.s,
    borderBottomWidth: 1,
    gap: SPACE.s,
  },
  linkBody: { flex: 1, gap: 2, minWidth: 0 },
  caution: { flexDirection: 'row', gap: SPACE.s, padding: SPACE.m, borderLeftWidth: 4, alignItems: 'flex-start' },
  centre: { padding: SPACE.xxl, alignItems: 'center' },
  blank: { gap: SPACE.m, paddingVertical: SPACE.l, alignItems: 'flex-start' },
});
