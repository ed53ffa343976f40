import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { LogEntry } from '@wrightonic/contract';
import { drillById } from '@wrightonic/core';
import type { Operation } from '../data/operations';
import { leavePage, openPage } from '../testing/page';
import { planOf, workOf } from '../testing/work';
import { RunScreen } from './run/RunScreen';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: jest.fn() }) }));
jest.mock('../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));

const plan = planOf();
const items = plan.sessions[0]!.items;
const overview = workOf(plan);

afterEach(leavePage);

/** The run without a connection: everything it notes stays readable on the device. */
async function startRun() {
  const { store } = openPage(<RunScreen id="a" back="/" />, { '/api/athletes/a/work': overview });
  fireEvent.press(await screen.findByTestId('nothing-hurts'));
  const noted = () => store.getState().operations.list.map((o: Operation) => o.work);
  const entries = () => noted().flatMap((w): LogEntry[] => (w.kind === 'log' ? [w.entry] : []));
  return { noted, entries };
}

/** To the first throws of the focus itself. */
const goToThrows = () => {
  const at = items.findIndex((i) => drillById(i.drill).throws !== 'none' && i.focus !== null);
  for (let step = 0; step < at; step++) fireEvent.press(screen.getByTestId('next-drill'));
  return items[at]!;
};

describe('a run without a connection', () => {
  it('notes the start with its pain check, then every tap with drill, rung, focus and effort', async () => {
    const { noted, entries } = await startRun();
    expect(noted()[0]).toMatchObject({ kind: 'start', session: { assignment: 's', painBefore: [] } });
    const item = goToThrows();
    fireEvent.press(await screen.findByTestId('rep-good'));
    fireEvent.press(screen.getByTestId('rep-close'));
    expect(entries()).toMatchObject([
      { type: 'rep', drill: item.drill, rung: item.rung, focus: 'f', judged: 'good', effort: item.effort[0] },
      { type: 'rep', judged: 'close' },
    ]);
    expect(screen.getByText(`2/${item.sets * item.reps}`)).toBeTruthy();
  });

  it('shows the known cheats after “off”, and takes the last tap back', async () => {
    const { entries } = await startRun();
    fireEvent.press(await screen.findByTestId('rep-off'));
    const [cheat] = drillById(items[0]!.drill).cheats;
    fireEvent.press(screen.getByTestId(`cheat-${cheat!.cheat}`));
    expect(entries().at(-1)).toMatchObject({ type: 'cheat', cheat: cheat!.cheat, rep: entries()[0]!.id });
    expect(screen.queryByTestId(`cheat-${cheat!.cheat}`)).toBeNull();
    fireEvent.press(screen.getByTestId('undo'));
    expect(entries().at(-1)).toMatchObject({ type: 'undo', rep: entries()[0]!.id });
    expect(screen.getByText(`0/${items[0]!.sets * items[0]!.reps}`)).toBeTruthy();
  });

  it('raises effort up to the item’s ceiling and no further', async () => {
    const { entries } = await startRun();
    const item = goToThrows();
    for (let tap = 0; tap < 8; tap++) fireEvent.press(screen.getByLabelText('+'));
    fireEvent.press(screen.getByTestId('rep-good'));
    expect(entries().at(-1)).toMatchObject({ effort: item.effort[1] });
  });

  it('logs a speed with the effort of the moment', async () => {
    const { entries } = await startRun();
    goToThrows();
    fireEvent.press(screen.getByTestId('open-speed'));
    for (const key of ['6', '4', '.', '5']) fireEvent.press(screen.getByTestId(`key-${key}`));
    fireEvent.press(screen.getByTestId('keep-speed'));
    expect(entries().at(-1)).toMatchObject({ type: 'reading', speed: 64.5, unit: 'mph', setting: 'drill', rep: null });
  });

  it('closes throwing at once after elbow pain, and leaves dry work open', async () => {
    const { entries } = await startRun();
    goToThrows();
    fireEvent.press(screen.getByTestId('it-hurts'));
    fireEvent.press(screen.getByTestId('something-hurts'));
    fireEvent.press(screen.getByTestId('pain-elbow'));
    fireEvent.press(screen.getByTestId('pain-score-1'));
    fireEvent.press(screen.getByTestId('report-pain'));
    expect(screen.getByTestId('dry-only')).toBeTruthy();
    const before = entries().length;
    fireEvent.press(screen.getByTestId('rep-good'));
    expect(entries()).toHaveLength(before);
    fireEvent.press(screen.getByText('1 '));
    fireEvent.press(screen.getByTestId('rep-good'));
    expect(entries().at(-1)).toMatchObject({ type: 'rep', effort: 0 });
  });

  it('asks again at the end, and says that the verdict waits for the connection', async () => {
    const { noted } = await startRun();
    for (let step = 0; step < items.length - 1; step++) fireEvent.press(screen.getByTestId('next-drill'));
    fireEvent.press(screen.getByTestId('end-session'));
    fireEvent.press(screen.getByTestId('nothing-hurts'));
    expect(noted().at(-1)).toEqual({ kind: 'finish' });
    await waitFor(() => expect(screen.getByTestId('verdict-waits')).toBeTruthy());
  });
});
