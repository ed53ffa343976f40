import { act, fireEvent, screen, within } from '@testing-library/react-native';
import type { DiagnosisRecord } from '@wrightonic/contract';
import { CATALOGUE_WORDS, UNITS, beliefHistory, bodyTestById, causeMap, findingById } from '@wrightonic/core';
import type { DatedEvidence, DiagnosisRequest, Evidence, FindingId, WeighedCheck } from '@wrightonic/core';
import { Circle, Rect } from 'react-native-svg';
import { recordOf } from '../../testing/judgement';
import { leavePage, ME, openPage, PROFILE, TODAY } from '../../testing/page';
import { UnitsContext } from '../../ui/units';
import { percent } from '../../ui/words';
import { BeliefChart } from './BeliefChart';
import { CheckNext } from './CheckNext';
import { NodePanel } from './NodePanel';
import { Changes, Notes } from './Remarks';
import { SplitBar } from './SplitBar';
import { Why } from './Why';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush, replace: jest.fn() }) }));
afterEach(async () => {
  await leavePage();
  mockPush.mockClear();
});

const seen = (finding: FindingId, answer: 'yes' | 'no', on = TODAY): DatedEvidence => ({
  kind: 'eye',
  finding,
  answer,
  on,
  by: 'Ada Test',
});
const request = (evidence: DatedEvidence[], more: Partial<DiagnosisRequest> = {}): DiagnosisRequest => ({
  on: TODAY,
  athlete: PROFILE,
  evidence,
  ...more,
});
const LATE = [
  seen('late-hips', 'yes'),
  seen('turn-together', 'yes'),
  seen('stall', 'no'),
  { kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 18, unit: 'deg', on: TODAY, by: 'Ada Test' } as const,
];

describe('a check that is proposed', () => {
  const answered: Evidence[] = [];
  const open = (weighed: WeighedCheck, units = UNITS.cm) => {
    answered.length = 0;
    const onStart = jest.fn();
    openPage(
      <UnitsContext.Provider value={units}>
        <CheckNext
          weighed={weighed}
          athlete={PROFILE}
          on={TODAY}
          busy={false}
          onAnswer={(item) => void answered.push(item)}
          onStart={onStart}
        />
      </UnitsContext.Provider>,
      {},
    );
    return onStart;
  };
  const of = (check: WeighedCheck['check']): WeighedCheck => ({ check, minutes: 2, expectedGain: 0.1, answers: [] });

  it.each(['yes', 'no', 'unsure'] as const)('is a look, answered “%s” in one tap', (answer) => {
    open(of({ kind: 'eye', finding: 'stall' }));
    expect(screen.getByText(findingById('stall').eyeCheck)).toBeTruthy();
    fireEvent.press(screen.getByTestId(`check-stall-${answer}`));
    expect(answered).toEqual([{ kind: 'eye', finding: 'stall', answer }]);
  });

  it('is a slow try', () => {
    open(of({ kind: 'slow', finding: 'late-hips' }));
    fireEvent.press(screen.getByText('Cannot'));
    fireEvent.press(screen.getByText('Can do it slowly'));
    expect(answered).toEqual([
      { kind: 'slow', finding: 'late-hips', canDoSlowly: 'no' },
      { kind: 'slow', finding: 'late-hips', canDoSlowly: 'yes' },
    ]);
  });

  it('is a body test: how, with its caution, graded before it is kept', () => {
    const onStart = open(of({ kind: 'screen', test: 'hip-internal-rotation', side: 'drive' }));
    expect(screen.getByText(/Never cranked; stop on pain\./)).toBeTruthy();
    const field = screen.getByTestId('check-hip-internal-rotation-drive');
    fireEvent.changeText(field, '18');
    expect(screen.getByText('18° is a limit.')).toBeTruthy();
    fireEvent.changeText(field, '60');
    expect(screen.getByText('60° is free.')).toBeTruthy();
    fireEvent.press(screen.getByTestId('check-hip-internal-rotation-drive-keep'));
    expect(answered).toEqual([{ kind: 'screen', test: 'hip-internal-rotation', side: 'drive', value: 60, unit: 'deg' }]);
    fireEvent.press(screen.getByText('Do it step by step'));
    expect(onStart).toHaveBeenCalled();
  });

  it.each(['', 'x', '1o', '4.5.6', '1e2'])('keeps no reading that is “%s”', (text) => {
    open(of({ kind: 'screen', test: 'hip-internal-rotation', side: 'drive' }));
    fireEvent.changeText(screen.getByTestId('check-hip-internal-rotation-drive'), text);
    fireEvent.press(screen.getByTestId('check-hip-internal-rotation-drive-keep'));
    expect(answered).toEqual([]);
  });

  it('takes inches where the academy has inches, and keeps the test’s own unit', () => {
    const test = bodyTestById('knee-to-wall');
    open(of({ kind: 'screen', test: test.id, side: 'lead' }), UNITS.in);
    fireEvent.changeText(screen.getByTestId('check-knee-to-wall-lead'), '4');
    fireEvent.press(screen.getByTestId('check-knee-to-wall-lead-keep'));
    expect((answered[0] as { value: number }).value).toBeCloseTo(10.16, 2);
    expect((answered[0] as { unit: string }).unit).toBe(test.unit);
  });
});

