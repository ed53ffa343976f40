import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { AthleteOverview, IntakeAnswer, RungMove, StandingClearance } from '@wrightonic/contract';
import { EMPTY_INTAKE } from '@wrightonic/contract';
import { workload } from '@wrightonic/core';
import { api } from '../../data/api';
import { leavePage, ME, openPage, PROFILE, TODAY } from '../../testing/page';
import { ClearanceLine } from '../../parts/ClearanceLine';
import { FamilyScreen } from './FamilyScreen';
import { GateMove } from './GateMove';
import { OutingForm } from '../../parts/OutingForm';
import { RecordScreen } from './RecordScreen';

const mockReplace = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: mockReplace }) }));
jest.mock('../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));
const mockDownload = jest.fn();
jest.mock('../../ui/files', () => ({ pickFile: jest.fn(), download: (...args: unknown[]) => mockDownload(...args) as unknown }));

afterEach(async () => {
  await leavePage();
  jest.clearAllMocks();
});

const overview = (more: Partial<AthleteOverview> = {}) =>
  ({ id: 'a', age: 16, archived: false, athlete: { ...PROFILE, name: 'Testa Birchley' }, ...more }) as AthleteOverview;

describe('throwing done elsewhere', () => {
  async function open() {
    const done = jest.fn();
    const SignedIn = () => (api.useMeQuery().data ? <OutingForm athlete="a" onDone={done} /> : null);
    const page = openPage(<SignedIn />, {}, {});
    await waitFor(() => expect(screen.getByDisplayValue(TODAY)).toBeTruthy());
    const type = (field: string, text: string) => fireEvent.changeText(screen.getByTestId(`outing-${field}`), text);
    const save = () => fireEvent.press(screen.getByTestId('save-outing'));
    const body = async () => {
      await waitFor(() => expect(page.sent).toHaveLength(1));
      return page.sent[0]!.body as Record<string, unknown>;
    };
    return { ...page, done, type, save, body };
  }

  it('counts a game by its pitches, and never fewer throws than pitches', async () => {
    const { type, save, body, done } = await open();
    type('pitches', '52');
    type('throws', '40');
    type('innings', '4,1');
    type('breaking', '9');
    save();
    expect(await body()).toEqual({
      on: TODAY,
      pitches: 52,
      throws: 52,
      highEffort: 0,
      innings: 4.1,
      kind: 'game',
      caught: false,
      breakingPitches: 9,
    });
    await waitFor(() => expect(done).toHaveBeenCalled());
  });

  it('keeps no pitches of a game that turned out to be a catch', async () => {
    const { type, save, body } = await open();
    type('pitches', '52');
    type('innings', '3');
    type('throws', '30');
    fireEvent.press(screen.getByTestId('outing-catch'));
    fireEvent.press(screen.getByTestId('outing-caught'));
    save();
    expect(await body()).toMatchObject({ kind: 'catch', pitches: 0, innings: 0, throws: 30, caught: true });
  });

  it.each([
    ['pitches', 'fifty'],
    ['throws', '40.5'],
    ['innings', '5 1/3'],
    ['innings', '-2'],
    ['breaking', '1O'],
  ])('never counts %s “%s” as none', async (field, text) => {
    const { type, save, sent, body } = await open();
    type('pitches', '30');
    type(field, text);
    // The field that it is about is named.
    const name = { pitches: 'Pitches in games', throws: 'All throws', innings: 'Innings', breaking: 'Breaking pitches' }[field]!;
    expect(screen.getByText(new RegExp(`^${name}: write a number`))).toBeTruthy();
    save();
    expect(sent).toEqual([]);
    type(field, '');
    expect(screen.queryByTestId('outing-unread')).toBeNull();
    save();
    await body();
  });

  it('does not let what a game alone is asked stand in the way of a catch', async () => {
    const { type, save, body } = await open();
    type('innings', 'five');
    fireEvent.press(screen.getByTestId('outing-catch'));
    expect(screen.queryByTestId('outing-unread')).toBeNull();
    type('throws', '25');
    save();
    expect(await body()).toMatchObject({ throws: 25, innings: 0 });
  });
});

describe('a verdict of the gate', () => {
  const move: RungMove = {
    id: 'm',
    on: '2026-05-01',
    finding: 'stall',
    focus: 'f',
    from: 2,
    to: 3,
    verdict: 'advance',
    reason: '93 % sure.',
    by: 'gate',
    revised: null,
  };

  it('is taken back by the coach, to where it came from', async () => {
    const { sent } = openPage(<GateMove move={move} athlete="a" mayTakeBack />, {}, {});
    expect(screen.getByText(/Moved up: rung 2 → 3/)).toBeTruthy();
    fireEvent.press(screen.getByText('Take it back to rung 2'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toEqual({ rung: 2, reason: 'The gate’s move was taken back' });
  });

  it.each([
    ['for whom may not', move, false],
    ['where a coach moved it', { ...move, by: 'coach' as const }, true],
    ['where nothing moved', { ...move, to: 2, verdict: 'hold' as const }, true],
  ])('has no way back %s', (_, shown, may) => {
    openPage(<GateMove move={shown as RungMove} athlete="a" mayTakeBack={may} />, {});
    expect(screen.queryByText(/Take it back/)).toBeNull();
  });

  it('says what it was before later entries changed it', () => {
    openPage(<GateMove move={{ ...move, revised: { on: '2026-05-03', was: 'regress', to: 1 } }} athlete="a" mayTakeBack />, {});
    expect(screen.getByTestId('verdict-revised').props.children).toBe(
      'Changed on Sun 3 May by entries that came in later: before, it went back, to rung 1.',
    );
  });
});

describe('a clearance that holds', () => {
  const clearance = {
    id: 'c',
    date: '2026-05-01',
    at: null,
    by: 'Dr. Imelda Fennigard',
    recordedBy: 'Ada Test',
    limits: 'Flat ground only. ',
    until: '2026-05-20',
  } as unknown as StandingClearance;
  const { today } = workload({ on: TODAY, athlete: PROFILE, season: 'off', leagueDailyLimit: null, log: [] });

  it('is shown with who gave it, who wrote it down, and the limits word for word', () => {
    openPage(<ClearanceLine clearance={clearance} today={today} />, {});
    expect(
      screen.getByText(
        'Cleared by Dr. Imelda Fennigard on 1 May 2026 until 20 May 2026, recorded by Ada Test. Limits: Flat ground only.',
      ),
    ).toBeTruthy();
  });

  it('says which numbers are kept to, and when the lock comes back', () => {
    const room = { ...today, clearance: { mostThrows: 30, highestEffort: null }, lockComesBack: '2026-05-21' };
    openPage(<ClearanceLine clearance={{ ...clearance, limits: null } as never} today={room as never} />, {});
    const text = screen.getByText(/^Cleared by/).props.children as string;
    expect(text).toContain('No limits were written down.');
    expect(text).toContain('Kept to: at most 30 throws a day.');
    expect(text).toContain('Throwing is locked again from 21 May 2026 without a new one.');
    expect(text).not.toContain('effort');
  });

  it('is nothing where there is none', () => {
    openPage(<ClearanceLine clearance={null} today={today} />, {});
    expect(screen.queryByTestId('clearance')).toBeNull();
  });
});

describe('contacts and consent', () => {
  const answer = (more: Partial<IntakeAnswer>, intake: object = {}): IntakeAnswer => ({
    intake: { ...EMPTY_INTAKE, next: null, ...intake },
    minor: true,
    consents: [],
    ...more,
  });
  const open = (role: 'instructor' | 'guardian', intake: IntakeAnswer) =>
    openPage(<FamilyScreen id="a" />, {
      '/api/me': { ...ME, role },
      '/api/athletes/a': overview(),
      '/api/athletes/a/intake': intake,
      '/api/groups': [],
    });

  it('warn where nobody is written down for a minor, and do not for an adult', async () => {
    open('instructor', answer({}));
    expect(await screen.findByText('Nobody is written down, and the athlete is under 18.')).toBeTruthy();
    await leavePage();
    open('instructor', answer({ minor: false }));
    expect(await screen.findByText('Nobody is written down.')).toBeTruthy();
  });

  it('hold guardians as they were told, and a clinician’s limits', async () => {
    open(
      'instructor',
      answer(
        {},
        {
          guardians: [{ name: 'Wim Birchley', relation: 'father', contact: '555 0101' }],
          history: { ...EMPTY_INTAKE.history, clinicianLimits: 'no catching' },
        },
      ),
    );
    expect(await screen.findByText('Wim Birchley, father: 555 0101')).toBeTruthy();
    expect(screen.getByText('A clinician’s limits: no catching')).toBeTruthy();
    fireEvent.press(screen.getByTestId('invite-family'));
    expect(screen.getByTestId('invite-name')).toBeTruthy();
  });

  it('let a guardian invite nobody', async () => {
    open('guardian', answer({}));
    await screen.findByText('Contacts and consent');
    expect(screen.queryByTestId('invite-family')).toBeNull();
  });
});

describe('the record', () => {
  const open = (role: 'owner' | 'instructor' | 'guardian', more: Partial<AthleteOverview> = {}) =>
    openPage(
      <RecordScreen id="a" />,
      {
        '/api/me': { ...ME, role },
        '/api/athletes/a': overview(more),
        '/api/athletes/a/erase': { rows: [{ what: 'reps', count: 412 }], signIns: ['wim'] },
      },
      { everything: true },
    );

  it('is erased by the whole name alone, after what goes was shown', async () => {
    const { sent } = open('owner');
    fireEvent.press(await screen.findByTestId('erase-look'));
    expect(await screen.findByText(/reps 412, and the sign-ins wim\. To keep a copy, export first\./)).toBeTruthy();
    for (const wrong of ['Testa', 'Testa Birchle', 'Testa Birchley!', '']) {
      fireEvent.changeText(screen.getByTestId('erase-name'), wrong);
      fireEvent.press(screen.getByTestId('erase'));
    }
    expect(sent).toEqual([]);
    fireEvent.changeText(screen.getByTestId('erase-name'), ' testa birchley ');
    fireEvent.press(screen.getByTestId('erase'));
    await waitFor(() => expect(sent).toHaveLength(1));
    await waitFor(() => expect(mockReplace).toHaveBeenCalledWith('/athletes'));
  });

  it('is put away and brought back, and each says so', async () => {
    const { sent } = open('owner');
    fireEvent.press(await screen.findByTestId('archive'));
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ archived: true }));
    await leavePage();
    const back = open('owner', { archived: true });
    expect(await screen.findByText(/not on the roster, nothing lost/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('archive'));
    await waitFor(() => expect(back.sent.at(-1)?.body).toEqual({ archived: false }));
  });

  it('is taken out as a file with the athlete’s name', async () => {
    open('instructor');
    fireEvent.press(await screen.findByTestId('export'));
    await waitFor(() => expect(mockDownload).toHaveBeenCalled());
    expect(mockDownload).toHaveBeenCalledWith('testa-birchley.json', 'application/json', expect.stringContaining('everything'));
  });

  it.each(['instructor', 'guardian'] as const)('is not erased by %s', async (role) => {
    open(role);
    await screen.findByTestId('export');
    expect(screen.queryByTestId('erase-look')).toBeNull();
  });
});
