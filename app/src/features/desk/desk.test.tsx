import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import type { GroupRow, OwnFindingRecord } from '@wrightonic/contract';
import { causesOf, consequencesOf, FINDINGS, findingById } from '@wrightonic/core';
import { added } from '../../data/operations';
import type { Operation } from '../../data/operations';
import { leavePage, ME, openPage } from '../../testing/page';
import { AuditScreen } from './AuditScreen';
import { DeskScreen } from './DeskScreen';
import { FindingsScreen } from './FindingsScreen';
import { GroupsScreen } from './GroupsScreen';
import { InviteForm } from '../../parts/InviteForm';
import { SettingsScreen } from './SettingsScreen';

const mockPush = jest.fn();
const mockParams = jest.fn(() => ({}));
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: mockPush, replace: jest.fn() }),
  useLocalSearchParams: () => mockParams(),
}));
jest.mock('../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));

const OWNER = { ...ME, role: 'owner' } as const;
afterEach(async () => {
  await leavePage();
  mockPush.mockClear();
  mockParams.mockReturnValue({});
});

describe('the settings of an academy', () => {
  const open = (academy: Partial<typeof ME.academy> = {}) => {
    const me = { ...OWNER, academy: { ...ME.academy, ...academy } };
    return openPage(<SettingsScreen />, { '/api/me': me }, me);
  };
  const saved = async (sent: ReturnType<typeof openPage>['sent']) => {
    fireEvent.press(screen.getByTestId('save-settings'));
    await waitFor(() => expect(sent.some((s) => s.method === 'PUT')).toBe(true));
    return sent.find((s) => s.method === 'PUT')!.body as Record<string, unknown>;
  };

  it('are sent whole, with nothing changed that was not touched', async () => {
    const { sent } = open({ leagueDailyLimit: 75, words: ['push'], schools: { driveLeg: 'push' } as never });
    await screen.findByTestId('save-settings');
    const { name: _, today: __, ...settings } = ME.academy;
    expect(await saved(sent)).toEqual({ ...settings, leagueDailyLimit: 75, words: ['push'], schools: { driveLeg: 'push' } });
  });

  it('take units, a zone, weighted balls and the league’s day by a tap each', async () => {
    const { sent } = open();
    fireEvent.press(await screen.findByRole('button', { name: 'km/h' }));
    fireEvent.press(screen.getByRole('button', { name: 'ft and in' }));
    fireEvent.press(screen.getByRole('button', { name: 'Allowed' }));
    fireEvent.changeText(screen.getByTestId('league-cut-off'), '08-31');
    fireEvent.changeText(screen.getByTestId('league-daily'), ' 85 ');
    expect(await saved(sent)).toMatchObject({
      speedUnit: 'km/h',
      lengthUnit: 'in',
      weightedBalls: true,
      league: { ageCutOff: '08-31' },
      leagueDailyLimit: 85,
    });
  });

  it.each(['eighty', '80.5', '-3', '8o'])('never lose the league’s limit to “%s”', async (written) => {
    const { sent } = open({ leagueDailyLimit: 75 });
    fireEvent.changeText(await screen.findByTestId('league-daily'), written);
    expect(screen.getByTestId('league-daily-fault')).toBeTruthy();
    fireEvent.press(screen.getByTestId('save-settings'));
    expect(sent.some((s) => s.method === 'PUT')).toBe(false);
    fireEvent.changeText(screen.getByTestId('league-daily'), '');
    expect(screen.queryByTestId('league-daily-fault')).toBeNull();
    expect((await saved(sent)).leagueDailyLimit).toBeNull();
  });

  it('drop the day on which ages are read when it is emptied', async () => {
    const { sent } = open({ league: { ageCutOff: '08-31', daily: 90 } as never });
    fireEvent.changeText(await screen.findByTestId('league-cut-off'), ' ');
    expect((await saved(sent)).league).toEqual({ daily: 90 });
  });

  it('hold limits of ages, each begun two years after the last', async () => {
    const { sent } = open({ leagueAges: [{ from: 11, rule: { daily: 60, weekly: 100 } }] });
    fireEvent.press(await screen.findByTestId('add-league-age'));
    const ages = screen.getAllByDisplayValue(/^(11|13)$/);
    expect(ages).toHaveLength(2);
    fireEvent.changeText(screen.getByDisplayValue('60'), '65');
    fireEvent.changeText(screen.getByDisplayValue('100'), '');
    expect((await saved(sent)).leagueAges).toEqual([
      { from: 11, rule: { daily: 65 } },
      { from: 13, rule: {} },
    ]);
  });

  it('say which phrases for the young still use a word that is to be avoided', async () => {
    const { sent } = open();
    fireEvent.press(await screen.findByRole('button', { name: 'Start from the usual ones' }));
    expect(screen.getByTestId('still-said').props.children).toMatch(/No phrase for the young says them/);
    fireEvent.press(screen.getByRole('button', { name: 'Add a word' }));
    fireEvent.changeText(screen.getByTestId('avoid-2'), 'the');
    expect(screen.getByTestId('still-said').props.children).toMatch(/phrases say them still and have no other wording: “/);
    fireEvent.changeText(screen.getByTestId('avoid-2'), ' push ');
    // The same word twice is one, and blanks around it are nobody's.
    expect((await saved(sent)).words).toEqual(['push', 'balance and stop']);
  });
});

describe('groups', () => {
  const group: GroupRow = { id: 'g', name: 'Tuesday arms', athletes: [{ id: 'a', name: 'Testa Birchley' }] };
  const rows = [
    { id: 'a', name: 'Testa Birchley' },
    { id: 'b', name: 'Orla Fennimore' },
  ];

  it('are made of athletes who are found by name', async () => {
    const { sent } = openPage(
      <GroupsScreen />,
      {
        '/api/me': ME,
        '/api/groups': [],
        '/api/athletes?': { rows, next: null },
        '/api/athletes?search=or': { rows: [rows[1]], next: null },
      },
      [group],
    );
    expect(await screen.findByText('No groups yet')).toBeTruthy();
    fireEvent.press(screen.getByTestId('group-new'));
    expect(
      screen.getByTestId('group-save').props.accessibilityState?.disabled ??
        screen.getByTestId('group-save').props['aria-disabled'],
    ).toBe(true);
    fireEvent.changeText(screen.getByTestId('group-name'), 'Thursday legs');
    fireEvent.changeText(screen.getByTestId('pick-athlete'), 'or');
    fireEvent.press(await screen.findByTestId('pick-Orla Fennimore'));
    fireEvent.press(screen.getByTestId('group-save'));
    await waitFor(() => expect(sent.some((s) => s.method === 'PUT')).toBe(true));
    expect(sent[0]!.body).toEqual({ name: 'Thursday legs', athletes: ['b'] });
    await waitFor(() => expect(screen.queryByTestId('group-name')).toBeNull());
  });

  it('lose one who is tapped again, and are dissolved without touching anybody', async () => {
    const { sent } = openPage(
      <GroupsScreen />,
      { '/api/me': ME, '/api/groups': [group], '/api/athletes?': { rows, next: null } },
      [],
    );
    expect(await screen.findByText('1: Testa Birchley')).toBeTruthy();
    fireEvent.press(screen.getByText('Tuesday arms'));
    fireEvent.press(await screen.findByTestId('pick-Testa Birchley'));
    fireEvent.press(screen.getByTestId('group-save'));
    await waitFor(() => expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ name: 'Tuesday arms', athletes: [] }));
    await waitFor(() => expect(screen.queryByTestId('group-name')).toBeNull());
    fireEvent.press(screen.getByText('Tuesday arms'));
    expect(screen.getByText(/leaves its athletes as they are/)).toBeTruthy();
    fireEvent.press(screen.getByText('Dissolve it'));
    await waitFor(() => expect(sent.some((s) => s.method === 'DELETE' && s.url.endsWith('/groups/g'))).toBe(true));
  });
});

