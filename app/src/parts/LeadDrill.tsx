import { drillPoses } from '@wrightonic/core';
import type { Discipline, Drill, Equipment, Hand, PlanItem, PlanSession } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { useLibrary } from '../data/use-library';
import { Mannequin } from '../ui/Mannequin';
import { usePalette } from '../ui/theme';
import { useWordsFor } from '../ui/use-words';

/** Kit that is drawn with a drill: what it is made of always, a support only while it is one. */
export const drawnKit = (drill: Drill, { aids }: PlanItem): readonly Equipment[] =>
  drill.equipment.filter((kit) => aids.includes(kit) || !drill.aids.some((a) => a.kit === kit));

/** What the day is about: its main work, else what comes first. */
export const leadOf = ({ items }: PlanSession): PlanItem | undefined => items.find((i) => i.role === 'main') ?? items[0];

/** The drill that the day is about, moving, with the one cue. */
export function LeadDrill({
  session,
  discipline,
  throws,
  heightM,
  age,
}: {
  readonly session: PlanSession;
  readonly discipline: Discipline;
  readonly throws: Hand;
  readonly heightM: number;
  readonly age: number;
}) {
  const palette = usePalette();
  const { drill: look } = useLibrary();
  const inWords = useWordsFor(age);
  const item = leadOf(session);
  if (!item) return null;
  const drill = look(item.drill, item.words);
  return (
    <View testID="lead-drill" style={{ alignItems: 'center' }}>
      <Mannequin
        poses={drillPoses(drill, discipline)}
        aids={drawnKit(drill, item)}
        throws={throws}
        heightM={heightM}
        age={age}
        moving
        height={210}
        label={`Figure: ${drill.name}`}
      />
      <Text variant="titleLarge" style={{ textAlign: 'center' }}>
        {inWords(item.cue)}
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft, textAlign: 'center' }}>
        {drill.name}
      </Text>
    </View>
  );
}
