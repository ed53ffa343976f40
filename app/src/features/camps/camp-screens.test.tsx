import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { CampDifference, CampRecord, CampRow, NewCamp } from '@wrightonic/contract';
import { camperOf, campRecordOf } from '../../testing/camp';
import { leavePage, ME, openPage } from '../../testing/page';
import { BoardScreen } from './BoardScreen';
import { BuildScreen } from './BuildScreen';
import { CampScreen } from './CampScreen';
import { CampsScreen } from './CampsScreen';
import { newStation } from './form';

const mockPush = jest.fn();
const mockReplace = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush, replace: mockReplace }) }));
interface KeptLine {
  readonly athletes: readonly string[];
  readonly drill: string | null;
  readonly taught?: { readonly link: string };
}
const mockKept: [string, string, KeptLine][] = [];
jest.mock('../../data/storage', () => ({
  ...jest.requireActual('../../data/storage'),
  lines: { put: (user: string, at: string, line: KeptLine) => Promise.resolve(void mockKept.push([user, at, line])) },
}));
jest.mock('../../data/clock', () => ({
  ...jest.requireActual('../../data/clock'),
  clockIn: () => '09:05',
  dayIn: () => '2026-05-04',
}));

const OWNER = { ...ME, role: 'owner' } as const;
const camper = (athlete: string, name: string, locked: string | null = null) => camperOf(athlete, name, { locked });
const CAMP = campRecordOf({
  place: 'The mill',
  days: [{ date: '2026-05-04', start: '09:00', rotations: 3, minutes: 20, breaks: [] }],
  stations: [
    { ...newStation('s1', 'radar', null, []), name: 'Gun', place: 'South end' },
    { ...newStation('s2', 'rest', null, []), name: 'Shade' },
  ],
  athletes: [camper('a', 'Al Tarn'), camper('b', 'Bo Marl', 'Throwing is locked.')],
  revision: 4,
  visits: [0, 1, 2].flatMap((rotation) => [
    { athlete: 'a', day: 0, rotation, station: rotation === 1 ? 's1' : 's2' },
    { athlete: 'b', day: 0, rotation, station: 's2' },
  ]),
  arrivals: [{ day: 0, athlete: 'a' }],
  cautions: ['Bo Marl: Throwing is locked.'],
  worth: { score: 90, bound: 100 },
});
const row = (more: Partial<CampRow>): CampRow => ({
  id: 'c1',
  name: 'Mill day',
  place: null,
  from: '2026-05-04',
  to: '2026-05-04',
  athletes: 2,
  state: 'published',
  runsStation: false,
  toErase: [],
  ...more,
});
const open = (page: React.ReactElement, answers: Record<string, unknown>, me: object = OWNER) =>
  openPage(page, { '/api/me': me, ...answers }, { rows: [], next: null });
afterEach(async () => {
  await leavePage();
  mockPush.mockClear();
  mockReplace.mockClear();
  mockKept.length = 0;
});

describe('the list', () => {
  it('has those to come before those that were, and says how to begin where there are none', async () => {
    open(<CampsScreen />, { '/api/camps': [row({}), row({ id: 'c0', name: 'Old one', state: 'over' })] });
    fireEvent.press(await screen.findByTestId('camp-Old one'));
    expect(mockPush).toHaveBeenCalledWith('/camps/c0');
    expect(screen.getByText(/Now and to come/)).toBeTruthy();
    await leavePage();
    open(<CampsScreen />, { '/api/camps': [] });
    expect(await screen.findByText('No camps yet')).toBeTruthy();
    fireEvent.press(screen.getByTestId('camp-new'));
    expect(mockPush).toHaveBeenLastCalledWith('/camps/new/build');
  });

  it('names whose time is over to everybody, and lets an owner alone erase them', async () => {
    const due = [row({ state: 'over', toErase: [{ id: 'v', name: 'Vi Rook' }] })];
    const { sent } = open(<CampsScreen />, { '/api/camps': due, '/api/camps/c1/erase-visitors': [] });
    fireEvent.press(await screen.findByTestId('erase-visitors-Mill day'));
    await waitFor(() => expect(sent.some((s) => s.method === 'POST')).toBe(true));
    await leavePage();
    open(<CampsScreen />, { '/api/camps': due }, { ...ME, role: 'instructor' });
    expect(await screen.findByText(/Vi Rook/)).toBeTruthy();
    expect(screen.queryByTestId('erase-visitors-Mill day')).toBeNull();
  });
});

