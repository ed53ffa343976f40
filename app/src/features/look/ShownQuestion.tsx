import { partOf } from '@wrightonic/core';
import { linkMovement, shownFault } from '@wrightonic/core/simulate';
import type { Discipline, Finding, Hand, Link } from '@wrightonic/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Mannequin } from '../../ui/Mannequin';
import { SPACE, usePalette } from '../../ui/theme';

interface Thrower {
  readonly discipline: Discipline;
  readonly throws: Hand;
  readonly heightM: number;
}

/** Whether a question can be shown by the figure. */
export const canShow = (finding: Finding, discipline: Discipline): boolean => shownFault(finding.id, discipline) !== null;

/** What a question asks about: as it should be beside the fault, the part in question drawn heavier. */
export function ShownQuestion({
  finding,
  link,
  athlete,
  age,
}: {
  readonly finding: Finding;
  readonly link: Link;
  readonly athlete: Thrower;
  readonly age: number;
}) {
  const palette = usePalette();
  const { discipline, throws, heightM } = athlete;
  const [right, wrong] = useMemo(() => {
    const fault = shownFault(finding.id, discipline);
    return [linkMovement(link, discipline, heightM, age), fault ? linkMovement(link, discipline, heightM, age, fault) : null];
  }, [finding.id, link, discipline, heightM, age]);
  const stress = partOf(finding.id);
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.s }} testID={`shown-${finding.id}`}>
      {(
        [
          [right, 'As it should be'],
          [wrong, 'The fault'],
        ] as const
      ).map(([movement, name]) =>
        movement ? (
          <View key={name} style={{ flex: 1, minWidth: 0 }}>
            <Mannequin
              movement={movement}
              moving
              throws={throws}
              heightM={heightM}
              age={age}
              height={150}
              stress={stress}
              label={`${name}: ${finding.title.toLowerCase()}`}
            />
            <Text variant="bodySmall" style={{ color: palette.soft, textAlign: 'center' }}>
              {name}
            </Text>
          </View>
        ) : null,
      )}
    </View>
  );
}
