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
