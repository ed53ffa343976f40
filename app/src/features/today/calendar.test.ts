import { mondayOf, weekSentence, weeksAround } from './calendar';

// A Wednesday.
const TODAY = '2026-05-06';
const set = (...days: string[]) => new Set(days);
const at = (weeks: ReturnType<typeof weeksAround>, date: string) => weeks.flat().find((day) => day.date === date);

it('shows three weeks from Monday on, this one in the middle', () => {
  const weeks = weeksAround(TODAY, set(), set());
  expect(weeks.map((week) => [week[0]!.date, week.length])).toEqual([
    ['2026-04-27', 7],
    ['2026-05-04', 7],
    ['2026-05-11', 7],
  ]);
  expect(
    weeks
      .flat()
      .filter((day) => day.today)
      .map((day) => day.date),
  ).toEqual([TODAY]);
  expect([mondayOf('2026-05-10'), mondayOf('2026-05-11')]).toEqual(['2026-05-04', '2026-05-11']);
});

it('marks what was done, what is to come, and holds nothing against a day that passed', () => {
  const weeks = weeksAround(TODAY, set('2026-05-04', TODAY), set('2026-05-04', '2026-05-05', TODAY, '2026-05-08'));
  expect(at(weeks, '2026-05-04')!.state).toBe('done');
  expect(at(weeks, '2026-05-05')!.state).toBe('free');
  expect(at(weeks, TODAY)!.state).toBe('done');
  expect(at(weeks, '2026-05-08')!.state).toBe('to-do');
});

it.each([
  [set(), set(), 'Nothing is planned this week.'],
  [set(), set('2026-05-07'), '1 session to come this week.'],
  [set('2026-05-04'), set('2026-05-07', '2026-05-08'), '1 session done this week, 2 to come.'],
  [set('2026-05-04', '2026-05-05'), set('2026-05-04'), '2 sessions done this week.'],
  // Another week's work is not this one's.
  [set('2026-04-28'), set('2026-05-12'), 'Nothing is planned this week.'],
])('says what the week comes to', (done, planned, expected) => {
  expect(weekSentence(weeksAround(TODAY, done, planned))).toBe(expected);
});
