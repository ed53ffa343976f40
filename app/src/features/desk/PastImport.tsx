import { may } from '@wrightonic/contract';
import type { ImportRow } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Caution } from '../../ui/controls';
import { SPACE, usePalette } from '../../ui/theme';
import { weekDay } from '../../ui/words';

export function Past({ row }: { readonly row: ImportRow }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const owner = me !== undefined && may(me.role, 'eraseAthlete');
  const [sure, setSure] = useState(false);
  const [undo, { isLoading, error }] = api.useUndoImportMutation();
  return (
    <View style={{ gap: SPACE.xs, paddingVertical: SPACE.s, borderBottomWidth: 1, borderColor: palette.line }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flexShrink: 1 }}>
          <Text variant="bodyMedium" numberOfLines={1}>
            {row.fileName}
          </Text>
          <Text
            variant="bodySmall"
            style={{ color: palette.soft }}
          >{`${row.count} athletes, ${weekDay(row.at.slice(0, 10))}, by ${row.by}`}</Text>
        </View>
        {row.grown === null ? (
          <Action
            kind="plain"
            label={`Take back all ${row.count}`}
            busy={isLoading}
            onPress={() => void undo({ id: row.id })}
            testID="undo-import"
          />
        ) : null}
      </View>
      {row.grown !== null && !owner ? (
        <Text variant="bodySmall">{`${row.grown} Only an owner can take it back now.`}</Text>
      ) : null}
      {row.grown !== null && owner ? (
        <View style={{ gap: SPACE.s }}>
          <Text variant="bodySmall">{row.grown}</Text>
          {sure ? (
            <Caution>{`This erases ${row.count === 1 ? 'the athlete' : `all ${row.count} athletes`} for good, with everything done since: looks, plans, reps, clips, and sign-ins that were only for them.`}</Caution>
          ) : null}
          <Action
            kind="plain"
            label={sure ? `Erase all ${row.count} for good` : `Take back all ${row.count}, work and all`}
            busy={isLoading}
            onPress={() => (sure ? void undo({ id: row.id, query: { with: 'work' } }) : setSure(true))}
            testID="undo-import-with-work"
          />
        </View>
      ) : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
    </View>
  );
}
