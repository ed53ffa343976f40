import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { NUMBER_FONT, usePalette } from '../../ui/theme';
import { percent } from '../../ui/words';

const NAMED_FROM = 0.14;

/** Body, timing or cue: three lengths on one line, each named in place. */
export function SplitBar({ split }: { readonly split: { body: number; timing: number; cue: number } }) {
  const palette = usePalette();
  const parts = [
    { name: 'body', share: split.body, fill: palette.brass, ink: palette.sheet },
    { name: 'timing', share: split.timing, fill: palette.spruce, ink: palette.onSpruce },
    { name: 'cue', share: split.cue, fill: palette.limb, ink: palette.ink },
  ].filter((p) => p.share > 0.005);
  if (parts.length === 0)
    return <Text style={{ color: palette.soft }}>Not enough seen to say whether it is body, timing or a cue.</Text>;
  return (
    <View
      role="img"
      aria-label={parts.map((p) => `${p.name} ${percent(p.share)}`).join(', ')}
      style={{ flexDirection: 'row', height: 34, borderWidth: 1.5, borderColor: palette.ink }}
    >
      {parts.map((p) => (
        <View
          key={p.name}
          style={{ flex: p.share, backgroundColor: p.fill, justifyContent: 'center', paddingHorizontal: 6, overflow: 'hidden' }}
        >
          {p.share > NAMED_FROM ? (
            <Text
              numberOfLines={1}
              style={{ color: p.ink, fontFamily: NUMBER_FONT, fontWeight: '600', fontSize: 16 }}
            >{`${p.name} ${percent(p.share)}`}</Text>
          ) : null}
        </View>
      ))}
    </View>
  );
}