describe('who did what', () => {
  const entry = (n: number, more: object = {}) => ({
    id: `e${n}`,
    at: '2026-05-04T09:05:00Z',
    on: '2026-05-04',
    who: 'Ada Test',
    role: 'instructor',
    did: `changed thing ${n}`,
    athlete: { id: 'a', name: 'Testa Birchley' },
    ...more,
  });

  it('is told with the day, the role, and a way to whom it was about', async () => {
    openPage(<AuditScreen />, { '/api/me': ME }, { entries: [entry(1), entry(2, { athlete: null })], next: null });
    expect(await screen.findByText('Ada Test changed thing 1')).toBeTruthy();
    const links = screen.getAllByText('Testa Birchley');
    expect(links).toHaveLength(1);
    fireEvent.press(links[0]!);
    expect(mockPush).toHaveBeenCalledWith('/athletes/a');
  });

  it('is about one athlete where the page is asked for one', async () => {
    mockParams.mockReturnValue({ athlete: 'a' });
    const { asked } = openPage(<AuditScreen />, { '/api/me': ME }, { entries: [entry(1)], next: null });
    expect(await screen.findByText(/About Testa Birchley\./)).toBeTruthy();
    expect(asked.some((url) => /audit\?.*athlete=a/.test(url))).toBe(true);
  });

  it('has words for nothing, and for no connection', async () => {
    openPage(<AuditScreen />, { '/api/me': ME }, { entries: [], next: null });
    expect(await screen.findByText('Nothing yet')).toBeTruthy();
    await leavePage();
    openPage(<AuditScreen />, { '/api/me': ME });
    expect(await screen.findByText('Try again')).toBeTruthy();
  });
});

