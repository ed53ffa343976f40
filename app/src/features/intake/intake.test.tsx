import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { AthleteRecord, IntakeAnswer } from '@wrightonic/contract';
import { EMPTY_INTAKE, INTAKE_STEPS } from '@wrightonic/contract';
import { dailyPitchLimit, highEffortLimit, practiceBudget } from '@wrightonic/core';
import { leavePage, ME, openPage, PROFILE } from '../../testing/page';
import { EMPTY_FORM } from './form';
import type { IntakeForm } from './form';
import { IntakeScreen } from './IntakeScreen';

const mockReplace = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: mockReplace }) }));
const mockDrafts = new Map<string, unknown>();
jest.mock('../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
  drafts: {
    all: () => Promise.resolve([]),
    get: (id: string) => Promise.resolve(mockDrafts.get(id) ?? null),
    put: (draft: { id: string }) => Promise.resolve(void mockDrafts.set(draft.id, draft)),
    remove: (id: string) => Promise.resolve(void mockDrafts.delete(id)),
  },
}));
afterEach(async () => {
  await leavePage();
  mockDrafts.clear();
  mockReplace.mockClear();
});

const athlete: AthleteRecord = {
  ...PROFILE,
  name: 'Testa Birchley',
  season: 'in',
  availability: [{ weekday: 'mon', minutes: 60, place: 'cage' }],
  equipment: ['net'],
  partner: false,
  schools: {},
};
const answer = (intake: Partial<typeof EMPTY_INTAKE> = {}): IntakeAnswer => ({
  intake: { ...EMPTY_INTAKE, ...intake },
  minor: true,
  consents: [],
});
const press = (id: string) => fireEvent.press(screen.getByTestId(id));
const type = (id: string, text: string) => fireEvent.changeText(screen.getByTestId(id), text);
const draft = (form: Partial<IntakeForm>) => void mockDrafts.set('a', { id: 'a', user: 'u', form: { ...EMPTY_FORM, ...form } });

