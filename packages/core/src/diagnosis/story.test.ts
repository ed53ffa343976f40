import { THROWER } from '../testing/athletes';
import type { DatedEvidence } from '../evidence/evidence';
import { speaksOf, workedOnSince } from './story';

const on = '2026-06-01';
const look = (finding: 'stall' | 'late-hips', day: string, answer: 'yes' | 'no' = 'yes'): DatedEvidence => ({
  kind: 'eye',
  finding,
  answer,
  on: day,
});

describe('what speaks of a finding', () => {
  const evidence = [
    look('stall', '2026-04-01'),
    look('stall', '2026-05-20', 'no'),
    look('late-hips', '2026-05-21'),
    look('stall', '2026-05-10'),
    { kind: 'eye', finding: 'stall', answer: 'unsure', on: '2026-05-30' },
  ] as const;
  const request = { on, athlete: THROWER, evidence };

  it('is the newest first, since a day, and of no other finding', () => {
    expect(speaksOf(request, 'stall', '2026-05-01').map((e) => e.on)).toEqual(['2026-05-20', '2026-05-10']);
    expect(speaksOf(request, 'stall', '2026-05-01', 1).map((e) => e.on)).toEqual(['2026-05-20']);
    expect(speaksOf(request, 'stall', '2026-05-21')).toEqual([]);
    expect(speaksOf({ ...request, evidence: [] }, 'stall', '2026-01-01')).toEqual([]);
  });

  it('does not hang on the order of the list', () => {
    expect(speaksOf({ ...request, evidence: [...evidence].reverse() }, 'stall', '2026-05-01').map((e) => e.on)).toEqual([
      '2026-05-20',
      '2026-05-10',
    ]);
    const oneDay = [look('stall', '2026-05-20', 'yes'), look('stall', '2026-05-20', 'no'), look('stall', '2026-05-20', 'yes')];
    const said = (list: readonly DatedEvidence[]) => speaksOf({ ...request, evidence: list }, 'stall', '2026-05-01');
    expect(said([...oneDay].reverse())).toEqual(said(oneDay));
    expect(said([oneDay[1]!, oneDay[0]!, oneDay[2]!])).toEqual(said(oneDay));
  });

  it('counts the work after the newest look, or since the day where there was none', () => {
    const work = [
      { finding: 'stall', on: '2026-05-20', reps: 40 },
      { finding: 'stall', on: '2026-05-25', reps: 30 },
      { finding: 'late-hips', on: '2026-05-26', reps: 99 },
      { finding: 'stall', on: '2026-05-28', reps: 5 },
    ] as const;
    expect(workedOnSince({ ...request, work }, 'stall', '2026-05-01')).toBe(35);
    expect(workedOnSince({ ...request, evidence: [], work }, 'stall', '2026-05-01')).toBe(75);
    expect(workedOnSince({ ...request, evidence: [], work: [...work].reverse() }, 'stall', '2026-05-26')).toBe(5);
    expect(workedOnSince(request, 'stall', '2026-05-01')).toBe(0);
  });
});
