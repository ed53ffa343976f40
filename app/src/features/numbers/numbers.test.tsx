import type { FocusProgress, Progress } from '@wrightonic/contract';
import { commandOf, courseOf, GATE_DEFAULTS, judgeGate, measureHistories, trend } from '@wrightonic/core';
import type { Course, CourseValue } from '@wrightonic/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { api } from '../../data/api';
import { leavePage, openPage } from '../../testing/page';
import { NumbersScreen } from './NumbersScreen';

afterEach(leavePage);

const value = (on: string, v: number, effort: number | null = 95): CourseValue => ({
  on,
  measure: 'stride-length',
  event: 'contact',
  value: v,
  sd: 2,
  effort: effort === null ? null : [effort, effort],
});

const START = '2026-03-02';
const THEN = [value(START, 64), value('2026-04-01', 84), value('2026-04-08', 83)];

function progressWith(values: readonly CourseValue[], more: { ownedOn?: string; verdicts?: number } = {}): Progress {
  const course: Course = courseOf({
    finding: 'short-stride',
    discipline: 'overhand',
    age: 21,
    flagged: false,
    startedOn: START,
    ownedOn: more.ownedOn ?? null,
    values,
    verdictsWithoutMove: more.verdicts ?? 0,
    thrownOn: [],
    today: '2026-05-20',
  });
  const part: FocusProgress = {
    focus: {
      id: 'f',
      finding: 'short-stride',
      rung: 4,
      state: more.ownedOn ? 'owned' : 'working',
      startedOn: START,
      rungSince: START,
      course: { state: course.state, reason: course.reason, watch: course.watch?.why ?? null, askedAt: null },
    },
    sessions: [],
    gate: judgeGate([], GATE_DEFAULTS, 4),
    moves: [],
    course,
    eased: [
      { finding: 'late-hips', then: 0.8, now: 0.2, eased: true },
      { finding: 'fly-open', then: 0.6, now: 0.6, eased: null },
    ],
    tuneUp: 5,
    otherDrills: [],
  };
  return {
    trend: trend({
      on: '2026-05-20',
      athlete: { discipline: 'overhand', throws: 'R', birthDate: '2005-01-10', heightM: 1.8, massKg: 80, level: 'college' },
      readings: [],
    }),
    days: [],
    ownBest: null,
    focus: [part],
    measures: measureHistories(values, 'overhand', 21, ['short-stride']),
    easedSoFar: { eased: 7, of: 11 },
    week: [{ from: '2026-05-14', throws: 0, pitches: 0 }],
  };
}

async function show(progress: Progress) {
  const { store, sent } = openPage(<NumbersScreen id="a" />, { '/api/athletes/a/progress': progress }, {});
  await store.dispatch(api.endpoints.me.initiate());
  await screen.findByText('Numbers');
  return sent;
}

it('proposes what is done, with what it rests on, and sends the coach’s word', async () => {
  const sent = await show(progressWith(THEN));
  expect(screen.getByTestId('course')).toHaveTextContent(/Ready to be called owned\..*in band/);
  expect(screen.getByText(/64 to 83 % of height, a real change/)).toBeTruthy();
  fireEvent.press(screen.getByTestId('call-owned'));
  await screen.findByTestId('course');
  expect(sent).toContainEqual(
    expect.objectContaining({ url: '/api/athletes/a/foci/f/change', body: expect.objectContaining({ end: 'owned' }) }),
  );
});

it('says what should ease and whether it has, and how often that came true', async () => {
  await show(progressWith(THEN));
  const eased = screen.getByTestId('eased');
  expect(eased).toHaveTextContent(/: eased, 80 % then, 20 % now/);
  expect(eased).toHaveTextContent(/nobody has looked since, 60 % then/);
  expect(eased).toHaveTextContent(/7 of 11/);
});

