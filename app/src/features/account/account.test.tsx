import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { InvitationFace } from '@wrightonic/contract';
import { leavePage, ME, openPage } from '../../testing/page';
import { AccountScreen } from './AccountScreen';
import { JoinScreen } from './JoinScreen';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: jest.fn() }) }));
jest.mock('../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));
const mockAssign = jest.fn();
beforeAll(() => void Object.assign(window, { location: { hash: '#the-secret', assign: mockAssign } }));
afterAll(() => void Reflect.deleteProperty(window, 'location'));
afterEach(async () => {
  await leavePage();
  mockAssign.mockClear();
});

describe('one’s own account', () => {
  const open = (answers: Record<string, unknown> = {}) =>
    openPage(<AccountScreen />, { '/api/me': { ...ME, role: 'guardian' }, ...answers });
  const type = (field: string, text: string) => fireEvent.changeText(screen.getByTestId(`password-${field}`), text);

  it('says who is signed in, and changes nothing without the password of today', async () => {
    const { sent } = open();
    expect(await screen.findByText(/Ada Test, .*You sign in as ada\./)).toBeTruthy();
    type('next', 'a long enough one');
    fireEvent.press(screen.getByTestId('password-save'));
    type('current', 'correct horse');
    type('next', 'short');
    fireEvent.press(screen.getByTestId('password-save'));
    expect(sent).toEqual([]);
  });

  it('sends the old and the new one, empties both, and says what that did', async () => {
    const { sent } = open({ '/api/account/password': ME });
    await screen.findByTestId('password-save');
    type('current', 'correct horse');
    type('next', 'eleven slow otters');
    fireEvent.press(screen.getByTestId('password-save'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({ current: 'correct horse', next: 'eleven slow otters' });
    expect(await screen.findByText(/The password is changed\. All other devices are signed out\./)).toBeTruthy();
    expect(screen.queryByDisplayValue('eleven slow otters')).toBeNull();
  });

  it('keeps what was typed where the server cannot be reached', async () => {
    open();
    await screen.findByTestId('password-save');
    type('current', 'correct horse');
    type('next', 'eleven slow otters');
    fireEvent.press(screen.getByTestId('password-save'));
    await waitFor(() => expect(screen.queryByText(/password is changed/)).toBeNull());
    expect(screen.getByDisplayValue('eleven slow otters')).toBeTruthy();
  });

  it('shows one’s own eye to those who judge, and not to family', async () => {
    open();
    await screen.findByTestId('password-save');
    expect(screen.queryByText(/your eye/i)).toBeNull();
  });
});

describe('an invitation that is taken up', () => {
  const face: InvitationFace = {
    academy: 'Test Yard',
    role: 'guardian',
    name: 'Wim Birchley',
    athletes: ['Testa', 'Orla'],
    forSignIn: null,
  } as never;
  const open = (shown: InvitationFace | undefined) => openPage(<JoinScreen />, shown ? { '/api/join/look': shown } : {});

  it('says to what, as whom and for whom', async () => {
    open(face);
    expect(await screen.findByText('Join Test Yard')).toBeTruthy();
    expect(screen.getByTestId('join-what').props.children).toMatch(
      /^You are invited as .* for Testa and Orla\. The link works once\.$/,
    );
  });

  it('needs a name, a sign-in name and a password that is long enough', async () => {
    const { sent } = open(face);
    await screen.findByTestId('join');
    const joins = () => sent.filter((s) => s.url.endsWith('/join'));
    const type = (field: string, text: string) => fireEvent.changeText(screen.getByTestId(`join-${field}`), text);
    fireEvent.press(screen.getByTestId('join'));
    type('sign-in', '  ');
    type('password', 'eleven slow otters');
    fireEvent.press(screen.getByTestId('join'));
    type('sign-in', 'wim');
    type('name', ' ');
    fireEvent.press(screen.getByTestId('join'));
    expect(joins()).toEqual([]);
    type('name', 'Wim Birchley');
    fireEvent.press(screen.getByTestId('join'));
    await waitFor(() => expect(joins()).toHaveLength(1));
    expect(joins()[0]!.body).toEqual({
      token: 'the-secret',
      name: 'Wim Birchley',
      signIn: 'wim',
      password: 'eleven slow otters',
    });
  });

  it('for a lost password asks for nothing but a new one', async () => {
    open({ ...face, forSignIn: 'wim' });
    expect(await screen.findByText('Set a new password')).toBeTruthy();
    expect(screen.queryByTestId('join-name')).toBeNull();
    expect(screen.queryByTestId('join-sign-in')).toBeNull();
  });

  it('that is no longer good leads to the sign-in', async () => {
    open(undefined);
    fireEvent.press(await screen.findByText('Go to the sign-in'));
    expect(mockAssign).toHaveBeenCalledWith('/');
    expect(screen.queryByTestId('join')).toBeNull();
  });
});
