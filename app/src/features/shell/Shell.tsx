import type { Role } from '@wrightonic/contract';
import { Slot, usePathname, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useAppSelector } from '../../state/store';
import Icon from '../../ui/icons';
import { useWide } from '../../ui/layout';
import { ShortcutSheet, useShortcuts } from '../../ui/shortcuts';
import { SPACE, usePalette } from '../../ui/theme';

interface Place {
  readonly path: string;
  readonly name: string;
  readonly icon: string;
}

/** Where each role may go; the bar and the rail are drawn from this. */
const PLACES: Record<Role, readonly Place[]> = {
  instructor: [
    { path: '/', name: 'Today', icon: 'today' },
    { path: '/athletes', name: 'Athletes', icon: 'account-group' },
    { path: '/drills', name: 'Drills', icon: 'drills' },
    { path: '/desk', name: 'Desk', icon: 'desk' },
  ],
  athlete: [
    { path: '/', name: 'My day', icon: 'today' },
    { path: '/my-numbers', name: 'My numbers', icon: 'drills' },
    { path: '/desk', name: 'Desk', icon: 'desk' },
  ],
};

const isHere = (path: string, here: string): boolean => (path === '/' ? here === '/' : here.startsWith(path));

/** The frame round every screen: the bar under the thumb, or a slim rail on a wide screen. */
export function Shell({ role }: { readonly role: Role }) {
  const palette = usePalette();
  const wide = useWide();
  const here = usePathname();
  const router = useRouter();
  const { connected, list } = useAppSelector((s) => s.operations);
  const waiting = list.filter((o) => o.status === 'waiting').length;
  const [keys, setKeys] = useState(false);
  useShortcuts([
    { key: '?', does: 'this sheet', run: () => setKeys(!keys) },
    ...PLACES[role].map((place, i) => ({
      key: String(i + 1),
      does: place.name,
      run: () => router.navigate(place.path as never),
    })),
  ]);
  // A session in the cage has the whole screen.
  const running = here.includes('/run');
  const bar =
    running && !wide ? null : (
      <View
        role="navigation"
        style={[wide ? styles.rail : styles.bar, { borderColor: palette.line, backgroundColor: palette.sheet }]}
      >
        {wide ? (
          <Text variant="titleMedium" style={{ paddingHorizontal: SPACE.l, paddingBottom: SPACE.l, color: palette.spruce }}>
            Wrightonic
          </Text>
        ) : null}
        {PLACES[role].map((place) => {
          const on = isHere(place.path, here);
          return (
            <Pressable
              key={place.path}
              role="link"
              aria-label={place.name}
              aria-current={on ? 'page' : undefined}
              onPress={() => router.navigate(place.path as never)}
              style={[wide ? styles.railItem : styles.item, { borderColor: on ? palette.spruce : 'transparent' }]}
            >
              <Icon name={place.icon} color={on ? palette.spruce : palette.soft} />
              <Text variant="bodySmall" style={{ color: on ? palette.spruce : palette.soft, fontWeight: '600' }}>
                {place.name}
              </Text>
            </Pressable>
          );
        })}
        {wide ? (
          <Pressable role="button" aria-label="Keys" onPress={() => setKeys(true)} style={[styles.railItem, styles.railFoot]}>
            <Text variant="bodySmall" style={{ color: palette.soft }}>
              ? for keys
            </Text>
          </Pressable>
        ) : null}
      </View>
    );
  return (
    <View style={[styles.frame, { flexDirection: wide ? 'row' : 'column', backgroundColor: palette.paper }]}>
      {wide ? bar : null}
      <View style={{ flex: 1, minWidth: 0 }}>
        {!connected || waiting > 5 ? (
          <View role="status" style={[styles.offline, { backgroundColor: palette.brassWash }]}>
            <Icon name="offline" size={18} color={palette.brass} />
            <Text variant="bodySmall" style={{ color: palette.ink }}>
              {`No connection. ${waiting} ${waiting === 1 ? 'entry is' : 'entries are'} kept on this device and sent when it is back.`}
            </Text>
          </View>
        ) : null}
        <Slot />
      </View>
      {wide ? null : bar}
      <ShortcutSheet open={keys} onClose={() => setKeys(false)} />
    </View>
  );
}

const styles = StyleSheet.create({
  frame: { flex: 1, height: '100%' },
  bar: { flexDirection: 'row', borderTopWidth: 1 },
  item: { flex: 1, minHeight: 58, alignItems: 'center', justifyContent: 'center', gap: 2, borderTopWidth: 3 },
  rail: { width: 148, borderRightWidth: 1, paddingTop: SPACE.xl },
  railItem: {
    minHeight: 52,
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    paddingHorizontal: SPACE.l,
    borderLeftWidth: 3,
  },
  railFoot: { marginTop: 'auto', borderColor: 'transparent' },
  offline: { flexDirection: 'row', gap: SPACE.s, paddingHorizontal: SPACE.l, paddingVertical: SPACE.s, alignItems: 'center' },
});
