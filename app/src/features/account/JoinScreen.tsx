import { PASSWORD_LENGTH, ROLE_NAMES } from '@wrightonic/contract';
import type { InvitationFace } from '@wrightonic/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { api, problemOf } from '../../data/api';
import { secretOfPage } from '../../data/secret';
import { useAppDispatch } from '../../data/store';
import { Action, Blank, Caution, Loading } from '../../ui/controls';
import { Screen } from '../../ui/layout';
import { SPACE, usePalette } from '../../ui/theme';
import { Field } from '../../ui/Field';

function Form({ face, token }: { readonly face: InvitationFace; readonly token: string }) {
  const palette = usePalette();
  const dispatch = useAppDispatch();
  const [join, { isLoading, error }] = api.useJoinMutation();
  const [name, setName] = useState(face.name);
  const [signIn, setSignIn] = useState(face.forSignIn ?? '');
  const [password, setPassword] = useState('');
  const submit = async () => {
    const answer = await join({ body: { token, name, signIn, password } });
    if (!answer.data) return;
    await dispatch(api.util.upsertQueryData('me', undefined, answer.data));
    window.location.assign('/');
  };
  const forWhom = face.athletes.length > 0 ? ` for ${face.athletes.join(' and ')}` : '';
  return (
    <Screen width={440}>
      <View style={{ gap: SPACE.l, paddingTop: 40 }}>
        <View style={{ gap: SPACE.xs }}>
          <Text variant="headlineSmall" role="heading" aria-level={1}>
            {face.forSignIn ? 'Set a new password' : `Join ${face.academy}`}
          </Text>
          <Text variant="bodyMedium" style={{ color: palette.soft }} testID="join-what">
            {face.forSignIn
              ? `For ${face.name}, at ${face.academy}. All other devices are signed out.`
              : `You are invited as ${ROLE_NAMES[face.role]}${forWhom}. The link works once.`}
          </Text>
        </View>
        {face.forSignIn ? null : (
          <>
            <Field label="Your name" value={name} onChangeText={setName} testID="join-name" />
            <Field
              label="Sign-in name, made up by you"
              value={signIn}
              onChangeText={setSignIn}
              autoCapitalize="none"
              autoComplete="username"
              testID="join-sign-in"
            />
          </>
        )}
        <Field
          label={`Password, at least ${PASSWORD_LENGTH} letters`}
          value={password}
          onChangeText={setPassword}
          secureTextEntry
          autoComplete="new-password"
          testID="join-password"
        />
        {error ? <Caution>{problemOf(error).detail}</Caution> : null}
        <Action
          label={face.forSignIn ? 'Set the password' : 'Join'}
          onPress={() => void submit()}
          busy={isLoading}
          disabled={!name.trim() || !signIn.trim() || password.length < PASSWORD_LENGTH}
          testID="join"
        />
      </View>
    </Screen>
  );
}

/** Taking up an invitation. */
export function JoinScreen() {
  const [token] = useState(secretOfPage);
  const { data, error, isLoading } = api.useLookAtInvitationQuery({ body: { token } });
  if (isLoading) return <Loading />;
  if (data) return <Form face={data} token={token} />;
  const problem = problemOf(error);
  return (
    <Screen width={440}>
      <Blank
        title={problem.title}
        action={<Action kind="quiet" label="Go to the sign-in" onPress={() => window.location.assign('/')} />}
      >
        {problem.detail}
      </Blank>
    </Screen>
  );
}