describe('somebody new', () => {
  const open = (more: Record<string, unknown> = {}) =>
    openPage(<IntakeScreen id="a" known={false} />, { '/api/me': ME, ...more }, answer());

  it('is told in two steps, and sent when nothing of the record is missing', async () => {
    const { sent } = open();
    type(await screen.findByTestId('new-name').then(() => 'new-name'), ' Orla Fennimore ');
    type('new-born', '14.3.2012');
    press('new-windmill');
    press('new-L');
    press('intake-next');
    expect(await screen.findByText('How tall, how heavy, how far?')).toBeTruthy();
    expect(sent).toEqual([]);
    type('new-height', '161.5');
    type('new-mass', '110 lb');
    press('intake-next');
    expect(await screen.findByText('Still missing: the level.')).toBeTruthy();
    press('new-youth');
    press('intake-next');
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[0]!.body).toMatchObject({
      name: 'Orla Fennimore',
      birthDate: '2012-03-14',
      discipline: 'windmill',
      throws: 'L',
      heightM: 1.615,
      massKg: 49.9,
      level: 'youth',
    });
    expect(sent[1]!.body).toMatchObject({ next: 'family' });
    expect(await screen.findByText('Who can be reached, and who agrees?')).toBeTruthy();
    // What the server has is no draft any more.
    await waitFor(() => expect(mockDrafts.size).toBe(0));
  });

  it('sees at once what this age may throw', async () => {
    open();
    await screen.findByTestId('new-name');
    type('new-born', '2014-05-04');
    press('new-overhand');
    const text = screen.getByTestId('age-limits').props.children as string;
    expect(text).toContain(`12 years old: at most ${practiceBudget('overhand', 12)} practice throws a day`);
    expect(text).toContain(`${highEffortLimit(12)} of them hard, ${dailyPitchLimit('overhand', 12)} pitches in games`);
    type('new-born', '1914-05-04');
    expect(screen.getByText('That makes 112 years. Check the year.')).toBeTruthy();
  });

  it('goes on where it was left: every tap is on the device', async () => {
    open();
    await screen.findByTestId('new-name');
    type('new-name', 'Orla');
    press('new-windmill');
    await waitFor(() => expect(mockDrafts.size).toBe(1));
    await leavePage();
    open();
    expect(await screen.findByDisplayValue('Orla')).toBeTruthy();
    // What an age may throw hangs on the discipline, which nobody has tapped again.
    expect(screen.queryByTestId('age-limits')).toBeNull();
    type('new-born', '2014-05-04');
    expect(screen.getByTestId('age-limits').props.children).toContain(`${practiceBudget('windmill', 12)} practice throws a day`);
  });

  it('cannot jump over what is missing to the later steps', async () => {
    const { sent } = open();
    await screen.findByTestId('new-name');
    type('new-name', 'Orla');
    fireEvent.press(screen.getByText(/ Season$/));
    expect(await screen.findByText(/^Still missing: the birth date\.$/)).toBeTruthy();
    expect(screen.getByTestId('new-name')).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it('is kept on the device where the server cannot be reached, and says so', async () => {
    draft({
      who: { name: 'Orla', birthDate: '2012-03-14', discipline: 'windmill', throws: 'R' },
      size: { height: '160', mass: '50', level: 'youth' },
    });
    openPage(<IntakeScreen id="a" known={false} />, { '/api/me': ME });
    await screen.findByTestId('new-name');
    press('intake-next');
    await waitFor(() => expect(screen.getByText('Who is it?')).toBeTruthy());
    expect(mockDrafts.size).toBe(1);
  });
});

describe('somebody known', () => {
  const open = (intake: Partial<typeof EMPTY_INTAKE>) =>
    openPage(
      <IntakeScreen id="a" known />,
      {
        '/api/me': ME,
        '/api/athletes/a': { id: 'a', athlete, age: 16 },
        '/api/athletes/a/intake': answer(intake),
      },
      answer(intake),
    );

  it.each(INTAKE_STEPS.map((step, i) => [step, i] as const))('opens at the step that is next: %s', async (step, i) => {
    open({ next: step });
    await screen.findByTestId('intake-next');
    const ticks = screen.queryAllByText(/^✓ /);
    expect(ticks).toHaveLength(i);
  });

  it('has a guardian asked for under 18, and a line left empty is nobody', async () => {
    const { sent } = open({ next: 'family' });
    expect(await screen.findByText(/^Under 18: write down at least one guardian/)).toBeTruthy();
    press('add-guardian');
    press('add-guardian');
    type('guardian-name-0', 'Wim Birchley');
    type('guardian-contact-0', '555 0101');
    expect(screen.queryByText(/^Under 18/)).toBeNull();
    press('intake-next');
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(2));
    expect((sent[1]!.body as { guardians: unknown[] }).guardians).toEqual([
      { name: 'Wim Birchley', relation: '', contact: '555 0101' },
    ]);
  });

  it('tells the history as yes and no, and months off with what is advised', async () => {
    const { sent } = open({ next: 'history' });
    await screen.findByTestId('armPain-yes');
    press('armPain-yes');
    press('timeAway-yes');
    press('timeAway-no');
    type('clinician-limits', 'no catching');
    fireEvent.press(screen.getByText('2'));
    expect(screen.getByText(/^About four months a year off/)).toBeTruthy();
    press('intake-later');
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(2));
    expect((sent[1]!.body as { history: object }).history).toMatchObject({
      armPain: true,
      timeAway: false,
      clinicianLimits: 'no catching',
      monthsOff: 2,
    });
    await waitFor(() => expect(mockReplace).toHaveBeenCalledWith('/athletes/a'));
  });

  it('goes through places by tapping a day, and off again after the last', async () => {
    const { sent } = open({ next: 'week' });
    await screen.findByTestId('day-tue');
    const shown: string[] = [];
    for (let tap = 0; tap < 5; tap++) {
      press('day-tue');
      shown.push(screen.queryByText(/^Tue (home|cage|field|mound)$/)?.props.children as string);
    }
    expect(shown).toEqual(['Tue home', 'Tue cage', 'Tue field', 'Tue mound', undefined]);
    press('day-tue');
    press('intake-next');
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT')).toHaveLength(2));
    expect((sent[0]!.body as AthleteRecord).availability).toEqual([
      { weekday: 'mon', minutes: 60, place: 'cage' },
      { weekday: 'tue', minutes: 45, place: 'home' },
    ]);
  });

  it('offers weighted balls only where the academy allows them', async () => {
    open({ next: 'week' });
    await screen.findByTestId('day-tue');
    expect(screen.queryByText('weighted ball')).toBeNull();
  });

  it('is done after the last step', async () => {
    const { sent } = open({ next: 'season' });
    expect(await screen.findByText('Done')).toBeTruthy();
    expect(screen.queryByTestId('intake-later')).toBeNull();
    type('goals', 'Make varsity');
    press('intake-next');
    await waitFor(() => expect((sent[1]?.body as { next?: unknown } | undefined)?.next).toBeNull());
    await waitFor(() => expect(mockReplace).toHaveBeenCalledWith('/athletes/a'));
  });
});
