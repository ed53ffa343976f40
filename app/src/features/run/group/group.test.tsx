import { fireEvent, screen } from '@testing-library/react-native';
import type { LogEntry } from '@wrightonic/contract';
import type { Operation } from '../../../data/operations';
import { leavePage, openPage, TODAY } from '../../../testing/page';
import { planOf, workOf } from '../../../testing/work';
import { GroupScreen } from './GroupScreen';

const mockKept = new Map<string, unknown>();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: jest.fn() }) }));
jest.mock('../../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
  lines: {
    get: (user: string) => Promise.resolve(mockKept.get(user) ?? null),
    put: (user: string, at: string, form: unknown) => Promise.resolve(void mockKept.set(user, { id: 'l', user, at, form })),
    remove: () => Promise.resolve(),
  },
}));
jest.mock('../../../data/use-today', () => ({ useToday: () => '2026-05-04' }));

const plan = planOf();
const NAMES = ['Ada Fernholm', 'Bo Quillby', 'Cy Ashmere'];
const ids = ['a', 'b', 'c'];
const answers = () => ({
  '/api/groups': [{ id: 'g', name: 'Evening', athletes: ids.map((id, n) => ({ id, name: NAMES[n]! })) }],
  '/api/athletes': { rows: [], next: null },
  ...Object.fromEntries(
    ids.map((id, n) => {
      const work = workOf(plan);
      return [`/api/athletes/${id}/work`, { ...work, id, athlete: { ...work.athlete, name: NAMES[n]! } }];
    }),
  ),
});

beforeEach(() => mockKept.clear());
afterEach(leavePage);

async function begin() {
  const { store } = openPage(<GroupScreen />, answers());
  fireEvent.press(await screen.findByTestId('group-Evening'));
  fireEvent.press(screen.getByTestId('gather'));
  await screen.findByTestId(`hurts-${NAMES[2]}`);
  const operations = () => store.getState().operations.list as Operation[];
  const reps = () =>
    operations().flatMap((o): [string, LogEntry][] =>
      o.work.kind === 'log' && o.work.entry.type === 'rep' ? [[o.athlete, o.work.entry]] : [],
    );
  return { operations, reps };
}
const front = () => screen.getByTestId('front').props.children as string;

