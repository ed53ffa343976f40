import type { Judgement } from '@wrightonic/contract';
import { Pressable, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Circle, Path } from 'react-native-svg';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';

const NAMES: Record<Judgement, string> = { good: 'Good', close: 'Close', off: 'Off' };

/** Full, half and empty: told apart by shape in full sun. */
function Sign({ judged, colour }: { readonly judged: Judgement; readonly colour: string }) {
  return (
    <Svg width={26} height={26} viewBox="0 0 26 26" aria-hidden>
      <Circle cx={13} cy={13} r={10.5} fill={judged === 'good' ? colour : 'none'} stroke={colour} strokeWidth={3} />
      {judged === 'close' ? <Path d="M 13 2.5 A 10.5 10.5 0 0 0 13 23.5 Z" fill={colour} /> : null}
    </Svg>
  );
}

/** The three buttons across the bottom, for one thumb. */
export function RepButtons({
  disabled,
  left = false,
  onRep,
}: {
  readonly disabled: boolean;
  /** For a left thumb: the other way round. */
  readonly left?: boolean;
  readonly onRep: (judged: Judgement) => void;
}) {
  const palette = usePalette();
  return (
    <View testID="rep-buttons" style={{ flexDirection: left ? 'row-reverse' : 'row', gap: SPACE.s }}>
      {(['good', 'close', 'off'] as const).map((judged) => {
        const solid = judged === 'good';
        const colour = solid ? palette.onSpruce : palette.ink;
        return (
          <Pressable
            key={judged}
            role="button"
            aria-label={`${NAMES[judged]} rep`}
            aria-disabled={disabled}
            disabled={disabled}
            onPress={() => onRep(judged)}
            testID={`rep-${judged}`}
            style={({ pressed }) => ({
              flex: 1,
              height: 96,
              borderRadius: RADIUS,
              borderWidth: 2,
              borderColor: solid ? palette.spruce : palette.ink,
              gap: 4,
              alignItems: 'center',
              justifyContent: 'center',
              backgroundColor: solid ? palette.spruce : palette.sheet,
              opacity: disabled ? 0.35 : pressed ? 0.7 : 1,
            })}
          >
            <Sign judged={judged} colour={colour} />
            <Text variant="labelLarge" style={{ color: colour }}>
              {NAMES[judged]}
            </Text>
          </Pressable>
        );
      })}
    </View>
  );
}
