import type { DiagnosisRequest } from '@wrightonic/core';
import { useEffect, useState } from 'react';
import { JUDGE } from './judging';
import type { Answered, Answers, Question } from './judging';

let worker: Worker | null = null;
let asked = 0;
const waiting = new Map<number, (answered: Answered) => void>();

function workerOfThePage(): Worker | null {
  if (typeof Worker === 'undefined') return null;
  if (!worker) {
    worker = new Worker(new URL('./judge.worker', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<Answered>) => {
      waiting.get(data.ask)?.(data);
      waiting.delete(data.ask);
    };
  }
  return worker;
}

/** Judges in a worker; where there are none (tests, old browsers), right here. */
export function judge<Q extends Question>(question: Q, request: DiagnosisRequest): Promise<Answers[Q]> {
  const beside = workerOfThePage();
  if (!beside) return Promise.resolve().then(() => JUDGE[question](request));
  const ask = ++asked;
  return new Promise((resolve) => {
    waiting.set(ask, ({ answer, ms }) => {
      performance.measure?.(`judge ${question}`, { start: performance.now() - ms, duration: ms });
      resolve(answer as Answers[Q]);
    });
    beside.postMessage({ ask, question, request });
  });
}

interface Kept<Q extends Question> {
  readonly request: DiagnosisRequest;
  readonly answer: Answers[Q];
}

/** The newest answer to a question, and whether it is the answer to this very request; null while there is none. */
export function useJudged<Q extends Question>(
  question: Q,
  request: DiagnosisRequest | null,
): { readonly answer: Answers[Q] | null; readonly current: boolean } {
  const [kept, setKept] = useState<Kept<Q> | null>(null);
  useEffect(() => {
    let wanted = true;
    if (request)
      void judge(question, request).then((answer) => {
        if (wanted) setKept({ request, answer });
      });
    return () => {
      wanted = false;
    };
  }, [question, request]);
  return { answer: kept?.answer ?? null, current: kept !== null && kept.request === request };
}
