import { findingById, linkName, partOf } from '@wrightonic/core';
import type { Link } from '@wrightonic/core';
import { linkMovement } from '@wrightonic/core/simulate';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Caution } from '../../../../ui/controls';
import { Mannequin } from '../../../../ui/Mannequin';
import { SPACE, usePalette } from '../../../../ui/theme';
import type { ClassWork } from '../../../../parts/class';
import type { Pupil } from './use-class';

/** What each shows: everything up to the link that is taught. */
function upTo(link: Link): string {
  const [first, last] = [linkName('set', 'overhand'), linkName(link, 'overhand')];
  return first === last ? `Shows ${first}.` : `Shows it from ${first} through ${last}.`;
}

/** Whoever is called: the name, the question, and the figure at the link, the part in question drawn heavier. */
export function Called({ pupil, work, height }: { readonly pupil: Pupil; readonly work: ClassWork; readonly height: number }) {
  const palette = usePalette();
  const { athlete, age } = pupil.overview;
  const { discipline, heightM, throws } = athlete;
  const movement = useMemo(() => linkMovement(work.link, discipline, heightM, age), [work.link, discipline, heightM, age]);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text variant="headlineMedium" role="heading" aria-level={1} numberOfLines={1} testID="front">
        {pupil.name}
      </Text>
      <Text variant="bodyMedium" style={{ color: palette.soft }}>
        {upTo(work.link)}
      </Text>
      {pupil.mind ? <Caution>{pupil.mind}</Caution> : null}
      <Text variant="titleLarge" style={{ fontSize: 22, lineHeight: 27 }} testID="class-question">
        {findingById(work.finding).eyeCheck}
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        Good: no. Off: yes.
      </Text>
      <Mannequin
        movement={movement}
        moving
        throws={throws}
        heightM={heightM}
        age={age}
        height={height}
        stress={partOf(work.finding)}
        label={`Figure at ${linkName(work.link, discipline)}`}
      />
    </View>
  );
}
