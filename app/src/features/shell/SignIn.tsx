import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { arrived } from '../../data/leaving';
import { useAppDispatch } from '../../data/store';
import { ChainStrip } from '../../ui/ChainStrip';
import { Action, Caution } from '../../ui/controls';
import { Screen } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { Field } from '../../ui/Field';

/** Name and password; nothing else is asked. */
export function SignIn() {
  const palette = usePalette();
  const dispatch = useAppDispatch();
  const [signIn, { isLoading, error }] = api.useSignInMutation();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const submit = async () => {
    const answer = await signIn({ body: { signIn: name, password } });
    if (!answer.data) return;
    dispatch(arrived());
    void dispatch(api.util.upsertQueryData('me', undefined, answer.data));
  };
  return (
    <Screen width={440}>
      <View style={{ gap: SPACE.l, paddingTop: 56 }}>
        <ChainStrip chain={['owned', 'owned', 'working', 'open', 'clear', 'unseen']} discipline="overhand" />
        <View style={{ gap: SPACE.xs }}>
          <Text variant="headlineMedium" role="heading" aria-level={1}>
            Wrightonic
          </Text>
          <Text variant="bodyMedium" style={{ color: palette.soft }}>
            From what is seen in a delivery to the work that mends it.
          </Text>
        </View>
        <Field
          label="Sign-in name"
          value={name}
          onChangeText={setName}
          autoCapitalize="none"
          autoComplete="username"
          testID="sign-in-name"
        />
        <Field
          label="Password"
          value={password}
          onChangeText={setPassword}
          secureTextEntry
          autoComplete="current-password"
          onSubmitEditing={() => void submit()}
          testID="sign-in-password"
        />
        {error ? <Caution>{problemOf(error).detail}</Caution> : null}
        <Action label="Sign in" onPress={() => void submit()} busy={isLoading} disabled={!name || !password} testID="sign-in" />
      </View>
    </Screen>
  );
}
