import type { Times } from '../../findings/types';
import { timesBehind, timesEach } from '../kind';
import type { EvidenceKind } from '../kind';
import type { Situation } from '../situation';

export const HISTORY_EVENTS = ['time-away', 'told-to-push', 'balance-drilled', 'arm-pain', 'elbow-surgery'] as const;
export type HistoryEvent = (typeof HISTORY_EVENTS)[number];

/** What happened before. */
export interface HistoryEvidence {
  readonly kind: 'history';
  readonly event: HistoryEvent;
}

const WORDS: Readonly<Record<HistoryEvent, string>> = {
  'time-away': 'time away',
  'told-to-push': 'was told to push',
  'balance-drilled': 'was drilled to balance',
  'arm-pain': 'arm pain before',
  'elbow-surgery': 'elbow surgery',
};

const HISTORY: Readonly<Record<HistoryEvent, Times>> = {
  'time-away': [['drill-not-transferred', 1.6]],
  'told-to-push': [['push-misread', 8]],
  'balance-drilled': [['balance-overtaught', 8]],
  'arm-pain': [
    ['arm-drag', 1.5],
    ['late-arm', 1.3],
    ['drive-hip-ir', 1.3],
    ['lead-hip-ir', 1.3],
  ],
  'elbow-surgery': [
    ['arm-drag', 1.3],
    ['drive-hip-ir', 1.3],
    ['lead-hip-ir', 1.3],
  ],
};

/** What something told says: in the school that owns the pause at the top, having been drilled to balance is nothing odd. */
function saysOf({ event }: HistoryEvidence, { schools }: Situation): Times {
  const says = HISTORY[event];
  return event === 'balance-drilled' && schools.lift === 'pause'
    ? says.map(([finding, times]) => [finding, times ** 0.5] as const)
    : says;
}

export const HISTORY_KIND: EvidenceKind<HistoryEvidence> = {
  kind: 'history',
  halfLifeDays: 365,
  hearsay: 'told',
  thingsOf: (item) => [`history:${item.event}`],
  says: (item, { situation }) => timesEach(saysOf(item, situation), situation),
  numbers: (item, situation) => timesBehind(saysOf(item, situation), situation),
  words: (item) => `History: ${WORDS[item.event]}`,
};
