import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Text } from 'react-native-paper';
import { problemOf, api } from '../../../data/api';
import { keptClips } from '../../../data/storage';
import { Action, Caution } from '../../../ui/controls';
import { Row, Section } from '../../../ui/layout';

/** Removes a clip, here and on the server; what goes with it is named first. */
export function RemoveClip({ athlete, clip }: { readonly athlete: string; readonly clip: string }) {
  const router = useRouter();
  const [asked, setAsked] = useState(false);
  const [drop, { isLoading, error }] = api.useDropClipMutation();
  const remove = async () => {
    const done = await drop({ athlete, id: clip });
    // A clip that never reached the server is on this device alone.
    const unknown = done.error && 'status' in done.error && done.error.status === 404;
    if (done.error && !unknown) return;
    await keptClips.remove(clip).catch(() => undefined);
    router.replace(`/athletes/${athlete}/film`);
  };
  return (
    <Section title="Remove">
      {asked ? (
        <>
          <Text variant="bodyMedium">
            The clip goes for good: its file, its marks and drawings, and what was measured on it, which leaves the diagnosis.
          </Text>
          {error && !isLoading ? <Caution>{problemOf(error).detail}</Caution> : null}
          <Row>
            <Action label="Remove it" busy={isLoading} onPress={() => void remove()} testID="remove-clip" />
            <Action kind="plain" label="Keep it" onPress={() => setAsked(false)} />
          </Row>
        </>
      ) : (
        <Row>
          <Action kind="quiet" label="Remove this clip" onPress={() => setAsked(true)} testID="ask-remove" />
        </Row>
      )}
    </Section>
  );
}