describe('what is known of a node', () => {
  const asked = request([...LATE]);
  const map = causeMap(asked);
  const record = recordOf(asked);
  const open = (finding: FindingId, more: object = {}) => {
    const [onSuppose, onChoose] = [jest.fn(), jest.fn()];
    openPage(
      <NodePanel
        athlete="a"
        map={map}
        finding={finding}
        record={record}
        supposed={null}
        onSuppose={onSuppose}
        onChoose={onChoose}
        {...more}
      />,
      {},
    );
    return { onSuppose, onChoose };
  };

  it('has its own chance, what speaks of it, and who said so', () => {
    open('late-hips');
    const node = map.nodes.find((n) => n.finding === 'late-hips')!;
    expect(screen.getByText(new RegExp(`^There: ${percent(node.present)} `))).toBeTruthy();
    expect(screen.getByText(/\(Ada Test, Mon 4 May\)$/)).toBeTruthy();
  });

  it('says so where nothing speaks of it', () => {
    const silent = map.nodes.find((n) => n.evidence.length === 0)!;
    open(silent.finding);
    expect(screen.getByText(/^Nothing directly/)).toBeTruthy();
  });

  it('leads to its neighbours, the one that matters most first', () => {
    const { onChoose } = open('late-hips');
    const causes = map.arrows.filter((a) => a.consequence === 'late-hips').sort((a, b) => b.influence - a.influence);
    const rows = screen.getAllByRole('button');
    const order = causes.map((a) =>
      rows.findIndex((row) => within(row).queryAllByText(CATALOGUE_WORDS.title(a.cause)).length > 0),
    );
    expect(order).not.toContain(-1);
    expect(order).toEqual([...order].sort((a, b) => a - b));
    fireEvent.press(screen.getAllByText(CATALOGUE_WORDS.title(causes[0]!.cause)).at(-1)!);
    expect(onChoose).toHaveBeenCalledWith(causes[0]!.cause);
  });

  it('is supposed there or away, and a second tap lets go', () => {
    const { onSuppose } = open('stall', { supposed: 'present' });
    fireEvent.press(screen.getByTestId('suppose-absent'));
    fireEvent.press(screen.getByTestId('suppose-present'));
    expect(onSuppose.mock.calls).toEqual([['absent'], [null]]);
  });
});

describe('why a root', () => {
  it('names what speaks for it, what ruled others out, and what it may be worth', async () => {
    // A rival was looked for and not seen.
    const record = recordOf(
      request([seen('stall', 'yes'), seen('stuck-back', 'no'), seen('shin-vertical', 'no'), seen('balance-loss', 'no')]),
    );
    const [root] = record.result.roots;
    openPage(<Why athlete="a" root={root!} record={record} first />, { '/api/me': ME });
    expect(screen.getByText(findingById(root!.finding).seen)).toBeTruthy();
    expect(root!.cleared.length).toBeGreaterThan(0);
    expect(screen.getByText(/^Ruled out: /)).toBeTruthy();
    const { high } = root!.worth!;
    expect(high).toBeGreaterThan(1);
    expect(await screen.findByText(new RegExp(`up to ${high.toFixed(0)} % of own speed in all`))).toBeTruthy();
    fireEvent.press(screen.getByTestId('overrule'));
    expect(screen.queryByTestId('overrule')).toBeNull();
  });
});

