import type { RungMove } from '@wrightonic/contract';
import type { Rung } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Caution } from '../../ui/controls';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

const VERDICTS: Record<RungMove['verdict'], string> = { advance: 'Moved up', hold: 'Stays', regress: 'Went back' };

const BEFORE: Record<RungMove['verdict'], string> = { advance: 'moved up', hold: 'stayed', regress: 'went back' };

/** The newest verdict with its reason; a move may be taken back by the coach. */
export function GateMove({
  move,
  athlete,
  mayTakeBack,
}: {
  readonly move: RungMove;
  readonly athlete: string;
  readonly mayTakeBack: boolean;
}) {
  const palette = usePalette();
  const [change, { isLoading, error }] = api.useChangeFocusMutation();
  const isMove = move.from !== move.to;
  return (
    <View style={{ gap: SPACE.s, borderLeftWidth: 3, borderColor: palette.brass, paddingLeft: SPACE.m }} testID="gate-verdict">
      <Text variant="bodyMedium">
        <Text
          style={{ fontWeight: '600' }}
        >{`${VERDICTS[move.verdict]}${isMove ? `: rung ${move.from} → ${move.to}` : ` on rung ${move.to}`}. `}</Text>
        {move.reason}
      </Text>
      {move.revised ? (
        <Text variant="bodySmall" style={{ color: palette.brass }} testID="verdict-revised">
          {`Changed on ${weekDay(move.revised.on)} by entries that came in later: before, it ${BEFORE[move.revised.was]}${move.revised.was === 'hold' ? '' : `, to rung ${move.revised.to}`}.`}
        </Text>
      ) : null}
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {weekDay(move.on)}
      </Text>
      {isMove && move.by === 'gate' && mayTakeBack ? (
        <Action
          kind="plain"
          label={`Take it back to rung ${move.from}`}
          busy={isLoading}
          onPress={() =>
            void change({ athlete, id: move.focus, body: { rung: move.from as Rung, reason: 'The gate’s move was taken back' } })
          }
        />
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
    </View>
  );
}
