import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { leavePage, openPage } from '../../testing/page';
import { GunsScreen } from './GunsScreen';

afterEach(leavePage);
const GUN = {
  id: 'g',
  name: 'Barn gun',
  place: 'behind the plate',
  sideDeg: 0,
  upDeg: 12,
  unit: 'mph',
  offset: null,
  retired: false,
};

it('adds a gun with its angle, and says what it misses by it', async () => {
  const { sent } = openPage(<GunsScreen />, { '/api/guns': [] }, [GUN]);
  expect(await screen.findByText('No guns yet')).toBeTruthy();
  fireEvent.press(screen.getByTestId('gun-new'));
  fireEvent.changeText(screen.getByTestId('gun-name'), 'Barn gun');
  fireEvent.changeText(screen.getByTestId('gun-up'), '12');
  // By hand: 1 − cos 12° = 2.19 %.
  expect(screen.getByTestId('gun-missed')).toHaveTextContent(/2\.2 % too slow/);
  fireEvent.changeText(screen.getByTestId('gun-side'), 'twelve');
  expect(screen.getByTestId('gun-unread')).toBeTruthy();
  fireEvent.changeText(screen.getByTestId('gun-side'), '−25');
  expect(screen.getByText(/Above 20°/)).toBeTruthy();
  fireEvent.changeText(screen.getByTestId('gun-side'), '0');
  fireEvent.press(screen.getByTestId('gun-save'));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]!.body).toEqual({
    name: 'Barn gun',
    place: 'behind the plate',
    sideDeg: 0,
    upDeg: 12,
    unit: 'mph',
    offset: null,
    retired: false,
  });
});

it('retires a gun and keeps its name', async () => {
  const { sent } = openPage(<GunsScreen />, { '/api/guns': [GUN] }, [{ ...GUN, retired: true }]);
  fireEvent.press(await screen.findByTestId('gun-row-Barn gun'));
  expect(screen.queryByTestId('gun-name')).toBeNull();
  fireEvent.press(screen.getByText('Retire it'));
  await waitFor(() => expect(sent[0]!.body).toMatchObject({ name: 'Barn gun', retired: true }));
});