describe('a camp', () => {
  it('shows who is where, what to know before, and how near the best it is', async () => {
    open(<CampScreen id="c1" />, { '/api/camps/c1': CAMP });
    expect(await screen.findByText('10.0 %')).toBeTruthy();
    expect(screen.getByText('Bo Marl: Throwing is locked.')).toBeTruthy();
    expect(screen.getAllByText(/Al Tarn/).length).toBeGreaterThan(0);
    // It has begun: it is not planned whole any more.
    expect(screen.queryByTestId('camp-schedule')).toBeNull();
    fireEvent.press(screen.getByTestId('camp-board'));
    expect(mockPush).toHaveBeenCalledWith('/camps/c1/board');
  });

  it('is not published before everybody has a place, and says why it cannot be held', async () => {
    const draft: CampRecord = { ...CAMP, state: 'draft', visits: [], worth: null };
    open(<CampScreen id="c1" />, { '/api/camps/c1': draft });
    expect(await screen.findByTestId('camp-schedule')).toBeTruthy();
    expect(screen.queryByTestId('camp-publish')).toBeNull();
    await leavePage();
    const full: CampRecord = { ...CAMP, infeasible: { reason: 'Two have nowhere to be.', relax: ['Two more places.'] } };
    open(<CampScreen id="c1" />, { '/api/camps/c1': full });
    expect(await screen.findByText('Two have nowhere to be. Two more places.')).toBeTruthy();
  });

  it('offers a station coach nothing that is not theirs', async () => {
    open(<CampScreen id="c1" />, { '/api/camps/c1': CAMP }, { ...ME, role: 'station' });
    expect(await screen.findByRole('heading', { name: 'Mill day' })).toBeTruthy();
    for (const id of ['camp-build', 'camp-board', 'paper-reports', 'camp-reports-now'])
      expect(screen.queryByTestId(id)).toBeNull();
  });
});

describe('the board', () => {
  it('runs those of a station, or a class of them, by one tap each; a guest of the barn’s screen has neither', async () => {
    open(<BoardScreen id="c1" />, { '/api/camps/c1': CAMP });
    fireEvent.press(await screen.findByTestId('board-run-Shade'));
    fireEvent.press(screen.getByTestId('board-class-Shade'));
    await waitFor(() => expect(mockPush.mock.calls).toEqual([['/group-run'], ['/group-run']]));
    expect(mockKept.map(([user, on, line]) => [user, on, line.athletes, line.drill, line.taught?.link])).toEqual([
      [ME.id, '2026-05-04', ['a', 'b'], null, undefined],
      [ME.id, '2026-05-04', ['a', 'b'], null, 'set'],
    ]);
    // Nobody is at the gun in this rotation.
    expect(screen.queryByTestId('board-run-Gun')).toBeNull();
    await leavePage();
    open(<BoardScreen id="c1" />, { '/api/camps/c1': CAMP }, { ...ME, role: 'station' });
    expect(await screen.findByTestId('board-run-Shade')).toBeTruthy();
    expect(screen.queryByTestId('board-class-Shade')).toBeNull();
  });

  it('says where everybody is now and then, who is missing, and takes arrivals by a tap', async () => {
    const { sent } = open(<BoardScreen id="c1" />, { '/api/camps/c1': CAMP, '/api/camps/c1/arrivals': CAMP });
    expect((await screen.findByTestId('board-moment')).props.children).toContain('Rotation 1, 15 minutes left');
    expect(screen.getByText('Then: Al Tarn')).toBeTruthy();
    expect(screen.getByText('Bo Marl · no throwing')).toBeTruthy();
    expect(screen.getByText('Not seen at the gate: Bo Marl.')).toBeTruthy();
    fireEvent.press(screen.getByTestId('board-gate'));
    fireEvent.press(screen.getByTestId('here-Bo Marl'));
    await waitFor(() => expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ day: 0, athlete: 'b', here: true }));
  });

  it('shows what a change would do before it is taken, and asks again when it is another change', async () => {
    const difference: CampDifference = {
      revision: 4,
      moves: [{ athlete: { id: 'a', name: 'Al Tarn' }, day: 0, rotation: 1, from: 'Gun', to: 'Shade' }],
      moved: 1,
      broken: [],
      infeasible: null,
    };
    const { sent } = open(<BoardScreen id="c1" />, {
      '/api/camps/c1': CAMP,
      '/api/camps/c1/replan/look': difference,
      '/api/camps/c1/replan': CAMP,
    });
    fireEvent.press(await screen.findByTestId('board-replan'));
    expect(
      screen.getByTestId('replan-look').props.accessibilityState?.disabled ??
        screen.getByTestId('replan-look').props['aria-disabled'],
    ).toBe(true);
    fireEvent.press(screen.getByTestId('replan-of-Gun'));
    fireEvent.press(screen.getByTestId('replan-from-2'));
    fireEvent.press(screen.getByTestId('replan-look'));
    expect(await screen.findByText('Al Tarn, rotation 2: Gun → Shade')).toBeTruthy();
    fireEvent.press(screen.getByTestId('replan-of-Shade'));
    expect(screen.queryByText('Al Tarn, rotation 2: Gun → Shade')).toBeNull();
    fireEvent.press(screen.getByTestId('replan-of-Shade'));
    fireEvent.press(screen.getByTestId('replan-look'));
    fireEvent.press(await screen.findByTestId('replan-take'));
    const asked = {
      revision: 4,
      now: { day: 0, rotation: 0 },
      changes: [{ day: 0, fromRotation: 1, type: 'station-closed', id: 's1' }],
    };
    await waitFor(() => expect(sent.at(-1)?.body).toEqual(asked));
  });
});