it('offers a tune-up of what is back, and what is asked for', async () => {
  await show(progressWith([...THEN, value('2026-05-18', 64)], { ownedOn: '2026-04-10' }));
  expect(screen.getByTestId('course')).toHaveTextContent(/^Back again\./);
  expect(screen.getByTestId('tune-up')).toHaveTextContent('Tune up on rung 5');
  await leavePage();
  await show(progressWith(THEN, { ownedOn: '2026-04-10' }));
  expect(screen.getByTestId('course')).toHaveTextContent(/Film the full delivery: 4 weeks after it was owned/);
  expect(screen.getByTestId('clip-asked')).toBeTruthy();
});

it('draws nothing, one date and hundreds', async () => {
  await show({ ...progressWith([]), measures: [] });
  expect(screen.getByText('Nothing has been measured on film yet')).toBeTruthy();
  await leavePage();
  await show(progressWith([value(START, 64, null)]));
  expect(screen.getByText(/64 % of height on 2 Mar/)).toBeTruthy();
  await leavePage();
  const many = Array.from({ length: 300 }, (_, i) =>
    value(new Date(Date.UTC(2025, 0, 1 + i)).toISOString().slice(0, 10), 70 + (i % 9)),
  );
  await show(progressWith(many));
  expect(screen.getByTestId('measure-stride-length')).toBeTruthy();
});

it('shows command with its error, and speeds of other throws for themselves', async () => {
  const throws = Array.from({ length: 40 }, (_, n) => ({
    id: `t${String(n).padStart(2, '0')}`,
    on: n < 20 ? '2026-05-04' : '2026-05-11',
    at: `2026-05-0${n < 20 ? 4 : 9}T10:00:${String(n).padStart(2, '0')}.000Z`,
    target: { x: 0, y: 70 },
    actual: { x: 10 + (n % 3), y: 70 + (n % 2 ? 12 : -12) },
    zone: [49, 97] as const,
    effort: 95,
    pitch: n % 4 === 0 ? 'change' : null,
    speed: null,
  }));
  await show({
    ...progressWith(THEN),
    command: commandOf(throws, { throws: 'R', discipline: 'overhand' }),
    otherSpeeds: [{ label: 'change', throws: 12, days: 4, last: '2026-05-11', top: 67, median: 66.5, gain: null }],
  });
  expect(screen.getByText('100 % of 40 throws in the zone, 16 cm from the target')).toBeTruthy();
  expect(screen.getByText('Misses go to the arm side.')).toBeTruthy();
  expect(screen.getByText(/^Fastball: 100 % of 30 throws in the zone/)).toBeTruthy();
  expect(screen.getByText(/Four days with eight throws/)).toBeTruthy();
  expect(screen.getByTestId('other-speeds')).toHaveTextContent(/Change: 66.5 mph in the middle, top 67.0, 12 on 4 days/);
});

it('says nothing of command where nobody aimed', async () => {
  await show({ ...progressWith(THEN), command: null, otherSpeeds: [] });
  expect(screen.queryByText('Command')).toBeNull();
  expect(screen.queryByTestId('other-speeds')).toBeNull();
});

it('shows the load as a calendar, with what closes a day, as a table too', async () => {
  const day = (date: string, more: object = {}) => ({
    date,
    throws: 0,
    pitches: 0,
    hard: false,
    pain: 0,
    rest: false,
    locked: false,
    game: false,
    ...more,
  });
  const days = [
    day('2026-05-04', { throws: 60, pitches: 50, hard: true }),
    day('2026-05-05', { rest: true }),
    day('2026-05-06', { throws: 30, pain: 4 }),
    day('2026-05-07', { locked: true }),
    day('2026-05-08'),
    day('2026-05-09', { game: true }),
    day('2026-05-10'),
  ];
  await show({ ...progressWith(THEN), calendar: [{ from: '2026-05-04', throws: 90, days }] });
  expect(screen.getByText('2 days with throws in these weeks, one of them a game')).toBeTruthy();
  fireEvent.press(screen.getAllByText('Show as a table').pop()!);
  for (const words of ['50 in a game, 10 throws', 'no game: rest', '30 throws, pain 4', 'locked', 'game to come'])
    expect(screen.getByText(words)).toBeTruthy();
  // An open day without anything has no line.
  expect(screen.queryByText('8 May')).toBeNull();
});
