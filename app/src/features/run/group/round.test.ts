import fc from 'fast-check';
import { isThrough, joinsRound, MOST_STATIONS, movesOn, roundOf, stationOf } from './round';

const drills = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'), { minLength: 2, maxLength: MOST_STATIONS });
const athletes = fc.uniqueArray(fc.constantFrom(...'stuvwxyz1234'), { minLength: 1, maxLength: 12 });

describe('a round of stations', () => {
  it('parts seven over three as three, two and two, and everybody is at each once', () => {
    const line = [...'abcdefg'];
    let round = roundOf(['wall', 'net', 'mound'], line);
    expect(line.map((id) => stationOf(round, id))).toEqual([0, 1, 2, 0, 1, 2, 0]);
    const been = line.map(() => [] as number[]);
    while (!isThrough(round)) {
      line.forEach((id, n) => been[n]!.push(stationOf(round, id)));
      round = movesOn(round);
    }
    expect(been[0]).toEqual([0, 1, 2]);
    expect(been[1]).toEqual([1, 2, 0]);
    for (const one of been) expect([...one].sort()).toEqual([0, 1, 2]);
  });

  it('whatever the drills and the line: no station has two more than another, after any turn and with whoever comes late', () => {
    fc.assert(
      fc.property(drills, athletes, fc.nat(20), fc.uniqueArray(fc.constantFrom(...'ABCD')), (stations, line, turns, late) => {
        let round = roundOf(stations, line);
        for (let n = 0; n < turns; n++) round = movesOn(round);
        let all = [...line];
        for (const id of late) {
          round = joinsRound(round, all, id);
          all = [...all, id];
        }
        const count = stations.map((_, at) => all.filter((id) => stationOf(round, id) === at).length);
        expect(Math.max(...count) - Math.min(...count)).toBeLessThanOrEqual(1);
        // Coming twice changes nothing.
        expect(joinsRound(round, all, all[0]!)).toBe(round);
      }),
    );
  });
});
