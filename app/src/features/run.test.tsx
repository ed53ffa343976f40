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

  it('says once what is new today, with the first drill alone', async () => {
    await startRun();
    const fresh = plan.sessions[0]!.new!;
    expect(fresh).toMatch(/^New today: /);
    expect(screen.getByText(fresh)).toBeTruthy();
    fireEvent.press(screen.getByTestId('next-drill'));
    expect(screen.queryByText(fresh)).toBeNull();
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
    fireEvent.press(screen.getByTestId(`effort-${item.effort[1]}`));
    fireEvent.press(screen.getByTestId('rep-good'));
    expect(entries().at(-1)).toMatchObject({ effort: item.effort[1] });
    expect(screen.queryByTestId(`effort-${item.effort[1] + 10}`)).toBeNull();
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

  it('asks for less after a sore, cold arm, and opens what was closed once it is warm', async () => {
    const { store } = openPage(<RunScreen id="a" back="/" />, { '/api/athletes/a/work': overview });
    fireEvent.press(await screen.findByTestId('soreness-5'));
    fireEvent.press(screen.getByTestId('warm-no'));
    expect(screen.getAllByTestId('ready-reason')).toHaveLength(2);
    fireEvent.press(screen.getByTestId('nothing-hurts'));
    const works = () => store.getState().operations.list.map((o: Operation) => o.work);
    expect(works()[0]).toMatchObject({ kind: 'start', session: { readiness: { soreness: 5, sleepH: null, warm: false } } });
    const item = goToThrows();
    const wanted = Math.ceil(0.75 * item.sets * item.reps);
    expect(screen.getByText(`0/${wanted}`)).toBeTruthy();
    expect(screen.queryByTestId('effort-70')).toBeNull();
    fireEvent.press(screen.getByTestId('warm-now'));
    expect(works().at(-1)).toMatchObject({ kind: 'start', session: { painBefore: [], readiness: { soreness: 5, warm: true } } });
    expect(screen.queryByTestId('warm-now')).toBeNull();
  });

  it('counts a pause down after a set, which the next tap ends', async () => {
    await startRun();
    const item = items.findIndex((i) => i.sets > 1);
    for (let step = 0; step < item; step++) fireEvent.press(screen.getByTestId('next-drill'));
    for (let rep = 0; rep < items[item]!.reps; rep++) {
      expect(screen.queryByTestId('rest')).toBeNull();
      fireEvent.press(screen.getByTestId('rep-good'));
    }
    expect(screen.getByTestId('rest')).toBeTruthy();
    fireEvent.press(screen.getByTestId('rep-good'));
    expect(screen.queryByTestId('rest')).toBeNull();
  });

  it('brings the counter when the same way round comes twice', async () => {
    await startRun();
    const [cheat] = drillById(items[0]!.drill).cheats;
    for (let n = 0; n < 2; n++) {
      expect(screen.queryByTestId('counter')).toBeNull();
      fireEvent.press(await screen.findByTestId('rep-off'));
      fireEvent.press(screen.getByTestId(`cheat-${cheat!.cheat}`));
    }
    expect(screen.getByTestId('counter')).toHaveTextContent(new RegExp(`${cheat!.label}, 2 times`));
    expect(screen.getByTestId('counter')).toHaveTextContent(new RegExp(cheat!.counter));
  });

  it('takes back the very first tap, keeps a note, and turns round for a left thumb', async () => {
    const { entries } = await startRun();
    fireEvent.press(await screen.findByTestId('rep-good'));
    fireEvent.press(screen.getByTestId('rep-close'));
    const first = entries()[0]!;
    fireEvent.press(screen.getByTestId('more'));
    fireEvent.press(screen.getByTestId(`take-back-${first.id}`));
    expect(entries().at(-1)).toMatchObject({ type: 'undo', rep: first.id });
    fireEvent.changeText(screen.getByTestId('note-text'), ' Better with the cone ');
    fireEvent.press(screen.getByTestId('keep-note'));
    expect(entries().at(-1)).toMatchObject({ type: 'note', text: 'Better with the cone' });
    expect(screen.getByText('Noted: Better with the cone')).toBeTruthy();
    fireEvent.press(screen.getByTestId('device-hand'));
    fireEvent.press(screen.getByTestId('less'));
    expect(screen.getByTestId('rep-buttons')).toHaveStyle({ flexDirection: 'row-reverse' });
    expect(screen.getByText(`1/${items[0]!.sets * items[0]!.reps}`)).toBeTruthy();
  });
});
