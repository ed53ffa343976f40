import { may } from '@wrightonic/contract';
import type { AthleteOverview, Role } from '@wrightonic/contract';
import { RUNG_NAMES } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { CourseLine } from '../../ui/CourseLine';
import { FocusStory } from '../../ui/FocusStory';
import { Owned } from './Owned';
import { TellAthlete } from '../../ui/TellAthlete';
import { Action, Blank } from '../../ui/controls';
import { SPACE, usePalette } from '../../ui/theme';
import { useWordsFor } from '../../ui/use-words';
import { useVocabulary } from '../../ui/vocabulary';
import { weekDay } from '../../ui/words';

export function FocusPart({ data, role }: { readonly data: AthleteOverview; readonly role: Role }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const { id, foci, why, owned = [] } = data;
  // To the athlete and the family a weak link is room to gain, in plain words.
  const judges = may(role, 'judge');
  const inWords = useWordsFor(data.age);
  if (foci.length === 0)
    return (
      <View style={{ gap: SPACE.m }}>
        <Owned owned={owned} athlete={id} judges={judges} />
        <Blank
          title="No focus yet"
          action={
            judges ? (
              <Action kind="quiet" label="Look at the delivery" onPress={() => router.push(`/athletes/${id}/look`)} />
            ) : undefined
          }
        >
          Look link by link; the likeliest cause becomes the focus.
        </Blank>
      </View>
    );
  return (
    <View style={{ gap: SPACE.s }}>
      {foci.map((focus) => (
        <View key={focus.id} style={{ gap: 2 }}>
          <Text variant="titleLarge" testID="focus-title">
            {judges ? say.title(focus.finding) : inWords(say.forAthlete(focus.finding))}
          </Text>
          <Text variant="bodyMedium" style={{ color: palette.soft }} testID="focus-rung">
            {`Rung ${focus.rung}, ${RUNG_NAMES[focus.rung].toLowerCase()}, since ${weekDay(focus.rungSince)}`}
          </Text>
          <FocusStory focus={focus} />
          {focus.course && focus.course.state !== 'working' ? <CourseLine {...focus.course} /> : null}
        </View>
      ))}
      <Owned owned={owned} athlete={id} judges={judges} />
      {why && judges ? (
        <Text variant="bodySmall">{`When it was chosen: ${why[0]!.toLowerCase()}${say.sentence(why).slice(1)}`}</Text>
      ) : null}
      {!judges && data.told ? <TellAthlete words={data.told} headed /> : null}
    </View>
  );
}
