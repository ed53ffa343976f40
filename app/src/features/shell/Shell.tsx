import { may, ROLE_NAMES } from '@wrightonic/contract';
import type { Me } from '@wrightonic/contract';
import { Slot, usePathname, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useAppSelector } from '../../data/store';
import { useDayTurn } from '../../data/use-today';
import Icon from '../../ui/icons';
import { Screen, useWide } from '../../ui/layout';
import { ShortcutSheet, useShortcuts } from '../../ui/shortcuts';
import { SPACE, usePalette } from '../../ui/theme';
import { Action, Blank } from '../../ui/controls';
import { Connection } from './Connection';
import { placesFor, rightFor, titleOf, wayUp } from './places';
import { Up } from './Up';
import { useTakeAlong } from './use-take-along';
import type { Href } from 'expo-router';

const isHere = (path: string, here: string): boolean => (path === '/' ? here === '/' : here.startsWith(path));

/** The frame round every screen: the bar under the thumb, or a slim rail on a wide screen. */
export function Shell({ me }: { readonly me: Me }) {
  const { role } = me;
  useDayTurn(me);
  useTakeAlong(me);
  const palette = usePalette();
  const wide = useWide();
  const here = usePathname();
  const router = useRouter();
  const places = placesFor(role);
  const needed = rightFor(here);
  const up = wayUp(here, role);
  useEffect(() => {
    document.title = titleOf(here, role);
  }, [here, role]);
  const notKept = useAppSelector((s) => s.operations.notKept);
  const [keys, setKeys] = useState(false);
  useShortcuts([
    { key: '?', does: 'this sheet', run: () => setKeys(!keys) },
    ...places.map((place, i) => ({
      key: String(i + 1),
      does: place.name,
      run: () => router.navigate(place.path as Href),
    })),
  ]);
  // A session in the cage, and a clip, have the whole screen.
  const running = /\/(run|check|clip|group-run)$/.test(here) || here === '/my-run';
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
        {places.map((place) => {
          const on = isHere(place.path, here);
          return (
            <Pressable
              key={place.path}
              role="link"
              aria-label={place.name}
              aria-current={on ? 'page' : undefined}
              onPress={() => router.navigate(place.path as Href)}
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
          <Pressable role="button" onPress={() => setKeys(true)} style={[styles.railItem, styles.railFoot]}>
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
      <View role="main" style={{ flex: 1, minWidth: 0 }}>
        <Connection user={me.id} />
        {up ? <Up to={up} /> : null}
        {notKept ? (
          <View role="alert" testID="not-kept" style={[styles.offline, { backgroundColor: palette.clayWash }]}>
            <Icon name="offline" size={18} color={palette.clay} />
            <Text variant="bodySmall" style={{ color: palette.ink, flex: 1 }}>
              This device does not keep what is tapped: its storage is full or closed. Stay connected and leave this page open
              until all is sent.
            </Text>
          </View>
        ) : null}
        {needed !== null && may(role, needed) ? (
          <Slot />
        ) : (
          <Screen width={520}>
            <Blank
              page
              title={needed === null ? 'There is nothing here' : 'This is not yours to see'}
              action={<Action label="Go back to the start" onPress={() => router.replace('/')} />}
            >
              {needed === null
                ? 'The address may be mistyped, or what was there is gone.'
                : `You are signed in as ${ROLE_NAMES[role]}. Ask an owner of the academy if you need it.`}
            </Blank>
          </Screen>
        )}
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
