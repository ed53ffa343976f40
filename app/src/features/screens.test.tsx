import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { AthleteOverview, DiagnosisRecord, PlanRecord, Progress, TodayList, CoachWeek } from '@wrightonic/contract';
import { daysBetween, diagnose, GATE_DEFAULTS, judgeGate, trend, workload } from '@wrightonic/core';
import type { Evidence } from '@wrightonic/core';
import { api } from '../data/api';
import { leavePage, openPage, PROFILE, TODAY } from '../testing/page';
import { planOf } from '../testing/work';
import { AthleteScreen } from './athlete/AthleteScreen';
import { WhatScreen } from './diagnosis/WhatScreen';
import { DrillsScreen } from './drills/DrillsScreen';
import { LookScreen } from './look/LookScreen';
import { NumbersScreen } from './numbers/NumbersScreen';
import { WeekScreen } from './today/WeekScreen';
import { PlanScreen } from './plan/PlanScreen';
import { MyDayScreen } from './today/MyDayScreen';
import { TodayScreen } from './today/TodayScreen';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: mockPush, replace: mockPush, navigate: mockPush }),
  usePathname: () => '/',
}));
jest.mock('../data/storage', () => ({
  storage: { all: () => Promise.resolve([]), put: () => Promise.resolve(), remove: () => Promise.resolve() },
}));

const today = TODAY;
const profile = PROFILE;
const athlete = {
  ...profile,
  name: 'Testa Birchley',
  season: 'off',
  availability: [{ weekday: 'mon', minutes: 45, place: 'cage' }],
  equipment: ['net', 'strap', 'tape'],
  partner: true,
  schools: {},
} as const;
const load = (pain?: number) =>
  workload({
    on: today,
    athlete: profile,
    season: 'off',
    leagueDailyLimit: null,
    log: pain
      ? [{ date: today, throws: 0, highEffort: 0, pain: [{ site: 'elbow', score: pain }] }]
      : [{ date: '2026-04-20', throws: 80, highEffort: 0 }],
  });
const plan = planOf({
  focus: [{ finding: 'stall', rung: 2 }],
  weeks: 4,
  availability: athlete.availability,
  equipment: [...athlete.equipment],
});
const focus = {
  id: 'f',
  finding: 'stall',
  rung: 2,
  state: 'working',
  startedOn: '2026-04-01',
  rungSince: '2026-04-20',
  course: null,
} as const;
const overview: AthleteOverview = {
  id: 'a',
  athlete,
  age: 16,
  chain: ['clear', 'clear', 'working', 'open', 'unseen', 'unseen'],
  foci: [focus],
  why: 'Likely the cause (60 %).',
  today: { id: 's', on: today, session: plan.sessions[0]!, done: false, notes: [] },
  next: null,
  workload: load(),
  moves: [
    {
      id: 'm',
      on: '2026-05-01',
      finding: 'stall',
      focus: 'f',
      from: 1,
      to: 2,
      verdict: 'advance',
      reason: '93 % sure.',
      by: 'gate',
      revised: null,
    },
  ],
  timeline: [{ on: '2026-05-01', kind: 'session', text: '20 reps, 18 good' }],
  speed: null,
  flags: [],
  spurt: null,
  archived: false,
  intakeNext: null,
  minor: true,
  clearance: null,
  body: [],
  measured: [],
  filmConsent: true,
  explain: 'image',
  told: null,
};
const evidence: Evidence[] = [
  { kind: 'eye', finding: 'stall', answer: 'yes' },
  { kind: 'eye', finding: 'late-hips', answer: 'yes' },
  { kind: 'eye', finding: 'shin-vertical', answer: 'no' },
  { kind: 'eye', finding: 'glove-pull', answer: 'yes' },
  { kind: 'eye', finding: 'stuck-back', answer: 'no' },
];
const judged = (items: Evidence[]): DiagnosisRecord => ({
  id: '',
  on: today,
  catalogueVersion: '1',
  result: diagnose({ on: today, athlete: profile, evidence: items }),
  evidence: items.map((item, i) => ({
    id: `o${i}`,
    on: today,
    by: 'Ada Test',
    source: 'coach',
    own: true,
    clips: [],
    evidence: item,
  })),
  request: { on: today, athlete: profile, evidence: items.map((item) => ({ ...item, on: today, by: 'Ada Test' })) },
  rulings: [],
  changes: null,
});
const speeds = ['2026-03-02', '2026-04-20'].flatMap((date, d) =>
  [0, 1, 2, 3, 4].map((n) => ({
    date,
    speed: 70 + 3 * d + 0.2 * n,
    unit: 'mph' as const,
    effort: 100,
    gun: 'A',
    angleDeg: 0,
    setting: 'mound' as const,
  })),
);
const progress: Progress = {
  trend: trend({ on: today, athlete: profile, readings: speeds }),
  days: [],
  ownBest: null,
  focus: [
    {
      focus,
      sessions: [{ on: '2026-05-01', reps: 10, good: 8, close: 1, off: 1 }],
      gate: judgeGate([{ date: '2026-05-01', reps: 10, good: 8, close: 1, off: 1, cheats: {}, pain: 0 }], GATE_DEFAULTS, 2),
      moves: [],
    },
  ],
  week: Array.from({ length: 12 }, (_, i) => ({ from: `2026-0${i < 4 ? 2 : 3}-0${(i % 8) + 1}`, throws: 10 * i, pitches: 0 })),
};

