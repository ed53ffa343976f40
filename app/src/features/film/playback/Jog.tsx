import { View } from 'react-native';
import { Choice } from '../../../ui/controls';
import { Tape } from './Tape';
import type { Peg } from './Tape';

interface Props {
  readonly frames: number;
  readonly frame: number;
  readonly from: number;
  readonly to: number;
  readonly fps: number;
  readonly pegs: readonly Peg[];
  readonly zero: number | null;
  readonly onFrame: (frame: number) => void;
  readonly playing: boolean;
  readonly onPlay: () => void;
}

/** The tape, and buttons that step: what lies under the thumb. */
export function Jog({ playing, onPlay, ...tape }: Props) {
  const { frame, onFrame } = tape;
  const steps = [
    [-10, '−10'],
    [-1, '−1'],
    [1, '+1'],
    [10, '+10'],
  ] as const;
  const button = ([by, label]: (typeof steps)[number]) => (
    <View key={by} style={{ flex: 1 }}>
      <Choice label={label} chosen={false} onPress={() => onFrame(frame + by)} testID={`step${by}`} />
    </View>
  );
  return (
    <View style={{ gap: 4 }}>
      <Tape {...tape} />
      <View style={{ flexDirection: 'row', gap: 6 }}>
        {steps.slice(0, 2).map(button)}
        <View style={{ flex: 1.2 }}>
          <Choice label={playing ? 'Stop' : 'Play'} chosen={playing} onPress={onPlay} testID="play" />
        </View>
        {steps.slice(2).map(button)}
      </View>
    </View>
  );
}