describe('building', () => {
  const build = () =>
    open(<BuildScreen id="new" />, {
      '/api/people': {
        people: [{ id: 'p1', name: 'Mo Fenn', role: 'station', groups: [], athletes: [], signIn: 'mo', lastSeen: null }],
        invitations: [],
      },
      '/api/groups': [
        {
          id: 'g1',
          name: 'Early',
          athletes: [
            { id: 'a', name: 'Al Tarn' },
            { id: 'b', name: 'Bo Marl' },
          ],
        },
      ],
    });

  it('sends what was built: days, stations with who runs them, a whole group with its name', async () => {
    const { sent } = build();
    expect(await screen.findByText('Give the camp a name.')).toBeTruthy();
    fireEvent.changeText(screen.getByTestId('camp-name'), ' Mill day ');
    fireEvent.changeText(screen.getByTestId('rotations-0'), '5');
    fireEvent.press(screen.getByTestId('day-more'));
    fireEvent.press(screen.getByTestId('add-radar'));
    fireEvent.press(screen.getByTestId('station-Radar'));
    fireEvent.changeText(screen.getByTestId('station-throws'), '6');
    fireEvent.press(screen.getByTestId('station-coach-Mo Fenn'));
    fireEvent.press(screen.getByTestId('station-done'));
    fireEvent.press(screen.getByTestId('add-group-Early'));
    fireEvent.press(screen.getByTestId('comer-Al Tarn'));
    fireEvent.press(screen.getByTestId('comer-visitor'));
    fireEvent.press(screen.getByTestId('camp-save'));
    await waitFor(() => expect(sent.some((s) => s.method === 'PUT')).toBe(true));
    const body = sent.find((s) => s.method === 'PUT')!.body as NewCamp;
    expect(body.name).toBe('Mill day');
    expect(body.days.map((d) => [d.date, d.rotations])).toEqual([
      ['2026-05-05', 5],
      ['2026-05-06', 5],
    ]);
    expect(body.stations).toMatchObject([
      { name: 'Radar', kind: 'radar', throwsPerVisit: 6, hard: true, coach: 'p1', drill: null },
    ]);
    expect(body.athletes).toEqual([
      { athlete: 'a', group: 'Early', with: [], visitor: true },
      { athlete: 'b', group: 'Early', with: [], visitor: false },
    ]);
  });

  it('takes no number from what is none', async () => {
    const { sent } = build();
    fireEvent.changeText(await screen.findByTestId('camp-name'), 'Mill day');
    for (const written of ['many', '-3', '2.5', '', '0']) fireEvent.changeText(screen.getByTestId('rotations-0'), written);
    fireEvent.press(screen.getByTestId('camp-save'));
    await waitFor(() => expect(sent.some((s) => s.method === 'PUT')).toBe(true));
    expect((sent.find((s) => s.method === 'PUT')!.body as NewCamp).days[0]!.rotations).toBe(6);
  });
});
