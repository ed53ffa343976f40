import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { NUMBER_FONT, SPACE } from '../../ui/theme';

const clock = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

/** The pause between two sets, counted down. It holds nobody up: the next tap ends it too. */
export function Rest({ until, onOver }: { readonly until: number; readonly onOver: () => void }) {
  const [left, setLeft] = useState(() => Math.max(0, Math.ceil((until - Date.now()) / 1000)));
  useEffect(() => {
    const timer = setInterval(() => {
      const seconds = Math.max(0, Math.ceil((until - Date.now()) / 1000));
      setLeft(seconds);
      if (seconds === 0) onOver();
    }, 250);
    return () => clearInterval(timer);
  }, [until, onOver]);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }} testID="rest">
      <Text variant="bodyMedium">Set done. Rest</Text>
      <Text
        role="timer"
        style={{ fontFamily: NUMBER_FONT, fontSize: 30, lineHeight: 34, fontWeight: '600', fontVariant: ['tabular-nums'] }}
      >
        {clock(left)}
      </Text>
      <View style={{ flex: 1 }} />
      <Action kind="plain" label="Go on" onPress={onOver} testID="rest-over" />
    </View>
  );
}
