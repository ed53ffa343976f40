import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ImportLook, IntakeAnswer, People, RosterPage } from '@wrightonic/contract';
import { EMPTY_INTAKE } from '@wrightonic/contract';
import { leavePage, ME, openPage, TODAY } from '../testing/page';
import { BandsScreen } from './desk/BandsScreen';
import { DeskScreen } from './desk/DeskScreen';
import { PeopleScreen } from './desk/PeopleScreen';
import { ImportScreen } from './desk/ImportScreen';
import { Consents } from '../parts/Consents';
import { AthletesScreen } from './roster/AthletesScreen';

jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn(), replace: jest.fn() }),
  useLocalSearchParams: () => ({}),
}));
jest.mock('../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
  drafts: {
    all: () => Promise.resolve([]),
    get: () => Promise.resolve(null),
    put: () => Promise.resolve(),
    remove: () => Promise.resolve(),
  },
}));
const mockPick = jest.fn();
jest.mock('../ui/files', () => ({ pickFile: () => mockPick() as unknown, download: jest.fn() }));

afterEach(leavePage);

const people: People = {
  people: [
    { id: 'u', name: 'Ada Test', role: 'owner', signIn: 'ada', athletes: [], groups: [], lastSeen: '2026-05-04T10:00:00Z' },
    {
      id: 'w',
      name: 'Wim Birchley',
      role: 'guardian',
      signIn: 'wim',
      athletes: [{ id: 'a', name: 'Testa' }],
      groups: [],
      lastSeen: null,
    },
  ],
  invitations: [{ id: 'i', role: 'athlete', name: 'Testa', by: 'Ada Test', expiresAt: '2026-05-11T10:00:00Z', state: 'open' }],
};

describe('Desk', () => {
  it.each([
    ['owner', ['people', 'groups', 'guns', 'import', 'files', 'audit', 'settings', 'bands', 'findings', 'account']],
    ['instructor', ['people', 'groups', 'guns', 'import', 'audit', 'findings', 'account']],
    ['guardian', ['account']],
  ] as const)('shows %s what they may use', async (role, parts) => {
    openPage(<DeskScreen />, { '/api/me': { ...ME, role } });
    await screen.findByTestId('desk-account');
    expect(screen.getAllByTestId(/^desk-/).map((l) => String(l.props.testID).slice(5))).toEqual(parts);
  });
});

describe('People', () => {
  it('lists who is there, lets nobody change themselves, and asks before a sign-in is taken away', async () => {
    const { sent } = openPage(
      <PeopleScreen />,
      { '/api/me': { ...ME, role: 'owner' }, '/api/people': people, '/api/groups': [] },
      people,
    );
    expect(await screen.findByText('Wim Birchley')).toBeTruthy();
    expect(screen.getByText(/never signed in/)).toBeTruthy();
    expect(screen.queryByTestId('person-ada')).toBeNull();
    fireEvent.press(screen.getByTestId('person-wim'));
    fireEvent.press(screen.getByTestId('remove-person-ask'));
    expect(sent.some((s) => s.method === 'DELETE')).toBe(false);
    fireEvent.press(screen.getByTestId('remove-person'));
    await waitFor(() => expect(sent.some((s) => s.method === 'DELETE' && s.url.endsWith('/people/w'))).toBe(true));
  });
});

describe('Bands and thresholds', () => {
  it('mark what is the academy’s own, and go back to the standard in one tap', async () => {
    const { sent } = openPage(<BandsScreen />, { '/api/me': { ...ME, role: 'owner' } }, { ...ME, role: 'owner' });
    fireEvent.changeText(await screen.findByTestId('number-hip-internal-rotation-pass'), '36');
    expect(screen.getByText('Yours; the standard is 40 (published)')).toBeTruthy();
    expect(screen.getByText(/1 is your own/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('save-numbers'));
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(1));
    expect((sent.find((s) => s.method === 'PUT')!.body as { numbers: object }).numbers).toEqual({
      tests: { 'hip-internal-rotation': { pass: 36, watch: 30 } },
    });
    fireEvent.press(screen.getByTestId('standard-hip-internal-rotation-pass'));
    expect(screen.getByText(/All are as they came/)).toBeTruthy();
  });
});

