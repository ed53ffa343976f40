import { screen, waitFor } from '@testing-library/react-native';
import type { DrillEffectsAnswer, Me } from '@wrightonic/contract';
import { drillById } from '@wrightonic/core';
import { leavePage, ME, openPage } from '../../testing/page';
import { Helped } from './Helped';

afterEach(leavePage);

const DRILL = 'wall-hip-fall';
const COACH: Me = { ...ME, role: 'instructor' };
const ANSWER: DrillEffectsAnswer = {
  on: '2026-05-04',
  effects: [
    {
      finding: 'stall',
      discipline: 'overhand',
      measure: 'stride-length',
      event: 'contact',
      unit: '%height',
      athletes: 9,
      dates: 60,
      drills: [
        { drill: DRILL, move: 2, low: 0.5, high: 3.5, athletes: 5, days: 70, better: 0.9 },
        { drill: 'other', move: 9, low: 8, high: 10, athletes: 5, days: 70, better: 0.1 },
      ],
    },
  ],
};
const open = (me: Me, answer: DrillEffectsAnswer = ANSWER, discipline: 'overhand' | 'windmill' = 'overhand') =>
  openPage(<Helped drill={drillById(DRILL)} discipline={discipline} />, { '/api/me': me, '/api/library/effects': answer });

it('says what this drill did here, and nothing of the others', async () => {
  open(COACH);
  expect(await screen.findByText(/moved 2 % of height the right way/)).toBeTruthy();
  expect(screen.getByText(/More than the other drills of the finding, 90 % sure. 5 athletes, 70 days./)).toBeTruthy();
  expect(screen.queryByText(/9 % of height/)).toBeNull();
});

it('says that too few were measured, also where only the other discipline was', async () => {
  open(COACH, { ...ANSWER, effects: [] });
  expect(await screen.findByText(/Too few athletes/)).toBeTruthy();
  await leavePage();
  open(COACH, ANSWER, 'windmill');
  expect(await screen.findByText(/Too few athletes/)).toBeTruthy();
});

it('is neither asked for nor shown to an athlete', async () => {
  const { asked } = open({ ...ME, role: 'athlete' });
  await waitFor(() => expect(asked).toContain('/api/me'));
  expect(screen.queryByTestId('helped')).toBeNull();
  expect(asked).not.toContain('/api/library/effects');
});