describe('body, timing or cue', () => {
  it.each([
    [{ body: 0.5, timing: 0.3, cue: 0.2 }, 'body 50 %, timing 30 %, cue 20 %', 3],
    [{ body: 0.9, timing: 0.1, cue: 0 }, 'body 90 %, timing 10 %', 1],
    [{ body: 0, timing: 1, cue: 0 }, 'timing 100 %', 1],
  ])('is read aloud whole, and named where there is room: %j', (split, spoken, named) => {
    openPage(<SplitBar split={split} />, {});
    const bar = screen.getByLabelText(spoken);
    expect(within(bar).queryAllByText(/%$/)).toHaveLength(named);
  });

  it('has words for nothing seen', () => {
    openPage(<SplitBar split={{ body: 0, timing: 0, cue: 0 }} />, {});
    expect(screen.getByText(/^Not enough seen/)).toBeTruthy();
  });
});

describe('remarks', () => {
  it('are five at most, and the rest is counted', () => {
    const record = recordOf(request([...LATE]));
    const note = (n: number) => ({ note: `Remark ${n}.`, evidence: n === 0 ? [0] : [] });
    const many = {
      ...record,
      result: { ...record.result, notes: Array.from({ length: 7 }, (_, n) => note(n)) },
    } as DiagnosisRecord;
    openPage(<Notes record={many} />, {});
    expect(screen.getAllByText(/^Remark /)).toHaveLength(5);
    expect(screen.getByText('And 2 more of the kind.')).toBeTruthy();
    expect(screen.getByText(/^Remark 0\. \(.+\)$/)).toBeTruthy();
  });

  it('are silent where there are none, and where nothing has changed', () => {
    const record = recordOf(request([]));
    openPage(
      <>
        <Notes record={{ ...record, result: { ...record.result, notes: [] } }} />
        <Changes changes={null} />
        <Changes changes={{ since: TODAY, list: [] } as never} />
      </>,
      {},
    );
    expect(screen.queryByTestId('changes')).toBeNull();
    expect(screen.queryByText('About what was seen')).toBeNull();
  });

  it('say what was judged otherwise, and since when', () => {
    openPage(
      <Changes changes={{ since: '2026-05-01', list: [{ sentence: 'It went up.' }, { sentence: 'It went down.' }] } as never} />,
      {},
    );
    expect(screen.getByText('Changed since Fri 1 May')).toBeTruthy();
    expect(screen.getByText('It went down.')).toBeTruthy();
  });
});

describe('belief over time', () => {
  const dated = [
    seen('late-hips', 'yes', '2026-03-02'),
    seen('turn-together', 'yes', '2026-04-01'),
    { ...LATE[3]!, on: '2026-05-01' },
  ] as DatedEvidence[];
  const layout = () => {
    const [picture] = screen.UNSAFE_getAllByProps({ role: 'img' });
    act(() => void fireEvent(picture!, 'layout', { nativeEvent: { layout: { width: 360, height: 200, x: 0, y: 0 } } }));
  };

  it('has a mark for each day and each root, within its picture', () => {
    const history = beliefHistory(request(dated));
    openPage(<BeliefChart history={history} />, {});
    layout();
    const marks = [...screen.UNSAFE_queryAllByType(Circle), ...screen.UNSAFE_queryAllByType(Rect)];
    expect(marks.length).toBeGreaterThanOrEqual(history.days.length * history.findings.length);
    for (const { props } of screen.UNSAFE_queryAllByType(Circle)) {
      expect(Number(props.cx)).toBeGreaterThanOrEqual(40);
      expect(Number(props.cx)).toBeLessThanOrEqual(360);
    }
    const last = history.days.at(-1)!;
    expect(screen.getByText(new RegExp(`${percent(last.roots[0]!)} on 4 May\\.$`))).toBeTruthy();
  });

  it('speaks of one day as of one day', () => {
    openPage(<BeliefChart history={beliefHistory(request([seen('late-hips', 'yes')]))} />, {});
    expect(screen.getByText(/^So far one day of looking: /)).toBeTruthy();
  });

  it('tells the same as a table', () => {
    const history = beliefHistory(request(dated));
    openPage(<BeliefChart history={history} />, {});
    fireEvent.press(screen.getByText('Show as a table'));
    for (const finding of history.findings) expect(screen.getAllByText(CATALOGUE_WORDS.title(finding)).length).toBeGreaterThan(0);
    expect(screen.getByText('2 Mar')).toBeTruthy();
  });
});
