/** Judges beside the page, by the same code as the server. */
import { expose } from 'comlink';
import type { DiagnosisRequest } from '@wrightonic/core';
import { JUDGE } from './judging';
import type { Answers, Question } from './judging';

const judging = {
  /** An answer, and the milliseconds that it took. */
  judge<Q extends Question>(question: Q, request: DiagnosisRequest): { readonly answer: Answers[Q]; readonly ms: number } {
    const started = performance.now();
    const answer = JUDGE[question](request);
    return { answer, ms: performance.now() - started };
  },
};
export type Judging = typeof judging;

expose(judging);
