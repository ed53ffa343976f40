import { bodyTestById } from '@wrightonic/core';
import type { AthleteProfile, TestStep } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { Blank, Choice, Figure } from '../../ui/controls';
import { Row, Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { sideText } from '../../ui/words';
import { channelOfPage, listenTo } from '../../data/channel';
import { BODIES, useStandIn } from './use-stand-in';
import type { BodyName } from './use-stand-in';

/** A made-up athlete: nobody's measures. */
const SOMEBODY: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2009-06-01',
  heightM: 1.78,
  massKg: 72,
  level: 'high-school',
};
const ON = '2026-06-01';
const SEED = 20_11;

/** A stand-in for an inclinometer, in a tab of its own: it hears what the check asks for and plays it. */
export function InstrumentScreen() {
  const palette = usePalette();
  const [channel] = useState(channelOfPage);
  const [asked, setAsked] = useState<TestStep | null>(null);
  const [body, setBody] = useState<BodyName>('stiff-drive-hip');
  useEffect(() => {
    if (!channel) return undefined;
    return listenTo(channel, (message) => {
      if (message.kind === 'ask')
        setAsked((now) =>
          now?.test === message.test && now.side === message.side ? now : { test: message.test, side: message.side },
        );
      if (message.kind === 'rest') setAsked(null);
    });
  }, [channel]);
  const shown = useStandIn(channel, asked, SOMEBODY, ON, body, SEED);
  if (!channel)
    return (
      <Screen width={520}>
        <Blank title="No channel">Open the stand-in from a body check: the address then holds the channel.</Blank>
      </Screen>
    );
  return (
    <Screen width={520}>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Stand-in inclinometer
        </Text>
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          Plays a made-up athlete’s readings over the same stream that a real device uses. Leave this tab open.
        </Text>
      </View>
      <Figure
        value={asked ? `${shown.toFixed(0)}°` : '–'}
        label={asked ? `${bodyTestById(asked.test).name}, ${sideText(asked.side)}` : 'waiting for the check to ask'}
      />
      <Section title="The made-up athlete">
        <Row style={{ gap: SPACE.s }}>
          {(Object.keys(BODIES) as BodyName[]).map((b) => (
            <Choice key={b} label={BODIES[b].name} chosen={body === b} onPress={() => setBody(b)} />
          ))}
        </Row>
      </Section>
    </Screen>
  );
}
