import type { NewCamp } from '@wrightonic/contract';
import { dayOfCamp, firstOpen, momentAt, momentWords, notSeen, stationsAt, wayOf } from '../../parts/camp-board';
import { camperOf, campRecordOf } from '../../testing/camp';
import { befriend, emptyCamp, formOf, lacks, newStation, nextDay, withComers, withoutComer } from './form';

const station = (id: string, name: string) => ({ ...newStation(id, 'rest', null, []), name });
const RECORD = campRecordOf({
  id: 'c',
  name: 'Mill camp',
  days: [
    { date: '2026-06-01', start: '09:00', rotations: 2, minutes: 20, breaks: [{ after: 1, minutes: 10 }] },
    { date: '2026-06-03', start: '10:00', rotations: 1, minutes: 20, breaks: [] },
  ],
  stations: [station('s1', 'Gun'), station('s2', 'Shade')],
  athletes: [camperOf('b', 'Bo Marl'), camperOf('a', 'Al Tarn')],
  revision: 3,
  visits: [
    { athlete: 'a', day: 0, rotation: 0, station: 's1' },
    { athlete: 'b', day: 0, rotation: 0, station: 's1' },
    { athlete: 'a', day: 0, rotation: 1, station: 's2' },
  ],
  changes: [
    { day: 0, fromRotation: 1, type: 'athlete-absent', id: 'b' },
    { day: 0, fromRotation: 1, type: 'station-closed', id: 's1' },
  ],
  arrivals: [{ day: 0, athlete: 'a' }],
});

describe('the board', () => {
  it('says which day of the camp it is, and none on the days between', () => {
    expect(['2026-05-31', '2026-06-01', '2026-06-02', '2026-06-03'].map((day) => dayOfCamp(RECORD, day))).toEqual([
      null,
      0,
      null,
      1,
    ]);
  });

  it('shows each station with its athletes by name, and closed from the rotation on in which it closed', () => {
    const at = (rotation: number) =>
      stationsAt(RECORD, 0, rotation).map((s) => [s.station.name, s.closed, s.campers.map((c) => c.name)]);
    expect(at(0)).toEqual([
      ['Gun', false, ['Al Tarn', 'Bo Marl']],
      ['Shade', false, []],
    ]);
    expect(at(1)).toEqual([
      ['Gun', true, []],
      ['Shade', false, ['Al Tarn']],
    ]);
    expect(wayOf(RECORD, 'a', 0).map((s) => s?.name ?? null)).toEqual(['Gun', 'Shade']);
    expect(wayOf(RECORD, 'b', 0).map((s) => s?.name ?? null)).toEqual(['Gun', null]);
  });

  it('misses who was not seen, but not who is known to be gone', () => {
    expect(notSeen(RECORD, 0).map((a) => a.athlete)).toEqual([]);
    expect(notSeen(RECORD, 1).map((a) => a.athlete)).toEqual(['b', 'a']);
  });

  it.each([
    ['08:00', 'Begins in 1 h 0 min', 0],
    ['08:59', 'Begins in 1 minute', 0],
    ['09:05', 'Rotation 1, 15 minutes left', 0],
    ['09:25', 'Break, rotation 2 in 5 minutes', 1],
    ['09:30', 'Rotation 2, 20 minutes left', 1],
    ['12:00', 'The day is over', 2],
  ])('at %s says “%s”', (clock, words, open) => {
    const moment = momentAt(RECORD, 0, clock);
    expect([momentWords(moment), firstOpen(RECORD, 0, moment)]).toEqual([words, open]);
  });
});

describe('building', () => {
  it('gives a station a name that no other has', () => {
    const first = newStation('1', 'rest', null, []);
    const second = newStation('2', 'rest', null, [first]);
    const third = newStation('3', 'rest', null, [first, second]);
    expect([first.name, second.name, third.name]).toEqual(['Shade and water', 'Shade and water 2', 'Shade and water 3']);
  });

  it('adds athletes once, keeps wishes both ways, and forgets them with whoever goes', () => {
    let camp = withComers(emptyCamp('2026-06-01'), ['a', 'b', 'a', 'c'], 'Early');
    camp = withComers(camp, ['b'], 'Late');
    expect(camp.athletes.map((a) => [a.athlete, a.group])).toEqual([
      ['a', 'Early'],
      ['b', 'Early'],
      ['c', 'Early'],
    ]);
    camp = befriend(camp, 'a', 'c', true);
    expect(camp.athletes.map((a) => a.with)).toEqual([['c'], [], ['a']]);
    expect(befriend(camp, 'c', 'a', false).athletes.map((a) => a.with)).toEqual([[], [], []]);
    expect(withoutComer(camp, 'c').athletes.map((a) => a.with)).toEqual([[], []]);
  });

  it('says what is missing, and nothing where nothing is', () => {
    const camp: NewCamp = emptyCamp('2026-06-01');
    expect(lacks(camp)).toBe('Give the camp a name.');
    const named = { ...camp, name: 'Mill camp' };
    expect(lacks(named)).toBeNull();
    expect(lacks({ ...named, days: [...named.days, nextDay(named.days)] })).toBeNull();
    expect(lacks({ ...named, days: [...named.days, ...named.days] })).toBe('Day 2 is not after the day before it.');
    expect(lacks({ ...named, days: [{ ...named.days[0]!, date: '' }] })).toBe('A day is not readable yet.');
  });

  it('sends a kept camp again as it was built, without what the engine says', () => {
    expect(formOf(RECORD)).toEqual({
      name: 'Mill camp',
      place: null,
      days: RECORD.days,
      stations: RECORD.stations,
      athletes: ['b', 'a'].map((athlete) => ({ athlete, group: null, with: [], visitor: false })),
      forgetAfterDays: 60,
      revision: 3,
    });
  });
});
