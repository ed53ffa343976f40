import { useEffect, useState } from 'react';
import { Text } from 'react-native-paper';
import { roomOf, roomWords } from '../../data/room';
import { Section } from '../../ui/layout';

/** What this device keeps for hours without a signal, and how safe that is. */
export function DevicePart() {
  const [words, setWords] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    void roomOf().then((room) => (here ? setWords(roomWords(room)) : undefined));
    return () => {
      here = false;
    };
  }, []);
  return (
    <Section title="This device">
      <Text variant="bodyMedium" testID="device-room">
        {words ?? 'Looking …'}
      </Text>
    </Section>
  );
}
