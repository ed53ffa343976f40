import { beliefHistory, causeMap, diagnose } from '@wrightonic/core';
import type { BeliefHistory, CauseMap, Diagnosis, DiagnosisRequest } from '@wrightonic/core';

/** What can be asked of the judgement on the device. */
export interface Answers {
  readonly diagnosis: Diagnosis;
  readonly map: CauseMap;
  readonly history: BeliefHistory;
}
export type Question = keyof Answers;

export const JUDGE: { readonly [Q in Question]: (request: DiagnosisRequest) => Answers[Q] } = {
  diagnosis: diagnose,
  map: causeMap,
  history: beliefHistory,
};

export interface Asked {
  readonly ask: number;
  readonly question: Question;
  readonly request: DiagnosisRequest;
}
export interface Answered {
  readonly ask: number;
  readonly answer: Answers[Question];
  /** Milliseconds that the judgement took. */
  readonly ms: number;
}
