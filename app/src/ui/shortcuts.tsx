import { useEffect, useRef } from 'react';
import { Platform } from 'react-native';
import { Dialog, Portal, Text } from 'react-native-paper';
import { View } from 'react-native';
import { Action } from './controls';
import { NUMBER_FONT, RADIUS, SPACE, usePalette } from './theme';

export interface Shortcut {
  readonly key: string;
  readonly does: string;
  readonly run: () => void;
}

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

/** Keys of a screen while it is shown; none while somebody types or holds a modifier. */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  const current = useRef(shortcuts);
  useEffect(() => {
    current.current = shortcuts;
  });
  useEffect(() => {
    if (Platform.OS !== 'web') return undefined;
    const onKey = (event: KeyboardEvent) => {
      if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const found = current.current.find((s) => s.key === event.key);
      if (!found) return;
      event.preventDefault();
      found.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

const EVERYWHERE: readonly (readonly [string, string])[] = [
  ['1 – 4', 'the places in the rail'],
  ['?', 'this sheet'],
];
const RUNNING: readonly (readonly [string, string])[] = [
  ['g', 'good'],
  ['c', 'close'],
  ['o', 'off'],
  ['u', 'undo'],
  ['n', 'next drill'],
];

const FILM: readonly (readonly [string, string])[] = [
  ['← →', 'one frame'],
  ['↑ ↓', 'ten frames'],
  ['space', 'play slowly, stop'],
  ['[ ]', 'event before, after'],
  ['z y', 'undo, redo'],
  ['s', 'save'],
];

const IN: readonly (readonly [where: string, keys: typeof FILM])[] = [
  ['', EVERYWHERE],
  ['In a session', RUNNING],
  ['On a clip', FILM],
];

/** The sheet that lists all keys. */
export function ShortcutSheet({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const palette = usePalette();
  return (
    <Portal>
      <Dialog
        visible={open}
        onDismiss={onClose}
        style={{ maxWidth: 420, width: '100%', alignSelf: 'center', backgroundColor: palette.sheet, borderRadius: RADIUS }}
      >
        <Dialog.Title>Keys</Dialog.Title>
        <Dialog.Content style={{ gap: SPACE.s }}>
          {IN.map(([where, keys]) => (
            <View key={where} style={{ gap: SPACE.xs }}>
              {where ? <Text variant="labelLarge">{where}</Text> : null}
              {keys.map(([key, does]) => (
                <View key={key} style={{ flexDirection: 'row', gap: SPACE.l }}>
                  <Text style={{ width: 56, fontFamily: NUMBER_FONT, fontWeight: '600', fontSize: 18 }}>{key}</Text>
                  <Text variant="bodyMedium">{does}</Text>
                </View>
              ))}
            </View>
          ))}
        </Dialog.Content>
        <Dialog.Actions>
          <Action kind="plain" label="Close" onPress={onClose} />
        </Dialog.Actions>
      </Dialog>
    </Portal>
  );
}
