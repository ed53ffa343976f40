import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Action } from '../../ui/controls';
import { NUMBER_FONT, RADIUS, SPACE, usePalette } from '../../ui/theme';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const;
const LONGEST = 5;

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
  const palette = usePalette();
  const [text, setText] = useState('');
  const speed = Number(text);
  const usable = text !== '' && speed >= 10 && speed <= 200;
  const press = (key: (typeof KEYS)[number]) => {
    if (key === '⌫') setText(text.slice(0, -1));
    else if (text.length < LONGEST && !(key === '.' && text.includes('.'))) setText(text + key);
  };
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
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.xs }}>
        {KEYS.map((key) => (
          <Pressable
            key={key}
            role="button"
            aria-label={key === '⌫' ? 'Delete' : key === '.' ? 'Point' : key}
            onPress={() => press(key)}
            testID={`key-${key}`}
            style={({ pressed }) => ({
              flexBasis: '31%',
              flexGrow: 1,
              height: 54,
              borderRadius: RADIUS,
              borderWidth: 1.5,
              borderColor: palette.line,
              alignItems: 'center',
              justifyContent: 'center',
              backgroundColor: pressed ? palette.spruceWash : palette.sheet,
            })}
          >
            <Text style={{ fontFamily: NUMBER_FONT, fontSize: 26, lineHeight: 30, fontWeight: '600' }}>{key}</Text>
          </Pressable>
        ))}
      </View>
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
