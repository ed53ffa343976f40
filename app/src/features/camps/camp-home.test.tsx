import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { CampReports, CampWay } from '@wrightonic/contract';
import { leavePage, ME, openPage } from '../../testing/page';
import { MyCampsScreen } from './MyCampsScreen';
import { ReportsScreen } from './ReportsScreen';

const mockPush = jest.fn();
let mockToday = '2026-05-04';
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));
jest.mock('../../data/clock', () => ({
  ...jest.requireActual('../../data/clock'),
  clockIn: () => '09:25',
  dayIn: () => mockToday,
}));
Object.assign(window, { location: { origin: 'https://yard.test' } });
const open = (page: React.ReactElement, answers: Record<string, unknown>, me: object = { ...ME, role: 'owner' }) =>
  openPage(page, { '/api/me': me, ...answers }, { rows: [], next: null });
afterEach(async () => {
  await leavePage();
  mockPush.mockClear();
  mockToday = '2026-05-04';
});

const SPEED = { gun: null, first: null, last: null, change: null, sentence: 'No speed was read at the camp.' };
const REPORTS: CampReports = {
  camp: 'Mill day',
  handedOutAt: null,
  from: '2026-05-04',
  to: '2026-05-04',
  unit: 'mph',
  totals: { athletes: 2, throws: 4, reps: 9, readTwice: 0, locked: 0 },
  reports: [
    {
      athlete: { id: 'a', name: 'Al Tarn' },
      age: 13,
      speed: SPEED,
      throws: 4,
      reps: 9,
      focus: 'Let the hips go first.',
      drills: [{ name: 'March and reach', cue: 'Light feet', reps: 9, good: 7 }],
      home: [5, 7, 9, 11].map((day) => ({
        date: `2026-05-${String(day).padStart(2, '0')}`,
        minutes: 12,
        throws: 0,
        items: [{ drill: 'Wall hip fall', dose: '2 × 8', cue: 'Hip to the wall' }],
      })),
      homeWhy: null,
      pictures: [],
    },
    {
      athlete: { id: 'b', name: 'Bo Marl' },
      age: 12,
      speed: SPEED,
      throws: 0,
      reps: 0,
      focus: null,
      drills: [],
      home: null,
      homeWhy: 'No focus was chosen at the camp; home work is made for one.',
      pictures: [],
    },
  ],
};

it('reports say what each takes home, and why there is none', async () => {
  open(<ReportsScreen id="c1" />, { '/api/camps/c1/reports': REPORTS });
  expect(await screen.findByText('March and reach: Light feet (7 of 9 good)')).toBeTruthy();
  expect(screen.getAllByText('Wall hip fall, 2 × 8: Hip to the wall')).toHaveLength(3);
  fireEvent.press(screen.getByRole('button', { name: 'All 4 days' }));
  expect(screen.getAllByText('Wall hip fall, 2 × 8: Hip to the wall')).toHaveLength(4);
  expect(screen.getByText('No focus was chosen at the camp; home work is made for one.')).toBeTruthy();
});

it('reports are handed out on the last day and not before, and only then linked to', async () => {
  const me = (today: string) => ({ ...ME, role: 'owner', academy: { ...ME.academy, today } });
  open(<ReportsScreen id="c1" />, { '/api/camps/c1/reports': REPORTS }, me('2026-05-03'));
  expect(await screen.findByText('March and reach: Light feet (7 of 9 good)')).toBeTruthy();
  expect(screen.queryByTestId('hand-out-reports')).toBeNull();
  await leavePage();
  const { sent } = open(<ReportsScreen id="c1" />, { '/api/camps/c1/reports': REPORTS }, me('2026-05-04'));
  expect(await screen.findByText('Hand out all 2')).toBeTruthy();
  expect(screen.queryByTestId('camp-links')).toBeNull();
  fireEvent.press(screen.getByTestId('hand-out-reports'));
  await waitFor(() => expect(sent.some((s) => s.method === 'POST' && s.url.endsWith('/camps/c1/reports'))).toBe(true));
});

it('links are told once, each with its name, for those whose reports were handed out', async () => {
  const handed = { ...REPORTS, handedOutAt: '2026-05-04T16:00:00.000Z' };
  const links = REPORTS.reports.map(({ athlete }) => ({ athlete, token: `secret-of-${athlete.id}` }));
  const { sent } = open(<ReportsScreen id="c1" />, { '/api/camps/c1/reports': handed, '/api/camps/c1/links': links });
  expect((await screen.findByTestId('handed-out')).props.children).toContain('Handed out on 4 May 2026');
  fireEvent.press(screen.getByTestId('camp-links'));
  const shown = await screen.findAllByTestId('camp-link');
  expect(shown.map((s) => String(s.props.children).split('/shared')[1])).toEqual(['#secret-of-a', '#secret-of-b']);
  const body = sent.find((s) => s.url.endsWith('/links'))!.body as { links: { athlete: string; id: string }[] };
  expect(body.links.map((l) => l.athlete)).toEqual(['a', 'b']);
  expect(new Set(body.links.map((l) => l.id)).size).toBe(2);
});

const stop = (from: string, to: string, station: string | null) => ({ from, to, station, place: null, coach: null });
const WAY: CampWay = {
  id: 'c1',
  name: 'Mill day',
  place: 'The mill',
  from: '2026-05-04',
  to: '2026-05-05',
  days: ['2026-05-04', '2026-05-05'].map((date) => ({
    date,
    stops: [stop('09:00', '09:20', 'Gun'), stop('09:20', '09:40', 'Shade'), stop('09:40', '10:00', null)],
  })),
  report: null,
  locked: null,
};

it('an athlete reads where to be on the days to come, and what went home once it was handed out', async () => {
  open(<MyCampsScreen id="a" />, { '/api/athletes/a/camps': [WAY] }, { ...ME, role: 'guardian' });
  expect(await screen.findAllByText('Gun')).toHaveLength(2);
  expect(screen.getAllByText('Nothing for you')).toHaveLength(2);
  await leavePage();
  mockToday = '2026-05-05';
  open(<MyCampsScreen id="a" />, { '/api/athletes/a/camps': [WAY] });
  expect(await screen.findAllByText('Gun')).toHaveLength(1);
  await leavePage();
  mockToday = '2026-05-06';
  open(<MyCampsScreen id="a" />, { '/api/athletes/a/camps': [WAY] });
  expect(await screen.findByText(/has not been handed out yet/)).toBeTruthy();
  await leavePage();
  open(<MyCampsScreen id="a" />, {
    '/api/athletes/a/camps': [{ ...WAY, report: REPORTS.reports[0], locked: 'Pain 5 at the elbow.' }],
  });
  expect((await screen.findByTestId('way-locked')).props).toBeTruthy();
  expect(screen.getByText(/Pain 5 at the elbow/)).toBeTruthy();
  expect(await screen.findByText('March and reach: Light feet (7 of 9 good)')).toBeTruthy();
  await leavePage();
  open(<MyCampsScreen id="a" />, { '/api/athletes/a/camps': [] });
  expect(await screen.findByText('No camps')).toBeTruthy();
});
