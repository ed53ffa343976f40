import type { OwnEye } from '@wrightonic/contract';
import { EYE_PRIOR_LOOKS } from '@wrightonic/core';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Caution, Figure, Loading } from '../../ui/controls';
import { Row, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { percent } from '../../ui/words';
import { useVocabulary } from '../../ui/vocabulary';

const SHOWN = 6;

function Eye({ name, eye }: { readonly name: string; readonly eye: OwnEye['clear'] }) {
  const palette = usePalette();
  return (
    <View style={{ gap: 4 }}>
      <Text variant="labelLarge">{name}</Text>
      <Row style={{ gap: SPACE.xl }}>
        <Figure value={percent(eye.sensitivity)} label="yes, when it is there" />
        <Figure value={percent(eye.specificity)} label="no, when it is not" />
      </Row>
      <Text variant="bodySmall" style={{ color: palette.soft }}>
        {eye.there + eye.notThere === 0
          ? 'No look of yours has met a measure yet: the usual eye counts.'
          : `Measured as there: ${eye.there}, of which you saw ${eye.saidYes}. Measured as not there: ${eye.notThere}, of which you said no to ${eye.saidNo}.`}
      </Text>
    </View>
  );
}

/** How one's own looks agree with what was measured. Nobody else is shown this. */
export function OwnEyePart() {
  const say = useVocabulary();
  const palette = usePalette();
  const { data, error } = api.useOwnEyeQuery(undefined, { refetchOnMountOrArgChange: true });
  if (error) return <Caution>{problemOf(error).detail}</Caution>;
  if (!data) return <Loading />;
  return (
    <Section title="Your eye" note="shown to you only">
      <View style={{ gap: SPACE.l }} testID="own-eye">
        <Text variant="bodyMedium">
          {`Where you looked and a clip was measured within two weeks, the two are held against one another. Your looks then count as surely as they have earned; the usual eye counts like ${EYE_PRIOR_LOOKS} looks to begin with.`}
        </Text>
        <Eye name="What is clear to see" eye={data.clear} />
        <Eye name="What is hard to see" eye={data.hard} />
        {data.findings.length > 0 ? (
          <View style={{ gap: 4 }}>
            {data.findings.slice(0, SHOWN).map((f) => (
              <View key={f.finding} style={{ flexDirection: 'row', gap: SPACE.m }}>
                <Text variant="bodyMedium" style={{ flex: 1 }}>
                  {say.title(f.finding)}
                </Text>
                <Text variant="bodyMedium" style={{ color: palette.soft }}>{`${f.agreed} of ${f.of} agreed`}</Text>
              </View>
            ))}
          </View>
        ) : null}
      </View>
    </Section>
  );
}