describe('Consent', () => {
  const answer = (minor: boolean): IntakeAnswer => ({ intake: { ...EMPTY_INTAKE, next: null }, minor, consents: [] });
  it('of a minor cannot be given by the minor', async () => {
    openPage(<Consents id="a" athleteName="Testa" />, {
      '/api/me': { ...ME, role: 'athlete' },
      '/api/athletes/a/intake': answer(true),
    });
    expect(await screen.findByText(/a parent or guardian of Testa decides/)).toBeTruthy();
    expect(screen.queryByTestId('consent-film-yes')).toBeNull();
  });
  it('is sent with whose word it is', async () => {
    const { sent } = openPage(
      <Consents id="a" athleteName="Testa" />,
      { '/api/me': ME, '/api/athletes/a/intake': answer(true) },
      answer(true),
    );
    fireEvent.changeText(await screen.findByTestId('consent-by'), 'Wim Birchley');
    fireEvent.press(screen.getByTestId('consent-film-no'));
    await waitFor(() => expect(sent.some((s) => s.method === 'PUT')).toBe(true));
    expect(sent.find((s) => s.method === 'PUT')!.body).toEqual({ kind: 'film', given: false, by: 'Wim Birchley' });
  });
});

const athleteRow = (n: number): RosterPage['rows'][number] => ({
  id: `a${n}`,
  name: `Person ${n}`,
  discipline: 'overhand',
  throws: 'R',
  age: 15,
  chain: ['unseen', 'unseen', 'unseen', 'unseen', 'unseen', 'unseen'],
  focus: null,
  focusChance: null,
  locked: n === 1,
  care: false,
  intakeOpen: n === 2,
});

describe('the roster', () => {
  it('asks for one page, says what stands of each, and narrows by a tap', async () => {
    const page: RosterPage = { rows: [athleteRow(0), athleteRow(1), athleteRow(2)], next: 'more' };
    const { asked } = openPage(<AthletesScreen />, { '/api/me': ME, '/api/groups': [] }, page);
    expect(await screen.findByText('Person 0')).toBeTruthy();
    expect(screen.getByText('Throwing is locked')).toBeTruthy();
    expect(screen.getByText('Intake not finished')).toBeTruthy();
    if (screen.queryByTestId('filters') === null) fireEvent.press(screen.getByTestId('filter'));
    fireEvent.press(screen.getByTestId('flag-locked'));
    await waitFor(() => expect(asked.some((url) => url.includes('flag=locked'))).toBe(true));
  });
  it('has a next step when nobody is there, and another when nobody fits', async () => {
    openPage(<AthletesScreen />, { '/api/me': ME, '/api/groups': [] }, { rows: [], next: null });
    expect(await screen.findByText('No athletes yet')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Search by name'), 'zz');
    expect(await screen.findByText('Nobody fits')).toBeTruthy();
  });
});

describe('Bringing in a list', () => {
  const look: ImportLook = {
    fileName: 'list.csv',
    encoding: 'Latin-1',
    delimiter: ';',
    header: ['Name', 'Born'],
    choices: { columns: { name: 0, birthDate: 1 }, dayOrder: null, discipline: null, heightUnit: 'cm', massUnit: 'kg' },
    rows: 3,
    good: [
      {
        line: 2,
        entry: {
          name: 'Alda Quill',
          birthDate: '2011-03-04',
          discipline: 'overhand',
          throws: 'R',
          heightM: 1.6,
          massKg: 50,
          level: 'youth',
          group: null,
          guardian: null,
        },
      },
    ],
    bad: [
      { line: 3, faults: [{ field: 'birthDate', column: 'Born', written: 'soon', message: 'is not a date; write 2011-03-14' }] },
    ],
    duplicates: [{ line: 4, name: 'Bero Quill', of: 'the roster' }],
    faultsCsv: 'line,what is wrong\n',
  };
  it('shows what comes in, what does not and why, before anything is kept', async () => {
    mockPick.mockResolvedValueOnce({ name: 'list.csv', base64: 'eA==' });
    const { sent } = openPage(<ImportScreen />, { '/api/me': ME, '/api/imports': [] }, look);
    fireEvent.press(await screen.findByTestId('choose-file'));
    expect(await screen.findByText(/Line 3: Born “soon” is not a date/)).toBeTruthy();
    expect(screen.getByText(/Bero Quill is in the roster already/)).toBeTruthy();
    expect(screen.getByText(/Latin-1, separated by semicolons/)).toBeTruthy();
    expect(sent.some((s) => s.method === 'PUT')).toBe(false);
    fireEvent.press(screen.getByTestId('day-first'));
    await waitFor(() => expect(sent.filter((s) => s.url.endsWith('/imports/look'))).toHaveLength(2));
    fireEvent.press(screen.getByTestId('bring-in'));
    await waitFor(() => expect(sent.some((s) => s.method === 'PUT')).toBe(true));
    expect(TODAY).toBe('2026-05-04');
  });
});
