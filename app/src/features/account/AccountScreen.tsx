import { may, PASSWORD_LENGTH, ROLE_NAMES } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { Action, Caution } from '../../ui/controls';
import { Screen, Section } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { CalendarsPart } from './CalendarsPart';
import { DevicePart } from './DevicePart';
import { OwnEyePart } from './OwnEyePart';
import { Field } from '../../ui/Field';

/** One's own account: password, and where one is signed in. */
export function AccountScreen() {
  const palette = usePalette();
  const { data: me } = api.useMeQuery();
  const [change, changing] = api.useChangePasswordMutation();
  const [everywhere, ending] = api.useSignOutEverywhereMutation();
  const [current, setCurrent] = useState('');
  const [next, setNext] = useState('');
  if (!me) return null;
  const save = async () => {
    const answer = await change({ body: { current, next } });
    if (!answer.data) return;
    setCurrent('');
    setNext('');
  };
  return (
    <Screen width={520}>
      <View>
        <Text variant="headlineSmall" role="heading" aria-level={1}>
          Your account
        </Text>
        <Text
          variant="bodyMedium"
          style={{ color: palette.soft }}
        >{`${me.name}, ${ROLE_NAMES[me.role]}. You sign in as ${me.signIn}.`}</Text>
      </View>
      <CalendarsPart />
      <Section title="Password">
        <View style={{ gap: SPACE.m }}>
          <Field
            label="The one you have"
            value={current}
            onChangeText={setCurrent}
            secureTextEntry
            autoComplete="current-password"
            testID="password-current"
          />
          <Field
            label={`A new one, at least ${PASSWORD_LENGTH} letters`}
            value={next}
            onChangeText={setNext}
            secureTextEntry
            autoComplete="new-password"
            testID="password-next"
          />
          {changing.error ? <Caution>{problemOf(changing.error).detail}</Caution> : null}
          {changing.isSuccess ? (
            <Text variant="bodyMedium" role="status">
              The password is changed. All other devices are signed out.
            </Text>
          ) : null}
          <Action
            label="Change the password"
            onPress={() => void save()}
            busy={changing.isLoading}
            disabled={!current || next.length < PASSWORD_LENGTH}
            testID="password-save"
          />
        </View>
      </Section>
      {may(me.role, 'judge') ? <OwnEyePart /> : null}
      <DevicePart />
      <Section title="Other devices">
        <Text variant="bodyMedium">A phone lost, or a screen left open at the barn: end every sign-in but this one.</Text>
        {ending.isSuccess ? (
          <Text variant="bodyMedium" role="status">
            All other devices are signed out.
          </Text>
        ) : null}
        <Action
          kind="quiet"
          label="Sign out everywhere else"
          onPress={() => void everywhere()}
          busy={ending.isLoading}
          testID="sign-out-everywhere"
        />
      </Section>
    </Screen>
  );
}
