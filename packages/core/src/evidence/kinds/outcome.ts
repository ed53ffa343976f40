import type { FindingId } from '../../findings/ids';
import { house } from '../kind';
import type { EvidenceKind } from '../kind';
import { ratio } from '../likelihood';

export const OUTCOMES = ['velocity', 'strikes', 'movement'] as const;
export type OutcomeOf = (typeof OUTCOMES)[number];
export const OUTCOME_WORDS: Readonly<Record<OutcomeOf, string>> = { strikes: 'Strikes', movement: 'Movement', velocity: 'Speed' };

type Judged = 'good' | 'poor';

/** Whether what comes out is fine for age and level. */
export interface OutcomeEvidence {
  readonly kind: 'outcome';
  readonly strikes?: Judged;
  readonly movement?: Judged;
  readonly velocity?: Judged;
}

/** How a result that is good or poor changes the odds of what usually stands behind it. */
const TIMES: Readonly<Record<Judged, number>> = { good: 0.75, poor: 1.25 };

const BEHIND: Readonly<Record<OutcomeOf, readonly FindingId[]>> = {
  velocity: ['low-power', 'turn-together', 'late-hips', 'idle-drive-leg', 'no-brace'],
  strikes: ['fly-open', 'glove-pull', 'stride-offline', 'fold-and-lift', 'off-line-arm'],
  movement: ['fly-open', 'arm-drag'],
};

const thingOf = (key: OutcomeOf): string => `outcome:${key}`;

export const OUTCOME_KIND: EvidenceKind<OutcomeEvidence> = {
  kind: 'outcome',
  halfLifeDays: 60,
  lingers: true,
  thingsOf: (item) => OUTCOMES.filter((key) => item[key] !== undefined).map(thingOf),
  says(item, { situation }) {
    const on = OUTCOMES.flatMap((key) => {
      const answer = item[key];
      if (!answer) return [];
      const likelihood = ratio(TIMES[answer]);
      return BEHIND[key].filter((f) => situation.inPlay.has(f)).map((finding) => ({ finding, likelihood, thing: thingOf(key) }));
    });
    return { on, about: ['outcome'] };
  },
  numbers: () => [
    house('A good result: what could stand behind a poor one is likelier, times', TIMES.good),
    house('A poor result: what could stand behind it is likelier, times', TIMES.poor),
  ],
  words: (item) =>
    OUTCOMES.flatMap((key) => (item[key] ? [`${OUTCOME_WORDS[key]} ${item[key] === 'good' ? 'fine' : 'not fine'}`] : [])).join(
      ', ',
    ),
};
