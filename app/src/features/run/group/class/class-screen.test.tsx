import { fireEvent, screen } from '@testing-library/react-native';
import type { Operation } from '../../../../data/operations';
import { leavePage, openPage, TODAY } from '../../../../testing/page';
import { planOf, workOf } from '../../../../testing/work';
import { GroupScreen } from '../GroupScreen';
import { BEGINS, questionsOf } from '../../../../parts/class';

const mockKept = new Map<string, unknown>();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: jest.fn() }) }));
jest.mock('../../../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
  lines: {
    get: (user: string) => Promise.resolve(mockKept.get(user) ?? null),
    put: (user: string, at: string, form: unknown) => Promise.resolve(void mockKept.set(user, { id: 'l', user, at, form })),
    remove: () => Promise.resolve(),
  },
}));
jest.mock('../../../../data/use-today', () => ({ useToday: () => '2026-05-04' }));

const plan = planOf();
const NAMES = ['Ada Fernholm', 'Bo Quillby', 'Cy Ashmere'];
const ids = ['a', 'b', 'c'];
const answers = (role: string, locked: string | null = null) => ({
  '/api/me': { id: 'u', name: 'Coach', role, academy: { id: 'x', name: 'Yard', today: TODAY, units: 'mph' } },
  '/api/groups': [{ id: 'g', name: 'Evening', athletes: ids.map((id, n) => ({ id, name: NAMES[n]! })) }],
  '/api/athletes': { rows: [], next: null },
  ...Object.fromEntries(
    ids.map((id, n) => {
      const work = workOf(plan);
      const today = id === locked ? { ...work.workload.today, locked: { reason: 'Elbow pain of 4.', until: 'clearance' } } : null;
      return [
        `/api/athletes/${id}/work`,
        {
          ...work,
          id,
          athlete: { ...work.athlete, name: NAMES[n]! },
          workload: today ? { ...work.workload, today } : work.workload,
        },
      ];
    }),
  ),
});

beforeEach(() => mockKept.clear());
afterEach(leavePage);

async function begin(locked: string | null = null) {
  const { store } = openPage(<GroupScreen />, answers('owner', locked));
  fireEvent.press(await screen.findByTestId('group-Evening'));
  fireEvent.press(screen.getByTestId('gather-class'));
  await screen.findByTestId(`line-${NAMES[2]}`);
  const looks = () =>
    (store.getState().operations.list as Operation[]).flatMap((o): [string, unknown][] =>
      o.work.kind === 'observe' ? [[o.athlete, o.work.body.evidence]] : o.work.kind === 'take-back' ? [[o.athlete, 'back']] : [],
    );
  return { looks };
}
const front = () => screen.getByTestId('front').props.children as string;
const eye = (answer: string, finding: string = BEGINS.finding) => ({ kind: 'eye', finding, answer });

describe('a class link by link', () => {
  it('calls one after the other, marks each with one tap as a look of today, and starts no session', async () => {
    const { looks } = await begin();
    const called: string[] = [];
    for (const judged of ['good', 'close', 'off']) {
      called.push(front());
      fireEvent.press(screen.getByTestId(`rep-${judged}`));
    }
    expect(called).toEqual(NAMES);
    expect(looks()).toEqual([
      ['a', eye('no')],
      ['b', eye('unsure')],
      ['c', eye('yes')],
    ]);
    // Nobody is called twice for one question; the next link has its own, and all are called again.
    expect(screen.queryByTestId('front')).toBeNull();
    fireEvent.press(screen.getByTestId('class-next'));
    expect(front()).toBe(NAMES[0]);
    fireEvent.press(screen.getByTestId('rep-off'));
    const next = questionsOf('lift', new Set(['overhand']))[0]!.id;
    expect(looks().at(-1)).toEqual(['a', eye('yes', next)]);
  });

  it('undo takes back the newest mark, and whoever it was is called again at that question', async () => {
    const { looks } = await begin();
    fireEvent.press(screen.getByTestId('rep-off'));
    fireEvent.press(screen.getByTestId('teach-land'));
    expect(screen.getByTestId('class-question')).toHaveTextContent(questionsOf('land', new Set(['overhand']))[0]!.eyeCheck);
    fireEvent.press(screen.getByTestId('undo'));
    expect(front()).toBe(NAMES[0]);
    expect(looks()).toEqual([
      ['a', eye('yes')],
      ['a', 'back'],
    ]);
    expect(mockKept.get('u')).toMatchObject({ form: { taught: { link: 'set', finding: BEGINS.finding, shown: [] } } });
  });

  it('says of whom throwing is locked that they show it without a ball', async () => {
    await begin('a');
    expect(screen.getByText(/No ball\. Elbow pain of 4/)).toBeTruthy();
  });

  it('ends with who showed what, by name and in no order of merit', async () => {
    await begin();
    for (const judged of ['off', 'good', 'off']) fireEvent.press(screen.getByTestId(`rep-${judged}`));
    fireEvent.press(screen.getByTestId('end-class'));
    expect(screen.getByText(/Not yet: .*Ada Fernholm, Cy Ashmere|Ada Fernholm, Cy Ashmere/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('class-end'));
    expect(await screen.findByTestId('gather-class')).toBeTruthy();
    expect(mockKept.get('u')).toMatchObject({ form: { athletes: [] } });
  });

  it('is not offered to whoever may not judge', async () => {
    openPage(<GroupScreen />, answers('station'));
    await screen.findByTestId('group-Evening');
    expect(screen.queryByTestId('gather-class')).toBeNull();
  });
});
