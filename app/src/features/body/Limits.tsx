import type { BodyPicture } from '@wrightonic/contract';
import { bodyTestById, worthAndSkip } from '@wrightonic/core';
import type { AthleteProfile, WeighedCheck } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { SPACE, usePalette } from '../../ui/theme';
import { useVocabulary } from '../../ui/vocabulary';
import { sideName } from '../../ui/words';

const checkName = ({ check }: WeighedCheck, throws: AthleteProfile['throws']): string =>
  check.kind === 'screen'
    ? `${bodyTestById(check.test).name}${check.side === 'none' ? '' : `, ${sideName(check.side, throws)}`}`
    : '';

export function Next({ picture, athlete }: { readonly picture: BodyPicture; readonly athlete: AthleteProfile }) {
  const palette = usePalette();
  const { worth, skip } = worthAndSkip(picture.insight.worthDoing);
  return (
    <View style={{ gap: SPACE.s }}>
      {worth.slice(0, 4).map((c, i) => (
        <Text key={i} variant="bodyMedium" testID={i === 0 ? 'worth-first' : undefined}>
          {`${i + 1}. ${checkName(c, athlete.throws)}, ${c.minutes} min`}
        </Text>
      ))}
      {worth.length === 0 ? <Text variant="bodyMedium">No test would change what is thought just now.</Text> : null}
      {skip.length > 0 ? (
        <Text variant="bodySmall" style={{ color: palette.soft }} testID="can-skip">
          {`Can be skipped today: ${[...new Set(skip.map((c) => (c.check.kind === 'screen' ? bodyTestById(c.check.test).name.toLowerCase() : '')))].join(', ')}. They would hardly change what is thought.`}
        </Text>
      ) : null}
    </View>
  );
}

export function Limits({ picture }: { readonly picture: BodyPicture }) {
  const say = useVocabulary();
  const palette = usePalette();
  const { limits } = picture.insight;
  if (limits.length === 0)
    return (
      <Text style={{ color: palette.soft }}>
        Nothing in the body is likely to hold the delivery back, as far as it was tested.
      </Text>
    );
  return (
    <View style={{ gap: SPACE.m }}>
      {limits.map((l) => (
        <View key={l.finding} style={{ gap: 2 }}>
          <Text variant="bodyMedium">{`${say.title(l.finding)} (${Math.round(100 * l.probability)} %)`}</Text>
          <Text variant="bodySmall" style={{ color: palette.soft }}>
            {l.eases.length > 0
              ? `Without it, less of: ${l.eases
                  .slice(0, 3)
                  .map((e) => `${say.title(e.finding).toLowerCase()} (${Math.round(100 * e.probability)} %)`)
                  .join('; ')}`
              : 'Nothing seen so far hangs on it.'}
          </Text>
        </View>
      ))}
    </View>
  );
}
