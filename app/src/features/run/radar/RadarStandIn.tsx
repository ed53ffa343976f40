import { randomFrom } from '@wrightonic/core';
import { radarRead, RADAR_HABITS } from '@wrightonic/core/simulate';
import type { RadarHabit } from '@wrightonic/core/simulate';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { channelOfPage, sendTo } from '../../../data/channel';
import { Action, Blank, Choice, Figure } from '../../../ui/controls';
import { Row, Screen, Section } from '../../../ui/layout';
import { SPACE, usePalette } from '../../../ui/theme';

const EVERY_MS = 9000;
const MIDDLE_MPH = 68;
const HABIT_NAMES: Record<RadarHabit, string> = {
  throw: 'a throw',
  double: 'the same ball twice',
  bat: 'a bat',
  car: 'a car',
  resend: 'sends the last once more',
  gap: 'loses one',
};

/** A stand-in for a radar gun, in a tab of its own: it reads a made-up thrower, with the faults of real guns. */
export function RadarStandIn() {
  const palette = usePalette();
  const [channel] = useState(channelOfPage);
  const [shown, setShown] = useState<number | null>(null);
  const [auto, setAuto] = useState(false);
  const gun = useRef({ n: 0, random: randomFrom(20_27), last: null as { n: number; speed: number } | null });
  const read = (habit: RadarHabit) => {
    if (!channel) return;
    const { messages, n, last } = radarRead(gun.current, habit, MIDDLE_MPH);
    gun.current = { ...gun.current, n, last };
    if (last) setShown(last.speed);
    // What does not get through is missed by its number.
    void sendTo(channel, messages).catch(() => undefined);
  };
  const reading = useRef(read);
  useEffect(() => {
    reading.current = read;
  });
  useEffect(() => {
    if (!auto) return undefined;
    const timer = setInterval(() => reading.current('throw'), EVERY_MS);
    return () => clearInterval(timer);
  }, [auto]);
  if (!channel)
    return (
      <Screen width={520}>
        <Blank title="No channel">Open the stand-in from a session, under More: the address then holds the channel.</Blank>
      </Screen>
    );
  return (
    <Screen width={520}>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Stand-in radar
        </Text>
        <Text variant="bodyMedium" style={{ color: palette.soft }}>
          Reads a made-up thrower and writes to the session over the same stream that a real gun uses. Leave this tab open.
        </Text>
      </View>
      <Figure value={shown === null ? '–' : shown.toFixed(1)} label="mph" />
      <Section title="It reads">
        <Row style={{ gap: SPACE.s }}>
          {RADAR_HABITS.map((habit) => (
            <Action key={habit} kind="quiet" label={HABIT_NAMES[habit]} onPress={() => read(habit)} testID={`radar-${habit}`} />
          ))}
        </Row>
        <Choice label="A throw every nine seconds" chosen={auto} onPress={() => setAuto(!auto)} testID="radar-auto" />
      </Section>
    </Screen>
  );
}
