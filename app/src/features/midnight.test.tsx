import { act, fireEvent, screen } from '@testing-library/react-native';
import { AppState } from 'react-native';
import { Text } from 'react-native-paper';
import type { Operation } from '../data/operations';
import { useDayTurn, useToday } from '../data/use-today';
import { leavePage, ME, openPage, TODAY as EVENING } from '../testing/page';
import { planOf, workOf } from '../testing/work';
import { RunScreen } from './run/RunScreen';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: jest.fn() }) }));
jest.mock('../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));

const MORNING = '2026-05-05';

beforeEach(() => jest.useFakeTimers({ now: new Date(`${EVENING}T23:59:30Z`) }));
afterEach(() => {
  void leavePage();
  jest.useRealTimers();
});

const pass = (seconds: number) => act(() => jest.advanceTimersByTimeAsync(seconds * 1000));

function Day({ zone }: { readonly zone: string }) {
  const me = { ...ME, academy: { ...ME.academy, timeZone: zone } };
  useDayTurn(me);
  return <Text testID="day">{useToday(me)}</Text>;
}

const shown = () => screen.getByTestId('day').props.children as string;

describe('a page that stays open past midnight', () => {
  it('turns the day by itself, at the academy’s own midnight', async () => {
    openPage(<Day zone="UTC" />, {});
    expect(shown()).toBe(EVENING);
    await pass(20);
    expect(shown()).toBe(EVENING);
    await pass(30);
    expect(shown()).toBe(MORNING);
  });

  it('does not turn at another zone’s midnight', async () => {
    openPage(<Day zone="Etc/GMT+5" />, {});
    await pass(60);
    expect(shown()).toBe(EVENING);
    await pass(5 * 3600);
    expect(shown()).toBe(MORNING);
  });
});

const overview = workOf(
  planOf({
    availability: [
      { weekday: 'mon', minutes: 60, place: 'cage' },
      { weekday: 'tue', minutes: 60, place: 'cage' },
    ],
  }),
);

describe('a run that is left open past midnight', () => {
  it('is ended as of its own day, and the new day starts with its own pain check', async () => {
    const { store } = openPage(<RunScreen id="a" back="/" />, { '/api/athletes/a/work': overview });
    await pass(0);
    fireEvent.press(screen.getByTestId('nothing-hurts'));
    fireEvent.press(screen.getByTestId('rep-good'));
    const noted = () => store.getState().operations.list;
    const evening = noted()[0]!;
    expect(noted().map((o: Operation) => o.work.kind)).toEqual(['start', 'log']);
    expect(screen.queryByTestId('nothing-hurts')).toBeNull();

    await pass(60);
    expect(screen.getByTestId('nothing-hurts')).toBeTruthy();
    const finish = noted().at(-1)!;
    expect(finish).toMatchObject({ session: evening.session, work: { kind: 'finish' } });

    fireEvent.press(screen.getByTestId('nothing-hurts'));
    const morning = noted().at(-1)!;
    expect(morning.work).toMatchObject({ kind: 'start', session: { on: MORNING, painBefore: [] } });
    expect(morning.session).not.toBe(evening.session);
  });

  it('asks every minute whether a lock, a clearance or a rule has changed, but not from a pocket', async () => {
    AppState.currentState = 'active';
    const { asked } = openPage(<RunScreen id="a" back="/" />, { '/api/athletes/a/work': overview });
    await pass(0);
    const work = () => asked.filter((url) => url === '/api/athletes/a/work').length;
    const first = work();
    await pass(185);
    expect(work()).toBe(first + 3);
    AppState.currentState = 'background';
    await pass(300);
    expect(work()).toBe(first + 3);
  });
});
