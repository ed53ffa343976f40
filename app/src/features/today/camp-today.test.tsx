import { act, screen, waitFor } from '@testing-library/react-native';
import type { CampWay } from '@wrightonic/contract';
import { leavePage, ME, openPage } from '../../testing/page';
import { CampToday } from './CampToday';

let mockToday = '2026-05-04';
let mockClock = '09:25';
jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));
jest.mock('../../data/clock', () => ({
  ...jest.requireActual('../../data/clock'),
  clockIn: () => mockClock,
  dayIn: () => mockToday,
}));
const stop = (from: string, to: string, station: string) => ({ from, to, station, place: null, coach: null });
const WAY: CampWay = {
  id: 'c1',
  name: 'Mill day',
  place: null,
  from: '2026-05-04',
  to: '2026-05-04',
  days: [
    {
      date: '2026-05-04',
      stops: [
        stop('09:00', '09:20', 'Gun'),
        stop('09:20', '09:40', 'Shade'),
        stop('09:40', '10:00', 'Film'),
        stop('10:00', '10:20', 'Hips'),
        stop('10:20', '10:40', 'Legs'),
      ],
    },
  ],
  report: null,
  locked: null,
};
const show = async (today: string, clock: string, way: CampWay = WAY) => {
  await leavePage();
  mockToday = today;
  mockClock = clock;
  const { asked } = openPage(<CampToday id="a" me={ME} />, { '/api/athletes/a/camps': [way] });
  await waitFor(() => expect(asked.join()).toContain('/camps'));
  await act(() => Promise.resolve());
};
const stations = () => screen.queryAllByTestId('camp-stop').length;
afterEach(leavePage);

it('says where to be now and next, until the day is through', async () => {
  await show('2026-05-04', '09:25');
  expect(await screen.findByText('Shade')).toBeTruthy();
  expect([stations(), screen.queryByText('Gun'), screen.queryByText('Legs')]).toEqual([3, null, null]);
  await show('2026-05-04', '10:25');
  expect(await screen.findByText('Legs')).toBeTruthy();
  expect(stations()).toBe(1);
  await show('2026-05-04', '10:40');
  expect(await screen.findByText('That was all for today.')).toBeTruthy();
  expect(stations()).toBe(0);
});

it('tells of a camp a fortnight before it, and after it only what went home', async () => {
  await show('2026-04-20', '09:00');
  expect(await screen.findByText(/^Begins/)).toBeTruthy();
  await show('2026-04-19', '09:00');
  expect(screen.queryByText('Mill day')).toBeNull();
  await show('2026-05-05', '09:00');
  expect(screen.queryByText('Mill day')).toBeNull();
  await show('2026-05-05', '09:00', { ...WAY, report: {} as CampWay['report'] });
  expect(await screen.findByText('What goes home from it is here')).toBeTruthy();
});