type Cache = {
  athlete?: AthleteOverview;
  diagnosis?: DiagnosisRecord;
  plan?: PlanRecord | null;
  progress?: Progress;
  today?: TodayList;
};

afterEach(leavePage);

/** Draws a screen over answers that are there already. @returns what it sends */
async function show(element: React.ReactElement, cache: Cache) {
  const { store, sent } = openPage(
    element,
    {
      '/api/today': cache.today,
      '/api/camps': [],
      '/api/athletes/a': cache.athlete,
      '/api/athletes/a/diagnosis': cache.diagnosis,
      '/api/athletes/a/plan': cache.plan,
      '/api/athletes/a/camps': [],
      '/api/athletes/a/progress': cache.progress,
    },
    cache.diagnosis ?? cache.athlete ?? null,
  );
  await store.dispatch(api.endpoints.me.initiate());
  return sent;
}

describe('Today', () => {
  const row = {
    athlete: {
      id: 'a',
      name: 'Testa Birchley',
      discipline: 'overhand',
      throws: 'R',
      age: 16,
      chain: overview.chain,
      focus: 'stall',
      focusChance: 0.62,
      locked: false,
      care: false,
      intakeOpen: false,
    },
    assignment: overview.today!,
    line: 'Strap lower, 20 min, dry',
  } as const;

  it('says who is next, and starts with them', async () => {
    await show(<TodayScreen />, {
      today: {
        today,
        rows: [row],
        needs: [{ athlete: 'b', name: 'Lio Hurt', kind: 'pain', text: 'Throwing is locked after a pain report.' }],
        more: [],
      },
    });
    expect(await screen.findByText('Monday 4 May')).toBeTruthy();
    expect(screen.getByText(/Lio Hurt/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('start-lesson'));
    expect(mockPush).toHaveBeenLastCalledWith('/athletes/a/run');
  });

  it('names who comes tomorrow', async () => {
    const tomorrow = [
      { id: 'b', name: 'Bo Quillby' },
      { id: 'c', name: 'Cy Ashmere' },
    ];
    await show(<TodayScreen />, { today: { today, rows: [], needs: [], more: [], tomorrow } });
    expect(await screen.findByTestId('tomorrow')).toHaveTextContent('Bo Quillby, Cy Ashmere');
  });

  it('has a next step when nothing is planned', async () => {
    await show(<TodayScreen />, { today: { today, rows: [], needs: [], more: [] } });
    expect(await screen.findByText('No lesson is planned for today')).toBeTruthy();
    expect(screen.queryByText('Tomorrow')).toBeNull();
    expect(screen.getByText('Nothing waits for you.')).toBeTruthy();
  });
});

describe('Athlete', () => {
  it('answers the four questions', async () => {
    await show(<AthleteScreen id="a" />, { athlete: overview });
    expect((await screen.findByTestId('focus-title')).props.children).toBe('The trip forward stops after the lift');
    expect(screen.getByText('When it was chosen: likely the cause (60 %).')).toBeTruthy();
    expect(screen.getAllByText('throws left').length).toBeGreaterThan(0);
    expect(screen.getByText(/Moved up: rung 1 → 2/)).toBeTruthy();
    fireEvent.press(screen.getByTestId('start-work'));
    expect(mockPush).toHaveBeenLastCalledWith('/athletes/a/run');
  });

  it('puts a lock before everything, and offers no way up', async () => {
    await show(<AthleteScreen id="a" />, { athlete: { ...overview, workload: load(4) } });
    expect(await screen.findByTestId('locked')).toBeTruthy();
    expect(screen.getByText('locked')).toBeTruthy();
    expect(screen.queryByText('Take it back to rung 1')).toBeNull();
    expect(screen.getByTestId('record-clearance')).toBeTruthy();
  });

  it('takes a move back when the coach says so', async () => {
    const sent = await show(<AthleteScreen id="a" />, { athlete: overview });
    fireEvent.press(await screen.findByText('Take it back to rung 1'));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ url: '/api/athletes/a/foci/f/change', body: { rung: 1 } }));
  });
});

