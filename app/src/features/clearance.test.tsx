import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { leavePage, ME, openPage } from '../testing/page';
import { ClearanceForm } from '../parts/ClearanceForm';

jest.mock('../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));

afterEach(leavePage);

async function openForm() {
  const page = openPage(<ClearanceForm athlete="a" onDone={() => undefined} />, {}, {});
  await screen.findByTestId('clearance-by');
  const type = (field: string, text: string) => fireEvent.changeText(screen.getByTestId(`clearance-${field}`), text);
  const save = () => fireEvent.press(screen.getByTestId('save-clearance'));
  type('by', 'Dr. Imelda Fennigard');
  return { ...page, type, save };
}

describe('a clearance', () => {
  it('is sent with its instant, its numbers and its last day', async () => {
    const { type, save, sent } = await openForm();
    type('at', '14:05');
    type('limits', 'Easy throws only');
    type('throws', '30');
    type('effort', '70 %');
    type('until', '20.6.2026');
    save();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({
      date: ME.academy.today,
      at: '14:05',
      by: 'Dr. Imelda Fennigard',
      limits: 'Easy throws only',
      mostThrows: 30,
      highestEffort: 70,
      until: '2026-06-20',
    });
  });

  it.each([
    ['throws', 'thirty'],
    ['throws', '30.5'],
    ['effort', 'about 70'],
    ['until', '31.6.2026'],
    ['until', '3/4/2026'],
    ['until', 'end of June'],
  ])('never drops a limit that cannot be read: %s “%s”', async (field, text) => {
    const { type, save, sent } = await openForm();
    type(field, text);
    save();
    expect(sent).toEqual([]);
    type(field, '');
    save();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).not.toHaveProperty(field === 'until' ? 'until' : 'mostThrows');
  });

  it('asks which day is meant where a date may be read two ways', async () => {
    const { type, save, sent } = await openForm();
    type('until', '3/4/2026');
    fireEvent.press(screen.getByText(/3 Apr/));
    save();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ until: '2026-04-03' });
  });
});
