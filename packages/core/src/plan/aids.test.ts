import { aidsOff } from './aids';
import type { AidedRep } from './aids';

const drill = {
  aids: [
    { kit: 'tape', without: 'on bare ground' },
    { kit: 'strap', without: 'free' },
  ],
} as const;
const reps = (session: string, judged: string, aids: readonly string[] | null = ['tape', 'strap']): AidedRep[] =>
  [...judged].map((j) => ({ session, good: j === '+', aids }));

describe('the aids of a drill', () => {
  it('stay until eight of the last ten reps are good', () => {
    expect(aidsOff(drill, [])).toEqual([]);
    expect(aidsOff(drill, reps('a', '+++++++'))).toEqual([]);
    expect(aidsOff(drill, reps('a', '++++++++'))).toEqual(['tape']);
    expect(aidsOff(drill, reps('a', '-+++-++-++'))).toEqual([]);
    // The three bad ones are too long ago to count.
    expect(aidsOff(drill, reps('a', '---++-++++++'))).toEqual(['tape']);
  });

  it('come off one at a time, the second not in the session of the first', () => {
    expect(aidsOff(drill, reps('a', '+'.repeat(30)))).toEqual(['tape']);
    expect(aidsOff(drill, [...reps('a', '++++++++'), ...reps('b', '+++++++', ['strap'])])).toEqual(['tape']);
    expect(aidsOff(drill, [...reps('a', '++++++++'), ...reps('b', '++++++++', ['strap'])])).toEqual(['tape', 'strap']);
  });

  it('are told by reps with the aid, not by those without', () => {
    expect(aidsOff(drill, reps('a', '++++++++++', []))).toEqual([]);
    expect(aidsOff(drill, [...reps('a', '++++'), ...reps('b', '--------', []), ...reps('c', '++++')])).toEqual(['tape']);
  });

  it('count where nobody told with what', () => {
    expect(aidsOff(drill, [...reps('a', '++++++++', null), ...reps('b', '++++++++', null)])).toEqual(['tape', 'strap']);
  });

  it('are none where the drill has none', () => {
    expect(aidsOff({ aids: [] }, reps('a', '+'.repeat(20)))).toEqual([]);
  });
});