describe('Look and What is it?', () => {
  it('adds a look with a tap, takes one’s own of today back with the same tap, and puts another answer in its place', async () => {
    const sent = await show(<LookScreen id="a" />, {
      athlete: overview,
      diagnosis: judged([{ kind: 'eye', finding: 'unstable-base', answer: 'yes' }]),
    });
    fireEvent.press(await screen.findByTestId('unstable-base-no'));
    await waitFor(() => expect(sent.map((s) => s.method)).toEqual(['PUT', 'DELETE']));
    expect(sent[0]).toMatchObject({ body: { on: today, evidence: { kind: 'eye', finding: 'unstable-base', answer: 'no' } } });
    expect(sent[1]!.url).toBe('/api/athletes/a/observations/o0');
    fireEvent.press(screen.getByTestId('unstable-base-yes'));
    await waitFor(() => expect(sent.map((s) => s.method)).toEqual(['PUT', 'DELETE', 'DELETE']));
  });

  it('never eats another’s look, nor one of another day: agreeing stands beside it', async () => {
    const seen = judged([
      { kind: 'eye', finding: 'unstable-base', answer: 'yes' },
      { kind: 'eye', finding: 'balance-loss', answer: 'yes' },
    ]);
    const [others, older] = seen.evidence;
    const sent = await show(<LookScreen id="a" />, {
      athlete: overview,
      diagnosis: {
        ...seen,
        evidence: [
          { ...others!, own: false },
          { ...older!, on: '2026-05-01' },
        ],
      },
    });
    fireEvent.press(await screen.findByTestId('unstable-base-yes'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ method: 'PUT', body: { evidence: { finding: 'unstable-base', answer: 'yes' } } });
  });

  it('names the root as a sentence, what should ease and what to check next', async () => {
    const diagnosis = judged(evidence);
    await show(<WhatScreen id="a" />, { athlete: { ...overview, foci: [] }, diagnosis });
    expect((await screen.findByTestId('first-root')).props.children).toBe(diagnosis.result.roots[0]!.sentence);
    expect(screen.getByText('Should ease by itself')).toBeTruthy();
    expect(screen.getByText('Check this next')).toBeTruthy();
    expect(screen.getByTestId('make-focus')).toBeTruthy();
  });

  it('says that nothing has been looked at', async () => {
    await show(<WhatScreen id="a" />, { athlete: { ...overview, foci: [] }, diagnosis: judged([]) });
    expect(await screen.findByText('Nothing has been looked at yet')).toBeTruthy();
  });
});

describe('The week', () => {
  const none = { relapsed: [], limit: [], stuck: [], done: [], unseen: [], moved: [] };
  const weekOf = (lines: Partial<CoachWeek['lines']>, athletes = 3): CoachWeek => ({
    from: '2026-04-28',
    to: '2026-05-04',
    athletes,
    lines: { ...none, ...lines },
    more: [],
  });

  it('tells what became of everybody, and where nothing did', async () => {
    const line = { athlete: 'a', name: 'Testa Birchley', text: 'The stride is short. No move in 4 sessions.' };
    openPage(
      <WeekScreen />,
      { '/api/week': weekOf({ stuck: [line] }), '/api/groups': [{ id: 'g', name: 'Late', athletes: [] }] },
      {},
    );
    expect(await screen.findByText('The stride is short. No move in 4 sessions.')).toBeTruthy();
    expect(screen.getByText('Nobody is near a limit.')).toBeTruthy();
    expect(screen.getByTestId('week-of-Late')).toBeTruthy();
  });

  it('says so where there is nobody', async () => {
    openPage(<WeekScreen />, { '/api/week': weekOf({}, 0), '/api/groups': [] }, {});
    expect(await screen.findByText('Nobody is in this group')).toBeTruthy();
  });
});

describe('Plan, Numbers, My day, Drills', () => {
  it('shows the climb, the weeks, and why each item is there', async () => {
    await show(<PlanScreen id="a" />, {
      athlete: overview,
      plan: { id: 'p', on: today, weeks: 4, assigned: false, plan, edits: [], broken: [], request: null, base: null },
    });
    expect(await screen.findByText(`Assign ${plan.sessions.length} sessions`)).toBeTruthy();
    expect(screen.getByText('Rung 2: dry move')).toBeTruthy();
    expect(daysBetween(today, plan.sessions[0]!.date)).toBe(0);
    fireEvent.press(screen.getByText('Mon 4 May'));
    const item = plan.sessions[0]!.items.find((i) => i.role === 'main')!;
    fireEvent.press(screen.getAllByRole('button', { name: new RegExp(`${item.sets} × ${item.reps}`) })[0]!);
    expect(screen.getByText('Why now')).toBeTruthy();
  });

  it('says what is real about speed, and why the gate holds', async () => {
    await show(<NumbersScreen id="a" />, { progress });
    expect(await screen.findByText(progress.trend.sentence)).toBeTruthy();
    expect(screen.getByText(progress.focus[0]!.gate!.reason)).toBeTruthy();
  });

  it('speaks to the athlete in words of room to gain', async () => {
    await show(<MyDayScreen id="a" />, { athlete: overview });
    expect(await screen.findByText(/Keeping the trip going/)).toBeTruthy();
    expect(screen.getByTestId('start-work')).toBeTruthy();
  });

  it('finds a drill by what it mends', async () => {
    await show(<DrillsScreen />, {});
    fireEvent.changeText(screen.getByLabelText('A drill, or what it should mend'), 'stops after the lift');
    expect(await screen.findByText('Strap lower')).toBeTruthy();
    expect(screen.queryByText('Ankle wall rock')).toBeNull();
    fireEvent.changeText(screen.getByLabelText('A drill, or what it should mend'), 'zzz');
    expect(await screen.findByText('No drill fits')).toBeTruthy();
  });
});
