import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { CampMember, CampRecord } from '@wrightonic/contract';
import { diagnose } from '@wrightonic/core';
import type { DatedEvidence, DiagnosisRequest, FindingId } from '@wrightonic/core';
import { recordOf } from '../../../testing/judgement';
import { camperOf, campRecordOf } from '../../../testing/camp';
import { leavePage, ME, openPage, PROFILE } from '../../../testing/page';
import { asked, ASKED_AT_ONCE, firstWord, inOrder } from './first-look';
import { FirstLookScreen } from './FirstLookScreen';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));
afterEach(leavePage);

const TODAY = '2026-05-04';
const member = (athlete: string, name: string, focus: FindingId | null, more: Partial<CampMember> = {}): CampMember =>
  camperOf(athlete, name, { focus: focus === null ? [] : [{ finding: focus, title: focus }], ...more });
const seen = (...findings: FindingId[]): DatedEvidence[] =>
  findings.map((finding) => ({ kind: 'eye', finding, answer: 'yes', on: TODAY, by: 'Ada Test' }));
const requestOf = (evidence: DatedEvidence[]): DiagnosisRequest => ({ on: TODAY, athlete: PROFILE, evidence });

describe('what a short look comes to', () => {
  it('takes those whom nobody has looked at first, and leaves the camp’s order alone otherwise', () => {
    const list = [member('a', 'A', 'stall'), member('b', 'B', null), member('c', 'C', 'stall'), member('d', 'D', null)];
    expect(inOrder(list).map((m) => m.athlete)).toEqual(['b', 'd', 'a', 'c']);
    expect(inOrder([])).toEqual([]);
  });

  it('asks what tells most, and moves no question once it stands there', () => {
    const { lookNext } = diagnose(requestOf([]));
    const first = asked([], lookNext);
    expect(first).toEqual(lookNext.slice(0, ASKED_AT_ONCE));
    const after = diagnose(requestOf(seen(first[2]!)));
    const more = asked(first, after.lookNext);
    expect(more.slice(0, ASKED_AT_ONCE)).toEqual(first);
    expect(new Set(more).size).toBe(more.length);
    expect(more.length).toBeLessThanOrEqual(2 * ASKED_AT_ONCE);
  });

  it('says nothing without a look, names no cause below one chance in five, and is never surer than the judgement', () => {
    const root = (finding: FindingId, probability: number) => ({ finding, probability }) as never;
    const focus = { lowerHalf: null, arm: null, open: null, why: { lowerHalf: null, arm: null } };
    expect(firstWord({ focus, roots: [root('stall', 0.5)] }, false)).toEqual({ kind: 'nothing' });
    expect(firstWord({ focus, roots: [root('stall', 0.19)] }, true)).toEqual({ kind: 'open' });
    expect(firstWord({ focus, roots: [root('stall', 0.3), root('late-hips', 0.22), root('early-tip', 0.1)] }, true)).toEqual({
      kind: 'unsure',
      first: 'stall',
      second: 'late-hips',
    });
    expect(
      firstWord({ focus: { ...focus, lowerHalf: 'late-hips' }, roots: [root('stall', 0.5), root('late-hips', 0.4)] }, true),
    ).toEqual({ kind: 'likely', first: 'stall', work: 'late-hips' });
    for (const evidence of [seen('late-hips'), seen('stall', 'no-brace'), seen('turn-together', 'late-hips')]) {
      const result = diagnose(requestOf(evidence));
      const word = firstWord(result, true);
      if (word.kind === 'likely' || word.kind === 'unsure') expect(word.first).toBe(result.roots[0]!.finding);
      if (word.kind === 'likely') expect([result.focus.lowerHalf, result.focus.arm]).toContain(word.work ?? word.first);
    }
  });
});

const camp = (athletes: readonly CampMember[]): CampRecord => campRecordOf({ athletes });

describe('a first look at each', () => {
  const stiff = {
    kind: 'screen',
    test: 'hip-internal-rotation',
    side: 'drive',
    value: 20,
    unit: 'deg',
    on: TODAY,
    by: 'Ada',
  } as const;
  const known = recordOf(requestOf([...seen('late-hips', 'turn-together'), stiff]));
  const answers = {
    '/api/camps/c1': camp([
      member('a', 'Al Tarn', 'late-hips'),
      member('b', 'Bo Marl', null, { locked: 'Throwing is locked: pain 5 at the elbow.', throwBudget: 0 }),
    ]),
    '/api/athletes/a': { foci: [] },
    '/api/athletes/b': { foci: [] },
    '/api/athletes/a/diagnosis': known,
    '/api/athletes/b/diagnosis': recordOf(requestOf([])),
  };

  it('begins with whom nobody has looked at, says so, and goes on to the next and back to all', async () => {
    openPage(<FirstLookScreen id="c1" />, answers);
    expect(await screen.findByText('nobody has looked yet', { exact: false })).toBeTruthy();
    fireEvent.press(await screen.findByTestId('first-look-start'));
    expect(await screen.findByText('Nothing has been seen yet. What tells most stands first.')).toBeTruthy();
    expect(screen.getByText('Throwing is locked: pain 5 at the elbow.')).toBeTruthy();
    expect(screen.getAllByRole('button', { name: 'Can’t tell' })).toHaveLength(ASKED_AT_ONCE);
    expect(screen.queryByText('A first focus')).toBeNull();
    fireEvent.press(screen.getByTestId('first-look-next'));
    expect(await screen.findByRole('heading', { name: 'Al Tarn' })).toBeTruthy();
    expect(await screen.findByTestId('first-word')).toBeTruthy();
    fireEvent.press(screen.getByTestId('first-look-next'));
    expect(await screen.findByTestId('first-look-start')).toBeTruthy();
  });

  it('takes a first focus by one tap, with the judgement that it rests on', async () => {
    const { sent } = openPage(<FirstLookScreen id="c1" />, answers, { id: 'kept' });
    fireEvent.press(await screen.findByTestId('first-look-Al Tarn'));
    const [first] = known.result.roots;
    fireEvent.press(await screen.findByTestId(`take-${first!.finding}`));
    await waitFor(() => expect(sent.some((s) => s.url.includes('/foci/'))).toBe(true));
    expect(sent.find((s) => s.url.includes('/foci/'))!.body).toMatchObject({ finding: first!.finding, diagnosis: 'kept' });
  });

  it('of nobody says so', async () => {
    openPage(<FirstLookScreen id="c1" />, { ...answers, '/api/camps/c1': camp([]) }, { id: ME.id });
    expect(await screen.findByText('Nobody comes yet')).toBeTruthy();
  });
});
