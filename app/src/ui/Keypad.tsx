import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import { NUMBER_FONT, RADIUS, SPACE, usePalette } from './theme';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const;

interface Props {
  readonly text: string;
  readonly onText: (text: string) => void;
  /** Most characters that are taken. */
  readonly longest?: number;
}

/** A keypad for one thumb. */
export function Keypad({ text, onText, longest = 5 }: Props) {
  const palette = usePalette();
  const press = (key: (typeof KEYS)[number]) => {
    if (key === '⌫') onText(text.slice(0, -1));
    else if (text.length < longest && !(key === '.' && text.includes('.'))) onText(text + key);
  };
  return (
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
  );
}