describe('a line', () => {
  it('starts a session for each, and a tap judges whoever is in front and moves on', async () => {
    const { operations, reps } = await begin();
    fireEvent.press(screen.getByTestId('group-start'));
    expect(
      operations()
        .filter((o) => o.work.kind === 'start')
        .map((o) => o.athlete),
    ).toEqual(ids);
    const seen: string[] = [];
    for (let tap = 0; tap < 4; tap++) {
      seen.push(front());
      fireEvent.press(screen.getByTestId(tap === 1 ? 'rep-off' : 'rep-good'));
    }
    expect(seen).toEqual([NAMES[0], NAMES[1], NAMES[2], NAMES[0]]);
    expect(reps().map(([athlete, rep]) => [athlete, rep.type === 'rep' && rep.judged])).toEqual([
      ['a', 'good'],
      ['b', 'off'],
      ['c', 'good'],
      ['a', 'good'],
    ]);
  });

  it('undo takes back the newest tap of all, and that athlete is in front again', async () => {
    const { operations, reps } = await begin();
    fireEvent.press(screen.getByTestId('group-start'));
    fireEvent.press(screen.getByTestId('rep-good'));
    await new Promise((done) => setTimeout(done, 5));
    fireEvent.press(screen.getByTestId('rep-good'));
    fireEvent.press(screen.getByTestId('undo'));
    const undone = operations().flatMap((o) => (o.work.kind === 'log' && o.work.entry.type === 'undo' ? [o.work.entry.rep] : []));
    expect(undone).toEqual([reps()[1]![1].id]);
    expect(front()).toBe(NAMES[1]);
  });

  it('asks of whom it hurts, and passes over them for throws with the reason', async () => {
    const { operations } = await begin();
    fireEvent.press(screen.getByTestId(`hurts-${NAMES[0]}`));
    fireEvent.press(screen.getByTestId('something-hurts'));
    fireEvent.press(screen.getByTestId('pain-elbow'));
    fireEvent.press(screen.getByTestId('pain-score-3'));
    fireEvent.press(screen.getByTestId('report-pain'));
    fireEvent.press(screen.getByTestId('group-start'));
    expect(operations()[0]!.work).toMatchObject({ kind: 'start', session: { painBefore: [{ site: 'elbow', score: 3 }] } });
    const thrown = plan.sessions[0]!.items.find((i) => i.throws > 0)!;
    fireEvent.press(screen.getByTestId(`all-do-${thrown.drill}`));
    expect(front()).toBe(NAMES[1]);
    expect(screen.getByTestId(`line-${NAMES[0]}`)).toHaveTextContent(/elbow pain of 3/i);
  });

  it('skips, lets one go now, and lets one leave; the line is kept for the day', async () => {
    await begin();
    fireEvent.press(screen.getByTestId('group-start'));
    fireEvent.press(screen.getByTestId('skip'));
    expect(front()).toBe(NAMES[1]);
    fireEvent.press(screen.getByTestId(`line-${NAMES[2]}`));
    fireEvent.press(screen.getByTestId(`now-${NAMES[2]}`));
    expect(front()).toBe(NAMES[2]);
    fireEvent.press(screen.getByTestId(`line-${NAMES[0]}`));
    fireEvent.press(screen.getByTestId(`out-${NAMES[0]}`));
    expect(screen.queryByTestId(`line-${NAMES[0]}`)).toBeNull();
    expect(mockKept.get('u')).toMatchObject({ at: TODAY, form: { athletes: ['c', 'b'], drill: null } });
  });

  it('runs a round of stations: each at their own drill, all move on together, and a late one goes where the fewest are', async () => {
    const { reps } = await begin();
    fireEvent.press(screen.getByTestId('group-start'));
    fireEvent.press(screen.getByTestId('stations'));
    const [first, second] = [...new Set(plan.sessions[0]!.items.map((i) => i.drill))];
    expect(screen.getByTestId('start-stations')).toHaveTextContent('Pick at least 2 drills');
    fireEvent.press(screen.getByTestId(`station-${first}`));
    fireEvent.press(screen.getByTestId(`station-${second}`));
    fireEvent.press(screen.getByTestId('start-stations'));
    // Three over two: the first and the third at this phone's station, the second at the other.
    expect(front()).toBe(NAMES[0]);
    expect(screen.getByTestId(`line-${NAMES[1]}`)).toHaveTextContent(/At station 2\./);
    fireEvent.press(screen.getByTestId('rep-good'));
    expect(front()).toBe(NAMES[2]);
    fireEvent.press(screen.getByTestId('move-on'));
    expect(front()).toBe(NAMES[1]);
    fireEvent.press(screen.getByTestId('rep-good'));
    fireEvent.press(screen.getByTestId('at-station-2'));
    expect(front()).toBe(NAMES[2]);
    fireEvent.press(screen.getByTestId('rep-off'));
    expect(reps().map(([athlete, rep]) => [athlete, rep.type === 'rep' && rep.drill])).toEqual([
      ['a', first],
      ['b', first],
      ['c', second],
    ]);
    fireEvent.press(screen.getByTestId('move-on'));
    expect(screen.getByTestId('round-so-far')).toHaveTextContent('Everybody has been at every station.');
    expect(screen.queryByTestId('move-on')).toBeNull();
    fireEvent.press(screen.getByTestId('move-back'));
    expect(screen.getByTestId('round-so-far')).toHaveTextContent(/Turn 2 of 2/);
    fireEvent.press(screen.getByTestId('end-round'));
    expect(screen.getByTestId('own-work')).toBeTruthy();
    expect(mockKept.get('u')).toMatchObject({ form: { drill: null, athletes: expect.arrayContaining(ids) } });
  });
});
