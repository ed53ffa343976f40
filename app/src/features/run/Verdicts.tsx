import type { SessionRecord } from '@wrightonic/contract';
import { RUNG_NAMES } from '@wrightonic/core';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { forgetSession } from '../../data/outbox';
import { useAppDispatch } from '../../data/store';
import { Action, Caution } from '../../ui/controls';
import { Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import type { RunState } from './run-state';
import { useVocabulary } from '../../ui/vocabulary';
import type { Href } from 'expo-router';

const WORDS = { advance: 'One rung up', hold: 'Stay on this rung', regress: 'One rung down' } as const;

/** What the server turned away so far, by reason. */
function refusedHere(refused: RunState['refused']): SessionRecord['notCounted'] {
  const counts = new Map<string, number>();
  for (const { reason } of refused) counts.set(reason ?? '', (counts.get(reason ?? '') ?? 0) + 1);
  return [...counts].map(([reason, entries]) => ({ reason, entries }));
}

/** The session is over: what the gate says and why. */
export function Verdicts({ run, back }: { readonly run: RunState; readonly back: string }) {
  const say = useVocabulary();
  const palette = usePalette();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { record, sent, session } = run;
  const known = sent && record?.finished;
  // Once the server has it all, this device may forget; not before the page is left, or the verdict would vanish.
  useEffect(() => () => void (session && dispatch(forgetSession(session))), [dispatch, session]);
  const notCounted = known ? record.notCounted : refusedHere(run.refused);
  const good = run.reps.filter((r) => r.judged === 'good').length;
  return (
    <Screen width={640} footer={<Action label="Done" onPress={() => router.replace(back as Href)} testID="session-done" />}>
      <Text variant="headlineSmall" role="heading" aria-level={1}>
        Session over
      </Text>
      <Text variant="bodyMedium">{`${run.reps.length} reps, ${good} good${run.readings.length > 0 ? `, ${run.readings.length} speeds` : ''}.`}</Text>
      {!known ? (
        <Caution testID="verdict-waits">{'Kept on this device. The gate’s verdict comes when the connection is back.'}</Caution>
      ) : null}
      {notCounted.map(({ entries, reason }) => (
        <Caution key={reason} testID="not-counted">
          {`${entries === 1 ? 'One entry is' : `${entries} entries are`} not counted. ${reason}`}
        </Caution>
      ))}
      {known && record.verdicts.length === 0 ? (
        <Text style={{ color: palette.soft }}>No reps on the rung of a focus, so there is no verdict.</Text>
      ) : null}
      {known
        ? record.verdicts.map((v) => (
            <Section key={v.id} title={say.title(v.finding)}>
              <View style={{ gap: SPACE.xs }}>
                <Text variant="titleLarge" testID="verdict">
                  {WORDS[v.verdict]}
                </Text>
                <Text variant="bodyMedium" testID="verdict-reason">
                  {v.reason}
                </Text>
                <Text
                  variant="bodySmall"
                  style={{ color: palette.soft }}
                >{`Now on rung ${v.to}, ${RUNG_NAMES[v.to].toLowerCase()}.`}</Text>
              </View>
            </Section>
          ))
        : null}
    </Screen>
  );
}
