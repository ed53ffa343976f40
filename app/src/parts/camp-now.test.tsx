import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { CampRecord, CampRow } from '@wrightonic/contract';
import { camperOf, campRecordOf } from '../testing/camp';
import { leavePage, ME, openPage } from '../testing/page';
import { CampNow } from './CampNow';

const mockPush = jest.fn();
const mockKept: unknown[] = [];
let mockClock = '09:05';
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));
jest.mock('../data/clock', () => ({
  ...jest.requireActual('../data/clock'),
  clockIn: () => mockClock,
  dayIn: () => '2026-05-04',
}));
jest.mock('../data/storage', () => ({
  storage: { all: () => Promise.resolve([]) },
  lines: { put: (user: string, at: string, form: unknown) => Promise.resolve(void mockKept.push([user, at, form])) },
}));

const station = (id: string, name: string, coach: string | null): CampRecord['stations'][number] => ({
  id,
  name,
  kind: 'screen',
  place: null,
  coach,
  drill: null,
  capacity: 4,
  kit: null,
  throwsPerVisit: 0,
  hard: false,
});
const CAMP = campRecordOf({
  days: [{ date: '2026-05-04', start: '09:00', rotations: 2, minutes: 10, breaks: [] }],
  stations: [station('s1', 'Mine', ME.id), station('s2', 'Theirs', 'other')],
  athletes: [camperOf('a', 'Al Tarn'), camperOf('b', 'Bo Marl')],
  revision: 1,
  visits: [
    { athlete: 'a', day: 0, rotation: 0, station: 's1' },
    { athlete: 'b', day: 0, rotation: 0, station: 's2' },
    { athlete: 'a', day: 0, rotation: 1, station: 's2' },
    { athlete: 'b', day: 0, rotation: 1, station: 's1' },
  ],
});
const ROW: CampRow = {
  id: 'c1',
  name: 'Mill day',
  place: null,
  from: '2026-05-04',
  to: '2026-05-04',
  athletes: 2,
  state: 'published',
  runsStation: true,
  toErase: [],
};
const me = { ...ME, role: 'station' } as const;
const open = () => openPage(<CampNow row={ROW} me={me} />, { '/api/me': me, '/api/camps/c1': CAMP });
afterEach(async () => {
  await leavePage();
  mockPush.mockClear();
  mockKept.length = 0;
  mockClock = '09:05';
});

it('hands the line of this rotation to the group screen, of one’s own station alone', async () => {
  open();
  fireEvent.press(await screen.findByTestId('run-station-Mine'));
  await waitFor(() => expect(mockPush).toHaveBeenCalledWith('/group-run'));
  expect(mockKept).toEqual([[me.id, '2026-05-04', { athletes: ['a'], drill: null }]]);
  expect(screen.queryByTestId('run-station-Theirs')).toBeNull();
  expect(screen.getByText('Then: Bo Marl')).toBeTruthy();
});

it('goes on with the clock while it is looked at, and is gone when the day is over', async () => {
  open();
  expect(await screen.findByText('Run Al Tarn')).toBeTruthy();
  mockClock = '09:12';
  expect(await screen.findByText('Run Bo Marl', {}, { timeout: 8000 })).toBeTruthy();
  mockClock = '09:20';
  await waitFor(() => expect(screen.queryByText('Run Bo Marl')).toBeNull(), { timeout: 8000 });
});
