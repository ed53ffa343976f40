import { may } from '@wrightonic/contract';
import type { Role } from '@wrightonic/contract';
import { MIS_TAP_MS } from '@wrightonic/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { now } from '../../data/clock';
import { Action, Caution } from '../../ui/controls';
import { Row, Screen } from '../../ui/layout';
import { SPACE } from '../../ui/theme';
import { Field } from '../../ui/Field';

/** Whether taking a tap back now leaves its throw in the load. */
export const isLate = (tapped: string): boolean => now().getTime() - Date.parse(tapped) > MIS_TAP_MS;

/** A throw taken back after its minute stays in the day's load; a coach may take that out too, with a reason. */
export function LateUndo({
  athlete,
  rep,
  role,
  onDone,
}: {
  readonly athlete: string;
  readonly rep: string;
  readonly role: Role;
  readonly onDone: () => void;
}) {
  const [remove, { isLoading, error }] = api.useRemoveLoadMutation();
  const [reason, setReason] = useState('');
  const take = async () => {
    const answer = await remove({ athlete, id: rep, body: { reason: reason.trim() } });
    if (answer.data) onDone();
  };
  return (
    <Screen width={640}>
      <View style={{ gap: SPACE.m }}>
        <Text variant="titleLarge">Taken back, but it was thrown</Text>
        <Text variant="bodyMedium">
          More than a minute has passed, so it no longer counts for the rung and stays in the day’s throws.
        </Text>
        {may(role, 'removeLoad') ? (
          <>
            <Text variant="bodyMedium">If nothing was thrown at all, say why, and it leaves the load as well.</Text>
            <Field label="Why" value={reason} onChangeText={setReason} testID="remove-reason" />
            {error ? <Caution>{problemOf(error).detail}</Caution> : null}
            <Row>
              <Action label="Back to the work" onPress={onDone} testID="keep-load" />
              <Action
                kind="quiet"
                label="It was not thrown"
                onPress={() => void take()}
                busy={isLoading}
                disabled={!reason.trim()}
                testID="remove-load"
              />
            </Row>
          </>
        ) : (
          <>
            <Text variant="bodyMedium">If nothing was thrown at all, a coach can take it out.</Text>
            <Action label="Back to the work" onPress={onDone} testID="keep-load" />
          </>
        )}
      </View>
    </Screen>
  );
}
