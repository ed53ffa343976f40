/** Whether a log gives one answer: random logs, each delivered late, doubled and in other orders, and the states they come to. */
import { GATE_DEFAULTS, randomFrom, stateOf } from '@wrightonic/core';
import { arrived, delivery, sentBy, stateText } from '@wrightonic/core/simulate';
import type { AthleteProfile, LoggedFocus, Rung } from '@wrightonic/core';

const SEED = Number(process.env.ACCURACY_SEED ?? 770_000);
const LOGS = Number(process.env.ACCURACY_LOGS ?? 2000);
const WAYS = 20;
const athlete: AthleteProfile = {
  discipline: 'overhand',
  throws: 'R',
  birthDate: '2010-02-11',
  heightM: 1.8,
  massKg: 74,
  level: 'high-school',
};
const ruled = { athlete, leagueDailyLimit: null };

const random = randomFrom(SEED);
let differences = 0;
let entries = 0;
let moves = 0;
let refused = 0;
for (let n = 0; n < LOGS; n++) {
  const focus: LoggedFocus = {
    id: 'focus',
    finding: 'knee-led-load',
    startedOn: '2026-04-01',
    startedAt: '2026-04-01T08:00:00.000Z',
    rung: random.pick([2, 3] as Rung[]),
    endedAt: null,
    words: [],
  };
  const sent = sentBy(random, '2026-04-02', focus);
  entries += sent.length;
  const inTurn = arrived(
    sent.map((what) => ({ what, received: what.device + 500 })),
    focus,
  );
  const state = stateOf(inTurn, ruled, GATE_DEFAULTS);
  moves += [...state.foci.values()].reduce((k, f) => k + f.moves.filter((m) => m.from !== m.to).length, 0);
  for (const day of state.days.values()) for (const rep of day.reps.values()) if (rep.refused !== null) refused++;
  const first = stateText(state);
  for (let way = 0; way < WAYS; way++)
    if (stateText(stateOf(arrived(delivery(random, sent), focus), ruled, GATE_DEFAULTS)) !== first) differences++;
}
console.log(
  `${LOGS} logs (${entries} entries, ${moves} moves of a rung, ${refused} entries refused), each delivered in ${WAYS} ways, seeds from ${SEED}: ${differences} differences.`,
);
