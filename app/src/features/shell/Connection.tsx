import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { Operation } from '../../data/operations';
import { useAppSelector } from '../../data/store';
import Icon from '../../ui/icons';
import { SPACE, usePalette } from '../../ui/theme';

const clock = (ms: number): string => {
  const at = new Date(ms);
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const today = at.toDateString() === new Date().toDateString();
  return today ? time : `${at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })}, ${time}`;
};

/** With a good signal an entry is sent at once: one that still waits after so long is told, ms. */
const SOON_MS = 4000;
const LOOK_AGAIN_MS = 2000;

/** Whether something has waited for longer than sending takes. The order of entries is their time, in thousandths of a millisecond. */
function useWaitsLong(oldest: number | undefined): boolean {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    if (oldest === undefined) return undefined;
    const timer = setInterval(() => setNow(Date.now()), LOOK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [oldest]);
  return oldest !== undefined && now - oldest / 1000 > SOON_MS;
}

/** How many entries, and of how many athletes. */
function entries(list: readonly Operation[]): string {
  const athletes = new Set(list.map((o) => o.athlete)).size;
  return `${list.length} ${list.length === 1 ? 'entry' : 'entries'} of ${athletes === 1 ? 'one athlete' : `${athletes} athletes`}`;
}

/** Says when the server is away, how old what is shown is, and what this device has written down and of whom. */
export function Connection({ user }: { readonly user: string }) {
  const palette = usePalette();
  const { connected, list, shownFrom, unkept } = useAppSelector((s) => s.operations);
  const waiting = list.filter((o) => o.status === 'waiting' && o.user === user);
  const stored = waiting.filter((o) => !unkept.includes(o.seq));
  const long = useWaitsLong(waiting[0]?.seq);
  if (connected && !long) return null;
  const kept =
    stored.length === 0
      ? 'What you log is kept on this device and sent when it is back.'
      : `${entries(stored)} ${stored.length === 1 ? 'is' : 'are'} kept on this device and sent when it is back.`;
  const text = connected
    ? `Sending ${entries(waiting)}.`
    : `No connection. ${shownFrom === null ? '' : `Shown as it was at ${clock(shownFrom)}. `}${kept}`;
  return (
    <View role="status" testID="connection" style={[styles.bar, { backgroundColor: palette.brassWash }]}>
      <Icon name="offline" size={18} color={palette.brass} />
      <Text variant="bodySmall" style={{ color: palette.ink, flex: 1 }}>
        {text}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', gap: SPACE.s, paddingHorizontal: SPACE.l, paddingVertical: SPACE.s, alignItems: 'center' },
});
