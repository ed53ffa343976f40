import { practiceAt } from './practice';
import { RUNGS } from './types';

describe('how reps are practised', () => {
  it('judges less and mixes more on the way up', () => {
    const said = RUNGS.map((rung) => practiceAt(rung, true, 'coach'));
    expect(said[0]).toBeNull();
    expect(said[2]).toMatch(/^All in a row\. After each set .* then it is judged/);
    expect(said[3]).toMatch(/in turn\. After each five .* then it is judged/);
    for (const rung of [4, 5, 6]) expect(said[rung]).toMatch(/in turn.*every second one is judged/);
    for (const rung of [7, 8]) expect(said[rung]).toMatch(/^Mixed.*when the athlete asks/);
    expect(new Set(said.slice(1)).size).toBe(5 - 1);
  });
  it('takes no turns where nothing whole is thrown', () => {
    for (const rung of [3, 4, 5, 6] as const) expect(practiceAt(rung, false, 'coach')).not.toContain('whole throws');
  });
  it('speaks to whoever reads it', () => {
    for (const rung of RUNGS) expect(practiceAt(rung, true, 'athlete') ?? '').not.toContain('the athlete');
  });
});
