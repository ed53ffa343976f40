import { clockOf, fitsInDay, minutesOf, momentOf, rotationTimes } from './clock';
import type { TimedDay } from './clock';

const day: TimedDay = {
  date: '2026-06-01',
  start: '09:00',
  rotations: 4,
  minutes: 20,
  breaks: [
    { after: 1, minutes: 5 },
    { after: 3, minutes: 30 },
  ],
};

it('puts breaks between rotations, and none before the first or after the last', () => {
  expect(rotationTimes(day).map(({ from, to }) => `${clockOf(from)}-${clockOf(to)}`)).toEqual([
    '09:00-09:20',
    '09:25-09:45',
    '09:45-10:05',
    '10:35-10:55',
  ]);
  const late = { ...day, breaks: [{ after: 4, minutes: 60 }] };
  expect(rotationTimes(late).at(-1)).toEqual({ from: minutesOf('10:00'), to: minutesOf('10:20') });
});

it.each([
  ['08:59', { state: 'before', left: 1, next: 0 }],
  ['09:00', { state: 'on', rotation: 0, left: 20, next: 1 }],
  ['09:19', { state: 'on', rotation: 0, left: 1, next: 1 }],
  ['09:20', { state: 'break', left: 5, next: 1 }],
  ['09:45', { state: 'on', rotation: 2, left: 20, next: 3 }],
  ['10:34', { state: 'break', left: 1, next: 3 }],
  ['10:54', { state: 'on', rotation: 3, left: 1, next: null }],
  ['10:55', { state: 'over', next: null }],
  ['23:59', { state: 'over', next: null }],
])('at %s it is %j', (time, moment) => {
  expect(momentOf(day, minutesOf(time))).toEqual(moment);
});

it('is in one rotation in every minute of it, and each rotation lasts as long as it says', () => {
  const minutes = Array.from({ length: 24 * 60 }, (_, minute) => momentOf(day, minute));
  for (let rotation = 0; rotation < 4; rotation++)
    expect(minutes.filter((m) => m.state === 'on' && m.rotation === rotation)).toHaveLength(20);
  expect(minutes.filter((m) => m.state === 'break')).toHaveLength(35);
});

it('knows a day that goes on after midnight', () => {
  expect(fitsInDay(day)).toBe(true);
  expect(fitsInDay({ ...day, start: '22:25', breaks: [] })).toBe(true);
  expect(fitsInDay({ ...day, start: '22:41', breaks: [] })).toBe(false);
});
