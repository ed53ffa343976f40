import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { HandOutRecord, HandOutShare, People, RosterPage } from '@wrightonic/contract';
import { leavePage, openPage, TODAY } from '../../testing/page';
import { HandOutsScreen, progressOf } from './HandOutsScreen';

jest.mock('../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));
afterEach(leavePage);

const share = (name: string, state: HandOutShare['state'], more: Partial<HandOutShare> = {}): HandOutShare => ({
  athlete: { id: name.toLowerCase(), name },
  work: { minutes: 6, throws: 0 },
  left: [],
  state,
  ...more,
});
const record: HandOutRecord = {
  id: 'h',
  what: { kind: 'drills', drills: ['wall-hip-fall'] },
  to: 'Evening barn',
  place: 'home',
  on: TODAY,
  note: 'Slow ones',
  by: 'Ada Test',
  at: `${TODAY}T15:00:00Z`,
  shares: [share('Alda', 'done'), share('Bero', 'seen'), share('Cilla', 'open')],
};
const people: People = {
  people: [
    {
      id: 's',
      name: 'Net one',
      role: 'station',
      signIn: 'net',
      athletes: [],
      groups: [{ id: 'g', name: 'Barn' }],
      lastSeen: null,
    },
  ],
  invitations: [],
};
const row: RosterPage['rows'][number] = {
  id: 'a',
  name: 'Alda',
  discipline: 'overhand',
  throws: 'R',
  age: 14,
  chain: [],
  focus: null,
  focusChance: null,
  locked: false,
  care: false,
  intakeOpen: false,
};
const roster: RosterPage = { rows: [row], next: null };
const answers = (handed: readonly HandOutRecord[], looked: readonly HandOutShare[] = []) => ({
  '/api/hand-outs': handed,
  '/api/hand-outs/look': looked,
  '/api/groups': [{ id: 'g', name: 'Barn', athletes: [] }],
  '/api/people': people,
  '/api/athletes?': roster,
});

describe('how far they have come', () => {
  it.each<[readonly HandOutShare['state'][], string]>([
    [['open'], 'not seen yet'],
    [['seen'], 'seen'],
    [['done'], 'done'],
    [['done', 'seen', 'open', 'open'], '1 of 4 done, 1 seen'],
    [['done', 'open'], '1 of 2 done'],
    [['seen', 'open'], '1 of 2 seen'],
    [['open', 'open'], 'not seen yet'],
    [['done', 'done'], 'all done'],
  ])('%j is “%s”', (states, words) => {
    expect(progressOf(states.map((state, n) => share(`N${n}`, state)))).toBe(words);
  });
});

describe('Handed out', () => {
  it('says that there is nothing yet, and what could be', async () => {
    openPage(<HandOutsScreen />, answers([]));
    expect(await screen.findByText('Nothing is handed out')).toBeTruthy();
  });

  it('lists each with who has seen and done it, and takes back what is not done', async () => {
    const { sent } = openPage(<HandOutsScreen />, answers([record]), []);
    fireEvent.press(await screen.findByTestId('handed-h'));
    expect(screen.getByText('Evening barn')).toBeTruthy();
    expect(screen.getByText('1 of 3 done, 1 seen')).toBeTruthy();
    expect(['Alda', 'Bero', 'Cilla'].map((name) => screen.getByText(name) !== null)).toEqual([true, true, true]);
    expect(screen.getByText('“Slow ones”')).toBeTruthy();
    fireEvent.press(screen.getByTestId('take-back'));
    await waitFor(() => expect(sent.map((s) => [s.method, s.url])).toEqual([['DELETE', '/api/hand-outs/h']]));
  });

  it('offers no taking back of what all have done', async () => {
    openPage(<HandOutsScreen />, answers([{ ...record, shares: [share('Alda', 'done')] }]));
    fireEvent.press(await screen.findByTestId('handed-h'));
    expect(screen.queryByTestId('take-back')).toBeNull();
  });

  it('shows who would get what before anything goes, and sends it once', async () => {
    const looked = [share('Alda', 'open'), share('Bero', 'none', { work: null, left: ['Easy catch: the arm rests today'] })];
    const { sent } = openPage(<HandOutsScreen />, answers([], looked), []);
    fireEvent.press(await screen.findByTestId('hand-out-new'));
    const send = () => screen.getByTestId('hand-out-send');
    expect(send().props.accessibilityState).toMatchObject({ disabled: true });
    fireEvent.changeText(screen.getByTestId('pick-drill'), 'wall hip');
    fireEvent.press(await screen.findByTestId('drill-wall-hip-fall'));
    fireEvent.press(await screen.findByTestId('to-Barn'));
    fireEvent.press(screen.getByTestId('at-cage'));
    fireEvent.changeText(screen.getByTestId('hand-note'), '  Before supper ');
    expect(await screen.findByText('Easy catch: the arm rests today')).toBeTruthy();
    await waitFor(() => expect(send().props.accessibilityState).toMatchObject({ disabled: false }));
    fireEvent.press(send());
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(1));
    expect(sent.find((s) => s.method === 'PUT')!.body).toEqual({
      what: { kind: 'drills', drills: ['wall-hip-fall'] },
      to: { kind: 'group', group: 'g' },
      place: 'cage',
      on: TODAY,
      note: 'Before supper',
    });
  });

  it('sends plans for today, to a station’s athletes', async () => {
    const { sent } = openPage(<HandOutsScreen />, answers([], [share('Alda', 'open'), share('Bero', 'open')]), []);
    fireEvent.press(await screen.findByTestId('hand-out-new'));
    fireEvent.press(screen.getByTestId('hand-plan'));
    fireEvent.press(await screen.findByText('Station: Net one'));
    await waitFor(() => expect(screen.getByText('Hand out to 2')).toBeTruthy());
    fireEvent.press(screen.getByTestId('hand-out-send'));
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(1));
    expect(sent.find((s) => s.method === 'PUT')!.body).toMatchObject({
      what: { kind: 'plan', weeks: 4 },
      to: { kind: 'station', person: 's' },
      on: TODAY,
    });
  });
});
