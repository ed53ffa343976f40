import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { BodyPicture } from '@wrightonic/contract';
import { bodyTestById, READINGS_WANTED } from '@wrightonic/core';
import type { TestStep } from '@wrightonic/core';
import { added } from '../../data/operations';
import type { Operation, Work } from '../../data/operations';
import { leavePage, ME, openPage, TODAY } from '../../testing/page';
import { planOf, workOf } from '../../testing/work';
import { CheckScreen } from './CheckScreen';

const mockReplace = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn(), replace: mockReplace }) }));
jest.mock('../../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));
afterEach(async () => {
  await leavePage();
  mockReplace.mockClear();
});

const HIP: TestStep = { test: 'hip-internal-rotation', side: 'drive' };
const STEPS: TestStep[] = [HIP, { test: 'vertical-jump', side: 'none' }, { test: 'single-leg-squat', side: 'lead' }];
const picture = (more: Partial<BodyPicture> = {}) => ({ check: null, insight: { limits: [] }, ...more }) as BodyPicture;

async function open(steps: readonly TestStep[] = STEPS, body: BodyPicture = picture()) {
  const page = openPage(<CheckScreen id="a" />, {
    '/api/me': ME,
    '/api/athletes/a/work': workOf(planOf()),
    '/api/athletes/a/body': body,
  });
  const operation: Operation = {
    seq: 1,
    user: 'u',
    athlete: 'a',
    session: 'c',
    work: { kind: 'check', body: { kind: 'short', on: TODAY, steps } as never },
    status: 'waiting',
    reason: null,
  };
  page.store.dispatch(added(operation));
  await screen.findByTestId('step-name');
  /** What has been noted on the device, in its order. */
  const noted = (kind: Work['kind']) =>
    page.store.getState().operations.list.flatMap(({ work }) => (work.kind === kind ? [work] : [])) as never[];
  return { ...page, noted };
}
const press = (id: string) => fireEvent.press(screen.getByTestId(id));
const title = () => String(screen.getByTestId('step-name').props.children as string);

/** Turns the dial to a value and keeps it. */
async function readTilt(deg: number) {
  const shown = Number(/^(\d+)°$/.exec(String(screen.getAllByText(/^\d+°$/)[0]!.props.children as string))![1]);
  for (let at = shown; at !== deg; at += Math.sign(deg - at)) press(deg > at ? 'dial-more' : 'dial-less');
  press('take');
  await waitFor(() => expect(screen.queryByTestId('step-name')).toBeTruthy());
}

describe('a body check', () => {
  it('is none until one was begun, and leads to where it begins', async () => {
    openPage(<CheckScreen id="a" />, {
      '/api/me': ME,
      '/api/athletes/a/work': workOf(planOf()),
      '/api/athletes/a/body': picture(),
    });
    fireEvent.press(await screen.findByText('To the body'));
    expect(mockReplace).toHaveBeenCalledWith('/athletes/a/body');
  });

  it('begins with how it is done, the book’s word, and care', async () => {
    await open();
    expect(title()).toContain(bodyTestById('hip-internal-rotation').name);
    expect(screen.getByText(bodyTestById('hip-internal-rotation').how)).toBeTruthy();
    expect(screen.getByText(/^In the books: /)).toBeTruthy();
    expect(screen.getByText(/Never cranked; stop when it hurts\./)).toBeTruthy();
    expect(screen.getByText(/^1 of 3 · .* · Testa Birchley$/)).toBeTruthy();
  });

  it('wants as many readings as settle it, grades them, and goes on', async () => {
    const { noted } = await open();
    for (let n = 0; n < READINGS_WANTED; n++) {
      expect(screen.getByText(new RegExp(`reading ${n + 1} of ${READINGS_WANTED}$`))).toBeTruthy();
      await readTilt(20 + n);
    }
    expect(noted('reading')).toHaveLength(READINGS_WANTED);
    expect(screen.getByTestId('step-value')).toBeTruthy();
    expect(screen.getByText(/°.*± .*: /)).toBeTruthy();
    press('next-step');
    expect(title()).toBe(bodyTestById('vertical-jump').name);
  });

  it('takes a reading back, and asks for another in its place', async () => {
    const { noted } = await open();
    for (let n = 0; n < READINGS_WANTED; n++) await readTilt(22);
    fireEvent.press(screen.getAllByText('22° ×')[0]!);
    await waitFor(() => expect(noted('drop-reading')).toHaveLength(1));
    expect(await screen.findByText(new RegExp(`reading ${READINGS_WANTED} of ${READINGS_WANTED}$`))).toBeTruthy();
  });

  it('says whether a hold has changed more than chance', async () => {
    await open();
    for (let n = 0; n < READINGS_WANTED; n++) await readTilt(20);
    press('after-hold');
    expect(screen.getByText(/straight after a hold$/)).toBeTruthy();
    await readTilt(36);
    expect(await screen.findByTestId('moved')).toBeTruthy();
    expect(String(screen.getByTestId('moved').props.children as string)).toMatch(/^After the hold \+16 ± .*: it changes\.$/);
  });

  it('ends a side where it hurts, says so, and reads nothing more of it', async () => {
    const { noted } = await open();
    await readTilt(20);
    press('it-hurts');
    expect(screen.getByText(/what hurts\?$/)).toBeTruthy();
    press('something-hurts');
    press('pain-hip');
    press('pain-score-4');
    press('report-pain');
    expect(await screen.findByText('Ended: it hurt (hip, 4). No more of this side today.')).toBeTruthy();
    expect(screen.queryByTestId('take')).toBeNull();
    expect(noted('note')).toEqual([
      expect.objectContaining({ body: expect.objectContaining({ pain: { site: 'hip', score: 4, signs: [] } }) as object }),
    ]);
    expect(screen.getByTestId('next-step')).toBeTruthy();
  });

  it('goes back to the test when nothing hurts after all', async () => {
    const { noted } = await open();
    press('it-hurts');
    press('nothing-hurts');
    expect(screen.getByTestId('take')).toBeTruthy();
    expect(noted('note')).toEqual([]);
  });

  it('judges a jump with the mass that it lifts', async () => {
    await open([STEPS[1]!]);
    for (let n = 0; n < READINGS_WANTED; n++) {
      for (const key of '48') press(`key-${key}`);
      press('take');
    }
    expect(await screen.findByText(/^About \d+ W at take-off, \d+(\.\d+)? W per kg/)).toBeTruthy();
  });

  it('holds a word on a test, and not an empty one', async () => {
    const { noted } = await open();
    press('note');
    fireEvent.press(screen.getByText('Keep the note'));
    fireEvent.changeText(screen.getByDisplayValue(''), '  tight after school ');
    fireEvent.press(screen.getByText('Keep the note'));
    expect(await screen.findByText('Note: tight after school')).toBeTruthy();
    expect(noted('note')).toHaveLength(1);
  });

  it('is skipped, paused and ended; ended, it is over', async () => {
    const { noted } = await open();
    press('skip-step');
    expect(title()).toBe(bodyTestById('vertical-jump').name);
    press('pause-check');
    expect(mockReplace).toHaveBeenCalledWith('/athletes/a/body');
    press('skip-step');
    press('skip-step');
    await waitFor(() => expect(noted('end-check')).toHaveLength(1));
    expect(await screen.findByText('No check is under way')).toBeTruthy();
  });

  it('goes on at the first step that is not done', async () => {
    const readings = Array.from({ length: READINGS_WANTED }, (_, n) => ({
      id: `r${n}`,
      check: 'c',
      ...HIP,
      value: 30,
      readBy: 'dial',
      moment: 'first',
    }));
    await open(
      STEPS,
      picture({ check: { id: 'c', kind: 'short', on: TODAY, steps: STEPS, readings, notes: [], finished: false } as never }),
    );
    expect(screen.getByText(/^2 of 3 · /)).toBeTruthy();
  });

  it('shows why the server would not have something', async () => {
    const { store } = await open();
    store.dispatch(
      added({
        seq: 9,
        user: 'u',
        athlete: 'a',
        session: 'c',
        work: { kind: 'drop-reading', id: 'x' },
        status: 'refused',
        reason: 'The check is over.',
      }),
    );
    expect(await screen.findByText('The check is over.')).toBeTruthy();
  });
});
