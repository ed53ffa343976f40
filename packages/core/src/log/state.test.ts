import { GATE_DEFAULTS } from '../plan/gate-settings';
import { randomFrom } from '../shared/random';
import { arrived, delivery, sentBy, stateText } from '../simulate/log';
import { THROWER } from '../testing/athletes';
import type { LoggedFocus } from './entries';
import { stateOf } from './state';

const ruled = { athlete: THROWER, leagueDailyLimit: null };
const focus: LoggedFocus = {
  id: 'focus',
  finding: 'knee-led-load',
  startedOn: '2026-04-01',
  startedAt: '2026-04-01T08:00:00.000Z',
  rung: 3,
  endedAt: null,
  words: [],
};

describe('the state is a function of the log', () => {
  // `npm run accuracy log` tries 2,000 logs, each delivered in 20 ways.
  it('whatever the way in which its entries arrive', () => {
    const random = randomFrom(90_210);
    let differences = 0;
    let moves = 0;
    let refused = 0;
    for (let n = 0; n < 300; n++) {
      const own = { ...focus, rung: random.pick([2, 3] as const) };
      const sent = sentBy(random, '2026-04-02', own);
      const inTurn = arrived(
        sent.map((what) => ({ what, received: what.device + 500 })),
        own,
      );
      const state = stateOf(inTurn, ruled, GATE_DEFAULTS);
      const first = stateText(state);
      for (let way = 0; way < 6; way++)
        if (stateText(stateOf(arrived(delivery(random, sent), own), ruled, GATE_DEFAULTS)) !== first) differences++;
      moves += [...state.foci.values()].filter((f) => f.moves.some((m) => m.from !== m.to)).length;
      refused += [...state.days.values()].reduce((k, d) => k + [...d.reps.values()].filter((r) => r.refused !== null).length, 0);
    }
    expect(differences).toBe(0);
    // The logs hold what is to be tested: rungs that move, and throws that are refused.
    expect(moves).toBeGreaterThan(60);
    expect(refused).toBeGreaterThan(300);
  });
});
