import { Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import type { ReactNode } from 'react';
import { useColorScheme, View } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Provider } from 'react-redux';
import { OPEN_SCREENS } from '../features/shell/places';
import { Shell } from '../features/shell/Shell';
import { SignIn } from '../features/shell/SignIn';
import { Tongue } from '../features/shell/Tongue';
import { useLeaving, useWhose } from '../features/shell/use-leaving';
import { useReconnecting } from '../features/shell/use-reconnecting';
import { api, problemOf } from '../data/api';
import { keepDevice } from '../data/device';
import { hasLeft } from '../data/leaving';
import { connection } from '../data/operations';
import { loadOperations, send, stopRetrying } from '../data/outbox';
import { keepOnDevice } from '../data/service-worker';
import { makeStore, useAppDispatch, useAppSelector } from '../data/store';
import { Action, Blank, Loading } from '../ui/controls';
import { Screen } from '../ui/layout';
import { themeFor } from '../ui/theme';

/** A page without the frame: all of it is the page's main part. */
const Alone = ({ children }: { readonly children: ReactNode }) => (
  <View role="main" style={{ flex: 1 }}>
    {children}
  </View>
);

/** Invitations and the stand-in device need no sign-in; everything else waits for one. */
function Entry() {
  const here = usePathname();
  return OPEN_SCREENS.includes(here) ? (
    <Alone>
      <Slot />
    </Alone>
  ) : (
    <Gate />
  );
}

function Gate() {
  const dispatch = useAppDispatch();
  const left = useAppSelector((s) => s.shell.left) || hasLeft();
  const { data: me, error, isLoading, refetch } = api.useMeQuery(undefined, { skip: left });
  const user = left ? undefined : me?.id;
  useLeaving(left);
  const whose = useWhose(left, user);
  useEffect(() => {
    if (!user) return undefined;
    void dispatch(loadOperations()).then(() => dispatch(send(user)));
    const back = () => void dispatch(send(user));
    const gone = () => void dispatch(connection(false));
    window.addEventListener('online', back);
    window.addEventListener('offline', gone);
    return () => {
      stopRetrying();
      window.removeEventListener('online', back);
      window.removeEventListener('offline', gone);
    };
  }, [user, dispatch]);
  useReconnecting(user !== undefined);
  if (left)
    return (
      <Alone>
        <SignIn />
      </Alone>
    );
  // Somebody else has signed in, here or in another tab: nothing of the one before is shown to them.
  if (isLoading || (user && whose && user !== whose)) return <Loading />;
  if (me)
    return (
      <Tongue me={me}>
        <Shell me={me} />
      </Tongue>
    );
  if ((error as { status?: number } | undefined)?.status === 401)
    return (
      <Alone>
        <SignIn />
      </Alone>
    );
  const problem = problemOf(error);
  return (
    <Alone>
      <Screen width={520}>
        <Blank page title={problem.title} action={<Action label="Try again" onPress={() => void refetch()} />}>
          {problem.detail}
        </Blank>
      </Screen>
    </Alone>
  );
}

/** Looks as this device is set: by day, by night, in the sun, in large. */
function Dressed({ children }: { readonly children: ReactNode }) {
  const dark = useColorScheme() === 'dark';
  const device = useAppSelector((s) => s.device);
  useEffect(() => keepDevice(device), [device]);
  return <PaperProvider theme={themeFor({ dark, sun: device.sun, large: device.large })}>{children}</PaperProvider>;
}

export default function Layout() {
  const [store] = useState(makeStore);
  useEffect(keepOnDevice, []);
  return (
    <Provider store={store}>
      <Dressed>
        <SafeAreaProvider>
          <Entry />
        </SafeAreaProvider>
      </Dressed>
    </Provider>
  );
}
