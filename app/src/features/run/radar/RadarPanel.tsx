import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { inAddress } from '../../../data/channel';
import { Action, Caution } from '../../../ui/controls';
import { Row } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';
import type { Heard, Radar } from './use-radar';

const WHY: Record<NonNullable<Heard['doubt']>, string> = {
  double: 'read twice',
  slow: 'too slow for a throw of theirs: a bat, a glove, a bounce?',
  fast: 'faster than they throw: a car, or the other unit?',
  several: 'more than one throw may have been it',
};

/** Speeds that wait for their throw, or for a word. */
export function HeardSpeeds({ radar, newest }: { readonly radar: Radar; readonly newest: string | null }) {
  if (!radar.channel || radar.heard.length === 0) return null;
  return (
    <View style={{ gap: SPACE.xs }} role="status">
      {radar.heard.slice(-3).map((heard) => (
        <Row key={heard.n}>
          <Text variant="bodyMedium" style={{ flexShrink: 1 }}>
            {`${heard.speed.toFixed(1)} ${heard.unit}${heard.doubt ? `, ${WHY[heard.doubt]}` : ': tap the rep'}`}
          </Text>
          {heard.doubt ? (
            <>
              <Action
                kind="plain"
                label={newest === null ? 'It counts' : 'The last throw'}
                onPress={() => radar.keep(heard, newest)}
                testID="radar-keep"
              />
              <Action kind="plain" label="Drop it" onPress={() => radar.drop(heard)} testID="radar-drop" />
            </>
          ) : null}
        </Row>
      ))}
    </View>
  );
}

/** Connects a radar gun, or its stand-in, for this session. */
export function RadarConnection({ radar }: { readonly radar: Radar }) {
  const palette = usePalette();
  if (!radar.channel)
    return (
      <Row>
        <Action
          kind="quiet"
          label="Connect a radar"
          busy={radar.opening}
          onPress={() => void radar.connect()}
          testID="connect-radar"
        />
      </Row>
    );
  const address = `/radar${inAddress(radar.channel)}`;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text variant="bodyMedium">
        Connected. A gun writes to this session’s channel until tonight; a speed goes with the throw that is tapped.
      </Text>
      <Text variant="bodySmall" style={{ color: palette.soft }} selectable testID="radar-address">
        {address}
      </Text>
      <Row>
        <Action
          kind="quiet"
          label="Open the stand-in radar"
          onPress={() => window.open(address, '_blank')}
          testID="radar-stand-in"
        />
      </Row>
      {radar.lost > 0 ? (
        <Caution testID="radar-lost">{`${radar.lost} ${radar.lost === 1 ? 'reading has' : 'readings have'} not come through.`}</Caution>
      ) : null}
    </View>
  );
}