describe('an invitation', () => {
  it('offers an instructor no role above their own, and needs a name', async () => {
    openPage(<InviteForm role="instructor" onDone={jest.fn()} />, { '/api/me': ME, '/api/groups': [] }, { rows: [], next: null });
    await screen.findByTestId('invite-make');
    expect(screen.queryByTestId('invite-owner')).toBeNull();
    expect(screen.getByTestId('invite-guardian')).toBeTruthy();
  });

  it('for family of one athlete is tied to that athlete', async () => {
    const { sent } = openPage(<InviteForm role="instructor" athlete={{ id: 'a', name: 'Testa Birchley' }} onDone={jest.fn()} />, {
      '/api/me': ME,
      '/api/groups': [],
    });
    expect(screen.queryByTestId('invite-station')).toBeNull();
    expect(screen.queryByTestId('pick-athlete')).toBeNull();
    fireEvent.changeText(screen.getByTestId('invite-name'), 'Wim Birchley');
    fireEvent.press(screen.getByTestId('invite-make'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({ role: 'guardian', name: 'Wim Birchley', athletes: ['a'], groups: [] });
    // No connection: it is said, and what was written stands.
    expect(await screen.findByDisplayValue('Wim Birchley')).toBeTruthy();
  });

  it('for a station coach asks for groups and not for athletes', async () => {
    const { sent } = openPage(<InviteForm role="owner" onDone={jest.fn()} />, {
      '/api/me': OWNER,
      '/api/groups': [{ id: 'g', name: 'Tuesday arms', athletes: [] }],
    });
    fireEvent.press(await screen.findByTestId('invite-station'));
    expect(screen.queryByTestId('pick-athlete')).toBeNull();
    fireEvent.press(await screen.findByText('Tuesday arms'));
    fireEvent.changeText(screen.getByTestId('invite-name'), 'Piet Sandlow');
    fireEvent.press(screen.getByTestId('invite-make'));
    await waitFor(() => expect(sent[0]?.body).toMatchObject({ role: 'station', groups: ['g'], athletes: [] }));
  });
});

describe('the catalogue of findings', () => {
  const open = (role: 'owner' | 'instructor' = 'owner', findings: readonly Partial<OwnFindingRecord>[] = []) => {
    const me = { ...ME, role };
    return openPage(<FindingsScreen />, { '/api/me': me, '/api/library': { drills: [], ladders: [], findings } }, me);
  };

  it('holds every finding with as many causes and consequences as the arrows have', async () => {
    open();
    const hips = await screen.findByTestId('finding-late-hips');
    expect(screen.getAllByTestId(/^finding-/)).toHaveLength(FINDINGS.length);
    const text = within(hips).getByText(/cause/).props.children as string;
    expect(text).toBe(`${causesOf('late-hips').length} causes, ${consequencesOf('late-hips').length} consequences`);
  });

  it('is narrowed by words and by area, and says so when nothing fits', async () => {
    open();
    await screen.findByTestId('finding-late-hips');
    fireEvent.press(screen.getByRole('button', { name: 'Misread cues' }));
    const thoughts = FINDINGS.filter((f) => f.area === 'thought').length;
    expect(screen.getAllByTestId(/^finding-/)).toHaveLength(thoughts);
    fireEvent.press(screen.getByRole('button', { name: 'Misread cues' }));
    fireEvent.changeText(screen.getByTestId('findings-search'), findingById('stall').title.toUpperCase());
    expect(screen.getByTestId('finding-stall')).toBeTruthy();
    expect(screen.getAllByTestId(/^finding-/).length).toBeLessThan(6);
    fireEvent.changeText(screen.getByTestId('findings-search'), 'zzzz');
    expect(screen.getByText('No finding fits.')).toBeTruthy();
  });

  it('counts an own number where it belongs, and nowhere else', async () => {
    open();
    fireEvent.press(await screen.findByTestId('finding-stall'));
    const numbers = screen.getAllByTestId(/^number-/);
    expect(numbers.length).toBeGreaterThan(3);
    const leak = numbers.find((n) => String(n.props.testID).startsWith('number-leak'))!;
    fireEvent.changeText(leak, '0,07');
    expect(screen.getByText(/1 number is your own, marked ◆/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('all-findings'));
    expect(screen.getAllByText(/◆ 1 of your own/)).toHaveLength(1);
    expect(within(screen.getByTestId('finding-stall')).getByText(/◆ 1 of your own/)).toBeTruthy();
  });

  it('says at once when a number cannot be, and sends nothing', async () => {
    const { sent } = open();
    fireEvent.press(await screen.findByTestId('finding-stall'));
    const leak = screen.getAllByTestId(/^number-leak/)[0]!;
    fireEvent.changeText(leak, '7');
    expect(screen.getByTestId('numbers-fault')).toBeTruthy();
    fireEvent.press(screen.getByTestId('save-numbers'));
    expect(sent).toEqual([]);
  });

  it('is read by an instructor and changed by an owner', async () => {
    open('instructor');
    fireEvent.press(await screen.findByTestId('finding-stall'));
    expect(screen.getByText(/Only an owner changes them/)).toBeTruthy();
    expect(screen.queryByTestId('save-numbers')).toBeNull();
    expect(screen.queryByTestId('word-it')).toBeNull();
  });

  it('is worded in the academy’s own way, with a way back to every version', async () => {
    const version = (n: number, title: string) => ({
      finding: 'stall' as const,
      version: n,
      words: { title },
      by: 'Ada Test',
      at: `2026-04-0${n}T10:00:00Z`,
    });
    const { sent } = open('owner', [version(1, 'Stuck on the hill'), version(2, 'Waits too long')]);
    fireEvent.press(await screen.findByTestId('finding-stall'));
    expect(await screen.findByText('Its name: Waits too long')).toBeTruthy();
    expect(screen.getByText(/Version 1, .*Ada Test: Stuck on the hill/)).toBeTruthy();
    fireEvent.press(screen.getByText('Take it again'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({ finding: 'stall', words: { title: 'Stuck on the hill' } });
    fireEvent.press(screen.getByTestId('word-it'));
    fireEvent.changeText(screen.getByTestId('own-title'), '  ');
    fireEvent.changeText(screen.getByTestId('own-cue'), ' Ride it down ');
    fireEvent.press(screen.getByTestId('keep-words'));
    // An empty field is the catalogue's again, not an empty name.
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.body).toEqual({ finding: 'stall', words: { cue: 'Ride it down' } });
  });
});

describe('leaving', () => {
  it('says whose entries wait on the device, and asks a second time', async () => {
    const { store, sent } = openPage(<DeskScreen />, { '/api/me': ME });
    await screen.findByTestId('sign-out');
    const waiting = (seq: number, athlete: string, user = 'u'): Operation => ({
      seq,
      user,
      athlete,
      session: 's',
      work: { kind: 'finish' },
      status: 'waiting',
      reason: null,
    });
    store.dispatch(added(waiting(1, 'a')));
    store.dispatch(added(waiting(2, 'a')));
    store.dispatch(added(waiting(3, 'b')));
    store.dispatch(added(waiting(4, 'c', 'somebody-else')));
    expect((await screen.findByTestId('unsent')).props).toBeTruthy();
    expect(screen.getByText(/^3 entries of 2 athletes have not been sent yet/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('sign-out'));
    expect(sent).toEqual([]);
    expect(screen.getByText('Sign out, and send them later')).toBeTruthy();
    fireEvent.press(screen.getByTestId('sign-out'));
    await waitFor(() => expect(sent.some((s) => s.url === '/api/sign-out')).toBe(true));
  });
});
