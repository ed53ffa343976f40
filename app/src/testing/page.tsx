/** A page for component tests: the real store over a server that is given by its answers. */
import { configureStore } from '@reduxjs/toolkit';
import { cleanup, render } from '@testing-library/react-native';
import type { Me } from '@wrightonic/contract';
import { PaperProvider } from 'react-native-paper';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Provider } from 'react-redux';
import { api } from '../data/api';
import { deviceReducer } from '../data/device';
import { operationsReducer } from '../data/operations';
import { shellReducer } from '../data/shell';
import { stopRetrying } from '../data/outbox';
import { lightTheme } from '../ui/theme';

export const TODAY = '2026-05-04';
export const PROFILE = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.8,
  massKg: 74,
  level: 'high-school',
} as const;
export const ME: Me = {
  id: 'u',
  name: 'Ada Test',
  role: 'instructor',
  signIn: 'ada',
  athletes: [],
  academy: {
    name: 'Test Yard',
    today: TODAY,
    speedUnit: 'mph',
    lengthUnit: 'cm',
    timeZone: 'UTC',
    leagueDailyLimit: null,
    league: {},
    leagueAges: [],
    schools: {},
    words: [],
    weightedBalls: false,
    numbers: {},
  },
};

interface Sent {
  readonly url: string;
  readonly method: string;
  readonly body: unknown;
}
interface PageRequest {
  readonly url: string;
  readonly init: { method?: string; body?: string };
}

let forget: (() => void) | null = null;

/** To be called after each test: cached answers and retries would hold the test run for their minute. */
export async function leavePage(): Promise<void> {
  cleanup();
  stopRetrying();
  forget?.();
  // The store tells its listeners in the next frame, which must come before the test environment is gone.
  await new Promise((done) => realTimeout(done, FRAMES_MS));
}
const realTimeout = global.setTimeout;
const FRAMES_MS = 50;

/**
 * Draws a screen.
 * @param answers by address; any other address is `otherwise`, or no connection when that is left out
 */
export function openPage(element: React.ReactElement, answers: Readonly<Record<string, unknown>>, otherwise?: unknown) {
  const sent: Sent[] = [];
  const asked: string[] = [];
  const known: Readonly<Record<string, unknown>> = {
    '/api/me': ME,
    '/api/library': { drills: [], ladders: [], findings: [] },
    ...answers,
  };
  global.Request = class {
    constructor(
      readonly url: string,
      readonly init: PageRequest['init'] = {},
    ) {}
    clone = () => this;
  } as never;
  global.fetch = (({ url, init }: PageRequest) => {
    if (init.method && init.method !== 'GET')
      sent.push({ url, method: init.method, body: init.body ? JSON.parse(init.body) : null });
    if (!init.method || init.method === 'GET') asked.push(url);
    const body = known[url] !== undefined ? known[url] : otherwise;
    if (body === undefined) return Promise.reject(new TypeError('no connection'));
    const text = () => Promise.resolve(JSON.stringify(body));
    const headers = { get: (name: string) => (name === 'Date' ? null : 'application/json') };
    return Promise.resolve({ ok: true, status: 200, headers, text, clone: () => ({ text, headers }) });
  }) as never;
  const store = configureStore({
    reducer: { operations: operationsReducer, shell: shellReducer, device: deviceReducer, [api.reducerPath]: api.reducer },
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
  });
  forget = () => void store.dispatch(api.util.resetApiState());
  const metrics = { frame: { x: 0, y: 0, width: 390, height: 844 }, insets: { top: 0, left: 0, right: 0, bottom: 0 } };
  render(
    <Provider store={store}>
      <PaperProvider theme={lightTheme}>
        <SafeAreaProvider initialMetrics={metrics}>{element}</SafeAreaProvider>
      </PaperProvider>
    </Provider>,
  );
  return { store, sent, asked };
}
