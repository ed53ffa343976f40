import { CONSENT_KINDS, CONSENT_TEXTS } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../data/api';
import { newId } from '../data/ids';
import { Caution, Choice } from '../ui/controls';
import { Row } from '../ui/layout';
import { SPACE, usePalette } from '../ui/theme';
import { plainDay } from '../ui/words';
import { Field } from '../ui/Field';

/** Consents as they stand, and a way to note a new word. */
export function Consents({ id, athleteName }: { readonly id: string; readonly athleteName: string }) {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const { data } = api.useIntakeQuery({ athlete: id });
  const [put, { isLoading, error }] = api.usePutConsentMutation();
  const [by, setBy] = useState('');
  if (!me || !data) return null;
  const coach = me.role === 'owner' || me.role === 'instructor';
  const mayDecide = coach || me.role === 'guardian' || !data.minor;
  return (
    <View style={{ gap: SPACE.m }}>
      {coach ? (
        <Field
          label={data.minor ? 'Whose word it is (a parent or guardian)' : 'Whose word it is'}
          value={by}
          onChangeText={setBy}
          testID="consent-by"
        />
      ) : null}
      {CONSENT_KINDS.map((kind) => {
        const standing = data.consents.find((c) => c.kind === kind);
        const word = (given: boolean) =>
          void put({ athlete: id, id: newId(), body: { kind, given, ...(coach ? { by: by.trim() } : {}) } });
        return (
          <View key={kind} style={{ gap: SPACE.xs }}>
            <Text variant="bodyMedium">{CONSENT_TEXTS[kind]}.</Text>
            <Text variant="bodySmall" style={{ color: palette.soft }} testID={`consent-${kind}`}>
              {standing
                ? `${standing.given ? 'Given' : 'Taken back'} by ${standing.by} on ${plainDay(standing.on)}${standing.recordedBy === standing.by ? '' : `, noted by ${standing.recordedBy}`}.`
                : 'Not asked yet.'}
            </Text>
            {mayDecide ? (
              <Row>
                <Choice
                  wide
                  label="Yes"
                  chosen={standing?.given === true}
                  onPress={() => word(true)}
                  testID={`consent-${kind}-yes`}
                />
                <Choice
                  wide
                  label="No"
                  chosen={standing?.given === false}
                  onPress={() => word(false)}
                  testID={`consent-${kind}-no`}
                />
              </Row>
            ) : null}
          </View>
        );
      })}
      {!mayDecide ? (
        <Text variant="bodySmall">{`Under 18, a parent or guardian of ${athleteName} decides. They can do it with their own sign-in.`}</Text>
      ) : null}
      {isLoading ? <Text variant="bodySmall">Noting it…</Text> : null}
      {error ? <Caution>{problemOf(error).detail}</Caution> : null}
    </View>
  );
}
