import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { Keypad } from '../../ui/Keypad';
import { NUMBER_FONT, SPACE } from '../../ui/theme';

/** A keypad for one thumb: speed in tenths. */
export function SpeedPad({
  unit,
  onKeep,
  onClose,
}: {
  readonly unit: string;
  readonly onKeep: (speed: number) => void;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState('');
  const speed = Number(text);
  const usable = text !== '' && speed >= 10 && speed <= 200;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text
        style={{
          fontFamily: NUMBER_FONT,
          fontSize: 40,
          lineHeight: 46,
          fontWeight: '600',
          textAlign: 'center',
          fontVariant: ['tabular-nums'],
        }}
        testID="speed-shown"
      >
        {text || '–'} <Text style={{ fontSize: 18 }}>{unit}</Text>
      </Text>
      <Keypad text={text} onText={setText} />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <View style={{ flex: 1 }}>
          <Action kind="quiet" label="Close" onPress={onClose} />
        </View>
        <View style={{ flex: 2 }}>
          <Action
            label={usable ? `Log ${speed.toFixed(1)} ${unit}` : 'Log the speed'}
            disabled={!usable}
            onPress={() => {
              onKeep(speed);
              setText('');
            }}
            testID="keep-speed"
          />
        </View>
      </View>
    </View>
  );
}
