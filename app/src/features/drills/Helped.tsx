import { may } from '@wrightonic/contract';
import { effectWords } from '@wrightonic/core';
import type { Discipline, Drill } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api } from '../../data/api';
import { SPACE, usePalette } from '../../ui/theme';
import { useUnits } from '../../ui/units';
import { useVocabulary } from '../../ui/vocabulary';

/** What a drill did in this academy's athletes: for the coaches, and never of one athlete. */
export function Helped({ drill, discipline }: { readonly drill: Drill; readonly discipline: Discipline }) {
  const palette = usePalette();
  const units = useUnits();
  const say = useVocabulary();
  const { data: me } = api.useMeQuery();
  const coaches = me !== undefined && may(me.role, 'judge');
  const { data } = api.useEffectsQuery(undefined, { skip: !coaches || drill.treats.length === 0 });
  if (!coaches || !data || drill.treats.length === 0) return null;
  const told = data.effects.flatMap((effects) =>
    effects.discipline === discipline
      ? effects.drills.filter((d) => d.drill === drill.id).map((effect) => ({ effects, effect }))
      : [],
  );
  return (
    <View style={{ gap: SPACE.xs }} testID="helped">
      <Text variant="bodyMedium" style={{ fontWeight: '600' }}>
        What it did here
      </Text>
      {told.length === 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          Too few athletes were measured before and after work with it to tell.
        </Text>
      ) : null}
      {told.map(({ effects, effect }) => (
        <Text key={effects.finding} variant="bodySmall">
          <Text style={{ fontWeight: '600' }}>{`${say.title(effects.finding)}. `}</Text>
          {effectWords(effects, effect, units)}
        </Text>
      ))}
      {told.length === 0 ? null : (
        <Text variant="bodySmall" style={{ color: palette.soft }}>
          From the academy’s own log and film, 90 % intervals. It moves the drill up or down a little in new plans; a ladder of
          your own keeps its order.
        </Text>
      )}
    </View>
  );
}
